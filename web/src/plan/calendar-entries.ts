import type { PlannedStall } from '@lemniscus/api/plan';
import { dayAfter, minutesOn, type CalendarEntry, type Day, type Hours } from '@lemniscus/core/planning';
import type { Outlook, PlannedOne } from '../data/follows/plan-ahead';
import { hoursWords, readyWords } from './plan-words';

/** Evenings are put into a calendar so far ahead, days. */
const EVENINGS_AHEAD = 60;

/** What is to be made, as others call it: "5 × Harbour puffin for Marlo". */
export function wishWords({ wish, made }: PlannedOne): string {
  return `${wish.copies > 1 ? `${wish.copies} × ` : ''}${made.make.title}${wish.forWhom ? ` for ${wish.forWhom}` : ''}`;
}

/** The plan for a calendar: days things are due and begun by, stalls, and the time there is. */
export function calendarEntries(
  planned: readonly PlannedOne[],
  outlooks: ReadonlyMap<string, Outlook>,
  stalls: readonly PlannedStall[],
  hours: Hours,
  today: Day,
): CalendarEntry[] {
  const wishes = planned.flatMap((one): CalendarEntry[] => {
    const { wish } = one;
    const outlook = outlooks.get(wish.id);
    const note = outlook ? readyWords(outlook) : '';
    const due: CalendarEntry[] = wish.by === null ? [] : [{ id: wish.id, title: `Due: ${wishWords(one)}`, note, day: wish.by }];
    const begin: CalendarEntry[] = outlook?.startBy
      ? [{ id: `${wish.id}-begin`, title: `Begin by: ${wishWords(one)}`, note, day: outlook.startBy }]
      : [];
    return [...due, ...begin];
  });
  const evenings = Array.from({ length: EVENINGS_AHEAD }, (_, i) => dayAfter(today, i)).flatMap((day): CalendarEntry[] => {
    const minutes = minutesOn(hours, day);
    return minutes > 0 ? [{ id: `time-${day}`, title: `Crochet, ${hoursWords(minutes)}`, note: '', day }] : [];
  });
  return [...wishes, ...stalls.map(({ id, name, day }): CalendarEntry => ({ id, title: name, note: '', day })), ...evenings];
}
