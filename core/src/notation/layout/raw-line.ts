import { tokenize, withWholeNumbers, type Token } from '../tokens.js';

/** A line of the text cut into tokens, before it is known what it is for. */
export interface RawLine {
  readonly tokens: readonly Token[];
  /** Whether its first round is told by its place, as in a table. */
  readonly sure: boolean;
  readonly from: number;
  readonly to: number;
}

const BREAK = /\r\n|[\n\r\v\f\u0085\u2028\u2029]/g;

/** Where a text ends that has no more than so many lines. */
export function endOfLines(text: string, most: number): number {
  let lines = 1;
  for (const { index } of text.matchAll(BREAK)) if (lines++ === most) return index;
  return text.length;
}

/** The lines of a text, without their line ends. */
export function rawLines(text: string): RawLine[] {
  const lines: RawLine[] = [];
  let from = text.charCodeAt(0) === 0xfeff ? 1 : 0;
  for (const end of text.matchAll(BREAK)) {
    lines.push(rawLine(text, from, end.index));
    from = end.index + end[0].length;
  }
  lines.push(rawLine(text, from, text.length));
  return lines;
}

export function rawLine(text: string, from: number, to: number): RawLine {
  const tokens = from < to ? withWholeNumbers(tokenize(text, from, to)) : NONE;
  return { tokens, sure: false, from, to };
}

const NONE: readonly Token[] = [];

/** A mark that stands nowhere in the text, for what layout alone says. */
export function mark(key: string, at: number): Token {
  return { kind: 'mark', text: key, key, from: at, to: at };
}
