import { BOUNDS } from '../bounds/index.js';
import type { Doubt, Fix, ReadingDiagnostic } from './diagnostic.js';
import { counted } from './plural.js';
import type { Span } from './span.js';
import type { Terms } from './stitch.js';

type Finding<Code extends ReadingDiagnostic['code']> = Extract<ReadingDiagnostic, { code: Code }>;

/** The usual way to read each doubt, and the other. */
const READINGS: Readonly<Record<Doubt, readonly [string, string]>> = {
  'star-repeat': ['the number is how often in all', 'the number is how often more'],
  chain: ['the chain does not count as a stitch here', 'the chain counts as a stitch'],
  'to-last': ['so many stitches are left over', 'it is worked all round and ends on so many'],
  'in-next': ['one stitch in each', 'all in every one'],
  'last-slip': ['the slip stitch is one of the round', 'the slip stitch closes the round and does not count'],
  oval: ['one side of the chain is worked', 'both sides of the chain are worked'],
  bare: ['the stitch is worked all round', 'the stitch is worked once'],
  'times-of': ['the number is for the last stitch alone', 'the number is for all that stands before it'],
  again: ['the stitches are worked once', 'the stitches are worked over and over'],
  'group-times': ['the group is worked once', 'the group is worked all round'],
  'last-total': ['the last number is stitches', 'the last number is the total'],
  'chain-place': ['the chain stands beside the first stitch', 'the chain takes the place of the first stitch'],
  'each-number': ['so many in every stitch', 'so many in all, one in each'],
  'two-words': ['both words are one stitch', 'they are two, one after the other'],
  'every-decrease': [
    'each decrease ends in the stitch that is counted to',
    'each decrease begins in the stitch that is counted to',
  ],
  'first-total': ['the first number is stitches', 'the first number is the total'],
  'words-apart': ['both words are stitches, one after the other', 'both words are one stitch'],
  'inc-number': ['so many increases', 'so many stitches in one'],
};

const BASE: Readonly<Record<Terms, string>> = { US: 'double crochet', UK: 'single crochet (US terms)' };

/** The sentence of each finding: what is wrong and, where it helps, what to do. */
const SENTENCES: { readonly [Code in ReadingDiagnostic['code']]: (d: Finding<Code>) => string } = {
  unread: (d) =>
    d.meant
      ? `“${d.text}” could not be read, so it is left out of the count. Was “${d.meant.word}” meant?`
      : `“${d.text}” could not be read, so it is left out of the count. Write it another way, or on a line of its own as a note.`,
  'unknown-stitch': (d) =>
    `“${d.text}” is not a stitch known here, so its ${d.count} cannot be counted.${d.meant ? ` Was “${d.meant}” meant?` : ''}`,
  'bad-count': (d) => `“${d.text}” cannot be a count: it needs a whole number from 1 to ${d.most}.`,
  unclosed: (d) => `This “${d.opener}” is never closed. Add the closing mark where the repeat ends.`,
  unopened: (d) => `This “${d.closer}” closes nothing. Remove it, or add the opening mark where the repeat begins.`,
  'repeat-missing': () => 'This group does not say how often it is worked, so it is counted once. Add “× 6” or “around”.',
  'too-deep': () => `Groups are nested more than ${BOUNDS.depth} deep here. Write the round with fewer brackets.`,
  'around-nested': () => '“Around” inside a repeat has no end. Put a number there, or take it out of the brackets.',
  'empty-round': (d) => `${d.label} has no stitches. Say what is worked in it.`,
  'range-backwards': (d) => `The range runs backwards, from ${d.first} to ${d.last}. Read as ${d.last} to ${d.first}.`,
  'number-gap': (d) =>
    d.first === d.expected + 1
      ? `The numbers jump: round ${d.expected} is missing before ${d.label}.`
      : `The numbers jump: rounds ${d.expected} to ${d.first - 1} are missing before ${d.label}.`,
  'part-unknown': (d) =>
    `No part is called “${d.name}”, so the stitches it brings cannot be counted. Give the part that name, or say which one is meant.`,
  'number-twice': (d) => `This number was there just before. Counted as ${d.label}, and those after it go on from that.`,
  'start-late': (d) =>
    `${d.label} starts from a ring again, but rounds of this part are already there. A new part needs a heading.`,
  'start-missing': (d) => `${d.label} does not say what it starts from. Read as worked into an adjustable ring.`,
  'chain-short': (d) => `A chain of ${d.chains} is too short to be worked here: it needs at least ${d.needed}.`,
  'same-missing': (d) =>
    d.part
      ? `There is no round ${d.round} of ${d.part} before this to take over. Write the round out.`
      : `There is no round ${d.round} before this to take over. Write the round out.`,
  'part-unnamed': (d) => `The rounds begin again here without a heading. Taken as a new part, “${d.name}”.`,
  'too-many-parts': () =>
    `Only ${BOUNDS.parts} parts are read; what follows is kept as notes. Split the pattern into several makes.`,
  'too-many-lines': () =>
    `Only ${BOUNDS.lines} lines are read; what follows is kept in the text and not counted. Split the pattern into several makes.`,
  'too-many-rounds': (d) =>
    `Only ${BOUNDS.rounds} rounds of a part are read; what follows in “${d.name}” is kept as notes. Give the rest a heading of its own.`,
  'copies-missing': (d) => `“${d.name}” sounds like more than one, but how many to make is not said. Counted as one.`,
  'colour-unnamed': (d) =>
    `Which colour “${d.name}” stands for is said nowhere. Add a line such as “${d.name}: navy” above the parts.`,
  'terms-unsure': (d) =>
    d.declared
      ? `The text says US terms, but its basic stitch is dc, as patterns in UK terms have it. In US terms dc is a ${BASE.US}.`
      : `US or UK terms? The text does not say, and its basic stitch is dc. Read as ${d.read} terms, where dc is ${d.read === 'UK' ? 'the' : 'a'} ${BASE[d.read]}.`,
  'terms-mixed': (d) =>
    `The text says ${d.declared} terms, but “${d.word}” is a ${d.declared === 'US' ? 'UK' : 'US'} name. One of the two is wrong.`,
  'no-rounds': () =>
    'There are no rounds in this text yet. Begin a line with “R1:” and say what is worked, such as “R1: 6 sc in ring (6)”.',
  'note-with-work': (d) =>
    d.label
      ? `“${d.text}” begins like ${d.label}, but its words could not be read as one, so it is kept as a note. Is it a round? Write its stitches after “${d.label}:”.`
      : `“${d.text}” names stitches, but belongs to no round, so it is kept as a note and not counted. Is it a round? Begin it with its number.`,
  'bad-copies': (d) => `“${d.text}” cannot be how many to make: it needs a whole number from 1 to ${d.most}. Counted as one.`,
  'more-like-this': (d) =>
    `${counted(d.more, 'more finding')} like this (“${d.what}”) ${d.more === 1 ? 'is' : 'are'} not listed. Mend these first.`,
  'two-readings': (d) => {
    const [usual, other] = READINGS[d.doubt];
    const [took, left] = d.tookOther ? [other, usual] : [usual, other];
    return `${d.label} can be read in two ways. Taken: ${took}, which makes ${d.makes}. The other: ${left}, which would make ${d.otherMakes}.`;
  },
  'text-too-long': (d) => `The text has ${d.length} characters; at most ${BOUNDS.text} are read. Split it into several makes.`,
};

