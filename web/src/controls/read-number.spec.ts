import fc from 'fast-check';
import { expect, test } from 'vitest';
import { readNumber } from './read-number';

const open = { min: Number.NEGATIVE_INFINITY, max: Number.POSITIVE_INFINITY, whole: false };
const decimal = fc.tuple(fc.integer({ min: -99_999, max: 99_999 }), fc.integer({ min: 0, max: 3 })).map(([digits, places]) => ({
  value: Number(`${digits}e-${places}`),
  text: (digits / 10 ** places).toFixed(places),
}));

test('a decimal comma and a decimal point are the same number', () => {
  fc.assert(
    fc.property(decimal, ({ value, text }) => {
      for (const written of [text, text.replace('.', ','), ` ${text} `])
        expect(readNumber(written, open)).toEqual({ ok: true, value });
    }),
  );
});

test('outside the bounds, or not whole where it has to be, it is refused with what is wanted; never bent to fit', () => {
  fc.assert(
    fc.property(decimal, fc.boolean(), ({ value, text }, whole) => {
      const read = readNumber(text, { min: 1, max: 30, whole });
      const fits = value >= 1 && value <= 30 && (!whole || value % 1 === 0);
      expect(read).toEqual(
        fits ? { ok: true, value } : { ok: false, message: `Give a ${whole ? 'whole ' : ''}number from 1 to 30.` },
      );
    }),
  );
});

test.each(['tea', '1,000.5', '1 000', '1e9', '0x10', '--3', '.', 'NaN', 'Infinity', '3..5'])('"%s" is no number', (text) => {
  expect(readNumber(text, open)).toEqual({ ok: false, message: 'Give a number.' });
});
