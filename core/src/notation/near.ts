import distance from 'damerau-levenshtein';
import { NO_BOOK, isColourWord } from './colours.js';
import { STITCHES } from './stitch.js';
import type { Token } from './tokens.js';

/** Words of the craft that are mistyped, beside the names of stitches. */
const CRAFT =
  'inc increase increases dec decrease decreases invdec invisible around across ring magic circle stitch stitches each every next chain chains skip turn join repeat times round rounds loop loops back front only first last until change colour color together';

let known: readonly string[] | null = null;

function words(): readonly string[] {
  if (known) return known;
  const names = Object.values(STITCHES).flatMap(({ US, UK }) =>
    [US, UK].flatMap((own) => [own.abbreviation, ...own.full, ...own.words]),
  );
  const single = names.flatMap((name) => name.split(' ')).filter((name) => name.length > 1 && !/^(long|st|sts)$/.test(name));
  return (known = [...new Set([...CRAFT.split(' '), ...single])]);
}

/** Everyday words that are no slip of anything (our own list). */
const EVERYDAY: ReadonlySet<string> = new Set(
  'the and we you me us he she it is as at an or on of to in so do be by go no up my are was for not but out off all any can had has her him his how its let may new now old one our own put say see set sit six ten too try two use way who why yes yet side over here there them then than that this with from have into just like make more most much must need only onto open part pull push same sew side some such take tail till tie time turn very want well went were what when work yarn your back body head hand hold hole hook keep knot left leg arm ear eye form foot free full good hide last leave line long look loose loosely tight nice pin piece place pretty pull right small start stay stuff thick thin through tidy under wing wool'.split(
    ' ',
  ),
);

/** What words were meant to be: at every keystroke the same slips are asked for. */
const asked = new Map<string, string | null>();
const MOST_ASKED = 2_000;

/**
 * The word of the craft a typing slip was most likely meant to be: one slip in short words, two in long ones; null for none,
 * and for words that mean something themselves.
 */
export function nearestWord(token: Token): string | null {
  const { key } = token;
  const before = asked.get(key);
  if (before !== undefined) return before;
  if (asked.size >= MOST_ASKED) asked.clear();
  const nearest = findNearest(token);
  asked.set(key, nearest);
  return nearest;
}

function findNearest(token: Token): string | null {
  const { key } = token;
  if (key.length < 2 || key.length > 24 || EVERYDAY.has(key) || isColourWord(token, NO_BOOK)) return null;
  const most = key.length > 5 ? 2 : 1;
  let best: string | null = null;
  let least = most + 1;
  for (const word of words()) {
    if (Math.abs(word.length - key.length) > most) continue;
    const { steps } = distance(key, word);
    // Of two letters only both can be right in the wrong order.
    if (key.length === 2 && (word.length !== 2 || `${key[1]}${key[0]}` !== word)) continue;
    if (steps < least) {
      best = word;
      least = steps;
    }
  }
  return best;
}
