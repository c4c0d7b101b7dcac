import type { DecreaseSchool } from './pattern.js';
import { STITCHES, STITCH_NAMES, type Loop, type StitchName, type Terms } from './stitch.js';
import { tokenize, type Token } from './tokens.js';

/** What a phrase means to the reader of a round. */
export type Meaning =
  | { readonly is: 'stitch'; readonly stitch: StitchName }
  | { readonly is: 'increase'; readonly stitch: StitchName | null; readonly per: number }
  | { readonly is: 'decrease'; readonly stitch: StitchName | null; readonly together: number; readonly school: DecreaseSchool }
  | { readonly is: 'loop'; readonly loop: Loop }
  | { readonly is: 'ring' }
  | { readonly is: 'second chain' }
  | { readonly is: 'chain' }
  | { readonly is: 'around' }
  | { readonly is: 'each' }
  | { readonly is: 'next'; readonly each: boolean }
  | { readonly is: 'next one' }
  | { readonly is: 'into' }
  | { readonly is: 'stitches' }
  | { readonly is: 'times' }
  | { readonly is: 'twice' }
  | { readonly is: 'from star' }
  | { readonly is: 'filler' }
  | { readonly is: 'colour' }
  | { readonly is: 'with' }
  | { readonly is: 'remark' };

const PLAIN: readonly (readonly [Meaning, readonly string[]])[] = [
  [{ is: 'increase', stitch: null, per: 2 }, ['inc', 'incs', 'increase', 'increases', 'increase in']],
  [
    { is: 'decrease', stitch: null, together: 2, school: 'invisible' },
    ['invdec', 'inv dec', 'inv-dec', 'invisible dec', 'invisible decrease', 'invisible decreases', 'invdecs'],
  ],
  [{ is: 'decrease', stitch: null, together: 2, school: 'open' }, ['dec', 'decs', 'decrease', 'decreases', 'decrease in']],
  [{ is: 'loop', loop: 'back' }, ['blo', 'back loop', 'back loops', 'back loop only', 'back loops only']],
  [{ is: 'loop', loop: 'front' }, ['flo', 'front loop', 'front loops', 'front loop only', 'front loops only']],
  [{ is: 'loop', loop: 'both' }, ['both loops']],
  [
    { is: 'ring' },
    [
      'ring',
      'mr',
      'amr',
      'adjustable ring',
      'magic ring',
      'magic circle',
      'magic loop',
      'the ring',
      'a ring',
      'loop ring',
      'an adjustable ring',
      'a magic ring',
      'a magic circle',
    ],
  ],
  [
    { is: 'second chain' },
    [
      '2nd ch from hook',
      '2nd chain from hook',
      'second ch from hook',
      'second chain from hook',
      '2nd ch',
      '2nd chain',
      'second chain',
      'second ch',
      '2nd chain from the hook',
      'second chain from the hook',
    ],
  ],
  [{ is: 'chain' }, ['ch', 'chs', 'chain', 'chains']],
  [
    { is: 'around' },
    ['around', 'all around', 'to end', 'to the end', 'all the way around', 'to end of round', 'until end', 'round'],
  ],
  [
    { is: 'each' },
    [
      'each st around',
      'each stitch around',
      'each st',
      'each stitch',
      'every st',
      'every stitch',
      'all sts',
      'all stitches',
      'every stitch around',
      'every st around',
      'all sts around',
      'all stitches around',
    ],
  ],
  [
    { is: 'next one' },
    [
      'next st',
      'next stitch',
      'the next st',
      'the next stitch',
      'the same st',
      'the same stitch',
      'same st',
      'same stitch',
      'one st',
      'one stitch',
      'first st',
      'first stitch',
      'last st',
      'last stitch',
      'the first st',
      'the first stitch',
      'the last st',
      'the last stitch',
      'a st',
      'a stitch',
    ],
  ],
  [
    { is: 'next', each: true },
    ['each of next', 'each of the next', 'each of first', 'each of the first', 'each of last', 'each of the last'],
  ],
  [{ is: 'next', each: false }, ['next', 'the next', 'first', 'the first', 'last', 'the last', 'all', 'all the']],
  [{ is: 'stitches' }, ['st', 'sts', 'stitch', 'stitches', 'st total', 'sts total', 'stitches total', 'total']],
  [{ is: 'times' }, ['x', 'times', 'time']],
  [{ is: 'twice' }, ['twice']],
  [{ is: 'from star' }, ['repeat from *', 'rep from *', 'repeat from * to *', 'rep from * to *', 'repeat from', 'rep from']],
  [{ is: 'filler' }, ['and', 'then', 'work', 'repeat', 'rep', 'crochet', 'make', 'the']],
  [
    { is: 'colour' },
    [
      'change to',
      'change color to',
      'change colour to',
      'switch to',
      'switch color to',
      'switch colour to',
      'change yarn to',
      'color',
      'colour',
      'join',
      'change color',
      'change colour',
    ],
  ],
  [{ is: 'with' }, ['with', 'in', 'using']],
  [{ is: 'into' }, ['into', 'over']],
  [
    { is: 'remark' },
    [
      'stuff',
      'start stuffing',
      'begin stuffing',
      'place',
      'move',
      'mark',
      'put',
      'attach',
      'insert',
      'add',
      'sew',
      'fasten',
      'fo',
      'finish',
      'leave',
      'cut',
      'turn',
      'continue',
      'keep',
      'weave',
      'close',
      'pull',
      'begin',
      'start',
      'do not',
      "don't",
      'embroider',
      'set',
      'this',
      'you',
      'now',
      'pm',
      'tie',
      'thread',
      'hide',
      'remember',
      'ch 1 and turn',
      'ch 1',
      'join with sl st',
      'join with a sl st',
      'join with slip stitch',
    ],
  ],
];

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

function build(terms: Terms): Vocabulary {
  const root: Node = { meaning: null, next: new Map() };
  for (const stitch of STITCH_NAMES) {
    const { abbreviation, words } = STITCHES[stitch][terms];
    add(root, abbreviation, { is: 'stitch', stitch });
    for (const word of words) add(root, word, { is: 'stitch', stitch });
    if (stitch === 'sl st') continue;
    for (const name of [abbreviation, ...words]) {
      for (const inc of ['inc', 'increase']) add(root, `${name} ${inc}`, { is: 'increase', stitch, per: 2 });
      for (const inc of ['inc', 'increase']) add(root, `${inc} in ${name}`, { is: 'increase', stitch, per: 2 });
      for (const dec of ['dec', 'decrease']) add(root, `${name} ${dec}`, { is: 'decrease', stitch, together: 2, school: 'open' });
    }
    for (const together of [2, 3, 4]) {
      add(root, `${abbreviation}${together}tog`, { is: 'decrease', stitch, together, school: 'plain' });
      add(root, `${abbreviation} ${together} tog`, { is: 'decrease', stitch, together, school: 'plain' });
      add(root, `${abbreviation} ${together} together`, { is: 'decrease', stitch, together, school: 'plain' });
    }
  }
  for (const [meaning, phrases] of PLAIN) for (const phrase of phrases) add(root, phrase, meaning);
  return root;
}

const VOCABULARIES: Readonly<Record<Terms, Vocabulary>> = { US: build('US'), UK: build('UK') };

export function vocabularyOf(terms: Terms): Vocabulary {
  return VOCABULARIES[terms];
}

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
