import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkPattern, fabricOf, figureFabric } from '../../fabric/index.js';
import { read } from '../../notation/index.js';
import { bodyShape, bodyToRelax, measure, outlineOf, shapeReport, unitProfile, unsewn, upToRound } from '../index.js';

const STITCH = { width: 5, height: 4.8 };
const RATIO = STITCH.height / STITCH.width;
const tube = (around: number, rounds: number, words: string): string =>
  `## Ring\nR1: ch ${around}, join to form a ring, ${around} sc in ring (${around})\nR2-R${rounds}: sc around (${around})\nFasten off and leave 25 cm of yarn for sewing.\n${words}\n`;
const SEWN = 'Bend it round and sew its two ends together.';

function shapeOf(text: string) {
  const body = bodyToRelax(figureFabric(checkPattern(read(text))), 0, RATIO);
  body.relaxation.run(10_000);
  return bodyShape(body, { upright: true, front: null });
}

describe('a tube whose ends are sewn together', () => {
  it('is a ring: its volume is that of its section carried round its middle (Pappus), and it lies as flat as it is thick', () => {
    fc.assert(
      fc.property(fc.integer({ min: 12, max: 24 }), fc.integer({ min: 30, max: 60 }), (around, rounds) => {
        const straight = shapeOf(tube(around, rounds, ''));
        const ring = shapeOf(tube(around, rounds, SEWN));
        const { measures } = ring.pieces[0]!;
        const [thick, way] = [straight.pieces[0]!.measures.diameter, straight.pieces[0]!.measures.height];
        const across = way / Math.PI + thick;
        expect(Math.abs(measures.diameter - across) / across, 'across').toBeLessThan(0.05);
        expect(Math.abs(measures.diameter - measures.second) / across, 'round').toBeLessThan(0.05);
        expect(Math.abs(measures.height - thick) / thick, 'thick').toBeLessThan(0.1);
        // As much as the straight tube holds, and the seam.
        const held = (straight.pieces[0]!.measures.volume * (way + 0.3)) / way;
        expect(Math.abs(measures.volume - held) / held, 'volume').toBeLessThan(0.05);
        expect(ring.size[1]).toBeLessThan(straight.size[1] / 2);
      }),
      { numRuns: 6 },
    );
  });

  it('is told so by its rounds alone too: as wide and as high as its figure, and the tube it is made as until it is sewn', () => {
    fc.assert(
      fc.property(fc.integer({ min: 12, max: 24 }), fc.integer({ min: 30, max: 60 }), (around, rounds) => {
        const text = tube(around, rounds, SEWN);
        const { measures } = shapeOf(text).pieces[0]!;
        const profile = unitProfile(outlineOf(fabricOf(checkPattern(read(text)).parts[0]!)), RATIO);
        const sewn = measure(profile);
        expect(Math.abs(sewn.diameter - measures.diameter) / measures.diameter, 'across').toBeLessThan(0.1);
        expect(Math.abs(sewn.height - measures.height) / measures.height, 'high').toBeLessThan(0.15);
        const [straight, worked] = [measure(unsewn(profile)), measure(upToRound(profile, rounds - 1))];
        expect(straight.height).toBeGreaterThan(2 * sewn.height);
        expect([straight.diameter, straight.wall, straight.volume]).toEqual([sewn.height, sewn.wall, sewn.volume]);
        expect(Math.abs(worked.height - straight.height)).toBeLessThan(2);
      }),
      { numRuns: 6 },
    );
  });

  it('has a skin without a hole: each edge lies between two triangles, which go along it in opposite directions', () => {
    const { triangles } = shapeOf(tube(14, 40, SEWN));
    const edges = new Map<string, number>();
    for (let t = 0; t < triangles.length; t += 3)
      for (let k = 0; k < 3; k++) {
        const [a, b] = [triangles[t + k]!, triangles[t + ((k + 1) % 3)]!];
        edges.set(`${a} ${b}`, (edges.get(`${a} ${b}`) ?? 0) + 1);
      }
    const lonely = [...edges].filter(([edge, times]) => times !== edges.get(edge.split(' ').reverse().join(' ')));
    // A spiral steps down a row where it ends, once at either end.
    expect(lonely.length).toBeLessThanOrEqual(6);
    expect(edges.size).toBeGreaterThan(14 * 40 * 3);
  });

  it.each([
    ['Bend it round and sew its two ends together.', true],
    ['Stuff lightly, then join both ends to each other.', true],
    ['Sew its ends in.', false],
    ['Do not sew its two ends together.', false],
    ['Sew the two ends of yarn together.', false],
    ['Sew it to the body.', false],
  ])('is told by “%s”: %s', (words, meet) => {
    expect(fabricOf(checkPattern(read(tube(16, 40, words))).parts[0]!).endsMeet).toBe(meet);
  });

  it('must be open at both ends, or its words change nothing', () => {
    const ball = `## Ball\nR1: 6 sc in ring (6)\nR2: inc × 6 (12)\nR3–R6: sc around (12)\nR7: dec × 6 (6)\n${SEWN}\n`;
    const [part] = checkPattern(read(ball)).parts;
    expect(outlineOf(fabricOf(part!)).endsMeet).toBe(false);
    expect(shapeOf(ball).size).toEqual(shapeOf(ball.replace(SEWN, '')).size);
  });

  it('is as high in its report as its tube is thick, holds as much, and neither leans nor has corners', () => {
    const [sewn, straight] = [SEWN, ''].map((words) => shapeReport(checkPattern(read(tube(16, 40, words))), STITCH)[0]!);
    expect(sewn!.lean).toBe(0);
    expect(sewn!.corners.swing).toBe(0);
    expect(sewn!.relaxed.height / straight!.relaxed.diameter).toBeCloseTo(1, 1);
    expect(sewn!.relaxed.volume / straight!.relaxed.volume).toBeCloseTo(1, 1);
  });
});
