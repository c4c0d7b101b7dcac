import type { StitchName } from '../../stitch.js';
import { REST, type Meant } from '../sign.js';
import { anyStitch, AROUND, atom, EVERY, N, num, ONE, rule, STITCHES, SURE, type Rule, type StitchRow } from './rule.js';

const ONE_OF = `(?:stitch(?:es)?|sts?|single|${ONE}|of them|of those|of these|of your|chain)`;
/** "of the 30 stitches" after "each". */
const OF = String.raw`(?: (?:of )?(?:the |your |those |these |them )?(?:stitch(?:es)?|${SURE}(?: stitch(?:es)?)?|${STITCHES})| of (?:the |your |those |these )?~(\d)(?: stitch(?:es)?)?)?`;
const SAME = '(?:the |that |this )?(?:same|very same)(?: (?:stitch|place|one|spot|hole|chain|st))?';
const LIMB = String.raw`(?:through|with) (?:the |a |both |your )?(?:\S+ )?(?:leg|arm|wing|foot|ear|limb|fin|flipper)s?`;
/** More in one stitch is no increase that anyone speaks of so. */
const MOST_PER = 6;

function each(stitch: StitchName, per: string | undefined, sure: boolean, ...of: readonly (string | undefined)[]): Meant | null {
  const said = of.find((group) => group !== undefined);
  const made = num(per ?? '1');
  return made >= 1 && made <= MOST_PER
    ? { is: 'each', stitch, per: made, together: 1, of: said === undefined ? null : num(said), sure }
    : null;
}

/** Stitches by name: so many, one in each, several in one. */
function named({ stitch, words }: StitchRow): Rule[] {
  return [
    rule(`(?:${N} |an? )?${words} (?:into |in )?${EVERY}(?: single)?${OF}(?: ${ONE_OF})*`, ([all, per, ...of]) =>
      each(stitch, per, !all!.startsWith('~'), ...of),
    ),
    rule(`(?:one |an? )?${words} in (?:each of )?(?:the )?(?:next|%1|following) ${N}(?: ${STITCHES})?`, ([, n]) =>
      atom({ stitch, count: num(n) }),
    ),
    rule(`${words} ${SURE}(?: stitches)?(?= (?:(?:an? |and |then |and then |invisible )*(?:increase|decrease)|\\.))`, ([, n]) =>
      atom({ stitch, count: num(n) }),
    ),
    rule(
      `(?:one |an? )?${words} (?:in |into |around )?(?:the |each of the )?(?:rest|remaining)(?: of (?:the|them|your|those)(?: (?:round|stitches|way|row))?| stitches)?(?! #)`,
      () => atom({ stitch, count: REST }),
    ),
    rule(`(?:one |an? )?${words} (?:in|into) (?:the |each of the )?(?:remaining|last|other) ${N}(?: ${STITCHES})?`, ([, n]) =>
      atom({ stitch, count: num(n) }),
    ),
    rule(`${words} [#~]([23]) (?:${STITCHES} )?together`, ([, n]) => atom({ stitch, together: num(n) })),
    rule(
      `${N} ${words} (?:in|into) (?:one|a|${SAME}|(?:the )?(?:very )?(?:next|%\\d+|last|same|this|that|middle|corner)(?: stitch| ${ONE}| st| chain)?|there|here)`,
      ([, n]) => (num(n) === 1 ? atom({ stitch }) : num(n) <= MOST_PER ? atom({ stitch, per: num(n) }) : null),
    ),
    rule(`${words} in ${N}(?! (?:rounds|rows)(?= ))`, ([, n]) => atom({ stitch, count: num(n) })),
    rule(`${SURE} ${words} ${LIMB}`, ([, n]) => atom({ stitch, count: num(n), through: true })),
    rule(`${SURE} (?:more )?${words}`, ([, n]) => atom({ stitch, count: num(n) })),
    rule(`~(\\d+) ${words}`, ([, n]) => atom({ stitch, count: num(n) })),
    rule(
      `(?:an? |(?:the )?next )?${words}(?: in (?:the )?(?:next|%1|this|that)(?: ${ONE}| stitch)?| in it)?(?! (?:in|into) (?:the|a|that) (?:magic )?(?:ring|loop|circle)(?= ))`,
      () => atom({ stitch }),
    ),
  ];
}

/** One in each without the stitch's name, and rounds in which nothing happens. */
function plain(sc: string): Rule[] {
  return [
    rule(
      `(?:just )?one(?: ${sc})? (?:stitch )?(?:in|into|on|for) ${EVERY}(?: single)?${OF}(?: ${ONE_OF})*|one (?:each|apiece)`,
      ([, ...of]) => each('sc', '1', true, ...of),
    ),
    rule(`then ${SURE} (?:all )?around`, ([, n]) => each('sc', '1', true, n)),
    rule(
      `one (?:in|into|on|with) (?:the |this |that )?(?:${ONE}|next|last|%\\d+|corner|other corner|same|middle)(?: (?:${ONE}|stitch|corner))?`,
      () => atom({}),
    ),
    rule(
      `(?:the |a )?(?:whole |rest )?(?:round|row)s? (?:where )?(?:of )?(?:nothing happens|nothing|rest)|no shaping|nothing else|plain ${AROUND}|(?<!~2 )(?:just |you |we )*go (?:just )?(?:once )?a?round(?: once| again)?(?: on the ${SURE}| on those)?|straight(?= (?:up|rounds|now|no|\\.))|straight up|no increases`,
      () => ({ is: 'plain' }),
    ),
    rule(`no increases?(?: and| or)?(?: no)? decreases?`, () => ({ is: 'plain' })),
    rule(
      `plain(?= (?:one|in|through|still|just|\\.|${EVERY}))|work (?:it )?(?:even|straight)|a rest (?:round|row)|nothing(?= (?:\\.|i))`,
      () => ({ is: 'plain' }),
    ),
    rule(`${N} ${STITCHES}(?: and| then| followed by)*(?= (?:(?:an?|the|one) )?(?:increase|decrease) )`, ([, n]) =>
      // More of them are what there is: "six stitches, and then increase".
      num(n) < 6 ? atom({ count: num(n) }) : null,
    ),
    rule(`${N} ${LIMB}`, ([, n]) => atom({ count: num(n), through: true })),
    rule(`(?:skip|miss|leave) (?:the )?(?:next )?${N}(?: ${STITCHES})?|${N} ${STITCHES} (?:skipped|unworked)`, ([, a, b]) => ({
      is: 'skip',
      count: num(a ?? b),
    })),
  ];
}

