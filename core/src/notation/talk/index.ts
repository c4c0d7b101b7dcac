export { cuesOf, type Cue } from './captions.js';
export { describeDoubt } from './describe-doubt.js';
export type { Doubt } from './doubt.js';
export type { TalkLine, TalkPart } from './parts.js';
export { readTalk, talkLines, talkText, type PatternLine, type Talk } from './talk.js';
