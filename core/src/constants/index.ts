export { constant, CONSTANTS, type Constant, type ConstantName, type Source } from './table.js';
