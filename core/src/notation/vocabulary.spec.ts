import fc from 'fast-check';
import { expect, test } from 'vitest';
import { PHRASES, type Meaning } from './phrases.js';
import { tokenize } from './tokens.js';
import { longestPhrase, Vocabulary, vocabularyOf } from './vocabulary.js';

const keys = (phrase: string): string =>
  tokenize(phrase)
    .map(({ key }) => key)
    .join(' ');

/** Every phrase of the table written out, with the meaning it was given first: what the tree must say without writing them out. */
const written = new Map<string, Meaning>();
for (const [meaning, phrases] of PHRASES)
  for (const phrase of [phrases].flat()) {
    const places = typeof phrase === 'string' ? [[phrase]] : phrase.places;
    const all = places.reduce<string[]>(
      (starts, place) => starts.flatMap((start) => place.map((end) => `${start} ${end}`)),
      [''],
    );
    for (const each of all) if (!written.has(keys(each))) written.set(keys(each), meaning);
  }
const phrases = [...written.keys()];

test('any phrase of the table is found as if all were written out, whichever was looked up before', () => {
  const index = fc.integer({ min: 0, max: phrases.length - 1 });
  fc.assert(
    fc.property(fc.array(index, { minLength: 1, maxLength: 30 }), fc.constantFrom(' zebra', ''), (chosen, end) => {
      const tree = new Vocabulary();
      for (const [meaning, each] of PHRASES) tree.add(meaning, each);
      for (const phrase of chosen.map((one) => phrases[one]!)) {
        const tokens = tokenize(phrase + end);
        const length = tokens.length - (end ? 1 : 0);
        expect(longestPhrase(tree, tokens, 0)).toEqual({ meaning: written.get(phrase), length });
      }
    }),
  );
  expect(phrases.length).toBeGreaterThan(10_000);
});

test('both terms have their own stitches', () => {
  const meaning = (terms: 'US' | 'UK', phrase: string): unknown =>
    longestPhrase(vocabularyOf(terms), tokenize(phrase), 0)?.meaning;
  // Names of stitches in both terms: common practice.
  expect(meaning('US', 'sc2tog')).toEqual({ is: 'decrease', stitch: 'sc', together: 2, school: 'plain' });
  expect(meaning('UK', 'dc2tog')).toEqual(meaning('US', 'sc2tog'));
  expect(meaning('UK', 'dc around')).toEqual({ is: 'stitch', stitch: 'sc' });
});
