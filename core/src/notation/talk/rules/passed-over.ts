import { LABEL, N, nothing, rule, STITCHES, type Rule } from './rule.js';

const UNIT =
  "(?:mm|millimet(?:er|re)s?|cm|centimet(?:er|re)s?|inch(?:es)?|ounces?|grams?|met(?:er|re)s?|yards?|minutes?|seconds?|hours?|days?|weeks?|months?|years?|dollars?|pounds?|euros?|percent|people|times? ago|o'clock|o|am|pm|hooks?|balls?|skeins?|holes?|colou?rs?|strands?|wraps?|miles?|cats?|dogs?|kids?|words?|videos?|pages?|cups?|spoons?|eggs?|tablespoons?|teaspoons?)";
const SHAPING = '(?:increas|decreas)(?:es?|ing)';

/** Numbers of things that are no stitches, and words that only look like work. */
export const PASSED_OVER: readonly Rule[] = [
  rule(String.raw`${N}(?: and a half| (?:and )?a quarter| point [#~]\d+|\.\d+)?(?: or \S+)? ${UNIT}`, nothing),
  rule(String.raw`${N} and a (?:half|quarter)|#\d+\.\d+`, nothing),
  rule(
    `(?:no|not|any|without|don't|never|stop|haven't|isn't|aren't|doing|add) (?:any |more |doing |an? |any more |~2 )?${SHAPING}`,
    nothing,
  ),
  rule(
    String.raw`(?:when|whenever|if|where) (?:i|we|you) (?:say|write) (?:\S+ ){0,3}?(?:increase|decrease|sc|dc|single|double)`,
    nothing,
  ),
  rule(String.raw`between (?:the )?(?:${LABEL} )?[#%~]\d+ (?:and|~2) (?:the )?(?:${LABEL} )?[#%~]\d+(?: ${LABEL})?`, nothing),
  rule(`${N} (?:${STITCHES} )?(?:apart|in between|in the middle|between them|between)`, nothing),
  rule(`(?:about |around |roughly )?${N} ${LABEL} (?:down|up|back|from|below|above|apart|ago|tall|high)|about ${N}`, nothing),
  rule(`(?:around|at|on|in) the (?:height|level) of (?:round|row) ${N}|(?:about|around|near) (?:round|row) ${N}`, nothing),
  rule(`one (?:of|more thing|thing|day|minute|second|side|with|last|or|has|that|who)`, nothing),
  rule(
    `(?:off|through) (?:all |both )?(?:of )?(?:[#~]\\d )?(?:loops? )?(?:together|loops?(?= on| \\.| at))|yarn (?:over|round|around)|pull(?:ing)? up a loop|insert(?: your| the)? hook`,
    nothing,
  ),
  rule(`every single time|(?:was|is) that (?:round |row )?${N}`, nothing),
  rule(`(?:start|begin|starting|beginning|finish|done|keep) (?:increas|decreas)ing`, nothing),
  rule(`the ${SHAPING}|${SHAPING} the`, nothing),
  rule(
    `if (?:you've|it's|you have|you get|you got|you only have|there's|yours (?:is|has)|yours)(?: only| got)? ${N}(?: ${STITCHES})?(?: or ${N})?`,
    nothing,
  ),
  rule(`chains? (?:up )?one|slip stitch(?:es)?|slipstitch|double knit(?:ting)?`, nothing),
  rule(String.raw`(?:do not|don't|not|never|before (?:you|we)|before) (?:\S+ )?(?:cut|fasten off|finish off|close)`, nothing),
];
