import { PatternDocument } from '@lemniscus/api';
import { documentText, toDocument } from '@lemniscus/core/exchange';
import { BOUNDS } from '@lemniscus/core/bounds';
import { describeNotOpened, describeNoText, textOf, textOfLines } from '@lemniscus/core/decoding';
import { print } from '@lemniscus/core/notation';
import { save } from '../data/device/files';
import type { Found } from '../data/open/file-opening';
import type { SettledReading } from '../data/open/settled-reading';

/** Files that may hold a pattern, or captions of somebody telling one. */
export const PATTERN_FILES =
  '.txt,.md,.markdown,.json,.pdf,.docx,.odt,.html,.htm,.rtf,.vtt,.srt,text/plain,text/markdown,text/html,text/vtt,application/json,application/pdf';

/** A text that can be taken as it is, a file that is looked over first, or why there is nothing to take. */
export type TakenFile = { readonly text: string } | { readonly review: Found } | { readonly refused: string };

const NO_ROUNDS = 'This is a talk, and no rounds are worked in it. Is it the right one? It may also be in another language.';

/** A pattern that was saved for other programs. */
export function takeJson(name: string, bytes: Uint8Array): TakenFile {
  const found = textOf(bytes);
  return found.ok ? fromJson(name, found.text) : { refused: `“${name}”: ${describeNoText(found)}` };
}

/** What to do with what was found in a file. */
export function takeFound(found: Found): TakenFile {
  const { name, opened, talk } = found;
  if (!opened.ok) return { refused: `“${name}”: ${describeNotOpened(opened)}` };
  if (talk?.parts.length === 0) return { refused: `“${name}”: ${NO_ROUNDS}` };
  const text = textOfLines(opened.lines);
  if (text.length > BOUNDS.text)
    return { refused: `“${name}” is larger than ${BOUNDS.text / 1_000_000} MB, the most that is read.` };
  return talk || opened.kind !== 'text' ? { review: found } : { text };
}

function fromJson(name: string, text: string): TakenFile {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return { refused: `“${name}” is no JSON. If it is a pattern, save it as .txt.` };
  }
  const document = PatternDocument.safeParse(value);
  if (document.success) return { text: documentText(document.data) };
  const issue = document.error.issues[0]!;
  const where = issue.path.join('.');
  return { refused: `“${name}” cannot be read as a pattern: ${where ? `${where}: ` : ''}${issue.message}` };
}

export type SaveKind = 'txt' | 'md' | 'json';

/** Saves the pattern as a file: as written (.txt), in the clear form (.md), or for other programs (.json). */
export function savePattern({ text, count }: SettledReading, kind: SaveKind): void {
  const content =
    kind === 'txt' ? text : kind === 'md' ? print(count.pattern) : `${JSON.stringify(toDocument(text, count), null, 2)}\n`;
  save(count.pattern.title || 'Pattern', kind, content);
}
