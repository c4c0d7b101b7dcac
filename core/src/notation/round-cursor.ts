import { BOUNDS } from '../bounds/index.js';
import type { ColourKey } from './colour-key.js';
import type { Doubt, ReadingDiagnostic } from './diagnostic.js';
import { labelWord, ordinal, wholeNumber } from './label.js';
import { nearestWord } from './near.js';
import type { Foundation, Times } from './pattern.js';
import { singular } from './plural.js';
import { join, type Span } from './span.js';
import type { Loop, Terms } from './stitch.js';
import { numberOf, type Token } from './tokens.js';
import { longestPhrase, vocabularyOf, type Match, type Vocabulary } from './vocabulary.js';

/** What reading a round needs to know of the text around it. */
export interface RoundContext {
  readonly terms: Terms;
  /** Whether it is the first round of its part, which may be worked over something other than a round. */
  readonly first: boolean;
  /** What a line before the first round said it is worked over; null for nothing. */
  readonly foundation: Foundation | null;
  /** Names of the parts before. */
  readonly parts: readonly string[];
  readonly colours: ColourKey;
  /** The doubt that is to be decided the other way; null for the usual reading. */
  readonly otherwise: Doubt | null;
  /** How many more typing slips may be looked up, so that a text of nothing else stays quick. */
  readonly lookups: { left: number };
}

/** Where stitches go, as said after them: "in next 3 sts", "in each st around", "in ring", "to last 2 sts". */
export type Into =
  | { readonly into: 'ring' | 'one' | 'each' | 'around' | 'edge' | 'layers' }
  | { readonly into: 'chain'; readonly nth: number }
  | { readonly into: 'every'; readonly step: number }
  | { readonly into: 'to last'; readonly count: number; readonly each: boolean }
  | { readonly into: 'next'; readonly count: number; readonly each: boolean };

export type Closer = ')' | ']' | '*';

export const SEPARATORS: ReadonlySet<string> = new Set([',', ';', '.', ':', '-', '+', '&', '!']);
export const CLOSER_OF: Readonly<Record<string, Closer>> = { '(': ')', '[': ']' };

export type Facts = ReadingDiagnostic extends infer D
  ? D extends ReadingDiagnostic
    ? Omit<D, 'severity' | 'span'>
    : never
  : never;

/** A place in a line's tokens, and the small things that can stand there: counts, places, loops, stated totals. */
export class RoundCursor {
  protected at = 0;
  /** Star groups open at the cursor. */
  protected stars = 0;
  /** What could also have been meant. */
  readonly doubts = new Set<Doubt>();
  private readonly vocabulary: Vocabulary;

  constructor(
    protected readonly text: string,
    protected readonly tokens: readonly Token[],
    protected readonly context: RoundContext,
    protected readonly report: (diagnostic: ReadingDiagnostic) => void,
  ) {
    this.vocabulary = vocabularyOf(context.terms);
  }

  /** Notes that something could be meant in another way; true when that other way is to be taken. */
  protected doubtful(doubt: Doubt): boolean {
    this.doubts.add(doubt);
    return this.context.otherwise === doubt;
  }

