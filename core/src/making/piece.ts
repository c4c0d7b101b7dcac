import type { Pattern } from '../notation/index.js';

/** One copy of a part being made. */
export interface Piece {
  /** Stable while the part keeps its name: "wing/2". */
  readonly id: string;
  /** Index in `pattern.parts`. */
  readonly part: number;
  /** 1-based. */
  readonly copy: number;
  readonly copies: number;
  readonly name: string;
}

/** Longest name in an id; longer ones are cut, and told apart by their number. */
const LONGEST = 150;

/** The part's name as an id: lower case, anything but letters and digits as one dash. */
function slug(name: string): string {
  let id = '';
  for (const char of name.toLowerCase()) {
    if (/[\p{L}\p{N}]/u.test(char)) id += char;
    else if (!id.endsWith('-') && id) id += '-';
  }
  return id.endsWith('-') ? id.slice(0, -1) : id || 'part';
}

/** Every copy of every part, in the pattern's order. Parts of the same name are told apart by a number. */
export function piecesOf(pattern: Pattern): Piece[] {
  const seen = new Map<string, number>();
  return pattern.parts.flatMap((part, index) => {
    const base = slug(part.name).slice(0, LONGEST);
    const times = (seen.get(base) ?? 0) + 1;
    seen.set(base, times);
    const key = times > 1 ? `${base}~${times}` : base;
    return Array.from({ length: part.copies }, (_, i) => ({
      id: `${key}/${i + 1}`,
      part: index,
      copy: i + 1,
      copies: part.copies,
      name: part.copies > 1 ? `${part.name} ${i + 1} of ${part.copies}` : part.name,
    }));
  });
}
