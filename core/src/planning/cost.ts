/** What goes into one copy, with what is paid for it; null for what has no price. Money is in the maker's own. */
export interface Ingredients {
  readonly yarns: readonly { readonly name: string; readonly grams: number; readonly pricePerGram: number | null }[];
  readonly eyes: number;
  readonly eyePrice: number | null;
  readonly stuffingGrams: number;
  readonly stuffingPricePerKilo: number | null;
  readonly minutes: number;
}

export interface Asked {
  /** An hour's wage. */
  readonly wage: number;
  /** Added to the sum, per cent. */
  readonly more: number;
}

export interface CostLine {
  readonly what: string;
  readonly cost: number;
  /** Whether its price is known; else it counts nothing. */
  readonly known: boolean;
}

export interface Cost {
  readonly lines: readonly CostLine[];
  readonly materials: number;
  readonly work: number;
  readonly sum: number;
  /** What to ask for one. */
  readonly price: number;
}

/** What one copy costs, and what to ask for it: materials, the minutes at the wage, and so much more. */
export function costOf(ingredients: Ingredients, { wage, more }: Asked): Cost {
  const { yarns, eyes, eyePrice, stuffingGrams, stuffingPricePerKilo, minutes } = ingredients;
  const line = (what: string, amount: number, price: number | null): CostLine => ({
    what,
    cost: amount * (price ?? 0),
    known: price !== null,
  });
  const lines = [
    ...yarns.map(({ name, grams, pricePerGram }) => line(name, grams, pricePerGram)),
    ...(eyes > 0 ? [line('eyes', eyes, eyePrice)] : []),
    ...(stuffingGrams > 0 ? [line('stuffing', stuffingGrams / 1_000, stuffingPricePerKilo)] : []),
  ];
  const materials = lines.reduce((sum, { cost }) => sum + cost, 0);
  const work = (minutes / 60) * wage;
  const sum = materials + work;
  return { lines, materials, work, sum, price: sum * (1 + more / 100) };
}
