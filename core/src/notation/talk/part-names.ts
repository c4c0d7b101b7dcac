import type { Sign } from './sign.js';
import type { Spoken } from './words.js';
import type { Told } from './chain.js';

/** Where a part is told: its rounds, and the words around it that may name it. */
export interface Stretch {
  /** Indices of words: what was said since the last round of the part before, and up to the end of its own last round. */
  readonly from: number;
  readonly start: number;
  readonly to: number;
  /** Where the next part begins, or the talk ends. */
  readonly until: number;
}

/** The parts of a talk by their rounds, with the words that may speak of them. */
export function stretchesOf(
  told: readonly Told[],
  signs: readonly Sign[],
  words: readonly Spoken[],
): { readonly told: readonly Told[]; readonly words: Stretch }[] {
  const parts: Told[][] = [];
  for (const each of told) {
    if (each.rounds.starts || parts.length === 0) parts.push([]);
    parts.at(-1)!.push(each);
  }
  const firstWord = ({ from, to }: Told): number =>
    (signs.slice(from, to).find(({ is }) => is !== 'number') ?? signs[from]!).first;
  const lastWork = ({ from, to }: Told): number => {
    const own = signs.slice(from, to);
    const over = own.findIndex(({ is }) => is === 'copies' || is === 'end');
    const end = (over > 0 ? own.slice(0, over) : own).findLast(({ is }) => ENDS.has(is));
    return (end ?? signs[from]!).last;
  };
  return parts.map((part, i) => {
    const from = i === 0 ? 0 : lastWork(parts[i - 1]!.at(-1)!) + 1;
    const until = i + 1 < parts.length ? firstWord(parts[i + 1]![0]!) : words.length;
    return { told: part, words: { from, start: firstWord(part[0]!), to: lastWork(part.at(-1)!), until } };
  });
}

/** Signs after which a round's own words are over. */
const ENDS: ReadonlySet<Sign['is']> = new Set([
  'atom',
  'each',
  'every',
  'total',
  'times',
  'around',
  'run',
  'into',
  'plain',
  'label',
  'open',
]);

/** Nouns that patterns call their parts (our own list). */
const PARTS: ReadonlySet<string> = new Set(
  `head body arm leg ear tail wing beak bill nose snout muzzle foot feet paw hand fin flipper horn antler antenna antennae spike
  scale mane hair fringe hat cap scarf collar bow tie belly tummy face cheek eyelid patch spot stripe shell lid base
  handle neck leaf leaves stem stalk petal flower cone trunk hoof tentacle claw tooth teeth tongue comb wattle crest sock
  shoe boot mitten thumb finger cuff cape coat dress skirt bag pocket button wheel door window roof wall sail mast hull ring
  branch root seed cherry slice crust filling cream icing candle bone egg cloud star moon sun heart ball label sole brim cord
  rope pouch hood ruff feather gill barb whisker pincer pad pompom toe trouser sleeve`.split(/\s+/),
);
const NO_NAME: ReadonlySet<string> = new Set(
  `the a an your our my his her its their this that these those of in on at with and or so now then next last first second other
  same one ones each every all both just little small big long short tiny wee whole real again okay right left front back side end
  middle round rounds row rows stitch stitches ring loop chain hook yarn marker color colour thing bit piece pieces part parts
  pattern video magic single double half treble crochet increase decrease start beginning is are it's we i you he she it they need
  make makes making do be was were need have has got going get go want like use using himself herself itself themselves finish
  for to from up down way before after by when while rest stuffing thread needle scissors pin time minute moment`.split(/\s+/),
);

export interface Named {
  readonly name: string;
  readonly score: number;
  /** Index of the word after it. */
  readonly at: number;
}

/** What is known where a name is looked for. */
export interface Naming {
  /** How many words from one on name a colour. */
  readonly colours: (at: number) => number;
  readonly title: string;
  /** Whether the part begins by joining others: its own name may come later. */
  readonly joined: boolean;
  /** Names that parts before have. */
  readonly used: readonly string[];
}

const LEAD = String.raw`(?:~4|do|doing|make|making|made|begin with|beginning with|start with|starting with|let's make|let's do|on ~2|onto|work on|up is|part is|piece is|thing is|one is|next is|last is|next are|last are|is|are|it's|that's|need|now|and|so|then|next|last thing|right|okay|\.)`;
/** Looked ahead to, so that one way to name a part does not hide another. */
const NAME = String.raw`(?=((?:[a-z']+ ){1,3}))`;
/** Ways to speak of a part that is about to be made, and how plainly they do. */
const PATTERNS: readonly (readonly [RegExp, number])[] = [
  [new RegExp(String.raw`(?<= )${LEAD} (?:the|our|his|her|its|your|my) ${NAME}`, 'g'), 3],
  [new RegExp(String.raw`(?<= )(?:#\d+|~[24]) (?:little |small |tiny )?${NAME}`, 'g'), 1],
  [new RegExp(String.raw`(?<=\. )(?:(?:okay|right|so|now|then|and) )*(?=((?:[a-z']+ ){1,2})(?:then )?(?:\.|#|~))`, 'g'), 1.5],
  [new RegExp(String.raw`(?<= )(?:right so|okay so|so|now) ${NAME}`, 'g'), 1],
  [new RegExp(String.raw`(?<= )(?:the|a|an) ${NAME}`, 'g'), 0.3],
];
/** Words before a part's first round that may name it, and after it where it joins others. */
const WORDS_BEFORE = 90;
const WORDS_AFTER = 30;
const WORDS_AFTER_JOIN = 150;
/** A name that scores less is no more than a word that stands there. */
const LEAST_SCORE = 3;

