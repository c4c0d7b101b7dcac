import { MM_IN } from './length-units.js';
import { BOUNDS } from '../bounds/index.js';
import { labelWord } from './label-word.js';
import { wholeNumber } from './ordinals.js';
import { timeAt } from './talk-time.js';
import { numberOf, tokenize, type Token } from './tokens.js';

/** How firmly a part is stuffed. */
export type Firmness = 'soft' | 'medium' | 'firm';

/** Small things a pattern may ask for beside yarn, eyes and stuffing. */
export type Thing = 'ring' | 'magnet' | 'cord' | 'button' | 'bead' | 'card' | 'wire' | 'bell' | 'thread';

/** How a round goes on from the one below: in a spiral, joined to its own start, or turned and worked back. */
export type Way = 'spiral' | 'joined' | 'turned';

/**
 * Stitches apart. 'between' counts the stitches that stay free between the two, 'unsaid' is "4 apart", which some read as
 * four stitches between and others as four holes on.
 */
export interface Apart {
  readonly count: number;
  readonly reading: 'between' | 'unsaid';
}

/** What a remark says, read once from its words; lengths in mm. */
export type Fact =
  | { readonly is: 'eyes'; readonly rounds: readonly [number, number] | null; readonly apart: Apart | null }
  /** 'none' where nothing is to be stuffed. */
  | { readonly is: 'stuffing'; readonly how: Firmness | 'none' }
  /** 'pressed flat' beside a stuffing of 'none': it lies in two layers. */
  /** 'ends together': both ends of a tube are sewn to one another, so that it is a ring. */
  | { readonly is: 'face' | 'limb' | 'right side' | 'closing' | 'pressed flat' | 'ends together' }
  | { readonly is: 'tail'; readonly mm: number | null }
  | { readonly is: 'thing'; readonly thing: Thing; readonly count: number | null; readonly mm: number | null }
  | { readonly is: 'marker'; readonly stitch: 'first' | 'last' }
  | { readonly is: 'way'; readonly way: Way }
  | { readonly is: 'hook' | 'eye size'; readonly mm: number }
  /** Where in a talk it was said, in seconds from its beginning; in doubt where the count could not confirm it. */
  | { readonly is: 'told'; readonly seconds: number; readonly inDoubt: boolean }
  | { readonly is: 'yarn'; readonly words: string };

const ENDS: ReadonlySet<string> = new Set(['.', '!', '?', ';', '...', '•']);
const BREAKS: ReadonlySet<string> = new Set([',', 'but', 'then', '-', ':', '(', ')']);

/** Words that were read before: a text is read anew at every keystroke, and its remarks hardly change. */
const KNOWN = new Map<string, readonly Fact[]>();
const MOST_KNOWN = 2_000;

/** The facts in a remark's words, sentence by sentence. */
export function factsIn(text: string): readonly Fact[] {
  const known = KNOWN.get(text);
  if (known) return known;
  const tokens = tokenize(text);
  const telling = tokens.some(({ key }) => TELLING.has(key) || STUFFS.test(key));
  const facts = [...(telling ? sentencesOf(tokens).flatMap(factsOfSentence) : []), ...toldIn(tokens)];
  if (KNOWN.size >= MOST_KNOWN) KNOWN.clear();
  KNOWN.set(text, facts);
  return facts;
}

/** "(at 4:26)": where in a talk it was said. */
function toldIn(tokens: readonly Token[]): Fact[] {
  for (let at = 0; at < tokens.length; at++) {
    const told = tokens[at]!.key === 'at' ? timeAt(tokens, at + 1) : null;
    if (told) return [{ is: 'told', seconds: told.seconds, inDoubt: tokens.some(({ key }) => key === 'doubt') }];
  }
  return [];
}

type Clause = readonly Token[];

/** Sentences, each in its clauses. */
function sentencesOf(tokens: readonly Token[]): Clause[][] {
  const sentences: Token[][][] = [[[]]];
  for (const token of tokens) {
    const sentence = sentences.at(-1)!;
    if (ENDS.has(token.key)) sentences.push([[]]);
    else if (BREAKS.has(token.key)) sentence.push([]);
    else sentence.at(-1)!.push(token);
  }
  return sentences;
}

function factsOfSentence(clauses: readonly Clause[]): Fact[] {
  const all = clauses.flat();
  if (all.length === 0) return [];
  return [
    ...sizesIn(clauses, all),
    ...waysIn(clauses),
    ...markerIn(all),
    ...endsIn(clauses),
    ...actsIn(clauses, all),
    ...thingsIn(clauses),
  ];
}

