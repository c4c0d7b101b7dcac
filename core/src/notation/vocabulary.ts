import { combine, PHRASES, type Meaning, type Phrase } from './phrases.js';
import { STITCHES, STITCH_NAMES, type StitchName, type Terms } from './stitch.js';
import { tokenize, type Token } from './tokens.js';

const LETTERS = /^[a-z]+(?: [a-z]+)*$/;
/** The same few words stand in phrases of many stitches. */
const known = new Map<string, readonly string[]>();

function keysOf(words: string): readonly string[] {
  let keys = known.get(words);
  if (!keys) known.set(words, (keys = LETTERS.test(words) ? words.split(' ') : tokenize(words).map(({ key }) => key)));
  return keys;
}

/** What is still to come of phrases that reached a node: these keys from `at` on, then one wording of each place from `place` on. */
interface Rest {
  readonly meaning: Meaning;
  readonly keys: readonly string[];
  readonly at: number;
  readonly places: readonly (readonly string[])[];
  readonly place: number;
}

/**
 * The phrases of one set of terms, as a tree of token keys. Put together there are many thousands, of which a pattern
 * meets a few dozen: a node grows its branches when a reader first comes by. Of two meanings the one added first stands.
 */
export class Vocabulary {
  private rests: Rest[] = [];
  private grown: { readonly match: Match | null; readonly next: Map<string, Vocabulary> } | null = null;

  /** @param depth how many keys lead to this node */
  constructor(private readonly depth = 0) {}

  /** The phrase that ends here. */
  get match(): Match | null {
    return (this.grown ?? this.grow()).match;
  }

  get next(): ReadonlyMap<string, Vocabulary> {
    return (this.grown ?? this.grow()).next;
  }

  /** @throws when the tree has been read already: what is added later would be missed */
  add(meaning: Meaning, phrases: Phrase | readonly Phrase[]): void {
    if (this.grown) throw new Error('Phrases are added before the vocabulary is read.');
    for (const phrase of [phrases].flat()) {
      const places = typeof phrase === 'string' ? [[phrase]] : phrase.places;
      this.rests.push({ meaning, keys: [], at: 0, places, place: 0 });
    }
  }

  private grow(): NonNullable<typeof this.grown> {
    const ends: Meaning[] = [];
    const next = new Map<string, Vocabulary>();
    const lead = ({ meaning: own, keys, at, places, place }: Rest): void => {
      const key = keys[at];
      if (key !== undefined) {
        let node = next.get(key);
        if (!node) next.set(key, (node = new Vocabulary(this.depth + 1)));
        node.rests.push({ meaning: own, keys, at: at + 1, places, place });
      } else if (place < places.length) {
        for (const words of places[place]!) lead({ meaning: own, keys: keysOf(words), at: 0, places, place: place + 1 });
      } else ends.push(own);
    };
    this.rests.forEach(lead);
    this.rests = [];
    const [meaning] = ends;
    return (this.grown = { match: meaning ? { meaning, length: this.depth } : null, next });
  }
}

const MOST_TOGETHER = 6;
/** "5-dc bobble": how many tall stitches a bump is made of changes no count. */
const TALL_COUNTS = ['2', '3', '4', '5', '6', '7'];
const TALL = ['dc', 'hdc', 'tr', 'htr', 'dtr', 'double crochet', 'treble'];
const INCREASES = ['inc', 'increase', 'increases'];
const DECREASES = ['dec', 'decrease', 'decreases'];
const INVISIBLE = ['invisible', 'inv'];
/** "in the next sc": the stitches below go by their own name. */
const ONE = ['next', 'the next', 'first', 'the first', 'last', 'the last', 'same', 'the same'];

function build(terms: Terms): Vocabulary {
  const root = new Vocabulary();
  for (const [meaning, phrases] of PHRASES) if (meaning.is === 'chain') root.add(meaning, phrases);
  for (const stitch of STITCH_NAMES) {
    const { abbreviation, full, words } = STITCHES[stitch][terms];
    const names = [abbreviation, ...full, ...words];
    root.add({ is: 'stitch', stitch }, names);
    if (stitch === 'sl st' || stitch === 'ch') continue;
    addForms(root, stitch, names);
    addChanges(root, stitch, names);
  }
  for (const [meaning, phrases] of PHRASES) root.add(meaning, phrases);
  return root;
}

