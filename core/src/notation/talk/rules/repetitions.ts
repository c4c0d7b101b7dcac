import type { Meant } from '../sign.js';
import { AROUND, EVERY, LABEL, LABELS, N, nothing, num, rule, STITCHES, SURE, type Rule } from './rule.js';

const SETS = '(?:sets?|lots?|times|repeats?|groups?)';
const ALTOGETHER = '(?:in (?:all|total|the round)|altogether|all together)';
const WHAT = '(?:plain |straight |tiny |even |normal |more |identical |boring |easy |little |simple |quick )*';
/** "Five rounds down" and "that gives you twelve rounds three to six" run no rounds. */
const NOT_DOWN = String.raw`(?! (?:down|up|from|below|above|apart|back|ago|tall|high|#\d+ (?:through|thru|till|until|~2))(?= ))`;

const times = (count: string | undefined, more = false): Meant => ({ is: 'times', count: num(count), more });
const run = (count: string | undefined, more: boolean, all = false, of: number | null = null): Meant => ({
  is: 'run',
  count: num(count),
  more,
  all,
  of,
});

/** How many rounds are alike. */
const RUNS: readonly Rule[] = [
  rule(`that (?:was|is) ${N} ${WHAT}${LABELS}`, nothing),
  rule(
    `(?:~4 )?(?:another )?${N} ${WHAT}more (?:plain |straight )?${LABELS}(?: of(?: just)?| after that| like that| the same)?`,
    ([, n]) => run(n, true),
  ),
  rule(`(?:~4 )?another ${N} ${WHAT}${LABELS}(?: of(?: just)?)?`, ([, n]) => run(n, true)),
  rule(`one ${WHAT}more (?:round|row)|another (?:round|row)`, () => run('1', true)),
  rule(`so ${N} more of (?:those|them|these)|${N} more of (?:those|them|these)`, ([, a, b]) => run(a ?? b, true)),
  rule(`${N} ${WHAT}${LABELS} ${ALTOGETHER}|that's ${N} of the (?:\\S+ )ones`, ([, a, b]) => run(a ?? b, false, true)),
  rule(
    `so (?:it's |that's |we have |you have )?${N} ${WHAT}${LABELS}(?: ${ALTOGETHER})?(?! (?:of|plain|one|just|where|even|straight)(?= ))${NOT_DOWN}`,
    ([, n]) => run(n, false, true),
  ),
  rule(`(?:~4 (?:the )?|over the )?(?:next )?${N} ${WHAT}${LABELS}(?: of(?: just)?)?${NOT_DOWN}`, ([, n]) => run(n, false)),
  rule(`(?:one|a) ${WHAT}(?:round|row) of ${N}(?: on top of that| ${STITCHES})?(?! in)`, ([, n]) => ({
    is: 'each',
    stitch: 'sc',
    per: 1,
    together: 1,
    of: num(n),
    sure: true,
  })),
  rule(`${N} ${WHAT}${LABELS} of ${SURE}(?: ${STITCHES})?(?! in)`, ([, n, of]) => run(n, false, false, num(of))),
  rule(`(?:one |a )${WHAT}(?:round|row)(?: of(?: just)?)?(?! ${N})`, () => run('1', false)),
];

/** How often within a round, and how far. */
const TIMES: readonly Rule[] = [
  rule(
    `(?:repeat|do) (?:that|this|it|the same) (?:~4 |another )?${N}(?: more)? times? more|(?:repeat|do) (?:that|this|it|the same|these) (?:~4 |another )?${N} more times?`,
    ([, a, b]) => times(a ?? b, true),
  ),
  rule(`(?:repeat|do) (?:that|this|it) another ${N} times?`, ([, n]) => times(n, true)),
  rule(`${N} more ${SETS}`, ([, n]) => times(n, true)),
  rule(`once more`, () => times('1', true)),
  rule(
    `(?:that's |~4 |do (?:that|it|this) |there's |there are |~4 a total of |a total of |so |as ever it's |repeat (?:that |this |it )?)?(?:${SURE} ${SETS}|~(\\d+) times)(?: (?:${ALTOGETHER}|around|again))*`,
    ([, a, b]) => times(a ?? b),
  ),
  rule(
    `(?:there's|there are|it's|as ever it's|that's|do|you do|we do|of) ${N} of (?:those|these|them)(?: (?:in it|in the round|around|${ALTOGETHER}))*`,
    ([, n]) => times(n),
  ),
  rule(`times (?:by )?${N}|(?:by|x) ${SURE}`, ([, a, b]) => times(a ?? b)),
  rule(`(?:do (?:that|it|this) )?twice`, () => times('2')),
  rule(`(?:do (?:that|it|this) )?(?:thrice|three times)`, () => times('3')),
  rule(
    String.raw`and (?:\S+ ){0,2}?the same again|then the same again|the same again|(?:and )?again the same|same again`,
    () => ({ is: 'again' }),
  ),
  rule(
    `(?:is|are|do|does|work|be)(?: exactly| just)? the (?:exact )?same(?: thing| again)?(?! (?:stitch|place|one|idea)(?= ))`,
    () => ({ is: 'again' }),
  ),
  rule(
    String.raw`(?:do |work )?(?:the )?same (?:as|thing|trick) (?:as )?(?:the )?(?:before|last (?:one|round|row)|round before|previous (?:round|row))`,
    () => ({ is: 'again' }),
  ),
  rule(
    String.raw`(?:just )?(?:keep|carry|carrying|keep on) (?:on |going |repeating |doing )?(?:\S+ ){0,3}?(?:around|round|marker|end)`,
    () => ({ is: 'around' }),
  ),
  rule(
    `(?:repeat(?:ing)?|keep on|and so on|keep going|carry on|continue)(?: that| this| repeating| going| it| the pattern)*(?: ${AROUND})?`,
    () => ({ is: 'around' }),
  ),
  rule(`${AROUND}|(?:a)?round(?= (?:\\.|and|~2 the))|across(?: the row)?`, () => ({ is: 'around' })),
  rule(`(?:in|of|into) ${EVERY}(?: single)?(?: stitch| one| of (?:them|those))?`, () => ({ is: 'around' })),
];

const OPEN: readonly Rule[] = [
  rule(
    String.raw`(?:until |as )?(?:it's |it is |the \S+'s |the \S+ is )?as (?:long|tall) as you(?:'d)? (?:like|want)|as many (?:${LABEL}) as you (?:like|want)|until (?:it|they|it's|it is) (?:is |are |measures )?(?:\S+ ){0,3}?(?:long|tall|cm|inches)`,
    () => ({ is: 'open' }),
  ),
];

export const REPETITIONS: readonly Rule[] = [...RUNS, ...TIMES, ...OPEN];
