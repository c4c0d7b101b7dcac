const MINUTE_MS = 60_000;

/** Where a time lies in the maker's day. */
export interface LocalTime {
  /** `2026-11-27`. */
  readonly day: string;
  /** Minutes since that day began by the clock, 0 to below 1440. */
  readonly minute: number;
}

/** Minutes ahead of UTC at a time, for what was said without its zone. */
export type ZoneAt = (at: number) => number;

/** A time by the clock that was `zone` minutes ahead of UTC. */
export function localTime(at: number, zone: number): LocalTime {
  const local = new Date(at + zone * MINUTE_MS);
  return { day: local.toISOString().slice(0, 10), minute: local.getUTCHours() * 60 + local.getUTCMinutes() };
}
