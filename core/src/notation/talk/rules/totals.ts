import type { Meant } from '../sign.js';
import { num, nothing, rule, STITCHES, SURE, type Rule } from './rule.js';

/** Fewer stitches are no total: "that's one, that's two" counts aloud. */
const LEAST = 3;
const SO_FAR = `(?: ${STITCHES})?`;

function total(count: string | undefined, strong: boolean, back = 0, ahead = false): Meant | null {
  return num(count) < LEAST ? null : { is: 'total', count: num(count), strong, back, ahead };
}

/** Ways to say what comes out of a round. */
const VERBS = [
  `(?:should|will|you'll|we'll|you'd|i'll|they'll|it'll|now|must|to|~2|you) (?:now |then |still )?(?:have|has|had|got|get|be at|see|count|end (?:up )?(?:with|on|at))(?: got| exactly| about| a total of| back up ~2)?`,
  `(?:you've|we've|i've|they've|you|we|i|it|that)(?: now| still)? (?:have|want|get|got|need|has|counts?)(?: got| now)?(?: a total of)?|(?:you've|we've|i've)`,
  `(?:gives?|giving|leaves?|leaving|gets?|getting|makes?|making|made)(?: you| us| me)?(?: with| back)?(?: up| down)?(?: ~2)?(?: a total of)?`,
  `(?:takes?|brings?|taking|bringing|gets?|puts?)(?: it| us| you| me|'ll)* (?:back )?(?:down |up |back )?(?:~2|at)`,
  `(?:back|down|up)(?: up| down| on)? ?(?:at|on|~2)`,
  `(?:you're|we're|i'm|you are|we are|you'll be|we'll be|now at|it's|it|stays?|staying|remains?|remaining)(?: still| back| now| down| up| stays)* (?:at|on|~2)`,
  `(?:becomes?|totals?(?: is| of)?|a total of|equals|still(?: got| have| at)?|goes ~2|(?:end|finish)(?:s|es|ing)? (?:up )?(?:with|on|at)|(?:stitch )?count (?:here |now )?(?:of|is|should be))`,
];
const COUNTED = `(?:that's|that'll be|it's|so|that makes|there's|there are|that was|which is|that'd be|is|so it's|that|should be)`;
const BEFORE = `the (?:one|round|row) before (?:that |it |this )?(?:was|had|is|has|should be|it was)`;

/** How many stitches there are after a round, or were after one before. */
export function totalsSaid(anyStitch: string): readonly Rule[] {
  const noMore = String.raw`(?! (?:[#~]\d+|times?|in (?:the|a|this|that|each|every|one|it|here|there)|rounds?(?! [#~])|rows?(?! [#~])|more|of (?:these|those|them)|${anyStitch}|increas|decreas|together|chains?|sets?|lots|through|ways|${STITCHES} (?:together|apart|between|of|we|long)|and an? (?:increase|decrease)|(?:and |then |and then )*(?:increase|decrease))(?:es|s|e|ing)?(?= ))`;
  return [
    rule(`(?:~2|need|want|going|have) (?:~2 )?get (?:from #\\d+ )?(?:up |down |back )?~2 ${SURE}`, ([, n]) =>
      total(n, true, 0, true),
    ),
    rule(`${BEFORE} ${SURE}`, ([, n]) => total(n, false, 1)),
    rule(`it was ${SURE} (?:before that|up ~2 there|before)`, ([, n]) => total(n, false, 1)),
    rule(`and ${SURE} before that`, ([, n]) => total(n, false, 2)),
    rule(`${SURE} after the %1(?: one)?`, ([, n]) => total(n, false, 1)),
    rule(`${SURE} after the (?:%2|last|other)(?: one)?`, ([, n]) => total(n, true)),
    rule(`(?:the )?%1 (?:one|round) (?:had|was|has)(?: \\.)? ${SURE}`, nothing),
    rule(`(?:${VERBS.join('|')}) (?:only |just |exactly |still |your |nice )?${SURE}${SO_FAR}${noMore}`, ([, n]) =>
      total(n, true),
    ),
    rule(
      `${SURE} (?:${STITCHES} )?(?:left|remain(?:ing)?|in (?:total|all)|altogether|all together|total)(?: ${STITCHES})?(?! (?:times|rounds|rows|sets))`,
      ([, n]) => total(n, true),
    ),
    rule(`${SURE} ${STITCHES}(?: left| around| now| all round)${noMore}`, ([, n]) => total(n, true)),
    rule(
      `${SURE} (?:${STITCHES} )?(?:in (?:every|each) (?:round|row|one of)|every (?:single )?(?:time|round)|each (?:time|round|row)|both times|the whole (?:time|way)|all the way|all of that|across)`,
      ([, n]) => total(n, true),
    ),
    rule(`${COUNTED} ${SURE}${SO_FAR}${noMore}`, ([, n]) => total(n, false)),
    rule(`${SURE} ${STITCHES}${noMore}(?! (?:the|that|we|you|in|on|is))`, ([, n]) => total(n, false)),
  ];
}
