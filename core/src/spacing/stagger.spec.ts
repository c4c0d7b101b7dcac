import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkPattern, fabricOf, roundLengths, type Fabric } from '../fabric/index.js';
import { applyEdits, read } from '../notation/index.js';
import { anyPattern } from '../test/any-pattern.js';
import {
  apart,
  changesIn,
  cornerOf,
  creepOf,
  evennessOf,
  extraStitches,
  measuredLean,
  stackingOf,
  spread,
  staggerPart,
  staggerRun,
  startAngles,
  stitchAngles,
  writeSpread,
  type RunRound,
  type SpreadRound,
} from './index.js';

const STYLE = { terms: 'US', form: 'short' } as const;
const fabricFor = (text: string): Fabric => fabricOf(checkPattern(read(text)).parts[0]!);

/** A disc of six increases a round to `most` stitches, and closed again, all stacked. */
function stacked(most: number): string {
  const lines = ['R1: 6 sc in ring (6)', 'R2: inc × 6 (12)'];
  for (let count = 18; count <= most; count += 6) lines.push(`R${lines.length + 1}: (${count / 6 - 2} sc, inc) × 6 (${count})`);
  lines.push(`R${lines.length + 1}: sc around (${most})`);
  for (let count = most - 6; count >= 6; count -= 6)
    lines.push(`R${lines.length + 1}: (${count / 6 - 1} sc, dec) × 6 (${count})`.replace('(0 sc, dec)', '(dec)'));
  return lines.join('\n');
}

function applied(text: string): { text: string; lines: number } {
  const count = checkPattern(read(text));
  const lines = staggerPart(count.parts[0]!, text, STYLE);
  const after = lines
    .map(({ edit }) => edit)
    .toSorted((a, b) => b.from - a.from)
    .reduce((all, { from, to, insert }) => all.slice(0, from) + insert + all.slice(to), text);
  return { text: after, lines: lines.length };
}

