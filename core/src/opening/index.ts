export { openFile } from './open-file.js';
