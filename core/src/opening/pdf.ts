import type { Opened } from '../decoding/index.js';
import type { Page, PlacedText } from './page.js';
import { linesOfPages } from './pages.js';

/** More pages are a book. */
const MOST_PAGES = 400;

/** What is read of a PDF's words; the rest of the library's types is not needed here. */
interface TextItem {
  readonly str: string;
  readonly transform: readonly number[];
  readonly width: number;
  readonly height: number;
}

/**
 * The lines of a PDF. Loads pdf.js when it is first asked for, and runs it in the thread that asks, which is a worker.
 * @param progress is told the share of its pages that are read, and stops it by returning false
 */
export async function openPdf(bytes: Uint8Array, progress: (done: number) => boolean): Promise<Opened> {
  const { getDocument } = await loadPdfJs();
  // Its data is taken over by the library: the caller keeps its own.
  const loading = getDocument({
    data: bytes.slice(),
    isEvalSupported: false,
    useSystemFonts: false,
    disableFontFace: true,
    verbosity: 0,
  });
  try {
    const document = await loading.promise;
    if (document.numPages > MOST_PAGES) return { ok: false, why: 'too large', most: MOST_PAGES, of: 'pages' };
    const pages: Page[] = [];
    for (let number = 1; number <= document.numPages; number++) {
      if (!progress((number - 1) / document.numPages)) return { ok: false, why: 'stopped' };
      const page = await document.getPage(number);
      const { width, height } = page.getViewport({ scale: 1 });
      const { items } = await page.getTextContent();
      pages.push({ width, height, placed: items.flatMap((item) => ('str' in item ? placedOf(item) : [])) });
      page.cleanup();
    }
    if (pages.every(({ placed }) => placed.length === 0)) return { ok: false, why: 'scan' };
    return { ok: true, kind: 'pdf', lines: linesOfPages(pages) };
  } catch (error) {
    const closed = error instanceof Error && error.name === 'PasswordException';
    return closed ? { ok: false, why: 'password' } : { ok: false, why: 'broken', kind: 'pdf' };
  } finally {
    await loading.destroy();
  }
}

function placedOf({ str, transform, width, height }: TextItem): PlacedText[] {
  if (str.trim() === '') return [];
  const size = height > 0 ? height : Math.hypot(transform[2] ?? 0, transform[3] ?? 0);
  return [{ text: str, x: transform[4] ?? 0, y: transform[5] ?? 0, width, size: size > 0 ? size : 10 }];
}

async function loadPdfJs(): Promise<typeof import('pdfjs-dist')> {
  // The library looks for its other half under this name before it would start a worker of its own.
  const inside: unknown = await import('pdfjs-dist/legacy/build/pdf.worker.mjs');
  Object.assign(globalThis, { pdfjsWorker: inside });
  return import('pdfjs-dist/legacy/build/pdf.mjs');
}
