import type { TextEdit } from './diagnostic.js';
import { namesIn } from './making-up/placing.js';
import { speaksOf } from './part-ref.js';
import type { Pattern } from './pattern.js';
import { plural, singular, singularName } from './plural.js';
import type { Span } from './span.js';

/** A part that has a new name, while rounds that speak of it call it by the old one. */
export interface OldName {
  readonly from: string;
  readonly to: string;
  /** What calls it by the new name there too. */
  readonly edits: readonly TextEdit[];
}

/**
 * Where a text still calls a part by the name it had, so that what is joined to it is lost.
 * @param before the pattern as it was, with the old name
 * @param after the pattern as `text` is read
 * @returns null where no part, or more than one, has another name, or nothing speaks of it
 */
export function oldNameIn(before: Pattern, after: Pattern, text: string): OldName | null {
  if (before.parts.length !== after.parts.length) return null;
  const renamed = before.parts.flatMap(({ name }, part) =>
    singularName(name) === singularName(after.parts[part]!.name) ? [] : [part],
  );
  const [part] = renamed;
  if (part === undefined || renamed.length > 1) return null;
  const [from, to] = [before.parts[part]!.name, after.parts[part]!.name];
  const { heading } = after.parts[part]!;
  // A part whose heading is gone is called "Part 6" by nobody.
  if (!text.slice(heading.from, heading.to).includes(to)) return null;
  const edits = before.parts.flatMap(({ lines }, own) =>
    lines.flatMap((line, index) => (speaksOf(line, part) ? callings(text, beforeAndIn(after, own, index), from, to) : [])),
  );
  const placed = before.makingUp.flatMap(({ placing }, line) =>
    placing && namesIn(placing).some((named) => named.part === part)
      ? callings(text, after.makingUp[line]?.span ?? NOWHERE, from, to)
      : [],
  );
  return edits.length + placed.length > 0 ? { from, to, edits: [...edits, ...placed] } : null;
}

const NOWHERE: Span = { from: 0, to: 0 };

/** From the end of the line before to the end of a line: what it is worked over may be said above it. */
function beforeAndIn({ parts }: Pattern, part: number, index: number): Span {
  const { lines, heading } = parts[part]!;
  const line = lines[index];
  if (!line) return { from: 0, to: 0 };
  return { from: lines[index - 1]?.span.to ?? Math.min(heading.to, line.span.from), to: line.span.to };
}

/** Every place in a span that says a name, in one or many, with the edit that says another. */
function callings(text: string, { from, to }: Span, name: string, other: string): TextEdit[] {
  const wanted = singularName(name).split(' ').filter(Boolean);
  const words = [...text.slice(from, to).matchAll(/[\p{L}\p{N}]+/gu)];
  return words.flatMap((_, at): TextEdit[] => {
    const said = words.slice(at, at + wanted.length);
    const [first, last] = [said[0]!, said.at(-1)!];
    if (said.length < wanted.length || !said.every(([word], i) => singular(word.toLowerCase()) === wanted[i])) return [];
    const many = singular(last[0].toLowerCase()) !== last[0].toLowerCase();
    const cased = first[0] === first[0].toLowerCase() ? other.toLowerCase() : other;
    return [{ from: from + first.index, to: from + last.index + last[0].length, insert: many ? plural(cased) : cased }];
  });
}
