export {
  batchOf,
  changesOf,
  changesOneByOne,
  costOfChanges,
  isPossible,
  jobsOf,
  portionFor,
  type Batch,
  type Changes,
  type Job,
  type Portion,
} from './batch.js';
export { calendarFile, type CalendarEntry } from './calendar.js';
export { costOf, type Asked, type Cost, type CostLine, type Ingredients } from './cost.js';
export { doableNow, type Doable } from './doable.js';
export { dayAfter, daysBetween, MOST_MINUTES, minutesOn, weekday, type Day, type Hours } from './hours.js';
export { HORIZON_DAYS, simulate, type PlanOptions, type Ready, type Task } from './simulate.js';
export { IN_TIME, isLate, startBy, taskOf, waysOutOf, withLonger, type WayOut, type Wish } from './ways-out.js';
export { minutesOf, NO_WORK, times, together, workFrom, type Work } from './work.js';
