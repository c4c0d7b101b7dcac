import type { PartCount } from '../fabric/index.js';
import {
  inLoop,
  loopsIn,
  measureItems,
  worksIn,
  type DecreaseSchool,
  type Foundation,
  type Item,
  type PartRef,
  type StitchName,
  type Work,
} from '../notation/index.js';
import {
  isEven,
  itemsOf,
  ovalRound,
  placesOf,
  rescale,
  spread,
  staggerRun,
  type RunRound,
  type SpreadRound,
} from '../spacing/index.js';
import { scaleItems } from './scale-items.js';
import { isPlainWork, staysOne, type RoundMap } from './stretches.js';

/** A new round: its stitches, worked like an old one. Words and colours at the ends of lines are not in it. */
export interface NewRound {
  readonly source: number;
  readonly items: readonly Item[];
  readonly makes: number;
  /** Whether it is the old round, word for word. */
  readonly kept: boolean;
  /** Whether nobody can say how it is to be worked: the old words stand, and somebody must look. */
  readonly unsure: boolean;
}

/** What a new round may ask of the other parts. */
export interface Around {
  /** Stitches that a limb is held with, which was held with so many. */
  readonly through: (limb: PartRef, was: number) => number;
  /** The foundation of a first round that makes so many stitches, and the straight of an oval there; null for any other start. */
  readonly foundation: (
    foundation: Foundation,
    makes: number,
  ) => { readonly foundation: Foundation; readonly uses: number } | null;
}

/** A line's stitches, without what stands before and after them for the whole line. */
export function coreOf(items: readonly Item[]): {
  readonly lead: readonly Item[];
  readonly core: readonly Item[];
  readonly tail: readonly Item[];
} {
  const quiet = (item: Item): boolean => item.kind === 'colour' || item.kind === 'remark';
  const from = items.findIndex((item) => !quiet(item));
  const to = items.findLastIndex((item) => !quiet(item)) + 1;
  if (from < 0) return { lead: items, core: [], tail: [] };
  return { lead: items.slice(0, from), core: items.slice(from, to), tail: items.slice(to) };
}

/**
 * Rounds that go on as the one before, without a word between, as rounds of its line: "R4–R6", not "R4–R5" and "R6". A line
 * that says something at its end keeps its last round.
 */
function joinedRounds({ part, rounds: counted }: PartCount, rounds: readonly NewRound[]): readonly NewRound[] {
  const joined: NewRound[] = [];
  for (const [k, round] of rounds.entries()) {
    const before = joined[k - 1];
    const [line, under] = [counted[round.source]!.line, before ? counted[before.source]!.line : -1];
    const { lead, tail } = coreOf(part.lines[line]!.items);
    const isLast = k + 1 === rounds.length || counted[rounds[k + 1]!.source]!.line !== line;
    const apart =
      part.notes.some((note) => note.before > under && note.before <= line) ||
      coreOf(part.lines[under]?.items ?? []).tail.length > 0;
    const goesOn =
      before && line !== under && !apart && lead.length === 0 && (tail.length === 0 || !isLast) && !(round.kept && before.kept);
    joined.push(
      goesOn && JSON.stringify(before.items) === JSON.stringify(round.items) ? { ...round, source: before.source } : round,
    );
  }
  return joined;
}

/** The rounds of a part anew, by their counts: increases and decreases staggered, all else as in the old round they follow. */
export function newRounds(counted: PartCount, map: RoundMap, counts: readonly number[], around: Around): readonly NewRound[] {
  const straight = straightOf(counted, counts[0]!);
  const plans = counts.map((_, k) => planOf(counted, map, counts, k, around, straight));
  const run = plans.slice(1).map((plan, below): RunRound => {
    const [uses, makes] = [counts[below]!, counts[below + 1]!];
    if (plan.is === 'spread') return { uses, makes: makes - plan.beside, fixed: null };
    return { uses, makes, fixed: uses === makes ? null : plan.places };
  });
  const staggered = staggerRun(run);
  const rounds = plans.map((plan, k): NewRound => {
    const [source, makes] = [map.sources[k]!, counts[k]!];
    if (plan.is === 'items') return { source, makes, items: plan.items, kept: plan.kept, unsure: plan.unsure };
    return { source, makes, items: plan.write(staggered[k - 1]!), kept: false, unsure: false };
  });
  return joinedRounds(counted, rounds);
}

