import { changeOf, type Fabric } from '../../fabric/index.js';
import { seeded } from '../../random/index.js';
import { add } from '../../vector/index.js';
import { between, discRounds, fabricOfRounds, oneOf, shuffled, wallRounds, type Toss } from '../piece.js';
import { discView, markerIn, pictureOf, pointedIn, postOf, shownIn, spotsOf, wallView, type View } from '../picture.js';
import { sameOption, type Option, type Task } from '../task.js';

/** The stitches of each action of a round that is of a kind. */
export function actionsThat(fabric: Fabric, round: number, change: 'increase' | 'decrease'): readonly (readonly number[])[] {
  const [from, to] = [fabric.roundAction[round]!, fabric.roundAction[round + 1]!];
  return Array.from({ length: to - from }, (_, k) => from + k)
    .filter((action) => changeOf(fabric, action) === change)
    .map((action) => {
      const [first, end] = [fabric.actionStart[action]!, fabric.actionStart[action + 1]!];
      return Array.from({ length: end - first }, (_, k) => first + k);
    });
}

/** Where the increases of the top round are. */
export function increasesTask(seed: number, level: number): Task {
  const toss = seeded(seed);
  const rounds = Math.min(5, 2 + Math.ceil(level / 2));
  const view = discView(fabricOfRounds(discRounds(rounds, level > 1 && toss() < 0.6)));
  const answer = actionsThat(view.fabric, rounds - 1, 'increase');
  const marker = [markerIn(view, view.fabric.roundStart[rounds - 1]!)];
  return {
    kind: 'increases',
    level,
    seed,
    ask: { is: 'spots', spots: spotsOf(view, shownIn(view, rounds - 1)), answer },
    picture: pictureOf(view, marker),
    why: { strands: pointedIn(view, answer.flat(), marker), marks: [] },
    facts: { increases: answer.length },
  };
}

/** The stitch after an invisible decrease hides half under it. */
export function hiddenTask(seed: number, level: number): Task {
  const toss = seeded(seed);
  const [plain, times] = [between(toss, 5, 7), 4];
  const rows = 2 + Math.ceil(level / 2);
  const first = between(toss, 1, plain - 1);
  const last = `${first} sc, invdec, (${plain} sc, invdec) × ${times - 1}, ${plain - first} sc`;
  const fabric = fabricOfRounds([...wallRounds((plain + 2) * times, rows), last]);
  const decrease = actionsThat(fabric, rows, 'decrease')[1]![0]!;
  const hidden = decrease + 1;
  const width = 6 + level * 0.4;
  const seen = wallView(fabric, [Math.max(0, rows - 3), rows + 1], decrease + between(toss, -1, 1), width);
  const view = tucked(seen, hidden);
  const near = shownIn(view, rows).filter((stitch) => Math.abs(stitch - decrease) <= width / 2);
  return {
    kind: 'hidden',
    level,
    seed,
    ask: { is: 'spots', spots: spotsOf(view, near), answer: [[hidden]] },
    picture: pictureOf(view),
    why: {
      strands: pointedIn(view, [hidden]),
      marks: [{ is: 'number', text: 'dec', at: add(postOf(view, decrease), [0, 0, 0.5]) }],
    },
    facts: {},
  };
}

/** As it lies in the work: drawn under the decrease before it. */
function tucked(view: View, stitch: number): View {
  const tops = view.laid.tops.with(stitch, add(view.laid.tops[stitch]!, [-0.26, -0.1, -0.16]));
  return { ...view, laid: { ...view.laid, tops } };
}

type Slip = Extract<Option, { is: 'slip' }>;
const SLIPS: readonly Slip['slip'][] = ['increase missing', 'increase too many', 'stitch missed'];

/** A round that does not end on what it should: what happened, and in which group from the marker. */
export function slipTask(seed: number, level: number): Task {
  const toss = seeded(seed);
  const plain = Math.min(3, 1 + Math.ceil(level / 2));
  const rounds = plain + 2;
  const answer: Slip = { is: 'slip', slip: oneOf(toss, level < 2 ? SLIPS.slice(0, 2) : SLIPS), group: between(toss, 1, 6) };
  const groups = Array.from({ length: 6 }, (_, i) => (i + 1 === answer.group ? slipped(answer.slip, plain) : `${plain} sc, inc`));
  const view = discView(fabricOfRounds([...discRounds(rounds - 1, false), groups.join(', ')]));
  const top = shownIn(view, rounds - 1);
  const marker = [markerIn(view, top[0]!)];
  const due = 6 * rounds;
  return {
    kind: 'slip',
    level,
    seed,
    ask: { is: 'choice', options: shuffled(toss, [answer, ...otherSlips(toss, answer, due - top.length)]), answer },
    picture: pictureOf(view, marker),
    why: {
      strands: pointedIn(view, groupOf(view.fabric, rounds - 1, plain, answer.group), marker),
      marks: [],
    },
    facts: { due, made: top.length, group: answer.group },
  };
}

function slipped(slip: Slip['slip'], plain: number): string {
  if (slip === 'increase missing') return `${plain + 1} sc`;
  if (slip === 'increase too many') return plain === 1 ? 'inc × 2' : `${plain - 1} sc, inc × 2`;
  return plain === 1 ? 'sk 1, inc' : `sk 1, ${plain - 1} sc, inc`;
}

/** Other answers that would be told by the same wrong count where they can, each with a group of its own. */
function otherSlips(toss: Toss, answer: Slip, short: number): readonly Slip[] {
  const alike = SLIPS.filter((slip) => (slip !== 'increase too many') === short > 0);
  const others = shuffled(
    toss,
    [1, 2, 3, 4, 5, 6].flatMap((group) => alike.map((slip): Slip => ({ is: 'slip', slip, group }))),
  );
  return others.filter((other) => !sameOption(other, answer)).slice(0, 3);
}

/** The stitches that stand in what the group should have stood in. */
function groupOf(fabric: Fabric, round: number, plain: number, group: number): readonly number[] {
  const below = fabric.roundStart[round - 1]!;
  const [from, to] = [below + (group - 1) * (plain + 1), below + group * (plain + 1)];
  return Array.from(
    { length: fabric.roundStart[round + 1]! - fabric.roundStart[round]! },
    (_, k) => fabric.roundStart[round]! + k,
  ).filter((stitch) => fabric.firstParent[stitch]! >= from && fabric.firstParent[stitch]! < to);
}
