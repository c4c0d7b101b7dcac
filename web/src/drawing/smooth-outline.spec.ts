import fc from 'fast-check';
import { expect, it } from 'vitest';
import { placeOnCurve, smoothOutline } from './smooth-outline';

const outline = fc
  .array(fc.tuple(fc.double({ min: 0.1, max: 40, noNaN: true }), fc.double({ min: 0, max: 6, noNaN: true })), {
    minLength: 3,
    maxLength: 12,
  })
  .map((steps) => {
    let y = 0;
    const points = steps.map(([r, up]): [number, number] => [r, (y += up)]);
    return [[0, 0] as [number, number], ...points];
  });

it('goes through every round, and never past the axis', () => {
  fc.assert(
    fc.property(outline, (points) => {
      const curve = smoothOutline(points);
      for (const [i, [x, y]] of points.entries()) {
        const [cx, cy] = curve[placeOnCurve(i, points.length)]!;
        expect(cx).toBeCloseTo(x, 9);
        expect(cy).toBeCloseTo(y, 9);
      }
      expect(curve.every(([x]) => x >= 0)).toBe(true);
    }),
  );
});

it('makes a circle of a few points on one, and closes it round at its pole', () => {
  const points = Array.from({ length: 9 }, (_, i): [number, number] => [
    10 * Math.sin((Math.PI * i) / 8),
    10 - 10 * Math.cos((Math.PI * i) / 8),
  ]);
  points[8] = [0, 20];
  for (const [x, y] of smoothOutline(points)) expect(Math.abs(Math.hypot(x, y - 10) - 10)).toBeLessThan(0.03);
});
