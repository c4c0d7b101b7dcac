import { tokenize, type Token } from '../tokens.js';
import { longestPhrase, vocabularyOf } from '../vocabulary.js';
import { readLabel } from './label.js';
import type { RawLine } from './raw-line.js';

/** Words of the craft that a symbol stands for. */
type Symbols = ReadonlyMap<string, readonly string[]>;

/** Letters that tables of symbols use where no legend names them (common practice). */
const LETTERS: Symbols = new Map([
  ['X', ['sc']],
  ['V', ['inc']],
  ['A', ['dec']],
  ['W', ['3 in 1']],
  ['M', ['sc3tog']],
  ['T', ['hdc']],
  ['F', ['dc']],
  ['E', ['tr']],
  ['TV', ['hdc inc']],
  ['TA', ['hdc2tog']],
  ['FV', ['dc inc']],
  ['FA', ['dc2tog']],
  ['Q', ['bobble']],
  ['G', ['popcorn']],
  ['SL', ['sl st']],
  ['CH', ['ch']],
  ['K', ['sk']],
]);

const WORKED = new Set(['stitch', 'increase', 'decrease', 'ring', 'chain', 'skip', 'loop']);
const JOINS: ReadonlySet<string> = new Set(['=', ':', '-', '...']);
const PLAIN = /^[\p{L}]{1,5}$/u;

/** Lines with their symbols as the words they stand for; a legend in the text wins over what letters usually mean. */
export function withoutSymbols(text: string, lines: readonly RawLine[]): RawLine[] {
  const legend = legendOf(lines);
  const lettered = CAPITALS.test(text) && usesLetters(lines, legend);
  if (legend.size === 0 && !lettered && !SMALL.test(text)) return [...lines];
  const small = !lettered && SMALL.test(text) && !NAMED.test(text);
  const letters = small
    ? [...LETTERS].map(([letter, words]) => [letter.toLowerCase(), words] as const)
    : lettered
      ? [...LETTERS]
      : [];
  const symbols: Symbols = new Map([...letters, ...legend]);
  return lines.map((line) => {
    const label = readLabel(withWords(line.tokens, symbols), line.sure);
    if (!label) return line;
    const head = label.next;
    return { ...line, tokens: [...line.tokens.slice(0, head), ...withWords(line.tokens.slice(head), symbols)] };
  });
}

/** Capital letters on their own, as symbols are written. */
const CAPITALS = /(?:^|[\s\d(（，,])[XVAWMXＸＶＡ]+(?![\p{L}])/mu;

/** Small letters as symbols: a counted v, and no stitch by its name. */
const SMALL = /\d[vV]\b/;
const NAMED = /\b(?:sc|hdc|inc|dec|single)\b/i;

/** What the text itself says its symbols are: "X = sc, V: inc". */
function legendOf(lines: readonly RawLine[]): Symbols {
  const legend = new Map<string, readonly string[]>();
  for (const { tokens, sure } of lines) {
    if (sure) continue;
    for (let i = 0; i + 2 < tokens.length; i++) {
      const [symbol, join] = [tokens[i]!, tokens[i + 1]!];
      if (!JOINS.has(join.key) || symbol.kind === 'number' || !isSymbol(symbol)) continue;
      if (readLabel(tokens)) break;
      const phrase = longestPhrase(vocabularyOf('US'), tokens, i + 2);
      if (!phrase || !WORKED.has(phrase.meaning.is)) continue;
      const known = longestPhrase(vocabularyOf('US'), [symbol], 0);
      const small = symbol.kind === 'word' && symbol.text !== symbol.text.toUpperCase();
      // "inc – increase (2 sc in one)" tells what every pattern knows.
      if (known && WORKED.has(known.meaning.is)) continue;
      if (
        !small ||
        LEGENDS.has(tokens[0]!.key) ||
        (join.key === '=' && (!known || ['times', 'filler', 'remark'].includes(known.meaning.is)))
      )
        legend.set(symbol.text, [
          tokens
            .slice(i + 2, i + 2 + phrase.length)
            .map(({ text }) => text)
            .join(' '),
        ]);
    }
  }
  return legend;
}

/** Words over or before a legend. */
const LEGENDS: ReadonlySet<string> = new Set(['legend', 'key', 'symbols']);

const NO_SYMBOLS: ReadonlySet<string> = new Set([
  '(',
  ')',
  '[',
  ']',
  '{',
  '}',
  ',',
  '.',
  ';',
  '"',
  '|',
  '-',
  ':',
  '=',
  '*',
  '/',
  '&',
]);

function isSymbol(token: Token): boolean {
  if (token.kind === 'word')
    return PLAIN.test(token.text) && !/^(r|rnd|rd|row|round|note|tip|mc|cc|notes|step|hook|yarn)$/i.test(token.text);
  return !NO_SYMBOLS.has(token.key);
}

const NAMES: ReadonlySet<string> = new Set(['inc', 'dec', 'hdc', 'color', 'colour']);

/** Marks after which the letters of a round begin. */
const BEFORE_LETTERS: ReadonlySet<string> = new Set(['(', ',', ':', '.']);

/** Whether rounds are written in the usual letters: several with a V or an A, or with a counted X and no stitch's name. */
function usesLetters(lines: readonly RawLine[], legend: Symbols): boolean {
  let lettered = 0;
  // Where a V stands for increases, "sc" may be written out beside it.
  const lettersTell = lines.some(({ tokens }) => tokens.some(({ text, kind }) => kind === 'word' && text === 'V'));
  for (const { tokens } of lines) {
    const letters = tokens.some(
      ({ kind, text }, i) =>
        kind === 'word' &&
        !legend.has(text) &&
        (/^[XVAWMT]*[VA][XVAWMT]*$/.test(text) || text === 'X') &&
        (tokens[i - 1]?.kind === 'number' || BEFORE_LETTERS.has(tokens[i - 1]?.key ?? '') || text === 'X') &&
        tokens[i + 1]?.kind !== 'number',
    );
    const named = tokens.some(({ key }) => NAMES.has(key) || (key === 'sc' && !lettersTell));
    if (letters && !named && tokens.some(({ kind }) => kind === 'number')) lettered++;
  }
  return lettered >= 2;
}

/** The tokens with each symbol as its words; letters written together ("2XV") come apart. */
function withWords(tokens: readonly Token[], symbols: Symbols): readonly Token[] {
  return tokens.flatMap((token, i): readonly Token[] => {
    if (token.kind === 'number' || (token.key === 'x' && multiplies(tokens, i))) return [token];
    const words = symbols.get(token.text);
    if (words) return worded(token, words[0]!);
    const letters = token.text.split('');
    if (token.kind !== 'word' || letters.length < 2 || token.text !== token.text.toUpperCase()) return [token];
    if (!letters.every((letter) => symbols.has(letter))) return [token];
    return letters.flatMap((letter, i) => [
      ...(i > 0 ? [{ kind: 'mark' as const, text: ',', key: ',', from: token.from + i, to: token.from + i }] : []),
      ...worded({ ...token, from: token.from + i, to: token.from + i + 1 }, symbols.get(letter)![0]!),
    ]);
  });
}

/** "(x, v) x 6": an x between a bracket and a number multiplies, whatever else it stands for. */
function multiplies(tokens: readonly Token[], at: number): boolean {
  return [')', ']', '}'].includes(tokens[at - 1]?.key ?? '') && tokens[at + 1]?.kind === 'number';
}

function worded(token: Token, words: string): Token[] {
  return tokenize(words).map((word) => ({ ...word, from: token.from, to: token.to }));
}
