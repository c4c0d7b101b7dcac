export { walk, type Bit, type MadePiece, type Ripped } from './bits.js';
export { localTime, type LocalTime, type ZoneAt } from './day.js';
export { finishedOf, historyOf, toldOf, type History, type Mark, type Share } from './history.js';
export { logRows, type LogRow } from './log-table.js';
export { madeAgain, type MadeOfPart } from './made-again.js';
export { paceByKind, type PaceByKind } from './pace-by-kind.js';
export { workedMs, type Sitting } from './sitting.js';
export { finishedTwins, pieceRecord, twinsOf, type PieceRecord, type PutAt, type TwinDifference, type Twins } from './twins.js';
export { kindOfRound, WORK_KINDS, type WorkKind } from './work-kind.js';
