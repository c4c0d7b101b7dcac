import { expect, test } from 'vitest';
import { counted, singularName } from './plural.js';

test.each([
  [1, 'stitch', '1 stitch'],
  [0, 'stitch', '0 stitches'],
  [6, 'stitch', '6 stitches'],
  [2, 'foot', '2 feet'],
  [3, 'leaf', '3 leaves'],
  [2, 'copy', '2 copies'],
  [2, 'day', '2 days'],
  [1, 'line to look at', '1 line to look at'],
  [4, 'line to look at', '4 lines to look at'],
])('%i of "%s" is "%s"', (count, noun, words) => expect(counted(count, noun)).toBe(words));

test.each(['leg', 'foot', 'leaf', 'piece', 'wing'])('one "%s" of many is found again under its own name', (noun) => {
  expect(singularName(counted(2, noun))).toBe(`2 ${noun}`);
});
