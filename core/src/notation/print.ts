import { printMaking } from './making-up/print-placing.js';
import { MAKING_UP_HEADING } from './making-up/section.js';
import { loopsIn, middleOf, works } from './items.js';
import type { Chain, Cluster, Foundation, Item, Part, PartRef, Pattern, RoundLine, Spur, Start, Times, Work } from './pattern.js';
import { STITCHES, type Loop, type StitchName, type Terms } from './stitch.js';

/** Abbreviated ("3 sc, inc") or with whole words ("3 single crochets, increase"). */
export type Form = 'short' | 'long';

export interface PrintStyle {
  readonly terms: Terms;
  readonly form: Form;
  /** Whether a row is meant, which is worked across and not around. */
  readonly across?: boolean;
}

const SHORT_US: PrintStyle = { terms: 'US', form: 'short' };

const LOOP_WORDS: Readonly<Record<Exclude<Loop, 'both'>, Readonly<Record<Form, string>>>> = {
  back: { short: 'BLO', long: 'back loops only' },
  front: { short: 'FLO', long: 'front loops only' },
};

/**
 * Prints a pattern in the one clear form, in the terms asked for (the pattern's own by default).
 * Reading the result gives the same pattern again, places apart.
 */
export function print(pattern: Pattern, terms: Terms = pattern.terms, form: Form = 'short'): string {
  const style = { terms, form };
  const head = [`# ${pattern.title}`, `${terms} terms`, ...pattern.notes.map((note) => note.text)];
  const makingUp = pattern.makingUp.map((line) => printMaking(line, form));
  const last = makingUp.length === 0 ? [] : [[`## ${MAKING_UP_HEADING}`, ...makingUp].join('\n')];
  return [head.join('\n'), ...pattern.parts.map((part) => printPart(part, style)), ...last].join('\n\n') + '\n';
}

function printPart(part: Part, style: PrintStyle): string {
  const lines = [part.copiesSaid ? `## ${part.name} (make ${part.copies})` : `## ${part.name}`];
  const notesBefore = (index: number): string[] => part.notes.filter((note) => note.before === index).map((note) => note.text);
  part.lines.forEach((line, index) => lines.push(...notesBefore(index), printRoundLine(line, style)));
  return [...lines, ...notesBefore(part.lines.length)].join('\n');
}

/** The whole line: "R6–R12: sc around (30)". */
export function printRoundLine(line: RoundLine, style: PrintStyle = SHORT_US): string {
  const stated = line.stated ? ` (${line.stated.count}${style.form === 'long' ? ' stitches' : ''})` : '';
  const { before, after } = splitRemarks(line.items);
  const label = style.form === 'long' ? printLongLabel(line) : printLabel(line);
  return `${label}: ${printLine(line, before, style)}${stated}${after.map((text) => `. ${text}`).join('')}`;
}

/** "R6" or "R6–R12"; "Row 6" or "Rows 6–12". */
export function printLabel({ first, last, word }: Pick<RoundLine, 'first' | 'last' | 'word'>): string {
  if (word === 'row') return first === last ? `Row ${first}` : `Rows ${first}–${last}`;
  return first === last ? `R${first}` : `R${first}–R${last}`;
}

function printLongLabel({ first, last, word }: RoundLine): string {
  const name = word === 'row' ? 'Row' : 'Round';
  return first === last ? `${name} ${first}` : `${name}s ${first} to ${last}`;
}

/** The instruction alone, without label, remarks and total: "(3 sc, inc) × 6". */
export function printInstruction(line: RoundLine, style: PrintStyle = SHORT_US): string {
  return printLine(line, splitRemarks(line.items).before, style);
}

function printLine(line: RoundLine, items: readonly Item[], { terms, form }: PrintStyle): string {
  const style = { terms, form, across: line.word === 'row' };
  const words: string[] = [];
  if (line.like) {
    const own = items.slice(Math.max(0, line.items.length - line.like.own));
    const named = `same as R${line.like.round}${line.like.part ? ` of ${line.like.part.name}` : ''}`;
    words.push([named, ...own.map((item) => printItem(item, style))].join(', '));
  } else words.push(printItems(items, style));
  if (line.open)
    words.push(line.open.mm === null ? 'as long as you like' : `until ${Number((line.open.mm / 10).toFixed(2))} cm long`);
  return words.filter((each) => each !== '').join(' ');
}

function splitRemarks(items: readonly Item[]): { before: readonly Item[]; after: readonly string[] } {
  let end = items.length;
  while (end > 0 && items[end - 1]!.kind === 'remark') end--;
  return { before: items.slice(0, end), after: items.slice(end).map((item) => (item.kind === 'remark' ? item.text : '')) };
}

