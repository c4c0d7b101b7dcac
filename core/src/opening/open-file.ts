import { unzipSync } from 'fflate';
import { linesOfText, textOf, type FileKind, type NotOpened, type Opened } from '../decoding/index.js';

/** More is no pattern, bytes: a PDF's pictures may be large. */
const MOST_BYTES = 60_000_000;

const going = (): boolean => true;

/**
 * The lines of a file as its kind says, which its bytes tell and not its name. Loads what reads it when it is first needed.
 * @param progress is told the share that is done, and stops it by returning false
 */
export async function openFile(bytes: Uint8Array, progress: (done: number) => boolean = going): Promise<Opened> {
  if (bytes.length === 0) return { ok: false, why: 'empty' };
  if (bytes.length > MOST_BYTES) return { ok: false, why: 'too large', most: MOST_BYTES / 1_000_000, of: 'MB' };
  if (begins(bytes, '%PDF-')) return (await import('./pdf.js')).openPdf(bytes, progress);
  if (begins(bytes, 'PK\u0003\u0004')) return openPacked(bytes);
  const found = textOf(bytes);
  if (!found.ok) return { ok: false, why: found.why === 'empty' ? 'empty' : 'no text' };
  const { text } = found;
  if (text.startsWith('{\\rtf')) return { ok: true, kind: 'rtf', lines: linesOfText((await import('./rtf.js')).textOfRtf(text)) };
  if (isHtml(text)) return { ok: true, kind: 'html', lines: (await import('./html.js')).linesOfHtml(text) };
  return { ok: true, kind: 'text', lines: linesOfText(text) };
}

function begins(bytes: Uint8Array, head: string): boolean {
  return Array.from(head).every((char, i) => bytes[i] === char.charCodeAt(0));
}

/** A page says that it is one, or has the tags of one. */
function isHtml(text: string): boolean {
  const head = text.slice(0, 4_000);
  return (
    /^\s*(?:<!doctype html|<html|<\?xml[^>]*\?>\s*(?:<!doctype html[^>]*>\s*)?<html)/i.test(head) ||
    (head.match(/<\/(?:p|div|li|td|h[1-6]|table)>/gi)?.length ?? 0) >= 3
  );
}

const DOCX = 'word/document.xml';
const ODT = 'content.xml';

async function openPacked(bytes: Uint8Array): Promise<Opened> {
  const kind = kindOfPacked(bytes);
  if (typeof kind !== 'string') return { ok: false, ...kind };
  try {
    const { linesOfHtml } = await import('./html.js');
    const html =
      kind === 'docx' ? await htmlOfDocx(bytes) : (await import('odf-kit/odt-reader')).odtToHtml(bytes, { fragment: true });
    return { ok: true, kind, lines: linesOfHtml(html) };
  } catch {
    return { ok: false, why: 'broken', kind };
  }
}

/** What is in a packed file, by the names of what it holds. */
function kindOfPacked(bytes: Uint8Array): FileKind | NotOpened {
  const names = new Set<string>();
  try {
    unzipSync(bytes, {
      filter: ({ name }) => {
        names.add(name);
        return false;
      },
    });
  } catch {
    return { why: 'broken', kind: 'docx' };
  }
  if (names.has(DOCX)) return 'docx';
  return names.has(ODT) ? 'odt' : { why: 'unknown', ending: '.zip' };
}

async function htmlOfDocx(bytes: Uint8Array): Promise<string> {
  const mammoth = await import('mammoth');
  // Browsers' half of the library takes the one, Node's the other.
  const input = { arrayBuffer: bytes.slice().buffer, buffer: bytes };
  return (await mammoth.default.convertToHtml(input)).value;
}