const NOT: ReadonlySet<string> = new Set([
  'not',
  'never',
  'don’t',
  "don't",
  'dont',
  'no',
  'without',
  'avoid',
  'unless',
  'isn’t',
  "isn't",
]);
/** How many words before a verb a "not" still belongs to it. */
const REACH = 3;

/** Whether the word at an index is denied: "do not join", "without stuffing", "not in rows". */
function denied(clause: Clause, at: number): boolean {
  return clause.slice(Math.max(0, at - REACH), at).some(({ key }) => NOT.has(key));
}

const has = (clause: Clause, ...keys: readonly string[]): boolean => clause.some(({ key }) => keys.includes(key));
const find = (clause: Clause, ...keys: readonly string[]): number => clause.findIndex(({ key }) => keys.includes(key));

const STUFFS = /^(?:re)?(?:stuff|fill)(?:ing|ed|s)?$|^fib(?:re|er)fill$|^polyfill$/;

/** How a sentence stuffs: denied where nothing is to go in, "not too firmly" where little is. */
function stuffingIn(clauses: readonly Clause[], all: Clause): Fact[] {
  if (has(all, 'flat') && has(all, 'press', 'pressed')) return [{ is: 'stuffing', how: 'none' }, { is: 'pressed flat' }];
  if (has(all, 'unstuffed')) return [{ is: 'stuffing', how: 'none' }];
  for (const clause of clauses) {
    const at = clause.findIndex(({ key }) => STUFFS.test(key));
    if (at < 0) continue;
    if (!denied(clause, at)) return [{ is: 'stuffing', how: firmnessIn(clauses) }];
    if (has(clause, 'yet', 'until', 'before', 'forget')) return [];
    // "Do not stuff too firmly" stuffs, and softly.
    if (has(clause, 'too', 'much', 'hard', 'firmly', 'tightly', 'full')) return [{ is: 'stuffing', how: 'soft' }];
    if (has(clause, 'stuff', 'fill', 'stuffed', 'filled', 'stuffing', 'filling')) return [{ is: 'stuffing', how: 'none' }];
  }
  return [];
}

const FIRM: ReadonlySet<string> = new Set(['firmly', 'firm', 'tightly', 'well', 'hard', 'full']);
const SOFT: ReadonlySet<string> = new Set(['lightly', 'loosely', 'softly', 'soft', 'little', 'light', 'gently', 'sparingly']);

function firmnessIn(clauses: readonly Clause[]): Firmness {
  for (const clause of clauses) {
    const firm = clause.findIndex(({ key }) => FIRM.has(key));
    const soft = clause.findIndex(({ key }) => SOFT.has(key));
    if (soft >= 0 && !denied(clause, soft)) return 'soft';
    if (firm >= 0) return denied(clause, firm) ? 'soft' : 'firm';
  }
  return 'medium';
}

const ACTS = ['set', 'place', 'put', 'insert', 'add', 'attach', 'sew', 'glue', 'embroider', 'fix', 'position', 'secure'];
const FACE = ['embroider', 'nose', 'mouth', 'face', 'cheeks', 'snout', 'lashes'];

/** "Sew its two ends together", "join both ends to each other": not those of the yarn, which are woven in. */
function endsIn(clauses: readonly Clause[]): Fact[] {
  const meet = clauses.some((clause) => {
    const verb = find(clause, 'sew', 'join', 'stitch');
    if (verb < 0 || denied(clause, verb) || find(clause, 'ends') < verb) return false;
    return has(clause, 'its', 'two', 'both') && has(clause, 'together', 'each') && !has(clause, 'yarn');
  });
  return meet ? [{ is: 'ends together' }] : [];
}

/** What is to be done at one time, the first kind that a sentence names. */
function actsIn(clauses: readonly Clause[], all: Clause): Fact[] {
  const acts = has(all, ...ACTS);
  if (has(all, 'eyes', 'eye') && acts) return [{ is: 'eyes', rounds: roundsIn(all), apart: apartIn(all) }];
  const stuffing = stuffingIn(clauses, all);
  if (stuffing.length > 0 || clauses.some((clause) => clause.some(({ key }) => STUFFS.test(key)))) return stuffing;
  if (has(all, ...FACE) && acts) return [{ is: 'face' }];
  const verb = find(all, 'attach', 'sew', 'join');
  if (verb >= 0 && !denied(all, verb) && !has(all, 'round', 'rounds', 'yarn')) return [{ is: 'limb' }, ...tailIn(all)];
  if (has(all, 'right') && has(all, 'side')) return [{ is: 'right side' }];
  if (has(all, 'leave') && has(all, 'cm', 'mm', 'in', 'inch', 'inches', 'tail', 'yarn', 'end')) return tailIn(all);
  if (has(all, 'tail')) return tailIn(all);
  const close = find(all, 'fasten', 'close', 'draw', 'fo', 'finish');
  return close >= 0 && !denied(all, close) ? [{ is: 'closing' }] : [];
}

