export { stitchAngles } from './angles.js';
