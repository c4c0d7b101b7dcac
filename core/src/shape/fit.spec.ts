import fc from 'fast-check';
import { BufferGeometry, LatheGeometry, Vector2, Vector3 } from 'three';
import { describe, expect, it } from 'vitest';
import { checkPattern, fabricOf } from '../fabric/index.js';
import { estimateStitch } from '../gauge/index.js';
import { read } from '../notation/index.js';
import { ballText } from '../test/solids.js';
import {
  measure,
  outlineOf,
  outlinePoints,
  plainOutline,
  relaxedProfile,
  scaleProfile,
  stitchOfPart,
  stuffedProfile,
  unitProfile,
  type Outline,
  type Profile,
} from './index.js';

const BALL = plainOutline([6, 12, 18, 24, 30, 30, 30, 30, 30, 24, 18, 12, 6]);
const MEDIUM = { yarnWeight: 4, hookMm: 3.5 } as const;

const outlineIn = (text: string): Outline => outlineOf(fabricOf(checkPattern(read(text)).parts[0]!));

/** Volume inside a closed mesh: the sum of the tetrahedra from the origin to its triangles. */
function meshVolume(geometry: BufferGeometry): number {
  const flat = geometry.index ? geometry.toNonIndexed() : geometry;
  const at = flat.getAttribute('position');
  const corner = (i: number): Vector3 => new Vector3().fromBufferAttribute(at, i);
  let sum = 0;
  for (let i = 0; i < at.count; i += 3) sum += corner(i).dot(corner(i + 1).cross(corner(i + 2))) / 6;
  return Math.abs(sum);
}

const BEAD = fabricOf(checkPattern(read(ballText(42, 6))).parts[0]!);

describe('a stitch from a finished part', () => {
  const made = (width: number, height: number, stretch?: number) => {
    const { diameter, height: tall } = measure(scaleProfile(relaxedProfile(BEAD, height / width, stretch), width));
    return { widthMm: diameter, heightMm: tall };
  };

  it('is the stitch the part was made of', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.8, max: 1.3, noNaN: true }),
        fc.double({ min: 0.92, max: 1.2, noNaN: true }),
        (loose, slim) => {
          const table = estimateStitch(4, 3.5);
          const width = table.width * loose;
          const height = table.height * loose * slim;
          const read = stitchOfPart(BEAD, made(width, height), MEDIUM);
          if (!read.ok) throw new Error(read.message);
          expect(Math.abs(read.stitch.width / width - 1)).toBeLessThan(0.006);
          expect(Math.abs(read.stitch.height! / height - 1)).toBeLessThan(0.015);
          expect(read.stretch).toBeNull();
        },
      ),
      { numRuns: 5, seed: 5 },
    );
  });

  it('leaves the swatch its stitch, and says how far stuffing stretched it', () => {
    const swatch = { width: 5.4, height: 5.2 };
    for (const stretch of [0.01, 0.04]) {
      const read = stitchOfPart(BEAD, made(swatch.width, swatch.height, stretch), MEDIUM, swatch);
      if (!read.ok) throw new Error(read.message);
      expect(Math.abs(read.stretch! - stretch)).toBeLessThan(0.006);
      expect(Math.abs(read.stitch.width / swatch.width - 1)).toBeLessThan(0.01);
    }
    // What no stuffing explains is the stitch's: looser, or tighter than the swatch was.
    const loose = stitchOfPart(BEAD, made(6.2, 6), MEDIUM, swatch);
    if (!loose.ok) throw new Error(loose.message);
    expect(loose.stretch).toBe(0.08);
    expect(loose.stitch.width).toBeGreaterThan(5.7);
  });

  it.each([
    [{ widthMm: 0, heightMm: null }, 'widthMm', /5 to 3000/],
    [{ widthMm: 5.4, heightMm: null }, 'widthMm', /was to be expected/],
    [{ widthMm: 50, heightMm: 400 }, 'heightMm', /No stitch makes/],
  ] as const)('refuses %j', (sizes, field, message) => {
    const read = stitchOfPart(BEAD, sizes, MEDIUM);
    expect(read).toMatchObject({ ok: false, field });
    expect(read.ok ? '' : read.message).toMatch(message);
  });
});

describe('sizes', () => {
  it('scale with the stitch: the shape depends on height over width only', () => {
    const small = stuffedProfile(BALL.counts, { width: 4, height: 3.9 });
    const large = measure(stuffedProfile(BALL.counts, { width: 7, height: (3.9 * 7) / 4 }));
    const scaled = measure(scaleProfile(small, 7 / 4));
    for (const key of ['diameter', 'height', 'wall', 'volume'] as const) expect(scaled[key] / large[key]).toBeCloseTo(1, 9);
  });

  it('grow with taller stitches: a tube in hdc is a third higher, in dc twice as high', () => {
    // 8 and 12 increases a round lie flat where sc take 6 (common practice).
    const tube = (stitch: string): number =>
      measure(unitProfile(outlineIn(`R1: 6 sc in ring\nR2: inc × 6\nR3–R30: ${stitch} around`), 0.95)).height;
    expect(tube('hdc') / tube('sc')).toBeCloseTo(8 / 6, 1);
    expect(tube('dc') / tube('sc')).toBeCloseTo(2, 0.5);
  });
});

describe('volume', () => {
  it('agrees with the volume of a mesh turned by three', () => {
    for (const counts of [BALL.counts, [6, 9, 12, 15, 18, 21, 24], [6, 12, 18, 18, 18, 9, 6]]) {
      const profile = stuffedProfile(counts, { width: 5.4, height: 5.2 });
      const points = outlinePoints(profile).map(([r, z]) => new Vector2(r, z));
      // The mesh is closed at an open rim, as the stuffing is.
      if (points.at(-1)!.x > 0) points.push(new Vector2(0, points.at(-1)!.y));
      const mesh = meshVolume(new LatheGeometry(points, 720));
      expect(measure(profile).volume / mesh).toBeCloseTo(1, 4);
    }
  });

  it('agrees with closed forms: a cone, and a torus by Pappus', () => {
    const steps = 2_000;
    const turned = (rings: number, r: (k: number) => number, z: (k: number) => number, pole: number): Profile => ({
      r: Float64Array.from({ length: rings }, (_, k) => r(k)),
      s: new Float64Array(rings),
      z: Float64Array.from({ length: rings }, (_, k) => z(k)),
      base: { r: 0, s: 0 },
      pole,
      tip: null,
      main: rings,
      flat: false,
      ring: false,
      stuffed: true,
      settled: true,
      relaxed: false,
      enclosed: null,
    });
    const cone = turned(
      steps,
      (k) => (20 * (k + 1)) / steps,
      (k) => (60 * (k + 1)) / steps,
      0,
    );
    expect(measure(cone).volume / ((Math.PI * 20 ** 2 * 60) / 3)).toBeCloseTo(1, 9);
    // A circle of radius 8 whose centre goes round at 30: its area times the way of its centre.
    const turn = (k: number): number => -Math.PI / 2 + (2 * Math.PI * k) / steps;
    const torus = turned(
      steps + 1,
      (k) => 30 + 8 * Math.cos(turn(k)),
      (k) => 8 * Math.sin(turn(k)),
      -8,
    );
    expect(measure(torus).volume / (2 * Math.PI * 30 * Math.PI * 8 ** 2)).toBeCloseTo(1, 4);
  });
});
