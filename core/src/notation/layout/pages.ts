import { numberOf, type Token } from '../tokens.js';
import type { RawLine } from './raw-line.js';

/**
 * The lines without what pages add: their numbers ("page 2 of 3", "– 4 –") and the heads that run along. The first of the
 * heads stays, as it may be the title.
 */
export function withoutPages(lines: readonly RawLine[]): RawLine[] {
  const heads = new Set<string>();
  return lines.map((line) => {
    const rest = withoutPageNumber(line.tokens);
    const numbered = rest.length < line.tokens.length;
    if (rest.length === 0 || rest.length > MOST_HEAD || (!numbered && heads.size === 0))
      return numbered ? { ...line, tokens: rest } : line;
    const words = rest.map(({ key }) => key).join(' ');
    if (heads.has(words)) return { ...line, tokens: [] };
    if (numbered) heads.add(words);
    return numbered ? { ...line, tokens: rest } : line;
  });
}

/** Longest head that runs along from page to page, in tokens. */
const MOST_HEAD = 8;

/** Tokens without "page 2 of 3" at either end, and without a dashed number that is all there is. */
function withoutPageNumber(tokens: readonly Token[]): readonly Token[] {
  const said = tokens.findLastIndex(({ key }) => key === 'page' || key === 'pg');
  for (const at of said < 0 ? [] : [0, said]) {
    if (!['page', 'pg'].includes(tokens[at]?.key ?? '')) continue;
    let end = at + 1;
    if (tokens[end]?.key === '.') end++;
    if (numberOf(tokens[end]) === null) continue;
    end++;
    if (['of', '/', '|'].includes(tokens[end]?.key ?? '') && numberOf(tokens[end + 1]) !== null) end += 2;
    if (at > 0 && end < tokens.length) continue;
    let begin = at;
    while (begin > 0 && ['|', '-', '•', ','].includes(tokens[begin - 1]!.key)) begin--;
    while (['|', '-', '•'].includes(tokens[end]?.key ?? '')) end++;
    return [...tokens.slice(0, begin), ...tokens.slice(end)];
  }
  const [first, number, last] = tokens;
  const dashed = tokens.length === 3 && first!.key === '-' && last!.key === '-' && number!.kind === 'number';
  return dashed ? [] : tokens;
}
