/** A half-open range of UTF-16 offsets in the pattern text, 0-based. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** A place as people name it: 1-based line and column, `endColumn` just past the last character on that line. */
export interface Place {
  readonly line: number;
  readonly column: number;
  readonly endColumn: number;
}

/** The smallest span that holds both. */
export function join(a: Span, b: Span): Span {
  return { from: Math.min(a.from, b.from), to: Math.max(a.to, b.to) };
}

/**
 * Makes a function from spans to places for one text. Lines end in LF, CR LF or CR.
 * A span that runs over several lines is cut at the end of its first.
 */
export function placesIn(text: string): (span: Span) => Place {
  const starts = [0];
  for (let i = 0; i < text.length; i++) {
    const char = text[i];
    if (char === '\n' || (char === '\r' && text[i + 1] !== '\n')) starts.push(i + 1);
  }
  return ({ from, to }) => {
    let low = 0;
    let high = starts.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (starts[middle]! <= from) low = middle;
      else high = middle - 1;
    }
    const start = starts[low]!;
    const end = starts[low + 1] ?? text.length + 1;
    return { line: low + 1, column: from - start + 1, endColumn: Math.max(from, Math.min(to, end - 1)) - start + 1 };
  };
}