/** Words after a line's instruction, which change no count. */
export function remarksAfter({ items }: Pick<RoundLine, 'items'>): readonly string[] {
  return splitRemarks(items).after;
}

export function printItems(items: readonly Item[], style: PrintStyle = SHORT_US): string {
  const loop = commonLoop(items);
  const first = items.findIndex((item) => item.kind === 'foundation') + 1;
  const [begin, end] = middleOf(items);
  const several = items.filter(works).length > 1;
  const words = items.map((item, index) => {
    if (item.kind === 'colour' && index === 0) return `with ${item.name}`;
    if (item.kind === 'chain') {
      const usual = index > begin && index < end ? item.count : 0;
      return item.counts === usual ? printItem(item, style) : `${printItem(item, style)} (${printCounted(item)})`;
    }
    const lone = item.kind === 'work' && item.count === 1 && (item.per === 2 || item.together > 1) && !several;
    // "inc" alone is an increase all round.
    return `${lone ? '1 ' : ''}${printItem(item, style, loop !== 'both')}`;
  });
  if (loop !== 'both') words.splice(first, 0, `in ${LOOP_WORDS[loop][style.form]}`);
  return words.join(', ');
}

/** One item as people write it; `quietLoop` leaves out loop words that were said for the whole round. */
export function printItem(item: Item, style: PrintStyle = SHORT_US, quietLoop = false): string {
  switch (item.kind) {
    case 'work': {
      const through = item.through === null ? '' : ` through ${item.through.name}`;
      return printWork(item, style) + printLoop(item.loop, style, quietLoop) + through;
    }
    case 'cluster':
      return printCluster(item, style) + printLoop(item.loop, style, quietLoop);
    case 'group': {
      const inner = item.items
        .map(
          (each) =>
            printItem(each, style, quietLoop) +
            (each.kind === 'chain' && each.counts !== each.count ? ` (${printCounted(each)})` : ''),
        )
        .join(', ');
      return `(${inner}) ${printTimes(item.times, style)}`;
    }
    case 'start':
      return printStart(item, style);
    case 'foundation':
      return printFoundation(item);
    case 'spur':
      return printSpur(item, style);
    case 'chain':
      return style.form === 'long' ? `chain ${item.count}` : `ch ${item.count}`;
    case 'skip':
      return style.form === 'long' ? `skip ${item.count}` : `sk ${item.count}`;
    case 'close':
      return item.how === 'turn'
        ? 'turn'
        : style.form === 'long'
          ? 'join with slip stitch'
          : `join with ${STITCHES['sl st'][style.terms].abbreviation}`;
    case 'colour':
      return `change to ${item.name}`;
    case 'remark':
      return item.text;
  }
}

function printLoop(loop: Loop, { form }: PrintStyle, quiet: boolean): string {
  return loop === 'both' || quiet ? '' : form === 'long' ? ` in ${LOOP_WORDS[loop].long}` : ` ${LOOP_WORDS[loop].short}`;
}

function printTimes(times: Times, style: PrintStyle): string {
  if (times === 'around') return style.across ? 'across' : 'around';
  if (typeof times === 'object') return `to last ${printStitches(times.toLast, style)}`;
  return style.form === 'long' ? `${times} times` : `× ${times}`;
}

function printStitches(count: number, { form }: PrintStyle): string {
  return `${count} ${form === 'long' ? (count === 1 ? 'stitch' : 'stitches') : count === 1 ? 'st' : 'sts'}`;
}

function printStart(start: Start, style: PrintStyle): string {
  const stitches = `${start.count} ${stitchWord(start.stitch, start.count, style)}`;
  const chain =
    start.chain === 'none' ? '' : `${style.form === 'long' ? 'chain' : 'ch'} 1${start.chain === 'counted' ? ' (counted)' : ''}, `;
  if (start.from === 'chain ring') {
    const chains = style.form === 'long' ? `chain ${start.chains}` : `ch ${start.chains}`;
    return `${chains}, join to form a ring, ${chain}${stitches} in ring`;
  }
  if (start.from === 'ring') return `${chain}${stitches} in ring`;
  return style.form === 'long' ? `chain 2, ${stitches} in second chain from hook` : `ch 2, ${stitches} in 2nd ch from hook`;
}

const ORDINALS = ['', '1st', '2nd', '3rd', '4th', '5th'];

const namesOf = (parts: readonly PartRef[]): string => parts.map(({ name }) => name).join(' and ');

