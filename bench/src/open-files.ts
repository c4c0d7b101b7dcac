import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { readTalk } from '@lemniscus/core/notation/talk';
import { openFile } from '@lemniscus/core/opening';
import { PDFDocument, StandardFonts } from 'pdf-lib';
import { compare, type Result } from './measure.js';

const PAGES = 40;
const LINES = 46;
const HOUR = 3_600;

/** A PDF of 40 pages, beside pdf.js handing out its words; an hour of captions, beside splitting them into words. */
export async function openFiles(root: string): Promise<Result[]> {
  const bytes = await pages();
  const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const alone = async (): Promise<number> => {
    const loading = getDocument({ data: bytes.slice(), isEvalSupported: false, disableFontFace: true, verbosity: 0 });
    const document = await loading.promise;
    let words = 0;
    for (let page = 1; page <= document.numPages; page++)
      words += (await (await document.getPage(page)).getTextContent()).items.length;
    await loading.destroy();
    return words;
  };
  const pdf = await compare(7, () => openFile(bytes), alone);
  const hour = hourOf(await readFile(join(root, 'demo/mooring-buoy.vtt'), 'utf8'));
  const talk = await compare(
    5,
    () => readTalk(hour),
    () => hour.split(/\s+/).length,
  );
  return [
    { name: `a PDF of ${PAGES} pages, its lines rebuilt`, ...pdf, baselineName: 'pdf.js alone', unit: 'ms' },
    { name: 'an hour of captions as a pattern', ...talk, baselineName: 'splitting its words', unit: 'ms' },
  ];
}

async function pages(): Promise<Uint8Array> {
  const document = await PDFDocument.create();
  const font = await document.embedFont(StandardFonts.Helvetica);
  for (let n = 1; n <= PAGES; n++) {
    const page = document.addPage();
    page.drawText(`A long pattern, page ${n}`, { x: 60, y: 815, size: 9, font });
    for (let line = 0; line < LINES; line++)
      page.drawText(`R${n * LINES + line}: (3 sc, inc) × 6, and a few words more (30)`, {
        x: 60,
        y: 780 - 15 * line,
        size: 10,
        font,
      });
  }
  return document.save();
}

/** A talk told over and over until it has taken an hour. */
function hourOf(captions: string): string {
  const cues = [...captions.matchAll(/(\d\d):(\d\d):(\d\d)\.000 --> (\d\d):(\d\d):(\d\d)\.000\n(.*)\n/g)];
  const seconds = (match: RegExpMatchArray, at: number): number =>
    Number(match[at]) * 3_600 + Number(match[at + 1]) * 60 + Number(match[at + 2]);
  const length = seconds(cues.at(-1)!, 4);
  const clock = (value: number): string =>
    [value / 3_600, (value / 60) % 60, value % 60].map((part) => String(Math.floor(part)).padStart(2, '0')).join(':');
  const all: string[] = [];
  for (let from = 0; from + length <= HOUR; from += length)
    for (const cue of cues)
      all.push(`${clock(from + seconds(cue, 1))}.000 --> ${clock(from + seconds(cue, 4))}.000\n${cue[7]}\n`);
  return `WEBVTT\n\n${all.join('\n')}`;
}