/** One sentence for a person. */
export function describeReading<Code extends ReadingDiagnostic['code']>(d: Finding<Code>): string {
  return SENTENCES[d.code](d);
}

const otherThan = (terms: Terms): Terms => (terms === 'US' ? 'UK' : 'US');

const replace = (title: string, { from, to }: Span, insert: string): Fix => ({ title, edits: [{ from, to, insert }] });

/** The ways out that edit the text; none where only the maker can know. */
const FIXES: { readonly [Code in ReadingDiagnostic['code']]?: (d: Finding<Code>) => readonly Fix[] } = {
  unread: (d) => (d.meant ? [replace(`Write “${d.meant.word}”`, d.meant.at, d.meant.word)] : []),
  'unknown-stitch': (d) => (d.meant ? [replace(`Write “${d.meant}”`, d.word, d.meant)] : []),
  unclosed: (d) => [replace(`Add “${d.closer}”`, { from: d.closeAt, to: d.closeAt }, d.closer)],
  unopened: (d) => [replace('Remove it', d.span, '')],
  'repeat-missing': (d) => [replace('Work it around', { from: d.span.to, to: d.span.to }, ' around')],
  'range-backwards': (d) => [replace(`Write ${d.label}`, d.span, d.label)],
  'number-twice': (d) => [replace(`Write ${d.label}:`, d.span, `${d.label}:`)],
  'copies-missing': (d) => [replace('Make 2', { from: d.insertAt, to: d.insertAt }, ' (make 2)')],
  'two-readings': (d) => d.fixes,
  'terms-unsure': (d) => {
    const other = otherThan(d.read);
    if (d.declared) return [replace(`It is ${other} terms`, d.line, `${other} terms`)];
    return [d.read, other].map((terms) => replace(`It is ${terms} terms`, d.line, `${terms} terms\n`));
  },
  'terms-mixed': (d) => {
    const other = otherThan(d.declared);
    return [replace(`It is ${other} terms`, d.line, `${other} terms`)];
  },
};

export function fixesOfReading<Code extends ReadingDiagnostic['code']>(d: Finding<Code>): readonly Fix[] {
  return FIXES[d.code]?.(d) ?? [];
}