type Plan =
  | {
      readonly is: 'items';
      readonly items: readonly Item[];
      readonly places: readonly number[];
      readonly kept: boolean;
      readonly unsure: boolean;
    }
  | {
      readonly is: 'spread';
      /** Stitches that a chain at its start or end counts for. */
      readonly beside: number;
      readonly write: (round: SpreadRound) => readonly Item[];
    };

function planOf(
  counted: PartCount,
  { sources }: RoundMap,
  counts: readonly number[],
  k: number,
  around: Around,
  straight: number | null,
): Plan {
  const source = sources[k]!;
  const old = counted.rounds[source]!;
  const { core } = coreOf(counted.part.lines[old.line]!.items);
  const [uses, makes] = [k === 0 ? old.uses : counts[k - 1]!, counts[k]!];
  const given = (items: readonly Item[], more: { kept?: boolean; unsure?: boolean } = {}): Plan => ({
    is: 'items',
    items,
    places: placesOf(items, uses),
    kept: more.kept ?? false,
    unsure: more.unsure ?? false,
  });
  if (k === 0 || core.some((item) => item.kind === 'foundation')) {
    const begun = begin(core, old.uses, makes, around);
    return begun ? given(begun.items, { kept: begun.kept }) : given(core, { unsure: true });
  }
  // What is there below, and not what it uses: a slip of the pattern stays as it is.
  const below = counted.rounds[source - 1]?.makes;
  if (below === uses && old.makes === makes && !foreign(counted, sources, k)) return given(core, { kept: true });
  if (!isPlainWork(core)) {
    if (foreign(counted, sources, k)) return plainPlan(counted, source, core, uses, makes, null, null);
    const scaled = scaleItems(core, uses, around.through);
    return scaled && makes - uses === old.makes - old.uses ? given(scaled) : given(core, { unsure: true });
  }
  return plainPlan(counted, source, core, uses, makes, straight, old);
}

/** A round beside one that stays one is worked like it, but not in its loop. */
const foreign = (counted: PartCount, sources: readonly number[], k: number): boolean =>
  staysOne(counted.part.lines[counted.rounds[sources[k]!]!.line]!.items, sources[k]!) && sources.indexOf(sources[k]!) !== k;

function plainPlan(
  counted: PartCount,
  source: number,
  core: readonly Item[],
  uses: number,
  makes: number,
  straight: number | null,
  old: { readonly uses: number; readonly makes: number; readonly around: number } | null,
): Plan {
  const works = worksIn(core);
  const stitch: StitchName = works[0]?.stitch ?? 'sc';
  const loops = loopsIn(core);
  const loop = old && loops.size === 1 ? [...loops][0]! : 'both';
  const writing = { stitch, school: schoolNear(counted, source) };
  const dress = (items: readonly Item[]): readonly Item[] => withEnds(core, inLoop(items, loop));
  const put = (items: readonly Item[]): Plan => ({
    is: 'items',
    items: dress(items),
    places: placesOf(items, uses),
    kept: false,
    unsure: false,
  });
  const beside = measureItems(withEnds(core, [])).makes;
  const plain: Work = { kind: 'work', stitch, per: 1, together: 1, school: 'open', count: 1, loop: 'both', through: null };
  const oval = straight !== null && makes > uses && beside === 0 ? ovalRound(uses, makes, straight, plain) : null;
  if (oval && (!old || old.makes === old.uses || !isEven(core, old))) return put(oval);
  if (old && old.uses !== old.makes && uses !== makes && beside === 0 && !isEven(core, old)) {
    const each = old.makes < old.uses ? 2 : 1;
    const uneven = rescale(placesOf(core, old.around), { uses: old.uses, each }, uses, makes);
    if (uneven) return put(itemsOf(uneven, writing));
  }
  const own = makes - beside;
  if (own > 2 * uses || 2 * own < uses) return { is: 'items', items: core, places: [], kept: false, unsure: true };
  if (uses === own) return put(itemsOf(spread(uses, own), writing));
  return { is: 'spread', beside, write: (round) => dress(itemsOf(round, writing)) };
}

