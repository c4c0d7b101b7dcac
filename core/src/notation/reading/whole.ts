import { isSamePart } from '../part-ref.js';
import type { Chain, Start, Times, Work } from '../pattern.js';
import { join } from '../span.js';
import { choice, itemPiece, startsChainRing, usual, type Piece } from './piece.js';
import { chainOf } from './starts.js';
import type { ReadState } from './state.js';
import { isPlainWork } from './placing.js';
import { type WorkedPieces } from './stitches.js';

/** The stitch read last, and the index of its first piece; `worked` null for a group. */
export interface LastWorked {
  readonly from: number;
  readonly worked: WorkedPieces | null;
}

/** Whether a piece stands before or around the stitches of a round, and is none of them. */
export function isPrelude(piece: Piece): boolean {
  if (piece.is === 'choice') return chainOf(piece) !== null;
  if (piece.is === 'total') return true;
  if (piece.is !== 'item') return false;
  const { kind } = piece.item;
  return kind === 'colour' || kind === 'remark' || kind === 'chain' || kind === 'close' || kind === 'foundation';
}

/** Adds to the pieces of a whole round what only the round as a whole can mean. */
export function withWholeChoices(state: ReadState, read: readonly Piece[], last: LastWorked | null): Piece[] {
  const all = withChains(state, liftedChain(state, withoutRingJoin(roundChainRing(state, read))));
  const begin = all.findIndex((piece) => !isPrelude(piece));
  if (begin < 0) return [...all];
  const end = all.findLastIndex((piece) => !isPrelude(piece)) + 1;
  const shift = all.length - read.length;
  const stitches = withoutSaidTwice(all.slice(begin, end));
  const worked = last?.worked && last.from + shift + last.worked.pieces.length >= end ? last.worked : null;
  const settled = bareRound(stitches, worked) ?? wholeTimes(stitches, worked) ?? onceOrAround(stitches) ?? stitches;
  const ended = lastPlain(all, settled, stitches);
  return [...all.slice(0, begin), ...ended, ...all.slice(end)];
}

/** "sc around and increase in every 2nd stitch": the second says all of it. */
function withoutSaidTwice(stitches: Piece[]): Piece[] {
  const [first, second] = stitches;
  const twice =
    stitches.length === 2 &&
    isPlainWork(first) &&
    first.item.count === 'around' &&
    second?.is === 'group' &&
    second.times === 'around';
  return twice ? [second] : stitches;
}

/** "sc (18)": a stitch that says nothing else is worked all round, or once. */
function bareRound(stitches: readonly Piece[], worked: WorkedPieces | null): Piece[] | null {
  const only = usual(stitches);
  const [piece] = only;
  const colours = only.filter((each) => each.is !== 'item' || each.item.kind !== 'colour');
  if (colours.length !== 1 || !worked?.bare || piece?.is !== 'item') return null;
  const around = stitches.map((each): Piece =>
    each.is === 'item' && each.item.kind === 'work' ? { ...each, item: { ...each.item, count: 'around' } } : each,
  );
  return [choice('bare', [around, stitches])];
}

const isCounted = (piece: Piece): boolean =>
  (piece.is === 'item' &&
    (piece.item.kind === 'colour' ||
      piece.item.kind === 'remark' ||
      piece.item.kind === 'skip' ||
      piece.item.kind === 'spur' ||
      ((piece.item.kind === 'work' || piece.item.kind === 'cluster') && typeof piece.item.count === 'number'))) ||
  (piece.is === 'group' && typeof piece.times === 'number') ||
  (piece.is === 'choice' &&
    (chainOf(piece) !== null || ['in-next', 'two-words', 'inc-number', 'each-number'].includes(piece.doubt)));

const isStitch = (piece: Piece): boolean =>
  (piece.is === 'item' && (piece.item.kind === 'work' || piece.item.kind === 'cluster')) ||
  piece.is === 'group' ||
  (piece.is === 'choice' && chainOf(piece) === null);

function group(pieces: readonly Piece[], times: Times): Piece {
  return { is: 'group', pieces, times, span: pieces.map(({ span }) => span).reduce(join) };
}

