import type { TaskKind } from '../bounds/index.js';
import { LEAST_LEVEL, MOST_LEVEL, type Task } from './task.js';
import { markerTask, roundsTask, stitchesTask } from './tasks/counting.js';
import { hiddenTask, increasesTask, slipTask } from './tasks/finding.js';
import { apartTask, startTask } from './tasks/measuring.js';
import { loopTask, shapeTask, sideTask } from './tasks/seeing.js';

const MAKERS: Readonly<Record<TaskKind, (seed: number, level: number) => Task>> = {
  stitches: stitchesTask,
  rounds: roundsTask,
  marker: markerTask,
  increases: increasesTask,
  hidden: hiddenTask,
  side: sideTask,
  loop: loopTask,
  apart: apartTask,
  slip: slipTask,
  shape: shapeTask,
  start: startTask,
};

/**
 * A task of a kind, which follows from its seed alone.
 *
 * @param level 1 (easy) to 5; what lies outside is taken as the nearer end
 */
export function makeTask(kind: TaskKind, level: number, seed: number): Task {
  return MAKERS[kind](seed, Math.max(LEAST_LEVEL, Math.min(MOST_LEVEL, Math.round(level))));
}
