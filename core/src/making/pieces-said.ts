import { WHOLE_MAKE } from '../bounds/index.js';
import { lastReached, standingEvents, type Log, type MakerEvent, withNewNames } from './log.js';
import { decisiveEvents } from './made-piece.js';

/** What of a log says where each begun piece is, by the names that the pieces have now, and how the whole make stands. */
export function piecesSaid(log: Log | undefined): Record<string, MakerEvent[]> {
  if (!log) return {};
  const named = withNewNames(log);
  const begun = [...named.keys()].map((piece) => [piece, standingEvents(named, piece)] as const);
  return Object.fromEntries(
    begun
      .filter(([piece, said]) => piece === WHOLE_MAKE || lastReached(said) !== null)
      .map(([piece, said]) => [piece, decisiveEvents(said)] as const)
      .filter(([, said]) => said.length > 0),
  );
}
