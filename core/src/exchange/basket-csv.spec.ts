import { convert } from 'convert';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { basketFromCsv, basketToCsv, listToCsv, listToMarkdown, listToText, readScaleLine, type YarnRow } from './index.js';

const words = fc.string({ maxLength: 20, unit: 'grapheme' }).map((text) => text.trim());
const row: fc.Arbitrary<YarnRow> = fc.record({
  name: words.filter((text) => text !== ''),
  yarnWeight: fc.constantFrom(0, 1, 2, 3, 4, 5, 6, 7),
  fibre: words,
  colour: fc.oneof(words, fc.constantFrom('=1+1', "'=x", '+3', '@home', 'a "quoted", one', 'two\nlines')),
  metresPer100g: fc.option(fc.integer({ min: 5, max: 5_000 })),
  grams: fc.integer({ min: 0, max: 1_000_000 }).map((n) => n / 10),
  dyeLot: words,
  ballGrams: fc.option(fc.integer({ min: 1, max: 5_000 })),
  price: fc.option(fc.integer({ min: 0, max: 100_000 }).map((n) => n / 100)),
});

describe('the basket as CSV', () => {
  it('comes back as it went out', () => {
    fc.assert(
      fc.property(fc.array(row, { maxLength: 8 }), (yarns) => {
        expect(basketFromCsv(basketToCsv(yarns))).toEqual({ ok: true, rows: yarns });
      }),
      { numRuns: 300 },
    );
  });

  it('writes nothing a spreadsheet takes for a formula', () => {
    const file = basketToCsv([{ ...fc.sample(row, 1)[0]!, name: '=cmd()', colour: '@x' }]);
    expect(file).not.toMatch(/(^|,)"?[=+@]/m);
  });

  it('reads what spreadsheets write: semicolons, decimal commas, names of weights, any order', () => {
    const file = '\uFEFFWeight;Grams;Name;Price\r\nsuper bulky;12,5;Fog;3,20\r\n\r\n4;50;Quay;\r\n';
    expect(basketFromCsv(file)).toMatchObject({
      ok: true,
      rows: [
        { name: 'Fog', yarnWeight: 6, grams: 12.5, price: 3.2, metresPer100g: null },
        { name: 'Quay', yarnWeight: 4, grams: 50, price: null },
      ],
    });
  });

  it('reports every bad cell at its line and column, and takes nothing', () => {
    const file = 'name,weight,grams,metres per 100 g\nQuay,4,50,190\n,9,-3,0\nFog,4,,1e9\nGull,4,12,200,extra\n';
    const read = basketFromCsv(file);
    if (read.ok) throw new Error('was taken');
    expect(read.problems.map(({ line, column }) => `${line} ${column}`)).toEqual([
      '3 name',
      '3 weight',
      '3 grams',
      '3 metres per 100 g',
      '4 grams',
      '4 metres per 100 g',
      '5 ',
    ]);
    for (const { message } of read.problems) expect(message).not.toMatch(/NaN|undefined/);
  });

  it.each(['', 'just words', 'name,grams\nQuay,5', 'name,weight,grams,shoe\nQuay,4,5,1', 'name,weight,grams\n"Quay,4,5'])(
    'refuses %j with a reason',
    (file) => {
      const read = basketFromCsv(file);
      expect(read.ok ? [] : read.problems).not.toHaveLength(0);
    },
  );
});

describe('the list as files', () => {
  const entries = [
    {
      id: 'a',
      group: 'Yarn',
      what: 'Quay, black',
      need: { from: 15.96, to: 24.04, unit: 'g' },
      have: { from: 10, to: 10, unit: 'g' },
      buy: { count: 1, gramsEach: 50 },
      why: '=because',
    },
    { id: 'b', group: 'Tools', what: 'Scissors', need: { from: 1, to: 1, unit: 'piece' }, have: null, buy: null, why: '' },
    { id: 'c', group: 'Small things', what: 'Cord', need: { from: 200, to: 200, unit: 'mm' }, have: null, buy: null, why: '' },
  ] as const;

  it('names every entry, with its tick', () => {
    expect(listToMarkdown('Fish', entries, ['b'])).toBe(
      '# Fish: what is needed\n\n## Yarn\n- [ ] Quay, black: 16–24 g, in the basket 10 g, buy 1 × 50 g\n\n## Tools\n- [x] Scissors\n\n## Small things\n- [ ] Cord: 20 cm\n',
    );
    expect(listToText('Fish', entries, ['b'])).toContain('✓ Scissors');
    // Numbers in a file are numbers, to be reckoned with.
    expect(listToCsv(entries, []).split('\r\n').slice(1, 4)).toEqual([
      `Yarn,"Quay, black",16,24,g,10,1,50,no,"'=because"`,
      'Tools,Scissors,1,1,piece,,,,no,',
      'Small things,Cord,200,200,mm,,,,no,',
    ]);
  });
});

describe('what a scale says', () => {
  it.each([
    ['ST,GS,+0042.5 g', 42.5, true],
    ['US,GS,+0042.5 g', 42.5, false],
    ['  42.5g', 42.5, true],
    ['-3.1 g', -3.1, true],
    ['0.25 kg', 250, true],
    ['1.5 oz', convert(1.5, 'oz').to('g'), true],
    ['0.5 lb', convert(0.5, 'lb').to('g'), true],
  ])('%j', (line, grams, steady) => {
    const reading = readScaleLine(line)!;
    expect(reading.grams).toBeCloseTo(grams, 6);
    expect(reading.steady).toBe(steady);
  });

  it.each(['', 'Err', 'ST,GS,------ g', '42.5 cups', '1e9 g', '42.5.1 g'])('passes over %j', (line) => {
    expect(readScaleLine(line)).toBeNull();
  });
});
