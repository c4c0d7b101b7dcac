export type YarnWeightNumber = 0 | 1 | 2 | 3 | 4 | 5 | 6 | 7;

export interface YarnWeight {
  readonly number: YarnWeightNumber;
  readonly name: string;
  /** Stitches in 4 in (101.6 mm): single crochet, for weight 0 double crochet. */
  readonly gauge: readonly [number, number];
  /** Hook sizes on the label, mm. */
  readonly hook: readonly [number, number];
  /** Thickness of the strand, mm: 25.4 over the usual wraps per inch (from memory). */
  readonly strand: number;
  /** Metres in 100 g of a usual yarn of this weight, where a yarn does not say its own (from memory, give or take a fifth). */
  readonly metres: number;
}

/**
 * Yarn weights with their label gauge and hooks (Craft Yarn Council, Standard Yarn Weight System, recalled).
 * Weight 0 is given there in double crochet. The open ends of weight 7 ("6 and fewer", "15 mm and larger") are closed
 * here at 5 and 20, our own choice.
 */
export const YARN_WEIGHTS: readonly YarnWeight[] = [
  { number: 0, name: 'Lace', gauge: [32, 42], hook: [1.6, 2.25], strand: 0.8, metres: 800 },
  { number: 1, name: 'Super fine', gauge: [21, 32], hook: [2.25, 3.5], strand: 1.27, metres: 400 },
  { number: 2, name: 'Fine', gauge: [16, 20], hook: [3.5, 4.5], strand: 1.7, metres: 300 },
  { number: 3, name: 'Light', gauge: [12, 17], hook: [4.5, 5.5], strand: 1.95, metres: 240 },
  { number: 4, name: 'Medium', gauge: [11, 14], hook: [5.5, 6.5], strand: 2.4, metres: 200 },
  { number: 5, name: 'Bulky', gauge: [8, 11], hook: [6.5, 9], strand: 3.4, metres: 120 },
  { number: 6, name: 'Super bulky', gauge: [7, 9], hook: [9, 15], strand: 4.6, metres: 75 },
  { number: 7, name: 'Jumbo', gauge: [5, 6], hook: [15, 20], strand: 8, metres: 40 },
];

export function yarnWeight(number: YarnWeightNumber): YarnWeight {
  return YARN_WEIGHTS[number]!;
}
