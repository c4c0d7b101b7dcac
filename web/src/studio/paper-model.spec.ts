import { along } from '@lemniscus/core/design';
import { outlineSize, TEMPLATES, wishOf, type SketchOutline } from '@lemniscus/core/sketch';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  betweenPath,
  mirroredUp,
  sheetFor,
  snapped,
  spotAt,
  TRUE_SCALE,
  turnedOver,
  withoutPoint,
  withPoint,
  withPointNear,
  xOf,
  yOf,
} from './paper-model';

const outlines = fc.constantFrom(...TEMPLATES.map(({ outline }) => outline));
const areaOf = (outline: SketchOutline): number => {
  const { points } = wishOf(outline);
  return points.slice(1).reduce((sum, { r, z }, i) => sum + ((r + points[i]!.r) / 2) * (z - points[i]!.z), 0);
};

describe('a sheet of paper', () => {
  it('has room for the whole outline, at true scale where that is enough', () => {
    fc.assert(
      fc.property(
        outlines,
        fc.integer({ min: 260, max: 1_400 }),
        fc.integer({ min: 240, max: 1_000 }),
        (outline, width, height) => {
          const sheet = sheetFor(outline, width, height, width % 2 === 0);
          for (const { r, z } of outline.points) {
            expect(xOf(sheet, r)).toBeLessThanOrEqual(width);
            expect(xOf(sheet, -r)).toBeGreaterThanOrEqual(0);
            expect(yOf(sheet, z)).toBeGreaterThanOrEqual(0);
            expect(yOf(sheet, z)).toBeLessThanOrEqual(height);
          }
          const { across, tall } = outlineSize(outline);
          if ((across + 10) * TRUE_SCALE < width && (tall + 10) * TRUE_SCALE < height) expect(sheet.times).toBe(1);
          expect(sheet.scale).toBeCloseTo(sheet.times * TRUE_SCALE, 9);
        },
      ),
    );
  });

  it('finds the spot again that it drew', () => {
    fc.assert(
      fc.property(
        outlines,
        fc.double({ min: 0, max: 50, noNaN: true }),
        fc.double({ min: 0, max: 120, noNaN: true }),
        (outline, r, z) => {
          const sheet = sheetFor(outline, 500, 420, r > 20);
          const spot = spotAt(sheet, xOf(sheet, r), yOf(sheet, z));
          expect(spot.r).toBeCloseTo(r, 6);
          expect(spot.z).toBeCloseTo(z, 6);
        },
      ),
    );
  });

  it('snaps to whole stitches round and whole rounds up, never further than half of one', () => {
    const stitch = { width: 5, height: 4.8 };
    fc.assert(
      fc.property(fc.double({ min: 0, max: 60, noNaN: true }), fc.double({ min: 0, max: 120, noNaN: true }), (r, z) => {
        const at = snapped({ r, z }, stitch);
        const stitches = (2 * Math.PI * at.r) / stitch.width;
        expect(stitches).toBeCloseTo(Math.round(stitches), 6);
        expect(Math.abs(at.z - z)).toBeLessThanOrEqual(stitch.height / 2 + 1e-9);
        expect(Math.abs(at.r - r)).toBeLessThanOrEqual(stitch.width / (4 * Math.PI) + 1e-9);
      }),
    );
  });

  it('shades nothing where a shape lies on what was drawn', () => {
    const { outline } = TEMPLATES[0]!;
    const { points } = wishOf(outline);
    const twice = betweenPath(sheetFor(outline, 500, 420, false), points, points).match(/[ML][^MLZ]+/g)!;
    // There and back on one line, either side.
    expect(new Set(twice.slice(0, twice.length / 2).map((each) => each.slice(1))).size).toBeLessThanOrEqual(points.length);
  });
});

describe('a point of an outline', () => {
  it('that is put on the curve leaves it where it is, and taken away again leaves the points that were', () => {
    fc.assert(
      fc.property(outlines, fc.double({ min: 0.05, max: 0.95, noNaN: true }), (outline, share) => {
        const at = along(wishOf(outline).points).at(share);
        const { outline: more, index } = withPointNear(outline, at);
        expect(more.points).toHaveLength(outline.points.length + 1);
        expect(Math.hypot(more.points[index]!.r - at.r, more.points[index]!.z - at.z)).toBeLessThan(1);
        expect(Math.abs(areaOf(more) / areaOf(outline) - 1)).toBeLessThan(0.05);
        expect(withoutPoint(more, index)).toEqual(outline);
      }),
    );
  });

  it('on the middle line stays on it, and none goes past it', () => {
    for (const { outline } of TEMPLATES) {
      const last = outline.points.length - 1;
      expect(withPoint(outline, 0, { r: 12, z: 3 }).points[0]).toMatchObject({ r: 0, z: 3 });
      expect(withPoint(outline, last, { r: 12 }).points[last]!.r).toBe(outline.end === 'shut' ? 0 : 12);
      expect(withPoint(outline, 1, { r: -8 }).points[1]!.r).toBe(0);
    }
  });

  it('goes only where two are left', () => {
    let outline: SketchOutline = TEMPLATES[0]!.outline;
    for (let i = 0; i < 12; i++) outline = withoutPoint(outline, 1);
    expect(outline.points).toHaveLength(2);
  });
});

describe('an outline', () => {
  it('turned over twice is what it was, where it is shut', () => {
    for (const { outline } of TEMPLATES.filter(({ outline: { end } }) => end === 'shut')) {
      const twice = turnedOver(turnedOver(outline));
      expect(twice.points.map(({ r }) => r)).toEqual(outline.points.map(({ r }) => r));
      twice.points.forEach(({ z }, i) => expect(z).toBeCloseTo(outline.points[i]!.z, 9));
      expect(areaOf(turnedOver(outline))).toBeCloseTo(areaOf(outline), 0);
    }
  });

  it('as above as below is its own image, as tall as it was', () => {
    for (const { outline } of TEMPLATES.filter(({ outline: { end } }) => end === 'shut')) {
      const even = mirroredUp(outline);
      expect(outlineSize(even).tall).toBeCloseTo(outlineSize(outline).tall, 6);
      const again = turnedOver(even);
      again.points.forEach(({ r, z }, i) => {
        expect(r).toBeCloseTo(even.points[i]!.r, 6);
        expect(z).toBeCloseTo(even.points[i]!.z, 6);
      });
    }
  });
});
