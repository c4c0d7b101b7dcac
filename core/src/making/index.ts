export { EMPTY_LOG, lastReached, nextTime, positionOf, record, START, type Log, type MakerEvent, type Position } from './log.js';
export { nowOf, type Now, type Run } from './now.js';
export { piecesOf, type Piece } from './piece.js';
export { actionsIn, isFinished, roundStartBefore, stepFrom, stitchesDone, within, type Step } from './step.js';
