/** Why a line of a file is no part of its pattern, as far as its place tells. */
export type Dropped = 'running head' | 'page number' | 'around the page';

/** A line of a file, in its order. */
export interface SourceLine {
  readonly text: string;
  /** 1-based; null where the file has no pages. */
  readonly page: number | null;
  /** Null for a line that is taken. */
  readonly dropped: Dropped | null;
}

/** What kind of file a text was read from. */
export type FileKind = 'text' | 'pdf' | 'docx' | 'odt' | 'html' | 'rtf';

/** Why nothing could be read from a file, with what its sentence needs. */
export type NotOpened =
  | { readonly why: 'empty' | 'no text' | 'scan' | 'password' | 'stopped' }
  | { readonly why: 'broken'; readonly kind: FileKind }
  | { readonly why: 'unknown'; readonly ending: string }
  | { readonly why: 'too large'; readonly most: number; readonly of: 'MB' | 'pages' };

export type Opened =
  { readonly ok: true; readonly kind: FileKind; readonly lines: readonly SourceLine[] } | ({ readonly ok: false } & NotOpened);

/** The text of the lines that are taken, and of those that are put back. A file that is text alone keeps every line in its place. */
export function textOfLines(lines: readonly SourceLine[], putBack: ReadonlySet<number> = new Set()): string {
  const taken = lines.filter(({ dropped }, at) => dropped === null || putBack.has(at)).map(({ text }) => text);
  if (lines.every(({ page, dropped }) => page === null && dropped === null)) return taken.join('\n');
  return `${taken
    .join('\n')
    .replace(/\n{3,}/g, '\n\n')
    .trim()}\n`;
}

/** Lines of a text that has no pages and nothing around it. */
export function linesOfText(text: string): SourceLine[] {
  return text.split(/\r\n|\r|\n/).map((line) => ({ text: line.trimEnd(), page: null, dropped: null }));
}
