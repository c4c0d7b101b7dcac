import fc from 'fast-check';

/** What stands in patterns while they are being written: right, wrong, unfinished, and unknown. */
export const LINES = [
  '6 sc in ring (6)',
  'inc × 6 (12)',
  'sc around',
  '(2 sc, inc) × 6',
  'invdec × 6',
  'dec × 40',
  'sk 6',
  'sk 1, sc around',
  '',
  'bobble × 6',
  'ch 5',
  'ch 12, turn',
  '3 sc in same st, 2 dc',
  'BLO sc around, sl st to first st, ch 1',
  'FLO 4 sc',
  'change to red, sc around',
  'sc until it is 5 cm long',
  'repeat R2',
  'puff, 3 hdc, ch 2, tr',
  '(((',
  'sc 0',
  '999 sc',
  'join leg 1, 3 ch, join leg 2',
  'sc in each edge',
];

/** A pattern of one part with such rounds, some of them several times, and with things to be done between them. */
export const anyPattern = fc
  .array(fc.tuple(fc.constantFrom(...LINES), fc.constantFrom(1, 1, 1, 2, 3)), { minLength: 1, maxLength: 9 })
  .map((lines) => {
    let next = 1;
    const rounds = lines.map(([words, times]) => {
      const label = times === 1 ? `R${next}` : `R${next}–R${next + times - 1}`;
      next += times;
      return `${label}: ${words}`;
    });
    return ['# Any', '## Part', ...rounds, 'Stuff firmly before R4. Set the eyes between R2 and R3.'].join('\n');
  });

/** Every number in a value, however deep, with the way to it; typed arrays included. */
export function numbersIn(value: unknown, way = ''): [string, number][] {
  if (typeof value === 'number') return [[way, value]];
  if (value === null || typeof value !== 'object') return [];
  return Object.entries(value).flatMap(([key, each]) => numbersIn(each, `${way}.${key}`));
}
