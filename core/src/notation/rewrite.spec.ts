import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { applyEdits, explainAt, read, rewrite, type PrintStyle, type Terms } from './index.js';

const folder = join(import.meta.dirname, '../../../demo');
const rewritten = (text: string, style: PrintStyle): string => {
  const { pattern, diagnostics } = read(text);
  return applyEdits(text, rewrite(text, pattern, diagnostics, style));
};
/** What every round means, wherever and however it is written. */
const meaningOf = (text: string): string =>
  JSON.stringify(
    read(text).pattern.parts.map((part) => part.lines),
    (key, value: unknown) => (['span', 'label', 'places', 'settings'].includes(key) ? undefined : value),
  );

describe('writing a pattern in other words', () => {
  it.each(readdirSync(folder).filter((name) => name.endsWith('.md')))(
    'keeps what every round of %s means, in either terms, short or long',
    (file) => {
      const text = readFileSync(join(folder, file), 'utf8');
      for (const terms of ['US', 'UK'] as const) {
        for (const form of ['short', 'long'] as const) {
          const other = rewritten(text, { terms, form });
          expect(meaningOf(other), other).toBe(meaningOf(text));
          expect(read(other).pattern.terms).toBe(terms);
          // There and back is the clear form, whatever the way.
          expect(rewritten(rewritten(other, { terms: 'US', form: 'short' }), { terms, form })).toBe(other);
        }
      }
    },
  );

  it('leaves prose, headings and rounds with errors as they stand', () => {
    const text = 'Hello! *My* buoy:\n\nFloat\nRnd 1: sc 6 in MR [6]\nRnd 2: icn x 6\nSew the float on.\nRnd 3 - sc in next 6 sts';
    expect(rewritten(text, { terms: 'US', form: 'short' })).toBe(
      'Hello! *My* buoy:\n\nFloat\nR1: 6 sc in ring (6)\nRnd 2: icn x 6\nSew the float on.\nR3: 6 sc',
    );
    expect(rewritten('Float\nR1: 6 sc in ring', { terms: 'UK', form: 'short' })).toBe('UK terms\nFloat\nR1: 6 dc in ring');
  });
});

describe('explanations', () => {
  it.each<[string, string, Terms, string]>([
    ['R2: (2 sc, inv dec) × 3', 'dec', 'US', 'Invisible decrease, single crochet (UK: double crochet, dc)'],
    ['R2: 3 dc', 'dc', 'UK', 'double crochet (US: single crochet, sc)'],
    ['R2: in BLO, sc around', 'BLO', 'US', 'Back loop only'],
    ['R2: sc in each st around', 'each', 'US', 'Around'],
    ['R1: 6 sc in magic ring', 'magic', 'US', 'Adjustable ring'],
    ['Rnd 2: puff', 'Rnd', 'US', 'Round'],
  ])('“%s” at %s in %s terms: %s', (text, word, terms, title) => {
    const said = explainAt(text, text.indexOf(word), terms)!;
    expect(said.title).toBe(title);
    expect(text.slice(said.span.from, said.span.to)).toContain(word);
  });

  it('say nothing where there is nothing to explain', () => {
    for (let at = 0; at <= 12; at++) expect(explainAt('Hello, world', at, 'US')).toBeNull();
  });
});
