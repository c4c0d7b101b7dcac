import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { read } from '../notation/index.js';
import { changeOf, checkPattern, describe as sentence, fabricOf, roundLength, toReport, type Fabric } from './index.js';

function fabricOfText(text: string): Fabric {
  return fabricOf(checkPattern(read(text)).parts[0]!);
}

/** Each stitch of a round as "first parent+parents", relative to the round below. */
function parentsIn(fabric: Fabric, round: number): string {
  const below = round > 0 ? fabric.roundStart[round - 1]! : 0;
  const rows = Array.from({ length: roundLength(fabric, round) }, (_, i) => fabric.roundStart[round]! + i);
  return rows.map((row) => `${fabric.firstParent[row]! - below}+${fabric.parentCount[row]!}`).join(' ');
}

describe('actions', () => {
  it('are all there where a part has many more of them than stitches', () => {
    const fabric = fabricOfText(
      'R1: 80 sc in ring (80)\nR2: (sc, sk 3) × 20 (20)\nR3: (sc, sk 1, turn, turn, turn, turn) × 10 (10)',
    );
    expect([fabric.stitchCount, fabric.actionCount]).toEqual([110, 80 + 40 + 60]);
    expect([fabric.actionStart.length, fabric.actionGroup.length, fabric.actionWork.length]).toEqual([181, 180, 180]);
    const [skipped, stitch] = [179, 174].map((action) => fabric.actionStart[action + 1]! - fabric.actionStart[action]!);
    expect([skipped, stitch, fabric.actionStart[180]]).toEqual([0, 1, 110]);
  });
});

describe('checks', () => {
  const reported = (text: string) => toReport(text, checkPattern(read(text)));

  it('says both numbers and by how many a round is off, at its place', () => {
    // The round of the craft notes: "(dec, 2 sc) × 4" over 18 leaves 2; worked as one more dec it would make 13.
    const text = 'R1: 18 sc in ring (18)\nR2: (dec, 2 sc) × 4 (13)';
    expect(reported(text).parts[0]!.rounds[1]).toEqual({ label: 'R2', uses: 16, makes: 12, stated: 13, ok: false });
    expect(reported(text).diagnostics).toEqual([
      {
        code: 'leaves-stitches',
        severity: 'error',
        line: 2,
        column: 5,
        endColumn: 20,
        message: 'R2 works 16 of the 18 stitches below: 2 are left over. As written it makes 12, and 13 is stated.',
      },
    ]);
    const many = 'R1: 6 sc in ring\nR2: 8 sc';
    expect(reported(many).diagnostics[0]!.message).toBe(
      'R2 needs 8 stitches, but the round below has 6: 2 too many. As written it makes 8.',
    );
  });

  it('tells of one slip once, though later rounds were written for the stated total', () => {
    const text = 'R1: 6 sc in ring (6)\nR2: (inc, sc) x 3 (12)\nR3: (1 sc, inc) x 6 (18)\nR4–R6: sc around (18)';
    const { parts, diagnostics } = reported(text);
    expect(diagnostics.map((each) => each.line)).toEqual([2]);
    expect(parts[0]!.rounds.map((round) => round.ok)).toEqual([true, false, true, true, true, true]);
  });

  it('keeps a runaway repeat within bounds', () => {
    const text = `R1: 6 sc in ring\n${Array.from({ length: 400 }, (_, i) => `R${i + 2}: (((9000 sc) x 9000) x 9000) x 9000`).join('\n')}`;
    const count = checkPattern(read(text));
    expect(count.diagnostics.some((each) => each.code === 'too-large')).toBe(true);
    expect(fabricOf(count.parts[0]!).stitchCount).toBe(6);
    expect(count.diagnostics.map(sentence).join()).not.toMatch(/NaN|undefined/);
  });
});

