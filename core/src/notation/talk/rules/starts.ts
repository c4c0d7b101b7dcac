import type { StitchName } from '../../stitch.js';
import type { Meant } from '../sign.js';
import { anyStitch, N, nothing, num, rule, type Rule, type StitchRow, SURE } from './rule.js';

const RING = '(?:magic |adjustable |sliding |slip |double )(?:ring|loop|circle)';
const INTO =
  '(?:in|into|~2|inside|in ~2) (?:the |a |your |that |our |my |an |this )?(?:magic |adjustable )?(?:ring|loop|circle|centre|center)|into it|in it|in that|(?:in|into) there';
const SECOND = '(?:in|into|from) (?:the )?%2 (?:chain|stitch|one|loop)(?: (?:from|away from) (?:the|your|our) hook)?';

/** How parts begin, and what is worked before their first stitches. */
export function startsSaid(rows: readonly StitchRow[]): readonly Rule[] {
  return [...intoRing(rows), ...CHAINS];
}

function intoRing(rows: readonly StitchRow[]): readonly Rule[] {
  const any = anyStitch(rows);
  const of = (words: string | undefined): StitchName =>
    rows.find((row) => new RegExp(`^${row.words}$`).test((words ?? '').trim()))?.stitch ?? 'sc';
  const into = (n: string | undefined, words: string | undefined, from: 'ring' | 'chain 2' = 'ring'): Meant => ({
    is: 'into',
    from,
    stitch: of(words),
    count: num(n),
  });
  return [
    rule(`${N} (${any} |stitches )?(?:${INTO})`, ([, n, words]) => into(n, words)),
    rule(
      `(?:${RING}|ring) (?:chain one )?(?:(?:and|with|put|work) )*${N}(?= (?:${any}|\\.|in|and|so|then))(?: (${any}))?(?: (?:${INTO}))?`,
      ([, n, words]) => into(n, words),
    ),
    rule(
      `(?:in|into|inside) (?:that|the|your|this|our) (?:magic )?(?:ring|loop|circle) (?:(?:we|you|i|put|work|do|make|want|go|place|are|going|~2) )*${N} (${any})`,
      ([, n, words]) => into(n, words),
    ),
    rule(`${N} (${any} )?${SECOND}`, ([, n, words]) => into(n, words, 'chain 2')),
    rule(`(?:start(?:ing)? )?${SECOND}`, () => ({ is: 'second chain' })),
    rule(`(?:(?:a|the|your|our|my|another) )?${RING}|(?:a|the|your) ring(?= (?:\\.|with|and|~4|#))|ring(?= (?:\\.|#))`, () => ({
      is: 'ring',
    })),
  ];
}

/** Chains, their second side, and pieces that are joined. */
const CHAINS: readonly Rule[] = [
  rule(`chains? (?:a |of |up )?${SURE}|chain ${N}|a chain of ${N}`, ([, a, b, c]) => ({
    is: 'chain',
    count: num(a ?? b ?? c),
  })),
  rule(`${SURE} chains?(?= (?:\\.|and|then|~2))`, ([, n]) => ({ is: 'chain', count: num(n) })),
  rule(`(?:and )?turn(?: (?:your work|the work|around|it))?(?= (?:\\.|and|now|row|then|$))`, () => ({ is: 'turn' })),
  rule(
    `(?:(?:up|back up|back along|back down|along|down|on) )?(?:the )?(?:other|opposite) side(?: of (?:the|your) chain)?|on the way back|way back`,
    () => ({ is: 'other side' }),
  ),
  rule(
    `(?:join|joining|connect|connecting|attach) (?:the |these |both |your )?(?:[#~]2 )?(?:legs|feet|pieces|paws|arms)(?: together)?|(?:in|into|right into) the (?:other|%2) (?:leg|foot)`,
    () => ({ is: 'join' }),
  ),
  rule(`slip stitch(?:es)? (?:in|into|~2) the %1(?: (?:stitch|one|single crochet))?`, nothing),
];
