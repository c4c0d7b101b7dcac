import type { Chain, Foundation, Item, Start, StartChain } from './pattern.js';
import { PlaceReader } from './read-place.js';
import { CLOSER_OF } from './round-cursor.js';
import type { Span } from './span.js';
import type { StitchName } from './stitch.js';
import { numberOf, type Token } from './tokens.js';

/** Reads what a part begins on: rings, chains, finished pieces joined, loops and edges picked up; and chains in the air. */
export abstract class FoundationReader extends PlaceReader {
  /** A start named before its stitches: "ring, 6 sc". */
  protected awaiting: { readonly from: 'ring' | 'chain 2'; readonly span: Span } | null = null;
  protected foundation: Foundation | null = this.context.foundation;
  /** Chains that do not say whether they count. */
  protected readonly unsaid = new Set<Item>();
  private pickingUp = false;

  /** "ch 7" at the very start of a part is what its first round is worked over; anywhere else it hangs in the air. */
  protected chain(length: number, items: readonly Item[]): Item[] {
    const number = numberOf(this.tokens[this.at + length]);
    const span = this.spanOf(length + (number === null ? 0 : 1));
    const token = this.tokens[this.at + length];
    this.at += length + (number === null ? 0 : 1);
    return this.chains(number === null ? 1 : this.checkedCount(number, token!), span, items);
  }

  protected chains(count: number, span: Span, items: readonly Item[]): Item[] {
    const starts = this.context.first && !this.foundation && !this.awaiting && !items.some((item) => item.kind !== 'colour');
    if (starts && count === 2 && !this.bridgeFollows()) {
      this.awaiting = { from: 'chain 2', span };
      return [];
    }
    if (starts && count > 2) {
      const sides = this.doubtful('oval') ? 2 : 1;
      this.foundation = { kind: 'foundation', from: 'chain', chains: count, first: 2, sides, span };
      return [];
    }
    const said = this.saysCounted();
    const chain: Chain = { kind: 'chain', count, counted: said ?? false, span: this.spanFrom(span.from) };
    if (said === null) this.unsaid.add(chain);
    return [chain];
  }

  private bridgeFollows(): boolean {
    return this.tokens.slice(this.at, this.at + 3).some((_token, i) => this.is('join', this.at + i));
  }

  /** "(counts as a stitch)", "(not counted)" after a chain; null when nothing is said. */
  private saysCounted(): boolean | null {
    const closer = CLOSER_OF[this.tokens[this.at]?.key ?? ''];
    const comma = !closer && this.tokens[this.at]?.key === ',' ? 1 : 0;
    const phrase = this.phrase(this.at + (closer ? 1 : comma));
    if (phrase?.meaning.is !== 'counted') return null;
    const end = this.at + (closer ? 1 : comma) + phrase.length;
    if (closer && this.tokens[end]?.key !== closer) return null;
    this.at = end + (closer ? 1 : 0);
    return phrase.meaning.counted;
  }

  /** "3rd ch from hook" over a foundation chain says where its first stitch goes. */
  protected firstChain(nth: number): void {
    if (this.foundation?.from === 'chain') this.foundation = { ...this.foundation, first: nth };
  }

  /** "on the other side": what went "to the end" before goes to the end of the first side. */
  protected otherSide(length: number, items: Item[]): void {
    this.at += length;
    if (this.foundation?.from !== 'chain') return;
    this.foundation = { ...this.foundation, sides: 2 };
    const side = this.foundation.chains - this.foundation.first + 1;
    const open = items.findIndex((item) => item.kind === 'work' && typeof item.count !== 'number');
    const work = items[open];
    if (work?.kind !== 'work' || typeof work.count === 'number') return;
    const used = (all: readonly Item[]): number => all.reduce((sum, item) => sum + placesUsed(item), 0);
    const taken = work.count === 'around' ? used(items) : used(items.slice(0, open)) + work.count.toLast;
    items[open] = { ...work, count: Math.max(1, Math.floor((side - taken) / work.together)) };
  }

  protected start(from: 'ring' | 'chain 2', stitch: StitchName, count: number, at: number): Start {
    const span = { from: Math.min(at, this.awaiting?.span.from ?? at), to: this.tokens[this.at - 1]!.to };
    const chain: StartChain = 'none';
    const start: Start = { kind: 'start', from: this.awaiting?.from ?? from, stitch, count, chain, span };
    this.awaiting = null;
    const place = this.into();
    return place ? { ...start, span: { ...span, to: this.tokens[this.at - 1]!.to } } : start;
  }

