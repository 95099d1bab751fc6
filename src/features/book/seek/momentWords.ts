const MONTH = new Intl.DateTimeFormat(undefined, { month: 'long', year: 'numeric', timeZone: 'UTC' });
const DAY = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' });

/** A month as it is read: 2026-11 is November 2026. What is no month stays as it is. */
export const monthWords = (month: string): string =>
  /^\d{4}-\d{2}$/.test(month) ? MONTH.format(new Date(`${month}-01T00:00Z`)) : month;

/** The day of a moment told by a clock of its own; nothing where the clock was never set. */
export const dayWords = (at: string): string =>
  at.startsWith('1970') ? '' : DAY.format(new Date(`${at.slice(0, 10)}T00:00Z`));
