import { roundColours } from '../fabric/index.js';
import { lastReached, standingEvents, WHOLE_MAKE, type Finished, type Log, type MakerEvent } from '../making/index.js';
import { walk, type Bit, type MadePiece, type Ripped } from './bits.js';
import type { ZoneAt } from './day.js';
import { counting, saidOfTimes, sittingsOf, type Sitting } from './sitting.js';
import type { WorkKind } from './work-kind.js';

/** Something at a time, to be marked on the line through the days. */
export type Mark = { readonly at: number; readonly piece: string } & (
  | { readonly is: 'begun' | 'ended' }
  | { readonly is: 'colour'; readonly from: string; readonly to: string; readonly round: number }
  | { readonly is: 'remark'; readonly text: string }
  | { readonly is: 'done'; readonly gate: string }
  | { readonly is: 'stuffed'; readonly grams: number }
  | { readonly is: 'placed'; readonly feature: string; readonly copy: number }
  | { readonly is: 'ripped'; readonly ripped: Ripped }
);

/** How much went into something. */
export interface Share {
  readonly ms: number;
  readonly stitches: number;
}

/** What the log of a make tells. */
export interface History {
  readonly bits: readonly Bit[];
  readonly sittings: readonly Sitting[];
  readonly marks: readonly Mark[];
  readonly ripped: readonly Ripped[];
  readonly byPiece: ReadonlyMap<string, Share>;
  readonly byKind: ReadonlyMap<WorkKind, Share>;
  /** How its maker measured the finished figure; null while it is not finished. */
  readonly finished: Finished | null;
}

/** What the log tells of a make whose pieces are made as `made` says. */
export function historyOf(log: Log, made: MadePiece, zoneAt: ZoneAt): History {
  const { bits: all, ripped } = walk(log, made);
  const said = saidOfTimes(log);
  const bits = counting(all, said);
  return {
    bits,
    sittings: sittingsOf(bits, said, zoneAt),
    marks: marksOf(log, made, bits, ripped),
    ripped,
    byPiece: shares(bits, ({ piece }) => piece),
    byKind: shares(bits, ({ kind }) => kind),
    finished: finishedOf(log),
  };
}

/** The finished figure as it was measured last; null while it is not finished. */
export function finishedOf(log: Log): Finished | null {
  const told = toldOf(log);
  return told?.day ? told : null;
}

/** What was told of the figure last, also when it is not finished after all; null where nothing was. */
export function toldOf(log: Log): Finished | null {
  const said = standingEvents(log, WHOLE_MAKE).findLast((event) => event.kind === 'finished');
  if (!said) return null;
  const { day, heightMm, widthMm, yarnGrams, stuffingGrams, forWhom, notes } = said;
  return { day, heightMm, widthMm, yarnGrams, stuffingGrams, forWhom, notes };
}

function shares<Key>(bits: readonly Bit[], keyOf: (bit: Bit) => Key): Map<Key, Share> {
  const all = new Map<Key, Share>();
  for (const bit of bits) {
    const { ms, stitches } = all.get(keyOf(bit)) ?? { ms: 0, stitches: 0 };
    all.set(keyOf(bit), { ms: ms + bit.tookMs, stitches: stitches + bit.stitches });
  }
  return all;
}

function marksOf(log: Log, made: MadePiece, bits: readonly Bit[], ripped: readonly Ripped[]): Mark[] {
  const pieces = [...log.keys()].flatMap((piece) => [...ends(log, piece, made), ...told(standingEvents(log, piece))]);
  const back = ripped.map((each): Mark => ({ at: each.event.at, piece: each.event.piece, is: 'ripped', ripped: each }));
  return [...pieces, ...colours(bits, made), ...back].sort((a, b) => a.at - b.at);
}

/** When a piece was begun, and when it was ended and is so still. */
function ends(log: Log, piece: string, made: MadePiece): Mark[] {
  const said = standingEvents(log, piece).filter((event) => event.kind === 'reached');
  const fabric = made(piece)?.fabric;
  const [first] = said;
  const last = lastReached(said);
  if (!first || !last || !fabric) return [];
  const begun: Mark = { at: first.at, piece, is: 'begun' };
  return fabric.roundCount > 0 && last.round >= fabric.roundCount ? [begun, { at: last.at, piece, is: 'ended' }] : [begun];
}

function told(said: readonly MakerEvent[]): Mark[] {
  return said.flatMap((event): Mark[] => {
    const { at, piece } = event;
    if (event.kind === 'remarked' && event.text) return [{ at, piece, is: 'remark', text: event.text }];
    if (event.kind === 'settled' && event.how === 'done') return [{ at, piece, is: 'done', gate: event.gate }];
    if (event.kind === 'stuffed') return [{ at, piece, is: 'stuffed', grams: event.grams }];
    if (event.kind === 'placed') return [{ at, piece, is: 'placed', feature: event.feature, copy: event.copy }];
    return [];
  });
}

/** Where a step went from a round of one colour into one of another. */
function colours(bits: readonly Bit[], made: MadePiece): Mark[] {
  const marks: Mark[] = [];
  const at = new Map<string, number>();
  for (const { piece, round, stitches, at: time } of bits) {
    if (round === null || stitches === 0) continue;
    const fabric = made(piece)?.fabric;
    const before = at.get(piece);
    at.set(piece, round);
    if (!fabric || before === undefined || round <= before) continue;
    const own = roundColours(fabric);
    const [from, to] = [own[before], own[round]];
    if (from !== undefined && to !== undefined && from !== to) marks.push({ at: time, piece, is: 'colour', from, to, round });
  }
  return marks;
}
