export { seeded } from './seeded.js';
