import { usesOnce } from '../notation/index.js';
import { changeOf, type Change, type Fabric } from '../fabric/index.js';

/** One action of a round: what it takes of the round below, what it makes. */
export interface RoundAction {
  readonly uses: number;
  readonly makes: number;
  readonly change: Change;
}

/** The actions of a round that touch its count. */
export function actionsOf(fabric: Fabric, round: number): RoundAction[] {
  const actions: RoundAction[] = [];
  for (let action = fabric.roundAction[round]!; action < fabric.roundAction[round + 1]!; action++) {
    const from = fabric.actionStart[action]!;
    const makes = fabric.actionStart[action + 1]! - from;
    const work = fabric.works[fabric.actionWork[action]!]!;
    const uses = usesOnce(work);
    if (uses > 0 || makes > 0) actions.push({ uses, makes, change: changeOf(fabric, action) });
  }
  return actions;
}

/** What can go wrong while a round is worked. */
export type SlipKind =
  | 'change missed'
  | 'change added'
  | 'hidden stitch missed'
  | 'hidden stitch twice'
  | 'stitch missed'
  | 'stitch twice'
  | 'round before short'
  | 'round before over'
  | 'ended early'
  | 'ended late';

/** The places in a round where a slip can happen, as indices of its actions; one place, 0, for slips of the whole round. */
export function placesOf(kind: SlipKind, actions: readonly RoundAction[]): number[] {
  const where = (fits: (action: RoundAction, index: number) => boolean): number[] =>
    actions.flatMap((action, index) => (fits(action, index) ? [index] : []));
  switch (kind) {
    case 'change missed':
      return where(({ change }) => change !== 'plain');
    case 'change added': {
      // Only where the hand has the change in it: a round that has some.
      return actions.some(({ change }) => change !== 'plain')
        ? where(({ change, uses }) => change === 'plain' && uses === 1)
        : [];
    }
    case 'hidden stitch missed':
    case 'hidden stitch twice':
      return where(({ change, uses }, index) => change === 'plain' && uses === 1 && actions[index - 1]?.change === 'decrease');
    case 'stitch missed':
    case 'stitch twice':
      return where(({ change, uses }, index) => change === 'plain' && uses === 1 && actions[index - 1]?.change !== 'decrease');
    default:
      return [0];
  }
}

/** What a maker does with a stitch that is left alone where a decrease is due: works it plain, or passes it over. */
export const LONE_STITCH = ['plain', 'passed over'] as const;
export type LoneStitch = (typeof LONE_STITCH)[number];

/**
 * The count a round comes to with a slip at one place. The maker works the actions in turn, then plain into what is left
 * up to the marker, and stops where the round below is used up.
 * @param below stitches of the round below, as they should be
 */
export function countWithSlip(
  actions: readonly RoundAction[],
  below: number,
  kind: SlipKind | null,
  place: number,
  lone: LoneStitch = 'plain',
): number {
  const there = below + (kind === 'round before short' ? -1 : kind === 'round before over' ? 1 : 0);
  const adding = actions.find(({ change }) => change !== 'plain')?.change ?? 'plain';
  let used = 0;
  let made = 0;
  const work = (uses: number, makes: number): void => {
    const left = there - used;
    if (left <= 0 && uses > 0) return;
    made += uses <= left ? makes : lone === 'plain' ? Math.min(makes, 1) : 0;
    used += Math.min(uses, left);
  };
  actions.forEach(({ uses, makes, change }, index) => {
    if (index !== place || kind === null) {
      work(uses, makes);
      return;
    }
    switch (kind) {
      case 'change missed':
        for (let i = 0; i < uses; i++) work(1, 1);
        break;
      case 'change added':
        work(adding === 'decrease' ? 2 : 1, adding === 'increase' ? 2 : 1);
        break;
      case 'hidden stitch missed':
      case 'stitch missed':
        work(uses, 0);
        work(uses, makes);
        break;
      case 'hidden stitch twice':
      case 'stitch twice':
        work(uses, makes);
        made += change === 'plain' ? 1 : 0;
        break;
      default:
        work(uses, makes);
    }
  });
  made += Math.max(0, there - used);
  return Math.max(0, made + (kind === 'ended early' ? -1 : kind === 'ended late' ? 1 : 0));
}