  /** "× 6", "* 6", "6 times", "6 x", "6 more times", "twice", "around". */
  protected times(): Times | null {
    const phrase = this.phrase();
    if (phrase?.meaning.is === 'twice' || phrase?.meaning.is === 'around') {
      this.at += phrase.length;
      return phrase.meaning.is === 'twice' ? 2 : 'around';
    }
    if (phrase?.meaning.is === 'times') {
      const token = this.tokens[this.at + phrase.length];
      const minus = token?.key === '-' ? 1 : 0;
      const numbered = this.tokens[this.at + phrase.length + minus];
      const number = numberOf(numbered);
      if (number === null) return null;
      this.at += phrase.length + 1 + minus;
      if (this.is('times')) this.at++;
      return this.checkedCount(minus ? -number : number, minus ? { ...numbered!, ...join(token!, numbered!) } : numbered!);
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
    if (this.tokens[this.at]?.key === 'more') {
      this.at++;
      return this.checkedCount(number, token!) + 1;
    }
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
    if (this.is('times')) this.at++;
    return this.checkedCount(number, token!);
  }

  /** A number that stands alone after a stitch or a group: "sc 3", "(2 sc, inc) 6". */
  protected bareCount(): number | null {
    const token = this.tokens[this.at];
    const number = numberOf(token);
    if (number === null || this.phrase()?.meaning.is === 'next one') return null;
    const next = this.tokens[this.at + 1];
    const is = this.phrase(this.at + 1)?.meaning.is;
    const free =
      next === undefined ||
      SEPARATORS.has(next.key) ||
      '()[]*='.includes(next.key) ||
      is === 'with' ||
      is === 'loop' ||
      is === 'along' ||
      is === 'edge' ||
      is === 'layers' ||
      is === 'through';
    if (!free) return null;
    this.at++;
    return this.checkedCount(number, token!);
  }

  /** "in next 3 sts", "in each st around", "in ring", "around", "to last 2 sts", "until 2 sts remain". */
  protected into(): Into | null {
    const back = this.at;
    let phrase = this.phrase();
    if (phrase?.meaning.is === 'with' || phrase?.meaning.is === 'into') {
      this.at += phrase.length;
      phrase = this.phrase();
    }
    const place = phrase && this.placeOf(phrase);
    if (!place) this.at = back;
    return place;
  }

  private placeOf({ meaning, length }: Match): Into | null {
    switch (meaning.is) {
      case 'each': {
        this.at += length;
        const back = this.at;
        const next = this.phrase();
        const open = next?.meaning.is === 'to last' || next?.meaning.is === 'until' ? this.placeOf(next) : null;
        if (open?.into === 'to last') return { ...open, each: true };
        this.at = back;
        return { into: 'each' };
      }
      case 'ring':
        // "MC" is the main colour where the pattern says so.
        if (this.context.colours.has(this.tokens[this.at]!.text)) return null;
        this.at += length;
        return { into: 'ring' };
      case 'around':
      case 'edge':
      case 'layers':
        this.at += length;
        return { into: meaning.is };
      case 'next one':
      case 'last chain':
        this.at += length;
        return { into: 'one' };
      case 'every':
        this.at += length;
        this.skipIf('around');
        return { into: 'every', step: meaning.step };
      case 'nth chain': {
        const the = this.tokens[this.at]!.key === 'the' ? 1 : 0;
        const [nth] = ordinal(this.tokens, this.at + the);
        this.at += length;
        return { into: 'chain', nth: nth ?? 2 };
      }
      case 'to last':
        return this.countedPlace(length, (count) => ({ into: 'to last', count, each: false }), 1);
      case 'until':
        return this.countedPlace(length, (count) => (this.skipIf('remain') ? { into: 'to last', count, each: false } : null));
      case 'next':
        return this.countedPlace(length, (count) => ({ into: 'next', count, each: meaning.each }));
      default:
        return null;
    }
  }

  /** A place with a number of stitches after its words: "next" + "3 sts". */
  private countedPlace(length: number, make: (count: number) => Into | null, unsaid?: number): Into | null {
    const token = this.tokens[this.at + length];
    const number = numberOf(token);
    const unit = this.phrase(this.at + length)?.meaning.is;
    if (number === null && (unsaid === undefined || (unit !== 'stitches' && unit !== 'chain'))) return null;
    this.at += length + (number === null ? 0 : 1);
    if (!this.skipIf('stitches') && !this.skipIf('chain')) this.skipIf('stitch');
    const made = make(number === null ? unsaid! : this.checkedCount(number, token!));
    if (made?.into === 'to last') this.skipIf('remain');
    return made;
  }

  protected loopSuffix(): Loop | null {
    const phrase = this.phrase();
    const skip = phrase?.meaning.is === 'with' || phrase?.meaning.is === 'through' ? phrase.length : 0;
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
    while (['total', 'makes', '=', ':', 'now'].includes(this.tokens[i]?.key ?? '') && marked) i++;
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
      const counted = numberOf(this.tokens[i + 1]) !== null && this.is('times', i + 2);
      if (counted || after === 'times' || after === 'around' || after === 'twice' || after === 'to last') return 0;
      return i + 1 - at;
    }
    if (first.key === '=') return i - at;
    // "– 12 sc." at the end is a total too, where a dash stands apart.
    const apart = first.key === '-' && first.from > (this.tokens[at - 1]?.to ?? 0) && first.to < this.tokens[at + 1]!.from;
    if (apart && unit?.meaning.is === 'stitch') i += unit.length;
    const ends = this.tokens[i] === undefined || this.tokens[i]!.key === '.';
    return worked && ends && (marked || named) ? i - at : 0;
  }

