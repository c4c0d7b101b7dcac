// First of all: before the first schema is made.
import './jitless.js';
export { BackupMake, BackupManifest, Restored } from './backup.js';
export { ApiError, type ApiErrorCode } from './error.js';
export { Event, EVENT_BATCH, EventBatch, EventPage, NewEvents, Runs } from './event.js';
export { Kit } from './kit.js';
export { Device, Home, Knock } from './home.js';
export { HookMm, Make, MakeChange, MakeId, NewMake, PatternText, PiecesSaid, ShelvedMake, YarnWeight } from './make.js';
export { PatternDocument, patternSchema } from './pattern-document.js';
export { Revision, RevisionText } from './revision.js';
export { KeptMeasurement, Measurement, MeasurementBatch } from './measurement.js';
export { sortOut, Taken, TakenAnswer } from './refused.js';
export { KeptYarn, ListedYarn, Yarn, YarnBatch, YarnUse } from './yarn.js';
