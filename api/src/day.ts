import * as z from 'zod';

/** A day of the calendar: `2026-11-27`. Checked by hand, as Zod’s own dates bring all its formats to the first screen. */
export const Day = z.string().refine(isDay, 'Give the day as 2026-11-27.');

function isDay(text: string): boolean {
  if (!/^\d{4}-\d\d-\d\d$/.test(text)) return false;
  const day = new Date(`${text}T00:00:00Z`);
  return !Number.isNaN(day.getTime()) && day.toISOString().startsWith(text);
}