function printFoundation(foundation: Foundation): string {
  switch (foundation.from) {
    case 'chain': {
      const where = foundation.first === 2 ? '' : `, starting in ${ORDINALS[foundation.first] ?? '5th'} ch from hook`;
      return `ch ${foundation.chains}${where}${foundation.sides === 2 ? ', along both sides' : ''}`;
    }
    case 'bridge':
      return `join ${namesOf(foundation.parts)}${foundation.chains > 0 ? ` with ch ${foundation.chains}` : ''}`;
    case 'loops':
      return `in ${foundation.loop} loops of R${foundation.round}${foundation.part ? ` of ${foundation.part.name}` : ''}`;
    case 'edge':
      return `pick up along the edge${foundation.part ? ` of ${foundation.part.name}` : ''}`;
    case 'layers':
      return `through both layers${foundation.parts.length > 0 ? ` of ${namesOf(foundation.parts)}` : ''}`;
  }
}

function stitchWord(stitch: StitchName, count: number, { terms, form }: PrintStyle): string {
  const words = STITCHES[stitch][terms];
  return form === 'long' ? words.full[count === 1 ? 0 : 1] : words.abbreviation;
}

function printInto(count: Times, style: PrintStyle): string {
  if (count === 'around') return `each st ${style.across ? 'across' : 'around'}`;
  if (typeof count === 'object') return `each st to last ${printStitches(count.toLast, style)}`;
  return count === 1 ? 'next st' : `each of next ${count} sts`;
}

function printWork(work: Work, style: PrintStyle): string {
  const { terms, form } = style;
  const name = stitchWord(work.stitch, 1, style);
  if (work.per > 2) {
    if (typeof work.count === 'object')
      return `${work.per} ${stitchWord(work.stitch, work.per, style)} ${printTimes(work.count, style)}`;
    return `${work.per} ${stitchWord(work.stitch, work.per, style)} in ${printInto(work.count, style)}`;
  }
  if (work.per === 2) {
    const inc = form === 'long' ? 'increase' : 'inc';
    return counted(work.stitch === 'sc' ? inc : `${name} ${inc}`, work.count, style);
  }
  if (work.together > 1) return counted(decreaseWord(work, style), work.count, style);
  if (typeof work.count !== 'number') return `${name} ${printTimes(work.count, style)}`;
  return `${work.count} ${form === 'long' ? stitchWord(work.stitch, work.count, style) : STITCHES[work.stitch][terms].abbreviation}`;
}

function decreaseWord(work: Work, style: PrintStyle): string {
  const name = stitchWord(work.stitch, 1, style);
  const long = style.form === 'long';
  if (work.school === 'plain' || work.together > 2)
    return long ? `${name} ${work.together} together` : `${name}${work.together}tog`;
  const dec = long ? 'decrease' : 'dec';
  if (work.school === 'invisible') {
    if (work.stitch === 'sc') return long ? 'invisible decrease' : 'invdec';
    return `invisible ${name} ${dec}`;
  }
  return work.stitch === 'sc' ? dec : `${name} ${dec}`;
}

function counted(name: string, count: Times, style: PrintStyle): string {
  return count === 1 ? name : `${name} ${printTimes(count, style)}`;
}

function printCluster(cluster: Cluster, style: PrintStyle): string {
  const inner = cluster.stitches.map(({ stitch, count }) => {
    if (stitch === 'ch') return `${style.form === 'long' ? 'chain' : 'ch'} ${count}`;
    return `${count} ${stitchWord(stitch, count, style)}`;
  });
  return `(${inner.join(', ')}) in ${printInto(cluster.count, style)}`;
}

/** The loop all stitches share, or 'both' when they differ or there are none. */
function commonLoop(items: readonly Item[]): Loop {
  const loops = loopsIn(items);
  return loops.size === 1 ? [...loops][0]! : 'both';
}

function printCounted({ count, counts }: Chain): string {
  if (counts === 0) return 'not counted';
  return counts === count ? 'counted' : 'counts as one st';
}

/** "ch 7, sl st in 2nd ch from hook, 5 sl st" */
function printSpur({ chains, first, stitches }: Spur, style: PrintStyle): string {
  const [base, ...rest] = stitches;
  const chain = style.form === 'long' ? `chain ${chains}` : `ch ${chains}`;
  if (!base) return chain;
  const before = base.count > 1 ? `${base.count} ` : '';
  const into = `${before}${stitchWord(base.stitch, base.count, style)} in ${ORDINALS[first] ?? `${first}th`} ch from hook`;
  return [chain, into, ...rest.map(({ stitch, count }) => `${count} ${stitchWord(stitch, count, style)}`)].join(', ');
}
