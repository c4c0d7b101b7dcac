import fc from 'fast-check';
import { conjugateGradient } from 'fmin/index.js';
import { BufferAttribute, BufferGeometry, Vector3 } from 'three';
import { describe, expect, it } from 'vitest';
import { checkPattern, fabricOf, figureFabric } from '../../fabric/index.js';
import { read } from '../../notation/index.js';
import { anyPattern } from '../../test/any-pattern.js';
import { ballText, discText } from '../../test/solids.js';
import {
  bodyShape,
  bodyToRelax,
  measure,
  measureRelaxed,
  outlineOf,
  posed,
  relaxedProfile,
  skinNormals,
  unitProfile,
  type BodyAtRest,
} from '../index.js';
import type { FabricNet } from './fabric-net.js';
import { pressureForces, springForces } from './forces.js';
import { Relaxation } from './relax.js';

const RATIO = 0.96;
const figureIn = (text: string) => figureFabric(checkPattern(read(text)));
function rest(text: string, ratio = RATIO, options = {}): BodyAtRest {
  const body = bodyToRelax(figureIn(text), 0, ratio, options);
  body.relaxation.run(10_000);
  return body;
}
const measured = ({ net, relaxation }: BodyAtRest) => measureRelaxed(net, 0, relaxation.positions);

const PRESSURE = 0.004;
/** Energy of springs and stuffing, with the forces in `force`. */
function energyOf(net: FabricNet, x: Float64Array, force = new Float64Array(x.length)): number {
  force.fill(0);
  return springForces(net, x, force) - PRESSURE * pressureForces(net, PRESSURE, x, force);
}

const TUBE = '## Tube\nR1: 5 sc in ring\nR2: inc x 5\nR3-R6: sc around';
const LEGS = `## Leg (make 2)\nR1: 6 sc in ring\nR2: inc x 6\nR3-R6: sc around\n\n## Body\nR1: join legs with ch 3, sc around (30)\nR2-R8: sc around\nR9: (3 sc, dec) x 6\nR10: (2 sc, dec) x 6\nR11: (1 sc, dec) x 6\nR12: dec x 6`;

describe('forces', () => {
  it('are less the gradient of the energy, caps and all', () => {
    const { net, relaxation } = bodyToRelax(figureIn(TUBE), 0, RATIO);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 2 ** 30 }), (seed) => {
        const x = relaxation.positions.map((value, i) => value + 0.3 * Math.sin(seed + 7 * i));
        const force = new Float64Array(x.length);
        energyOf(net, x, force);
        for (let i = seed % 3; i < x.length; i += 11) {
          const [ahead, behind] = [1e-6, -1e-6].map((by) =>
            energyOf(
              net,
              x.map((value, k) => (k === i ? value + by : value)),
            ),
          );
          expect(force[i]!).toBeCloseTo(-(ahead! - behind!) / 2e-6, 5);
        }
      }),
      { numRuns: 10 },
    );
  });

  it('come from an energy that turning and mirroring leave as it is', () => {
    const { net, relaxation } = rest(TUBE);
    const energy = energyOf(net, relaxation.positions);
    const turn = relaxation.positions.slice();
    const mirror = relaxation.positions.slice();
    for (let i = 0; i < turn.length; i += 3) {
      const [x, y, z] = [turn[i]!, turn[i + 1]!, turn[i + 2]!];
      turn.set([0.6 * x - 0.8 * y + 3, 0.8 * x + 0.6 * y - 2, z + 1], i);
      mirror[i] = -x;
    }
    expect(energyOf(net, turn)).toBeCloseTo(energy, 9);
    // The mirror image has its skin inside out: the same volume, negative.
    const force = new Float64Array(mirror.length);
    expect(springForces(net, mirror, force)).toBeCloseTo(springForces(net, relaxation.positions, force), 9);
    expect(pressureForces(net, 1, mirror, force)).toBeCloseTo(-pressureForces(net, 1, relaxation.positions, force), 9);
  });

  it('come to rest where an independent minimiser does', () => {
    // Conjugate gradients of the package fmin, from the same start, on a piece small enough for them.
    const { net, relaxation } = bodyToRelax(
      figureIn('## Bead\nR1: 6 sc in ring\nR2: inc x 6\nR3-R4: sc around\nR5: dec x 6'),
      0,
      RATIO,
    );
    const pressure = 0.03 / (net.widest * RATIO);
    const energy = (x: number[], gradient: number[]): number => {
      const force = new Float64Array(x.length);
      const at = Float64Array.from(x);
      const springs = springForces(net, at, force);
      const value = springs - pressure * pressureForces(net, pressure, at, force);
      for (const [i, pull] of force.entries()) gradient[i] = -pull;
      return value;
    };
    const slow = conjugateGradient(energy, [...relaxation.positions], { maxIterations: 4_000 });
    relaxation.run(10_000);
    const ours = energy([...relaxation.positions], new Array<number>(slow.x.length).fill(0));
    expect(ours).toBeLessThan(slow.fx + 1e-3 * Math.abs(slow.fx));
    const theirs = measureRelaxed(net, 0, slow.x);
    const { diameter, height } = measureRelaxed(net, 0, relaxation.positions);
    // Error of the solver: half a percent of the diameter.
    expect(Math.abs(diameter - theirs.diameter)).toBeLessThan(0.005 * diameter);
    expect(Math.abs(height - theirs.height)).toBeLessThan(0.005 * diameter);
  });
});

