import { fabricOf, roundColours, type Fabric, type PartCount, type PatternCount } from '@lemniscus/core/fabric';
import { historyOf, pieceRecord, type History, type PieceRecord, type ZoneAt } from '@lemniscus/core/history';
import {
  isFinished,
  openRoundsAt,
  pieceMade,
  pieceSaid,
  piecesOf,
  positionOfPiece,
  standingEvents,
  within,
  type AlteredPart,
  type Log,
  type Piece,
  type Position,
} from '@lemniscus/core/making';

/** A piece as it was really made. */
export interface MadePiece {
  readonly piece: Piece;
  readonly counted: PartCount;
  readonly fabric: Fabric;
  readonly altered: AlteredPart;
  readonly position: Position;
  readonly finished: boolean;
  readonly colours: readonly string[];
  readonly record: PieceRecord;
}

/** A make as it was really made: its pieces, and what its log tells. */
export interface MadeMake {
  readonly pieces: readonly MadePiece[];
  readonly history: History;
}

/** By this device's clock, where an event does not say its own. */
export const zoneHere: ZoneAt = (at) => -new Date(at).getTimezoneOffset();

/** What a log tells of a make whose pattern says this now. */
export function madeMake(count: PatternCount, log: Log, stitchMm: number): MadeMake {
  const open = openRoundsAt(stitchMm);
  const fabrics = count.parts.map(fabricOf);
  const made = piecesOf(count.pattern).map((piece) => {
    const state = pieceSaid(count, piece.part, standingEvents(log, piece.id), open);
    const { altered, counted } = pieceMade(count, piece.part, state, open);
    const fabric = counted === count.parts[piece.part] ? fabrics[piece.part]! : fabricOf(counted);
    const position = within(fabric, positionOfPiece(state, { altered, counted }));
    return { piece, counted, fabric, altered, position };
  });
  const byId = new Map(made.map((each) => [each.piece.id, { name: each.piece.name, fabric: each.fabric }]));
  const history = historyOf(log, (piece) => byId.get(piece) ?? null, zoneHere);
  const pieces = made.map((each): MadePiece => {
    const { piece, counted, fabric, position } = each;
    const ripped = history.ripped.filter(({ event }) => event.piece === piece.id);
    const record = pieceRecord(
      piece.name,
      { counted, fabric },
      {
        said: standingEvents(log, piece.id),
        worked: position.round,
        minutes: (history.byPiece.get(piece.id)?.ms ?? 0) / 60_000,
        rippedStitches: ripped.reduce((sum, { stitches }) => sum + stitches, 0),
      },
    );
    const finished = fabric.roundCount > 0 && isFinished(fabric, position);
    return { ...each, record, finished, colours: roundColours(fabric) };
  });
  return { pieces, history };
}
