import { PatternDocument } from '@lemniscus/api';
import { documentText, toDocument } from '@lemniscus/core/exchange';
import { BOUNDS } from '@lemniscus/core/bounds';
import { describeNoText, textOf } from '@lemniscus/core/decoding';
import { print } from '@lemniscus/core/notation';
import { save } from '../data/device/files';
import type { SettledReading } from '../data/open/settled-reading';

const TEXT_ENDINGS = ['.txt', '.md', '.markdown', '.text'];

export type TakenFile = { readonly text: string } | { readonly refused: string };

/** The pattern text in a file, or why it cannot be taken. */
export async function takeFile(file: File): Promise<TakenFile> {
  const name = file.name.toLowerCase();
  const json = name.endsWith('.json');
  if (!json && !TEXT_ENDINGS.some((ending) => name.endsWith(ending)) && !file.type.startsWith('text/'))
    return { refused: `“${file.name}” is no plain text. Save the pattern as .txt or .md, or copy its text and paste it here.` };
  if (file.size > 4 * BOUNDS.text)
    return { refused: `“${file.name}” is larger than ${BOUNDS.text / 1_000_000} MB, the most that is read.` };
  const found = textOf(new Uint8Array(await file.arrayBuffer()));
  if (!found.ok) return { refused: `“${file.name}”: ${describeNoText(found)}` };
  const { text } = found;
  if (json) return fromJson(file.name, text);
  if (text.length > BOUNDS.text)
    return { refused: `“${file.name}” is larger than ${BOUNDS.text / 1_000_000} MB, the most that is read.` };
  return text.includes('\0') ? { refused: `“${file.name}” holds no readable text.` } : { text: text.replace(/\r\n?/g, '\n') };
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
