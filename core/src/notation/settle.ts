import type { Doubt, ReadingDiagnostic } from './diagnostic.js';
import { foundationPlaces, partNamed, resolvedLoops, type CountedBefore, type RoundBefore } from './foundation.js';
import { measureItems, measureRound, PLAIN, type RoundMeasure } from './items.js';
import type { Foundation, Item, ItemPlace, RoundLine, Work } from './pattern.js';
import { printItems, printLabel } from './print.js';
import { decided, doubtsIn, itemPiece, placed, type Decide, type Piece } from './reading/piece.js';
import type { RoundReading } from './reading/round.js';
import type { Span } from './span.js';
import type { Terms } from './stitch.js';

/** A line as read, before counts have settled it. */
export interface DraftLine {
  readonly first: number;
  readonly last: number;
  readonly word: 'round' | 'row';
  readonly reading: RoundReading;
  /** Colours that lines before named for this one. */
  readonly colours: readonly Piece[];
  /** Where lines before named a colour or a chain for this one. */
  readonly settings: readonly Span[];
  readonly label: Span;
  readonly span: Span;
  /** Whether some of it could not be read. */
  readonly unread: boolean;
}

/** What is known where a line is settled. */
export interface Known {
  /** Stitches it may be worked over; null where nobody can know. */
  readonly below: readonly number[] | null;
  /** Rounds of the part so far. */
  readonly rounds: readonly RoundBefore[];
  readonly before: readonly CountedBefore<RoundBefore>[];
  readonly terms: Terms;
  /** Ways besides the usual that may still be tried in this text, so that a text of doubts stays quick. */
  readonly ways: { left: number };
}

/** One way to read a line. */
interface Candidate {
  readonly items: readonly Item[];
  readonly places: readonly (ItemPlace | null)[];
  readonly stated: { readonly count: number; readonly span: Span } | null;
  readonly measure: RoundMeasure;
  /** Stitches left over or too many, and totals that differ. */
  readonly problems: number;
  /** Doubts settled in another way than usual. */
  readonly other: readonly Doubt[];
}

export interface Settled {
  readonly line: RoundLine;
  readonly diagnostics: readonly ReadingDiagnostic[];
  /** Whether it uses exactly what is there and makes exactly what it states. */
  readonly exact: boolean;
}

/** Most ways of one line that are tried. */
const MOST_WAYS = 256;

/** How the doubts of a line can be settled together, the usual way first, then those that change least. */
function* waysOf(doubts: ReadonlyMap<Doubt, number>): Generator<ReadonlyMap<Doubt, number>> {
  const names = [...doubts.keys()];
  const levels: ReadonlyMap<Doubt, number>[][] = [[new Map()]];
  yield levels[0]![0]!;
  let count = 1;
  for (let changes = 1; changes <= names.length; changes++) {
    const level: ReadonlyMap<Doubt, number>[] = [];
    for (const way of levels[changes - 1]!) {
      const from = names.findLastIndex((name) => way.has(name)) + 1;
      for (const name of names.slice(from))
        for (let option = 1; option < doubts.get(name)!; option++) {
          const next = new Map(way).set(name, option);
          level.push(next);
          yield next;
          if (++count >= MOST_WAYS) return;
        }
    }
    levels.push(level);
  }
}

/**
 * Settles a line: of all ways to read it, the one that uses exactly what is there and makes exactly what is stated, or comes
 * nearest to that; where several do, the one the next line goes on from; else the usual one.
 */
export function settleLine(line: DraftLine, known: Known, next: DraftLine | null): Settled {
  const doubts = doubtsOf(line);
  if (doubts.size === 0) return settledAs(line, candidateOf(line, NO_DOUBT, known), known, []);
  let usual: Candidate | null = null;
  let best: Candidate | null = null;
  const fitting: Candidate[] = [];
  for (const way of waysOf(doubts)) {
    if (usual !== null && known.ways.left-- <= 0) break;
    const candidate = candidateOf(line, way, known);
    usual ??= candidate;
    if (!best || candidate.problems < best.problems) best = candidate;
    if (candidate.problems > 0) continue;
    fitting.push(candidate);
    if (candidate.stated) break;
  }
  const chosen = fitting.length > 1 ? chooseByNext(fitting, known, next) : best!;
  const rest = fitting.filter((each) => each !== chosen && each.measure.makes !== chosen.measure.makes);
  const told = [...twoReadings(line, chosen, usual!, rest, known), ...repeatMissing(line, chosen)];
  return settledAs(line, chosen, known, told);
}

function settledAs(line: DraftLine, chosen: Candidate, known: Known, diagnostics: readonly ReadingDiagnostic[]): Settled {
  const exact = chosen.problems === 0 && chosen.stated !== null && known.below !== null;
  return { line: lineOf(line, chosen), diagnostics, exact };
}

const NO_DOUBT: ReadonlyMap<Doubt, number> = new Map();

function doubtsOf(line: DraftLine): ReadonlyMap<Doubt, number> {
  const doubts = doubtsIn(line.reading.pieces);
  return line.reading.foundationDoubtful ? new Map([...doubts, ['oval', 2]]) : doubts;
}

