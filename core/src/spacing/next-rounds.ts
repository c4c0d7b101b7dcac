import { DRAWN_SHUT, type PartCount, type RoundCount } from '../fabric/index.js';
import { printLabel, STITCHES, type PrintStyle, type Way } from '../notation/index.js';
import { spread } from './spread.js';
import { writeSpread, type Writing } from './write.js';

/** A round that would go on with a part's rhythm. */
export interface NextRound {
  /** The whole line: "R5: (3 sc, inc) × 6 (30)". */
  readonly text: string;
  readonly makes: number;
  readonly why: Onward;
}

/** How a round goes on from those before it. */
export type Onward =
  'grows from the start' | 'goes on growing' | 'goes on closing' | 'begins to close' | 'grows' | 'straight on' | 'straight';

/**
 * The rounds most likely to come next, the likeliest first: the growth or shrinking of the last change goes on, a plain
 * round, and closing as the part was opened.
 */
export function nextRounds({ part, rounds }: PartCount, style: PrintStyle): NextRound[] {
  const last = rounds.at(-1);
  if (!last || last.makes < 1) return [];
  const number = last.number + 1;
  const word = part.lines.at(-1)?.word ?? 'round';
  const label = printLabel({ first: number, last: number, word });
  const works = worksOf(part.lines.at(-1)?.items ?? []);
  const writing: Writing = { stitch: works.stitch, school: works.school };
  const offers: NextRound[] = [];
  const offer = (makes: number, why: Onward): void => {
    if (makes < 1 || makes > 2 * last.makes || 2 * makes < last.makes || offers.some((each) => each.makes === makes)) return;
    const worked = writeSpread(spread(last.makes, makes, leadLike(last, makes)), { ...style, across: word === 'row' }, writing);
    offers.push({ text: `${label}: ${goingOn(last.way, worked, style)} (${makes})`, makes, why });
  };
  const change = lastChange(rounds);
  const closing = rounds.some((round) => round.uses > round.makes);
  const resting = last.uses === last.makes && rounds.length > 1;
  const alternates =
    rounds.length > 3 && rounds.at(-2)!.makes !== rounds.at(-2)!.uses && rounds.at(-3)!.makes === rounds.at(-3)!.uses;
  // A round of so few stitches is drawn shut and needs no more.
  if (last.makes <= DRAWN_SHUT && closing) return [];
  if (rounds.length === 1 && last.way !== 'turned')
    offer(2 * last.makes <= 16 ? 2 * last.makes : last.makes + 6, 'grows from the start');
  if (change !== 0 && (!resting || alternates)) offer(last.makes + change, change > 0 ? 'goes on growing' : 'goes on closing');
  offer(last.makes, resting ? 'straight on' : 'straight');
  if (change > 0) offer(last.makes - change, 'begins to close');
  else if (change < 0) offer(last.makes + change, 'goes on closing');
  if (change <= 0 && !closing) offer(last.makes + 6, 'grows');
  return offers;
}

/** A round with what its way needs before and after it; neither counts. */
function goingOn(way: Way, worked: string, { terms }: PrintStyle): string {
  if (way === 'turned') return `ch 1, turn, ${worked}`;
  return way === 'joined' ? `ch 1, ${worked}, join with ${STITCHES['sl st'][terms].abbreviation}` : worked;
}

/** The last change of count, negative where the part shrinks; 0 when there was none. */
function lastChange(rounds: readonly RoundCount[]): number {
  const round = rounds.findLast((each) => each.uses > 0 && each.makes !== each.uses);
  return round ? round.makes - round.uses : 0;
}

/** Every second round of changes is split, as patterns do against corners; the first splits are whole. */
function leadLike(last: RoundCount, makes: number): number | undefined {
  if (makes === last.makes) return undefined;
  const whole = spread(last.makes, makes);
  const gap = whole.gaps[0] ?? 0;
  return gap >= 2 && last.number % 2 === 1 ? Math.ceil(gap / 2) : undefined;
}

function worksOf(items: PartCount['part']['lines'][number]['items']): Writing {
  for (const item of items) {
    if (item.kind === 'work') return { stitch: item.stitch, school: item.school };
    if (item.kind === 'start') return { stitch: item.stitch, school: 'open' };
    if (item.kind !== 'group') continue;
    const inner = item.items.flatMap((each) => (each.kind === 'work' ? [each] : []));
    const decrease = inner.find((work) => work.together > 1);
    if (inner[0]) return { stitch: inner[0].stitch, school: decrease?.school ?? 'open' };
  }
  return { stitch: 'sc', school: 'open' };
}
