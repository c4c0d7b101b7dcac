import { PLAIN } from '../items.js';
import { named } from '../part-ref.js';
import type { Chain, Foundation, PartRef, Start } from '../pattern.js';
import { join, type Span } from '../span.js';
import type { StitchName } from '../stitch.js';
import { numberOf, type Token } from '../tokens.js';
import { colourIn, endOfClause, remarkAt } from './asides.js';
import { checkedCount } from './counts.js';
import { choice, itemPiece, usual, type Piece } from './piece.js';
import { limbNamed, partAt, roundAt } from './references.js';
import { CLOSER_OF, keyAt, means, phraseAt, spanFrom, spanOf, type ReadState } from './state.js';
import { whereAt } from './where.js';

/** "ch 7" at the very start of a part is what its first round is worked over; anywhere else it hangs in the air. */
export function chainAt(state: ReadState, length: number, before: readonly Piece[]): Piece[] {
  const token = state.tokens[state.at + length];
  const number = numberOf(token);
  const span = spanOf(state, length + (number === null ? 0 : 1));
  state.at += length + (number === null ? 0 : 1);
  return chainsOf(state, number === null ? 1 : checkedCount(state, number, token!), span, before);
}

export function chainsOf(state: ReadState, count: number, span: Span, before: readonly Piece[]): Piece[] {
  const nothing = before.every((piece) => piece.is === 'item' && (piece.item.kind === 'colour' || piece.item.kind === 'remark'));
  const bridged = state.foundation;
  if (bridged?.value.from === 'bridge' && bridged.value.chains === 0 && nothing) {
    state.foundation = { value: { ...bridged.value, chains: count }, span: join(bridged.span, span) };
    return [];
  }
  const starts = state.context.first && !state.foundation && !state.awaiting && nothing;
  const said = saidCounted(state, count);
  if (starts && said === null && count === 2 && !bridgeFollows(state)) {
    state.awaiting = { from: 'chain 2', span };
    return [];
  }
  if (starts && said === null && count > 2) {
    state.foundation = { value: { kind: 'foundation', from: 'chain', chains: count, first: 2, sides: 1 }, span };
    state.foundationDoubtful = true;
    return [];
  }
  const whole = spanFrom(state, span.from);
  const chain = (counts: number): Piece[] => [itemPiece({ kind: 'chain', count, counts }, whole)];
  if (said !== null && said !== false && before.every(isQuiet) && !state.context.first) {
    const skip = itemPiece({ kind: 'skip', count: 1 }, { from: whole.to, to: whole.to });
    const standing = chain(said === 'one' ? 1 : count);
    return [choice('chain-place', [standing, [...standing, skip]])];
  }
  if (said !== null) return chain(said === 'one' ? 1 : said ? count : 0);
  // Which of these is usual depends on where the chain stands: see `withChains`.
  return [choice('chain', [chain(0), chain(count)])];
}

/** Colours and remarks, which may stand before anything. */
const isQuiet = (piece: Piece): boolean => piece.is === 'item' && (piece.item.kind === 'colour' || piece.item.kind === 'remark');

/** Most tokens in which another piece is looked for. */
const MOST_REST = 80;

function bridgeFollows(state: ReadState): boolean {
  const rest = state.tokens.slice(state.at, state.at + MOST_REST);
  return rest.some((_token, i) => (i < 3 && means(state, 'join', state.at + i)) || partAt(state, state.at + i) !== null);
}

/** "(counts as a stitch)", "(not counted)" after a chain; null when nothing is said. A turning chain counts as one. */
function saidCounted(state: ReadState, count: number): boolean | 'one' | null {
  const closer = CLOSER_OF[keyAt(state)];
  const comma = !closer && keyAt(state) === ',' ? 1 : 0;
  const start = state.at + (closer ? 1 : comma);
  const phrase = phraseAt(state, start);
  if (phrase?.meaning.is !== 'counted') return null;
  const end = start + phrase.length;
  if (closer && keyAt(state, end) !== closer) return null;
  const words = state.tokens.slice(start, end).map(({ key }) => key);
  state.at = end + (closer ? 1 : 0);
  if (!phrase.meaning.counted) return false;
  // "ch 3 (counts as first dc)" is one stitch; "ch 3 (counted)" leaves its number.
  return count > 1 && words.includes('as') ? 'one' : true;
}

