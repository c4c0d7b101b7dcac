/** A day as its maker's calendar has it: `2026-11-27`. */
export type Day = string;

const DAY_MS = 86_400_000;

/** When there is time: minutes for each weekday, Monday first, and days that are otherwise. */
export interface Hours {
  readonly week: readonly number[];
  readonly days: ReadonlyMap<Day, number>;
}

/** Most minutes of a day that anybody is taken to have for it. */
export const MOST_MINUTES = 960;

/** Minutes there are on a day. */
export function minutesOn({ week, days }: Hours, day: Day): number {
  return days.get(day) ?? week[weekday(day)] ?? 0;
}

/** 0 for a Monday to 6 for a Sunday. */
export function weekday(day: Day): number {
  return (new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7;
}

/** The day so many days later; calendars know no clocks, so a day is a day when they change too. */
export function dayAfter(day: Day, days: number): Day {
  return new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);
}

/** Days from one day to another; below 0 where the other is earlier. */
export function daysBetween(from: Day, to: Day): number {
  return Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / DAY_MS);
}
