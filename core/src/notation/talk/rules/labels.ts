import type { Meant } from '../sign.js';
import { LABEL, N, num, rule, SURE, type Rule } from './rule.js';

const THROUGH = '(?:through|thru|till?|until|up ~2|~2|and|and through|all the way ~2|all the way through)';
const LOOKED = String.raw`(?:(?:so )?(?:that(?:'s| was| is| will be)|(?:this|it|that) was|(?:at )?the end of|(?:i'?m|we'?re|you'?re) (?:at|on|up ~2)(?: the end of)?|after|finish(?:ed|es|ing)?|done with|i said(?: that was)?|no (?:wait )?(?:that was )?|was that|remember the end of|before|since|of|like in|as in|from|had)(?: the end of)? )`;

function label(first: string | undefined, last: string | undefined, back = false): Meant | null {
  const [from, to] = [num(first), last === undefined ? num(first) : num(last)];
  return from >= 1 && to >= from && to <= 999 ? { is: 'label', from, to, back } : null;
}

/** Rounds by their numbers, announced or looked back upon, and the next one without. */
export const LABELS_SAID: readonly Rule[] = [
  rule(
    `${LOOKED}(?:our |my |the |your )?(?:round|row|rnd) (?:number )?${N}(?: ${THROUGH} (?:round |row )?${SURE})?`,
    ([, a, b]) => label(a, b, true),
  ),
  rule(`${LABEL} (?:number )?${N} ${THROUGH} (?:${LABEL} )?${N}`, ([, a, b]) => label(a, b) ?? label(a, a)),
  rule(`${LABEL} (?:number )?${N} ${N}(?: ${N})* and ${N}`, ([, a, , , b]) => label(a, b)),
  rule(
    String.raw`(?<!(?:way|right|all|go|goes|going|keep|each|the|whole) )(?:round|row|rnd) ~2(?! (?:the|your|where|meet|get|go|make|work|do)(?= ))`,
    () => label('2', undefined),
  ),
  rule(String.raw`(?<!(?:way|all|the) )(?:round|row|rnd) ~([148])(?! (?:the|your|this|that|me)(?= ))`, ([, a]) =>
    label(a, undefined),
  ),
  rule(`(?:(?:round|row|rnd)s?|r) (?:number )?${SURE}(?! in (?:each|every|all)(?= ))`, ([, a]) => label(a, undefined)),
  rule(String.raw`(?:the |our |your |my |this )%(\d+) (?:round|row|rnd)`, ([, a]) => label(a, undefined)),
  rule(`(?:(?:the|our|your|this) )?(?:very )?next (?:round|row|rnd|time a?round|one(?! (?:in|single|stitch)(?= )))`, () => ({
    is: 'next',
    word: 'next',
  })),
  rule(`(?:on )?the (?:one|round|row) after(?: that| this)?|another (?:round|row)(?= (?:of|in|where|with))`, () => ({
    is: 'next',
    word: 'next',
  })),
  rule(`(?:the|our|your) (?:very )?(?:last|final) (?:round|row|one(?! (?:of|in)(?= )))`, () => ({ is: 'next', word: 'last' })),
];
