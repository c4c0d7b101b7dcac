import ical, { ICalCalendarMethod } from 'ical-generator';

/** Something in a calendar: a whole day, or from one time to another, ms since 1970. */
export type CalendarEntry = {
  readonly id: string;
  readonly title: string;
  readonly note: string;
} & ({ readonly day: string } | { readonly from: number; readonly to: number });

/**
 * Entries as an iCalendar file (RFC 5545). Whole days have no zone; times are in UTC, which every calendar shows by its own
 * clock.
 * @param changedAt when the plan was changed last, ms since 1970: the same plan gives the same file
 */
export function calendarFile(name: string, entries: readonly CalendarEntry[], changedAt: number): string {
  const stamp = new Date(changedAt);
  const calendar = ical({ name, method: ICalCalendarMethod.PUBLISH, prodId: '//Lemniscus//Lemniscus//EN' });
  for (const entry of entries) {
    const common = { id: `${entry.id}@lemniscus`, summary: entry.title, description: entry.note, stamp };
    if ('day' in entry)
      calendar.createEvent({ ...common, allDay: true, start: new Date(`${entry.day}T00:00:00Z`), timezone: 'UTC' });
    else calendar.createEvent({ ...common, start: new Date(entry.from), end: new Date(entry.to) });
  }
  return calendar.toString();
}
