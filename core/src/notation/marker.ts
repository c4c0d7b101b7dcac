import type { Part, Pattern } from './pattern.js';
import { tokenize } from './tokens.js';

/** Which stitch of a round carries the marker: both schools occur. */
export type MarkedStitch = 'first' | 'last';

const MARKERS = new Set(['marker', 'markers', 'mark', 'pm']);

/** Where a part's notes and remarks, or the pattern's own, put the marker; null when nothing is said. */
export function markedStitchOf(pattern: Pattern, part: Part): MarkedStitch | null {
  const remarks = part.lines.flatMap((line) => line.items.flatMap((item) => (item.kind === 'remark' ? [item.text] : [])));
  for (const text of [...part.notes.map((note) => note.text), ...remarks, ...pattern.notes.map((note) => note.text)]) {
    const keys = tokenize(text).map((token) => token.key);
    const at = keys.findIndex((key) => MARKERS.has(key));
    const named = at < 0 ? -1 : keys.findIndex((key, i) => i > at && (key === 'first' || key === 'last'));
    if (named > 0) return keys[named] === 'first' ? 'first' : 'last';
  }
  return null;
}
