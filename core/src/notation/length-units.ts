/** Millimetres in an inch, by definition. */
export const INCH = 25.4;

/** Millimetres in each unit of length, as patterns write it. */
export const MM_IN: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  in: INCH,
  inch: INCH,
  inches: INCH,
  '"': INCH,
  '”': INCH,
};
