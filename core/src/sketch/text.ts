import { DRAWN_SHUT } from '../fabric/index.js';
import { plural, printPlacing, type Join, type Named, type Placing, type Round } from '../notation/index.js';
import { SEWN_ROUND, STRAIGHT, writePart, type Bend } from '../design/index.js';
import { closesToRing, type Sketch, type SketchPart, type SketchPlace } from './sketch.js';

/** A part with the counts of its rounds; null where none were found. */
export interface Rounded {
  readonly part: SketchPart;
  readonly counts: readonly number[] | null;
  /** Rounds that bend it; none where it is left out. */
  readonly bend?: Bend;
}

/** Yarn that is left for sewing, cm (common practice: 20 to 30). */
const TAIL = 25;
/** So many rounds before the last there is still room to stuff (common practice: a round quarter before the end). */
const STUFF_BEFORE = 4;
/** Rounds between one lot of stuffing and the next, in what is too narrow for a hand (our own estimate). */
const NARROW = 18;

/** A sketch as a pattern, parts without rounds left out. */
export function sketchText(sketch: Pick<Sketch, 'name' | 'hookMm'>, parts: readonly Rounded[], yarn: string): string {
  const written = inOrder(parts.filter((each): each is Written => each.counts !== null));
  const head = [`# ${sketch.name.trim() || 'Untitled'}`, 'US terms', '', `${yarn} yarn, a ${sketch.hookMm} mm hook.`];
  const makingUp = placingLines(written);
  return (
    [
      head.join('\n'),
      ...written.map((each) => partText(each, written).join('\n')),
      ...(makingUp.length > 0 ? [['## Put together', ...makingUp].join('\n')] : []),
      '',
    ]
      .join('\n\n')
      .trimEnd() + '\n'
  );
}

type Written = Rounded & { readonly counts: readonly number[] };

/** What others grow out of is worked before them. */
function inOrder(parts: readonly Written[]): readonly Written[] {
  const order: Written[] = [];
  const put = (each: Written, waiting: ReadonlySet<string>): void => {
    const { part } = each;
    if (order.includes(each) || waiting.has(part.id)) return;
    const from = parts.find((other) => other.part.id === part.grows?.from);
    if (from) put(from, new Set([...waiting, part.id]));
    order.push(each);
  };
  for (const each of parts) put(each, new Set());
  return order;
}

/** A part with its heading, rounds and remarks. @param others what it may grow out of, or be grown out of */
export function partText({ part, counts, bend = STRAIGHT }: Written, others: readonly Rounded[] = []): readonly string[] {
  const heading = `## ${part.name}${part.copies > 1 ? ` (make ${part.copies})` : ''}`;
  const colours = [...part.colours].sort((a, b) => a.from - b.from).filter(({ from }) => from <= counts.length);
  const first = colours.find(({ from }) => from === 1);
  const { points, straight, end } = part.outline;
  const from = others.find((other) => other.part.id === part.grows?.from)?.part;
  const grown = part.grows && from && { pieces: plural(from.name.toLowerCase()), chains: part.grows.chains };
  const lines = writePart(counts, {
    terms: 'US',
    worked: part.worked,
    start: grown ?? (straight > 0 ? 'oval' : (points[0]?.r ?? 0) > 0 ? 'open' : 'ring'),
    colours: colours.filter(({ from }) => from > 1),
    edges: edgesOf(part, counts.length),
    bends: bend.rounds,
    before: stuffingOf(part, counts),
  });
  const shut = end === 'shut' && counts.at(-1)! <= DRAWN_SHUT;
  const carries = others.some(({ part: { grows } }) => grows?.from === part.id);
  const tail = shut
    ? 'Fasten off, thread the tail through the front loops and draw it shut.'
    : carries
      ? 'Fasten off; leave the yarn on the last one, it goes on.'
      : `Fasten off and leave ${TAIL} cm of yarn for sewing.`;
  const bent = bend.rounds.size > 0 ? ['The taller half is the outer side of the bend.'] : [];
  const meet = closesToRing(part.outline) ? [SEWN_ROUND] : [];
  return [
    heading,
    ...(first ? [`With ${first.name}:`] : []),
    ...(grown ? [`Stuff the ${grown.pieces} before you join them.`] : []),
    ...lines,
    ...(part.stuffed ? [] : ['Do not stuff.']),
    ...bent,
    tail,
    ...meet,
  ];
}

/** Rounds in the back loops: the first past each edge of the outline, where as many rounds are as its wall is long. */
function edgesOf({ outline: { points } }: SketchPart, rounds: number): readonly number[] {
  let wall = 0;
  const lengths = points.map((point, i) => {
    if (i > 0) wall += Math.hypot(point.r - points[i - 1]!.r, point.z - points[i - 1]!.z);
    return wall;
  });
  return points.flatMap(({ edge }, i) => {
    const round = Math.round((rounds * lengths[i]!) / Math.max(1e-9, wall)) + 1;
    return edge && round > 1 && round <= rounds ? [round] : [];
  });
}

function stuffingOf({ stuffed, outline: { end } }: SketchPart, counts: readonly number[]): ReadonlyMap<number, string> {
  const words = new Map<number, string>();
  if (!stuffed) return words;
  const narrow = Math.max(...counts) <= NARROW;
  if (narrow && counts.length > NARROW)
    words.set(Math.round(counts.length / 2), 'Stuff what is there; it is too narrow for a hand later.');
  if (end !== 'shut' || counts.length <= STUFF_BEFORE + 2) return words;
  words.set(counts.length - STUFF_BEFORE + 1, 'Stuff now, firmly, the sides before the middle.');
  return words;
}

function placingLines(parts: readonly (Rounded & { readonly counts: readonly number[] })[]): readonly string[] {
  return parts.flatMap(({ part }) => {
    const { place } = part;
    const host = place && parts.find((each) => each.part.id === place.on);
    if (!host || host.part.id === part.id) return [];
    return [printPlacing(placingOf(part, place, host))];
  });
}

const named = ({ name }: SketchPart): Named => ({ name, part: null, copy: null });

function placingOf(part: SketchPart, place: SketchPlace, host: Rounded & { readonly counts: readonly number[] }): Placing {
  const { counts } = host;
  const round =
    place.height.is === 'start' ? 1 : Math.min(counts.length, Math.max(1, Math.round(place.height.share * counts.length)));
  const spread = place.round.is === 'evenly' ? part.copies : null;
  return {
    subject: named(part),
    host: named(host.part),
    height: place.height.is === 'start' ? { is: 'start' } : { is: 'rounds', first: round, last: round },
    round: roundOf(place),
    count: spread,
    mirrors: null,
    tip: null,
    join: place.join satisfies Join,
  };
}

function roundOf({ round }: SketchPlace): Round | null {
  switch (round.is) {
    case 'side':
      return { is: 'side', of: round.side, aside: null };
    case 'pair':
      return { is: 'apart', apart: { count: round.apart, reading: 'between' }, side: round.side };
    case 'sides':
      return { is: 'sides' };
    case 'evenly':
      return { is: 'evenly', from: 'front' };
    case 'around':
      return null;
  }
}
