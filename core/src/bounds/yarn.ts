/** Bounds of a yarn's numbers and words, in the basket and in its file. */
export const YARN_BOUNDS = {
  metresPer100g: [5, 5_000],
  grams: [0, 100_000],
  ballGrams: [1, 5_000],
  price: [0, 100_000],
  words: 200,
  rows: 5_000,
} as const;