describe('staggering', () => {
  it('keeps every total and gap, and sets changes as far apart as they go', () => {
    const text = stacked(60);
    const after = applied(text);
    const count = checkPattern(read(after.text));
    expect(count.diagnostics).toEqual([]);
    expect(count.parts[0]!.rounds.map((round) => round.makes)).toEqual(
      checkPattern(read(text)).parts[0]!.rounds.map((round) => round.makes),
    );
    const [before, staggered] = [fabricFor(text), fabricFor(after.text)];
    for (let round = 2; round < staggered.roundCount; round++) {
      const own = evennessOf(staggered, round);
      if (own) expect(own.largest - own.smallest).toBeLessThanOrEqual(1);
    }
    const run = [3, 10] as const;
    expect(stackingOf(before, stitchAngles(before), ...run)!).toBeGreaterThan(0.7);
    expect(stackingOf(staggered, stitchAngles(staggered), ...run)!).toBeLessThan(0.45);
    expect(cornerOf(before, stitchAngles(before), ...run)).toBeGreaterThan(0.03);
    expect(cornerOf(staggered, stitchAngles(staggered), ...run)).toBeLessThan(0.015);
  });

  it('finds what trying every split finds, on runs short enough for that', () => {
    /** Every choice of leads for a run, each as the spread rounds it gives. */
    const all = (run: readonly RunRound[]): SpreadRound[][] =>
      run.reduce<SpreadRound[][]>(
        (choices, { uses, makes }) =>
          choices.flatMap((choice) =>
            Array.from({ length: (spread(uses, makes).gaps[0] ?? 0) + 1 }, (_, lead) => [...choice, spread(uses, makes, lead)]),
          ),
        [[]],
      );
    /** Least distance of any change to one of the two rounds below, in gaps, measured on the fabric itself. */
    const clear = (rounds: readonly SpreadRound[]): number[] => {
      const lines = rounds.map((round, i) => `R${i + 2}: ${writeSpread(round, STYLE)}`);
      const fabric = fabricFor([`R1: ${rounds[0]!.uses} sc in ring`, ...lines].join('\n'));
      const angles = stitchAngles(fabric);
      const changes = rounds.map((_, i) => changesIn(fabric, angles, i + 1).map((change) => change.angle));
      return changes.slice(1).map((own, i) => {
        const below = [...changes[i]!, ...(changes[i - 1] ?? [])];
        return Math.min(...own.flatMap((angle) => below.map((other) => apart(angle, other) * own.length)));
      });
    };
    const worth = (distances: readonly number[]): number =>
      distances.reduce((sum, each) => sum + Math.sqrt(Math.min(each, 1 / 3)), 0);
    for (const counts of [
      [18, 24, 30, 36],
      [20, 25, 30, 35],
      [36, 30, 24, 18],
      [21, 24, 27, 30],
    ]) {
      const run = counts.slice(1).map((makes, i): RunRound => ({ uses: counts[i]!, makes, fixed: null }));
      const best = Math.max(...all(run).map((rounds) => worth(clear(rounds))));
      expect(worth(clear(staggerRun(run))), counts.join()).toBeGreaterThanOrEqual(best - 0.02);
    }
  });

  it('has nothing more to say once it has been done', () => {
    const once = applied(stacked(48));
    expect(once.lines).toBeGreaterThan(3);
    expect(applied(once.text).lines).toBe(0);
  });

  it('changes where stitches sit in the demo patterns and nothing else: no count, stitch, loop, colour, join or turn', () => {
    const folder = new URL('../../../demo/', import.meta.url);
    let touched = 0;
    for (const name of readdirSync(folder).filter((each) => each.endsWith('.md'))) {
      // All written stacked, as patterns are: the rhythms of the demo are staggered already.
      const text = readFileSync(new URL(name, folder), 'utf8').replace(
        /: \d+ sc, (inc|dec), \((\d+) sc, \1\) × 5, \d+ sc/g,
        ': ($2 sc, $1) × 6',
      );
      const count = checkPattern(read(text));
      for (const [index, part] of count.parts.entries()) {
        const lines = staggerPart(part, text, STYLE);
        if (lines.length === 0) continue;
        touched += lines.length;
        const after = checkPattern(
          read(
            applyEdits(
              text,
              lines.map(({ edit }) => edit),
            ),
          ),
        );
        expect(
          after.diagnostics.filter(({ severity }) => severity === 'error'),
          name,
        ).toEqual([]);
        const [was, is] = [part, after.parts[index]!].map(fabricOf);
        expect(roundLengths(is!), name).toEqual(roundLengths(was!));
        expect(is!.roundWay).toEqual(was!.roundWay);
        for (const row of ['stitch', 'loop', 'limb', 'colour'] as const)
          expect(is![row].toSorted(), `${name} ${row}`).toEqual(was![row].toSorted());
        expect(is!.actionCount).toBe(was!.actionCount);
        // As many changes in every round as before.
        const changes = (of: Fabric): number[] =>
          Array.from({ length: of.roundCount }, (_, round) => changesIn(of, stitchAngles(of), round).length);
        expect(changes(is!), name).toEqual(changes(was!));
      }
    }
    expect(touched).toBeGreaterThan(10);
  });

  it('leaves alone what is uneven on purpose, in one loop, or of several stitches', () => {
    const text =
      'R1: 6 sc in ring (6)\nR2: inc × 6 (12)\nR3: 1 sc, inc, 2 sc, inc, 3 sc, inc, 3 sc (15)\nR4: in BLO, (4 sc, inc) × 3 (18)\nR5: (2 hdc, hdc inc) × 6 (24)\nR6: (2 sc, 2 hdc) × 6 (24)';
    const lines = staggerPart(checkPattern(read(text)).parts[0]!, text, STYLE);
    expect(lines.map((line) => line.label)).not.toContain('R3');
    expect(lines.map((line) => line.label)).not.toContain('R4');
    for (const line of lines) expect(line.after).toContain('hdc');
  });
});

describe('rounds that cannot be spread', () => {
  it('are kept clear of and left alone', () => {
    const text = 'R1: 6 sc in ring (6)\nR2: 3 sc in each st around (18)\nR3: (2 sc, inc) × 6 (24)\nR4: (3 sc, inc) × 6 (30)';
    const lines = staggerPart(checkPattern(read(text)).parts[0]!, text, { terms: 'US', form: 'short' });
    expect(lines.every(({ label }) => label !== 'R2')).toBe(true);
    expect(lines.length).toBeGreaterThan(0);
  });

  it('stop nothing, whatever stands in the pattern', () => {
    fc.assert(
      fc.property(anyPattern, (text) => {
        const count = checkPattern(read(text));
        for (const counted of count.parts)
          for (const { after } of staggerPart(counted, text, { terms: 'US', form: 'short' })) expect(after).toMatch(/\S/);
      }),
      { numRuns: 60 },
    );
  });
});

