import { BOUNDS } from '../../bounds/index.js';
import type { Cluster, Times } from '../pattern.js';
import type { Loop } from '../stitch.js';
import type { Token } from '../tokens.js';
import { bareCount, timesAt } from './counts.js';
import { choice, itemPiece, mapPieces, usual, type Piece } from './piece.js';
import { chainOf } from './starts.js';
import { CLOSER_OF, keyAt, phraseAt, SEPARATORS, spanFrom, tellError, type Closer, type ReadState } from './state.js';
import { isWorked } from './placing.js';
import { loopAt } from './suffixes.js';
import { whereAt, type Where } from './where.js';

/** Reads pieces up to a closing mark, which is left for the caller. */
export type ReadSequence = (state: ReadState, closer: Closer, depth: number) => Piece[];

/** The pieces with `loop` on every stitch in them that names no loop itself. */
export function inLoopPieces(pieces: readonly Piece[], loop: Loop): readonly Piece[] {
  if (loop === 'both') return pieces;
  return mapPieces(pieces, (item) =>
    (item.kind === 'work' || item.kind === 'cluster') && item.loop === 'both' ? { ...item, loop } : item,
  );
}

interface Opened {
  readonly opener: Token;
  readonly closer: Closer;
  readonly closed: boolean;
  /** Repeats that were said before the opening mark, or that an unclosed group was likely meant to have. */
  readonly times: number | null;
  readonly from: number;
}

/** Brackets and stars: repeats, and several stitches in one. */
export function groupAt(
  state: ReadState,
  depth: number,
  sequence: ReadSequence,
  prefix?: { readonly times: number; readonly from: number },
): Piece[] {
  const opener = state.tokens[state.at]!;
  const closer = CLOSER_OF[opener.key] ?? '*';
  if (depth >= BOUNDS.depth) {
    tellError(state, { code: 'too-deep' }, opener);
    state.at = state.tokens.length;
    return [];
  }
  state.at++;
  const star = closer === '*' ? 1 : 0;
  state.stars += star;
  state.depth = depth + 1;
  const inside = sequence(state, closer, depth + 1);
  state.stars -= star;
  state.depth = depth;
  const closed = keyAt(state) === closer;
  let meant: number | null = null;
  if (closed) state.at++;
  else if (!isFromStar(state)) meant = unclosed(state, opener, closer, inside);
  const group: Opened = { opener, closer, closed, times: prefix?.times ?? meant, from: prefix?.from ?? opener.from };
  return repeated(state, inside, group, depth, prefix !== undefined);
}

function isFromStar(state: ReadState): boolean {
  return phraseAt(state)?.meaning.is === 'from star';
}

/** "(2 sc in each st) around": what goes all round says so twice. */
function wholeRound(state: ReadState, inside: readonly Piece[], group: Opened): Piece | null {
  const [only] = inside;
  if (inside.length !== 1 || only?.is !== 'item' || only.item.kind !== 'work' || typeof only.item.count === 'number') return null;
  const back = state.at;
  const times = group.times ?? repeatAt(state);
  if (group.closed && (times === null || times === 'around')) return only;
  state.at = back;
  return null;
}

function repeated(state: ReadState, inside: readonly Piece[], group: Opened, depth: number, prefixed: boolean): Piece[] {
  const round = depth === 0 ? wholeRound(state, inside, group) : null;
  if (round) return [round];
  const pieces = inside.map((piece) => withoutOpen(state, piece));
  const span = spanFrom(state, group.from);
  const kinds = new Set(usual(pieces).map((piece) => (piece.is === 'item' ? piece.item.kind : 'group')));
  if (!(['work', 'group', 'cluster', 'chain', 'spur'] as const).some((kind) => kinds.has(kind))) return pieces;
  const cluster = prefixed ? null : clusterAt(state, pieces, group.opener.from);
  if (cluster) return [cluster];
  const times = group.times ?? repeatAt(state);
  const loop = loopAt(state) ?? 'both';
  const whole = (many: Times): Piece[] => [
    { is: 'group', pieces: inLoopPieces(pieces, loop), times: many, span: spanFrom(state, span.from) },
  ];
  const open = (many: Times | null): boolean => many !== null && typeof many !== 'number';
  if (depth > 0 && (times === null || open(times as Times))) {
    if (times !== null) tellError(state, { code: 'around-nested' }, span);
    else if (group.closed) state.report({ code: 'repeat-missing', severity: 'warning', span });
    return whole(1);
  }
  if (times === null) return group.closed ? [choice('group-times', [whole(1), whole('around')])] : whole(1);
  return typeof times === 'object' && 'more' in times
    ? [choice('star-repeat', [whole(times.more), whole(times.more + 1)])]
    : whole(times);
}

/**
 * Where the missing mark most likely belongs: before the number of repeats, else after the last stitch. A number that
 * was then meant for the group is taken off its last item and given back.
 */
