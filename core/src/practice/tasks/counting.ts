import { seeded } from '../../random/index.js';
import { roundLength } from '../../fabric/index.js';
import { between, discRounds, fabricOfRounds, oneOf } from '../piece.js';
import { discView, markerIn, pictureOf, pointedIn, shownIn, spotOf, type View } from '../picture.js';
import type { Mark } from '../../drawn/index.js';
import type { Task } from '../task.js';

const numbered = (view: View, stitches: readonly number[]): readonly Mark[] =>
  stitches.map((stitch, i) => ({ is: 'number', text: `${i + 1}`, at: spotOf(view, stitch) }));

/** The last round of a disc with so many increases, spread over it. */
function lastRound(below: number, increases: number): string {
  if (increases === 0) return 'sc around';
  const groups = Array.from({ length: increases }, (_, i) => {
    const plain = Math.floor((below * (i + 1)) / increases) - Math.floor((below * i) / increases) - 1;
    return plain > 0 ? `${plain} sc, inc` : 'inc';
  });
  return groups.join(', ');
}

/** How many stitches the top round has: V's along the edge. */
export function stitchesTask(seed: number, level: number): Task {
  const toss = seeded(seed);
  const rounds = Math.min(6, 1 + level);
  const below = 6 * (rounds - 1);
  const increases = rounds === 1 ? 0 : level < 2 ? 6 : between(toss, 2, 6);
  const fabric = fabricOfRounds([...discRounds(rounds - 1, toss() < 0.5), lastRound(below, increases)]);
  const view = discView(fabric);
  const top = shownIn(view, rounds - 1);
  const picture = pictureOf(view, [markerIn(view, top[0]!)]);
  return {
    kind: 'stitches',
    level,
    seed,
    ask: { is: 'number', answer: top.length, least: 3, most: 99 },
    picture,
    why: { strands: picture.strands, marks: numbered(view, top) },
    facts: { stitches: top.length },
  };
}

/** How many rounds a disc has: rings from the middle out. */
export function roundsTask(seed: number, level: number): Task {
  const toss = seeded(seed);
  const rounds = between(toss, 2 + Math.floor(level / 2), Math.min(7, 3 + level));
  const view = discView(fabricOfRounds(discRounds(rounds, toss() < 0.5)));
  return {
    kind: 'rounds',
    level,
    seed,
    ask: { is: 'number', answer: rounds, least: 1, most: 20 },
    picture: pictureOf(view),
    why: { strands: pictureOf(view).strands, marks: ringNumbers(view, rounds) },
    facts: { rounds },
  };
}

/** The number of each round, on a line from the middle away from where it begins. */
function ringNumbers(view: View, rounds: number): readonly Mark[] {
  return Array.from({ length: rounds }, (_, round) => {
    const at = shownIn(view, round);
    return { is: 'number', text: `${round + 1}`, at: spotOf(view, at[Math.floor(at.length / 2)]!) };
  });
}

/** Which round is being worked, by a marker in its first stitch. */
export function markerTask(seed: number, level: number): Task {
  const toss = seeded(seed);
  const rounds = between(toss, 2 + Math.floor(level / 3), Math.min(6, 3 + level));
  const fabric = fabricOfRounds(discRounds(rounds, toss() < 0.5));
  const first = fabric.roundStart[rounds - 1]!;
  const worked = between(toss, 2, roundLength(fabric, rounds - 1) - 2);
  const view = discView(fabric, first + worked);
  const atHand = oneOf(toss, [rounds]);
  return {
    kind: 'marker',
    level,
    seed,
    ask: { is: 'number', answer: atHand, least: 1, most: 20 },
    picture: pictureOf(view, [markerIn(view, first)]),
    why: {
      strands: pointedIn(view, shownIn(view, rounds - 1), [markerIn(view, first)]),
      marks: ringNumbers(view, rounds - 1),
    },
    facts: { round: atHand, below: rounds - 1 },
  };
}