describe('lean and creep', () => {
  it('adds up over whole turns', () => {
    const tube = fabricOf(checkPattern(read('R1: 8 sc in ring\nR2–R31: sc around (8)')).parts[0]!);
    const angles = stitchAngles(tube, measuredLean(6, 30, 'right', 'right'));
    expect(creepOf(tube, angles, 30)).toBeCloseTo(6, 6);
  });

  it('moves the start of every round by the measured lean', () => {
    const fabric = fabricFor('R1: 24 sc in ring\nR2–R13: sc around');
    // "The marker crept 5 stitches in 12 rounds", to the right for a right-handed maker.
    const lean = measuredLean(5, 12, 'right', 'right');
    expect(creepOf(fabric, stitchAngles(fabric, lean), 12)).toBeCloseTo(5, 6);
    expect(measuredLean(5, 12, 'left', 'left')).toEqual(lean);
    expect(measuredLean(5, 12, 'left', 'right').stitchesPerRound).toBe(-lean.stitchesPerRound);
    expect(() => measuredLean(1, 0, 'left', 'left')).toThrow('at least one round');
  });

  it('says how many more stitches bring the start back under a point', () => {
    const fabric = fabricFor('R1: 24 sc in ring\nR2–R13: sc around');
    const angles = stitchAngles(fabric, measuredLean(5, 12, 'right', 'right'));
    const start = startAngles(fabric, angles);
    expect(extraStitches(fabric, angles, 12, start[0]!)).toBe(5);
    expect(extraStitches(fabric, angles, 12, start[12]!)).toBe(0);
    for (let target = 0; target < 1; target += 0.07) {
      const extra = extraStitches(fabric, angles, 12, target);
      const away = start[12]! + extra / 24 - target;
      expect(Math.abs(away - Math.round(away))).toBeLessThanOrEqual(0.5 / 24 + 1e-9);
    }
  });

  it('runs turned rows back over the row below', () => {
    const fabric = fabricFor('Row 1: ch 9, 8 sc\nRows 2–4: ch 1, turn, sc across');
    const angles = stitchAngles(fabric);
    for (let row = 1; row < 4; row++) {
      for (let i = 0; i < 8; i++) {
        const stitch = fabric.roundStart[row]! + i;
        expect(fabric.firstParent[stitch]).toBe(fabric.roundStart[row]! - 1 - i);
        const away = angles[stitch]! - angles[fabric.firstParent[stitch]!]!;
        expect(away - Math.round(away)).toBeCloseTo(0, 9);
      }
    }
  });
});

describe('corners', () => {
  const corner = (text: string, from: number, to: number): number => {
    const fabric = fabricOf(checkPattern(read(text)).parts[0]!);
    return cornerOf(fabric, stitchAngles(fabric), from, to);
  };

  it('of one number do not cancel those of another, and one change a round makes none', () => {
    const text = `R1: 6 sc in ring\nR2: inc × 6\nR3: (1 sc, inc) × 6\nR4: (2 sc, inc) × 6\nR5: (2 sc, inc) × 8\nR6: (3 sc, inc) × 8`;
    const [six, eight, both] = [corner(text, 2, 4), corner(text, 4, 6), corner(text, 2, 6)];
    expect(both).toBeGreaterThanOrEqual(Math.min(six, eight));
    expect(both).toBeLessThanOrEqual(Math.max(six, eight));
    const cone = ['R1: 6 sc in ring', ...Array.from({ length: 8 }, (_, i) => `R${i + 2}: ${i + 5} sc, inc`)].join('\n');
    expect(corner(cone, 1, 9)).toBe(0);
  });
});

describe('evenness and stacking', () => {
  it('measures gaps around the round’s start', () => {
    // "1 sc, inc, 2 sc, inc, 3 sc, inc" turns 9 into 12 with no two gaps alike (common practice).
    const even = evennessOf(fabricFor('R1: 9 sc in ring\nR2: 1 sc, inc, 2 sc, inc, 3 sc, inc'), 1)!;
    expect(even).toMatchObject({ changes: 3, smallest: 1, largest: 3 });
    expect(even.deviation).toBeCloseTo(Math.sqrt(2 / 3), 9);
    expect(evennessOf(fabricFor('R1: 9 sc in ring\nR2: sc around'), 1)).toBeNull();
  });

  it('finds every change once, and tells stacked from alternating rounds', () => {
    const start = 'R1: 6 sc in ring\nR2: inc × 6\nR3: (1 sc, inc) × 6\nR4: (2 sc, inc) × 6\n';
    const straight = fabricFor(`${start}R5: (3 sc, inc) × 6\nR6: (4 sc, inc) × 6`);
    const split = fabricFor(`${start}R5: 1 sc, inc, (3 sc, inc) × 5, 2 sc\nR6: (4 sc, inc) × 6`);
    expect(changesIn(straight, stitchAngles(straight), 4)).toHaveLength(6);
    const of = (fabric: Fabric): number => stackingOf(fabric, stitchAngles(fabric), 3, 6)!;
    expect(of(straight)).toBeGreaterThan(of(split) + 0.3);
  });
});

describe('growth', () => {
  it('keeps the ratio of hyperbolic rows', () => {
    // Henderson & Taimina, "Crocheting the hyperbolic plane" (2001), from memory: an increase in every n-th stitch grows
    // rows by (n+1) : n, so exponentially.
    for (const n of [3, 5, 6]) {
      const rows = [2, 3, 4].map((row) => `R${row}: (${n - 1} sc, inc) around`).join('\n');
      const { rounds } = checkPattern(read(`R1: ${n ** 3} sc in ring\n${rows}`)).parts[0]!;
      for (let k = 1; k <= 3; k++) expect(rounds[k]!.makes).toBe(n ** (3 - k) * (n + 1) ** k);
    }
  });
});
