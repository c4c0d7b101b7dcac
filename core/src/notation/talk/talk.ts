import type { Terms } from '../stitch.js';
import { printTime } from '../talk-time.js';
import { cuesOf, type Cue } from './captions.js';
import { chainOf, type Told } from './chain.js';
import { partsOf, type TalkLine, type TalkPart } from './parts.js';
import { signsOf } from './signs.js';
import { titleOfTalk } from './title.js';
import { toldSigns } from './told.js';
import { spokenWords, type Spoken } from './words.js';

/** A talk as a pattern. Without parts where nobody works a round in it. */
export interface Talk {
  readonly title: string;
  readonly terms: Terms;
  readonly parts: readonly TalkPart[];
  readonly cues: readonly Cue[];
  /** How long it takes, s. */
  readonly seconds: number;
}

/**
 * Reads captions, or lines that begin with a time, as a pattern; null for any other text. What the count cannot confirm is a doubt
 * with both readings, and nothing is invented.
 * @param text captions of six hours of fast talk are as long as a pattern may be: `BOUNDS.text`
 * @param progress is told how far it has come, from 0 to 1, and stops it by returning false; the talk then has no parts
 */
export function readTalk(text: string, progress?: (done: number) => boolean): Talk | null {
  const cues = cuesOf(text);
  if (cues === null) return null;
  const words = spokenWords(text, cues);
  const terms = termsOf(words);
  const signs = toldSigns(signsOf(words, terms));
  const told = chainOf(signs, words, progress);
  const title = titleOfTalk(text, cues, words);
  const parts = isPattern(told) ? partsOf(told, signs, words, terms, title.toLowerCase()) : [];
  return { title, terms, parts, cues, seconds: cues.at(-1)?.to ?? 0 };
}

/** Fewer rounds may be found in any talk of numbers. */
const LEAST_ROUNDS = 3;

function isPattern(told: readonly Told[]): boolean {
  return told.reduce((sum, { rounds }) => sum + rounds.last - rounds.first + 1, 0) >= LEAST_ROUNDS;
}

/** UK terms where they are named, or where only double crochet is spoken of. */
function termsOf(words: readonly Spoken[]): Terms {
  const count = (first: string, second: RegExp): number =>
    words.filter(({ key }, i) => key === first && second.test(words[i + 1]?.key ?? '')).length;
  if (count('uk', /^terms?$/) + count('british', /^(?:terms?|terminology)$/) > 0) return 'UK';
  return count('double', /^crochets?$/) > 2 && count('single', /^crochets?$/) === 0 ? 'UK' : 'US';
}

/** A line of the pattern's text, and what of the talk it was read from; null for a heading and what stands above them. */
export interface PatternLine {
  readonly text: string;
  readonly told: TalkLine | null;
}

/** The talk as the lines of a pattern in the clear form. */
export function talkLines({ title, terms, parts, seconds }: Talk): readonly PatternLine[] {
  const own = (text: string): PatternLine => ({ text, told: null });
  const head = [`# ${title}`, `${terms} terms`, `Written down from a talk of ${printTime(seconds)}.`];
  const body = parts.flatMap(({ name, copies, lines }) => [
    own(''),
    own(copies === null ? `## ${name}` : `## ${name} (make ${copies})`),
    ...lines.map((told): PatternLine => ({ text: told.text, told })),
  ]);
  return [...head.map(own), ...body];
}

/** The talk as pattern text in the clear form. */
export function talkText(talk: Talk): string {
  return `${talkLines(talk)
    .map(({ text }) => text)
    .join('\n')}\n`;
}
