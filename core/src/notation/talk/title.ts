import type { Cue } from './captions.js';
import type { Spoken } from './words.js';

/** A heading above the first time, and the words of a talk that may say what is made. */
const WITHIN = 220;
const LONGEST = 60;
const NAME = String.raw`((?:[a-z'-]+ ){1,4})`;
const PATTERNS: readonly RegExp[] = [
  new RegExp(
    String.raw`(?<= )(?:making|make|crocheting|crochet|show you how ~2 make|how ~2 (?:make|crochet)) (?:a|an|this|these|some|the|our) ${NAME}`,
  ),
  new RegExp(String.raw`(?<= )(?:he's|she's|this is|this one is|meet|here's|here is) (?:a|an|the|our) ${NAME}`),
  new RegExp(
    String.raw`(?<= )today(?:'s| is| it's| it's| it is| we have| so) (?:\. )?(?:um )?(?:today's )?(?:the |a |an )?${NAME}`,
  ),
];
const ENDS: ReadonlySet<string> = new Set(
  `is are so that and with which who for in on it we you because it's he's she's from to if there lives today now but then what okay just i'm i nobody itself himself herself themselves`.split(
    ' ',
  ),
);

/** What the talk makes: its heading, or what the speaker calls it; "Talk" where neither says. */
export function titleOfTalk(text: string, cues: readonly Cue[], words: readonly Spoken[]): string {
  const heading = headingOf(text, cues);
  if (heading) return heading;
  const begin = words.slice(0, WITHIN);
  const said = ` ${begin.map(({ key }) => key).join(' ')} `;
  for (const pattern of PATTERNS) {
    const name = pattern.exec(said)?.[1];
    const title = name ? nounOf(name) : null;
    if (
      title &&
      !title
        .toLowerCase()
        .split(' ')
        .some((word) => CRAFT.has(word) || word.includes("'"))
    )
      return title;
  }
  return oftenSaid(begin) ?? 'Talk';
}

/** The noun that is named most often where the talk begins. */
function oftenSaid(words: readonly Spoken[]): string | null {
  const counts = new Map<string, number>();
  words.forEach(({ key }, i) => {
    if (
      /^(?:a|an|the|little)$/.test(words[i - 1]?.key ?? '') &&
      /^[a-z]{3,}$/.test(key) &&
      !ENDS.has(key) &&
      !LITTLE.has(key) &&
      !CRAFT.has(key)
    )
      counts.set(key, (counts.get(key) ?? 0) + 1);
  });
  const [best] = [...counts].filter(([, count]) => count >= 2).sort((a, b) => b[1] - a[1]);
  return best ? best[0].charAt(0).toUpperCase() + best[0].slice(1) : null;
}

const CRAFT: ReadonlySet<string> = new Set(
  'increase decrease loop chain spiral you yarn hook stuffing needle marker stitch stitches round row ring magic video pattern single double crochet bit lot one way end first next last same'.split(
    ' ',
  ),
);

function nounOf(name: string): string | null {
  const words = name
    .trim()
    .split(' ')
    .map((key) => ({ key }));
  const end = words.findIndex(({ key }, i) => i > 0 && ENDS.has(key));
  const kept = words
    .slice(0, end < 0 ? 4 : Math.min(4, end))
    .filter(({ key }, i, all) => !(i < all.length - 1 && LITTLE.has(key)));
  if (kept.length === 0 || ENDS.has(kept[0]!.key)) return null;
  const title = kept.map(({ key }) => key).join(' ');
  return title.charAt(0).toUpperCase() + title.slice(1);
}

const LITTLE: ReadonlySet<string> = new Set([
  'really',
  'super',
  'adorable',
  'sweetest',
  'cutest',
  'big',
  'this',
  'little',
  'small',
  'tiny',
  'cute',
  'very',
  'new',
  'simple',
  'lovely',
  'sweet',
]);

/** The first line above the first time, where it is one of a name's length. */
function headingOf(text: string, cues: readonly Cue[]): string | null {
  const first = cues[0]?.spans[0]?.from ?? 0;
  const lines = text.slice(0, first).split(/\r\n|\r|\n/);
  const heading = lines.find(
    (line) =>
      /^[#\s]*\p{L}/u.test(line) && !/^(?:WEBVTT|NOTE|STYLE|REGION|Kind:|Language:)/.test(line) && !/-->|\d:\d\d/.test(line),
  );
  const name = heading?.replace(/^[#\s]+/, '').trim() ?? '';
  return name !== '' && name.length <= LONGEST ? name : null;
}