/** Shorter than this a length is no tail to sew with, mm. */
const LEAST_TAIL = 40;

function tailIn(all: Clause): Fact[] {
  if (!has(all, 'yarn', 'tail', 'end')) return [];
  const lengths = all.flatMap((token, i) => {
    const value = numberOf(token);
    const unit = MM_IN[all[i + 1]?.key ?? ''];
    return value !== null && unit !== undefined && value * unit >= LEAST_TAIL ? [value * unit] : [];
  });
  const mm = lengths[0] ?? null;
  return has(all, 'leave', 'cut', 'tail') ? [{ is: 'tail', mm }] : [];
}

/** "between R6 and R7", "at round 8": the rounds a sentence speaks of. */
function roundsIn(all: Clause): readonly [number, number] | null {
  for (let i = 0; i < all.length; i++) {
    if (!labelWord(all[i])) continue;
    const first = wholeNumber(all[i + 1]);
    if (first === null) continue;
    const joined = ['and', '&', '-', 'to'].includes(all[i + 2]?.key ?? '');
    const at = i + 3 + (labelWord(all[i + 3]) ? 1 : 0);
    return [first, (joined ? wholeNumber(all[at]) : null) ?? first];
  }
  return null;
}

const STITCHES: ReadonlySet<string> = new Set(['stitches', 'sts', 'st', 'stitch', 'sc', 'dc']);

/** "9 stitches between them", "4 sts apart", "4 apart". */
function apartIn(all: Clause): Apart | null {
  for (let i = 0; i < all.length; i++) {
    const count = numberOf(all[i]);
    if (count === null || !Number.isInteger(count)) continue;
    const unit = STITCHES.has(all[i + 1]?.key ?? '') ? 1 : 0;
    const after = all.slice(i + 1 + unit, i + 5 + unit).map(({ key }) => key);
    if (unit > 0 && (after.includes('between') || after.includes('free'))) return { count, reading: 'between' };
    if ((unit > 0 && after.includes('apart')) || after[0] === 'apart') return { count, reading: 'unsaid' };
  }
  return null;
}

/** "Work in a spiral, not in rows", "Join each round", "Do not join": what is denied is not so. */
function waysIn(clauses: readonly Clause[]): Fact[] {
  return clauses.flatMap((clause): Fact[] => {
    const words = clause.map(({ key }) => key);
    const joined = words.findIndex(
      (key, i) => /^join(?:ed|ing)?$/.test(key) && /^(?:rounds|each|every|the|at)$/.test(words[i + 1] ?? 'at'),
    );
    if (joined >= 0 && words.some((key) => key.startsWith('round')))
      return [{ is: 'way', way: denied(clause, joined) ? 'spiral' : 'joined' }];
    const spiral = words.findIndex((key) => /^spirals?$/.test(key));
    if (spiral >= 0) return denied(clause, spiral) ? [] : [{ is: 'way', way: 'spiral' }];
    const rows = words.findIndex((key, i) => key === 'rows' && /^(?:flat|turned|in)$/.test(words[i - 1] ?? ''));
    const forth = words.findIndex((key, i) => key === 'back' && words[i + 1] === 'and' && words[i + 2] === 'forth');
    const turned = rows >= 0 ? rows : forth;
    return turned >= 0 && !denied(clause, turned) ? [{ is: 'way', way: 'turned' }] : [];
  });
}

function markerIn(all: Clause): Fact[] {
  const at = find(all, 'marker', 'markers', 'mark', 'pm');
  const named = at < 0 ? -1 : all.findIndex(({ key }, i) => i > at && (key === 'first' || key === 'last'));
  return named < 0 ? [] : [{ is: 'marker', stitch: all[named]!.key === 'first' ? 'first' : 'last' }];
}

/** Words that end the name of a yarn weight. */
const WEIGHTS: ReadonlySet<string> = new Set(
  'lace fine light medium bulky jumbo worsted dk aran chunky sport fingering baby sock'.split(' '),
);

