import { diff3Merge } from 'node-diff3';

/**
 * Two texts that were made from one, line by line: changes that do not touch are both taken.
 * @returns null where both changed the same lines in different ways
 */
export function mergeTexts(base: string, mine: string, theirs: string): string | null {
  if (mine === base || mine === theirs) return theirs;
  if (theirs === base) return mine;
  const parts = diff3Merge(mine.split('\n'), base.split('\n'), theirs.split('\n'), { excludeFalseConflicts: true });
  const lines: string[] = [];
  for (const part of parts) {
    if (!part.ok) return null;
    lines.push(...part.ok);
  }
  return lines.join('\n');
}
