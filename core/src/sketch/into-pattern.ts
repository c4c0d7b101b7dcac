import type { PatternCount } from '../fabric/index.js';
import { applyEdits, type TextEdit } from '../notation/index.js';

/**
 * A pattern with a part that stands in place of one of its own, or after all of them: its heading and what is said of it by
 * name stay where the name does.
 *
 * @param text what `count` was read from
 * @param lines the part with its heading, as written
 * @param replaced index of the part whose place it takes; null to add it
 */
export function withPart(text: string, { pattern }: PatternCount, lines: readonly string[], replaced: number | null): string {
  const part = replaced === null ? null : pattern.parts[replaced];
  if (part) {
    // Other lines speak of the part by the name it had, and as many are wanted; what was said in it goes with its rounds.
    const heading = `## ${part.name}${part.copies > 1 ? ` (make ${part.copies})` : ''}`;
    const from = lineStart(text, part.heading.from);
    const to = endOf(text, part.span.to);
    const edit: TextEdit = { from, to, insert: [heading, ...lines.slice(1)].join('\n') };
    return applyEdits(text, [edit]);
  }
  const before = pattern.makingUpHeading ? lineStart(text, pattern.makingUpHeading.from) : text.length;
  const gap = before === 0 || text.slice(0, before).endsWith('\n\n') ? '' : text.slice(0, before).endsWith('\n') ? '\n' : '\n\n';
  const after = pattern.makingUpHeading ? '\n\n' : '\n';
  return applyEdits(text, [{ from: before, to: before, insert: `${gap}${lines.join('\n')}${after}` }]);
}

const lineStart = (text: string, at: number): number => text.lastIndexOf('\n', at - 1) + 1;

/** Past the last line that is not empty. */
function endOf(text: string, at: number): number {
  const upTo = text.slice(0, at).trimEnd().length;
  const line = text.indexOf('\n', upTo);
  return line < 0 ? text.length : line;
}
