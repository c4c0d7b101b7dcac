import { colourWordsAt } from '../colours.js';
import type { Span } from '../span.js';
import type { Terms } from '../stitch.js';
import { printTime } from '../talk-time.js';
import { coloursIn, donesIn, type Between } from './between-rounds.js';
import type { Told } from './chain.js';
import type { Doubt } from './doubt.js';
import type { ToldRounds } from './explain.js';
import { instructionOf, lineOf } from './lines.js';
import { copiesOf, nameOf, stretchesOf, type Named, type Stretch } from './part-names.js';
import { isWork, type Sign } from './sign.js';
import type { Spoken } from './words.js';

/** A line of the pattern, with what it was read from. */
export interface TalkLine {
  readonly text: string;
  /** Seconds from the beginning of the talk. */
  readonly seconds: number;
  /** Words of the talk that say it, in the file. */
  readonly spans: readonly Span[];
  readonly doubts: readonly Doubt[];
  /** Other ways to write it, each a line. */
  readonly others: readonly string[];
}

export interface TalkPart {
  readonly name: string;
  readonly copies: number | null;
  readonly lines: readonly TalkLine[];
}

/** The parts of a talk, with their names and how many are made, and their lines. */
export function partsOf(
  told: readonly Told[],
  signs: readonly Sign[],
  words: readonly Spoken[],
  terms: Terms,
  title: string,
): TalkPart[] {
  const colours = (at: number): number => colourWordsAt(words, at);
  const stretches = stretchesOf(told, signs, words);
  const names: (Named | null)[] = [];
  for (const each of stretches) {
    const joined = each.told[0]!.rounds.shape.is === 'joined';
    names.push(nameOf(words, each.words, { colours, title, joined, used: names.flatMap((named) => named?.name ?? []) }));
  }
  const parts: TalkPart[] = [];
  stretches.forEach((stretch, i) => {
    const named = names[i] ?? null;
    const next = names[i + 1];
    const copies = copiesOf(words, signs, stretch.words, named, next ? next.at - 4 : words.length);
    const before = stretches[i - 1]?.told.at(-1)?.rounds.makes ?? null;
    const last = parts.at(-1);
    const partBefore = last && before !== null ? { name: last.name, makes: before } : null;
    const name = capitalised(named?.name ?? (i === 0 ? title.split(' of ').at(-1)! : `Part ${i + 1}`));
    const limb = last?.name.toLowerCase() ?? 'limb';
    parts.push({
      name,
      copies: copies ?? (i === 0 && /^(?:a )?pair of /.test(title) ? 2 : null),
      lines: linesOf(stretch, signs, words, { terms, partBefore, limb, namedAt: named?.at ?? null }),
    });
  });
  return parts;
}

function capitalised(name: string): string {
  return name.charAt(0).toUpperCase() + name.slice(1);
}

interface About {
  readonly terms: Terms;
  readonly partBefore: { readonly name: string; readonly makes: number } | null;
  readonly limb: string;
  readonly namedAt: number | null;
}

/** Words before a part's name in which its yarn may be taken up. */
const COLOUR_BEFORE = 10;

/** The lines of a part in the order of the talk: rounds, and what is done between them. */
function linesOf(
  stretch: { told: readonly Told[]; words: Stretch },
  signs: readonly Sign[],
  words: readonly Spoken[],
  about: About,
): TalkLine[] {
  const { told } = stretch;
  const begin =
    about.namedAt === null
      ? stretch.words.start
      : Math.min(Math.max(stretch.words.from, about.namedAt - COLOUR_BEFORE), stretch.words.start);
  const colours = coloursIn(words, Math.max(0, begin), stretch.words.to, stretch.words.start);
  const dones = donesIn(words, signs, stretch.words.start, stretch.words.until);
  const flat = told[0]?.rounds.shape.is === 'flat';
  const works = told.map(({ from, to }) => (signs.slice(from, to).find(isWork) ?? signs[from]!).first);
  const lines: TalkLine[] = [];
  let colour: string | null = null;
  told.forEach((each, i) => {
    const [after, here] = [works[i - 1] ?? -1, works[i]!];
    lines.push(...dones.filter(({ word }) => word > after && word <= here).map((done) => doneLine(done, words)));
    const taken = colours.findLast(({ word }) => word > after && word <= here + (i === 0 ? 12 : 0));
    const name = taken?.is === 'colour' && taken.name !== colour ? taken.name : null;
    colour = name ?? colour;
    const borneOut = isBorneOut(told, i) ? each : unconfirmed(each);
    lines.push(roundLine(withoutIdleDoubt(borneOut, told[i + 1]), signs, words, { ...about, flat, colour: name }));
  });
  lines.push(...dones.filter(({ word }) => word > works.at(-1)!).map((done) => doneLine(done, words)));
  return lines;
}

