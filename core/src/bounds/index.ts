export { HOOK_RANGE } from './hook.js';
export { BOUNDS } from './pattern.js';
export { YARN_BOUNDS } from './yarn.js';
export { WHOLE_MAKE } from './whole-make.js';
export { TASK_KINDS, type TaskKind } from './practice.js';
export { SKETCH_BOUNDS } from './sketch.js';
