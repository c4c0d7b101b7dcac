import { remarksOf } from './gates.js';
import type { Part, Pattern } from './pattern.js';

/** Which stitch of a round carries the marker: both schools occur. */
export type MarkedStitch = 'first' | 'last';

/** Where a part's notes and remarks, or the pattern's own, put the marker; null when nothing is said. */
export function markedStitchOf(pattern: Pattern, part: Part): MarkedStitch | null {
  const facts = [...remarksOf(part), ...pattern.notes].flatMap((remark) => remark.facts);
  const marker = facts.find((fact) => fact.is === 'marker');
  return marker?.stitch ?? null;
}
