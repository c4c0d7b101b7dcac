import { along, cross, unit, dot, minus, times, type Vector } from '../vector/index.js';

/** How the hook is held: where its tip is, and the direction from there to the handle. */
export interface Hold {
  readonly tip: Vector;
  /** From the tip to the handle, of length 1. */
  readonly back: Vector;
  /** Its first loop hangs so far from the tip. */
  readonly loopsFrom: number;
}

/** Half the thickness of the shaft, in stitch widths (our own estimate: a hook that suits the yarn). */
export const SHAFT = 0.125;
/** Length that is drawn. */
const LENGTH = 7;

/** The hook's outline, from the tip: distance, half its thickness, and how far its middle lies away from the throat. */
const OUTLINE: readonly (readonly [number, number, number])[] = [
  [0, 0.03, 0],
  [0.05, 0.085, 0],
  [0.14, 0.12, 0],
  [0.22, 0.125, 0],
  [0.29, 0.085, 0.04],
  [0.36, 0.07, 0.06],
  [0.46, 0.085, 0.045],
  [0.62, SHAFT, 0],
  [0.9, SHAFT, 0],
  [2, SHAFT, 0],
  [LENGTH, SHAFT, 0],
];

export function holdAt(tip: Vector, towards: Vector, loopsFrom: number): Hold {
  return { tip, back: unit(towards), loopsFrom };
}

/** The hook's own directions at a distance from its tip: its middle there, up and to the front across it, and back along it. */
export function shaft({ tip, back }: Hold, distance: number): { middle: Vector; up: Vector; front: Vector; back: Vector } {
  const rise: Vector = [0, 1, 0];
  const up = unit(minus(rise, times(back, dot(rise, back))));
  const across = cross(back, up);
  return { middle: along(tip, [back, distance]), up, front: across[2] < 0 ? times(across, -1) : across, back };
}

/** The hook as a strand: its throat looks down and to the maker. */
export function hookStrand(hold: Hold): { readonly knots: readonly Vector[]; readonly radius: readonly number[] } {
  const knots = OUTLINE.map(([distance, , off]) => {
    const { middle, up, front } = shaft(hold, distance);
    return along(middle, [up, off * 0.9], [front, -off * 0.3]);
  });
  return { knots, radius: OUTLINE.map(([, radius]) => radius) };
}
