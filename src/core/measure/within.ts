/** Deviations that hold 95 % where the deviation itself comes of so many free values; Student's, by its expansion. */
export const withinOf = (free: number): number => 1.96 + 2.372 / free + 2.82 / free ** 2;

/** The same for the distance in a plane, by Fisher's distribution of two and twice as many free values, along each axis. */
export const radiusOf = (free: number): number => Math.sqrt(2 * free * (0.05 ** (-1 / free) - 1));
