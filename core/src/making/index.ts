export {
  alteredPart,
  countWith,
  itemsOfText,
  latestAlterations,
  type Alteration,
  type AlteredPart,
  type WrittenRound,
} from './alteration.js';
export { colourEarlier, workedOtherwise } from './differently.js';
export {
  EMPTY_LOG,
  lastReached,
  logUntil,
  nextTime,
  positionOf,
  record,
  standingEvents,
  START,
  type Log,
  type MakerEvent,
  type Position,
} from './log.js';
export { causesOf, gapsToRead, SLIP_SHARE, SLIPS, type Cause } from './miscount.js';
export { nowOf, type Now, type Run } from './now.js';
export { IDLE_MS, paceOf, sessionsOf, timeWorked, USUAL_PACE, type Session } from './pace.js';
export { piecesOf, type Piece } from './piece.js';
export { actionsIn, isFinished, placeOfStitch, roundStartBefore, stepFrom, stitchesDone, within, type Step } from './step.js';
export {
  closingRound,
  colourAhead,
  roundsInLine,
  timelyOf,
  type ColourAhead,
  type Nearness,
  type Timely,
  type TimelyKind,
} from './timely.js';
export { waysOut, writtenRound, type WaysOut } from './way-out.js';
export {
  actionsOf,
  countWithSlip,
  LONE_STITCH,
  placesOf,
  type LoneStitch,
  type RoundAction,
  type SlipKind,
} from './work-round.js';
