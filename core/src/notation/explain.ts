import { labelWord } from './label-word.js';
import type { Meaning } from './phrases.js';
import type { Span } from './span.js';
import { STITCHES, type StitchName, type Terms } from './stitch.js';
import { tokenize } from './tokens.js';
import { longestPhrase, vocabularyOf } from './vocabulary.js';

export interface Explanation {
  readonly span: Span;
  /** The full name, with the other terms' name where it differs. */
  readonly title: string;
  /** What the hands do. */
  readonly words: string;
}

/** Explains the word or phrase at an offset, in the pattern's terms; null where there is nothing to explain. */
export function explainAt(text: string, offset: number, terms: Terms): Explanation | null {
  const from = Math.max(text.lastIndexOf('\n', offset - 1), text.lastIndexOf('\r', offset - 1)) + 1;
  const end = text.slice(offset).search(/[\n\r]/);
  const tokens = tokenize(text, from, end < 0 ? text.length : offset + end);
  const at = tokens.findIndex((token) => token.from <= offset && offset < token.to);
  if (at < 0) return null;
  // The longest phrase that covers the word, wherever it begins.
  for (let start = Math.max(0, at - 5); start <= at; start++) {
    const match = longestPhrase(vocabularyOf(terms), tokens, start);
    if (!match || start + match.length <= at) continue;
    const said = sayMeaning(match.meaning, terms);
    if (said) return { ...said, span: { from: tokens[start]!.from, to: tokens[start + match.length - 1]!.to } };
  }
  const round = labelWord(tokens[at]);
  if (!round || at > 1) return null;
  return {
    title: round === 'row' ? 'Row' : 'Round',
    words: 'All the stitches once around, or once across in flat work.',
    span: tokens[at]!,
  };
}

type Said = Omit<Explanation, 'span'>;

/** What words of the craft that name no stitch mean. */
const MEANINGS: Readonly<Partial<Record<Meaning['is'], Said>>> = {
  ring: {
    title: 'Adjustable ring',
    words: 'A loop of yarn that the first stitches are worked into; its tail then draws it shut.',
  },
  chain: { title: 'Chain', words: STITCHES.ch.how },
  picot: {
    title: 'Picot',
    words: 'A few chains and a slip stitch back into the first of them. A small point, and no stitch of the round.',
  },
  skip: { title: 'Skip', words: 'Pass over a stitch and leave it unworked.' },
  turn: { title: 'Turn', words: 'Turn the work and go back along the row. The chain before it only lifts the yarn.' },
  'close join': { title: 'Join', words: 'A slip stitch into the round’s first stitch. It does not count.' },
  around: { title: 'Around', words: 'To the end of the round, in every stitch that is left.' },
  each: { title: 'Around', words: 'To the end of the round, in every stitch that is left.' },
  through: {
    title: 'Worked in',
    words: 'The hook goes through both layers, so that the piece is joined without sewing. The count stays.',
  },
};

function sayMeaning(meaning: Meaning, terms: Terms): Said | null {
  switch (meaning.is) {
    case 'stitch':
      return { title: namedIn(meaning.stitch, terms), words: STITCHES[meaning.stitch].how };
    case 'increase':
      return {
        title: `Increase, ${namedIn(meaning.stitch ?? 'sc', terms)}`,
        words: `${meaning.per} stitches in one: the round gains ${meaning.per - 1}.`,
      };
    case 'decrease':
      return decreaseSaid(meaning, namedIn(meaning.stitch ?? 'sc', terms));
    case 'loop':
      return loopSaid(meaning.loop);
    default:
      return MEANINGS[meaning.is] ?? null;
  }
}

/** A stitch's name, with the other terms' where it differs. */
function namedIn(stitch: StitchName, terms: Terms): string {
  const other: Terms = terms === 'US' ? 'UK' : 'US';
  const [own, theirs] = [STITCHES[stitch][terms], STITCHES[stitch][other]];
  const abroad = own.full[0] === theirs.full[0] ? '' : ` (${other}: ${theirs.full[0]}, ${theirs.abbreviation})`;
  return `${own.full[0]}${abroad}`;
}

function decreaseSaid(meaning: Extract<Meaning, { is: 'decrease' }>, name: string): Said {
  const gone = `The round loses ${meaning.together - 1}.`;
  if (meaning.school === 'invisible')
    return {
      title: `Invisible decrease, ${name}`,
      words: `The front loops of two stitches on the hook, then one stitch through both. ${gone}`,
    };
  return {
    title: `Decrease, ${name}`,
    words: `${meaning.together} stitches worked into one: a loop from each, then draw through all. ${gone}`,
  };
}

function loopSaid(loop: 'both' | 'back' | 'front'): Said {
  if (loop === 'both') return { title: 'Both loops', words: 'Under both strands of the V, as usual.' };
  const [own, left] = loop === 'back' ? ['Back', 'front'] : ['Front', 'back'];
  return {
    title: `${own} loop only`,
    words: `Only the ${loop} strand of the V. The ${left} loops stay as a ridge, to fold at or to work on later.`,
  };
}
