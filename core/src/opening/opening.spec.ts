import { Document, Header, HeadingLevel, Packer, PageNumber, Paragraph, Table, TableCell, TableRow, TextRun } from 'docx';
import { OdtDocument } from 'odf-kit/odt';
import { PDFDocument, StandardFonts, type PDFFont, type PDFPage } from 'pdf-lib';
import { describe, expect, it } from 'vitest';
import { checkPattern, toReport } from '../fabric/index.js';
import { read } from '../notation/index.js';
import { describeNotOpened, textOfLines, type SourceLine } from '../decoding/index.js';
import { openFile } from './index.js';
import { linesOfPage } from './page.js';
import { textOfRtf } from './rtf.js';

/** A pattern of our own, line by line, and what is counted in it. */
const BODY = [
  'Pebble seal',
  '',
  'Body',
  'R1: 6 sc in ring (6)',
  'R2: inc × 6 (12)',
  'R3: (1 sc, inc) × 6 (18)',
  'R4: (2 sc, inc) × 6 (24)',
  'R5–R9: sc around (24)',
  'R10: (2 sc, dec) × 6 (18)',
  'Stuff firmly, but leave the top soft.',
  'R11: (1 sc, dec) × 6 (12)',
  'R12: dec × 6 (6)',
];
const FLIPPER = [
  'Flipper (make 2)',
  'R1: 5 sc in ring (5)',
  'R2: inc × 5 (10)',
  'R3–R5: sc around (10)',
  'Do not stuff.',
  'Fasten off, leave a tail of 20 cm.',
];
const COUNTS = [
  ['Body', 1, [6, 12, 18, 24, 24, 24, 24, 24, 24, 18, 12, 6]],
  ['Flipper', 2, [5, 10, 10, 10, 10]],
];

function countsIn(text: string): unknown[] {
  const report = toReport(text, checkPattern(read(text)));
  expect(report.diagnostics.filter(({ severity }) => severity === 'error')).toEqual([]);
  return report.parts.map(({ name, copies, rounds }) => [name, copies, rounds.map(({ makes }) => makes)]);
}

async function linesOf(bytes: Uint8Array): Promise<readonly SourceLine[]> {
  const opened = await openFile(bytes);
  if (!opened.ok) throw new Error(describeNotOpened(opened));
  return opened.lines;
}

type Draw = (page: PDFPage, font: PDFFont) => void;

async function pdf(...pages: readonly Draw[]): Promise<Uint8Array> {
  const document = await PDFDocument.create();
  const font = await document.embedFont(StandardFonts.Helvetica);
  for (const draw of pages) draw(document.addPage([595, 842]), font);
  return document.save();
}

const write = (page: PDFPage, font: PDFFont, lines: readonly string[], x = 60, top = 740): void =>
  lines.forEach((line, i) => line && page.drawText(line, { x, y: top - 16 * i, size: 11, font }));

const dropped = (lines: readonly SourceLine[]): string[] =>
  lines.flatMap(({ text, dropped: why }) => (why ? [`${why}: ${text}`] : []));

