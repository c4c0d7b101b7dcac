import { constant } from '../constants/index.js';
import { standingEvents, type Log, type MakerEvent } from './log.js';

/** Without a step for so long the maker has put the work down, ms: sessions end with their last step. */
export const IDLE_MS = constant('idle hand') * 60_000;

/** What a slow hand takes for a stitch, ms: a whole round told at once took no longer. */
const SLOW_MS = constant('slow hand') * 1_000;

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

/** Something that was said and stands, with the time it took. */
export interface Doing {
  readonly event: MakerEvent;
  /** Since what was said before it, in the same sitting, ms; 0 for the first. */
  readonly tookMs: number;
  /** 0-based. */
  readonly sitting: number;
  /** Made by it; below 0 where the piece was ripped back. */
  readonly stitches: number;
}

/** Stitches of its piece made up to a step. */
export type StitchesAt = (event: Extract<MakerEvent, { kind: 'reached' }>) => number;

/** Kinds that are no work: they are told whenever the maker thinks of them. */
const TOLD: ReadonlySet<MakerEvent['kind']> = new Set(['followed', 'became', 'sat', 'finished', 'put away']);

/**
 * All that was done and stands, in order of time. What was undone, and its undoing, count for nothing. A sitting goes on
 * while something is done every three minutes, or while as many stitches are told at once as a slow hand makes meanwhile.
 */
export function doingsOf(log: Log, stitchesAt: StitchesAt): Doing[] {
  const events = [...log.keys()].flatMap((piece) => standingEvents(log, piece)).filter(({ kind }) => !TOLD.has(kind));
  events.sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1));
  const done = new Map<string, number>();
  let sitting = -1;
  let last = -Infinity;
  return events.map((event) => {
    const before = done.get(event.piece) ?? 0;
    const now = event.kind === 'reached' ? stitchesAt(event) : before;
    done.set(event.piece, now);
    const stitches = now - before;
    const since = event.at - last;
    const goesOn = since <= Math.max(IDLE_MS, stitches * SLOW_MS);
    if (!goesOn) sitting++;
    last = event.at;
    return { event, tookMs: goesOn ? since : 0, sitting, stitches };
  });
}

/** The times a make was worked on. Ripping back takes time and makes no stitches. */
export function sessionsOf(log: Log, stitchesAt: StitchesAt): Session[] {
  const sessions: Session[] = [];
  for (const { event, sitting, stitches } of doingsOf(log, stitchesAt)) {
    const session = sessions[sitting] ?? { from: event.at, to: event.at, stitches: 0 };
    sessions[sitting] = { ...session, to: event.at, stitches: session.stitches + Math.max(0, stitches) };
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