/** "3rd ch from hook" over a foundation chain says where its first stitch goes. */
export function firstChain(state: ReadState, nth: number): void {
  const { foundation } = state;
  if (foundation?.value.from === 'chain') state.foundation = { ...foundation, value: { ...foundation.value, first: nth } };
}

/** "on the other side": what went "to the end" before goes to the end of the first side. */
export function otherSide(state: ReadState, length: number, pieces: Piece[]): void {
  state.at += length;
  const foundation = state.foundation?.value;
  if (foundation?.from !== 'chain') return;
  state.foundation = { ...state.foundation!, value: { ...foundation, sides: 2 } };
  state.foundationDoubtful = false;
  const side = foundation.chains - foundation.first + 1;
  const flat = usual(pieces);
  const open = flat.findIndex(
    (piece) => piece.is === 'item' && piece.item.kind === 'work' && typeof piece.item.count !== 'number',
  );
  const piece = flat[open];
  if (piece?.is !== 'item' || piece.item.kind !== 'work' || typeof piece.item.count === 'number') return;
  const used = (all: readonly Piece[]): number => all.reduce((sum, each) => sum + placesUsed(each), 0);
  const taken = piece.item.count === 'around' ? used(flat) : used(flat.slice(0, open)) + piece.item.count.toLast;
  const count = Math.max(1, Math.floor((side - taken) / piece.item.together));
  pieces.splice(0, pieces.length, ...flat);
  pieces[open] = { ...piece, item: { ...piece.item, count } };
}

/** Places of a chain that a piece is worked into; an open count takes what the others leave. */
function placesUsed(piece: Piece): number {
  if (piece.is !== 'item') return 0;
  const { item } = piece;
  if (item.kind === 'work') return typeof item.count === 'number' ? item.count * item.together : 0;
  if (item.kind === 'cluster') return typeof item.count === 'number' ? item.count : 0;
  return item.kind === 'skip' ? item.count : 0;
}

/** Where the chain begins that is joined to a ring; null where none is. */
function ringFrom(state: ReadState, from: 'ring' | 'chain 2'): number | null {
  return from === 'ring' && state.foundation?.value.from === 'chain' ? state.foundation.span.from : null;
}

export function startOf(state: ReadState, from: 'ring' | 'chain 2', stitch: StitchName, count: number, at: number): Piece {
  const begin = Math.min(at, state.awaiting?.span.from ?? at, ringFrom(state, from) ?? at);
  const began = state.awaiting?.from ?? from;
  const chained = state.foundation;
  const ring = began === 'ring' && chained?.value.from === 'chain' ? chained.value.chains : 0;
  const start: Start =
    ring > 0
      ? { kind: 'start', from: 'chain ring', chains: ring, stitch, count, chain: 'none' }
      : { kind: 'start', from: began, chains: began === 'ring' ? 0 : 2, stitch, count, chain: 'none' };
  if (ring > 0) state.foundation = null;
  state.awaiting = null;
  whereAt(state);
  return itemPiece(start, { from: begin, to: state.tokens[state.at - 1]!.to });
}

/**
 * "ch 7, sl st in 2nd ch from hook" away from a part's start: chains out and the first stitch back along them.
 * @returns the spur in place of the chain before it, which is taken off `before`; null where no chain stands there
 */
export function spurBack(
  state: ReadState,
  { stitch, count, nth }: { readonly stitch: StitchName; readonly count: number; readonly nth: number },
  from: number,
  before: readonly Piece[],
): Piece[] | null {
  const last = before.at(-1);
  const chain = last?.is === 'choice' && last.doubt === 'chain' ? last.options[0]![0] : null;
  if (state.foundation || state.awaiting || chain?.is !== 'item' || chain.item.kind !== 'chain') return null;
  (before as Piece[]).pop();
  const span = { from: chain.span.from, to: spanFrom(state, from).to };
  return [itemPiece({ kind: 'spur', chains: chain.item.count, first: nth, stitches: [{ stitch, count }] }, span)];
}

