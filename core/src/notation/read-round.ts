import { BOUNDS } from './bounds.js';
import type { ReadingDiagnostic } from './diagnostic.js';
import type { Colour, Group, Item, Stated, Times, Work } from './pattern.js';
import { CLOSER_OF, RoundCursor, SEPARATORS, type Closer, type Into } from './round-cursor.js';
import { join, type Span } from './span.js';
import type { Loop, StitchName, Terms } from './stitch.js';
import { numberOf, type Token } from './tokens.js';
import { vocabularyOf, type Match, type Meaning } from './vocabulary.js';

export interface RoundReading {
  readonly items: readonly Item[];
  readonly stated: Stated | null;
}

type Worked = Extract<Meaning, { is: 'stitch' | 'increase' | 'decrease' }>;

/**
 * Reads what is worked in one round from its tokens (without the label).
 * What cannot be read goes to `report` with its place; the rest is kept.
 */
export function readRound(
  text: string,
  tokens: readonly Token[],
  terms: Terms,
  report: (diagnostic: ReadingDiagnostic) => void,
): RoundReading {
  return new RoundReader(text, tokens, vocabularyOf(terms), report).read();
}

/** Recursive descent over one line's tokens: `sequence` reads items, each item reads its own suffixes. */
class RoundReader extends RoundCursor {
  private stated: Stated | null = null;
  /** A start named before its stitches: "ring, 6 sc". */
  private awaiting: { readonly from: 'ring' | 'chain 2'; readonly span: Span } | null = null;

  read(): RoundReading {
    const items = this.sequence(null, 0);
    if (this.awaiting) this.error({ code: 'unread', text: this.words(this.awaiting.span) }, this.awaiting.span);
    return { items, stated: this.stated };
  }

  private sequence(closer: Closer | null, depth: number): Item[] {
    const items: Item[] = [];
    let scope: Loop = 'both';
    let once: Loop = 'both';
    while (this.at < this.tokens.length) {
      const token = this.tokens[this.at]!;
      if (token.key === closer) break;
      if (closer === '*' && this.phrase()?.meaning.is === 'from star') break;
      if (depth === 0 && this.readStated(items.length > 0)) {
        items.push(...this.afterStated());
        break;
      }
      if (SEPARATORS.has(token.key)) {
        this.at++;
        continue;
      }
      const loop = this.loopPrefix();
      if (loop) {
        if (loop.rest) scope = loop.loop;
        else once = loop.loop;
        continue;
      }
      const before = this.at;
      const read = this.item(depth);
      if (this.at === before) this.at++;
      const wanted = once === 'both' ? scope : once;
      items.push(...read.map((item) => inLoop(item, wanted)));
      if (read.length > 0) once = 'both';
    }
    return items;
  }

  private item(depth: number): Item[] {
    const token = this.tokens[this.at]!;
    if (token.key === '(' || token.key === '[' || token.key === '*') return this.group(depth);
    if (token.key === ')' || token.key === ']') {
      this.at++;
      this.error({ code: 'unopened', closer: token.text }, token);
      return [];
    }
    const number = numberOf(token);
    if (number !== null) return this.counted(number, token, depth);
    const phrase = this.phrase();
    if (!phrase) return this.unread();
    return this.phrased(phrase, token);
  }

  private phrased({ meaning, length }: Match, token: Token): Item[] {
    switch (meaning.is) {
      case 'stitch':
      case 'increase':
      case 'decrease':
        this.at += length;
        return this.worked(meaning, null, token.from);
      case 'ring':
        this.awaiting = { from: 'ring', span: this.spanOf(length) };
        this.at += length;
        return [];
      case 'chain':
        return this.chain(length);
      case 'colour':
        this.at += length;
        return this.colour(token);
      case 'with':
        return this.withSomething(token);
      case 'remark':
        return [this.remark(token)];
      case 'filler':
        this.at += length;
        return [];
      default:
        return this.unread();
    }
  }