/** The stitches between the chain that begins a joined round or a turned row and what ends it. */
function withEnds(core: readonly Item[], items: readonly Item[]): readonly Item[] {
  const works = (item: Item): boolean =>
    item.kind === 'work' || item.kind === 'group' || item.kind === 'cluster' || item.kind === 'skip';
  const first = core.findIndex(works);
  const last = core.findLastIndex(works);
  return first < 0 ? items : [...core.slice(0, first), ...items, ...core.slice(last + 1)];
}

/** How decreases are worked here: as in the nearest round that has some, itself first. */
function schoolNear({ part, rounds }: PartCount, source: number): DecreaseSchool {
  const order = [...rounds.keys()].sort((a, b) => Math.abs(a - source) - Math.abs(b - source));
  for (const round of order) {
    const found = worksIn(part.lines[rounds[round]!.line]!.items).find(({ together }) => together > 1);
    if (found) return found.school;
  }
  return 'open';
}

/** Plain stitches of either side of an oval that begins on a chain; null for any other part. */
export function straightOf({ part, rounds }: PartCount, makes: number): number | null {
  const core = coreOf(part.lines[rounds[0]!.line]!.items).core;
  const foundation = core.find((item) => item.kind === 'foundation');
  if (foundation?.from !== 'chain' || foundation.sides !== 2) return null;
  return sideOf(core) + (makes - rounds[0]!.makes) / 2;
}

/** What is worked over the places of a foundation: plain stitches spread anew, all else by share. */
export function overPlaces(
  rest: readonly Item[],
  uses: number,
  makes: number,
  around: Pick<Around, 'through'>,
): readonly Item[] | null {
  if (!isPlainWork(rest)) return scaleItems(rest, uses, around.through);
  if (makes > 2 * uses || 2 * makes < uses) return null;
  const loops = loopsIn(rest);
  const stitch = worksIn(rest)[0]?.stitch ?? 'sc';
  const items = inLoop(itemsOf(spread(uses, makes), { stitch, school: 'open' }), loops.size === 1 ? [...loops][0]! : 'both');
  return withEnds(rest, items);
}

/** Plain stitches of one side of a first round round a chain. */
export function sideOf(core: readonly Item[]): number {
  return Math.max(
    0,
    ...core.map((item) => (item.kind === 'work' && item.per === 1 && typeof item.count === 'number' ? item.count : 0)),
  );
}

/** A first round over its ring, chain, rims or loops that makes so many stitches; null where that cannot be said. */
function begin(
  core: readonly Item[],
  used: number,
  makes: number,
  around: Around,
): { readonly items: readonly Item[]; readonly kept: boolean } | null {
  const foundation = core.find((item) => item.kind === 'foundation');
  if (!foundation) {
    const grown = core.map((item) => {
      if (item.kind !== 'start') return item;
      const count = makes - (item.chain === 'counted' ? 1 : 0);
      return {
        ...item,
        count,
        chains: item.from === 'chain ring' ? Math.round((item.chains * count) / item.count) : item.chains,
      };
    });
    const kept = grown.every((item, i) => item.kind !== 'start' || JSON.stringify(item) === JSON.stringify(core[i]));
    return core.some((item) => item.kind === 'start') ? { items: grown, kept } : null;
  }
  const placed = around.foundation(foundation, makes);
  if (!placed) return null;
  const same = JSON.stringify(placed.foundation) === JSON.stringify(foundation) && placed.uses === used;
  if (same) return { items: core, kept: true };
  const rest = core.filter((item) => item.kind !== 'foundation');
  const scaled = overPlaces(rest, placed.uses, makes, around);
  return scaled && { items: [placed.foundation, ...scaled], kept: false };
}
