import { standingEvents, WHOLE_MAKE, type Log, type MakerEvent } from '../making/index.js';
import type { Bit } from './bits.js';
import { localTime, type ZoneAt } from './day.js';

type Sat = Extract<MakerEvent, { kind: 'sat' }>;

/** A time that was worked, or was said to have been. */
export interface Sitting {
  readonly from: number;
  readonly to: number;
  /** What counts of it. */
  readonly ms: number;
  readonly stitches: number;
  readonly pieces: readonly string[];
  /** The event that put it in by hand; null for what was tapped. */
  readonly byHand: string | null;
  readonly zone: number;
  /** The maker's day it began on. */
  readonly day: string;
}

/** What the maker said of times that stands. */
export function saidOfTimes(log: Log): readonly Sat[] {
  return standingEvents(log, WHOLE_MAKE).filter((event) => event.kind === 'sat');
}

/** Bits with their time as the maker let it count: none where a time was taken out. */
export function counting(bits: readonly Bit[], said: readonly Sat[]): Bit[] {
  const out = said.filter(({ counts }) => !counts);
  return bits.map((bit) => {
    const isOut = out.some(({ from, to }) => bit.at > from && bit.at <= to);
    return isOut ? { ...bit, tookMs: 0, timed: false } : bit;
  });
}

/**
 * The sittings, earliest first: steps that follow each other within the time of an idle hand, those put in by hand, without
 * those taken out. Times that lie over one another are all listed; they count once (`workedMs`).
 */
export function sittingsOf(bits: readonly Bit[], said: readonly Sat[], zoneAt: ZoneAt): Sitting[] {
  const out = said.filter(({ counts }) => !counts);
  const isOut = (at: number): boolean => out.some(({ from, to }) => at > from && at <= to);
  const byNumber = new Map<number, Bit[]>();
  for (const bit of bits) {
    if (isOut(bit.at)) continue;
    const own = byNumber.get(bit.sitting);
    if (own) own.push(bit);
    else byNumber.set(bit.sitting, [bit]);
  }
  const worked = [...byNumber.values()].map((own) => {
    const [first, last] = [own[0]!, own.at(-1)!];
    return sitting(first.at - first.tookMs, last.at, own, first.zone ?? zoneAt(first.at), null);
  });
  const put = said
    .filter(({ counts }) => counts)
    .map(({ id, from, to, zone }) => ({ ...sitting(from, to, [], zone ?? zoneAt(from), id), ms: to - from }));
  return [...worked, ...put].sort((a, b) => a.from - b.from);
}

function sitting(from: number, to: number, bits: readonly Bit[], zone: number, byHand: string | null): Sitting {
  return {
    from,
    to,
    ms: bits.reduce((sum, { tookMs }) => sum + tookMs, 0),
    stitches: bits.reduce((sum, { stitches }) => sum + stitches, 0),
    pieces: [...new Set(bits.map(({ piece }) => piece))],
    byHand,
    zone,
    day: localTime(from, zone).day,
  };
}

/** Time worked, ms: times that lie over one another count once. */
export function workedMs(sittings: readonly Sitting[]): number {
  let sum = 0;
  let until = -Infinity;
  for (const { from, to, ms } of sittings) {
    const begins = Math.max(from, until);
    if (to > begins) sum += ms * ((to - begins) / (to - from));
    until = Math.max(until, to);
  }
  return sum;
}
