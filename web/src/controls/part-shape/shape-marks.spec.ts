import { checkPattern, figureFabric } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { bodyShape, bodyToRelax } from '@lemniscus/core/shape';
import { expect, it } from 'vitest';
import { eyesOf, lineOfStitch, marksOf } from './shape-marks';

const TEXT =
  '## Head\nR1: 6 sc in ring (6)\nR2: inc x 6 (12)\nR3-R4: sc around (12)\nSet the eyes between R3 and R4, 2 stitches between them.\nR5: (2 sc, dec) x 2 (10)\nR6: dec x 5 (5)';
const { parts } = checkPattern(read(TEXT));
const body = bodyToRelax(figureFabric({ parts }), 0, 0.96);
body.relaxation.run(2_000);
const shape = bodyShape(body, { upright: true, front: 2 });

it('every stitch has its line, and a line has its stitches, those of a range all', () => {
  const lit = (line: number) => [...marksOf(shape, parts, { part: 0, line }).lit];
  expect(lit(2)).toEqual(Array.from({ length: 24 }, (_, i) => 18 + i));
  for (let line = 0; line < parts[0]!.part.lines.length; line++)
    for (const stitch of lit(line)) expect(lineOfStitch(shape, parts, stitch)).toEqual({ part: 0, line });
  expect(marksOf(shape, parts, null).lit.size).toBe(0);
});

it('a round that does not count stands out', () => {
  const { wrong } = marksOf(shape, parts, null);
  // R5 takes eight of twelve.
  expect(wrong.size).toBeGreaterThan(0);
  expect([...wrong].every((stitch) => lineOfStitch(shape, parts, stitch)!.line >= 3)).toBe(true);
});

it('eyes sit in front, level, as far apart as is said, and look outwards', () => {
  const eyes = eyesOf(shape, parts, 8, 5);
  expect(eyes.map(({ radius }) => radius)).toEqual([0.8, 0.8]);
  const [one, two] = eyes as [(typeof eyes)[0], (typeof eyes)[0]];
  expect(one.at[2]).toBeGreaterThan(0.5);
  expect(two.at[2]).toBeGreaterThan(0.5);
  expect(Math.abs(one.at[1] - two.at[1])).toBeLessThan(0.5);
  // Posts sit in holes: two stitches between them are two widths from middle to middle, along a round of twelve.
  const apart = Math.hypot(...[0, 1, 2].map((d) => one.at[d]! - two.at[d]!));
  expect(apart).toBeGreaterThan(1.7);
  expect(apart).toBeLessThan(2.3);
  for (const { at, out } of eyes) expect(at[0] * out[0] + at[2] * out[2]).toBeGreaterThan(0);
});
