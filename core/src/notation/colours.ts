import type { Token } from './tokens.js';

/** What a text calls its colours: by letters ("A: navy"), and in its yarn list. */
export interface ColourBook {
  /** Names of colours by the letters that stand for them. */
  readonly codes: ReadonlyMap<string, string>;
  /** Names the text itself gives its yarns, lower case. */
  readonly named: ReadonlySet<string>;
}

/** Where a text's own names are not known. */
export const NO_BOOK: ColourBook = { codes: new Map(), named: new Set() };

/** Words for colours, in lower case (our own list). */
const COLOURS: ReadonlySet<string> = new Set(
  `red orange yellow green blue purple violet pink brown black white grey gray beige cream ivory gold golden silver teal
  turquoise aqua navy indigo lilac lavender magenta fuchsia coral peach apricot salmon rose ruby crimson scarlet burgundy
  maroon wine plum mauve mint lime olive khaki sage emerald jade moss fern forest mustard ochre amber lemon sand tan taupe
  camel caramel chestnut chocolate coffee copper bronze rust brick terracotta charcoal slate ash smoke snow ecru natural
  offwhite denim sky petrol cyan cobalt azure royal blush flesh skin honey rainbow variegated cherry raspberry berry
  strawberry tomato carrot pumpkin butter vanilla oatmeal linen straw wheat stone pearl mocha espresso cinnamon nutmeg`
    .split(/\s+/)
    .filter(Boolean),
);
const SHADES: ReadonlySet<string> = new Set(
  'light dark pale deep bright soft dusty warm cool pastel neon medium mid off baby sea grass main contrast contrasting ocean pine bottle night hot sunny'.split(
    ' ',
  ),
);

/** What a colour's name may stand before without saying more. */
export const YARNS: ReadonlySet<string> = new Set(['yarn', 'wool', 'thread', 'cotton']);

/** Past "the" and "a" before a colour. */
export function pastArticle(tokens: readonly Token[], at: number): number {
  return ['the', 'a', 'your'].includes(tokens[at]?.key ?? '') ? at + 1 : at;
}

/** Whether a word looks like a letter for a colour: "A", "MC", "CC2" (the digit is a token of its own). */
export function isColourCode(text: string): boolean {
  return /^(?:[A-Z]|MC|CC)$/.test(text);
}

/** Whether a word is a colour's own name, or one the text uses as such. */
export function isColourWord(token: Token | undefined, book: ColourBook): boolean {
  if (token?.kind !== 'word') return false;
  return COLOURS.has(token.key) || book.named.has(token.key) || book.codes.has(token.text);
}

/** The length in tokens of a colour's name at `at` ("sea green", "light blue", "MC", "off-white"); 0 for none. */
export function colourLength(tokens: readonly Token[], at: number, book: ColourBook): number {
  let i = at;
  while (SHADES.has(tokens[i]?.key ?? '') || COLOURS.has(tokens[i]?.key ?? '')) {
    const dash = tokens[i + 1]?.key === '-' && tokens[i + 1]!.from === tokens[i]!.to && tokens[i + 2]?.kind === 'word' ? 1 : 0;
    if (!isColourWord(tokens[i + 1 + dash], book) && !(SHADES.has(tokens[i + 1 + dash]?.key ?? '') && dash === 0)) break;
    i += 1 + dash;
  }
  if (isColourWord(tokens[i], book)) return i + 1 - at;
  return ['main', 'contrast', 'contrasting'].includes(tokens[at]?.key ?? '') && /^colou?r$/.test(tokens[at + 1]?.key ?? '')
    ? 2
    : 0;
}

/** How many of the words from `at` name a colour ("light blue"); 0 for none. In lower case, without a text's own names. */
export function colourWordsAt(words: readonly { readonly key: string }[], at: number): number {
  let i = at;
  while (SHADES.has(words[i]?.key ?? '') || (COLOURS.has(words[i]?.key ?? '') && COLOURS.has(words[i + 1]?.key ?? ''))) i++;
  return COLOURS.has(words[i]?.key ?? '') ? i + 1 - at : 0;
}
