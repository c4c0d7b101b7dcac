import type { ReadingDiagnostic, TextEdit } from './diagnostic.js';
import { printMaking } from './making-up/print-placing.js';
import type { Item, Pattern, RoundLine } from './pattern.js';
import { printRoundLine, type PrintStyle } from './print.js';
import { placesIn } from './span.js';

/**
 * Edits that write every round of a text in the clear form, in other terms or another length, and leave all other words
 * as they stand. Rounds with errors are left too, and so are those whose words stand partly in other lines.
 * @param text what `pattern` was read from
 */
export function rewrite(
  text: string,
  pattern: Pattern,
  diagnostics: readonly Pick<ReadingDiagnostic, 'severity' | 'span'>[],
  style: PrintStyle,
): TextEdit[] {
  const errors = diagnostics.filter((each) => each.severity === 'error').map((each) => each.span.from);
  const edits: TextEdit[] = [];
  const termsEdit = editOfTerms(text, pattern, style);
  if (termsEdit) edits.push(termsEdit);
  for (const part of pattern.parts) {
    const shared = new Map<number, number>();
    for (const line of part.lines) shared.set(line.span.from, (shared.get(line.span.from) ?? 0) + 1);
    for (const line of part.lines) {
      const { from, to } = line.span;
      const own = ownItems(line);
      if (!own || shared.get(from)! > 1 || errors.some((at) => at >= from && at < to)) continue;
      const insert = printRoundLine({ ...line, items: own }, style);
      if (insert !== text.slice(from, to)) edits.push({ from, to, insert });
    }
  }
  for (const line of pattern.makingUp) {
    const insert = printMaking(line, style.form);
    if (insert !== line.text) edits.push({ from: line.span.from, to: line.span.to, insert });
  }
  return edits.sort((a, b) => a.from - b.from);
}

/** The items a line says itself; null when it cannot be told from others without them. */
function ownItems({ like, items, places }: RoundLine): readonly Item[] | null {
  if (like) return items;
  const elsewhere = items.find((item, i) => places[i] === null && item.kind === 'foundation');
  if (elsewhere?.kind === 'foundation' && elsewhere.from === 'chain' && elsewhere.first !== 2) return null;
  return items.filter((_item, i) => places[i] !== null);
}

/** The line that says the terms, changed or put above the first part, when the terms change. */
function editOfTerms(text: string, pattern: Pattern, { terms }: PrintStyle): TextEdit | null {
  if (terms === pattern.terms) return null;
  const said = /^[^\S\n]*(?:written in\s+)?(?:US|UK)\b[^\n]*\bterm(?:s|inology)\b[^\n]*$/im.exec(text);
  if (said) return { from: said.index, to: said.index + said[0].length, insert: `${terms} terms` };
  const first = pattern.parts[0];
  if (!first) return null;
  const line = placesIn(text)(first.heading).column - 1;
  const from = first.heading.from - line;
  return { from, to: from, insert: `${terms} terms\n` };
}

/** The text after edits that do not overlap. */
export function applyEdits(text: string, edits: readonly TextEdit[]): string {
  return [...edits]
    .sort((a, b) => b.from - a.from)
    .reduce((all, { from, to, insert }) => all.slice(0, from) + insert + all.slice(to), text);
}
