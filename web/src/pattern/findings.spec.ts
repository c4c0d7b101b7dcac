import { checkPattern } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { describe, expect, it } from 'vitest';
import { findingsOf, outlineOf } from './findings';

const text =
  'Body\nR1: 6 sc in ring (6)\nR2–R4: inc around\nR5: (6 sc, dec) × 6 (43)\nR6–R7: sc around (42)\n\nWing (make 2)\nR1: 5 sc in ring';
const count = checkPattern(read(text));

describe('what the desk shows', () => {
  it('is one row for each written line, with what the line ends on and what it states', () => {
    const rows = outlineOf(count).map((part) =>
      part.map((row) => `${row.makes} of ${row.below ?? '-'} ${row.stated ?? 'open'} ${row.ok ? 'ok' : 'off'}`),
    );
    expect(rows).toEqual([['6 of - 6 ok', '12–48 of 6 open ok', '42 of 48 43 off', '42 of 42 42 ok'], ['5 of - open ok']]);
  });

  it('points at the words it speaks of', () => {
    const places = findingsOf(count).map(({ from, to, message }) => `${text.slice(from, to)} ${message}`);
    expect(places).toEqual([
      '(43) R5 makes 42, but 43 is stated: 1 fewer than stated. R6 goes on from 42, so the stated total is likelier wrong.',
    ]);
    for (const row of outlineOf(count).flat()) expect(text.slice(row.at)).toMatch(/^R\d/);
  });
});
