import type { Line } from './line.js';
import type { Token } from './tokens.js';

/** Names of colours by the letters that stand for them. */
export type ColourKey = ReadonlyMap<string, string>;

/** Whether a word looks like a letter for a colour: "A", "MC", "CC2" (the digit is a token of its own). */
export function isColourCode(text: string): boolean {
  return /^(?:[A-Z]|MC|CC)$/.test(text);
}

const JOINS = new Set(['=', ':', '-']);
const COLOUR_WORDS = new Set(['color', 'colour', 'colors', 'colours', 'yarn', 'key', 'legend']);

/** Collects what letters stand for: "A: navy", "Colour B = cream", "Colours: A navy, B cream". */
export function readColourKey(text: string, lines: readonly Line[]): Map<string, string> {
  const key = new Map<string, string>();
  for (const line of lines) {
    if (line.is !== 'words' && line.is !== 'heading') continue;
    const { tokens } = line;
    const said = COLOUR_WORDS.has(tokens[0]!.key);
    for (let i = 0; i < tokens.length; i++) {
      const token = tokens[i]!;
      const begins = i === 0 || COLOUR_WORDS.has(tokens[i - 1]!.key) || tokens[i - 1]!.kind === 'mark';
      if (!begins || !isColourCode(token.text)) continue;
      const joined = JOINS.has(tokens[i + 1]?.key ?? '');
      if (!joined && !said) continue;
      const name = wordsFrom(text, tokens, i + (joined ? 2 : 1));
      if (name) key.set(token.text, name);
    }
  }
  return key;
}

/** The run of words at `at`, up to the first mark or number. */
function wordsFrom(text: string, tokens: readonly Token[], at: number): string {
  let end = at;
  while (tokens[end]?.kind === 'word' && !isColourCode(tokens[end]!.text)) end++;
  return end > at ? text.slice(tokens[at]!.from, tokens[end - 1]!.to) : '';
}
