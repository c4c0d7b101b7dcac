import type { PiecesSaid } from '@lemniscus/api';
import { fabricOf, type Fabric, type PartCount, type PatternCount } from '@lemniscus/core/fabric';
import {
  openRoundsAt,
  pieceMade,
  pieceSaid,
  piecesOf,
  positionOfPiece,
  within,
  type Piece,
  type Position,
} from '@lemniscus/core/making';

/** A piece of a make that is not open, as it is really made, and where it is. */
export interface ShelvedPiece {
  readonly piece: Piece;
  readonly counted: PartCount;
  readonly fabric: Fabric;
  readonly position: Position;
}

/** The pieces of a make, of which this was said. Pieces that are made as their part is written share its fabric. */
export function shelvedPieces(
  count: PatternCount,
  fabrics: readonly Fabric[],
  said: PiecesSaid,
  stitchMm: number,
): ShelvedPiece[] {
  const open = openRoundsAt(stitchMm);
  return piecesOf(count.pattern).map((piece) => {
    const state = pieceSaid(count, piece.part, said[piece.id] ?? [], open);
    const made = pieceMade(count, piece.part, state, open);
    const asWritten = made.counted === count.parts[piece.part];
    const fabric = asWritten ? fabrics[piece.part]! : fabricOf(made.counted);
    return { piece, counted: made.counted, fabric, position: within(fabric, positionOfPiece(state, made)) };
  });
}