/** A further stitch of a spur, as long as it has chains left; null when the spur is full. */
export function longerSpur(spur: Piece | undefined, next: Piece): Piece | null {
  if (spur?.is !== 'item' || spur.item.kind !== 'spur' || next.is !== 'item' || next.item.kind !== 'work') return null;
  const { stitches, chains, first } = spur.item;
  const { stitch, per, together, count, through } = next.item;
  const taken = stitches.reduce((sum, each) => sum + each.count, 0);
  const left = chains - first + 1 - taken;
  const many = count === 'around' ? left : count;
  if (typeof many !== 'number' || together > 1 || through !== null || many > left || left <= 0) return null;
  return {
    ...spur,
    item: { ...spur.item, stitches: [...stitches, { stitch, count: many * per }] },
    span: join(spur.span, next.span),
  };
}

/**
 * "join Leg and Leg with ch 3", "join to the first leg", "join red", "join yarn to the front loops of R8": a bridge,
 * loops picked up, or a colour. Anything else is a remark.
 */
export function joinAt(state: ReadState, length: number, token: Token, pieces: Piece[]): Piece[] {
  const from = state.at;
  state.at += length;
  const end = endOfClause(state);
  const names: string[] = [];
  for (let i = state.at; i < end; i++) {
    const loops = leftLoopsAt(state, i);
    if (loops) {
      const colour = colourIn(state, state.at, i, token);
      state.at = i + loops.length;
      state.foundation = { value: loops.value, span: spanFrom(state, token.from) };
      return colour;
    }
    const part = partAt(state, i);
    if (!part) continue;
    names.push(part.name);
    i += part.length - 1;
  }
  if (names.length === 0 && state.context.first) names.push(...limbsJoined(state, end));
  if (names.length > 0) {
    // "join with sc to the first leg" is the round's first stitch.
    const stitch = means(state, 'with') ? phraseAt(state, state.at + phraseAt(state)!.length)?.meaning : undefined;
    const first = stitch?.is === 'stitch' && stitch.stitch !== 'sl st' ? [oneOf(stitch.stitch, spanFrom(state, token.from))] : [];
    bridge(state, names, end, token, pieces);
    return first;
  }
  if (joinsYarn(state, end)) return joinedToStitch(state, end, token);
  const colour = colourIn(state, state.at, end, token);
  if (colour.length > 0) {
    state.at = end;
    return colour;
  }
  state.at = from;
  return [remarkAt(state, token)];
}

/** "join legs with ch 3" in a text that has no legs: pieces all the same. */
function limbsJoined(state: ReadState, end: number): string[] {
  const names: string[] = [];
  let chained = false;
  for (let i = state.at; i < end; i++) {
    chained ||= means(state, 'chain', i);
    const limb = limbNamed(state, i);
    if (!limb) continue;
    names.push(limb.name);
    i += limb.length - 1;
  }
  return chained ? names : [];
}

/** "join yarn in a st of R2": the yarn begins anew somewhere on the piece. */
function joinsYarn(state: ReadState, end: number): boolean {
  const keys = state.tokens.slice(state.at, end).map(({ key }) => key);
  return (
    state.context.first && keys.some((key) => ['st', 'stitch', 'top', 'anywhere', 'side', 'edge', 'spot', 'corner'].includes(key))
  );
}

function joinedToStitch(state: ReadState, end: number, token: Token): Piece[] {
  state.at = end;
  state.foundation ??= { value: { kind: 'foundation', from: 'edge', part: null }, span: spanFrom(state, token.from) };
  return [];
}

const oneOf = (stitch: StitchName, span: Span): Piece => itemPiece({ ...PLAIN, stitch }, span);

function bridge(state: ReadState, names: readonly string[], end: number, token: Token, pieces: Piece[]): void {
  let chains = 0;
  let from = token.from;
  for (let i = state.at; i < end; i++) {
    if (means(state, 'chain', i)) chains = numberOf(state.tokens[i + 1]) ?? numberOf(state.tokens[i - 1]) ?? 1;
  }
  const before = chainOf(pieces.at(-1));
  if (chains === 0 && before) {
    chains = before.count;
    from = pieces.at(-1)!.span.from;
    pieces.pop();
  } else if (chains === 0 && state.foundation?.value.from === 'chain') {
    chains = state.foundation.value.chains;
    from = state.foundation.span.from;
  }
  state.at = end;
  const parts = (state.context.first && names.length === 1 ? [names[0]!, names[0]!] : names).map(named);
  state.foundation = { value: { kind: 'foundation', from: 'bridge', chains, parts }, span: spanFrom(state, from) };
  state.foundationDoubtful = false;
}

