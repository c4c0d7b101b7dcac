import { checkPattern, figureFabric } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { bodyShape, bodyToRelax, type BodyShape } from '@lemniscus/core/shape';
import { Color } from 'three';
import { describe, expect, it } from 'vitest';
import { farSurface, paintFar, pictureSpots, stitchesOfTriangles } from './far-surface';

function shapeOf(text: string): BodyShape {
  const body = bodyToRelax(figureFabric(checkPattern(read(text))), 0, 0.96);
  body.relaxation.run(10_000);
  return bodyShape(body, { upright: true, front: null });
}
const FLOAT =
  '## Float\nR1: 6 sc in ring\nR2: inc x 6\nR3: (1 sc, inc) x 6\nR4-R9: sc around\nR10: (1 sc, dec) x 6\nR11: dec x 6';
const SHAPES: readonly (readonly [string, BodyShape])[] = [
  ['a ball', shapeOf(FLOAT)],
  ['a tall tube', shapeOf('R1: 6 sc in ring\nR2: inc x 6\nR3-R5: dc around')],
  ['flat rows', shapeOf('Row 1: ch 11, 10 sc\nRows 2–5: ch 1, turn, sc across')],
];

describe('the surface seen from afar', () => {
  it.each(SHAPES)(
    'of %s has every stitch in its picture: its top in the middle of the upper edge, what it hangs on below',
    (_, shape) => {
      const { triangles, stitches } = shape;
      const spots = pictureSpots(shape);
      const own = stitchesOfTriangles(shape);
      let tops = 0;
      for (const [i, node] of triangles.entries()) {
        const stitch = own[Math.floor(i / 3)]!;
        expect(Number.isFinite(spots[2 * i]) && Number.isFinite(spots[2 * i + 1])).toBe(true);
        if (stitch < 0 || stitches.node[stitch] !== node) continue;
        tops++;
        expect(spots[2 * i]!).toBeCloseTo(0.5, 1);
        expect(spots[2 * i + 1]!).toBeCloseTo(1, 1);
      }
      expect(tops).toBeGreaterThanOrEqual(stitches.count);
      // Corners lie a picture or two away at most, or pictures would be smeared over the skin.
      const far = Array.from(spots).filter((at) => at < -1.6 || at > 2.6);
      expect(far.length / spots.length).toBeLessThan(0.02);
    },
  );

  it('has the triangles of the skin, each in the colour of its stitch alone', () => {
    const [, shape] = SHAPES[0]!;
    const geometry = farSurface(shape);
    const own = stitchesOfTriangles(shape);
    expect(geometry.getAttribute('position').count).toBe(shape.triangles.length);
    for (let i = 0; i < shape.triangles.length; i += 11)
      expect([0, 1, 2].map((d) => geometry.getAttribute('position').array[3 * i + d])).toEqual(
        [0, 1, 2].map((d) => shape.positions[3 * shape.triangles[i]! + d]),
      );
    const slip = 17;
    paintFar(geometry, own, (stitch) => new Color(stitch === slip ? '#ff0000' : '#00ff00'));
    const reds = geometry.getAttribute('color').array.filter((_, i) => i % 3 === 0);
    expect([...reds].filter((red) => red === 1)).toHaveLength(3 * own.filter((stitch) => stitch === slip).length);
    expect(own.filter((stitch) => stitch === slip).length).toBeGreaterThan(0);
  });

  it('of a ball belongs to its stitches, every one of them, and to nothing else but its closing', () => {
    const [, shape] = SHAPES[0]!;
    const own = stitchesOfTriangles(shape);
    expect(new Set(own.filter((stitch) => stitch >= 0)).size).toBe(shape.stitches.count);
    expect(own.filter((stitch) => stitch < 0)).toHaveLength(0);
  });
});
