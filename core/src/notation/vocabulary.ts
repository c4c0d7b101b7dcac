import { PHRASES, type Meaning } from './phrases.js';
import { STITCHES, STITCH_NAMES, type Terms } from './stitch.js';
import { tokenize, type Token } from './tokens.js';

interface Node {
  meaning: Meaning | null;
  readonly next: Map<string, Node>;
}

/** All phrases of one set of terms, as a tree of token keys. */
export type Vocabulary = Node;

function add(root: Node, phrase: string, meaning: Meaning): void {
  let node = root;
  for (const { key } of tokenize(phrase)) {
    let next = node.next.get(key);
    if (!next) node.next.set(key, (next = { meaning: null, next: new Map() }));
    node = next;
  }
  node.meaning ??= meaning;
}

const MOST_TOGETHER = 6;

function build(terms: Terms): Vocabulary {
  const root: Node = { meaning: null, next: new Map() };
  for (const [meaning, phrases] of PHRASES) if (meaning.is === 'chain') for (const each of phrases) add(root, each, meaning);
  for (const stitch of STITCH_NAMES) {
    const { abbreviation, full, words } = STITCHES[stitch][terms];
    const names = [abbreviation, ...full, ...words];
    for (const name of names) add(root, name, { is: 'stitch', stitch });
    if (stitch === 'sl st' || stitch === 'ch') continue;
    for (const name of names) {
      // "into each sc": the stitches below go by their own name.
      for (const each of ['each', 'every'])
        for (const end of ['', ' around', ' across']) add(root, `${each} ${name}${end}`, { is: 'each' });
      for (const one of ['next', 'the next', 'first', 'the first', 'last', 'the last', 'same', 'the same'])
        add(root, `${one} ${name}`, { is: 'next one' });
    }
    for (const name of names) {
      for (const inc of ['inc', 'increase', 'increases']) {
        add(root, `${name} ${inc}`, { is: 'increase', stitch, per: 2 });
        add(root, `${inc} in ${name}`, { is: 'increase', stitch, per: 2 });
      }
      for (const dec of ['dec', 'decrease', 'decreases']) {
        add(root, `${name} ${dec}`, { is: 'decrease', stitch, together: 2, school: 'open' });
        for (const invisible of ['invisible', 'inv']) {
          add(root, `${invisible} ${name} ${dec}`, { is: 'decrease', stitch, together: 2, school: 'invisible' });
          add(root, `${name} ${invisible} ${dec}`, { is: 'decrease', stitch, together: 2, school: 'invisible' });
        }
      }
      for (let together = 2; together <= MOST_TOGETHER; together++) {
        for (const phrase of [`${name}${together}tog`, `${name} ${together} tog`, `${name} ${together} together`])
          add(root, phrase, { is: 'decrease', stitch, together, school: 'plain' });
        add(root, `${together} ${name} tog`, { is: 'decrease', stitch, together, school: 'plain' });
        add(root, `${together} ${name} together`, { is: 'decrease', stitch, together, school: 'plain' });
        if (stitch === 'sc') add(root, `inv ${name}${together}tog`, { is: 'decrease', stitch, together, school: 'invisible' });
      }
    }
  }
  for (const [meaning, phrases] of PHRASES) for (const phrase of phrases) add(root, phrase, meaning);
  return root;
}

const VOCABULARIES: Readonly<Record<Terms, Vocabulary>> = { US: build('US'), UK: build('UK') };

export function vocabularyOf(terms: Terms): Vocabulary {
  return VOCABULARIES[terms];
}

/** Every word that begins a phrase in either terms, for finding what a typing slip was meant to be. */
export const FIRST_WORDS: readonly string[] = [
  ...new Set(Object.values(VOCABULARIES).flatMap((vocabulary) => [...vocabulary.next.keys()])),
].filter((word) => word.length >= 2);

export interface Match {
  readonly meaning: Meaning;
  /** How many tokens the phrase takes. */
  readonly length: number;
}

/** The longest phrase that begins at `tokens[at]`, or null. */
export function longestPhrase(vocabulary: Vocabulary, tokens: readonly Token[], at: number): Match | null {
  let node: Node | undefined = vocabulary;
  let best: Match | null = null;
  for (let i = at; i < tokens.length; i++) {
    node = node.next.get(tokens[i]!.key);
    if (!node) break;
    if (node.meaning) best = { meaning: node.meaning, length: i - at + 1 };
  }
  return best;
}
