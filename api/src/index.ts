export { ApiError, type ApiErrorCode } from './error.js';
export { Event, EVENT_BATCH, EventBatch, EventPage } from './event.js';
export { HookMm, Make, MakeChange, MakeId, NewMake, PatternText, Place, ShelvedMake, YarnWeight } from './make.js';
export { PatternDocument, patternSchema } from './pattern-document.js';
export { Revision, RevisionText } from './revision.js';