/** Stitches that go around another part: the chain before them joins the two pieces. */
export function bridgeTo(state: ReadState, name: string | null, before: readonly Piece[]): void {
  if (name === null) return;
  const { foundation } = state;
  if (state.context.first) {
    if (foundation?.value.from === 'bridge') {
      const [one, two] = foundation.value.parts;
      if (one?.name === two?.name && name !== one?.name)
        state.foundation = { ...foundation, value: { ...foundation.value, parts: [one!, named(name)] } };
      return;
    }
    if (foundation?.value.from !== 'chain') return;
    state.foundation = {
      ...foundation,
      value: { kind: 'foundation', from: 'bridge', chains: foundation.value.chains, parts: [named(name), named(name)] },
    };
    state.foundationDoubtful = false;
    return;
  }
  const at = before.findIndex((piece) => chainOf(piece) !== null);
  const chain = chainOf(before[at]);
  if (foundation || !chain || before.slice(0, at).some((piece) => piece.is !== 'item')) return;
  const span = before[at]!.span;
  (before as Piece[]).splice(at, 1);
  state.foundation = { value: { kind: 'foundation', from: 'bridge', chains: chain.count, parts: [named(name)] }, span };
}

/** The chain a piece is, or was in its usual reading. */
export function chainOf(piece: Piece | undefined): Chain | null {
  const plain = piece?.is === 'choice' ? piece.options[0]![0] : piece;
  return plain?.is === 'item' && plain.item.kind === 'chain' ? plain.item : null;
}

const BEFORE_LOOPS: ReadonlySet<string> = new Set(['the', 'remaining', 'unworked', 'free', 'left', 'unused', 'exposed']);
const AFTER_LOOPS: ReadonlySet<string> = new Set([
  'of',
  'from',
  'left',
  'over',
  'unworked',
  'in',
  'on',
  'by',
  'leftover',
  'only',
  'free',
]);

/** "front loops of R8 (of the tower)", "front loops left over from R4" at `at`. */
export function leftLoopsAt(state: ReadState, at: number): { readonly value: Foundation; readonly length: number } | null {
  let i = at;
  if (means(state, 'with', i) || means(state, 'into', i)) i += phraseAt(state, i)!.length;
  while (BEFORE_LOOPS.has(keyAt(state, i)) && !means(state, 'loop', i)) i++;
  const phrase = phraseAt(state, i);
  if (phrase?.meaning.is !== 'loop' || phrase.meaning.loop === 'both') return null;
  i += phrase.length;
  while (AFTER_LOOPS.has(keyAt(state, i)) || means(state, 'stitches', i)) i++;
  const reference = roundAt(state, i);
  if (!reference) return null;
  const value: Foundation = {
    kind: 'foundation',
    from: 'loops',
    loop: phrase.meaning.loop,
    round: reference.first,
    part: reference.part === null ? null : named(reference.part),
  };
  return { value, length: i + reference.length - at };
}

/** "along the edge of Leg", "through both layers of Front and Back", where the phrase has been passed. */
export function workedOn(state: ReadState, from: 'edge' | 'layers', start: number): void {
  if (from === 'edge' && !state.context.first && !state.pickingUp) return;
  const names: PartRef[] = [];
  let i = state.at + (keyAt(state) === 'of' ? 1 : 0);
  for (let part = partAt(state, i); part; part = partAt(state, i)) {
    names.push(named(part.name));
    i += part.length;
    state.at = i;
    if (keyAt(state, i) === 'and' || keyAt(state, i) === '&') i++;
  }
  const value: Foundation =
    from === 'edge' ? { kind: 'foundation', from, part: names[0] ?? null } : { kind: 'foundation', from, parts: names };
  state.foundation = { value, span: spanFrom(state, start) };
}
