import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkPattern, fabricOf, type Diagnostic, type Fabric } from '../fabric/index.js';
import { read } from '../notation/index.js';
import { changePlaces, evennessOf, respread, spread, writeSpread } from './index.js';

/** One round worked over a ring of `below` stitches: its fabric and what is said of it. */
function worked(below: number, round: string): { fabric: Fabric; diagnostics: readonly Diagnostic[] } {
  const count = checkPattern(read(`R1: ${below} sc in ring (${below})\nR2: ${round}`));
  return { fabric: fabricOf(count.parts[0]!), diagnostics: count.diagnostics.filter((each) => each.severity === 'error') };
}

const STYLE = { terms: 'US', form: 'short' } as const;

/** A round from `uses` to `makes` stitches, as counts a maker could want. */
const wanted = fc
  .record({
    uses: fc.integer({ min: 1, max: 90 }),
    share: fc.double({ min: 0, max: 1, noNaN: true }),
    lead: fc.integer({ min: 0, max: 30 }),
  })
  .map(({ uses, share, lead }) => {
    const least = Math.ceil(uses / 2);
    return { uses, makes: least + Math.round(share * (2 * uses - least)), lead };
  });

/** The round as a rhythm: x where a change begins, a dot for every other stitch of the round below. */
function rhythm(uses: number, changes: number): string {
  const places = new Set(changePlaces(spread(uses, uses + changes)));
  return Array.from({ length: uses }, (_, i) => (places.has(i) ? 'x' : '.')).join('');
}

const rotations = (text: string): string[] => Array.from({ length: text.length }, (_, i) => text.slice(i) + text.slice(0, i));

describe('spreading', () => {
  // Euclidean rhythms from the table of G. Toussaint, "The Euclidean algorithm generates traditional musical rhythms"
  // (2005), from memory; equal up to rotation.
  it.each([
    [2, 3, 'x.x'],
    [2, 5, 'x.x..'],
    [3, 4, 'x.xx'],
    [3, 5, 'x.x.x'],
    [3, 7, 'x.x.x..'],
    [3, 8, 'x..x..x.'],
    [4, 7, 'x.x.x.x'],
    [4, 9, 'x.x.x.x..'],
    [4, 11, 'x..x..x..x.'],
    [5, 6, 'x.xxxx'],
    [5, 7, 'x.xx.xx'],
    [5, 8, 'x.xx.xx.'],
    [5, 9, 'x.x.x.x.x'],
    [5, 11, 'x.x.x.x.x..'],
    [5, 12, 'x..x.x..x.x.'],
    [5, 16, 'x..x..x..x..x...'],
    [7, 8, 'x.xxxxxx'],
    [7, 12, 'x.xx.x.xx.x.'],
    [7, 16, 'x..x.x.x..x.x.x.'],
    [9, 16, 'x.xx.x.x.xx.x.x.'],
    [11, 24, 'x..x.x.x.x.x..x.x.x.x.x.'],
    [13, 24, 'x.xx.x.x.x.x.xx.x.x.x.x.'],
  ])('%i changes over %i stitches are the Euclidean rhythm', (changes, stitches, table) => {
    expect(rotations(table)).toContain(rhythm(stitches, changes));
  });

  it('has gaps that differ by at most one, and lands on the count, as written and read again', () => {
    fc.assert(
      fc.property(wanted, ({ uses, makes, lead }) => {
        const round = spread(uses, makes, lead);
        if (round.gaps.length > 0) expect(Math.max(...round.gaps) - Math.min(...round.gaps)).toBeLessThanOrEqual(1);
        const written = writeSpread(round, STYLE);
        const { fabric, diagnostics } = worked(uses, `${written} (${makes})`);
        expect(diagnostics, written).toEqual([]);
        const evenness = evennessOf(fabric, 1);
        expect(evenness?.changes ?? 0).toBe(Math.abs(makes - uses));
        // Increases make two stitches of one, so a gap counts the same in both; decreases leave theirs out.
        if (evenness) expect(evenness.largest - evenness.smallest).toBeLessThanOrEqual(1);
      }),
      { seed: 31, numRuns: 300 },
    );
  });

  // As patterns write them (common practice).
  it.each([
    [12, 18, undefined, '(1 sc, inc) × 6'],
    [12, 18, 0, '(inc, 1 sc) × 6'],
    [36, 42, 3, '3 sc, inc, (5 sc, inc) × 5, 2 sc'],
    [6, 12, undefined, 'inc × 6'],
    [18, 12, undefined, '(1 sc, dec) × 6'],
    [12, 6, undefined, 'dec × 6'],
    [13, 15, undefined, '6 sc, inc, 5 sc, inc'],
    [22, 26, undefined, '(5 sc, inc, 4 sc, inc) × 2'],
    [17, 20, undefined, '(5 sc, inc) × 2, 4 sc, inc'],
    [30, 30, undefined, 'sc around'],
  ])('from %i to %i with %s first: %s', (uses, makes, lead, written) => {
    expect(writeSpread(spread(uses, makes, lead), STYLE)).toBe(written);
  });

  it('refuses what one change a stitch cannot reach', () => {
    expect(() => spread(6, 13)).toThrow('more than one increase a stitch');
    expect(() => spread(12, 5)).toThrow('more than one decrease a stitch');
    expect(() => spread(0, 5)).toThrow('at least 1');
  });
});

describe('a round worked differently', () => {
  it('lands on its count from wherever it stands, or says that it cannot', () => {
    fc.assert(
      fc.property(
        wanted,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.integer({ min: -4, max: 4 }),
        ({ uses, makes }, share, off) => {
          const used = Math.floor(share * uses);
          const made = Math.max(0, Math.round((share * makes * used) / Math.max(1, used)) + off);
          const rest = respread(uses, makes, used, made);
          if (!rest) {
            const [left, need] = [uses - used, makes - made];
            expect(left < 1 || need < 1 || need > 2 * left || 2 * need < left).toBe(true);
            return;
          }
          expect(used + rest.uses).toBe(uses);
          expect(made + rest.makes).toBe(makes);
          expect(worked(rest.uses, `${writeSpread(rest, STYLE)} (${rest.makes})`).diagnostics).toEqual([]);
        },
      ),
      { seed: 37, numRuns: 300 },
    );
  });
});
