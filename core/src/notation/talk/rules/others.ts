import type { Meant } from '../sign.js';
import { N, num, rule, type Rule } from './rule.js';

const THESE =
  '(?:of (?:these|those|them)|legs|arms|wings|ears|feet|leaves|fins|tails|horns|paws|spikes|petals|stalks|hands|flippers|thumbs|antennae|tentacles|antlers|cheeks|spots)';
const NEEDS = "(?:make|makes|making|need|needs|got|has|have|you'll need|we'll need|want|wants|so it's|that it's|work)";

const made = (count: number, more: boolean): Meant => ({ is: 'copies', count, more });

/** How many of a part are made. */
const COPIES: readonly Rule[] = [
  rule(
    `(?:and |now |then )*(?:make|do|work|need|you'll need|want|crochet) (?:a |the |your )?(?:%2|second)(?: one| leg| arm| wing| ear| foot)?|(?:and |now )(?:a |the )%2 (?:one|leg|arm|wing|ear|foot)|again ~4 the other(?: side| one)?`,
    () => made(1, true),
  ),
  rule(
    `(?:make|do|crochet|work) another(?: one| leg| arm| wing| ear| foot)?|another one (?:just like|exactly|the same|of these)|(?:make|do) (?:this|that|it|the same|all of that) (?:again|twice)`,
    () => made(1, true),
  ),
  rule(String.raw`(?:then )?one more in (?:the |an? )?\S+|then one more(?! (?:round|row)(?= ))`, () => made(1, true)),
  rule(
    String.raw`(?:make|do|need|you need|then you need|crochet) ${N} more(?: (?:${THESE}|\S+ (?:just|exactly|the same)))?`,
    ([, n]) => made(num(n), true),
  ),
  rule(
    `${NEEDS} (?:a pair|a set) of (?:these|those|them)|(?:there's |it's )?a pair of (?:these|those|them)|so this is twice`,
    () => made(2, false),
  ),
  rule(`${NEEDS} (?:~4 )?${N} (?:${THESE}|(?:all )?(?:together|altogether|in total|in all|the same))`, ([, n]) =>
    made(num(n), false),
  ),
  rule(`(?:make|need|crochet) ${N}(?= (?:\\.|in total|$|in (?!each|every|the|one|same|it|a|this|that)))`, ([, n]) =>
    made(num(n), false),
  ),
  rule(`${N} of (?:these|those|them)|there's ~2 of (?:them|these|those)`, ([, n]) => made(num(n ?? '2'), false)),
];

/** Loops, ends, corrections, copies, and what is done between rounds. */
export const OTHERS: readonly Rule[] = [
  rule(`(?:in |through |into )?(?:the )?back loops?(?: only)?`, () => ({ is: 'loop', loop: 'back' })),
  rule(`(?:in |through |into )?(?:the )?front loops?(?: only)?(?! of)`, () => ({ is: 'loop', loop: 'front' })),
  rule(`(?:in |through )?both loops(?: again)?`, () => ({ is: 'loop', loop: 'both' })),
  rule(
    `fasten(?:ing)?(?: it| this)? off|finish(?:ing)?(?: it)? off|tie off|bind off|(?:cut|snip|break) (?:the|your|our) yarn|cut (?:it|a long tail|a tail)|close (?:it|him|her|up|the hole)|(?:pull|draw|sew|stitch) (?:it |the hole |him |her )?(?:shut|closed)`,
    () => ({ is: 'end' }),
  ),
  rule(
    `no (?:wait|hang on|hold on|sorry)|hang on|wait(?: a (?:minute|second))?|sorry|i mean|scratch that|let me correct that|correction|i beg your pardon|my mistake|or rather|oops|no no`,
    () => ({ is: 'correction' }),
  ),
  ...COPIES,
  rule(String.raw`(?:safety )?eyes?(?! (?:patch|stalk|lid|brow))`, () => ({ is: 'eyes' })),
  rule(
    `(?:and |now |then |start (?:~2 |to )?|keep )*(?:re)?stuff(?:ing)?(?= (?:it|him|her|the|that|this|now|up|in|firmly|lightly|%1|a|as|\\.|and|nose|little|your|really))`,
    () => ({ is: 'stuff' }),
  ),
  rule(`(?:and )?sew(?: on| it| them| the| a| your|ing)?`, () => ({ is: 'sew' })),
];