/** "sc, inc x6": the times may be meant for the last stitch, or for all that stands before it too. */
function wholeTimes(stitches: readonly Piece[], worked: WorkedPieces | null): Piece[] | null {
  if (!worked?.single || worked.times === null) return null;
  const before = stitches.slice(0, stitches.length - worked.pieces.length);
  const several = before.some(isStitch) || worked.single.some((piece) => piece.is === 'choice' && piece.doubt === 'two-words');
  if (!several || !before.every(isCounted)) return null;
  return [choice('times-of', [stitches, [group([...before, ...worked.single], worked.times)]])];
}

const isSameStitch = (a: Work, b: Work): boolean =>
  a.stitch === b.stitch && a.loop === b.loop && isSamePart(a.through, b.through);

/** "sc, inc (18)": as written, or over and over. */
function onceOrAround(stitches: readonly Piece[]): Piece[] | null {
  if (stitches.length < 2 || !stitches.every(isCounted) || stitches.filter(isStitch).length < 2) return null;
  if (stitches.some((piece) => piece.is === 'group')) return null;
  // "sc sc" over and over is a plain round.
  const [first] = stitches;
  const alike = isPlainWork(first) && stitches.every((piece) => isPlainWork(piece) && isSameStitch(piece.item, first.item));
  const around = alike ? itemPiece({ ...first.item, count: 'around' }, group(stitches, 1).span) : group(stitches, 'around');
  return [choice('again', [stitches, [around]])];
}

const isTotal = (piece: Piece): boolean => piece.is === 'total';
const isStart = (piece: Piece): boolean => piece.is === 'item' && piece.item.kind === 'start';

/** A last "12 sc" may be the total; a last slip stitch may close the round. */
function lastPlain(all: readonly Piece[], settled: Piece[], stitches: readonly Piece[]): Piece[] {
  const last = stitches.at(-1);
  if (!last || !isPlainWork(last) || stitches.length < 2 || last.item.through !== null) return settled;
  const { stitch, count } = last.item;
  if (stitch === 'sl st' && count === 1) {
    const closed = [...stitches.slice(0, -1), itemPiece({ kind: 'close', how: 'join' }, last.span)];
    // "6 sc in ring, sl st": a ring is closed so.
    if (stitches.every((piece) => piece === last || isStart(piece)) && !all.some(isTotal)) return closed;
    return [choice('last-slip', [settled, closed])];
  }
  const said = all.some(isTotal);
  if (said || typeof count !== 'number' || count < 3 || !stitches.slice(0, -1).some(isStitch)) return settled;
  return [choice('last-total', [settled, [...stitches.slice(0, -1), { is: 'total', count, span: last.span }]])];
}

/**
 * "ch 10, join to form a ring" and, there or in the next line, "sc around": the stitches go round a ring of chain, one in each.
 * A chain that is joined has its first chain for a stitch too.
 */
function roundChainRing(state: ReadState, pieces: readonly Piece[]): readonly Piece[] {
  const { foundation } = state;
  if (foundation?.value.from !== 'chain') return pieces;
  const first = pieces.findIndex((piece) => !isPrelude(piece));
  const before = first < 0 ? pieces : pieces.slice(0, first);
  const joins = before.filter((piece) => piece.is === 'item' && piece.item.kind === 'close');
  const joined = joins.length > 0 || (foundation === state.context.foundation && foundation.value.first === 1);
  if (!joined) return pieces;
  const span = joins.reduce((whole, piece) => join(whole, piece.span), foundation.span);
  const rest = pieces.filter((piece) => !joins.includes(piece));
  const own = rest[first - joins.length];
  state.foundationDoubtful = false;
  if (first < 0 || !isPlainWork(own) || own.item.loop !== 'both' || typeof own.item.count === 'object') {
    state.foundation = { span, value: { ...foundation.value, first: 1 } };
    return rest;
  }
  const { chains } = foundation.value;
  const { stitch, count } = own.item;
  const start: Start = {
    kind: 'start',
    from: 'chain ring',
    chains,
    stitch,
    count: count === 'around' ? chains : count,
    chain: 'none',
  };
  state.foundation = null;
  // Where the chain stands in a line before, that is told of the round (`settings`).
  const begun = foundation === state.context.foundation ? own.span : join(span, own.span);
  return rest.map((piece) => (piece === own ? itemPiece(start, begun) : piece));
}

