import { constant } from '../constants/index.js';
import type { Fabric } from '../fabric/index.js';
import { actionYarn, type StitchSize } from '../gauge/index.js';
import type { Position } from '../making/index.js';

/** Yarn of one piece, action by action: its length in mm, tails with it, and the colour it is of (index in the fabric's `colours`). */
export interface PieceYarn {
  readonly length: Float64Array;
  readonly colour: Uint16Array;
}

/** Ends of yarn that are no stitches, mm: about 15 cm are left at a start, a close and either side of a change of colour (common practice). */
export const TAIL_MM = constant('tail');

/** Rounds over which a colour that comes again is carried inside and not cut (common practice: stripes of up to four). */
const CARRIED_ROUNDS = constant('carried rounds');

/**
 * Yarn of a piece. A colour that comes again soon is carried up inside: it takes the way it is carried, and no tails.
 * @param stitch width and height of its single crochet, mm
 * @param strand thickness of the strand, mm
 * @param endTail what is left at its end, mm: more when it is to be sewn on
 */
export function pieceYarn(fabric: Fabric, stitch: StitchSize, strand: number, endTail = TAIL_MM): PieceYarn {
  const length = actionYarn(fabric, stitch, strand);
  const colour = actionColours(fabric);
  const add = (action: number, mm: number): void => void (length[action] = length[action]! + mm);
  const last = new Map<number, number>();
  const roundOf = roundsOfActions(fabric);
  for (let action = 0; action < length.length; action++) {
    const own = colour[action]!;
    const before = last.get(own);
    last.set(own, action);
    if (before === action - 1) continue;
    const over = before === undefined ? Number.POSITIVE_INFINITY : roundOf[action]! - roundOf[before]!;
    if (over <= CARRIED_ROUNDS) add(action, over * stitch.height);
    else {
      add(action, TAIL_MM);
      // The end of the time before hangs where it was left.
      if (before !== undefined) add(before, TAIL_MM);
    }
  }
  // Every colour ends; the one in hand with what is left of it.
  for (const action of last.values()) add(action, action === length.length - 1 ? endTail : TAIL_MM);
  return { length, colour };
}

function roundsOfActions({ roundCount, roundAction, actionCount }: Fabric): Uint32Array {
  const rounds = new Uint32Array(actionCount);
  for (let round = 0; round < roundCount; round++) rounds.fill(round, roundAction[round], roundAction[round + 1]);
  return rounds;
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
