import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { placesIn, print, printInstruction, printRoundLine, read } from './index.js';

const lineOf = (text: string) => read(text).pattern.parts[0]!.lines.at(-1)!;

describe('the clear form', () => {
  it.each([
    ['R2: sc in next 3 sts, inc in next st', 'R2: 3 sc, inc'],
    ['Rnd 2 - [SC 1, Increase] repeat 6 times - 18 sts', 'R2: (1 sc, inc) × 6 (18)'],
    ['Round 2: *sc, inc; rep from * around', 'R2: (1 sc, inc) around'],
    ['rnds 2 to 9. single crochet in each stitch around [24]', 'R2–R9: sc around (24)'],
    ['Row 2: working in back loops only, 3 sc, sc2tog', 'Row 2: in BLO, 3 sc, sc2tog'],
    ['Rows 2-3: sc 3 BLO, 2 hdc in next st', 'Rows 2–3: 3 sc BLO, hdc inc'],
    ['R2: inv dec, dec, 4 sc in next st, 3 dc in each st around', 'R2: invdec, dec, 4 sc in next st, 3 dc in each st around'],
    [
      'R2: with white, sc around (6). Place marker. Leave the yarn',
      'R2: with white, sc around (6). Place marker. Leave the yarn',
    ],
  ])('%s', (written, printed) => {
    expect(printRoundLine(lineOf(`R1: 6 sc in ring\n${written}`))).toBe(printed);
  });

  it('prints the other terms on request', () => {
    const line = lineOf('R1: 6 sc in ring\nR2: 2 sc, (1 hdc, hdc inc) × 2, sc2tog, dc, tr');
    expect(printInstruction(line, { terms: 'UK', form: 'short' })).toBe('2 dc, (1 htr, htr inc) × 2, dc2tog, 1 tr, 1 dtr');
  });

  it('keeps headings, copies, notes and their places', () => {
    const text = `# Buoy
US terms
Floats.

## Float
R1: with red, 6 sc in ring (6)
Stuff it well.
R2–R4: sc around (6)
Fasten off.

## Rope eye (make 2)
R1: ch 2, 4 sc in 2nd ch from hook (4)
`;
    expect(print(read(text).pattern)).toBe(text);
  });
});

describe('places', () => {
  it('name line and column as a text editor does, whatever ends the lines', () => {
    const lines = fc.array(
      fc.string({ maxLength: 12 }).map((line) => line.replace(/[\r\n]/g, '')),
      { minLength: 1, maxLength: 8 },
    );
    fc.assert(
      fc.property(
        lines,
        fc.constantFrom('\n', '\r\n', '\r'),
        fc.nat(7),
        fc.nat(12),
        fc.nat(30),
        (all, end, row, column, length) => {
          const line = Math.min(row, all.length - 1);
          const at = Math.min(column, all[line]!.length);
          const before = all.slice(0, line).reduce((sum, one) => sum + one.length + end.length, 0);
          const place = placesIn(all.join(end))({ from: before + at, to: before + at + length });
          expect(place.line).toBe(line + 1);
          expect(place.column).toBe(at + 1);
          // A span that runs on is cut at the line's end.
          expect(place.endColumn - place.column).toBeLessThanOrEqual(all[line]!.length - at + end.length - 1);
          if (at + length <= all[line]!.length) expect(place.endColumn).toBe(at + length + 1);
        },
      ),
      { seed: 13, numRuns: 400 },
    );
  });
});
