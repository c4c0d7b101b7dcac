import { changeOf, LOOPS, roundLength, WAYS, type Change, type Fabric } from '@lemniscus/core/fabric';
import type { Position } from '@lemniscus/core/making';
import { STITCH_NAMES, type Loop, type StitchName } from '@lemniscus/core/notation';
import type { DialPin } from './dial-model';

/** Rows of flat work that are shown below the one at hand. */
export const ROWS_BELOW = 4;

export interface StripStitch {
  readonly stitch: StitchName;
  /** Across the strip in stitches, growing to the right of who looks at the work; 0 is its middle. */
  readonly x: number;
  /** Rows below the one at hand. */
  readonly depth: number;
  readonly state: 'worked' | 'next' | 'ahead';
  readonly change: Change;
  readonly loop: Loop;
  readonly colour: string;
}

export interface StripModel {
  readonly stitches: readonly StripStitch[];
  /** Where the action at hand is. */
  readonly hook: number;
  /** The way the row is worked: 1 to the right, -1 to the left. */
  readonly way: 1 | -1;
  /** Stitches of the widest row shown. */
  readonly width: number;
  /** Where something goes: across the strip as stitches are, and the rows below. */
  readonly pins: readonly { readonly x: number; readonly depth: number }[];
}

/** Whether most rows of a fabric are turned: it is drawn as a strip. */
export function isStrip(fabric: Fabric): boolean {
  return fabric.roundWay.reduce((sum, way) => sum + (WAYS[way] === 'turned' ? 1 : 0), 0) * 2 > fabric.roundCount;
}

/**
 * Flat work as its maker sees it: the row at hand on top, worked towards the side of the other hand, and the rows below as
 * they lie now. At every turn the strip is turned over, so what was left is right.
 * @param side 1 for the right hand, which works to the left, -1 for the left
 */
export function stripModel(
  fabric: Fabric,
  { round, action }: Position,
  side: 1 | -1 = 1,
  pins: readonly DialPin[] = [],
): StripModel {
  const stitches: StripStitch[] = [];
  const now = fabric.roundAction[round]! + action;
  const lastRow = fabric.roundStart[round + 1]! - 1;
  const nowFrom = Math.min(fabric.actionStart[now]!, lastRow);
  const nowTo = Math.max(nowFrom, fabric.actionStart[now + 1]!);
  let width = 0;
  const way = side === 1 ? -1 : 1;
  const across = (of: number, nth: number): number => {
    // Every other row lies the other way round.
    const own = (round - of) % 2 === 0 ? way : -way;
    return own * (nth - (roundLength(fabric, of) - 1) / 2);
  };
  const place = (row: number): number => across(fabric.round[row]!, row - fabric.roundStart[fabric.round[row]!]!);
  for (let depth = 0; depth <= Math.min(round, ROWS_BELOW); depth++) {
    const of = round - depth;
    width = Math.max(width, roundLength(fabric, of));
    for (let act = fabric.roundAction[of]!; act < fabric.roundAction[of + 1]!; act++) {
      for (let row = fabric.actionStart[act]!; row < fabric.actionStart[act + 1]!; row++) {
        stitches.push({
          stitch: STITCH_NAMES[fabric.stitch[row]!]!,
          x: place(row),
          depth,
          state: row < nowFrom ? 'worked' : row < nowTo ? 'next' : 'ahead',
          change: changeOf(fabric, act),
          loop: LOOPS[fabric.loop[row]!]!,
          colour: fabric.colours[fabric.colour[row]!]!,
        });
      }
    }
  }
  const shown = pins.filter(({ round: of }) => of <= round && of >= round - ROWS_BELOW);
  return {
    stitches,
    hook: place(nowFrom),
    way,
    width,
    pins: shown.map(({ round: of, after, in: inside }) => ({ x: across(of, inside ? after : after - 0.5), depth: round - of })),
  };
}
