import { gramWords } from '../gauge/index.js';

/** How much of something: from the least to the most where it is not sure, in grams, mm or pieces. */
export interface Amount {
  readonly from: number;
  readonly to: number;
  readonly unit: 'g' | 'mm' | 'piece';
}

/** What is bought: so many, each of so many grams where it is sold by weight. */
export interface Purchase {
  readonly count: number;
  readonly gramsEach: number | null;
}

export function exactly(number: number, unit: Amount['unit']): Amount {
  return { from: number, to: number, unit };
}

/** An amount that may be out by a share. */
export function giveOrTake(number: number, spread: number, unit: Amount['unit']): Amount {
  return { from: Math.max(0, number * (1 - spread)), to: number * (1 + spread), unit };
}

/** "38–52 g", "6.4 g", "20 cm", "2"; '' for none. */
export function amountWords(amount: Amount | null): string {
  if (!amount) return '';
  const { from, to, unit } = amount;
  if (unit === 'piece') return String(to);
  if (unit === 'mm') return `${to / 10} cm`;
  if (from === to) return gramWords(to);
  const digits = (from + to) / 2 < 9.95 ? 1 : 0;
  return `${from.toFixed(digits)}–${to.toFixed(digits)} g`;
}

/** "2 × 50 g", "150 g", "2"; '' for nothing. */
export function purchaseWords(purchase: Purchase | null): string {
  if (!purchase) return '';
  const { count, gramsEach } = purchase;
  if (gramsEach === null) return String(count);
  // What is sold loose is bought by the gram.
  return gramsEach === 1 ? `${count} g` : `${count} × ${gramsEach} g`;
}