function chooseByNext(fitting: readonly Candidate[], known: Known, next: DraftLine | null): Candidate {
  const usual = fitting[0]!;
  if (next?.reading.same !== null) return usual;
  // Of the rounds before, the next line only looks up those it names, and whether there are any.
  const goesOn = ({ measure: { makes }, items }: Candidate): boolean =>
    fits(next, { ...known, below: [makes], rounds: known.rounds.length > 0 ? known.rounds : [{ number: 0, makes, items }] });
  return goesOn(usual) ? usual : (fitting.find((each) => each.measure.makes !== usual.measure.makes && goesOn(each)) ?? usual);
}

/** Whether a line works out in some way. */
function fits(line: DraftLine, known: Known): boolean {
  for (const way of waysOf(doubtsOf(line))) {
    if (candidateOf(line, way, known).problems === 0) return true;
    if (known.ways.left-- <= 0) return false;
  }
  return false;
}

function candidateOf(line: DraftLine, way: ReadonlyMap<Doubt, number>, known: Known): Candidate {
  const decide: Decide = (doubt) => way.get(doubt) ?? 0;
  const all = line.colours.length > 0 ? [...line.colours, ...line.reading.pieces] : line.reading.pieces;
  const pieces = decided(all, decide);
  const foundation = foundationOfLine(line, decide, known);
  const other = [...way.keys()];
  let least: Candidate | null = null;
  for (const below of known.below ?? UNKNOWN) {
    const candidate = reckon(line, pieces, foundation, below, known, other);
    if (!least || candidate.problems < least.problems) least = candidate;
  }
  return least!;
}

function foundationOfLine(line: DraftLine, decide: Decide, known: Known): { value: Foundation; span: Span } | null {
  const said = line.reading.foundation;
  if (!said) return null;
  const { value } = said;
  if (value.from === 'chain' && line.reading.foundationDoubtful)
    return { value: { ...value, sides: decide('oval') === 1 ? 2 : 1 }, span: said.span };
  return { value: resolvedLoops(value, known.rounds, known.before), span: said.span };
}

/** Stitches below where nobody can know them. */
const UNKNOWN: readonly null[] = [null];

type Decided = ReturnType<typeof decided>;

const ANYTHING_AROUND: Item = { ...PLAIN, count: 'around' };

function reckon(
  line: DraftLine,
  pieces: Decided,
  foundation: { value: Foundation; span: Span } | null,
  below: number | null,
  known: Known,
  other: readonly Doubt[],
): Candidate {
  const first = known.rounds.length === 0;
  const placesOf = (items: readonly Item[]): number | null =>
    foundation ? foundationPlaces(items, first ? 0 : (below ?? 0), known.rounds, known.before) : first ? null : below;
  const around = foundation ? placesOf([foundation.value, ANYTHING_AROUND]) : placesOf([]);
  const total = pieces.findLast((piece) => piece.is === 'total');
  const stated = total?.is === 'total' ? { count: total.count, span: total.span } : null;
  const { items, places: itemPlaces } = withFoundation(line, resolved(pieces, around, known), foundation);
  const places = placesOf(items);
  const available = places ?? stated?.count ?? measureRound(items, 0).uses;
  const measure = measureRound(items, available);
  const makes = measure.makes;
  const wrong = places !== null && measure.uses !== places;
  const problems = Number(wrong) + Number(stated !== null && stated.count !== makes);
  return { items, places: itemPlaces, stated, measure, problems, other };
}

/** Items of pieces whose numbers follow from what is there. */
function resolved(pieces: Decided, places: number | null, known: Known): ReturnType<typeof placed> {
  if (!pieces.some(({ is }) => is === 'part round' || is === 'evenly' || is === 'rest')) return placed(pieces);
  const counted = pieces.map((piece): Decided[number] => {
    if (piece.is !== 'part round') return piece;
    const last = partNamed(known.before, piece.part)?.rounds.at(-1);
    return itemPiece({ ...piece.work, count: last?.makes ?? 'around' }, piece.span) as Decided[number];
  });
  const others = measureItems(placed(counted).items).uses;
  return placed(
    counted.flatMap((piece): Piece[] => {
      if (piece.is === 'rest') {
        const count = (places ?? 0) - others;
        return count > 0 ? [itemPiece({ kind: 'skip', count }, piece.span)] : [];
      }
      return piece.is === 'evenly' ? evenly(piece.work, piece.at, places === null ? null : places - others, piece.span) : [piece];
    }),
  );
}

/** Changes as far apart as they go over `available` stitches, or at given places of them, with plain stitches between. */
function evenly(work: Work, at: number | readonly number[], available: number | null, span: Span): Piece[] {
  const plain = (count: number): Piece[] =>
    count > 0 ? [itemPiece({ ...work, per: 1, together: 1, school: 'open', count }, span)] : [];
  const change = (count: number): Piece => itemPiece({ ...work, count }, span);
  if (typeof at !== 'number') {
    let used = 0;
    const changes = at.flatMap((place): Piece[] => {
      const before = plain(Math.max(0, place - 1 - used));
      used = Math.max(used, place - 1) + work.together;
      return [...before, change(1)];
    });
    return [...changes, ...plain(available === null ? 0 : available - used)];
  }
  const between = available === null ? 0 : available - at * work.together;
  if (between <= 0) return [change(at)];
  const gap = Math.floor(between / at);
  const wider = between % at;
  const run = (each: number, times: number): Piece[] => {
    if (times === 0) return [];
    const inner = [...plain(each), change(1)];
    return times === 1 ? inner : [{ is: 'group', pieces: inner, times, span }];
  };
  return [...run(gap, at - wider), ...run(gap + 1, wider)];
}