const INC = '(?:increases?|increasing)';
const DEC = '(?:decreases?|decreasing)';
const NEXT_ONE = String.raw`(?: (?:in|into) (?:the )?(?:next|%\d+|${ONE}|same|last|that|this)(?: ${ONE}| stitch)?)?`;

function every(step: string | undefined, per: number, together: number): Meant | null {
  return num(step) >= 2 ? { is: 'every', step: num(step), per, together } : null;
}

function increases(any: string): Rule[] {
  const all = (): Meant => ({ is: 'each', stitch: 'sc', per: 2, together: 1, of: null, sure: true });
  const DOUBLE = 'doubl(?:e|ed|ing)';
  return [
    rule(
      `(?:put |get |have |work |make )?(?:an? |the |your )?${INC} (?:in |into )?(?:every |each )%(\\d+)(?: stitch| one| st)?`,
      ([, n]) => every(n, 2, 1),
    ),
    rule(`(?:gets? )?${DOUBLE} every %(\\d+)(?: stitch| one)?`, ([, n]) => every(n, 2, 1)),
    rule(
      `every (?:%(\\d+)|other)(?: stitch| one)? (?:gets|is|has|being|getting)(?: being| getting)? (?:an ${INC}|${DOUBLE}|[#~]2(?: of them| in it)?|increased)`,
      ([, n]) => every(n ?? '2', 2, 1),
    ),
    rule(`(?:put |get |work )?(?:an? )?${INC} (?:in )?every other(?: stitch| one)?`, () => every('2', 2, 1)),
    rule(
      `(?:an? )?${INC} (?:(?:in |into )${EVERY}|every|each)(?: single)?(?: of (?:the|them|those|these|your))?(?:(?<=all|the|those|these|your|of) #\\d+)?(?: ${STITCHES}| ${ONE})*`,
      all,
    ),
    rule(
      `[#~]2 (?:${any} |${STITCHES} )?(?:in|into|~2) ${EVERY}(?: single)?(?: of (?:them|those|the|these|your))?(?:(?<=all|the|those|these|your|of) #\\d+)?(?: stitch(?:es)?| ${ONE})*`,
      all,
    ),
    rule(
      `[#~]([23]) (?:${any} |${STITCHES} )?(?:in|into) (?:the )?(?:same|one|next|that|this|%\\d+|there|here)(?: (?:same|${ONE}|stitch|place|st|spot|next|chain))?(?! (?:row|go|rounds?|of)(?= ))`,
      ([, n]) => atom({ per: num(n) }),
    ),
    rule(`(?:an? )?${INC} in (?:the )?(?:next|first|last|%1) ${N}(?: ${STITCHES})?`, ([, n]) => atom({ per: 2, count: num(n) })),
    rule(`(?:an? )?${INC} in (?:each|all) of (?:the |those )?(?:next )?${N}(?: ${STITCHES})?`, ([, n]) =>
      atom({ per: 2, count: num(n) }),
    ),
    rule(`${SURE} increases(?! times(?= ))`, ([, n]) => atom({ per: 2, count: num(n) })),
    rule(`(?:an? )?${INC}${NEXT_ONE}`, () => atom({ per: 2 })),
    rule(`${DOUBLE} (?:it|up|that(?: one)?|(?:in )?the (?:next|%\\d+|last|other)(?: one| stitch)?|next(?: one)?)`, () =>
      atom({ per: 2 }),
    ),
  ];
}

function decreases(any: string): Rule[] {
  return [
    rule(
      `(?:an? |(?:crochet|work|take) together |(?:crochet|work|take) )?(?:${DEC} (?:in )?)?every %(\\d+)(?: and %(\\d+))?(?: stitch(?:es)?| one)?(?: together)?`,
      ([all, a, b]) => (/decreas|together/.test(all!) || b !== undefined ? every(b ?? a, 1, 2) : null),
    ),
    rule(`${SURE} (?:invisible )?decreases`, ([, n]) => atom({ together: 2, count: num(n) })),
    rule(`(?:an? )?(?:invisible )?${DEC}(?: (?:over )?(?:the )?next (?:[#~]2)(?: stitches)?| together)?`, () =>
      atom({ together: 2 }),
    ),
    rule(
      `(?:(?:take|work|put|pull|crochet|stitch|and|then) )*(?:the )?(?:next )?[#~]([23]) (?:${STITCHES} |${any} )?(?:in |into )?together(?: as if they were one)?`,
      ([, n]) => atom({ together: num(n) }),
    ),
    rule(`(?:and|then) together`, () => atom({ together: 2 })),
  ];
}

/** Everything that names stitches to work. */
export function stitchesSaid(rows: readonly StitchRow[]): readonly Rule[] {
  const any = anyStitch(rows);
  const sc = rows.find(({ stitch }) => stitch === 'sc')!.words;
  return [...rows.flatMap(named), ...increases(any), ...decreases(any), ...plain(sc)];
}
