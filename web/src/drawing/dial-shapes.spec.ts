import { checkPattern, fabricOf, type Fabric } from '@lemniscus/core/fabric';
import { actionsIn } from '@lemniscus/core/making';
import { read } from '@lemniscus/core/notation';
import { stitchAngles } from '@lemniscus/core/spacing';
import { describe, expect, it } from 'vitest';
import { DIAL, dialActions, dialBelow, dialLayout } from './dial-model';
import { layerShapes, markerShapes, type DialPalette, type Shape } from './dial-shapes';
import { footAt } from './dial-track';

const palette: DialPalette = {
  paper: 'paper',
  ink: 'ink',
  faint: 'faint',
  act: 'act',
  increase: 'amber',
  decrease: 'green',
  evening: false,
};
const ofText = (text: string): Fabric => fabricOf(checkPattern(read(`US terms\n${text}`)).parts[0]!);
const KINDS = ofText(
  'With black:\nR1: 12 sc in ring\nR2: inc × 12\nR3: in BLO, (1 sc, 1 hdc, 1 dc, 1 tr, ch 1, sk 1, 1 puff, 1 sl st, dec) × 2, 6 sc, join with sl st\nR4: dec × 12',
);
const OVAL = ofText('R1: ch 9, 7 sc, 4 sc in last ch, on the other side 6 sc, 3 sc in last ch\nR2: sc around');

function shapesOf(fabric: Fabric, round: number, from: number, to: number, now: number, evening = false): readonly Shape[] {
  const angles = stitchAngles(fabric);
  const layout = dialLayout(fabric, angles, round);
  return layerShapes(dialActions(fabric, angles, layout, from, to, now), layout.track, { ...palette, evening });
}

/** How many separate lines and areas a shape is made of. */
const strokes = ({ d }: Shape): number => d.split('M').length - 1;
const numbers = ({ d }: Shape): number[] => (d.match(/-?\d+(\.\d+)?(e-?\d+)?/g) ?? []).map(Number);

describe('the shapes of the dial', () => {
  it('are whole paths within the picture, on rings and ovals', () => {
    for (const fabric of [KINDS, OVAL]) {
      for (let round = 0; round < fabric.roundCount; round++) {
        const angles = stitchAngles(fabric);
        const layout = dialLayout(fabric, angles, round);
        const shapes = [
          ...shapesOf(fabric, round, 0, actionsIn(fabric, round), 2),
          ...layerShapes(dialBelow(fabric, angles, layout), layout.track, palette),
        ];
        for (const shape of shapes) {
          expect(shape.d).toMatch(/^M/);
          expect(shape.d).not.toMatch(/NaN|Infinity|undefined/);
          for (const number of numbers(shape)) expect(Math.abs(number)).toBeLessThan(DIAL.half + layout.track.half);
        }
      }
    }
  });

  it('tell every kind of stitch by its form, not by its colour alone', () => {
    const form = (action: number): string => {
      const shapes = shapesOf(KINDS, 2, action, action + 1, action);
      return shapes.map((shape) => `${strokes(shape)}${shape.fill ? 'f' : ''}${shape.d.includes('C') ? 'c' : ''}`).join(' ');
    };
    // sc: two strands and the ridge of the loop left behind; a post for hdc, with one bar for dc and two for tr.
    expect(form(0)).toBe('2f 1');
    expect(form(1)).toBe('2f 2');
    expect(form(2)).toBe('2f 3');
    expect(form(3)).toBe('2f 4');
    expect(form(4)).toBe('1fc');
    const [sc, slip] = [shapesOf(KINDS, 2, 0, 1, 0), shapesOf(KINDS, 2, 7, 8, 7)];
    expect(slip[0]!.d.length).toBeGreaterThan(0);
    expect(strokes(slip[0]!)).toBe(2);
    expect(sc[0]!.d).not.toBe(slip[0]!.d);
    const forks = [1, 3].map((round) => shapesOf(KINDS, round, 0, 1, 0).find((shape) => shape.stroke !== 'act'));
    expect(forks.map((fork) => fork?.stroke)).toEqual(['amber', 'green']);
    // An increase opens: one line up to the knot, two from it. A decrease closes: two to the knot, one from it.
    const ends = forks.map((fork) =>
      fork!.d
        .split('M')
        .slice(1)
        .map((part) => part.split('L').map((point) => point.trim())),
    );
    const knots = ends.map((lines) => lines.map(([from, to]) => [from, to]));
    const startAtKnot = knots.map((lines, which) => {
      const knot = which === 0 ? lines[0]![1]! : lines[2]![0]!;
      return lines.filter(([from]) => from === knot).length;
    });
    expect(startAtKnot).toEqual([2, 1]);
  });

  it('show what is worked in the yarn’s colour, what is at hand in the action’s, and what is ahead as an outline', () => {
    const all = actionsIn(KINDS, 1);
    const worked = shapesOf(KINDS, 1, 0, 5, 5);
    const next = shapesOf(KINDS, 1, 5, 6, 5);
    const ahead = shapesOf(KINDS, 1, 6, all, 5);
    expect(worked[0]).toMatchObject({ dashed: false, stroke: 'amber' });
    expect(worked[0]!.fill).toMatch(/^#/);
    expect(next[0]).toMatchObject({ dashed: false, stroke: 'act', fill: 'paper' });
    expect(ahead[0]).toMatchObject({ dashed: true, fill: null });
    // Black yarn has a lighter line in the evening.
    const plain = (evening: boolean): string => shapesOf(KINDS, 0, 0, 5, 5, evening)[0]!.stroke;
    expect(plain(true)).not.toBe(plain(false));
  });

  it('make the whole picture of a round, however it is cut into steps', () => {
    const all = actionsIn(KINDS, 2);
    const pieces = (parts: readonly (readonly Shape[])[]): string[] =>
      parts
        .flatMap((shapes) =>
          shapes.flatMap((shape) =>
            shape.d
              .split('M')
              .slice(1)
              .map((d) => `${shape.stroke} ${d}`),
          ),
        )
        .sort();
    const whole = pieces([shapesOf(KINDS, 2, 0, all, all)]);
    for (const cut of [1, 4, 9, all - 1])
      expect(pieces([shapesOf(KINDS, 2, 0, cut, all), shapesOf(KINDS, 2, cut, all, all)])).toEqual(whole);
  });

  it('lay the marker across the round’s start', () => {
    const track = dialLayout(OVAL, stitchAngles(OVAL), 1).track;
    const [line, head] = markerShapes({ angle: 0.3, radius: 150 }, track, palette);
    const [x1, y1, x2, y2] = numbers(line!);
    const { x, y, outward } = footAt(track, 0.3);
    const out = (px: number, py: number): number => (px - x) * Math.cos(outward) + (py - y) * Math.sin(outward);
    expect(out(x1!, y1!)).toBeCloseTo(137, 1);
    expect(out(x2!, y2!)).toBeCloseTo(180, 1);
    expect(head!.fill).toBe('act');
  });
});
