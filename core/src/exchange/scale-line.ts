/** What a kitchen scale says in one line. */
export interface ScaleReading {
  readonly grams: number;
  /** Whether the weight has settled. */
  readonly steady: boolean;
}

/** Grams in one of each unit scales print. */
const UNITS: Readonly<Record<string, number>> = { g: 1, kg: 1_000, oz: 28.349523125, lb: 453.59237 };

/**
 * Reads a line of text as scales print it over a serial port: a weight with its unit, and perhaps "ST" (steady) or "US"
 * (unsteady) before it ("ST,GS,+0042.5 g", from memory). A line without either is taken as steady. Null for any other line.
 */
export function readScaleLine(line: string): ScaleReading | null {
  const found = /^(?:(ST|US)\s*,)?(?:\s*[A-Z]{2}\s*,)?\s*([+-]?)\s*(\d{1,6}(?:\.\d{1,4})?)\s*(kg|g|oz|lb)\s*$/i.exec(line.trim());
  if (!found) return null;
  const grams = Number(found[3]) * UNITS[found[4]!.toLowerCase()]!;
  return { grams: found[2] === '-' && grams !== 0 ? -grams : grams, steady: found[1]?.toUpperCase() !== 'US' };
}
