import { lastReached, standingEvents, type Log, type MakerEvent, withNewNames } from './log.js';
import { decisiveEvents } from './made-piece.js';

/** What of a log says where each begun piece is, by the names that the pieces have now. */
export function piecesSaid(log: Log | undefined): Record<string, MakerEvent[]> {
  if (!log) return {};
  const named = withNewNames(log);
  const begun = [...named.keys()].map((piece) => [piece, standingEvents(named, piece)] as const);
  return Object.fromEntries(begun.filter(([, said]) => lastReached(said)).map(([piece, said]) => [piece, decisiveEvents(said)]));
}