  /** "3 sc", "6 in ring", "6 × (…)". */
  private counted(number: number, token: Token, depth: number): Item[] {
    const count = this.checkedCount(number, token);
    this.at++;
    const phrase = this.phrase();
    if (phrase?.meaning.is === 'times') {
      const opener = this.tokens[this.at + phrase.length]?.key;
      if (opener === '(' || opener === '[' || opener === '*') {
        this.at += phrase.length;
        return this.group(depth, { times: count, from: token.from });
      }
      const after = this.phrase(this.at + phrase.length);
      if (after && isWorked(after.meaning)) {
        this.at += phrase.length + after.length;
        return this.worked(after.meaning, count, token.from);
      }
    }
    if (phrase && isWorked(phrase.meaning)) {
      this.at += phrase.length;
      return this.worked(phrase.meaning, count, token.from);
    }
    const from = this.awaiting?.from;
    if (from) return [this.start(from, 'sc', count, token.from)];
    if (phrase?.meaning.is === 'with' && this.phrase(this.at + phrase.length)?.meaning.is === 'ring') {
      this.into();
      return [this.start('ring', 'sc', count, token.from)];
    }
    const rest = this.skipToSeparator();
    const span = { from: token.from, to: rest.to };
    const words = this.words(rest).trim();
    if (words && !phrase) this.error({ code: 'unknown-stitch', text: words, count }, span);
    else this.error({ code: 'unread', text: this.words(span) }, span);
    return [];
  }

  /** The suffixes of a stitch already named: its count, where it goes, its loop. */
  private worked(meaning: Worked, lead: number | null, from: number): Item[] {
    let count: Times | null = null;
    let into: Into | null = null;
    let loop: Loop = 'both';
    for (;;) {
      const phrase = this.phrase();
      const times: Times | null = count === null ? this.times() : null;
      if (times !== null) {
        count = times;
        continue;
      }
      if (count === null && lead === null && into === null) {
        const bare = this.bareCount();
        if (bare !== null) {
          count = bare;
          continue;
        }
      }
      const suffix = this.loopSuffix();
      if (suffix) {
        loop = suffix;
        continue;
      }
      const place: Into | null = into === null || phrase?.meaning.is === 'around' ? this.into() : null;
      if (!place) break;
      into = place;
    }
    const span = { from, to: this.tokens[this.at - 1]!.to };
    const base: StitchName = meaning.stitch ?? 'sc';
    if (into?.into === 'ring' || into?.into === 'second chain') {
      const stitches = count === 'around' ? 1 : (count ?? lead ?? 1);
      return [this.start(into.into === 'ring' ? 'ring' : 'chain 2', base, stitches, from)];
    }
    if (this.awaiting && meaning.is === 'stitch')
      return [this.start(this.awaiting.from, base, typeof count === 'number' ? count : (lead ?? 1), from)];
    const work = (per: number, together: number, worked: Times): Work => ({
      kind: 'work',
      stitch: base,
      per,
      together,
      school: meaning.is === 'decrease' ? meaning.school : 'open',
      count: worked,
      loop,
      span,
    });
    const per = meaning.is === 'increase' ? meaning.per : 1;
    const together = meaning.is === 'decrease' ? meaning.together : 1;
    const spread =
      into?.into === 'each' || into?.into === 'around' ? 'around' : into?.into === 'next' ? into.count : into ? 1 : null;
    if (spread === null) return [work(per, together, count ?? lead ?? 1)];
    // "3 sc in next 3 sts" is one in each, "3 sc in each of next 3 sts" three; "dec over next 4 sts" is two decreases.
    const apart = into?.into === 'next' && !into.each;
    const several =
      meaning.is === 'stitch' && lead !== null && lead > 1 && into?.into !== 'around' && !(apart && lead === spread);
    if (several) return [work(lead, 1, typeof count === 'number' && spread === 1 ? count : spread)];
    if (spread === 1) return [work(per, together, count ?? lead ?? 1)];
    const whole = typeof spread === 'number' && spread % together === 0 ? spread / together : spread;
    return [work(per, together, whole)];
  }

