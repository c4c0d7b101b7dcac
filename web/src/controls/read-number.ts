export interface NumberBounds {
  readonly min: number;
  readonly max: number;
  readonly whole: boolean;
}

export type NumberRead = { readonly ok: true; readonly value: number | null } | { readonly ok: false; readonly message: string };

/** The number a person typed, with a decimal point or comma; null for an empty text; a message when it cannot be meant. */
export function readNumber(text: string, bounds: NumberBounds): NumberRead {
  const trimmed = text.trim();
  if (trimmed === '') return { ok: true, value: null };
  const value = /^[-+]?(\d+([.,]\d*)?|[.,]\d+)$/.test(trimmed) ? Number(trimmed.replace(',', '.')) : Number.NaN;
  const fits = value >= bounds.min && value <= bounds.max && (!bounds.whole || Number.isInteger(value));
  return fits ? { ok: true, value } : { ok: false, message: `Give ${wanted(bounds)}.` };
}

function wanted({ min, max, whole }: NumberBounds): string {
  const kind = whole ? 'a whole number' : 'a number';
  if (Number.isFinite(max)) return `${kind} from ${min} to ${max}`;
  return Number.isFinite(min) ? `${kind}, ${min} or more` : kind;
}