/** The slip stitch that makes a ring of a chain is part of the start. */
function withoutRingJoin(pieces: readonly Piece[]): readonly Piece[] {
  const start = pieces.findIndex(startsChainRing);
  return start < 0 ? pieces : pieces.filter((piece, i) => i > start || piece.is !== 'item' || piece.item.kind !== 'close');
}

/** "ch 1, 6 sc in ring": a chain before a ring belongs to the start. */
function liftedChain(state: ReadState, pieces: readonly Piece[]): readonly Piece[] {
  const start = pieces.findIndex((piece) => piece.is === 'item' && piece.item.kind === 'start');
  if (start < 1) return pieces;
  const at = pieces.findIndex((piece, i) => i < start && chainOf(piece)?.count === 1);
  const own = pieces[start];
  if (at < 0 || own?.is !== 'item' || own.item.kind !== 'start') return pieces;
  const chain = pieces[at]!;
  const span = join(chain.span, own.span);
  const start1 = own.item;
  const made = (counted: boolean): Piece => itemPiece({ ...start1, chain: counted ? 'counted' : 'loose' }, span);
  const said = chain.is === 'item' ? chainOf(chain)!.counts > 0 : state.context.chainsCount;
  const lifted = said === null ? choice('chain', [[made(false)], [made(true)]]) : made(said);
  return pieces.flatMap((piece, i) => (i === at ? [] : i === start ? [lifted] : [piece]));
}

const holdsChain = (piece: Piece): boolean =>
  (piece.is === 'group' && piece.pieces.some(holdsChain)) ||
  (piece.is === 'choice' && (piece.doubt === 'chain' || piece.options.some((option) => option.some(holdsChain))));

/** Orders what each chain may count for, the usual first: one in the middle counts, one at an edge does not. */
function withChains(state: ReadState, pieces: readonly Piece[]): readonly Piece[] {
  if (!pieces.some(holdsChain)) return pieces;
  const first = pieces.findIndex((piece) => !isPrelude(piece));
  const last = pieces.findLastIndex((piece) => !isPrelude(piece));
  return pieces.map((piece, i): Piece => {
    if (piece.is === 'group') return { ...piece, pieces: groupChains(piece.pieces) };
    if (piece.is === 'choice' && piece.doubt !== 'chain')
      return { ...piece, options: piece.options.map((option) => withChains(state, option)) };
    const chain = piece.is === 'choice' ? chainOf(piece) : null;
    if (!chain) return piece;
    const before = first >= 0 && first < i;
    const byPlace = before && last > i;
    const next = pieces[i + 1];
    const as = (counts: number): Piece[] => [itemPiece({ ...chain, counts }, piece.span)];
    if (next?.is === 'item' && next.item.kind === 'close') return as(byPlace ? chain.count : 0)[0]!;
    if (byPlace) return choice('chain', [as(chain.count), as(0)]);
    if (before) return choice('chain', [as(0), as(chain.count)]);
    return firstChainOf(state, chain, as, piece);
  });
}

/** A chain at a round's start lifts the yarn, stands for one stitch, with or without the one below it, or counts whole. */
function firstChainOf(state: ReadState, chain: Chain, as: (counts: number) => Piece[], piece: Piece): Piece {
  const skip = itemPiece({ kind: 'skip', count: 1 }, { from: piece.span.to, to: piece.span.to });
  const standing = chain.count > 1 || state.context.chainsCount !== null;
  const options = [as(0), as(1), ...(standing ? [[...as(1), skip]] : []), ...(chain.count > 1 ? [as(chain.count)] : [])];
  if (state.context.chainsCount !== true) return state.context.chainsCount === false ? as(0)[0]! : choice('chain', options);
  return choice('chain', [...options.slice(1), options[0]!]);
}

/** Chains inside a repeat are worked into in the next round. */
function groupChains(pieces: readonly Piece[]): Piece[] {
  return pieces.map((piece): Piece => {
    if (piece.is === 'group') return { ...piece, pieces: groupChains(piece.pieces) };
    const chain = piece.is === 'choice' ? chainOf(piece) : null;
    if (!chain) return piece;
    const as = (counts: number): Piece[] => [itemPiece({ ...chain, counts }, piece.span)];
    return choice('chain', [as(chain.count), as(0)]);
  });
}
