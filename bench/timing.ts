/** Middle and 95th percentile of some times. */
export interface Spread {
  median: number;
  p95: number;
}

export function spreadOf(times: number[]): Spread {
  const sorted = [...times].sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
  return { median: at(0.5), p95: at(0.95) };
}

/** One line of the report: what, how much, the bound, and the ratio to it (below 1 is within). */
export function report(what: string, value: number, unit: string, bound: number, atLeast = false): void {
  const ratio = atLeast ? bound / value : value / bound;
  const digits = value < 10 ? 2 : value < 100 ? 1 : 0;
  console.log(
    `${what.padEnd(58)} ${value.toFixed(digits).padStart(8)} ${unit.padEnd(4)} ${atLeast ? '≥' : '≤'} ${String(bound).padStart(5)}   ratio ${ratio.toFixed(2)}${ratio > 1 ? '   OUTSIDE' : ''}`,
  );
}