describe('a relaxed piece', () => {
  it('is as slender a ball as an earlier prototype found, by height over width of a stitch', () => {
    // docs/shape.md: a ball of 6, 12 … 42, eight more rounds of 42, and back.
    for (const [height, slender] of [
      [4.5, 0.77],
      [4.8, 0.88],
      [5, 0.95],
      [5.3, 1.06],
    ] as const) {
      const { diameter, height: high } = measured(rest(ballText(42, 8), height / 5));
      expect(Math.abs(high / diameter / slender - 1)).toBeLessThan(0.02);
    }
  });

  it('agrees with the profile on near-round pieces: 1 % of the diameter, 1 % of the volume', () => {
    for (const text of [ballText(42, 8), ballText(60, 20), ballText(30, 4)]) {
      const fabric = fabricOf(checkPattern(read(text)).parts[0]!);
      const { diameter, volume } = measure(relaxedProfile(fabric, RATIO));
      const profile = measure(unitProfile(outlineOf(fabric), RATIO));
      expect(Math.abs(diameter / profile.diameter - 1)).toBeLessThan(0.012);
      expect(Math.abs(volume / profile.volume - 1)).toBeLessThan(0.012);
    }
  });

  it('keeps a tube at its circumference within 2 % when it is hardly stuffed', () => {
    const { openings } = measured(rest(ballText(36, 24), RATIO, { firmness: 0.005 }));
    // The opening is across a polygon of 36 sides, which is wider than a circle by a thousandth.
    expect(Math.abs((openings[16]! * Math.PI) / 36 - 1)).toBeLessThan(0.02);
  });

  it('has corners where changes stack, fewer where they alternate, fewest at golden offsets; by count, and the same mirrored', () => {
    const corner = (place?: (plain: number, round: number) => number) => measured(rest(ballText(48, 6, place))).corners;
    const stacked = corner();
    const alternating = corner((plain, round) => (round % 2 ? Math.floor(plain / 2) : plain));
    const golden = corner((plain, round) => Math.round(((round * 0.618034) % 1) * (plain + 1) - 0.5));
    expect(stacked.count).toBe(6);
    expect(stacked.swing).toBeGreaterThan(1.2 * alternating.swing);
    expect(alternating.swing).toBeGreaterThan(golden.swing);
    const { net, relaxation } = rest(ballText(48, 6));
    const mirror = relaxation.positions.map((value, i) => (i % 3 === 0 ? -value : value));
    expect(measureRelaxed(net, 0, mirror).corners.swing).toBeCloseTo(stacked.swing, 6);
  });

  it('lies as a free disc of six a round, but for the thickness of a stitch or two, and ruffles at nine, where its area grows faster than a plane’s', () => {
    // Henderson and Taimina, Crocheting the hyperbolic plane (2001).
    const disc = (grow: number, rounds: number) => {
      const body = rest(discText(grow, rounds), 6 / (2 * Math.PI));
      const size = bodyShape(body, { upright: true, front: null }).size;
      const { area, height, diameter } = measured(body);
      return { area, cup: height / diameter, high: Math.min(...size), flatness: Math.min(...size) / Math.max(...size) };
    };
    for (const rounds of [6, 9, 14]) {
      const flat = disc(6, rounds);
      const plane = Math.PI * (rounds * 0.955) ** 2;
      expect(Math.abs(flat.area / plane - 1), `${rounds} rounds`).toBeLessThan(0.06);
      // It waves by as much as stitches are high, however wide it is.
      expect(flat.high, `${rounds} rounds`).toBeLessThan(2.6);
      expect(flat.cup, `${rounds} rounds`).toBeLessThan(0.08);
    }
    const [flat, ruffled] = [disc(6, 9), disc(9, 9)];
    expect(ruffled.area).toBeGreaterThan(1.35 * Math.PI * (9 * 0.955) ** 2);
    expect(flat.flatness).toBeLessThan(0.15);
    expect(ruffled.flatness).toBeGreaterThan(4 * flat.flatness);
  });

  it('has the volume and the normals that three finds for the same triangles', () => {
    const body = rest(ballText(30, 4));
    const { net, relaxation } = body;
    const geometry = new BufferGeometry();
    geometry.setAttribute('position', new BufferAttribute(Float64Array.from(relaxation.positions), 3));
    geometry.setIndex([...net.triangles]);
    geometry.computeVertexNormals();
    const ours = skinNormals(net, relaxation.positions);
    const theirs = geometry.getAttribute('normal');
    for (let node = 0; node < net.nodes; node += 5)
      expect(
        new Vector3(ours[3 * node], ours[3 * node + 1], ours[3 * node + 2]).dot(new Vector3().fromBufferAttribute(theirs, node)),
      ).toBeCloseTo(1, 3);
    const at = geometry.getAttribute('position');
    const corner = (i: number): Vector3 => new Vector3().fromBufferAttribute(at, net.triangles[i]!);
    let volume = 0;
    for (let t = 0; t < net.triangles.length; t += 3) volume += corner(t).dot(corner(t + 1).cross(corner(t + 2))) / 6;
    expect(relaxation.volume / volume).toBeCloseTo(1, 3);
    expect(measured(body).volume / volume).toBeCloseTo(1, 3);
  });

  it('stands with its front forward and its foot on the table', () => {
    const { net, relaxation } = rest(ballText(30, 4));
    const up = posed(net, relaxation.positions, { upright: true, front: 5 });
    const down = posed(net, relaxation.positions, { upright: false, front: 5 });
    const { fabric } = net.pieces[0]!.piece;
    const middle = Math.floor((fabric.roundStart[5]! + fabric.roundStart[6]!) / 2);
    const first = fabric.roundStart[5]!;
    for (const x of [up, down]) {
      expect(Math.min(...x.filter((_, i) => i % 3 === 1))).toBeCloseTo(0, 5);
      expect(x[3 * middle + 2]!).toBeGreaterThan(2);
      expect(x[3 * first + 2]!).toBeLessThan(-2);
    }
    expect(up[1]!).toBeLessThan(2);
    expect(down[1]!).toBeGreaterThan(5);
  });
});