  private group(depth: number, prefix?: { readonly times: number; readonly from: number }): Item[] {
    const opener = this.tokens[this.at]!;
    const closer = CLOSER_OF[opener.key] ?? '*';
    if (depth >= BOUNDS.depth) {
      this.error({ code: 'too-deep' }, opener);
      this.at = this.tokens.length;
      return [];
    }
    this.at++;
    const star = closer === '*' ? 1 : 0;
    this.stars += star;
    const inside = this.sequence(closer, depth + 1);
    this.stars -= star;
    const closed = this.tokens[this.at]?.key === closer;
    if (closed) this.at++;
    else if (this.phrase()?.meaning.is !== 'from star') this.error({ code: 'unclosed', opener: opener.text }, opener);
    const span = { from: prefix?.from ?? opener.from, to: this.tokens[this.at - 1]!.to };
    const items = inside.map((item) => this.withoutAround(item));
    if (!items.some((item) => item.kind === 'work' || item.kind === 'group')) return items;
    const repeat = prefix?.times ?? this.repeat();
    if (repeat === null && closed) this.report({ code: 'repeat-missing', severity: 'warning', span });
    if (repeat === 'around' && depth > 0) this.error({ code: 'around-nested' }, span);
    const times = repeat === 'around' && depth > 0 ? 1 : (repeat ?? 1);
    const group: Group = { kind: 'group', items, times, span: { from: span.from, to: this.tokens[this.at - 1]!.to } };
    return [inLoop(group, this.loopSuffix() ?? 'both')];
  }

  private withoutAround(item: Item): Item {
    if (item.kind !== 'work' || item.count !== 'around') return item;
    this.error({ code: 'around-nested' }, item.span);
    return { ...item, count: 1 };
  }

  /** How often a group just closed is worked; null when nothing says so. */
  private repeat(): Times | null {
    const back = this.at;
    while (SEPARATORS.has(this.tokens[this.at]?.key ?? '') && this.tokens[this.at]?.key !== '.') this.at++;
    const phrase = this.phrase();
    if (phrase?.meaning.is === 'from star') {
      this.at += phrase.length;
      return this.times() ?? 'around';
    }
    if (phrase?.meaning.is === 'filler') {
      this.at += phrase.length;
      const times = this.times();
      if (times !== null) return times;
    }
    this.at = back;
    return this.times() ?? this.bareCount() ?? this.timesInEach();
  }

  private timesInEach(): Times | null {
    const back = this.at;
    const place = this.into();
    if (place?.into === 'around' || place?.into === 'each') return 'around';
    this.at = back;
    return null;
  }

  /** A loop said before its stitches. With a comma, colon or brackets it holds for the rest; else for the next item. */
  private loopPrefix(): { readonly loop: Loop; readonly rest: boolean } | null {
    const back = this.at;
    const bracket = CLOSER_OF[this.tokens[this.at]?.key ?? ''];
    if (bracket) this.at++;
    else if (this.tokens[this.at]?.key === 'working') this.at++;
    const loop = this.loopSuffix();
    const next = this.tokens[this.at]?.key;
    if (!loop || (bracket && next !== bracket)) {
      this.at = back;
      return null;
    }
    if (bracket) this.at++;
    return { loop, rest: bracket !== undefined || next === ',' || next === ':' };
  }

  private chain(length: number): Item[] {
    const from = this.tokens[this.at]!;
    const number = numberOf(this.tokens[this.at + length]);
    if (number === 2) {
      this.awaiting = { from: 'chain 2', span: this.spanOf(length + 1) };
      this.at += length + 1;
      return [];
    }
    const span = join(from, this.skipToSeparator());
    this.error({ code: 'unread', text: this.words(span) }, span);
    return [];
  }

  private start(from: 'ring' | 'chain 2', stitch: StitchName, count: number, at: number): Item {
    const span = { from: Math.min(at, this.awaiting?.span.from ?? at), to: this.tokens[this.at - 1]!.to };
    const start: Item = { kind: 'start', from: this.awaiting?.from ?? from, stitch, count, span };
    this.awaiting = null;
    const place = this.into();
    return place ? { ...start, span: { ...span, to: this.tokens[this.at - 1]!.to } } : start;
  }

