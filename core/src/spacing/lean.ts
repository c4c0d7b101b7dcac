/**
 * How a maker's stitches lean: by how many stitches the start of a round creeps against the direction of work with every
 * round. Right-handed work runs to the left seen from outside, so its start creeps to the right (common practice);
 * left-handed work mirrors that.
 */
export interface Lean {
  readonly stitchesPerRound: number;
}

export const UPRIGHT: Lean = { stitchesPerRound: 0 };

/**
 * The lean that was measured: "the marker crept 5 stitches to the right in 12 rounds".
 * @throws RangeError when no round was worked, or the numbers are none
 */
export function measuredLean(crept: number, rounds: number, toward: 'left' | 'right', hand: 'left' | 'right'): Lean {
  if (!(rounds >= 1) || !Number.isFinite(crept)) throw new RangeError('A lean is measured over at least one round.');
  const against = toward === hand ? 1 : -1;
  return { stitchesPerRound: (against * crept) / rounds };
}
