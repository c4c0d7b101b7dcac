import type { Assembly } from './assembly.js';
import { colourLength, isColourCode, isColourWord, pastArticle, YARNS, type ColourBook } from './colours.js';
import type { Words } from './layout/line.js';
import type { Piece } from './reading/piece.js';
import type { Token } from './tokens.js';
import { tried } from './trying.js';

/** A line that only names a colour ("With black yarn:") or a chain ("Ch 7.") holds for the rounds that follow. */
export function setting(all: Assembly, { tokens: said, span }: Words): boolean {
  const tokens = asChange(said, all.colours, all.part !== null && all.heading === null);
  if (tokens.length > MOST_SET || !maySet(all, tokens)) return false;
  const { reading, clean } = tried(all, tokens, all.heading !== null || all.part === null, true);
  const colour = reading.pieces.length === 1 ? reading.pieces[0] : undefined;
  const last = tokens.findLast((token) => token.kind !== 'mark');
  if (!clean) return false;
  if (colour?.is === 'item' && colour.item.kind === 'colour' && colour.span.to === last?.to && !reading.foundation) {
    if (/^(with|in|using|change|switch)/i.test(tokens[0]!.key) || isColourCode(tokens[0]!.text)) {
      all.settings.push(colour);
      return true;
    }
    return false;
  }
  const foundation = reading.foundation;
  if (!foundation || foundation === all.foundation || !reading.pieces.every(saysOnly)) return false;
  if (reading.pieces.length === 0 && foundation.span.to !== last?.to) return false;
  if (all.heading === null && all.part !== null) return false;
  // With the words that lead to it.
  all.foundation = { ...foundation, span };
  return true;
}

/**
 * "Back to orange.", "White yarn:", "Colour: white", "Work with black yarn" as the change that they are.
 * @param within whether rounds of a part stand before, where "yellow" alone is one too
 */
function asChange(said: readonly Token[], colours: ColourBook, within: boolean): readonly Token[] {
  const bracketed = said.length > 2 && said[0]!.key === '(' && said.at(-1)!.key === ')';
  const tokens = bracketed ? said.slice(1, -1) : said;
  const taken = tokens.length <= MOST_SET ? tokens.findLastIndex(({ key }, i) => TAKES.has(key) && asks(tokens, i)) : -1;
  if (taken >= 0 && onlyColour(tokens, pastArticle(tokens, taken + 1), colours))
    return [{ ...tokens[taken]!, key: 'with' }, ...tokens.slice(taken + 1)];
  const [first, second] = tokens;
  if (!first) return tokens;
  if (first.key === 'back' && second?.key === 'to' && colourLength(tokens, 2, colours) > 0)
    return [{ ...first, key: 'change' }, ...tokens.slice(1)];
  if (WORKS_WITH.has(first.key) && WITH.has(second?.key ?? '') && colourLength(tokens, pastArticle(tokens, 2), colours) > 0)
    return tokens.slice(1);
  if (SAYS_COLOUR.has(first.key) && second?.key === ':' && onlyColour(tokens, 2, colours))
    return [{ ...first, key: 'with' }, ...tokens.slice(2)];
  const told = tokens.some(({ key }) => YARNS.has(key) || (within && PLAIN_COLOURS.has(key)));
  const yarn = told && onlyColour(tokens, pastArticle(tokens, 0), colours);
  return yarn ? [{ ...first, kind: 'word', key: 'with', to: first.from }, ...tokens] : tokens;
}

/** Colours that are called after nothing else, so that no part is called so. */
const PLAIN_COLOURS: ReadonlySet<string> = new Set(
  'red yellow green blue purple pink brown black white grey gray beige navy turquoise'.split(' '),
);

/** Whether a verb asks for something: it begins its line, or what is done before it does; "I use red" tells. */
const asks = (tokens: readonly Token[], at: number): boolean => at === 0 || DONE_BEFORE.has(tokens[0]!.key);
const DONE_BEFORE: ReadonlySet<string> = new Set(['cut', 'break', 'drop', 'leave', 'fasten', 'now', 'then']);

/** "Cut white, join red.", "Now use red." */
const TAKES: ReadonlySet<string> = new Set(['join', 'attach', 'use', 'take']);

const WORKS_WITH: ReadonlySet<string> = new Set(['work', 'start', 'begin', 'continue', 'crochet', 'now', 'then']);
const WITH: ReadonlySet<string> = new Set(['with', 'in', 'using']);
const SAYS_COLOUR: ReadonlySet<string> = new Set(['colour', 'color', 'yarn']);

/** Whether a colour is all there is from a token on, with its "yarn" and a mark after it. */
function onlyColour(tokens: readonly Token[], at: number, colours: ColourBook): boolean {
  const length = colourLength(tokens, at, colours);
  return length > 0 && tokens.slice(at + length).every(({ kind, key }) => kind === 'mark' || YARNS.has(key));
}

/** "Do not twist", and how many chains there are. */
const saysOnly = (piece: Piece): boolean => piece.is === 'total' || (piece.is === 'item' && piece.item.kind === 'remark');

/** Whether a line begins with a colour, a chain, or a word that leads to one. */
function maySet(all: Assembly, tokens: readonly Token[]): boolean {
  const at = tokens[0]!.kind === 'mark' && tokens.length > 1 ? 1 : 0;
  return SETS.has(tokens[at]!.key) || isColourWord(tokens[at], all.colours) || tokens.some(({ key }) => CHAINS.has(key));
}

const SETS: ReadonlySet<string> = new Set([
  'with',
  'in',
  'using',
  'change',
  'switch',
  'join',
  'swap',
  'go',
  'light',
  'dark',
  'main',
]);
/** Most tokens of a line that sets something: "ch 10, join with a slip stitch in the first chain to form a ring". */
const MOST_SET = 20;
/** Words for a chain. */
export const CHAINS: ReadonlySet<string> = new Set(['ch', 'chain', 'chains', 'chs']);
