import {
  measureRound,
  printItem,
  worksIn,
  type Fix,
  type Group,
  type Item,
  type PrintStyle,
  type RoundLine,
  type Span,
  type TextEdit,
  type Work,
} from '../notation/index.js';

const MOST_WAYS = 3;

/** A line with one item changed or added, and the edit that does it. */
interface Way {
  readonly title: string;
  readonly items: readonly Item[];
  readonly edit: TextEdit;
  /** Whether it is only likely where it makes what is stated. */
  readonly onlyStated?: boolean;
}

interface Editable {
  readonly item: Item;
  readonly place: Span;
  /** Index in the line's items. */
  readonly at: number;
}

/** Edits are only offered to words that stand in the line itself. */
function editable({ items, places, label }: RoundLine): readonly Editable[] {
  return items.flatMap((item, at) => {
    const place = places[at];
    return place && place.from >= label.to ? [{ item, place, at }] : [];
  });
}

/** A round of more items is no slip of one of them. */
const MOST_ITEMS = 200;

/**
 * Ways out of a round that does not use what is there: repeats more or fewer, a longer or shorter plain run, an increase for
 * a decrease or the other way about, stitches added at the end. Each uses exactly what there is; where its count is not the
 * stated one, it brings the total along, so that none leaves an error behind. The likeliest come first.
 * @param available stitches there are to work over
 */
export function waysOut(line: RoundLine, available: number, style: PrintStyle): Fix[] {
  if (line.like || line.open || line.items.length > MOST_ITEMS) return [];
  const own = editable(line).filter(({ item: { kind } }) => kind === 'work' || kind === 'group' || kind === 'cluster');
  const ways = [
    ...own.flatMap((each) => repeats(line, each, available, style)),
    ...own.flatMap((each) => plainRuns(line, each, available, style)),
    ...own.flatMap((each) => swapped(line, each, style)),
    ...added(line, own, available, style),
  ];
  const stated = line.stated?.count ?? null;
  const fitting = ways.flatMap((way) => {
    const { uses, makes } = measureRound(way.items, available);
    const steady = line.first === line.last || makes === available;
    const wanted = !way.onlyStated || makes === stated;
    return uses === available && makes > 0 && steady && wanted ? [{ way, makes }] : [];
  });
  return fitting
    .sort((a, b) => Number(b.makes === stated) - Number(a.makes === stated))
    .slice(0, MOST_WAYS)
    .map(({ way, makes }) => ({ title: `${way.title} (${makes})`, edits: [way.edit, ...newTotal(line, makes)] }));
}

/** The total brought along where it would not fit any more. */
function newTotal({ stated }: RoundLine, makes: number): TextEdit[] {
  if (!stated || stated.count === makes) return [];
  return [{ from: stated.span.from, to: stated.span.to, insert: `(${makes})` }];
}

function rewritten(line: RoundLine, { place, at }: Editable, next: Item, style: PrintStyle): Way {
  const written = printItem(next, style);
  return {
    title: `Write “${written}”`,
    items: line.items.with(at, next),
    edit: { from: place.from, to: place.to, insert: written },
  };
}

/** How many of `items` go where the rest of the line leaves off; null where it is no whole number. */
function left(line: RoundLine, at: number, available: number): number {
  return available - measureRound(line.items.toSpliced(at, 1), available).uses;
}

/** One repeat more, or fewer. */
function repeats(line: RoundLine, each: Editable, available: number, style: PrintStyle): Way[] {
  const { item, at } = each;
  if (item.kind !== 'group' || typeof item.times !== 'number') return [];
  const times = left(line, at, available) / measureRound([{ ...item, times: 1 }], 0).uses;
  if (!Number.isInteger(times) || times < 1 || times === item.times || times > 2 * item.times) return [];
  return [rewritten(line, each, { ...item, times }, style)];
}

/** A plain run of another length: "(3 sc, inc) × 6" over 18 is "(2 sc, inc) × 6". */
function plainRuns(line: RoundLine, each: Editable, available: number, style: PrintStyle): Way[] {
  const { item, at } = each;
  const room = left(line, at, available);
  if (item.kind === 'work') {
    const fits = isPlain(item) && room > 0 && room < Number(item.count);
    return fits ? [rewritten(line, each, { ...item, count: room }, style)] : [];
  }
  if (item.kind !== 'group' || typeof item.times !== 'number' || room % item.times !== 0) return [];
  const { times, items } = item;
  const runs = items.filter((inner) => inner.kind === 'work' && isPlain(inner));
  if (runs.length !== 1) return [];
  const run = items.indexOf(runs[0]!);
  const count = room / times - measureRound(items.toSpliced(run, 1), 0).uses;
  if (count < 1 || count === (items[run] as Work).count) return [];
  const next: Group = { ...item, items: items.with(run, { ...(items[run] as Work), count }) };
  return [rewritten(line, each, next, style)];
}

function isPlain(work: Work): boolean {
  return work.per === 1 && work.together === 1 && typeof work.count === 'number';
}

/** An increase written for a decrease, or the other way about. */
function swapped(line: RoundLine, each: Editable, style: PrintStyle): Way[] {
  const turn = (item: Item): Item => {
    if (item.kind === 'group') return { ...item, items: item.items.map(turn) };
    if (item.kind !== 'work' || item.per > 2 || item.together > 2 || item.per === item.together) return item;
    return { ...item, per: item.together, together: item.per, school: 'open' };
  };
  const changes = worksIn([each.item]).some(({ per, together }) => per !== together);
  return changes ? [{ ...rewritten(line, each, turn(each.item), style), onlyStated: true }] : [];
}

/** A decrease more, or plain stitches, at the end; a plain run that ends the round grows. */
function added(line: RoundLine, own: readonly Editable[], available: number, style: PrintStyle): Way[] {
  const last = own.at(-1);
  const over = available - measureRound(line.items, available).uses;
  if (!last || over <= 0) return [];
  const works = worksIn(own.map(({ item }) => item));
  const decrease = works.findLast((work) => work.together > 1);
  const plain = works.findLast((work) => work.per === 1 && work.together === 1) ?? works.at(-1);
  const ways: Way[] = [];
  if (decrease && over % decrease.together === 0)
    ways.push(appended(line, last, { ...decrease, count: over / decrease.together }, style));
  if (!plain) return ways;
  const work: Work = { ...plain, per: 1, together: 1, school: 'open', count: over };
  const same =
    last.item.kind === 'work' && isPlain(last.item) && last.item.stitch === work.stitch && last.item.loop === work.loop;
  if (same) ways.push(rewritten(line, last, { ...work, count: Number(last.item.count) + over }, style));
  else ways.push(appended(line, last, work, style));
  return ways;
}

function appended(line: RoundLine, last: Editable, work: Work, style: PrintStyle): Way {
  const written = printItem(work, style);
  return {
    title: `Add “${written}”`,
    items: line.items.toSpliced(last.at + 1, 0, work),
    edit: { from: last.place.to, to: last.place.to, insert: `, ${written}` },
  };
}