/** "a 3.5 mm hook", "two 9 mm safety eyes", "hook: 3.5 mm", "safety eyes 8 mm"; "medium yarn". */
function sizesIn(clauses: readonly Clause[], all: Clause): Fact[] {
  const facts = clauses.flatMap((clause, nth): Fact[] =>
    clause.flatMap((token, i): Fact[] => {
      const mm = numberOf(token);
      if (mm === null || mm <= 0 || clause[i + 1]?.key !== 'mm') return [];
      const after = clause.slice(i + 2, i + 4);
      // What was named before a colon stands in the clause before.
      const before = i > 0 ? clause.slice(i - 1, i) : after.length === 0 ? (clauses[nth - 1] ?? []).slice(-1) : [];
      for (const named of [after, before]) {
        if (has(named, 'hook', 'hooks')) return [{ is: 'hook', mm }];
        if (has(named, 'eyes', 'eye')) return [{ is: 'eye size', mm }];
      }
      return [];
    }),
  );
  const yarn = yarnNamed(all);
  return yarn === null ? facts : [...facts, { is: 'yarn', words: yarn }];
}

/** "medium yarn", "DK weight yarn", "yarn: worsted": the words up to the name of the weight. */
function yarnNamed(all: Clause): string | null {
  const yarn = find(all, 'yarn', 'weight');
  if (yarn < 0) return null;
  const before = WEIGHTS.has(all[yarn - 1]?.key ?? '') ? yarn : -1;
  const after = all.findIndex(({ key }, i) => i > yarn && i <= yarn + 3 && WEIGHTS.has(key)) + 1;
  const end = before > 0 ? before : after;
  if (end <= 0) return null;
  const words = all.slice(Math.max(before > 0 ? 0 : yarn + 1, end - 3), end);
  return words.map(({ key }) => key).join(' ');
}

const THINGS: ReadonlyMap<string, Thing> = new Map(
  (
    [
      ['ring', 'keyring keyrings keychain'],
      ['magnet', 'magnet magnets'],
      ['cord', 'cord cords ribbon string lanyard'],
      ['button', 'button buttons'],
      ['bead', 'bead beads'],
      ['card', 'card cardboard'],
      ['wire', 'wire wires'],
      ['bell', 'bell bells rattle squeaker'],
      ['thread', 'thread floss embroider embroidery'],
    ] as const
  ).flatMap(([thing, words]) => words.split(' ').map((word) => [word, thing] as const)),
);
/** "Thread the tail through": here it is something to do. */
const THREADS_THE_TAIL: ReadonlySet<string> = new Set(['the', 'tail', 'it', 'through']);

/** Small things a sentence asks for, with a number and a length where they are named; "no magnet" asks for none. */
function thingsIn(clauses: readonly Clause[]): Fact[] {
  return clauses.flatMap((clause) =>
    clause.flatMap(({ key }, at): Fact[] => {
      const thing = THINGS.get(key);
      const done = key === 'thread' && THREADS_THE_TAIL.has(clause[at + 1]?.key ?? '');
      if (!thing || done || denied(clause, at)) return [];
      const ends = (i: number): boolean => clause[i]!.key === 'and' || (i !== at && THINGS.has(clause[i]!.key));
      const before = clause.findLastIndex((_, i) => i < at && ends(i));
      const after = clause.findIndex((_, i) => i > at && ends(i));
      const own = clause.slice(before + 1, after < 0 ? clause.length : after);
      return [{ is: 'thing', thing, ...numbersOf(own) }];
    }),
  );
}

/** "four", "20 cm" among the words of one thing. */
function numbersOf(words: Clause): { readonly count: number | null; readonly mm: number | null } {
  let count: number | null = null;
  let mm: number | null = null;
  words.forEach((token, i) => {
    const value = numberOf(token);
    const unit = MM_IN[words[i + 1]?.key ?? ''];
    if (value === null || value <= 0) return;
    if (unit !== undefined) mm ??= Math.round(value * unit * 10) / 10;
    else if (Number.isInteger(value) && value <= BOUNDS.copies) count ??= value;
  });
  return { count, mm };
}

/** Words that a remark with something to say holds one of, beside those of stuffing. */
const TELLING: ReadonlySet<string> = new Set([
  ...FACE,
  ...THINGS.keys(),
  ...'eyes eye unstuffed flat attach sew join joined joining ends right leave tail fasten close draw fo finish rounds spiral spirals rows back marker markers mark pm hook hooks yarn weight'.split(
    ' ',
  ),
]);
