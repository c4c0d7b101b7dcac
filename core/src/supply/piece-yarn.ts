import type { Fabric } from '../fabric/index.js';
import { actionYarn, type StitchSize } from '../gauge/index.js';
import type { Position } from '../making/index.js';

/** Yarn of one piece, action by action: its length in mm, tails with it, and the colour it is of (index in the fabric's `colours`). */
export interface PieceYarn {
  readonly length: Float64Array;
  readonly colour: Uint16Array;
}

/** Ends of yarn that are no stitches, mm: about 15 cm are left at a start, a close and either side of a change of colour (common practice). */
export const TAIL_MM = 150;

/**
 * Yarn of a piece.
 * @param stitch width and height of its single crochet, mm
 * @param strand thickness of the strand, mm
 * @param endTail what is left at its end, mm: more when it is to be sewn on
 */
export function pieceYarn(fabric: Fabric, stitch: StitchSize, strand: number, endTail = TAIL_MM): PieceYarn {
  const length = actionYarn(fabric, stitch, strand);
  const colour = actionColours(fabric);
  for (let action = 0; action < length.length; action++) {
    const changed = action > 0 && colour[action] !== colour[action - 1];
    if (action === 0 || changed) length[action] = length[action]! + TAIL_MM;
    // The old colour's end hangs where it was left.
    if (changed) length[action - 1] = length[action - 1]! + TAIL_MM;
  }
  if (length.length > 0) length[length.length - 1] = length[length.length - 1]! + endTail;
  return { length, colour };
}

/** Colour of each action: of its stitches, or of the one before where it makes none. */
function actionColours({ actionCount, actionStart, colour }: Fabric): Uint16Array {
  let last = colour[0] ?? 0;
  return Uint16Array.from({ length: actionCount }, (_, action) => {
    const from = actionStart[action]!;
    if (from < actionStart[action + 1]!) last = colour[from]!;
    return last;
  });
}

/** Yarn from one place of a piece to another, by colour index; mm. */
export function yarnBetween(fabric: Fabric, { length, colour }: PieceYarn, from: Position, to: Position): Float64Array {
  const sums = new Float64Array(fabric.colours.length);
  const action = ({ round, action: done }: Position): number =>
    round >= fabric.roundCount ? fabric.actionCount : Math.min(fabric.roundAction[round]! + done, fabric.roundAction[round + 1]!);
  for (let each = action(from); each < action(to); each++) {
    sums[colour[each]!] = sums[colour[each]!]! + length[each]!;
  }
  return sums;
}

/** The end of a piece, as a place. */
export function endOf(fabric: Fabric): Position {
  return { round: fabric.roundCount, action: 0 };
}