describe('a PDF', () => {
  it('of one column is read back over its pages, without its running heads and numbers, which are beside', async () => {
    const edges: Draw = (page, font) => write(page, font, ['Small harbour patterns'], 60, 810);
    const numbered =
      (n: number, lines: readonly string[]): Draw =>
      (page, font) => {
        edges(page, font);
        write(page, font, lines);
        page.drawText(`${n} / 3`, { x: 280, y: 30, size: 9, font });
      };
    const lines = await linesOf(await pdf(numbered(1, BODY.slice(0, 8)), numbered(2, BODY.slice(8)), numbered(3, FLIPPER)));
    expect(countsIn(textOfLines(lines))).toEqual(COUNTS);
    expect(dropped(lines)).toEqual([1, 2, 3].flatMap((n) => ['running head: Small harbour patterns', `page number: ${n} / 3`]));
    const first = lines.findIndex(({ dropped: why }) => why === 'running head');
    expect(textOfLines(lines, new Set([first]))).toMatch(/^Small harbour patterns\n/);
    expect(lines.find(({ text }) => text === FLIPPER[1])?.page).toBe(3);
  });

  it('of two columns is read down the one and then the other, below what stands across', async () => {
    const lines = await linesOf(
      await pdf((page, font) => {
        write(page, font, ['Pebble seal: a long line about the whole of it that stands across both of the columns'], 60, 780);
        write(page, font, BODY.slice(2), 60);
        write(page, font, FLIPPER, 330);
      }),
    );
    expect(countsIn(textOfLines(lines))).toEqual(COUNTS);
  });

  it('with a table keeps its rows whole', async () => {
    const rows = [
      ['Round', 'What to do', 'Total'],
      ['1', '6 sc in ring', '6'],
      ['2', 'inc × 6', '12'],
      ['3', '(1 sc, inc) × 6', '18'],
      ['4-6', 'sc around', '18'],
      ['7', '(1 sc, dec) × 6', '12'],
    ];
    const lines = await linesOf(
      await pdf((page, font) => {
        write(page, font, ['Bud', '', 'Body']);
        for (const [column, x] of [60, 130, 420].entries())
          write(
            page,
            font,
            rows.map((row) => row[column]!),
            x,
            690,
          );
      }),
    );
    expect(lines.map(({ text }) => text)).toContain('3\t(1 sc, inc) × 6\t18');
    expect(countsIn(textOfLines(lines))).toEqual([['Body', 1, [6, 12, 18, 18, 18, 18, 12]]]);
  });

  it('is said to be a scan, closed, damaged or too long, and can be stopped', async () => {
    const why = async (bytes: Uint8Array, progress?: (done: number) => boolean): Promise<string> => {
      const opened = await openFile(bytes, progress);
      return opened.ok ? 'read' : opened.why;
    };
    expect(await why(await pdf((page) => page.drawRectangle({ x: 50, y: 50, width: 400, height: 600 })))).toBe('scan');
    expect(await why(new TextEncoder().encode('%PDF-1.7\nnothing more'))).toBe('broken');
    const blank: Draw = () => undefined;
    expect(await why(await pdf(...Array.from({ length: 401 }, () => blank)))).toBe('too large');
    const pages = await pdf(...Array.from({ length: 5 }, (): Draw => (page, font) => write(page, font, BODY)));
    const told: number[] = [];
    expect(await why(pages, (done) => told.push(done) < 3)).toBe('stopped');
    expect(told).toEqual([0, 0.2, 0.4]);
    expect(await why(CLOSED)).toBe('password');
  });
});

/** An empty PDF closed by a password (RC4 of 40 bits, made by hand after ISO 32000-1, 7.6). */
const CLOSED = new TextEncoder().encode(
  `%PDF-1.4
1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj
2 0 obj<</Type/Pages/Kids[3 0 R]/Count 1>>endobj
3 0 obj<</Type/Page/Parent 2 0 R/MediaBox[0 0 99 99]>>endobj
4 0 obj<</Filter/Standard/V 1/R 2/P -4/O<${'1b'.repeat(32)}>/U<${'2c'.repeat(32)}>>>endobj
trailer<</Root 1 0 R/Encrypt 4 0 R/Size 5/ID[<00112233445566778899aabbccddeeff><00112233445566778899aabbccddeeff>]>>
%%EOF`,
);

describe('words placed on a page', () => {
  const at = (
    text: string,
    x: number,
    y: number,
    width = 6 * text.length,
  ): { text: string; x: number; y: number; width: number; size: number } => ({ text, x, y, width, size: 10 });

  it('are joined where they touch, parted where they do not, and their ligatures are letters', () => {
    const page = {
      width: 600,
      height: 800,
      placed: [
        at('stu', 10, 700, 18),
        at('\ufb00', 28, 700.4, 6),
        at('\ufb01rmly', 40, 700, 30),
        at('R2', 10, 680, 12),
        at('inc', 80, 680, 18),
      ],
    };
    expect(linesOfPage(page).map(({ text }) => text)).toEqual(['stuff firmly', 'R2\tinc']);
  });

  it('are all there once, in whatever columns they stand', () => {
    for (let seed = 0; seed < 60; seed++) {
      const columns = 1 + (seed % 2);
      const placed = Array.from({ length: 30 }, (_, i) =>
        at(`w${i}`, 50 + (i % columns) * 300 + (seed % 7), 750 - 14 * Math.floor(i / columns), 180 + ((i * seed) % 40)),
      );
      const words = linesOfPage({ width: 600, height: 800, placed }).flatMap(({ text }) => text.split(/\s/));
      expect([...words].sort()).toEqual(placed.map(({ text }) => text).sort());
      if (columns === 2) expect(words.indexOf('w28')).toBeLessThan(words.indexOf('w1'));
    }
  });
});

