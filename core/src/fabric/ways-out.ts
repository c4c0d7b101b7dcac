import {
  measureItems,
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

interface Way extends Fix {
  readonly makes: number;
}

interface Editable {
  readonly item: Item;
  readonly place: Span;
}

/** Edits are only offered to words that stand in the line itself. */
function editable({ items, places, label }: RoundLine): readonly Editable[] {
  return items.flatMap((item, i) => {
    const place = places[i];
    return place && place.from >= label.to ? [{ item, place }] : [];
  });
}

function best(ways: readonly Way[], stated: number | null): Fix[] {
  return [...ways]
    .sort((a, b) => Number(b.makes === stated) - Number(a.makes === stated))
    .slice(0, MOST_WAYS)
    .map(({ title, edits }) => ({ title, edits }));
}

function rewritten({ from, to }: Span, next: Group | Work, style: PrintStyle): TextEdit[] {
  return [{ from, to, insert: printItem(next, style) }];
}

/** What would use up `over` stitches that a round leaves: one repeat more, a decrease more, or plain stitches. */
export function usingUp(line: RoundLine, over: number, makes: number, stated: number | null, style: PrintStyle): Fix[] {
  const items = editable(line).filter(({ item: { kind } }) => kind === 'work' || kind === 'group' || kind === 'cluster');
  const last = items.at(-1);
  if (!last) return [];
  const ways: Way[] = [];
  const append = (work: Work, count: number, makesMore: number): void => {
    const written = printItem({ ...work, count }, style);
    ways.push({
      title: `Add “${written}” (${makes + makesMore})`,
      edits: [{ from: last.place.to, to: last.place.to, insert: `, ${written}` }],
      makes: makes + makesMore,
    });
  };
  for (const { item, place } of items) {
    if (item.kind !== 'group' || typeof item.times !== 'number') continue;
    const once = measureItems(item.items);
    const more = over / once.uses;
    if (!Number.isInteger(more) || more > item.times) continue;
    const next = { ...item, times: item.times + more };
    const total = makes + more * once.makes;
    ways.push({ title: `Write “${printItem(next, style)}” (${total})`, edits: rewritten(place, next, style), makes: total });
  }
  const works = worksIn(items.map(({ item }) => item));
  const decrease = works.findLast((work) => work.together > 1);
  if (decrease && over % decrease.together === 0) append(decrease, over / decrease.together, over / decrease.together);
  const plain = works.findLast((work) => work.per === 1 && work.together === 1) ?? works.at(-1);
  if (plain) append({ ...plain, per: 1, together: 1, school: 'open' }, over, over);
  return best(ways, stated);
}

/** What would take `over` stitches out of a round that needs too many: fewer repeats, or a shorter plain run. */
export function usingLess(line: RoundLine, over: number, makes: number, stated: number | null, style: PrintStyle): Fix[] {
  const ways: Way[] = [];
  for (const { item, place } of editable(line)) {
    if (item.kind === 'group' && typeof item.times === 'number') {
      const once = measureItems(item.items);
      const fewer = over / once.uses;
      if (!Number.isInteger(fewer) || fewer >= item.times) continue;
      const next = { ...item, times: item.times - fewer };
      const total = makes - fewer * once.makes;
      ways.push({ title: `Write “${printItem(next, style)}” (${total})`, edits: rewritten(place, next, style), makes: total });
    } else if (item.kind === 'work' && item.together === 1 && typeof item.count === 'number' && item.count > over) {
      const next = { ...item, count: item.count - over };
      const total = makes - over * item.per;
      ways.push({ title: `Write “${printItem(next, style)}” (${total})`, edits: rewritten(place, next, style), makes: total });
    }
  }
  return best(ways, stated);
}
