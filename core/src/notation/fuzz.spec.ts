import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkPattern, describe as sentence, fabricOf, fixesOf } from '../fabric/index.js';
import { applyEdits, gatesOf, print, read, rewrite } from './index.js';

/** Runs of each property; a longer run by command: FUZZ=100000 npx vitest run core/src/notation/fuzz */
const RUNS = Number(process.env['FUZZ'] ?? 600);

const WORDS =
  'R1: R2: R3–R9: Rnd Row Next_round: 6_sc_in_ring sc inc dec invdec sc2tog hdc dc tr puff ch ch_7 sl_st BLO FLO ( ) [ ] * × x 6 0 -3 999999999 1.5 , ; : . = (18) [12_sts] around to_last_2_sts repeat_from_* more_times in next st sts each every_third same_as_R2 same_as_R9_of_Wing until_5_cm_long as_long_as_you_like join_Wing_with_ch_3 through_both_layers through_flipper in_front_loops_of_R2 pick_up along_the_edge other_side ch_1,_turn join_with_sl_st sk skip change_to with_red A: B (A) MC Colours:_A_navy Wing (make_2) ## ** UK_terms US_terms Stuff_it. eyes_between_R2_and_R3 \n \r\n \t \0 🧶 \u202e'
    .split(' ')
    .map((word) => word.replaceAll('_', ' ').replace('\\n', '\n'));

const phrases = fc
  .array(fc.tuple(fc.constantFrom(...WORDS), fc.constantFrom(' ', ' ', ' ', '', '\n')), { maxLength: 60 })
  .map((all) => all.map(([word, gap]) => word + gap).join(''));
/** A clean pattern with some characters changed, taken out or put in: what typing slips do. */
const slipped = fc
  .tuple(fc.nat(400), fc.array(fc.tuple(fc.nat(400), fc.constantFrom('', '(', ')', 'x', '1', '\n', 'c', ',')), { maxLength: 8 }))
  .map(([cut, slips]) => {
    const clean =
      '# Buoy\n\n## Float (make 2)\nWith red:\nR1: 6 sc in ring (6)\nR2: inc × 6 (12)\nR3: in BLO, (1 sc, inc) × 6 (18)\nR4–R6: sc around (18)\nSet the eyes between R4 and R5.\nR7: (1 sc, dec) × 6 (12)\n\n## Hull\nR1: ch 7, 2 sc in 2nd ch from hook, 4 sc, 4 sc in last ch, on the other side 4 sc, 2 sc in last ch (16)\n';
    return slips.reduce((text, [at, insert]) => text.slice(0, at) + insert + text.slice(at + 1), clean.slice(cut % 40));
  });
const anything = fc.oneof(phrases, slipped, fc.string({ unit: 'binary', maxLength: 300 }));

describe('any text', () => {
  it('is read within bounds, and all that is said of it makes sense', () => {
    fc.assert(
      fc.property(anything, (text) => {
        const count = checkPattern(read(text));
        for (const diagnostic of count.diagnostics) {
          const { from, to } = diagnostic.span;
          expect(from >= 0 && from <= to && to <= text.length, diagnostic.code).toBe(true);
          expect(sentence(diagnostic)).not.toMatch(/NaN|undefined|null|\[object/);
          for (const { title, edits } of fixesOf(diagnostic)) {
            expect(title).not.toMatch(/NaN|undefined|\[object/);
            for (const edit of edits) expect(edit.from >= 0 && edit.from <= edit.to && edit.to <= text.length, title).toBe(true);
            // A way out can be taken: what comes of it is read again.
            checkPattern(read(applyEdits(text, edits)));
          }
        }
        for (const counted of count.parts) {
          const fabric = fabricOf(counted);
          for (let row = 0; row < fabric.stitchCount; row++) {
            const first = fabric.firstParent[row]!;
            expect(first + fabric.parentCount[row]!).toBeLessThanOrEqual(row);
          }
          for (const gate of gatesOf(counted.part)) expect(gate.before).toBeLessThanOrEqual(counted.part.lines.length);
        }
      }),
      { seed: 41, numRuns: RUNS },
    );
  });

  it('prints to a form that settles, and is rewritten without a slip', () => {
    fc.assert(
      fc.property(anything, (text) => {
        const { pattern, diagnostics } = read(text);
        const once = print(pattern);
        expect(print(read(once).pattern).length).toBeGreaterThan(0);
        read(applyEdits(text, rewrite(text, pattern, diagnostics, { terms: 'UK', form: 'long' })));
      }),
      { seed: 43, numRuns: RUNS },
    );
  });
});

describe('texts made to be heavy', () => {
  it.each([
    ['nesting', `R1: ${'('.repeat(500_000)}`],
    ['stars', `R1: ${'*'.repeat(200_001)}`],
    ['typing slips', 'R1: 6 sc in ring xqzv\n'.repeat(20_000)],
    ['one long line', `R1: ${'sc, '.repeat(200_000)}`],
    ['parts', 'Wing\nR1: 6 sc in ring\n\n'.repeat(2_000)],
    ['taken over', `R1: 6 sc in ring\n${Array.from({ length: 2_000 }, (_, i) => `R${i + 2}: same as R${i + 1}`).join('\n')}`],
    ['rows in one sentence', 'turn, 3 sc, '.repeat(20_000)],
    ['a round of slips', `R1: 6 sc in ring\nR2: ${'dec until 6 remain, '.repeat(5_000)}`],
    ['a number over and over', `R1: 6 sc in ring\n${'R7: sc\n'.repeat(8_000)}`],
    ['a stitch a line', 'sc\n'.repeat(30_000)],
    ['labels without end', 'R1-'.repeat(30_000)],
    ['a sign a line', '1\n'.repeat(40_000)],
    ['huge repeats', 'R1: ((((9999 sc) × 9999) × 9999) × 9999) × 9999\n'.repeat(50)],
  ])('%s', (_name, text) => {
    const count = checkPattern(read(text));
    for (const counted of count.parts.slice(0, 20)) expect(fabricOf(counted).stitchCount).toBeLessThanOrEqual(500_000);
  });
});
