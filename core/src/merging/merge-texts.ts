import { diff3Merge } from 'node-diff3';

/**
 * Two texts that were made from one, line by line: changes of different lines are both taken, also of lines that stand one
 * under the other where neither text has more or fewer of them.
 * @returns null where both changed the same lines in different ways
 */
export function mergeTexts(base: string, mine: string, theirs: string): string | null {
  if (mine === base || mine === theirs) return theirs;
  if (theirs === base) return mine;
  const parts = diff3Merge(mine.split('\n'), base.split('\n'), theirs.split('\n'), { excludeFalseConflicts: true });
  const lines: string[] = [];
  for (const part of parts) {
    const own = part.ok ?? (part.conflict ? lineByLine(part.conflict) : null);
    if (!own) return null;
    lines.push(...own);
  }
  return lines.join('\n');
}

/** Lines of which each was changed by one at most; null where one was changed in two ways, or some are new or gone. */
function lineByLine({ a, o, b }: { readonly a: string[]; readonly o: string[]; readonly b: string[] }): string[] | null {
  if (a.length !== o.length || b.length !== o.length) return null;
  const lines = o.map((line, i) => (a[i] === line ? b[i]! : b[i] === line || a[i] === b[i] ? a[i]! : null));
  return lines.every((line) => line !== null) ? lines : null;
}
