export { seeded } from './seeded.js';
export { normals } from './normal.js';