describe('fabric', () => {
  it('hangs every stitch on what it is worked into', () => {
    const fabric = fabricOfText('R1: 4 sc in ring\nR2: inc, 2 sc, inc\nR3: 1 sc, dec, sc3tog\nR4: 3 sc in next st, 2 sc');
    expect(parentsIn(fabric, 0)).toBe('-1+0 -1+0 -1+0 -1+0');
    expect(parentsIn(fabric, 1)).toBe('0+1 0+1 1+1 2+1 3+1 3+1');
    expect(parentsIn(fabric, 2)).toBe('0+1 1+2 3+3');
    expect(parentsIn(fabric, 3)).toBe('0+1 0+1 0+1 1+1 2+1');
    expect(Array.from({ length: fabric.actionCount }, (_, action) => changeOf(fabric, action)).join(' ')).toBe(
      'plain plain plain plain increase plain plain increase plain decrease decrease increase plain plain',
    );
  });

  it('knows colour, loop and group of every stitch', () => {
    const fabric = fabricOfText('With red:\nR1: 6 sc in ring\nR2: in BLO, 2 sc, change to white, (1 sc, inc) × 2');
    expect([...fabric.colour].map((index) => fabric.colours[index])).toEqual([
      ...Array<string>(8).fill('red'),
      ...Array<string>(6).fill('white'),
    ]);
    expect([...fabric.loop].join('')).toBe('00000011111111');
    expect([...fabric.actionGroup.slice(6)].join('')).toBe('001122');
  });

  /** A part whose every round fits: each round works the one below in chunks of one, two or three stitches. */
  const fitting = fc
    .array(fc.array(fc.constantFrom('sc', 'inc', 'dec', 'sc3tog', '3 sc in next st'), { minLength: 1, maxLength: 9 }), {
      minLength: 1,
      maxLength: 12,
    })
    .map((rounds) => {
      const USES: Record<string, number> = { dec: 2, sc3tog: 3 };
      let below = 9;
      const counts = [9];
      const lines = rounds.map((wanted, index) => {
        const used: string[] = [];
        let left = below;
        let makes = 0;
        for (const word of [...wanted, ...Array<string>(below).fill('sc')]) {
          const uses = USES[word] ?? 1;
          if (uses > left) continue;
          left -= uses;
          makes += word === 'inc' ? 2 : word === '3 sc in next st' ? 3 : 1;
          used.push(word);
        }
        below = makes;
        counts.push(makes);
        return `R${index + 2}: ${used.join(', ')} (${makes})`;
      });
      return { text: ['R1: 9 sc in ring (9)', ...lines].join('\n'), counts };
    });

  it('uses and makes add up for any round that fits: every stitch below is worked once, in order', () => {
    fc.assert(
      fc.property(fitting, ({ text, counts }) => {
        const count = checkPattern(read(text));
        expect(
          count.diagnostics.filter((each) => each.severity !== 'hint'),
          text,
        ).toEqual([]);
        const fabric = fabricOf(count.parts[0]!);
        expect(counts).toEqual(Array.from({ length: fabric.roundCount }, (_, round) => roundLength(fabric, round)));
        for (let round = 1; round < fabric.roundCount; round++) {
          let next = fabric.roundStart[round - 1]!;
          for (let action = fabric.roundAction[round]!; action < fabric.roundAction[round + 1]!; action++) {
            const row = fabric.actionStart[action]!;
            expect(fabric.firstParent[row]).toBe(next);
            next += fabric.parentCount[row]!;
          }
          expect(next).toBe(fabric.roundStart[round]);
        }
      }),
      { seed: 3, numRuns: 300 },
    );
  });
});

describe('colours', () => {
  it('change after the last round of a range, not after its first', () => {
    const fabric = fabricOfText(
      'With red:\nR1: 6 sc in ring (6)\nR2–R4: sc around (6). Change to white.\nR5: 3 sc, change to blue, 3 sc',
    );
    const of = (round: number): string[] => [
      ...new Set(
        Array.from(
          fabric.colour.slice(fabric.roundStart[round], fabric.roundStart[round + 1]),
          (index) => fabric.colours[index]!,
        ),
      ),
    ];
    expect([0, 1, 2, 3, 4].map(of)).toEqual([['red'], ['red'], ['red'], ['red'], ['white', 'blue']]);
  });
});
