import { constant } from '../constants/index.js';
import { standingEvents, type Log, type MakerEvent } from './log.js';

/** Without a step for so long the maker has put the work down, ms: sessions end with their last step. */
export const IDLE_MS = constant('idle hand') * 60_000;

/** Stitches a minute before anything is known of a maker: about 130 stitches in 15 minutes (common practice). */
export const USUAL_PACE = constant('usual pace');
/** So many minutes must be known before a maker's own pace counts. */
const KNOWN_MIN = constant('minutes known');

export interface Session {
  /** ms since 1970. */
  readonly from: number;
  readonly to: number;
  readonly stitches: number;
}

/**
 * The times a make was worked on: steps that follow each other within `IDLE_MS`. Ripping back and steps that were undone
 * take time and make no stitches.
 * @param stitchesAt stitches of its piece made up to a step
 */
export function sessionsOf(log: Log, stitchesAt: (event: Extract<MakerEvent, { kind: 'reached' }>) => number): Session[] {
  const steps = [...log.values()].flat().sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1));
  const stands = new Set([...log.keys()].flatMap((piece) => standingEvents(log, piece)));
  const sessions: Session[] = [];
  const done = new Map<string, number>();
  for (const event of steps) {
    const last = sessions.at(-1);
    let made = 0;
    if (event.kind === 'reached' && stands.has(event)) {
      const now = stitchesAt(event);
      made = Math.max(0, now - (done.get(event.piece) ?? 0));
      done.set(event.piece, now);
    }
    if (last && event.at - last.to <= IDLE_MS)
      sessions[sessions.length - 1] = { ...last, to: event.at, stitches: last.stitches + made };
    else sessions.push({ from: event.at, to: event.at, stitches: made });
  }
  return sessions;
}

/** Time worked, ms. */
export function timeWorked(sessions: readonly Session[]): number {
  return sessions.reduce((sum, { from, to }) => sum + to - from, 0);
}

/** Stitches a minute of this maker, or the usual ones while little is known. */
export function paceOf(sessions: readonly Session[]): number {
  const minutes = timeWorked(sessions) / 60_000;
  const stitches = sessions.reduce((sum, session) => sum + session.stitches, 0);
  return minutes >= KNOWN_MIN && stitches > 0 ? stitches / minutes : USUAL_PACE;
}
