export {
  alteredPart,
  countWith,
  itemsOfText,
  latestAlterations,
  openRoundsAt,
  placeAt,
  positionAt,
  writtenRound,
  type Alteration,
  type AlteredPart,
  type OpenRounds,
} from './alteration.js';
export { colourEarlier, workedOtherwise } from './differently.js';
export {
  EMPTY_LOG,
  lastReached,
  lastSaid,
  logUntil,
  nextTime,
  positionOf,
  record,
  standingEvents,
  START,
  withNewNames,
  type Finished,
  type Log,
  type MakerEvent,
  type Place,
  type Position,
  type ReachedEvent,
  type RipReason,
} from './log.js';
export {
  answered,
  carriedChanges,
  decisiveEvents,
  pieceMade,
  pieceSaid,
  positionOfPiece,
  reachedAt,
  remarksOn,
  type PieceMade,
  type PieceSaid,
} from './made-piece.js';
export { causesOf, SLIP_SHARE, SLIPS, type Cause } from './miscount.js';
export { nowOf, type Now, type Run } from './now.js';
export {
  doingsOf,
  IDLE_MS,
  paceOf,
  sessionsOf,
  timeWorked,
  USUAL_PACE,
  type Doing,
  type Session,
  type StitchesAt,
} from './pace.js';
export { piecesOf, type Piece } from './piece.js';
export { type Followed, type WorkedChange } from './piece-lines.js';
export { actionsIn, isFinished, placeOfStitch, roundStartBefore, stepFrom, stitchesDone, within, type Step } from './step.js';
export {
  closingRound,
  colourAhead,
  lastCorner,
  roundsInLine,
  timelyOf,
  type ColourAhead,
  type Nearness,
  type Timely,
  type TimelyKind,
} from './timely.js';
export { waysOut, type WayReason, type WaysOut } from './way-out.js';
export { wayWords } from './way-out-words.js';
export { asKept, carry, type WrittenRound } from './written.js';
export {
  actionsOf,
  countWithSlip,
  LONE_STITCH,
  placesOf,
  type LoneStitch,
  type RoundAction,
  type SlipKind,
} from './work-round.js';
export { piecesSaid } from './pieces-said.js';
export { WHOLE_MAKE } from '../bounds/index.js';
