import type { PatternCount } from '../fabric/index.js';
import { MAKING_UP_HEADING, printInstruction, printLabel, remarksAfter, type Note, type Terms } from '../notation/index.js';

/** A pattern for other programs: what each round says and makes, and the text it was read from. */
export interface PatternDocument {
  readonly format: 'lemniscus-pattern';
  readonly version: 1;
  readonly title: string;
  readonly terms: Terms;
  /** As the maker wrote it; leave it out, and the text is made from the parts. */
  readonly text?: string | undefined;
  /** Words before the first part. */
  readonly notes?: readonly string[] | undefined;
  readonly parts: readonly DocumentPart[];
  /** How the pieces are put together, line by line. */
  readonly makingUp?: readonly string[] | undefined;
}

export interface DocumentPart {
  readonly name: string;
  readonly copies: number;
  readonly rounds: readonly DocumentRound[];
  /** Words after the last round. */
  readonly after?: readonly string[] | undefined;
}

export interface DocumentRound {
  /** "R6" or "R6–R12". */
  readonly label: string;
  /** In the clear form: "(3 sc, inc) × 6". */
  readonly instruction: string;
  /** Stitches each round of the label ends on, in order. */
  readonly makes: readonly number[];
  readonly stated: number | null;
  /** Words that stand before the round. */
  readonly notes: readonly string[];
  /** Words after the instruction and its total, in the same line. */
  readonly remarks?: readonly string[] | undefined;
}

const textsOf = (notes: readonly Note[]): string[] => notes.map((note) => note.text);

/** The document of a counted pattern, with the text it was read from. */
export function toDocument(text: string, { pattern, parts }: PatternCount): PatternDocument {
  return {
    format: 'lemniscus-pattern',
    version: 1,
    title: pattern.title,
    terms: pattern.terms,
    text,
    notes: textsOf(pattern.notes),
    parts: parts.map(({ part, rounds }) => ({
      name: part.name,
      copies: part.copies,
      rounds: part.lines.map((line, index) => ({
        label: printLabel(line),
        instruction: printInstruction(line, { terms: pattern.terms, form: 'short' }),
        makes: rounds.filter((round) => round.line === index).map((round) => round.makes),
        stated: line.stated?.count ?? null,
        notes: textsOf(part.notes.filter((note) => note.before === index)),
        remarks: remarksAfter(line),
      })),
      after: textsOf(part.notes.filter((note) => note.before >= part.lines.length)),
    })),
    makingUp: pattern.makingUp.map(({ text: line }) => line),
  };
}

/** The pattern text of a document: its own, or one made from its parts. */
export function documentText(document: PatternDocument): string {
  if (document.text !== undefined) return document.text;
  const parts = document.parts.map((part) => {
    const heading = part.copies > 1 ? `## ${part.name} (make ${part.copies})` : `## ${part.name}`;
    const rounds = part.rounds.flatMap(({ label, instruction, stated, notes, remarks = [] }) => [
      ...notes,
      `${label}: ${instruction}${stated === null ? '' : ` (${stated})`}${remarks.map((words) => `. ${words}`).join('')}`,
    ]);
    return [heading, ...rounds, ...(part.after ?? [])].join('\n');
  });
  const { makingUp = [] } = document;
  const last = makingUp.length === 0 ? [] : [[`## ${MAKING_UP_HEADING}`, ...makingUp].join('\n')];
  const head = [`# ${document.title}`, `${document.terms} terms`, ...(document.notes ?? [])].join('\n');
  return [head, ...parts, ...last].join('\n\n') + '\n';
}
