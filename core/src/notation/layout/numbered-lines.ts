import { wholeNumber } from '../ordinals.js';
import type { Token } from '../tokens.js';
import { namesWork, readLabel } from './label.js';
import type { RawLine } from './raw-line.js';

/**
 * Lines that begin with the number of their round and no mark after it: "4–7 sc around (18)", "8 (1 sc, dec) x 6". They go
 * on from numbered rounds, or the first of them begins a part: "1 6 sc in MR".
 */
export function withNumberedLines(lines: readonly RawLine[]): readonly RawLine[] {
  if (!lines.some(({ tokens }) => tokens[0]?.kind === 'number')) return lines;
  let last = 0;
  /** Whether the lines before are numbered so too. */
  let alike = false;
  return lines.map((line) => {
    const { tokens, sure } = line;
    if (tokens.length === 0) return line;
    const label = readLabel(tokens, sure);
    if (label) {
      last = label.last;
      alike = false;
      return line;
    }
    const numbered = tokens[0]!.kind === 'number' ? numberedAt(tokens, last, alike) : null;
    if (!numbered) return line;
    last = numbered;
    alike = true;
    return { ...line, sure: true };
  });
}

const TO: ReadonlySet<string> = new Set(['-', 'to', 'until']);
const STARTS: ReadonlySet<string> = new Set(['mr', 'mc', 'magic', 'ring', 'ch', 'chain']);

/** The last round of a line that begins with the number after `last`; null where it does not, or the number may count stitches. */
function numberedAt(tokens: readonly Token[], last: number, alike: boolean): number | null {
  const first = wholeNumber(tokens[0]);
  if (first !== 1 && first !== last + 1) return null;
  const end = TO.has(tokens[1]?.key ?? '') ? wholeNumber(tokens[2]) : null;
  const ranged = end !== null && end > first;
  const rest = tokens.slice(ranged ? 3 : 1);
  if (!namesWork(rest)) return null;
  const [next] = rest;
  // "1 sc, inc x6" and "2 sc, inc x6" below it count stitches.
  const sure = first === 1 ? next!.kind === 'number' || STARTS.has(next!.key) : ranged || alike || next!.kind !== 'word';
  return sure ? (ranged ? end : first) : null;
}
