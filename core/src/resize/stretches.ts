import type { PartCount } from '../fabric/index.js';
import { foundationOf, loopsIn, stitchesIn, walk, type Item } from '../notation/index.js';

/** Rounds of a part that are made more or fewer together; indices of its rounds, `to` past the last. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
  /** One round that stays one: a start, an edge in one loop, a limb worked in. */
  readonly once: boolean;
  /** It begins at a point, and not with as many stitches as its start is wide. */
  readonly ring: boolean;
}

/**
 * The rounds of a part in stretches: whatever stays a single round by itself, and the rest cut where something is said
 * that must not be lost, such as a change of colour.
 */
export function stretchesOf({ part, rounds }: PartCount): readonly Stretch[] {
  const stretches: Stretch[] = [];
  const edging = isEdging({ part, rounds });
  for (const [round, { line, number }] of rounds.entries()) {
    const { items, last } = part.lines[line]!;
    const once = edging || staysOne(items, round);
    const before = stretches.at(-1);
    const says = round > 0 && saysSomething(part.lines[rounds[round - 1]!.line]!.items) && rounds[round - 1]!.line !== line;
    const named = number === part.lines[line]!.first && items[0]?.kind === 'colour' && round > 0;
    const noted = number === part.lines[line]!.first && part.notes.some((note) => note.before === line && note.facts.length > 0);
    if (!before || before.once || once || says || named || noted)
      stretches.push({ from: round, to: round + 1, once, ring: round === 0 && !foundationOf(items) });
    else stretches[stretches.length - 1] = { ...before, to: round + 1 };
    if (last < number) throw new RangeError(`Round ${number} is past its line, which ends on ${last}.`);
  }
  return stretches;
}

/** A border round something else: it is as many rounds on a larger piece. */
export function isEdging({ part, rounds }: PartCount): boolean {
  const from = foundationOf(part.lines[rounds[0]?.line ?? 0]?.items ?? [])?.from;
  return from === 'layers' || from === 'edge';
}

/** Whether words or a colour stand at a line's end, for what comes after. */
const saysSomething = (items: readonly Item[]): boolean => {
  const last = items.at(-1);
  return last?.kind === 'colour' || last?.kind === 'remark';
};

/** A round that is not made more or fewer: how it is worked goes by its place. */
export function staysOne(items: readonly Item[], round: number): boolean {
  if (round === 0 || foundationOf(items)) return true;
  const loops = loopsIn(items);
  if (loops.has('back') || loops.has('front') || new Set(stitchesIn(items)).size > 1) return true;
  return !isPlainWork(items);
}

/** Whether a round is nothing but stitches, increases and decreases of one kind, in one colour. */
export function isPlainWork(items: readonly Item[]): boolean {
  const strange = (item: Item): boolean => {
    if (item.kind === 'work') return item.per > 2 || item.together > 2 || item.through !== null;
    return (
      item.kind === 'cluster' ||
      item.kind === 'skip' ||
      item.kind === 'spur' ||
      item.kind === 'start' ||
      item.kind === 'foundation'
    );
  };
  const found: Item[] = [];
  walk(items, (item) => {
    if (strange(item)) found.push(item);
  });
  const first = items.findIndex((item) => item.kind === 'work' || item.kind === 'group');
  const middle = items.slice(first, items.findLastIndex((item) => item.kind === 'work' || item.kind === 'group') + 1);
  return found.length === 0 && first >= 0 && middle.every((item) => item.kind === 'work' || item.kind === 'group');
}

/** How new rounds follow old ones. */
export interface RoundMap {
  /** For each new round the old one it is worked like, ascending. */
  readonly sources: readonly number[];
  /** For each new round where its end lies among the old rounds: 7.5 is half-way through the eighth. */
  readonly places: readonly number[];
}

/** So many times as many rounds, each stretch at least one: where a stretch ends stays as near as it can to its place. */
export function mapRounds(stretches: readonly Stretch[], factor: number): RoundMap {
  const sources: number[] = [];
  const places: number[] = [];
  for (const [index, { from, to, once }] of stretches.entries()) {
    const start = sources.length;
    const rounds = once ? 1 : Math.max(1, Math.round(to * factor) - start);
    // A ring grows on at once: its first round lies where it would among rounds of the new size.
    const early = index === 1 && stretches[0]!.ring ? 1 : 0;
    for (let k = 1; k <= rounds; k++) {
      sources.push(from + Math.ceil((k * (to - from)) / rounds - 1e-9) - 1);
      places.push(from - early + ((k + early) * (to - from + early)) / (rounds + early));
    }
  }
  return { sources, places };
}

/** How many new rounds there are up to the end of an old one. */
export function newEnd({ sources }: RoundMap, round: number): number {
  return sources.reduce((end, source, k) => (source <= round ? k + 1 : end), 0);
}
