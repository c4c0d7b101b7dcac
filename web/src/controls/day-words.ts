const SHORT = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' });
const LONG = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' });

/** A day of the calendar in words: "Fri 27 Nov". */
export const dayWords = (day: string): string => SHORT.format(new Date(`${day}T00:00:00Z`));

/** The same with its year: "27 November 2026". */
export const longDayWords = (day: string): string => LONG.format(new Date(`${day}T00:00:00Z`));