  /**
   * "join Leg and Leg with ch 3", "join to the first leg", "join red", "join yarn to the front loops of R8": a bridge,
   * loops picked up, or a colour. Anything else is a remark.
   */
  protected join(length: number, token: Token, items: Item[]): Item[] {
    const from = this.at;
    this.at += length;
    const end = this.endOfClause();
    const names: string[] = [];
    for (let i = this.at; i < end; i++) {
      const loops = this.leftLoopsAt(i);
      if (loops) {
        const colour = this.colourIn(this.at, i, token);
        this.at = i + loops.length;
        this.foundation = { ...loops.foundation, span: this.spanFrom(token.from) };
        return colour;
      }
      const part = this.partReference(i);
      if (!part) continue;
      names.push(part.name);
      i += part.length - 1;
    }
    if (names.length > 0) return this.bridge(names, end, token, items);
    const colour = this.colourIn(this.at, end, token);
    if (colour.length > 0) {
      this.at = end;
      return colour;
    }
    this.at = from;
    return [this.remark(token)];
  }

  private bridge(names: readonly string[], end: number, token: Token, items: Item[]): Item[] {
    const before = items.at(-1);
    let chains = 0;
    let from = token.from;
    for (let i = this.at; i < end; i++) {
      if (this.is('chain', i)) chains = numberOf(this.tokens[i + 1]) ?? numberOf(this.tokens[i - 1]) ?? 1;
    }
    if (chains === 0 && before?.kind === 'chain') {
      chains = before.count;
      from = before.span.from;
      items.pop();
    } else if (chains === 0 && this.foundation?.from === 'chain') {
      chains = this.foundation.chains;
      from = this.foundation.span.from;
    }
    this.at = end;
    const parts = this.context.first && names.length === 1 ? [names[0]!, names[0]!] : names;
    this.foundation = { kind: 'foundation', from: 'bridge', chains, parts, span: this.spanFrom(from) };
    return [];
  }

  /** "front loops of R8 (of the tower)" at `at`. */
  protected leftLoopsAt(at: number): { foundation: Foundation; length: number } | null {
    let i = at;
    if (this.is('with', i) || this.is('into', i)) i += this.phrase(i)!.length;
    if (['the', 'remaining', 'unworked', 'free', 'left'].includes(this.tokens[i]?.key ?? '') && !this.is('loop', i)) i++;
    const phrase = this.phrase(i);
    if (phrase?.meaning.is !== 'loop' || phrase.meaning.loop === 'both') return null;
    i += phrase.length;
    while (['of', 'from', 'left', 'unworked', 'in', 'on', 'by'].includes(this.tokens[i]?.key ?? '')) i++;
    const reference = this.roundReference(i);
    if (!reference) return null;
    i += reference.length;
    const foundation: Foundation = {
      kind: 'foundation',
      from: 'loops',
      loop: phrase.meaning.loop,
      round: reference.first,
      part: reference.part,
      span: { from: this.tokens[at]!.from, to: this.tokens[i - 1]!.to },
    };
    return { foundation, length: i - at };
  }

  protected pickUp(length: number): void {
    this.at += length;
    this.pickingUp = true;
  }

  /** "along the edge of Leg", "through both layers of Front and Back", where the phrase has been passed. */
  protected workedOn(from: 'edge' | 'layers', start: number): void {
    if (from === 'edge' && !this.context.first && !this.pickingUp) return;
    const names: string[] = [];
    let i = this.at + (this.tokens[this.at]?.key === 'of' ? 1 : 0);
    for (let part = this.partReference(i); part; part = this.partReference(i)) {
      names.push(part.name);
      i += part.length;
      this.at = i;
      if (this.tokens[i]?.key === 'and' || this.tokens[i]?.key === '&') i++;
    }
    const span = this.spanFrom(start);
    this.foundation =
      from === 'edge'
        ? { kind: 'foundation', from, part: names[0] ?? null, span }
        : { kind: 'foundation', from, parts: names, span };
  }
}

/** Places of a chain that an item is worked into; an open count takes what the others leave. */
function placesUsed(item: Item): number {
  if (item.kind === 'work') return typeof item.count === 'number' ? item.count * item.together : 0;
  if (item.kind === 'cluster') return typeof item.count === 'number' ? item.count : 0;
  return item.kind === 'skip' ? item.count : 0;
}
