import { BOUNDS } from './bounds.js';
import type { ReadingDiagnostic } from './diagnostic.js';
import type { Times } from './pattern.js';
import { join, type Span } from './span.js';
import type { Loop } from './stitch.js';
import { numberOf, type Token } from './tokens.js';
import { longestPhrase, type Match, type Vocabulary } from './vocabulary.js';

/** Where stitches go, as said after them: "in next 3 sts", "in each st around", "in ring". */
export type Into =
  | { readonly into: 'ring' | 'second chain' | 'one' | 'each' | 'around' }
  | { readonly into: 'next'; readonly count: number; readonly each: boolean };

export type Closer = ')' | ']' | '*';

export const SEPARATORS: ReadonlySet<string> = new Set([',', ';', '.', ':', '-', '+', '&', '!']);
export const CLOSER_OF: Readonly<Record<string, Closer>> = { '(': ')', '[': ']' };

type Facts = ReadingDiagnostic extends infer D ? (D extends ReadingDiagnostic ? Omit<D, 'severity' | 'span'> : never) : never;

/** A place in a line's tokens, and the small things that can stand there: counts, places, loops, stated totals. */
export class RoundCursor {
  protected at = 0;
  /** Star groups open at the cursor. */
  protected stars = 0;

  constructor(
    protected readonly text: string,
    protected readonly tokens: readonly Token[],
    private readonly vocabulary: Vocabulary,
    protected readonly report: (diagnostic: ReadingDiagnostic) => void,
  ) {}

  /** "× 6", "* 6", "6 times", "6 x", "6 more times", "twice", "around". */
  protected times(): Times | null {
    const phrase = this.phrase();
    if (phrase?.meaning.is === 'twice' || phrase?.meaning.is === 'around') {
      this.at += phrase.length;
      return phrase.meaning.is === 'twice' ? 2 : 'around';
    }
    if (phrase?.meaning.is === 'times') {
      const token = this.tokens[this.at + phrase.length];
      const number = numberOf(token);
      if (number === null) return null;
      this.at += phrase.length + 1;
      if (this.phrase()?.meaning.is === 'times') this.at++;
      return this.checkedCount(number, token!);
    }
    const token = this.tokens[this.at];
    if (token?.key === '*' && this.stars === 0) return this.starTimes();
    const number = numberOf(token);
    if (number === null) return null;
    const more = this.tokens[this.at + 1]?.key === 'more' ? 1 : 0;
    const after = this.phrase(this.at + 1 + more);
    if (after?.meaning.is !== 'times') return null;
    const next = this.tokens[this.at + 1 + more + after.length]?.key;
    const group = next === '(' || next === '[';
    if (group && this.statedLength(true, this.at + 1 + more + after.length) === 0) return null;
    this.at += 1 + more + after.length;
    return this.checkedCount(number, token!) + more;
  }

  /** "(2 sc, inc)*6": a star before a number multiplies, where no star is open that it could close. */
  private starTimes(): number | null {
    const token = this.tokens[this.at + 1];
    const number = numberOf(token);
    const next = this.tokens[this.at + 2];
    const ends = next === undefined || next.kind === 'mark' || this.phrase(this.at + 2)?.meaning.is === 'times';
    if (number === null || !ends) return null;
    this.at += 2;
    if (this.phrase()?.meaning.is === 'times') this.at++;
    return this.checkedCount(number, token!);
  }

  /** A number that stands alone after a stitch or a group: "sc 3", "(2 sc, inc) 6". */
  protected bareCount(): number | null {
    const token = this.tokens[this.at];
    const number = numberOf(token);
    if (number === null) return null;
    const next = this.tokens[this.at + 1];
    const phrase = this.phrase(this.at + 1);
    const free =
      next === undefined ||
      SEPARATORS.has(next.key) ||
      '()[]*='.includes(next.key) ||
      phrase?.meaning.is === 'with' ||
      phrase?.meaning.is === 'loop';
    if (!free) return null;
    this.at++;
    return this.checkedCount(number, token!);
  }

