import type { Token } from '../tokens.js';
import { namesWork, readLabel } from './label.js';
import { mark, type RawLine } from './raw-line.js';

/**
 * Rows that are said in one sentence, as lines of their own: "ch 9, turn, 8 sc, ch 1, turn, 8 sc". A row ends where the work
 * is turned after its stitches, and stitches follow.
 */
export function rowsApart(lines: readonly RawLine[]): RawLine[] {
  if (!lines.some(({ tokens }) => tokens.some(turns))) return [...lines];
  return lines.flatMap((line) => {
    const ends = rowEnds(line.tokens);
    if (ends.length === 0) return [line];
    return [0, ...ends].map((from, row): RawLine => {
      const tokens = line.tokens.slice(from, ends[row]);
      return { ...line, tokens: row === 0 ? tokens : [...nextRow(tokens[0]!.from), ...tokens] };
    });
  });
}

const turns = ({ key }: Token): boolean => key === 'turn';

/** Where another row begins: the index of its first token. */
function rowEnds(tokens: readonly Token[]): number[] {
  const ends: number[] = [];
  if (!tokens.some(turns)) return ends;
  let from = readLabel(tokens)?.next ?? 0;
  let depth = 0;
  for (let i = from; i < tokens.length && ends.length < MOST_ROWS; i++) {
    const { key } = tokens[i]!;
    if (OPENS.has(key)) depth++;
    else if (CLOSES.has(key)) depth--;
    if (key !== 'turn' || depth > 0 || tokens[i + 1]?.kind !== 'mark') continue;
    let next = i + 1;
    while (tokens[next]?.kind === 'mark' && !OPENS.has(tokens[next]!.key)) next++;
    if (!worksStitches(tokens.slice(from, Math.min(i, from + WINDOW))) || !worksStitches(tokens.slice(next, next + WINDOW)))
      continue;
    ends.push(next);
    from = next;
  }
  return ends;
}

/** Rows of one sentence; nobody says more in one. */
const MOST_ROWS = 60;

/** Tokens in which a row says what is worked. */
const WINDOW = 60;

const OPENS: ReadonlySet<string> = new Set(['(', '[', '{']);
const CLOSES: ReadonlySet<string> = new Set([')', ']', '}']);

/** Whether more is worked than the chains a row begins or ends with. */
function worksStitches(tokens: readonly Token[]): boolean {
  const stitches = tokens.filter(({ key }, i) => !isChain(key) && !isChain(tokens[i - 1]?.key) && !isChain(tokens[i + 1]?.key));
  return namesWork(stitches);
}

const isChain = (key: string | undefined): boolean => key === 'ch' || key === 'chain' || key === 'chains';

function nextRow(at: number): Token[] {
  const word = (key: string): Token => ({ kind: 'word', text: key, key, from: at, to: at });
  return [word('next'), word('row'), mark(':', at)];
}
