import { INCH } from '../notation/index.js';

export type Units = 'metric' | 'inches';

/** A length of `mm` in words: "64 mm", "31.4 cm" from 30 cm on, or "2.5 in". */
export function lengthWords(mm: number, units: Units): string {
  if (units === 'inches') return `${(mm / INCH).toFixed(mm < 10 * INCH ? 1 : 0)} in`;
  return mm < 300 ? `${mm.toFixed(0)} mm` : `${(mm / 10).toFixed(1)} cm`;
}

/** So much of a whole, both in the whole's unit: "38 of 326 mm", "1.5 of 4.4 in". */
export function lengthOfWords(mm: number, whole: number, units: Units): string {
  if (units === 'metric') return `${mm.toFixed(0)} of ${whole.toFixed(0)} mm`;
  const digits = whole < 10 * INCH ? 1 : 0;
  return `${(mm / INCH).toFixed(digits)} of ${(whole / INCH).toFixed(digits)} in`;
}

/** The range of a length that may be out by a share: "58–70 mm". */
export function lengthRange(mm: number, spread: number, units: Units): string {
  const low = mm * (1 - spread);
  const high = mm * (1 + spread);
  if (units === 'inches') return `${(low / INCH).toFixed(1)}–${(high / INCH).toFixed(1)} in`;
  return high < 300 ? `${low.toFixed(0)}–${high.toFixed(0)} mm` : `${(low / 10).toFixed(1)}–${(high / 10).toFixed(1)} cm`;
}

/** A weight in words: "6.4 g" below 10 g, "43 g" above. */
export function gramWords(grams: number): string {
  return `${grams < 9.95 ? grams.toFixed(1) : grams.toFixed(0)} g`;
}

/** The range of a weight: "38–52 g". */
export function gramRange(grams: number, spread: number): string {
  const digits = grams < 9.95 ? 1 : 0;
  return `${Math.max(0, grams * (1 - spread)).toFixed(digits)}–${(grams * (1 + spread)).toFixed(digits)} g`;
}

/** A length of yarn in words: "12 m", "1.3 m" below 10 m. */
export function metreWords(mm: number): string {
  const metres = mm / 1_000;
  return `${metres < 9.95 ? metres.toFixed(1) : metres.toFixed(0)} m`;
}
