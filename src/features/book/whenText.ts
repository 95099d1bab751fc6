const FORMAT = new Intl.DateTimeFormat(undefined, {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  hour: '2-digit',
  minute: '2-digit',
  hourCycle: 'h23',
});

/** A time as a person notes it, in the device's own language and time zone. */
export const whenText = (iso: string): string => FORMAT.format(new Date(iso));