describe('a figure', () => {
  it('grows a body out of both legs: they hang side by side, as high and as wide, under one belly', () => {
    const figure = figureIn(LEGS);
    expect(figure.bodyStart).toEqual([0, 3]);
    const { net, relaxation } = rest(LEGS);
    expect(relaxation.outcome).toBe('settled');
    const { size, pieces } = bodyShape({ net, relaxation }, { upright: true, front: null });
    const [left, right, body] = pieces.map(({ measures }) => measures);
    expect(left!.height / right!.height).toBeCloseTo(1, 1);
    expect(left!.diameter / right!.diameter).toBeCloseTo(1, 1);
    expect(size[1]).toBeGreaterThan(left!.height + 0.7 * body!.height);
    expect(relaxation.volume).toBeGreaterThan(1.5 * left!.volume + body!.volume);
  });

  it('holds a limb that is worked into the wall at its stitches, and a panel at the edge round both', () => {
    const seal = `## Fin (make 2)\nR1: 6 sc in ring\nR2-R4: sc around\nDo not stuff. Press flat.\n\n## Body\nR1: 6 sc in ring\nR2: inc x 6\nR3: (1 sc, inc) x 6\nR4: (2 sc, inc) x 6\nR5-R7: sc around\nR8: 4 sc, 3 sc through fin and body, 9 sc, 3 sc through fin and body, 5 sc\nR9-R10: sc around\nR11: (2 sc, dec) x 6\nR12: (1 sc, dec) x 6\nR13: dec x 6`;
    const { net, relaxation } = rest(seal);
    expect(net.held).toHaveLength(12);
    for (const [limb, wall] of net.held)
      expect(
        Math.hypot(...[0, 1, 2].map((d) => relaxation.positions[3 * limb + d]! - relaxation.positions[3 * wall + d]!)),
      ).toBeLessThan(1);
    const cushion = `## Panel (make 2)\nRow 1: ch 9, 8 sc\nRows 2–8: ch 1, turn, sc across\n\n## Edge\nR1: through both layers of panel and panel, (8 sc, 3 sc in corner, 8 sc, 3 sc in corner) × 2 (44)`;
    const pillow = rest(cushion);
    expect(pillow.relaxation.outcome).toBe('settled');
    expect(pillow.relaxation.volume).toBeGreaterThan(60);
  });

  it('goes on from where a changed body lay: adding a round takes fewer steps than beginning anew', () => {
    const before = rest(ballText(48, 10));
    const positions = before.relaxation.positions;
    const anew = rest(ballText(48, 11));
    const warm = bodyToRelax(figureIn(ballText(48, 11)), 0, RATIO, { before: { net: before.net, positions } });
    warm.relaxation.run(10_000);
    expect(measured(warm).height / measured(anew).height).toBeCloseTo(1, 2);
    const same = bodyToRelax(figureIn(ballText(48, 10)), 0, RATIO, { before: { net: before.net, positions } });
    same.relaxation.run(10_000);
    expect(same.relaxation.rest.steps).toBeLessThan(0.25 * before.relaxation.rest.steps);
  });

  it('comes out the same in one go and in many', () => {
    const [once, often] = [bodyToRelax(figureIn(TUBE), 0, RATIO), bodyToRelax(figureIn(TUBE), 0, RATIO)];
    once.relaxation.run(400);
    while (often.relaxation.outcome === 'going' && often.relaxation.rest.steps < 400) often.relaxation.run(7);
    expect(once.relaxation.rest.steps).toBe(often.relaxation.rest.steps);
    expect([...once.relaxation.positions]).toEqual([...often.relaxation.positions]);
  });
});

