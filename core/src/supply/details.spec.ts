import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { checkPattern, fabricOf, roundLengths } from '../fabric/index.js';
import { estimateStitch } from '../gauge/index.js';
import { gatesOf, read } from '../notation/index.js';
import { FIRM, measure, plainOutline, unitProfile } from '../shape/index.js';
import {
  cautionOf,
  EYE_OVER_HEAD,
  eyeAdvice,
  EYES_APART,
  fillingOf,
  handStretch,
  statedKit,
  stuffingBelief,
  stuffingSaid,
  swatchOf,
  tailSaid,
  thingsSaid,
  type Measurement,
} from './index.js';

const folder = new URL('../../../demo/', import.meta.url);
const demos = readdirSync(folder).filter((name) => name.endsWith('.md'));
const part = (words: string) => read(`R1: 6 sc in ring (6)\n${words}`).pattern.parts[0]!;

describe('eyes', () => {
  it('measures "apart" both ways, straight across the head', () => {
    // Corners of a polygon with a stitch a side, by their coordinates.
    const corner = (k: number, n: number, side: number): readonly [number, number] => {
      const radius = side / (2 * Math.sin(Math.PI / n));
      return [radius * Math.cos((2 * Math.PI * k) / n), radius * Math.sin((2 * Math.PI * k) / n)];
    };
    const across = (steps: number): number => {
      const [a, b] = [corner(0, 40, 5), corner(steps, 40, 5)];
      return Math.hypot(a[0] - b[0], a[1] - b[1]);
    };
    const place = { headMm: 64, stitches: 40, stitchWidth: 5, pattern: null };
    const unsaid = eyeAdvice({ ...place, apart: { count: 4, reading: 'unsaid' } }).readings;
    expect(unsaid.map((reading) => [reading.between, reading.meant])).toEqual([
      [4, true],
      [3, false],
    ]);
    // From hole to hole are as many steps as stitches between.
    expect(unsaid[0]!.mm).toBeCloseTo(across(4), 9);
    expect(unsaid[1]!.mm).toBeCloseTo(across(3), 9);
    expect(eyeAdvice({ ...place, apart: { count: 4, reading: 'between' } }).readings).toHaveLength(1);
    expect(eyeAdvice({ ...place, apart: null }).suits).toEqual([7, 10]);
  });

  it('grow with the head when the yarn is another', () => {
    const place = { headMm: 120, stitches: 40, stitchWidth: 8, apart: null };
    expect(eyeAdvice({ ...place, pattern: { eyeMm: 9, factor: 1.6 } })).toMatchObject({ scaled: 14.4, best: 14 });
  });

  it.each(demos)('suit the head they are set in: %s', (file) => {
    // Eyes 0.15 to 0.27 of the head's diameter, a sixth to a quarter of the round apart (common practice).
    const { pattern, parts } = checkPattern(read(readFileSync(new URL(file, folder), 'utf8')));
    const { eyeMm, yarnWeight, hookMm } = statedKit(pattern);
    for (const counted of parts) {
      const gate = gatesOf(counted.part).find((each) => each.kind === 'eyes');
      if (!gate) continue;
      const fabric = fabricOf(counted);
      const at = counted.rounds.findIndex((round) => round.number === gate.rounds![0]);
      const counts = roundLengths(fabric);
      const profile = unitProfile(plainOutline(counts), 6 / (2 * Math.PI));
      const near = profile.r.slice(Math.max(0, at - 5), at + 6);
      const head = 2 * Math.max(...near) * estimateStitch(yarnWeight!, hookMm!).width;
      expect(eyeMm! / head).toBeGreaterThan(EYE_OVER_HEAD[0]);
      expect(eyeMm! / head).toBeLessThan(EYE_OVER_HEAD[1]);
      expect((gate.apart!.count + 1) / counts[at]!).toBeGreaterThanOrEqual(EYES_APART[0]);
      expect((gate.apart!.count + 1) / counts[at]!).toBeLessThanOrEqual(EYES_APART[1]);
    }
    // Every demo pattern says what it is made with.
    expect([yarnWeight, hookMm]).not.toContain(null);
  });
});

