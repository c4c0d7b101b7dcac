import type { Dropped, SourceLine } from '../decoding/index.js';
import { apart, linesOfPage, type Page, type PageLine } from './page.js';

/** Shares of a page's height at its top and bottom where running heads and page numbers stand. */
const EDGE = 0.11;
/** A head runs where it is on so many pages, and on this share of them. */
const LEAST_PAGES = 2;
const SHARE = 0.4;

/** The lines of all pages, with what runs along them dropped. Between pages a line may go on, so they stand close. */
export function linesOfPages(pages: readonly Page[]): readonly SourceLine[] {
  const read = pages.map((page) => ({ page, lines: linesOfPage(page) }));
  const running = runningIn(read);
  return read.flatMap(({ page, lines }, number) =>
    lines.flatMap((line, i): SourceLine[] => {
      const dropped = droppedOf(line, page, pages.length, running);
      const above = lines[i - 1];
      const blank: SourceLine[] = above && apart(above, line) ? [{ text: '', page: number + 1, dropped: null }] : [];
      return [...blank, { text: line.text, page: number + 1, dropped }];
    }),
  );
}

interface Read {
  readonly page: Page;
  readonly lines: readonly PageLine[];
}

function atEdge({ y }: PageLine, { height }: Page): boolean {
  return y < EDGE * height || y > (1 - EDGE) * height;
}

/** What stands at the edge of pages again and again, numbers aside. */
function runningIn(read: readonly Read[]): ReadonlySet<string> {
  const counts = new Map<string, number>();
  for (const { page, lines } of read) {
    const heads = new Set(lines.filter((line) => atEdge(line, page)).map(({ text }) => withoutNumbers(text)));
    for (const head of heads) counts.set(head, (counts.get(head) ?? 0) + 1);
  }
  const least = Math.max(LEAST_PAGES, SHARE * read.length);
  return new Set([...counts].filter(([head, count]) => count >= least && head !== '').map(([head]) => head));
}

function withoutNumbers(text: string): string {
  return text.toLowerCase().replace(/\d+/g, '#').replace(/\s+/g, ' ').trim();
}

const NUMBER = /^(?:page|p\.?|seite)?\s*[-–—|]?\s*\d{1,3}\s*(?:(?:of|\/|von)\s*\d{1,3})?\s*[-–—|]?$/i;
const SAYS_PAGE = /^(?:page|p\.|seite)\b|\d\s*(?:of|\/)\s*\d/i;

function droppedOf(line: PageLine, page: Page, pages: number, running: ReadonlySet<string>): Dropped | null {
  if (!atEdge(line, page)) return null;
  if (NUMBER.test(line.text) && (pages > 1 || SAYS_PAGE.test(line.text))) return 'page number';
  return running.has(withoutNumbers(line.text)) ? 'running head' : null;
}
