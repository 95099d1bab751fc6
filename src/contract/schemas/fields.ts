/** Building blocks of the schemas: fields with a title a photographer reads and limits that keep absurd values out. */

/** A length of text. */
export const text = (title: string, maxLength = 120) =>
  ({ type: 'string', title, minLength: 1, maxLength, pattern: '\\S' }) as const;

/** A note that may be empty. */
export const note = (title: string, maxLength = 4000) => ({ type: 'string', title, maxLength }) as const;

/** What passes for 0: nothing real is smaller, and dividing by it leaves what numbers can hold. */
export const NEXT_TO_NOTHING = 1e-6;

/** A number above 0 up to `maximum`. */
export const positive = (title: string, maximum: number) =>
  ({ type: 'number', title, exclusiveMinimum: NEXT_TO_NOTHING, maximum }) as const;

/** A number from `minimum` to `maximum`. */
export const between = (title: string, minimum: number, maximum: number) =>
  ({ type: 'number', title, minimum, maximum }) as const;

/** A count from 1 to `maximum`. */
export const count = (title: string, maximum: number) => ({ type: 'integer', title, minimum: 1, maximum }) as const;

/** A row's id: a UUID made by the client. */
export const uuid = (title: string) =>
  ({
    type: 'string',
    title,
    pattern: '^[0-9a-fA-F]{8}-[0-9a-fA-F]{4}-[0-9a-fA-F]{4}-[0-9a-fA-F]{4}-[0-9a-fA-F]{12}$',
  }) as const;

/** A point in time, UTC, as this program writes it; that the day exists is checked beside the schema. */
export const dateTime = (title: string) =>
  ({ type: 'string', title, pattern: '^\\d{4}-\\d{2}-\\d{2}T\\d{2}:\\d{2}:\\d{2}(\\.\\d{1,3})?Z$' }) as const;

/** A short key inside a row, such as a crop mode's. */
export const key = (title: string) => ({ type: 'string', title, pattern: '^[A-Za-z0-9_-]{1,64}$' }) as const;

export const weightG = between('Weight in grams', 0, 100_000);
export const price = between('Price', 0, 10_000_000);
export const mount = text('Mount', 40);
/** Kept for what it was used for, but no longer offered. */
export const retired = { type: 'boolean', title: 'Retired' } as const;
/** Not in the bag yet, but thought of. */
export const wish = { type: 'boolean', title: 'Wished for' } as const;