/** Puts the foundation after the colours the round begins with. */
function withFoundation(
  line: DraftLine,
  { items, places }: ReturnType<typeof placed>,
  foundation: { value: Foundation; span: Span } | null,
): { items: readonly Item[]; places: readonly (ItemPlace | null)[] } {
  const isOwn = (place: ItemPlace): boolean => place.from >= line.span.from && place.to <= line.span.to;
  const own = (place: ItemPlace): ItemPlace | null => (isOwn(place) ? place : null);
  const all = places.every(isOwn) ? places : places.map(own);
  if (!foundation) return { items, places: all };
  const found = items.findIndex((item) => item.kind !== 'colour');
  const at = found < 0 ? items.length : found;
  return {
    items: items.toSpliced(at, 0, foundation.value),
    places: all.toSpliced(at, 0, own({ ...foundation.span, inside: [] })),
  };
}

function lineOf(line: DraftLine, { items, places, stated }: Candidate): RoundLine {
  const { first, last, word, settings, label, span } = line;
  return { first, last, word, items, places, settings, stated, like: null, open: line.reading.open, label, span };
}

/** Where the stitches of a line stand, without its label, remarks and total. */
export function instructionSpan({ items, places, label }: Pick<RoundLine, 'items' | 'places' | 'label'>): Span {
  let from = Number.POSITIVE_INFINITY;
  let to = 0;
  for (let i = 0; i < places.length; i++) {
    const place = places[i];
    if (!place || place.from < label.to || items[i]?.kind === 'remark') continue;
    from = Math.min(from, place.from);
    to = Math.max(to, place.to);
  }
  return from <= to ? { from, to } : label;
}

/** Doubts that are told, as a maker may have learned the other reading; all others only where nothing decides. */
const TOLD: ReadonlySet<Doubt> = new Set(['star-repeat', 'chain', 'in-next', 'last-slip']);
const fitting = ({ problems }: Candidate): boolean => problems === 0;
const NEVER_BOTH: ReadonlySet<Doubt> = new Set(['oval', 'in-next', 'last-slip']);

function twoReadings(
  line: DraftLine,
  chosen: Candidate,
  usual: Candidate,
  rest: readonly Candidate[],
  known: Known,
): ReadingDiagnostic[] {
  const both = (one: Candidate, other: Candidate): Doubt | undefined =>
    [...new Set([...one.other, ...other.other])].find(
      (doubt) => TOLD.has(doubt) && !NEVER_BOTH.has(doubt) && (doubt !== 'chain' || known.rounds.length === 0),
    );
  const took = chosen.other.find((doubt) => TOLD.has(doubt) || (!chosen.stated && fitting(usual)));
  const rival = chosen.stated ? undefined : rest.find((each) => both(chosen, each) !== undefined);
  const other = took !== undefined ? (rest[0] ?? usual) : rival;
  if (!other) return [];
  const doubt = took ?? both(chosen, other)!;
  const tookOther = chosen.other.includes(doubt);
  const fixes = [chosen, other].filter((each) => each.problems === 0).flatMap((each) => writtenOut(line, each, known.terms));
  return [
    {
      code: 'two-readings',
      severity: 'hint',
      span: instructionSpan(lineOf(line, chosen)),
      label: printLabel({ ...line, last: line.first }),
      doubt,
      tookOther,
      makes: chosen.measure.makes,
      otherMakes: other.measure.makes,
      fixes,
    },
  ];
}

/** The way out of a doubt: the round written so that it can only be read in one way. */
function writtenOut(
  line: DraftLine,
  candidate: Candidate,
  terms: Terms,
): { title: string; edits: { from: number; to: number; insert: string }[] }[] {
  const span = instructionSpan(lineOf(line, candidate));
  const own = candidate.items.filter((_item, i) => candidate.places[i] !== null);
  if (own.some((item) => item.kind === 'remark')) return [];
  const insert = printItems(own, { terms, form: 'short' });
  return [{ title: `Write “${insert}” (${candidate.measure.makes})`, edits: [{ from: span.from, to: span.to, insert }] }];
}

/** A group in brackets that does not say how often, where only once fits. */
function repeatMissing(line: DraftLine, chosen: Candidate): ReadingDiagnostic[] {
  if (chosen.other.includes('group-times')) return [];
  return line.reading.pieces.flatMap((piece): ReadingDiagnostic[] =>
    piece.is === 'choice' && piece.doubt === 'group-times'
      ? [{ code: 'repeat-missing', severity: 'warning', span: piece.span }]
      : [],
  );
}
