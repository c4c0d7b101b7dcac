import type { Fabric } from '../fabric/index.js';
import { doingsOf, stitchesDone, within, type Doing, type Log, type Position } from '../making/index.js';
import { kindOfEvent, kindOfRound, type WorkKind } from './work-kind.js';

/** A piece as it was made; null for one that is not known any more. */
export type MadePiece = (piece: string) => { readonly name: string; readonly fabric: Fabric } | null;

/** A stretch of work of one kind on one piece: what one step did in one round, or something done by the way. */
export interface Bit {
  /** When it was done, ms since 1970. */
  readonly at: number;
  readonly tookMs: number;
  readonly sitting: number;
  readonly piece: string;
  readonly kind: WorkKind;
  /** 0-based; null for what is done by the way. */
  readonly round: number | null;
  readonly stitches: number;
  /** Whether its time tells how fast it was made: not of a sitting's first step, nor of what was only told. */
  readonly timed: boolean;
  readonly zone: number | null;
}

/** A piece that went back. */
export interface Ripped {
  readonly event: Doing['event'] & { readonly kind: 'reached' };
  readonly from: Position;
  readonly to: Position;
  readonly stitches: number;
}

export interface Walked {
  readonly bits: readonly Bit[];
  readonly ripped: readonly Ripped[];
}

/** Faster than so many ms a stitch nobody works: the maker said where the piece is (our own estimate). */
const FASTEST_MS = 350;

/** Everything that was done, cut at the ends of rounds; the time of a step is shared by its stitches. */
export function walk(log: Log, made: MadePiece): Walked {
  const places = new Map<string, Position>();
  const bits: Bit[] = [];
  const ripped: Ripped[] = [];
  const stitchesAt = (event: Doing['event'] & { readonly kind: 'reached' }): number => {
    const fabric = made(event.piece)?.fabric;
    return fabric ? stitchesDone(fabric, event).total : 0;
  };
  for (const { event, tookMs, sitting, stitches } of doingsOf(log, stitchesAt)) {
    const common = { at: event.at, sitting, piece: event.piece, zone: event.zone ?? null };
    const fabric = event.kind === 'reached' ? (made(event.piece)?.fabric ?? null) : null;
    if (event.kind !== 'reached' || !fabric) {
      bits.push({ ...common, tookMs, kind: kindOfEvent(event), round: null, stitches: 0, timed: false });
      continue;
    }
    const from = within(fabric, places.get(event.piece) ?? { round: 0, action: 0 });
    const to = within(fabric, event);
    places.set(event.piece, to);
    if (stitches < 0) ripped.push({ event, from, to, stitches: -stitches });
    bits.push(...cut({ fabric, from, to, stitches, tookMs }).map((bit) => ({ ...common, ...bit })));
  }
  return { bits, ripped };
}

interface Stretch {
  readonly fabric: Fabric;
  readonly from: Position;
  readonly to: Position;
  readonly stitches: number;
  readonly tookMs: number;
}

type Cut = Pick<Bit, 'tookMs' | 'kind' | 'round' | 'stitches' | 'timed'>;

function cut({ fabric, from, to, stitches, tookMs }: Stretch): Cut[] {
  const last = Math.max(0, fabric.roundCount - 1);
  if (stitches <= 0) {
    const round = Math.min(to.round, last);
    return [{ tookMs, kind: kindOfRound(fabric, round), round, stitches: 0, timed: false }];
  }
  const timed = tookMs >= FASTEST_MS * stitches;
  const cuts: Cut[] = [];
  for (let { round } = from; round <= Math.min(to.round, last); round++) {
    const begins = round === from.round ? stitchesDone(fabric, from).total : fabric.roundStart[round]!;
    const ends = round === to.round ? stitchesDone(fabric, to).total : fabric.roundStart[round + 1]!;
    const own = ends - begins;
    if (own > 0) cuts.push({ tookMs: (tookMs * own) / stitches, kind: kindOfRound(fabric, round), round, stitches: own, timed });
  }
  return cuts;
}
