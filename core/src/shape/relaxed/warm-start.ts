import type { FabricNet, NetPiece } from './fabric-net.js';

/**
 * Where a changed body begins when it was at rest before: rounds of as many stitches where they lay, others spread along the
 * round that lay there, and rounds that are new where `start` puts them, moved along with the round they follow.
 * @param start positions to begin from without anything before, as `startPositions` gives them
 */
export function warmStart(
  net: FabricNet,
  start: Float64Array,
  before: { readonly net: FabricNet; readonly positions: ArrayLike<number> },
): Float64Array {
  const out = start.slice();
  for (const piece of net.pieces) {
    const old = before.net.pieces.find(({ piece: { part, copy } }) => part === piece.piece.part && copy === piece.piece.copy);
    if (old) takeOver(out, start, piece, old, before.positions);
  }
  return out;
}

const copy = (to: Float64Array, node: number, from: ArrayLike<number>, old: number): void => {
  for (let d = 0; d < 3; d++) to[3 * node + d] = from[3 * old + d]!;
};

function takeOver(out: Float64Array, start: Float64Array, piece: NetPiece, old: NetPiece, x: ArrayLike<number>): void {
  const [now, then] = [piece.piece.fabric, old.piece.fabric];
  const common = Math.min(now.roundCount, then.roundCount);
  for (let round = 0; round < common; round++) {
    const [from, to] = [now.roundStart[round]!, now.roundStart[round + 1]!];
    const [oldFrom, oldTo] = [then.roundStart[round]!, then.roundStart[round + 1]!];
    if (oldTo === oldFrom) continue;
    for (let row = from; row < to; row++) {
      const share = ((row - from + 0.5) * (oldTo - oldFrom)) / (to - from) - 0.5;
      between(out, piece.first + row, x, old.first + oldFrom, oldTo - oldFrom, share);
    }
  }
  const moved = common > 0 ? moveOf(out, start, piece, common - 1) : [0, 0, 0];
  const [firstNew, nodes] = [now.roundStart[common]!, now.stitchCount];
  for (let row = firstNew; row < nodes; row++) for (let d = 0; d < 3; d++) out[3 * (piece.first + row) + d]! += moved[d]!;
  for (let anchor = 0; anchor < Math.min(piece.piece.anchors, old.piece.anchors); anchor++)
    copy(out, piece.first + now.stitchCount + anchor, x, old.first + then.stitchCount + anchor);
  if (piece.tip < 0) return;
  if (old.tip >= 0 && now.roundCount === then.roundCount) copy(out, piece.tip, x, old.tip);
  else for (let d = 0; d < 3; d++) out[3 * piece.tip + d]! += moved[d]!;
}

/** A point between two neighbours of a round that lies from `first` on. */
function between(out: Float64Array, node: number, x: ArrayLike<number>, first: number, count: number, at: number): void {
  const low = Math.max(0, Math.min(count - 1, Math.floor(at)));
  const high = Math.min(count - 1, low + 1);
  const share = Math.max(0, Math.min(1, at - low));
  for (let d = 0; d < 3; d++) out[3 * node + d] = x[3 * (first + low) + d]! * (1 - share) + x[3 * (first + high) + d]! * share;
}

/** How far the middle of a round has moved from where it would begin. */
function moveOf(out: Float64Array, start: Float64Array, { piece: { fabric }, first }: NetPiece, round: number): number[] {
  const [from, to] = [fabric.roundStart[round]!, fabric.roundStart[round + 1]!];
  const moved = [0, 0, 0];
  for (let row = from; row < to; row++)
    for (let d = 0; d < 3; d++) moved[d]! += (out[3 * (first + row) + d]! - start[3 * (first + row) + d]!) / (to - from);
  return moved;
}
