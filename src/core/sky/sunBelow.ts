import { root } from '../quantity/root';

/** A stretch of a night during which the Sun stays below an altitude. */
export interface SunBelow {
  fromMs: number;
  toMs: number;
  /** It lasts from noon to noon: there is no time at which it begins or ends. */
  throughout: boolean;
}

/** Crossings are found to this many ms. */
const WITHIN = 1e-13;

/** Where a smooth function has its least value between two times, by halving the interval's golden sections. */
function leastAt(f: (ms: number) => number, from: number, to: number): number {
  const golden = (Math.sqrt(5) - 1) / 2;
  let [a, b] = [from, to];
  for (let i = 0; i < 40; i += 1) {
    const [c, d] = [b - golden * (b - a), a + golden * (b - a)];
    if (f(c) < f(d)) b = d;
    else a = c;
  }
  return (a + b) / 2;
}

/** Samples with the true highest and lowest points among them, so that no stretch between two samples is missed. */
function withTurningPoints(altitudeAt: (ms: number) => number, times: readonly number[]): number[] {
  const altitudes = times.map(altitudeAt);
  const nodes = [...times];
  for (let i = 1; i < times.length - 1; i += 1) {
    const [before, here, after] = [altitudes[i - 1]!, altitudes[i]!, altitudes[i + 1]!];
    if (here <= before && here <= after) nodes.push(leastAt(altitudeAt, times[i - 1]!, times[i + 1]!));
    else if (here >= before && here >= after)
      nodes.push(leastAt((ms) => -altitudeAt(ms), times[i - 1]!, times[i + 1]!));
  }
  return nodes.sort((a, b) => a - b);
}

/**
 * The longest stretch of a night during which the Sun stands below an altitude. None may mean that it never gets that low;
 * `throughout` that it never gets higher.
 *
 * @param altitudeAt altitude of the Sun, degrees, smooth in time
 * @param times samples from noon to noon, ms, closer together than the Sun takes to turn round
 * @param limitDeg 0 for the geometric horizon, −6, −12, −18 for the twilights
 */
export function sunBelow(
  altitudeAt: (ms: number) => number,
  times: readonly number[],
  limitDeg: number,
): SunBelow | null {
  const nodes = withTurningPoints(altitudeAt, times);
  const excess = (ms: number) => altitudeAt(ms) - limitDeg;
  const [first, last] = [nodes[0]!, nodes.at(-1)!];
  let best: SunBelow | null = null;
  let start: number | null = excess(first) < 0 ? first : null;
  const end = (at: number) => {
    if (start !== null && (!best || at - start > best.toMs - best.fromMs))
      best = { fromMs: start, toMs: at, throughout: start === first && at === last };
    start = null;
  };
  for (let i = 1; i < nodes.length; i += 1) {
    const [from, to] = [nodes[i - 1]!, nodes[i]!];
    const below = excess(to) < 0;
    if (below === (start !== null)) continue;
    const crossing = root(excess, from, to, WITHIN);
    if (below) start = crossing;
    else end(crossing);
  }
  if (start !== null) end(last);
  return best;
}