/** What a part is called in the words around its first round; null where nothing names it. */
export function nameOf(words: readonly Spoken[], { from, start, to }: Stretch, naming: Naming): Named | null {
  const begin = Math.max(from, start - WORDS_BEFORE);
  const end = Math.min(to, start + (naming.joined ? WORDS_AFTER_JOIN : WORDS_AFTER));
  const own = words.slice(begin, end + 1);
  const text = ` ${own.map(({ key }) => key).join(' ')} `;
  const offsets: number[] = [];
  for (let i = 0, offset = 1; i < own.length; offset += own[i]!.key.length + 1, i++) offsets.push(offset);
  let best: Named | null = null;
  for (const [pattern, weight] of PATTERNS) {
    for (const match of text.matchAll(pattern)) {
      const offset = match.index + match[0].length;
      const first =
        begin +
        Math.max(
          0,
          offsets.findLastIndex((each) => each <= offset),
        );
      const named = nounsAt(words, first, naming.colours);
      if (!named) continue;
      const score = weightOf(words, first, weight, naming) + scoreOf(words, named, start, naming);
      if (!best || score > best.score) best = { ...named, score };
    }
  }
  return best && best.score >= LEAST_SCORE ? best : null;
}

/** "Some cream for the cuffs" lists yarn, and names no part that is begun. */
function weightOf(words: readonly Spoken[], at: number, weight: number, { colours }: Naming): number {
  const lists =
    words[at - 2]?.key === '~4' && [1, 2, 3].some((back) => colours(at - 2 - back) > 0 || words[at - 2 - back]?.key === 'yarn');
  return lists ? 0 : weight;
}

function scoreOf(
  words: readonly Spoken[],
  { name, at }: Omit<Named, 'score'>,
  start: number,
  { title, joined, used }: Naming,
): number {
  const known = isPartWord(name.split(' ').at(-1)!) ? 2.5 : 0;
  const near = at <= start + 2 ? 1.5 * (1 - (start - at) / WORDS_BEFORE) : joined ? 1 : -1;
  const often = Math.min(1.5, 0.3 * mentions(words, name));
  const itself = /^(?:him|her|it|them)sel(?:f|ves)$/.test(words[at]?.key ?? '') ? 2 : 0;
  const partOf = words[at]?.key === 'of' ? 2 : 0;
  const ofTitle = title.split(' ').includes(name) ? 1 : 0;
  return known + near + often + itself + ofTitle - partOf - (used.includes(name) ? 4 : 0);
}

function isPartWord(word: string): boolean {
  return (
    PARTS.has(word) ||
    PARTS.has(word.replace(/(?:es|s)$/, '')) ||
    PARTS.has(word.replace(/s$/, '')) ||
    PARTS.has(word.replace(/ves$/, 'f'))
  );
}

/** The noun at a word, of two words where the second one belongs to it: "eye stalks", "night cap", but not "legs brown". */
function nounsAt(words: readonly Spoken[], at: number, colours: (at: number) => number): Omit<Named, 'score'> | null {
  let i = at;
  while (i < at + 2 && (NO_NAME.has(words[i]?.key ?? '') || colours(i) > 0)) i += Math.max(1, colours(i));
  const first = plain(words, i, colours);
  if (!first) return null;
  const second = plain(words, i + 1, colours);
  const joins = second && isPartWord(second) && !words[i + 1]!.afterComma && !first.endsWith('s');
  return joins ? { name: `${first} ${second}`, at: i + 2 } : { name: first.replace(/'s$/, ''), at: i + 1 };
}

function plain(words: readonly Spoken[], at: number, colours: (at: number) => number): string | null {
  const key = words[at]?.key ?? '';
  return /^[a-z]{3,}(?:'s)?$/.test(key) && !NO_NAME.has(key) && colours(at) === 0 ? key : null;
}

function mentions(words: readonly Spoken[], name: string): number {
  const [first, second] = name.split(' ');
  return words.filter((word, i) => word.key === first && (second === undefined || words[i + 1]?.key === second)).length;
}

/** How many of a part are made, by what is said before it and after its last round. */
export function copiesOf(
  words: readonly Spoken[],
  signs: readonly Sign[],
  { from, start, to, until }: Stretch,
  named: Named | null,
  nextNamedAt: number,
): number | null {
  const begin = Math.max(from, named ? named.at - 8 : start - 40);
  let count = numberAfter(words, named);
  let more = 0;
  for (const sign of signs) {
    const before = sign.first >= begin && sign.last < start + 25;
    const after = sign.first > to && sign.first < Math.min(until, nextNamedAt);
    if (sign.is !== 'copies' || sign.count > MOST_COPIES || (!before && !after)) continue;
    if (!sign.more) count = Math.max(count ?? 0, sign.count);
    else if (after) more = sign.count > 1 || sign.last - sign.first > 4 ? more + sign.count : Math.max(more, sign.count);
  }
  if (count !== null && count > 1) return count;
  return more > 0 ? 1 + more : null;
}

/** "Ears, two: round one": a number right after the name. */
function numberAfter(words: readonly Spoken[], named: Named | null): number | null {
  if (!named) return null;
  const number = /^#([2-9]|1[0-2])$/.exec(words[named.at]?.key ?? '');
  return number && AFTER_NUMBER.has(words[named.at + 1]?.key ?? '') ? Number(number[1]) : null;
}

const AFTER_NUMBER: ReadonlySet<string> = new Set(['.', 'r', 'row', 'round', 'of', 'times', 'pieces']);

/** More of one part is a number of something else. */
const MOST_COPIES = 12;