describe('what the words of a pattern ask for', () => {
  it.each([
    ['Stuff now, firmly, the sides before the middle.', 'firm'],
    ['Stuff lightly.', 'soft'],
    ['Stuff it.', 'medium'],
    ['Do not stuff. Press flat.', 'none'],
    ['Fasten off.', null],
  ])('%s is stuffed: %s', (words, said) => expect(stuffingSaid(part(words))).toBe(said));

  it.each([
    ['Leave 25 cm of yarn for sewing.', 250],
    ['Leave a tail of 10 inches.', 254],
    ['Leave a tail.', null],
    ['Sew it 3 cm below the tail.', null],
  ])('%s leaves %s mm', (words, mm) => expect(tailSaid(part(words))).toBe(mm));

  it('finds small things, each once, and is not taken in by threading a tail', () => {
    const { pattern } = read(
      'Fish\nA super bulky yarn, a 6.5 mm hook, two 12 mm safety eyes.\n\n## Body\nR1: 6 sc in ring (6)\nThread the tail through.\nHang it from 20 cm of cord. Add a magnet, then another magnet.',
    );
    expect(statedKit(pattern)).toEqual({ yarnWeight: 6, hookMm: 6.5, eyeMm: 12 });
    expect(thingsSaid(pattern).map(({ thing, mm }) => [thing, mm])).toEqual([
      ['cord', 200],
      ['magnet', null],
    ]);
  });
});

describe('stuffing', () => {
  it('learns from a piece whose stuffing was weighed', () => {
    const tools = { yarnWeight: 4, hookMm: 3.5 } as const;
    const volumeMm3 =
      measure(unitProfile(plainOutline([6, 12, 18, 24, 30, 36, 36, 36, 36, 36, 30, 24, 18, 12, 6]), 0.95)).volume * 5.4 ** 3;
    const grams = 1.5 * fillingOf(volumeMm3, 'firm');
    const weighed: Measurement = {
      id: 's',
      takenAt: 0,
      kind: 'stuffing',
      ...tools,
      part: 'Ball',
      grams,
      firmness: 'firm',
      volumeMm3,
    };
    // Inverse variance by hand: 33 % from memory beside the weighing; what is left of the spread says how sure that was.
    const { factor, spread } = stuffingBelief(tools, [weighed]);
    expect(factor).toBeCloseTo(1.5 ** (1 - (spread / 0.33) ** 2), 9);
    expect(factor).toBeGreaterThan(1.4);
    expect(stuffingBelief(tools, [weighed]).spread).toBeLessThan(stuffingBelief(tools, []).spread);
  });
});

describe('cautions', () => {
  it('say other things for a child under three', () => {
    for (const risk of ['eyes', 'magnet', 'cord', 'small parts'] as const) {
      expect(cautionOf(risk, true)).toMatch(/^For a child under three/);
      expect(cautionOf(risk, false)).not.toBe(cautionOf(risk, true));
    }
    // 16 CFR 1501, recalled: the small-parts cylinder is 31.7 mm across.
    expect(cautionOf('eyes', true)).toContain('31.7 mm');
    expect(cautionOf('giving', true)).toContain('local toy-safety law');
  });
});

describe('how firmly a maker stuffs', () => {
  const made = { yarnWeight: 4, hookMm: 3.5 } as const;
  const measured = (id: string, more: object): Measurement => ({
    id,
    takenAt: 1,
    ...made,
    kind: 'part',
    part: 'Head',
    widthMm: 60,
    heightMm: null,
    stitchWidth: 5,
    stitchHeight: null,
    spread: 0.05,
    ...more,
  });
  const swatch = (id: string, takenAt: number, more: object = {}): Measurement => ({
    id,
    takenAt,
    ...made,
    kind: 'swatch',
    stitches: 20,
    widthMm: 100,
    rounds: 20,
    heightMm: 96,
    ...more,
  });

  it('is as usual until a part told, then as parts of this yarn and hook told, else as any did', () => {
    expect(handStretch(made, [])).toBe(FIRM);
    expect(handStretch(made, [measured('a', {})])).toBe(FIRM);
    const other = measured('b', { hookMm: 5, stretch: 0.05 });
    expect(handStretch(made, [other])).toBe(0.05);
    expect(handStretch(made, [other, measured('c', { stretch: 0.01 }), measured('d', { stretch: 0.02 })])).toBeCloseTo(0.015, 9);
  });

  it('is told by the last swatch of this yarn and hook that was measured both ways', () => {
    expect(swatchOf(made, [])).toBeNull();
    expect(swatchOf(made, [swatch('a', 1, { hookMm: 5 }), swatch('b', 2, { rounds: null, heightMm: null })])).toBeNull();
    const found = swatchOf(made, [swatch('a', 1), swatch('b', 3, { stitches: 18 }), swatch('c', 2)]);
    expect(found!.width).toBeCloseTo(100 / 18, 9);
    expect(found!.height).toBeCloseTo(96 / 20, 9);
  });
});
