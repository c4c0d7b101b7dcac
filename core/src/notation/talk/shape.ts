import type { StitchName } from '../stitch.js';

/** Stitches of a round in their order: worked, passed over, or chained in the air. */
export type Unit =
  | {
      readonly is: 'work';
      readonly stitch: StitchName;
      readonly per: number;
      readonly together: number;
      readonly count: number;
      readonly through: boolean;
    }
  | { readonly is: 'skip' | 'chain'; readonly count: number };

/** What a round may be, as far as its words say: before it is known how many stitches there are. */
export type Shape =
  | { readonly is: 'ring'; readonly from: 'ring' | 'chain 2'; readonly stitch: StitchName; readonly count: number }
  /** A chain worked along both sides: `ends` stitches into its last chain, and into the first on the way back. */
  | { readonly is: 'oval'; readonly chains: number; readonly ends: readonly [number, number] }
  | { readonly is: 'flat'; readonly chains: number; readonly stitch: StitchName }
  /** Two copies of the part before, joined by chains that are worked along both sides. */
  | { readonly is: 'joined'; readonly chains: number }
  | { readonly is: 'each'; readonly stitch: StitchName; readonly per: number; readonly together: number }
  /** These one after another; `said` is how often in a row they were said. */
  | { readonly is: 'units'; readonly units: readonly Unit[]; readonly said: number }
  /** Nothing was heard but how many there are. */
  | { readonly is: 'unheard' };

export function usesOf(units: readonly Unit[]): number {
  return units.reduce(
    (sum, unit) => sum + (unit.is === 'work' ? unit.together * unit.count : unit.is === 'skip' ? unit.count : 0),
    0,
  );
}

export function makesOf(units: readonly Unit[]): number {
  return units.reduce(
    (sum, unit) => sum + (unit.is === 'work' ? unit.per * unit.count : unit.is === 'chain' ? unit.count : 0),
    0,
  );
}

export function keyOf(shape: Shape): string {
  return JSON.stringify(shape.is === 'units' ? ['units', shape.units] : shape);
}

/** Whether stitches go into one each and are worked into nothing else. */
export const isPlain = (unit: Unit): boolean => unit.is === 'work' && unit.per === 1 && unit.together === 1 && !unit.through;
