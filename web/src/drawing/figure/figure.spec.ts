import { checkPattern, figureFabric } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { bodyShape, bodyToRelax, type BodyShape } from '@lemniscus/core/shape';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { standsOut } from './figure-words';
import { FRONT, keyed, nearer, turned } from './figure-view';
import { flatFigure, outlinePath, projected } from './flat-figure';

function shapeOf(text: string): BodyShape {
  const body = bodyToRelax(figureFabric(checkPattern(read(text))), 0, 0.96);
  body.relaxation.run(10_000);
  return bodyShape(body, { upright: true, front: null });
}
const BALL = shapeOf('R1: 6 sc in ring\nR2: inc x 6\nR3: (1 sc, inc) x 6\nR4-R7: sc around\nR8: (1 sc, dec) x 6\nR9: dec x 6');
const length = (widths: number): string => `${(5 * widths).toFixed(0)} mm`;

describe('the view of a figure', () => {
  it('comes back by the keys that turned it, and never tips over', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom('ArrowLeft', 'ArrowUp', '+', 'ArrowDown', 'ArrowRight', '-')), (keys) => {
        const view = keys.reduce((now, key) => keyed(now, key)!, FRONT);
        expect(Math.abs(view.tip)).toBeLessThanOrEqual(1.5);
        expect(view.near).toBeGreaterThanOrEqual(0.5);
        const turns = keys.filter((key) => key === 'ArrowRight').length - keys.filter((key) => key === 'ArrowLeft').length;
        expect(view.turn).toBeCloseTo(FRONT.turn + (turns * Math.PI) / 12, 9);
      }),
    );
    expect(keyed(FRONT, 'x')).toBeNull();
    expect(keyed(turned(nearer(FRONT, 3), 2, 1), 'F')).toEqual({ turn: 0, tip: 0, near: 1 });
  });
});

describe('a figure on paper', () => {
  it('shows the near half of its surface, each facet in its yarn’s colour', () => {
    const facets = flatFigure(BALL, ['red'], FRONT);
    const all = BALL.triangles.length / 3;
    expect(facets.length).toBeGreaterThan(0.35 * all);
    expect(facets.length).toBeLessThan(0.65 * all);
    expect(facets.every(({ fill, path }) => fill.includes('red') && !path.includes('NaN'))).toBe(true);
    expect(facets.filter(({ stitch }) => stitch !== null).length).toBeGreaterThan(0.95 * facets.length);
    // From the other side another half.
    const behind = new Set(flatFigure(BALL, ['red'], turned(FRONT, Math.PI, 0)).map(({ stitch }) => stitch));
    expect(facets.some(({ stitch }) => !behind.has(stitch))).toBe(true);
  });

  it('is turned without being stretched', () => {
    const seen = projected(BALL.positions, { turn: 1.1, tip: -0.4, near: 1 });
    for (let node = 0; node < BALL.positions.length / 3; node += 7) {
      const { x, y, z } = seen(node);
      const at = [0, 1, 2].map((d) => BALL.positions[3 * node + d]!);
      expect(Math.hypot(x, y, z)).toBeCloseTo(Math.hypot(...at), 4);
    }
  });

  it('has an outline as wide and as high as it is, in millimetres', () => {
    const { path, width, height } = outlinePath(BALL.positions, { turn: 0, tip: 0, near: 1 }, 5);
    expect(width).toBeCloseTo(5 * BALL.size[0], 1);
    expect(height).toBeCloseTo(5 * BALL.size[1], 1);
    expect(path).toMatch(/^M[\d.]+ [\d.]+L.*Z$/);
  });
});

describe('what stands out', () => {
  it('is said of a ball, of flat work, and of what grows together', () => {
    const said = (shape: BodyShape, flat = false): string => standsOut(shape, shape.pieces.at(-1)!, length, flat).join('; ');
    expect(said(BALL)).toMatch(/^about 3\d mm across, about \d\d mm high; (round: corners of|6 corners)/);
    const rows = shapeOf('Row 1: ch 11, 10 sc\nRows 2–5: ch 1, turn, sc across');
    expect(said(rows, true)).toBe('lies flat, about 50 mm wide and 24 mm long');
    const legs = shapeOf(
      '## Leg (make 2)\nR1: 6 sc in ring\nR2: inc x 6\nR3-R5: sc around\n\n## Body\nR1: join legs with ch 2, sc around (28)\nR2-R4: sc around',
    );
    expect(said(legs)).toMatch(/^all together about \d+ mm wide, \d+ mm high and \d+ mm deep/);
  });
});
