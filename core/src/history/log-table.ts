import { localTime, type ZoneAt } from './day.js';
import type { Bit } from './bits.js';
import type { History, Mark } from './history.js';
import type { Sitting } from './sitting.js';

/** One line of a log for other programs: a sitting, or something that happened. */
export interface LogRow {
  /** The maker's day and clock: `2026-11-27`, `19:40`. */
  readonly day: string;
  readonly time: string;
  readonly what: Mark['is'] | 'sitting';
  readonly piece: string;
  /** Minutes and stitches of a sitting; null for what has none. */
  readonly minutes: number | null;
  readonly stitches: number | null;
  readonly detail: string;
}

const clock = (minute: number): string =>
  `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;

/** The log of a make as rows, earliest first. */
export function logRows({ sittings, marks, bits }: History, nameOf: (piece: string) => string, zoneAt: ZoneAt): LogRow[] {
  const zones = new Map(bits.map(({ at, zone }: Bit) => [at, zone]));
  const rows = [
    ...sittings.map((sitting): LogRow & { at: number } => sittingRow(sitting, nameOf)),
    ...marks.map((mark): LogRow & { at: number } => {
      const { day, minute } = localTime(mark.at, zones.get(mark.at) ?? zoneAt(mark.at));
      return {
        at: mark.at,
        day,
        time: clock(minute),
        what: mark.is,
        piece: nameOf(mark.piece),
        minutes: null,
        stitches: mark.is === 'ripped' ? -mark.ripped.stitches : null,
        detail: detailOf(mark),
      };
    }),
  ];
  return rows.sort((a, b) => a.at - b.at).map(({ at: _at, ...row }) => row);
}

function sittingRow({ from, zone, ms, stitches, pieces, byHand }: Sitting, nameOf: (piece: string) => string) {
  const { day, minute } = localTime(from, zone);
  return {
    at: from,
    day,
    time: clock(minute),
    what: 'sitting' as const,
    piece: pieces.map(nameOf).join(', '),
    minutes: Math.round(ms / 6_000) / 10,
    stitches: byHand === null ? stitches : null,
    detail: byHand === null ? '' : 'put in by hand',
  };
}

function detailOf(mark: Mark): string {
  switch (mark.is) {
    case 'colour':
      return `${mark.from} to ${mark.to}`;
    case 'remark':
      return mark.text;
    case 'done':
      return mark.gate;
    case 'stuffed':
      return `${mark.grams} g`;
    case 'placed':
      return `${mark.feature} ${mark.copy}`;
    case 'ripped':
      return mark.ripped.event.why ?? '';
    default:
      return '';
  }
}
