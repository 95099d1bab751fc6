/** Pictures nobody has seen before; JAUGE_PICTURES=<the number in the title of a test> draws the same ones again. */
export const pictureSeed = (): number => Number(process.env.JAUGE_PICTURES ?? (Date.now() % 1_000_000) * 1000);

/** The value below which a share of some numbers lies. */
export function shareBelow(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? Number.NaN;
}

/** Share of some things of which something is true. */
export const shareOf = <T>(all: readonly T[], is: (each: T) => boolean): number =>
  all.filter(is).length / Math.max(1, all.length);
