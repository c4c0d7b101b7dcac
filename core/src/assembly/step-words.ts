import type { Join } from '../notation/index.js';
import type { OrderProblem, Step } from './order.js';
import type { Pin, Place } from './place.js';
import { numberOfRound } from './wall.js';

const upTo = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

/** What a step is, in a few words: "Work Wing 2", "Body, R14 to the end", "Sew on the Beak". */
export function stepTitle(step: Step, label: (round: number) => string = (round) => `R${round + 1}`): string {
  switch (step.kind) {
    case 'work': {
      const [from, to] = step.rounds!;
      if (from === 0 && to === step.of) return `Work ${step.name}`;
      if (to === step.of) return `Work ${step.name} from ${label(from)} to the end`;
      return from === 0 ? `Work ${step.name} up to ${label(to - 1)}` : `Work ${step.name}, ${label(from)} to ${label(to - 1)}`;
    }
    case 'set':
      return 'Set the eyes';
    case 'mark':
      return `${step.feature?.join === 'embroidered' ? 'Stitch' : 'Put on'} the ${step.name.toLowerCase()}`;
    case 'join':
      return joinTitle(step.name, step.feature?.join ?? 'sewn');
    case 'look':
      return step.name;
  }
}

function joinTitle(name: string, join: Join): string {
  switch (join) {
    case 'sewn flat':
      return `Sew ${name} on flat`;
    case 'edge to edge':
      return `Sew ${name} on, edge to edge`;
    case 'whipped':
      return `Whip ${name} on`;
    case 'tied':
      return `Tie ${name} on`;
    case 'glued':
      return `Glue ${name} on`;
    case 'pushed in':
      return `Push ${name} in`;
    case 'made in place':
      return `Make ${name} in place`;
    default:
      return `Sew ${name} on`;
  }
}

/** Where a pin goes, from the marker: "between R9 and R10, after stitch 14". */
export function pinWords({ wall, gap }: Pick<Place, 'wall' | 'gap'>, pin: Pin): string {
  const number = numberOfRound(wall, pin.round);
  const height = gap ? `between R${number} and R${numberOfRound(wall, pin.round + 1)}` : `R${number}`;
  return `${height}, ${holeWords(pin)}`;
}

export function holeWords({ after, in: inside }: Pick<Pin, 'after' | 'in'>): string {
  if (inside) return `in stitch ${after + 1}`;
  return after === 0 ? 'right at the marker' : `after stitch ${after}`;
}

/** Where one copy goes, in a sentence or two for arm's length. */
export function placeWords(place: Place): string {
  const { wall, first, around, pins, feature, gap, tip } = place;
  const rest = tip ? ` Tip ${TIPS[tip]}.` : '';
  if (around)
    return (
      `All round ${gap ? 'below' : ''} R${numberOfRound(wall, first)} of ${wall.name}, start over start.`.replace('  ', ' ') +
      rest
    );
  if (feature.placing.height?.is === 'start') return `In the middle of the start of ${wall.name}.${rest}`;
  const [one, two] = pins;
  if (two) return `Its edge at ${pinWords(place, one!)}, its tip at ${pinWords(place, two)}.${rest}`;
  return `${cap(pinWords(place, one!))} of ${wall.name}.${rest}`;
}

const TIPS = { up: 'up', down: 'down', out: 'outwards', front: 'forward', back: 'back' } as const;
const cap = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** Both holes of a pair at once: "between R9 and R10, after stitch 14 and after stitch 23". */
export function pairWords(places: readonly Place[]): string {
  const [one] = places;
  if (!one) return '';
  const holes = places.map(({ pins }) => pins[0]!).sort((a, b) => a.after - b.after);
  const number = numberOfRound(one.wall, one.first);
  const height = one.gap ? `between R${number} and R${numberOfRound(one.wall, one.first + 1)}` : `R${number}`;
  return `${height}, ${upTo(holes.map(holeWords))}`;
}

/** The sentence for what keeps the order from being found. */
export function describeOrderProblem(problem: OrderProblem): string {
  switch (problem.code) {
    case 'missing-piece':
      return `R${problem.round} of ${problem.host} needs ${problem.name}, and no part is called that. Add it, or change the round.`;
    case 'too-few-copies':
      return `${problem.needed} of ${problem.name} are joined, and the pattern makes ${problem.copies}.`;
    case 'circle':
      return `${upTo(problem.steps)} wait for one another: none can be the first.`;
  }
}
