import type { Item, Part, Pattern, RoundLine, Work } from './pattern.js';
import { STITCHES, type Loop, type Terms } from './stitch.js';

const LOOP_WORDS: Readonly<Record<Exclude<Loop, 'both'>, string>> = { back: 'BLO', front: 'FLO' };

/**
 * Prints a pattern in the one clear form, in the terms asked for (the pattern's own by default).
 * Reading the result gives the same pattern again, places apart.
 */
export function print(pattern: Pattern, terms: Terms = pattern.terms): string {
  const head = [`# ${pattern.title}`, `${terms} terms`, ...pattern.notes.map((note) => note.text)];
  return [head.join('\n'), ...pattern.parts.map((part) => printPart(part, terms))].join('\n\n') + '\n';
}

function printPart(part: Part, terms: Terms): string {
  const lines = [part.copies > 1 ? `## ${part.name} (make ${part.copies})` : `## ${part.name}`];
  const notesBefore = (index: number): string[] => part.notes.filter((note) => note.before === index).map((note) => note.text);
  part.lines.forEach((line, index) => lines.push(...notesBefore(index), printRoundLine(line, terms)));
  return [...lines, ...notesBefore(part.lines.length)].join('\n');
}

/** The whole line: "R6–R12: sc around (30)". */
export function printRoundLine(line: RoundLine, terms: Terms = 'US'): string {
  const label = printLabel(line);
  const stated = line.stated ? ` (${line.stated.count})` : '';
  const { before, after } = splitRemarks(line.items);
  return `${label}: ${printItems(before, terms)}${stated}${after.map((text) => `. ${text}`).join('')}`;
}

/** "R6" or "R6–R12"; "Row 6" or "Rows 6–12". */
export function printLabel({ first, last, word }: Pick<RoundLine, 'first' | 'last' | 'word'>): string {
  if (word === 'row') return first === last ? `Row ${first}` : `Rows ${first}–${last}`;
  return first === last ? `R${first}` : `R${first}–R${last}`;
}

/** The instruction alone, without label, remarks and total: "(3 sc, inc) × 6". */
export function printInstruction(line: RoundLine, terms: Terms = 'US'): string {
  return printItems(splitRemarks(line.items).before, terms);
}

function splitRemarks(items: readonly Item[]): { before: readonly Item[]; after: readonly string[] } {
  let end = items.length;
  while (end > 0 && items[end - 1]!.kind === 'remark') end--;
  return { before: items.slice(0, end), after: items.slice(end).map((item) => (item.kind === 'remark' ? item.text : '')) };
}

export function printItems(items: readonly Item[], terms: Terms = 'US'): string {
  const loop = commonLoop(items);
  const print = (item: Item, index: number): string =>
    item.kind === 'colour' && index === 0 ? `with ${item.name}` : printItem(item, terms, loop !== 'both');
  const body = items.map(print).join(', ');
  return loop === 'both' ? body : `in ${LOOP_WORDS[loop]}, ${body}`;
}

/** One item as people write it; `quietLoop` leaves out loop words that were said for the whole round. */
export function printItem(item: Item, terms: Terms = 'US', quietLoop = false): string {
  switch (item.kind) {
    case 'work':
      return printWork(item, terms) + (item.loop === 'both' || quietLoop ? '' : ` ${LOOP_WORDS[item.loop]}`);
    case 'group': {
      const inner = item.items.map((each) => printItem(each, terms, quietLoop)).join(', ');
      return item.times === 'around' ? `(${inner}) around` : `(${inner}) × ${item.times}`;
    }
    case 'start': {
      const stitches = `${item.count} ${STITCHES[item.stitch][terms].abbreviation}`;
      return item.from === 'ring' ? `${stitches} in ring` : `ch 2, ${stitches} in 2nd ch from hook`;
    }
    case 'colour':
      return `change to ${item.name}`;
    case 'remark':
      return item.text;
  }
}

function printWork(work: Work, terms: Terms): string {
  const name = STITCHES[work.stitch][terms].abbreviation;
  if (work.per > 2) {
    const into = work.count === 'around' ? 'each st around' : work.count === 1 ? 'next st' : `each of next ${work.count} sts`;
    return `${work.per} ${name} in ${into}`;
  }
  if (work.per === 2) return counted(work.stitch === 'sc' ? 'inc' : `${name} inc`, work);
  if (work.together > 1) {
    const plain = work.school === 'plain' || work.together > 2;
    const dec = plain
      ? `${name}${work.together}tog`
      : work.school === 'invisible'
        ? 'invdec'
        : work.stitch === 'sc'
          ? 'dec'
          : `${name} dec`;
    return counted(dec, work);
  }
  if (work.count === 'around') return `${name} around`;
  return `${work.count} ${name}`;
}

function counted(name: string, { count }: Work): string {
  return count === 'around' ? `${name} around` : count === 1 ? name : `${name} × ${count}`;
}

/** The loop all stitches share, or 'both' when they differ or there are none. */
function commonLoop(items: readonly Item[]): Loop {
  const loops = new Set<Loop>();
  const collect = (item: Item): void => {
    if (item.kind === 'work') loops.add(item.loop);
    else if (item.kind === 'group') item.items.forEach(collect);
  };
  items.forEach(collect);
  return loops.size === 1 ? [...loops][0]! : 'both';
}