function unclosed(state: ReadState, opener: Token, closer: Closer, inside: Piece[]): number | null {
  const last = inside.at(-1);
  const work = last?.is === 'item' && last.item.kind === 'work' && typeof last.item.count === 'number' ? last.item : null;
  const times = work
    ? state.tokens.findIndex((token) => token.key === 'x' && token.from > last!.span.from && token.to <= last!.span.to)
    : -1;
  const closeAt = times > 0 ? state.tokens[times - 1]!.to : (last?.span.to ?? opener.to);
  tellError(state, { code: 'unclosed', opener: opener.text, closer, closeAt }, opener);
  if (times < 0 || !work) return null;
  inside[inside.length - 1] = itemPiece({ ...work, count: 1 }, last!.span);
  return work.count as number;
}

/** "(hdc, dc, tr) in next st": plain stitches in brackets that go into one stitch. */
function clusterAt(state: ReadState, pieces: readonly Piece[], from: number): Piece | null {
  const back = state.at;
  const where = whereAt(state);
  if (!where) return null;
  const stitches = usual(pieces).flatMap((piece): Cluster['stitches'] => {
    const chain = chainOf(piece);
    if (chain) return [{ stitch: 'ch', count: chain.count }];
    if (piece.is !== 'item' || piece.item.kind !== 'work') return [];
    const { stitch, per, together, count } = piece.item;
    return per === 1 && together === 1 && typeof count === 'number' ? [{ stitch, count }] : [];
  });
  const several = stitches.length > 1 || (stitches[0]?.count ?? 0) > 1;
  const count = stitches.length === pieces.length && several ? clusterTimes(state, where) : null;
  if (count === null) {
    state.at = back;
    return null;
  }
  const first = usual(pieces)[0]!;
  const loop = loopAt(state) ?? (first.is === 'item' && first.item.kind === 'work' ? first.item.loop : 'both');
  return itemPiece({ kind: 'cluster', stitches, count, loop }, spanFrom(state, from));
}

/** How often a cluster is worked at a place; null where the place repeats a group instead. */
function clusterTimes(state: ReadState, where: Where): Times | null {
  if (where.into === 'one') return timesAt(state) ?? 1;
  if (where.into === 'next') return where.count;
  if (where.into === 'each') return 'around';
  return where.into === 'to last' && where.each ? { toLast: where.count } : null;
}

/** The piece without an open count, which has no end inside a repeat. */
function withoutOpen(state: ReadState, piece: Piece): Piece {
  if (piece.is !== 'item' || (piece.item.kind !== 'work' && piece.item.kind !== 'cluster')) return piece;
  if (typeof piece.item.count === 'number') return piece;
  tellError(state, { code: 'around-nested' }, piece.span);
  return { ...piece, item: { ...piece.item, count: 1 } };
}

/** How often something is repeated; `more` where the number may be meant on top of the first time. */
export type Repeats = Times | { readonly more: number };

/** How often a group just closed is worked; null when nothing says so. */
function repeatAt(state: ReadState): Repeats | null {
  const back = state.at;
  while (SEPARATORS.has(keyAt(state)) && keyAt(state) !== '.' && keyAt(state) !== '=') state.at++;
  const phrase = phraseAt(state);
  if (phrase?.meaning.is === 'from star') {
    state.at += phrase.length;
    return repeatsSaid(state) ?? openEnd(state) ?? 'around';
  }
  if (phrase?.meaning.is === 'filler' || phrase?.meaning.is === 'for') {
    const rep = keyAt(state).startsWith('rep');
    state.at += phrase.length;
    const times = repeatsSaid(state) ?? (rep ? openEnd(state) : null);
    if (times !== null) return times;
    if (rep && atEnd(state)) return 'around';
  }
  state.at = back;
  return timesAt(state) ?? separatedTimes(state) ?? bareCount(state) ?? openEnd(state);
}

/** "(sc, inc), six times": the number after a comma, where no stitch follows it. */
function separatedTimes(state: ReadState): Times | null {
  const back = state.at;
  while ([',', ';', '-', ':'].includes(keyAt(state))) state.at++;
  const times = state.at > back ? timesAt(state) : null;
  const after = phraseAt(state);
  if (times !== null && times !== 'around' && !(after && isWorked(after.meaning))) return times;
  state.at = back;
  return null;
}

export function atEnd(state: ReadState): boolean {
  const key = keyAt(state);
  return (
    state.tokens[state.at] === undefined ||
    key === '.' ||
    key === '!' ||
    key in CLOSER_OF ||
    key === '=' ||
    key === '-' ||
    key === ','
  );
}

/** "repeat 5 times": five in all, unless once more fits better; "5 more times" and "5 times in total" leave no doubt. */
export function repeatsSaid(state: ReadState): Repeats | null {
  const from = state.at;
  const times = timesAt(state);
  if (typeof times !== 'number') return times;
  const sure = state.tokens.slice(from, state.at).some(({ key }) => key === 'more' || key === 'total' || key === 'all');
  return sure ? times : { more: times };
}

/** "around", "in each st around", "to last 2 sts" after a group. */
export function openEnd(state: ReadState): Times | null {
  const back = state.at;
  const where = whereAt(state);
  if (where?.into === 'around' || where?.into === 'each') return 'around';
  if (where?.into === 'to last') return { toLast: where.count };
  state.at = back;
  return null;
}