  /** "R8" or "R8–R9" (with "of the tower") at `at`: the rounds, the part's name, and the tokens it takes. */
  protected roundReference(at: number): { first: number; last: number; part: string | null; length: number } | null {
    let i = at;
    const lead = this.partReference(i);
    if (lead) i += lead.length;
    if (this.tokens[i]?.key === 'the') i++;
    if (!labelWord(this.tokens[i])) return null;
    const first = wholeNumber(this.tokens[i + 1]);
    if (first === null || first < 1 || first > BOUNDS.rounds) return null;
    i += 2;
    let last = first;
    if (['-', 'to', 'through', 'and', '&'].includes(this.tokens[i]?.key ?? '')) {
      const relabelled = labelWord(this.tokens[i + 1]) ? 1 : 0;
      const end = wholeNumber(this.tokens[i + 1 + relabelled]);
      if (end !== null && end >= first && end <= BOUNDS.rounds) {
        last = end;
        i += 2 + relabelled;
      }
    }
    const of = ['of', 'from', 'on', 'in', 'for'].includes(this.tokens[i]?.key ?? '') ? 1 : 0;
    const named = of ? this.partReference(i + of) : null;
    if (named) i += of + named.length;
    return { first, last, part: (named ?? lead)?.name ?? null, length: i - at };
  }

  /** The name of an earlier part at `at`, also "the second leg" or "legs", and the tokens it takes; null for other words. */
  protected partReference(at: number): { name: string; length: number } | null {
    let best: { name: string; length: number } | null = null;
    for (const name of this.context.parts) {
      const words = name.toLowerCase().split(/[^\p{L}\p{N}]+/u);
      for (let skip = 0; skip <= 2; skip++) {
        if (skip > 0 && !PART_ARTICLES.has(this.tokens[at + skip - 1]?.key ?? '')) break;
        const fits = words.every((word, i) => singular(this.tokens[at + skip + i]?.key ?? '') === singular(word));
        if (!fits) continue;
        const length = skip + words.length;
        const copy = wholeNumber(this.tokens[at + length]);
        const whole = copy !== null && copy <= 9 && this.tokens[at + length + 1]?.key !== 'sc' ? length + 1 : length;
        if (!best || whole > best.length) best = { name, length: whole };
      }
    }
    return best;
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
    this.error({ code: 'bad-count', text: this.words(token), most: BOUNDS.count }, token);
    return 1;
  }

  protected phrase(at = this.at): Match | null {
    return longestPhrase(this.vocabulary, this.tokens, at);
  }

  /** Whether the phrase at the cursor means this. */
  protected is(meaning: Match['meaning']['is'], at = this.at): boolean {
    return this.phrase(at)?.meaning.is === meaning;
  }

  /** Passes over the phrase at the cursor when it means this. */
  protected skipIf(meaning: Match['meaning']['is']): boolean {
    const phrase = this.phrase();
    if (phrase?.meaning.is !== meaning) return false;
    this.at += phrase.length;
    return true;
  }

  protected spanOf(length: number): Span {
    return join(this.tokens[this.at]!, this.tokens[this.at + length - 1]!);
  }

  /** From `from` to the end of the last token passed. */
  protected spanFrom(from: number): Span {
    return { from, to: Math.max(from, this.tokens[this.at - 1]?.to ?? from) };
  }

  protected words(span: Span): string {
    return this.text.slice(span.from, span.to);
  }

  protected error(facts: Facts, { from, to }: Span): void {
    this.report({ ...facts, severity: 'error', span: { from, to } });
  }

  /** What could not be read, with the word it was most likely meant to be. */
  protected unreadError(span: Span): void {
    const token = this.tokens.find(
      (each) => each.from >= span.from && each.to <= span.to && each.kind === 'word' && !this.known(each),
    );
    const meant = token ? this.meant(token) : null;
    const facts = {
      code: 'unread' as const,
      text: this.words(span),
      meant: meant && token ? { word: meant, at: { from: token.from, to: token.to } } : null,
    };
    this.error(facts, span);
  }

  /** Passes over what cannot be read, up to the next separator. */
  protected unread(): never[] {
    const first = this.tokens[this.at]!;
    const span = join(first, this.skipToSeparator());
    this.unreadError(span);
    return [];
  }

  /** The known word a token may have been meant to be. */
  protected meant(token: Token): string | null {
    return this.context.lookups.left-- > 0 ? nearestWord(token.text) : null;
  }

  private known(token: Token): boolean {
    return this.vocabulary.next.has(token.key);
  }
}

const PART_ARTICLES = new Set(['the', 'a', 'first', 'second', 'other', 'left', 'right', 'one', 'each', 'both', 'next', 'your']);