describe('whatever is written', () => {
  it('never gives anything but numbers, and ends', () => {
    fc.assert(
      fc.property(anyPattern, fc.constantFrom(0.6, 0.96, 1.5), (text, ratio) => {
        const figure = figureIn(text);
        for (let body = 0; body + 1 < figure.bodyStart.length; body++) {
          const { net, relaxation } = bodyToRelax(figure, body, ratio);
          if (net.nodes > 3_000) continue;
          relaxation.run(150);
          expect(relaxation.positions.every(Number.isFinite)).toBe(true);
          const { positions, pieces, stitches } = bodyShape({ net, relaxation }, { upright: true, front: null });
          expect(positions.every(Number.isFinite) && stitches.frames.every(Number.isFinite)).toBe(true);
          for (const { measures } of pieces)
            expect([measures.diameter, measures.height, measures.volume, measures.lean].every((value) => value >= 0)).toBe(true);
        }
      }),
      { numRuns: 60, seed: 20261126 },
    );
  });

  it.each([
    ['one stitch', 'Part\nR1: 1 sc in ring'],
    ['ten thousand increases', 'Part\nR1: 6 sc in ring\nR2: 1666 inc in next'],
    ['a fold', 'Part\nR1: 60 sc in ring\nR2: dec x 30\nR3: (inc, inc) x 30\nR4: dec x 60'],
    ['fifty pieces', 'Part (make 50)\nR1: 6 sc in ring\nR2: inc x 6\nR3: sc around'],
  ])('takes %s', (_, text) => {
    const figure = figureIn(text);
    const { net, relaxation } = bodyToRelax(figure, 0, RATIO);
    relaxation.run(300);
    expect(relaxation.positions.every(Number.isFinite)).toBe(true);
    expect(measureRelaxed(net, 0, relaxation.positions).diameter).toBeGreaterThanOrEqual(0);
    const profile = relaxedProfile(figure.pieces[0]!.fabric, RATIO);
    expect([...profile.r, ...profile.z].every(Number.isFinite)).toBe(true);
  });

  it('says so where it never comes to rest', () => {
    const net = bodyToRelax(figureIn(TUBE), 0, RATIO).net;
    const positions = Float64Array.from({ length: 3 * net.nodes }, (_, i) => Math.sin(12.9898 * i) * 4);
    const tangle = new Relaxation(net, positions);
    expect(tangle.run(5)).toBe('going');
    expect(['settled', 'restless']).toContain(tangle.run(100_000));
    expect(positions.every(Number.isFinite)).toBe(true);
  });
});
