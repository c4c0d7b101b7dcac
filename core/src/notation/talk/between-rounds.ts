import { colourWordsAt } from '../colours.js';
import type { Sign } from './sign.js';
import type { Spoken } from './words.js';

/** What is done between rounds, or with which yarn they go on, at the word where it is said. */
export type Between = { readonly word: number } & (
  | { readonly is: 'colour'; readonly name: string }
  | { readonly is: 'eyes'; readonly rounds: readonly [number, number] | null; readonly apart: number | null }
  | { readonly is: 'stuffing' }
);

const TAKES: ReadonlySet<string> = new Set([
  'grab',
  'get',
  'take',
  'with',
  'in',
  'use',
  'using',
  'to',
  '~2',
  'join',
  'bring',
  'through',
  'then',
  'now',
  'still',
  'change',
  'switch',
  'pick',
  "it's",
]);
const THE: ReadonlySet<string> = new Set(['the', 'your', 'my', 'our', 'some', 'a', 'that']);

/** Colours that are taken up, in the order they are said. */
export function coloursIn(words: readonly Spoken[], from: number, to: number, bare: number): Between[] {
  const found: Between[] = [];
  for (let at = from; at < to; at++) {
    const length = colourWordsAt(words, at);
    if (length === 0) continue;
    const before = THE.has(words[at - 1]?.key ?? '') ? words[at - 2]?.key : words[at - 1]?.key;
    const name = words
      .slice(at, at + length)
      .map(({ key }) => key)
      .join(' ');
    // "Wings! Dark brown.", "the arms, green": near a part's name a colour needs no verb.
    // "Row seven yellow".
    const labelled = /^#\d/.test(before ?? '') && /^r(?:ow|ound|nd)?$/.test(words[at - 2]?.key ?? '');
    if (TAKES.has(before ?? '') || labelled || at < bare) found.push({ is: 'colour', name, word: at });
    at += length - 1;
  }
  return found;
}

const IN_GOES: ReadonlySet<string> = new Set([
  'put',
  'pop',
  'push',
  'set',
  'place',
  'add',
  'insert',
  'go',
  'goes',
  'attach',
  'in',
  'between',
]);
/** Words round about that say that eyes are set. */
const REACH = 12;
/** Words after it that say where. */
const WHERE = 34;

/** Eyes that are set and stuffing that goes in, once for each place where they are told. */
export function donesIn(words: readonly Spoken[], signs: readonly Sign[], from: number, to: number): Between[] {
  const found: Between[] = [];
  for (const sign of signs) {
    if (sign.first < from || sign.last > to || (sign.is !== 'eyes' && sign.is !== 'stuff')) continue;
    const near = words.slice(Math.max(from, sign.first - REACH), sign.last + REACH);
    const denied = words.slice(Math.max(0, sign.first - 3), sign.first).some(({ key }) => NOT.has(key));
    if (denied || (sign.is === 'eyes' && !near.some(({ key }) => IN_GOES.has(key)))) continue;
    if (found.some((each) => each.is === (sign.is === 'eyes' ? 'eyes' : 'stuffing') && sign.first - each.word < 2 * WHERE))
      continue;
    found.push(
      sign.is === 'stuff'
        ? { is: 'stuffing', word: sign.first }
        : { is: 'eyes', word: sign.first, ...whereIn(words.slice(sign.first, sign.last + WHERE)) },
    );
  }
  return found;
}

const NOT: ReadonlySet<string> = new Set(['no', 'not', "don't", 'without', 'never']);

/** "between round 9 and 10", "seven stitches between them". */
function whereIn(words: readonly Spoken[]): { readonly rounds: readonly [number, number] | null; readonly apart: number | null } {
  const text = words.map(({ key }) => key).join(' ');
  const between = /between (?:the )?(?:rounds? |rows? )?[#%](\d+) (?:and|&|~2) (?:the )?(?:rounds? |rows? )?[#%](\d+)/.exec(text);
  const apart = /#(\d+) (?:stitch(?:es)? |sts )?(?:between|in between|apart|in the middle)/.exec(text);
  const labelled =
    between && /rounds?|rows?/.test(`${between[0]} ${text.slice(between.index, between.index + between[0].length + 8)}`);
  return {
    rounds: between && labelled ? [Number(between[1]), Number(between[2])] : null,
    apart: apart ? Number(apart[1]) : null,
  };
}
