import { describe, expect, it } from 'vitest';
import { footAt, RING, type Track } from './dial-track';

const OVAL: Track = { half: 40, side: 0.1, middle: 0.3 };

/** A stitch's place at a radius. */
function place(track: Track, turns: number, radius: number): [number, number] {
  const { x, y, outward } = footAt(track, turns);
  return [x + Math.cos(outward) * radius, y + Math.sin(outward) * radius];
}

describe('the track of the dial', () => {
  it('is closed and without gaps, round once in one turn, counter to the clock', () => {
    for (const track of [RING, OVAL]) {
      let area = 0;
      let longest = 0;
      const steps = 2000;
      for (let i = 0; i < steps; i++) {
        const [x1, y1] = place(track, i / steps, 150);
        const [x2, y2] = place(track, (i + 1) / steps, 150);
        area += (x1 * y2 - x2 * y1) / 2;
        longest = Math.max(longest, Math.hypot(x2 - x1, y2 - y1));
      }
      // A disc, and a rectangle between its halves (closed forms); y grows downward, so this way round is negative.
      const expected = Math.PI * 150 ** 2 + 4 * track.half * 150;
      expect(-area / expected).toBeCloseTo(1, 3);
      expect(longest).toBeLessThan((2 * (2 * Math.PI * 150 + 4 * track.half)) / steps);
    }
  });

  it('has its sides straight and opposite, their middles half a turn apart', () => {
    const [x, y] = place(OVAL, OVAL.middle, 100);
    expect([x, y]).toEqual([expect.closeTo(0, 9), expect.closeTo(-100, 9)]);
    expect(place(OVAL, OVAL.middle + 0.5, 100)).toEqual([expect.closeTo(0, 9), expect.closeTo(100, 9)]);
    for (const way of [0.2, 0.3, 0.34])
      expect(Math.cos(footAt(OVAL, way + 0.5).outward - footAt(OVAL, way).outward)).toBeCloseTo(-1, 9);
  });

  it('takes whole turns as none', () => {
    for (const turns of [-2.7, -0.1, 0, 0.43, 5.43]) {
      const here = footAt(OVAL, turns);
      const there = footAt(OVAL, turns + 3);
      expect(there.x).toBeCloseTo(here.x, 9);
      expect(Math.cos(there.outward - here.outward)).toBeCloseTo(1, 9);
    }
  });
});
