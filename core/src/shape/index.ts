export { stitchOfPart, type FittedPart, type MeasuredPart } from './fit.js';
export { isFlatLie, lieOf, type Lie } from './lie.js';
export { measure, openings, outlinePoints, ringsOf, unsewn, upToRound, type Measures, type ProfilePoint } from './measures.js';
export { outlineOf, plainOutline, type Outline, type PartStart } from './outline.js';
export { standsOnStart } from './stand.js';
export { FIRM, plainProfile, scaleProfile, stuffedProfile, unitProfile, type Haste, type Profile } from './profile/profile.js';
export { ringRadius } from './profile/ring.js';
export {
  bodyShape,
  bodyToRelax,
  type BodyAtRest,
  type BodyPiece,
  type BodyShape,
  type RelaxOptions,
} from './relaxed/body-shape.js';
export type { Corners } from './relaxed/corners.js';
export { fabricNet, type FabricNet, type NetPiece } from './relaxed/fabric-net.js';
export { measureRelaxed, type RelaxedMeasures } from './relaxed/measure-relaxed.js';
export { Relaxation, type Outcome } from './relaxed/relax.js';
export { mainPiece, posed, type Pose } from './relaxed/pose.js';
export { skinNormals } from './relaxed/skin.js';
export { CHANGES, FRAME, stitchFrames, type StitchFrames } from './relaxed/stitch-frames.js';
export { eyeSpots, type EyeSpots } from './relaxed/eye-spots.js';
export { warmStart } from './relaxed/warm-start.js';
export { profileOfRelaxed } from './relaxed/profile-of.js';
export { relaxedProfile } from './relaxed/relaxed-profile.js';
export { shapeReport, type PartShapeReport } from './shape-report.js';
export { faceOf, type Face } from './relaxed/face.js';
