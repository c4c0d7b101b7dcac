/** Why numbers that were typed in cannot be used, at which of them. */
export interface Refusal<Field extends string> {
  readonly ok: false;
  readonly field: Field;
  /** A sentence for a person that says what to do. */
  readonly message: string;
}

export function refuse<Field extends string>(field: Field, message: string): Refusal<Field> {
  return { ok: false, field, message };
}

/** Null when `value` is a number from `min` to `max`; else what is wrong with it. */
export function outside<Field extends string>(
  field: Field,
  value: number | null,
  what: string,
  [min, max]: readonly [number, number],
  unit: string,
): Refusal<Field> | null {
  if (value !== null && value >= min && value <= max) return null;
  return refuse(field, `${what}: give a number from ${min} to ${max}${unit}.`);
}
