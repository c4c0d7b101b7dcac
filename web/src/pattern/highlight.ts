import type { PatternCount } from '@lemniscus/core/fabric';
import type { Item, ItemPlace, Span } from '@lemniscus/core/notation';

/** A stretch of the text and what it is, as a class name. */
export interface Highlight {
  readonly from: number;
  readonly to: number;
  readonly is: 'title' | 'label' | 'increase' | 'decrease' | 'place' | 'colour' | 'total' | 'remark' | 'note';
  /** The colour's name, for its dot. */
  readonly colour?: string;
}

/** What every word of a pattern was read as, in text order, without overlaps. */
export function highlightsOf({ pattern }: PatternCount): Highlight[] {
  const all: Highlight[] = [];
  const add = (is: Highlight['is'], { from, to }: { from: number; to: number }): void => {
    if (to > from) all.push({ is, from, to });
  };
  for (const note of pattern.notes) add('note', note.span);
  if (pattern.makingUpHeading) add('title', pattern.makingUpHeading);
  for (const { placing, text, span } of pattern.makingUp) {
    const colon = placing ? text.indexOf(':') : -1;
    if (colon > 0) add('label', { from: span.from, to: span.from + colon });
    add(placing ? 'place' : 'note', { from: colon > 0 ? span.from + colon + 1 : span.from, to: span.to });
  }
  for (const part of pattern.parts) {
    if (part.heading.to <= (part.lines[0]?.span.from ?? Number.POSITIVE_INFINITY)) add('title', part.heading);
    for (const note of part.notes) add('note', note.span);
    for (const line of part.lines) {
      add('label', line.label);
      line.settings.forEach((span, i) => addSetting(all, span, line.items[i]));
      line.items.forEach((item, i) => addItem(all, item, line.places[i] ?? null));
      if (line.stated) add('total', line.stated.span);
    }
  }
  all.sort((a, b) => a.from - b.from || b.to - a.to);
  let end = -1;
  return all.filter(({ from, to }) => from >= end && (end = to) >= 0);
}

/** A line before a round that only sets its colour, or the chain it is worked over; they come first among its items. */
function addSetting(all: Highlight[], { from, to }: Span, item: Item | undefined): void {
  if (item?.kind === 'colour') all.push({ is: 'colour', from, to, colour: item.name });
  else if (item?.kind === 'foundation') all.push({ is: 'place', from, to });
}

/** Items that stand in other lines are shown there. */
function addItem(all: Highlight[], item: Item, place: ItemPlace | null): void {
  if (!place || place.to <= place.from) return;
  const { from, to } = place;
  if (item.kind === 'group') item.items.forEach((each, i) => addItem(all, each, place.inside[i] ?? null));
  else if (item.kind === 'work') {
    if (item.per > 1) all.push({ is: 'increase', from, to });
    else if (item.together > 1) all.push({ is: 'decrease', from, to });
  } else if (item.kind === 'cluster') all.push({ is: 'increase', from, to });
  else if (item.kind === 'colour') all.push({ is: 'colour', from, to, colour: item.name });
  else if (item.kind === 'foundation') all.push({ is: 'place', from, to });
  else if (item.kind === 'remark') all.push({ is: 'remark', from, to });
}