  /** "in next 3 sts", "in each st around", "in ring", "around". */
  protected into(): Into | null {
    const back = this.at;
    let phrase = this.phrase();
    if (phrase?.meaning.is === 'with' || phrase?.meaning.is === 'into') {
      this.at += phrase.length;
      phrase = this.phrase();
    }
    const is = phrase?.meaning.is;
    if (phrase && (is === 'ring' || is === 'second chain' || is === 'each' || is === 'around' || is === 'next one')) {
      this.at += phrase.length;
      return { into: is === 'next one' ? 'one' : is };
    }
    if (phrase?.meaning.is === 'next') {
      const token = this.tokens[this.at + phrase.length];
      const number = numberOf(token);
      if (number !== null) {
        this.at += phrase.length + 1;
        const stitches = this.phrase();
        if (stitches?.meaning.is === 'stitches' || stitches?.meaning.is === 'stitch') this.at += stitches.length;
        return { into: 'next', count: this.checkedCount(number, token!), each: phrase.meaning.each };
      }
    }
    this.at = back;
    return null;
  }

  protected loopSuffix(): Loop | null {
    const phrase = this.phrase();
    const skip = phrase?.meaning.is === 'with' ? phrase.length : 0;
    const loop = skip ? this.phrase(this.at + skip) : phrase;
    if (loop?.meaning.is !== 'loop') return null;
    this.at += skip + loop.length;
    return loop.meaning.loop;
  }

  /** Length in tokens of a stated total at `at`, 0 when there is none: "(18)", "[18 sts]", "= 18", "18 sts". */
  protected statedLength(worked: boolean, at = this.at): number {
    const first = this.tokens[at];
    if (!first) return 0;
    const closer = CLOSER_OF[first.key];
    const marked = closer !== undefined || first.key === '=' || first.key === '-' || first.key === ':';
    let i = at + (marked ? 1 : 0);
    while (['total', 'makes', '='].includes(this.tokens[i]?.key ?? '') && marked) i++;
    if (this.tokens[i]?.kind !== 'number') return 0;
    i++;
    const unit = this.phrase(i);
    const named = unit?.meaning.is === 'stitches';
    if (named || (closer && worked && unit?.meaning.is === 'stitch')) i += unit.length;
    if (this.tokens[i]?.key === 'in' && this.tokens[i + 1]?.key === 'total') i += 2;
    if (closer) {
      if (this.tokens[i]?.key === '.') i++;
      if (this.tokens[i]?.key !== closer) return 0;
      const after = this.phrase(i + 1)?.meaning.is;
      if (after === 'times' || after === 'around' || after === 'twice') return 0;
      return i + 1 - at;
    }
    if (first.key === '=') return i - at;
    const ends = this.tokens[i] === undefined || this.tokens[i]!.key === '.';
    return worked && ends && (marked || named) ? i - at : 0;
  }

  /** Moves past everything up to the next separator, bracket or stated total; gives what was passed over. */
  protected skipToSeparator(): Span {
    const from = this.tokens[this.at]?.from ?? this.tokens[this.at - 1]!.to;
    let to = from;
    while (this.at < this.tokens.length) {
      const token = this.tokens[this.at]!;
      if (to > from && (SEPARATORS.has(token.key) || '()[]*='.includes(token.key))) break;
      if (to === from && (SEPARATORS.has(token.key) || '()[]'.includes(token.key))) break;
      to = token.to;
      this.at++;
    }
    return { from, to };
  }

  protected checkedCount(number: number, token: Token): number {
    if (Number.isInteger(number) && number >= 1 && number <= BOUNDS.count) return number;
    this.error({ code: 'bad-count', text: token.text, most: BOUNDS.count }, token);
    return 1;
  }

  protected phrase(at = this.at): Match | null {
    return longestPhrase(this.vocabulary, this.tokens, at);
  }

  protected spanOf(length: number): Span {
    return join(this.tokens[this.at]!, this.tokens[this.at + length - 1]!);
  }

  protected words(span: Span): string {
    return this.text.slice(span.from, span.to);
  }

  protected error(facts: Facts, { from, to }: Span): void {
    this.report({ ...facts, severity: 'error', span: { from, to } });
  }
}
