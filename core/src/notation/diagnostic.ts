import { BOUNDS } from './bounds.js';
import type { Span } from './span.js';

export type Severity = 'error' | 'warning' | 'hint';

/** What reading a text can find, as facts; `describeReading` makes the sentence. */
export type ReadingDiagnostic = { readonly severity: Severity; readonly span: Span } & (
  | { readonly code: 'unread'; readonly text: string }
  | { readonly code: 'unknown-stitch'; readonly text: string; readonly count: number }
  | { readonly code: 'bad-count'; readonly text: string; readonly most: number }
  | { readonly code: 'unclosed'; readonly opener: string }
  | { readonly code: 'unopened'; readonly closer: string }
  | { readonly code: 'repeat-missing' }
  | { readonly code: 'too-deep' }
  | { readonly code: 'around-nested' }
  | { readonly code: 'empty-round'; readonly label: string }
  | { readonly code: 'range-backwards'; readonly first: number; readonly last: number }
  | { readonly code: 'start-late'; readonly label: string }
  | { readonly code: 'start-missing'; readonly label: string }
  | { readonly code: 'part-unnamed'; readonly name: string }
  | { readonly code: 'no-rounds' }
  | { readonly code: 'text-too-long'; readonly length: number }
);

/** One sentence for a person: what is wrong and, where it helps, what to do. */
export function describeReading(d: ReadingDiagnostic): string {
  switch (d.code) {
    case 'unread':
      return `“${d.text}” could not be read, so it is left out of the count. Write it another way, or on a line of its own as a note.`;
    case 'unknown-stitch':
      return `“${d.text}” is not a stitch known here, so its ${d.count} cannot be counted.`;
    case 'bad-count':
      return `“${d.text}” cannot be a count: it needs a whole number from 1 to ${d.most}.`;
    case 'unclosed':
      return `This “${d.opener}” is never closed. Add the closing mark where the repeat ends.`;
    case 'unopened':
      return `This “${d.closer}” closes nothing. Remove it, or add the opening mark where the repeat begins.`;
    case 'repeat-missing':
      return 'This group does not say how often it is worked, so it is counted once. Add “× 6” or “around”.';
    case 'too-deep':
      return `Groups are nested more than ${BOUNDS.depth} deep here. Write the round with fewer brackets.`;
    case 'around-nested':
      return '“Around” inside a repeat has no end. Put a number there, or take it out of the brackets.';
    case 'empty-round':
      return `${d.label} has no stitches. Say what is worked in it.`;
    case 'range-backwards':
      return `The range runs backwards, from ${d.first} to ${d.last}. Read as ${d.last} to ${d.first}.`;
    case 'start-late':
      return `${d.label} starts from a ring again, but rounds of this part are already there. A new part needs a heading.`;
    case 'start-missing':
      return `${d.label} does not say what it starts from. Read as worked into an adjustable ring.`;
    case 'part-unnamed':
      return `The rounds begin again here without a heading. Taken as a new part, “${d.name}”.`;
    case 'no-rounds':
      return 'There are no rounds in this text yet. Begin a line with “R1:” and say what is worked, such as “R1: 6 sc in ring (6)”.';
    case 'text-too-long':
      return `The text has ${d.length} characters; at most ${BOUNDS.text} are read. Split it into several makes.`;
  }
}
