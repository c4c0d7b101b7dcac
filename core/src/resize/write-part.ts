import type { PartCount } from '../fabric/index.js';
import {
  printItem,
  printRoundLine,
  type Item,
  type PrintStyle,
  type RoundLine,
  type Span,
  type Stated,
  type TextEdit,
} from '../notation/index.js';
import { coreOf, type NewRound } from './rounds.js';

/** A line of a part as it is written anew. */
interface NewLine {
  readonly first: number;
  readonly last: number;
  readonly core: readonly Item[];
  readonly makes: number;
  readonly kept: boolean;
}

/**
 * Edits that write the rounds of a part anew, line by line, and leave all other words alone. A line that comes out as it
 * was is left as it is written.
 *
 * @param words remarks inside rounds, as they read now
 * @returns null where its lines cannot be told from one another, so that the part is to be written whole
 */
export function editsOfPart(
  text: string,
  counted: PartCount,
  rounds: readonly NewRound[],
  style: PrintStyle,
  words: (item: Item) => Item,
): readonly TextEdit[] | null {
  const { part } = counted;
  const starts = new Set(part.lines.map(({ span }) => span.from));
  if (starts.size < part.lines.length) return null;
  if (part.lines.some(beginsBefore)) return null;
  return part.lines.flatMap((line, index): TextEdit[] => {
    const own = rounds.map((round, k) => ({ ...round, k })).filter(({ source }) => counted.rounds[source]!.line === index);
    const written = linesOf(own, counted.rounds[0]!.number);
    if (isSame(line, written, words)) return [];
    const insert = written.map((each, i) => printed(line, each, i === 0, i === written.length - 1, style, words)).join('\n');
    return [written.length > 0 ? { from: line.span.from, to: line.span.to, insert } : { ...wholeLine(text, line.span), insert }];
  });
}

/** Whether what a round begins on stands in a line before it. */
const beginsBefore = ({ items, places, settings }: RoundLine): boolean =>
  items.some((item, i) => {
    if (item.kind === 'foundation') return places[i] === null;
    return item.kind === 'start' && item.from === 'chain ring' && settings.length > 0;
  });

/** A line with its break, for one that goes. */
function wholeLine(text: string, { from, to }: Span): Span {
  const end = text.indexOf('\n', to);
  return end >= 0 && text.slice(to, end).trim() === '' ? { from, to: end + 1 } : { from, to };
}

/** A part's rounds as lines of text, for one that is written whole. */
export function linesOfPart(
  counted: PartCount,
  rounds: readonly NewRound[],
  style: PrintStyle,
  words: (item: Item) => Item,
): readonly (readonly string[])[] {
  return counted.part.lines.map((line, index) => {
    const own = rounds.map((round, k) => ({ ...round, k })).filter(({ source }) => counted.rounds[source]!.line === index);
    const written = linesOf(own, counted.rounds[0]!.number);
    const whole = { ...line, places: [] };
    return written.map((each, i) => printed(whole, each, i === 0, i === written.length - 1, style, words));
  });
}

function linesOf(rounds: readonly (NewRound & { readonly k: number })[], first: number): readonly NewLine[] {
  const lines: NewLine[] = [];
  for (const { k, items, makes, kept } of rounds) {
    const before = lines.at(-1);
    if (before?.makes === makes && same(before.core, items))
      lines[lines.length - 1] = { ...before, last: first + k, kept: before.kept && kept };
    else lines.push({ first: first + k, last: first + k, core: items, makes, kept });
  }
  return lines;
}

const same = (a: readonly Item[], b: readonly Item[]): boolean => JSON.stringify(a) === JSON.stringify(b);

function isSame(line: RoundLine, written: readonly NewLine[], words: (item: Item) => Item): boolean {
  const [only, ...more] = written;
  if (!only || more.length > 0 || !only.kept || only.first !== line.first || only.last !== line.last) return false;
  return line.items.every((item) => item.kind !== 'remark' || words(item) === item || same([words(item)], [item]));
}

function printed(
  line: RoundLine,
  { first, last, core, makes }: NewLine,
  isFirst: boolean,
  isLast: boolean,
  style: PrintStyle,
  words: (item: Item) => Item,
): string {
  const said = line.items.filter((_, i) => line.places.length === 0 || line.places[i] !== null || line.like !== null);
  const { lead, tail } = coreOf(said);
  const end = isLast ? tail : [];
  const inside = isBeforeTotal(line, end[0]);
  const items = [...(isFirst ? lead : []), ...core, ...(inside ? end : [])].map(words);
  const stated: Stated | null = line.stated && { ...line.stated, count: makes };
  const after = inside ? [] : end.map(words);
  const round = printRoundLine({ ...line, first, last, items, stated, like: null, places: [] }, style);
  return [round, ...after.map((item) => sentence(item, style))].join('. ');
}

/** Whether an item stands before the total of its line, as in "sc around, change to white (48)". */
function isBeforeTotal({ items, places, stated }: RoundLine, item: Item | undefined): boolean {
  const place = item && places[items.indexOf(item)];
  return stated !== null && place !== undefined && place !== null && place.from < stated.span.from;
}

/** What stands behind a round's total. */
function sentence(item: Item, style: PrintStyle): string {
  const words = printItem(item, style);
  return item.kind === 'colour' ? words.charAt(0).toUpperCase() + words.slice(1) : words;
}