  private withSomething(token: Token): Item[] {
    const phrase = this.phrase(this.at + 1);
    if (phrase?.meaning.is === 'ring') {
      this.at++;
      return [];
    }
    if (phrase && isWorked(phrase.meaning)) {
      this.at++;
      return [];
    }
    const next = this.tokens[this.at + 1];
    if (next === undefined || (phrase && phrase.meaning.is !== 'filler') || next.kind !== 'word') {
      if (this.awaiting) {
        this.at++;
        return [];
      }
      return this.unread();
    }
    this.at++;
    return this.colour(token);
  }

  private colour(first: Token): Item[] {
    if (this.tokens[this.at]?.key === ':') this.at++;
    const from = this.at;
    while (this.at < this.tokens.length) {
      const token = this.tokens[this.at]!;
      if (token.kind !== 'word' || (this.at > from && this.phrase())) break;
      this.at++;
    }
    const names = this.tokens.slice(from, this.at).filter((token) => token.key !== 'yarn' && token.key !== 'the');
    const place = this.into();
    const span = { from: first.from, to: this.tokens[this.at - 1]!.to };
    if (names.length === 0) {
      if (!place) this.skipToSeparator();
      this.error({ code: 'unread', text: this.words(span) }, span);
      return [];
    }
    const colour: Colour = { kind: 'colour', name: names.map((token) => token.text).join(' '), span };
    return [colour];
  }

  private remark(token: Token): Item {
    while (this.at < this.tokens.length) {
      const key = this.tokens[this.at]!.key;
      if (key === ',' || key === ';' || key === '.' || key === ')' || key === ']' || this.statedLength(true) > 0) break;
      this.at++;
    }
    const span = { from: token.from, to: this.tokens[this.at - 1]!.to };
    return { kind: 'remark', text: this.words(span), span };
  }

  /** What follows the stated total: a colour change is read, any other sentence is a remark. */
  private afterStated(): Item[] {
    const items: Item[] = [];
    while (this.at < this.tokens.length) {
      const token = this.tokens[this.at]!;
      if (token.kind === 'mark' && token.key !== '(' && token.key !== '*') {
        this.at++;
        continue;
      }
      const phrase = this.phrase();
      if (phrase?.meaning.is === 'colour') {
        this.at += phrase.length;
        items.push(...this.colour(token));
        continue;
      }
      while (this.at < this.tokens.length && this.tokens[this.at]!.key !== '.') this.at++;
      const span = { from: token.from, to: this.tokens[this.at - 1]!.to };
      items.push({ kind: 'remark', text: this.words(span), span });
    }
    return items;
  }

  private readStated(worked: boolean): boolean {
    const length = this.statedLength(worked);
    if (length === 0) return false;
    const span = this.spanOf(length);
    const token = this.tokens.slice(this.at, this.at + length).find((each) => each.kind === 'number')!;
    this.at += length;
    const count = Number(token.text);
    if (Number.isInteger(count) && count <= BOUNDS.partStitches) this.stated = { count, span };
    else this.error({ code: 'bad-count', text: token.text, most: BOUNDS.partStitches }, token);
    return true;
  }

  private unread(): Item[] {
    const first = this.tokens[this.at]!;
    const span = join(first, this.skipToSeparator());
    this.error({ code: 'unread', text: this.words(span) }, span);
    return [];
  }
}

function isWorked(meaning: Meaning): meaning is Worked {
  return meaning.is === 'stitch' || meaning.is === 'increase' || meaning.is === 'decrease';
}

/** The item with `loop` on every stitch in it that names no loop itself. */
function inLoop(item: Item, loop: Loop): Item {
  if (loop === 'both') return item;
  if (item.kind === 'work') return item.loop === 'both' ? { ...item, loop } : item;
  if (item.kind === 'group') return { ...item, items: item.items.map((each) => inLoop(each, loop)) };
  return item;
}