/** Whether a total, a number, repeats or how many rounds were said of these rounds, or a total after them that they lead to. */
function isBorneOut(told: readonly Told[], at: number): boolean {
  const { rounds } = told[at]!;
  const said = rounds.starts || rounds.numbered || rounds.open || rounds.runSaid;
  const often = typeof rounds.times === 'number' && rounds.times > 1;
  const totalled = told.slice(at).some((each) => each.rounds.stated === each.rounds.makes && each.rounds.doubts.length === 0);
  return said || often || totalled || rounds.doubts.length > 0;
}

function unconfirmed(told: Told): Told {
  return { ...told, rounds: { ...told.rounds, doubts: [{ is: 'unconfirmed' }] } };
}

/** A second reading is none where what was said of this round, or of the next, bears out the first. */
function withoutIdleDoubt(told: Told, next: Told | undefined): Told {
  const { rounds, other } = told;
  if (!other) return told;
  const after = next?.rounds;
  const counted =
    rounds.stated === rounds.makes ||
    (after !== undefined && !after.starts && after.stated === after.makes && after.doubts.length === 0);
  const numbered = rounds.numbered || after?.numbered === true;
  const idle = (other.makes === rounds.makes || counted) && (other.last === rounds.last || numbered);
  return idle ? { ...told, other: null } : told;
}

function roundLine(
  told: Told,
  signs: readonly Sign[],
  words: readonly Spoken[],
  around: About & { flat: boolean; colour: string | null },
): TalkLine {
  const { rounds, other } = told;
  const own = signs.slice(told.from, told.to);
  const first = words[own[0]!.first]!;
  const doubts: Doubt[] = [...rounds.doubts];
  const instruction = instructionOf(rounds, around);
  const others: string[] = [];
  const line = (each: ToldRounds, also: readonly Doubt[]): string =>
    lineOf(each, instructionOf(each, around), first.at, also, around.flat);
  if (other && doubts.length === 0) {
    doubts.push({
      is: 'other',
      text: instructionOf(other, { ...around, colour: null }),
      makes: other.makes,
      rounds: other.last - other.first + 1,
    });
    others.push(line(other, []));
  }
  if (doubts.some(({ is }) => is === 'total')) others.push(line({ ...rounds, stated: rounds.makes }, []));
  const text =
    rounds.shape.is === 'unheard'
      ? `The talk comes to ${rounds.makes} stitches here without saying how (at ${printTime(first.at)}).`
      : lineOf(rounds, instruction, first.at, doubts, around.flat);
  return { text, seconds: first.at, spans: spansOf(own, words), doubts, others };
}

/** Where the signs of a line are said, words that stand close together as one. */
function spansOf(signs: readonly Sign[], words: readonly Spoken[]): Span[] {
  const spans: { from: number; to: number; last: number }[] = [];
  for (const sign of signs) {
    // "Now change to your white": what only sounds like a number says nothing of the round.
    if (sign.is === 'number' && !sign.sure) continue;
    const { first, last } = sign;
    const open = spans.at(-1);
    const [from, to] = [words[first]!.from, words[last]!.to];
    if (open && first - open.last <= TOGETHER) spans[spans.length - 1] = { from: open.from, to, last };
    else spans.push({ from, to, last });
  }
  return spans.map(({ from, to }) => ({ from, to }));
}

/** Words between two signs that still belong to what they say. */
const TOGETHER = 10;

function doneLine(done: Between, words: readonly Spoken[]): TalkLine {
  const word = words[done.word]!;
  const at = `(at ${printTime(word.at)})`;
  return {
    text: `${doneWords(done)} ${at}.`,
    seconds: word.at,
    spans: [{ from: word.from, to: word.to }],
    doubts: [],
    others: [],
  };
}

function doneWords(done: Between): string {
  if (done.is === 'colour') return `Change to ${done.name}`;
  if (done.is === 'stuffing') return 'Stuff';
  const where = done.rounds ? ` between R${done.rounds[0]} and R${done.rounds[1]}` : '';
  return `Set the eyes${where}${done.apart === null ? '' : `, ${done.apart} sts between them`}`;
}
