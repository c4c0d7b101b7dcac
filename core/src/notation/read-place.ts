import type { Colour, Item, OpenRun, Remark, Skip } from './pattern.js';
import { RoundCursor, SEPARATORS } from './round-cursor.js';
import { labelWord } from './label.js';
import type { Span } from './span.js';
import { numberOf, type Token } from './tokens.js';

/** Another round that a line takes over; `round` null is the one just before. */
export interface SameAs {
  readonly first: number | null;
  readonly last: number | null;
  readonly part: string | null;
  readonly span: Span;
}

const MM_IN: Readonly<Record<string, number>> = { mm: 1, cm: 10, in: 25.4, inch: 25.4, inches: 25.4, '"': 25.4, '”': 25.4 };
const NO_COLOUR = new Set(['yarn', 'the', 'new', 'colour', 'color', 'to', 'back', 'a', 'your']);
const NO_LIMB = new Set(['both', 'and', 'the', 'body', 'wall', 'of', 'pieces', 'two', 'a', 'main', 'piece']);

/** Reads what stands around a round's stitches: colours, remarks, skips, open runs, rounds taken over, limbs worked in. */
export abstract class PlaceReader extends RoundCursor {
  protected open: OpenRun | null = null;
  protected same: SameAs | null = null;
  /** How many rounds the line is for, where it says so after its stitches; null when its label tells. */
  protected rounds: number | null = null;

  /** The limb worked in by "through flipper and body", where the phrase has been passed. */
  protected limb(items: readonly Item[]): string {
    const end = this.endOfClause(true);
    let name: string | null = null;
    for (let i = this.at; i < end && name === null; i++) {
      const part = this.partReference(i);
      if (part) name = part.name;
      else if (this.namesLimb(i)) {
        let last = i;
        while (last + 1 < end && this.namesLimb(last + 1)) last++;
        name = this.words({ from: this.tokens[i]!.from, to: this.tokens[last]!.to });
      }
    }
    this.at = end;
    const remark = items.findLast((item) => item.kind === 'remark');
    return name ?? (remark?.kind === 'remark' ? (remark.text.split(' ').at(-1) ?? 'limb') : 'limb');
  }

  private namesLimb(at: number): boolean {
    const token = this.tokens[at]!;
    return token.kind === 'word' && !NO_LIMB.has(token.key);
  }

  protected skip(length: number, token: Token): Item[] {
    this.at += length;
    const place = this.into();
    const number = place ? null : numberOf(this.tokens[this.at]);
    const count = place?.into === 'next' ? place.count : number === null ? 1 : this.checkedCount(number, this.tokens[this.at]!);
    if (number !== null) this.at++;
    this.skipIf('stitches');
    if (this.tokens[this.at]?.key === 'unworked') this.at++;
    const skip: Skip = { kind: 'skip', count, span: this.spanFrom(token.from) };
    return [skip];
  }

  /** "until 5 cm long", "until it measures 2 in"; other words after "until" are a remark. */
  protected until(token: Token): Item[] {
    this.at++;
    const end = this.endOfClause();
    for (let i = this.at; i < end; i++) {
      const number = numberOf(this.tokens[i]);
      const unit = MM_IN[this.tokens[i + 1]?.key ?? ''];
      if (number === null || unit === undefined || number <= 0) continue;
      this.open = { mm: Math.round(number * unit * 10) / 10 };
      this.at = end;
      return [];
    }
    return [this.remark(token)];
  }

  /** "for 10 rounds", where the first word has been passed. */
  protected forRounds(): boolean {
    const number = numberOf(this.tokens[this.at]);
    const more = this.tokens[this.at + 1]?.key === 'more' ? 1 : 0;
    if (number === null || !labelWord(this.tokens[this.at + 1 + more])) return false;
    this.rounds = this.checkedCount(number, this.tokens[this.at]!);
    this.at += 2 + more;
    return true;
  }

  protected sameAs(at: number, token: Token): boolean {
    const previous = ['previous', 'last', 'prior'].includes(this.tokens[at]?.key ?? '')
      ? 1
      : this.tokens[at]?.key === 'the' && ['previous', 'last', 'prior'].includes(this.tokens[at + 1]?.key ?? '')
        ? 2
        : 0;
    if (previous > 0 && ['round', 'row', 'rnd'].includes(this.tokens[at + previous]?.key ?? '')) {
      this.at = at + previous + 1;
      this.same = { first: null, last: null, part: null, span: this.spanFrom(token.from) };
      return true;
    }
    const reference = this.roundReference(at);
    if (!reference) return false;
    this.at = at + reference.length;
    const { first, last, part } = reference;
    this.same = { first, last, part, span: this.spanFrom(token.from) };
    const times = this.times();
    if (typeof times === 'number') this.rounds = times * (last - first + 1);
    return true;
  }

  /** A colour's name up to the next phrase, after the words that announce it. */
  protected colour(first: Token): Item[] {
    if (this.tokens[this.at]?.key === ':') this.at++;
    const from = this.at;
    while (this.at < this.tokens.length) {
      const token = this.tokens[this.at]!;
      if (token.kind !== 'word' || (this.at > from && this.phrase())) break;
      this.at++;
    }
    const end = this.at;
    const place = this.into();
    const span = this.spanFrom(first.from);
    const names = this.colourIn(from, end, first);
    if (names.length > 0) return names.map((colour) => ({ ...colour, span }));
    if (!place) this.skipToSeparator();
    this.unreadError(span);
    return [];
  }

  /** The colour named by the words in `[from, to)`; none when they name no colour. */
  protected colourIn(from: number, to: number, first: Token): Colour[] {
    const words = this.tokens
      .slice(from, to)
      .filter((token) => token.kind === 'word' && (this.context.colours.has(token.text) || !NO_COLOUR.has(token.key)));
    if (words.length === 0) return [];
    const written = words.map((token) => token.text).join(' ');
    const name = this.context.colours.get(written) ?? written;
    return [{ kind: 'colour', name, span: { from: first.from, to: this.tokens[to - 1]!.to } }];
  }

  protected remark(token: Token): Remark {
    while (this.at < this.tokens.length) {
      const key = this.tokens[this.at]!.key;
      if (key === ',' || key === ';' || key === '.' || key === ')' || key === ']' || this.statedLength(true) > 0) break;
      this.at++;
    }
    const span = { from: token.from, to: this.tokens[this.at - 1]!.to };
    return { kind: 'remark', text: this.words(span), span };
  }

  /** Index of the next separator, bracket or stated total, or the end. `brackets` passes over bracketed words. */
  protected endOfClause(brackets = false): number {
    let i = this.at;
    let depth = 0;
    while (i < this.tokens.length) {
      const { key } = this.tokens[i]!;
      if (this.is('until', i) || this.is('as liked', i)) break;
      if (brackets && (key === '(' || key === '[') && this.statedLength(true, i) === 0) depth++;
      else if (depth > 0 && (key === ')' || key === ']')) depth--;
      else if (depth === 0 && ((SEPARATORS.has(key) && key !== '-' && key !== '&') || '()[]*='.includes(key))) break;
      i++;
    }
    return i;
  }
}
