export { TASK_KINDS, type TaskKind } from '../bounds/index.js';
export { makeTask } from './make-task.js';
export {
  isRight,
  LEAST_LEVEL,
  MOST_LEVEL,
  sameOption,
  type Ask,
  type Given,
  type Option,
  type Picture,
  type Spot,
  type Task,
} from './task.js';
export { nextTasks, practiceDays, standings, type Answered, type PracticeDay, type Standing } from './schedule.js';
export { ownTask } from './tasks/own.js';
export { askWords, KIND_WORDS, optionWords, whyWords } from './words.js';