describe('a document', () => {
  const rows = (cells: readonly (readonly string[])[]): Table =>
    new Table({
      rows: cells.map((row) => new TableRow({ children: row.map((cell) => new TableCell({ children: [new Paragraph(cell)] })) })),
    });

  it('of Word is read with its headings, breaks and tables, without its header', async () => {
    const header = new Header({
      children: [new Paragraph({ children: [new TextRun('A shop '), new TextRun({ children: [PageNumber.CURRENT] })] })],
    });
    const children = [
      new Paragraph({ text: BODY[0]!, heading: HeadingLevel.TITLE }),
      new Paragraph({ text: 'Body', heading: HeadingLevel.HEADING_2 }),
      ...BODY.slice(3).map((line) => new Paragraph(line)),
      new Paragraph({ text: FLIPPER[0]!, heading: HeadingLevel.HEADING_2 }),
      rows([
        ['Round', 'Work', 'Sts'],
        ['1', '5 sc in ring', '5'],
        ['2', 'inc × 5', '10'],
        ['3-5', 'sc around', '10'],
      ]),
    ];
    const bytes = await Packer.toBuffer(new Document({ sections: [{ headers: { default: header }, children }] }));
    expect(countsIn(textOfLines(await linesOf(new Uint8Array(bytes))))).toEqual(COUNTS);
  });

  it('of the open format likewise', async () => {
    const document = new OdtDocument();
    document.addHeading('Pebble seal', 1);
    document.addHeading('Body', 2);
    for (const line of BODY.slice(3)) document.addParagraph(line);
    document.addHeading(FLIPPER[0]!, 2);
    for (const line of FLIPPER.slice(1)) document.addParagraph(line);
    expect(countsIn(textOfLines(await linesOf(await document.save())))).toEqual(COUNTS);
  });

  it('of a web page is read without what stands around it, which is beside', async () => {
    const html = `<!doctype html><html><head><title>x</title><style>p{}</style></head><body><nav><a href="/">Home</a> <a href="/shop">Shop</a></nav>
      <main><h1>Pebble seal</h1><h2>Body</h2>${BODY.slice(3)
        .map((line) => `<p>${line.replace('×', '&times;')}</p>`)
        .join('')}
      <h2>${FLIPPER[0]}</h2><ul>${FLIPPER.slice(1)
        .map((line) => `<li>${line}</li>`)
        .join('')}</ul></main>
      <aside>Sign up for letters</aside><footer>All rights kept</footer><script>alert(1)</script></body></html>`;
    const lines = await linesOf(new TextEncoder().encode(html));
    expect(countsIn(textOfLines(lines))).toEqual(COUNTS);
    expect(dropped(lines)).toEqual(
      ['Home Shop', 'Sign up for letters', 'All rights kept'].map((text) => `around the page: ${text}`),
    );
  });

  it('in rich text keeps its letters, cells and paragraphs, and leaves fonts and heads out', async () => {
    const lines = [...BODY, '', ...FLIPPER].map((line) => line.replace('×', '\\u215?').replaceAll('–', "\\'96"));
    const source = `{\\rtf1\\ansi\\ansicpg1252\\uc1{\\fonttbl{\\f0 Arial;}}{\\*\\generator Nobody;}{\\header\\pard A shop\\par}\\pard\\b ${lines.join('\\b0\\par\n')}\\par}`;
    expect(countsIn(textOfLines(await linesOf(new TextEncoder().encode(source))))).toEqual(COUNTS);
    expect(
      textOfRtf(
        '{\\rtf1 \\trowd R1\\cell 6 sc\\cell\\row a\\~b\\emdash c\\{d\\}{\\field{\\*\\fldinst LINK "x"}{\\fldrslt e}}\\uc2\\u8364??f}',
      ),
    ).toBe('R1\t6 sc\na b—c{d}e€f');
  });

  it('that is something else, or is damaged, says so', async () => {
    const why = async (bytes: Uint8Array): Promise<string> => {
      const opened = await openFile(bytes);
      return opened.ok ? opened.kind : describeNotOpened(opened);
    };
    expect(await why(new Uint8Array())).toMatch(/empty/);
    expect(await why(Uint8Array.from(Array.from({ length: 500 }, (_, i) => (i * 7) % 11)))).toMatch(/picture/);
    expect(await why(new TextEncoder().encode('PK\u0003\u0004 and no more'))).toMatch(/damaged/);
    expect(await why(new TextEncoder().encode('R1: 6 sc in ring'))).toBe('text');
  });
});
