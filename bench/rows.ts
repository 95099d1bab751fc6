/** The id of a row by its number. */
export const idOf = (n: number): string => `10000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
