import { constant } from '../constants/index.js';
import { MM_IN, type Fact } from '../notation/index.js';

/** Where things are after a part was made anew: rounds by their numbers in the text. */
export interface Moved {
  /** The last new round that follows an old one. */
  readonly round: (number: number) => number;
  /** The first new round that follows an old one. */
  readonly firstOf: (number: number) => number;
  /** A number of stitches along an old round, in the round that follows it; along the whole part where none is known. */
  readonly stitches: (count: number, number: number | null) => number;
  /** A number of rounds from one place to another. */
  readonly rounds: (count: number) => number;
}

const GAP = /\b(between\s+(?:R|rounds?\s*)?)(\d+)(\s+and\s+(?:R|round\s*)?)(\d+)\b/gi;
const RANGE = /\b(R|rounds?\s+)(\d+)(\s*(?:to|–|-|through)\s*R?)(\d+)\b/gi;
/** A letter that no text has: private use. */
const MARK = '\uE000';
const MARKED = /\uE000(\d+)\uE000/g;
const ONE = /\b(R|round\s+)(\d+)\b/gi;

/** A shorter tail is only hidden, and as long whatever the size. */
const SEWS = constant('least tail to sew with');
const LENGTH = /(\d+(?:[.,]\d+)?)(\s?)(mm|cm|inch(?:es)?|in|["”])(?![a-z])/gi;
/** A length left for sewing is told in whole lots of these; millimetres in tens. */
const LOTS: Readonly<Record<string, number>> = { mm: 10, cm: 5 };

/**
 * Words whose rounds, eyes apart, eye sizes and tails to sew with follow. All that is no number of these stays as it is written.
 *
 * @param eyes an eye size of the text, in the size that suits now; mm
 */
export function movedWords(text: string, facts: readonly Fact[], moved: Moved | null, eyes: (mm: number) => number): string {
  let words = text;
  for (const fact of facts) {
    if (fact.is === 'eye size') words = words.replace(new RegExp(`\\b${fact.mm}(?=\\s?mm\\b)`, 'g'), String(eyes(fact.mm)));
    if (fact.is === 'tail' && fact.mm !== null && fact.mm >= SEWS && moved) words = tailed(words, fact.mm, moved);
    if (fact.is !== 'eyes' || !fact.apart || !moved) continue;
    words = apart(words, fact.apart.count, moved.stitches(fact.apart.count, fact.rounds?.[0] ?? null));
  }
  if (!moved) return words;
  // Each place is written once: what is behind it is looked at anew.
  const done: string[] = [];
  const keep = (made: string): string => `${MARK}${done.push(made) - 1}${MARK}`;
  words = words.replace(GAP, (_all, before: string, low: string, and: string, high: string) => {
    const [a, b] = [Number(low), Number(high)];
    if (b !== a + 1) return keep(`${before}${moved.round(a)}${and}${moved.round(b)}`);
    return keep(`${before}${moved.round(a)}${and}${moved.round(a) + 1}`);
  });
  words = words.replace(RANGE, (_all, before: string, low: string, to: string, high: string) =>
    keep(`${before}${moved.firstOf(Number(low))}${to}${moved.round(Number(high))}`),
  );
  words = words.replace(ONE, (_all, before: string, number: string) => `${before}${moved.round(Number(number))}`);
  return words.replace(MARKED, (_all, index: string) => done[Number(index)]!);
}

/** As much longer as the edge that it sews. */
function tailed(words: string, mm: number, moved: Moved): string {
  const by = moved.stitches(1_000, null) / 1_000;
  if (by === 1) return words;
  return words.replace(LENGTH, (all: string, number: string, space: string, unit: string) => {
    const per = MM_IN[unit.toLowerCase()] ?? 1;
    if (Math.abs(Number(number.replace(',', '.')) * per - mm) > 0.5) return all;
    const lot = LOTS[unit.toLowerCase()] ?? 1;
    return `${Math.ceil(Math.max(SEWS, mm * by) / per / lot - 1e-9) * lot}${space}${unit}`;
  });
}

const apart = (words: string, was: number, now: number): string =>
  words.replace(new RegExp(`\\b${was}(?=\\s+(?:(?:stitch(?:es)?|sts?)\\b|apart\\b))`), String(now));
