import { STITCH_NAMES } from '../../notation/index.js';
import type { Fabric } from '../../fabric/index.js';
import { seeded } from '../../random/index.js';
import { oneOf } from '../piece.js';
import { pictureOf, pointedIn, shownIn, spotsOf, wallView } from '../picture.js';
import type { Task } from '../task.js';
import { actionsThat } from './finding.js';

/** Rounds below that are shown with it. */
const BELOW = 3;
/** Stitches of the round that are in sight. */
const WIDTH = 10;
const SINGLE = STITCH_NAMES.indexOf('sc');

/**
 * A task from a round that the maker is about to work: where its increases or decreases will fall, over what lies below.
 *
 * @param round 0-based
 * @returns null where nothing can be asked: another stitch than single crochet, no change in the round, none below it
 */
export function ownTask(fabric: Fabric, round: number, seed: number): Task | null {
  if (round < 1 || round >= fabric.roundCount) return null;
  const first = Math.max(0, round - BELOW);
  const stitches = fabric.stitch.subarray(fabric.roundStart[first], fabric.roundStart[round + 1]);
  if (!stitches.every((stitch) => stitch === SINGLE) || fabric.foundations.has(round)) return null;
  const increases = actionsThat(fabric, round, 'increase');
  const change = increases.length > 0 ? ('increase' as const) : ('decrease' as const);
  const all = change === 'increase' ? increases : actionsThat(fabric, round, 'decrease');
  if (all.length === 0) return null;
  const view = wallView(fabric, [first, round + 1], oneOf(seeded(seed), all)[0]!, WIDTH);
  const shown = new Set(shownIn(view, round));
  const answer = all.filter((action) => action.every((stitch) => shown.has(stitch)));
  return {
    kind: 'increases',
    level: 3,
    seed,
    ask: { is: 'spots', spots: spotsOf(view, [...shown]), answer },
    picture: pictureOf(view),
    why: { strands: pointedIn(view, answer.flat()), marks: [] },
    facts: { increases: answer.length, own: round + 1, decreases: change === 'decrease' ? 1 : 0 },
  };
}
