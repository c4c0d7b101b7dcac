export { cuesOf, type Cue } from './captions.js';
export { describeDoubt } from './describe-doubt.js';
export type { Doubt } from './doubt.js';
export { MOST_TALK, readTalk, talkText, type Talk, type TalkLine, type TalkPart } from './talk.js';
