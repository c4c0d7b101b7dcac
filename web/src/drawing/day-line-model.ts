import { localTime, type Bit, type Mark, type Sitting } from '@lemniscus/core/history';
import { dayAfter, daysBetween, type Day } from '@lemniscus/core/planning';
import { bisector } from 'd3-array';
import { scaleLinear } from 'd3-scale';

/** A stretch of a sitting in one yarn. */
export interface YarnStretch {
  readonly from: number;
  readonly to: number;
  readonly colour: string;
}

/** A sitting on the line: a strand as long as it lasted, at its hour. */
export interface SittingBar {
  readonly sitting: Sitting;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly bands: readonly { readonly y: number; readonly height: number; readonly colour: string }[];
}

export interface DayLineModel {
  readonly width: number;
  readonly height: number;
  readonly days: readonly { readonly day: Day; readonly x: number; readonly width: number; readonly told: boolean }[];
  readonly hours: readonly { readonly hour: number; readonly y: number }[];
  readonly bars: readonly SittingBar[];
  readonly marks: readonly { readonly mark: Mark; readonly x: number; readonly y: number }[];
}

export interface DayLineInput {
  readonly sittings: readonly Sitting[];
  readonly marks: readonly Mark[];
  /** First and last day that are looked at. */
  readonly days: readonly [Day, Day];
  readonly stretches: (sitting: Sitting) => readonly YarnStretch[];
  readonly zoneOf: (at: number) => number;
}

const SIZE = { width: 900, height: 250, left: 44, top: 10, bottom: 24 };
/** A sitting is drawn at least so high, so that a few stitches are seen. */
const LEAST = 5;
const WIDEST = 54;
const MARK_HEIGHT = 10;
/** Days are named while their names have room. */
const NAME_WIDTH = 46;

/** Sittings and marks between two days: across by days, down by the hour of the maker's clock. */
export function dayLineModel({ sittings, marks, days: [first, last], stretches, zoneOf }: DayLineInput): DayLineModel {
  const count = daysBetween(first, last) + 1;
  const column = (SIZE.width - SIZE.left) / Math.max(1, count);
  const shown = sittings.filter(({ day }) => day >= first && day <= last);
  const begins = shown.map(({ from, zone }) => localTime(from, zone).minute);
  const ends = shown.map(({ from, to }, i) => begins[i]! + (to - from) / 60_000);
  const low = Math.floor(Math.min(18 * 60, ...begins) / 60);
  const high = Math.ceil(Math.max(22 * 60, ...ends) / 60);
  const y = scaleLinear([low * 60, high * 60], [SIZE.top, SIZE.height - SIZE.bottom]);
  const x = (day: Day): number => SIZE.left + (daysBetween(first, day) + 0.5) * column;
  const width = Math.min(WIDEST, Math.max(3, column * 0.62));
  const every = Math.max(1, Math.ceil(NAME_WIDTH / column));
  return {
    width: SIZE.width,
    height: SIZE.height,
    days: Array.from({ length: count }, (_, i) => {
      const day = dayAfter(first, i);
      return { day, x: x(day), width: column, told: i % every === 0 };
    }),
    hours: Array.from({ length: high - low + 1 }, (_, i) => low + i)
      .filter((hour) => hour % (high - low > 8 ? 3 : 2) === 0)
      .map((hour) => ({ hour: hour % 24, y: y(hour * 60) })),
    bars: shown.map((sitting, i): SittingBar => {
      const top = y(begins[i]!);
      const height = Math.max(LEAST, y(ends[i]!) - top);
      const long = Math.max(1, sitting.to - sitting.from);
      const bands = stretches(sitting).map(({ from, to, colour }) => ({
        y: top + (height * (from - sitting.from)) / long,
        height: Math.max(1, (height * (to - from)) / long),
        colour,
      }));
      return { sitting, x: x(sitting.day) - width / 2, y: top, width, height, bands };
    }),
    marks: apart(
      marks.flatMap((mark) => {
        const { day, minute } = localTime(mark.at, zoneOf(mark.at));
        const own = shown.find(({ from, to }) => mark.at >= from && mark.at <= to);
        const on = own?.day ?? day;
        if (mark.is === 'colour' || on < first || on > last) return [];
        const at = on === day ? minute : minute + 24 * 60;
        const where = y(Math.min(high * 60, Math.max(low * 60, at)));
        return [{ mark, x: x(on) + width / 2 + 2, y: where }];
      }),
    ),
  };
}

/** Marks of one day under one another, where they would lie over one another. */
function apart(marks: DayLineModel['marks']): DayLineModel['marks'] {
  const lowest = new Map<number, number>();
  return [...marks]
    .sort((a, b) => a.y - b.y)
    .map((mark) => {
      const y = Math.min(SIZE.height - SIZE.bottom, Math.max(mark.y, (lowest.get(mark.x) ?? -Infinity) + MARK_HEIGHT));
      lowest.set(mark.x, y);
      return { ...mark, y };
    });
}

const BY_TIME = bisector(({ at }: Bit) => at);

/** The yarns of a sitting in the order they were worked, from its steps, which are in order of time. */
export function yarnStretches(bits: readonly Bit[], sitting: Sitting, colourOf: (bit: Bit) => string | null): YarnStretch[] {
  const stretches: { from: number; to: number; colour: string }[] = [];
  for (let i = BY_TIME.left(bits, sitting.from); i < bits.length && bits[i]!.at <= sitting.to; i++) {
    const bit = bits[i]!;
    const colour = colourOf(bit);
    if (colour === null) continue;
    const last = stretches.at(-1);
    if (last?.colour === colour) last.to = bit.at;
    else stretches.push({ from: last?.to ?? sitting.from, to: bit.at, colour });
  }
  const last = stretches.at(-1);
  if (last) last.to = sitting.to;
  return stretches;
}