/** Other ways to write a stitch: "sc stitches", "BLsc", "5-dc bobble", and where it stands for what is below. */
function addForms(root: Vocabulary, stitch: StitchName, names: readonly string[]): void {
  root.add({ is: 'stitch', stitch }, combine(names, ['stitch', 'stitches', 'st', 'sts']));
  root.add(
    { is: 'stitch', stitch, loop: 'back' },
    names.flatMap((name) => [`bl${name}`, `blo${name}`]),
  );
  root.add(
    { is: 'stitch', stitch, loop: 'front' },
    names.flatMap((name) => [`fl${name}`, `flo${name}`]),
  );
  if (STITCHES[stitch].look === 'bump') root.add({ is: 'stitch', stitch }, combine(TALL_COUNTS, ['', '-'], TALL, names));
  root.add({ is: 'each' }, combine(['each', 'every'], names, ['', 'around', 'across']));
  root.add({ is: 'next one' }, combine(ONE, names));
}

/** Increases and decreases of a stitch: "hdc inc", "sc2inc", "inv sc dec", "sc2tog", "2 sc together". */
function addChanges(root: Vocabulary, stitch: StitchName, names: readonly string[]): void {
  root.add(
    { is: 'increase', stitch, per: 2 },
    names.map((name) => `${name}2inc`),
  );
  root.add({ is: 'decrease', stitch, together: 2, school: 'open' }, [
    ...names.map((name) => `${name}2dec`),
    combine(
      ['2'],
      names.map((name) => `${name}tog`),
    ),
  ]);
  // "sc-inc" may be a stitch and an increase; nobody puts the taller ones so.
  const between = stitch === 'sc' ? [''] : ['', '-'];
  root.add({ is: 'increase', stitch, per: 2 }, [combine(names, between, INCREASES), combine(INCREASES, ['in'], names)]);
  root.add({ is: 'decrease', stitch, together: 2, school: 'open' }, combine(names, between, DECREASES));
  root.add({ is: 'decrease', stitch, together: 2, school: 'invisible' }, [
    combine(INVISIBLE, names, DECREASES),
    combine(names, INVISIBLE, DECREASES),
  ]);
  for (let together = 2; together <= MOST_TOGETHER; together++) {
    const count = [String(together)];
    const inOne = names.map((name) => `${name}${together}tog`);
    root.add({ is: 'decrease', stitch, together, school: 'plain' }, [
      ...inOne,
      combine(names, count, ['tog', 'together']),
      combine(count, names, ['tog', 'together']),
    ]);
    if (stitch === 'sc') root.add({ is: 'decrease', stitch, together, school: 'invisible' }, combine(['inv'], inOne));
  }
}

const vocabularies: Partial<Record<Terms, Vocabulary>> = {};

export function vocabularyOf(terms: Terms): Vocabulary {
  return (vocabularies[terms] ??= build(terms));
}

export interface Match {
  readonly meaning: Meaning;
  /** How many tokens the phrase takes. */
  readonly length: number;
}

/** The longest phrase that begins at `tokens[at]`, or null. */
export function longestPhrase(vocabulary: Vocabulary, tokens: readonly Token[], at: number): Match | null {
  let node: Vocabulary | undefined = vocabulary;
  let best: Match | null = null;
  for (let i = at; i < tokens.length; i++) {
    node = node.next.get(tokens[i]!.key);
    if (!node) break;
    best = node.match ?? best;
  }
  return best;
}

/** The longest phrase that begins at `tokens[at]` where the terms are not known yet: in US terms, or else in UK terms. */
export function phraseInEither(tokens: readonly Token[], at: number): Match | null {
  return longestPhrase(vocabularyOf('US'), tokens, at) ?? longestPhrase(vocabularyOf('UK'), tokens, at);
}
