export { stitchOfPart, unitProfile, type MeasuredPart, type Outline } from './fit.js';
export { flatProfile, lieOf, type Lie } from './flat.js';
export { measure, openings, outline, upToRound, type Measures } from './measures.js';
export { standsOnStart } from './stand.js';
export { FIRM, plainProfile, ringRadius, scaleProfile, stuffedProfile, type Profile } from './profile.js';
