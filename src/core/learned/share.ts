/** A share of cases that came out well, with the range nine of ten such estimates hold the truth in. */
export interface Share {
  cases: number;
  good: number;
  share: number;
  low: number;
  high: number;
}

const STEPS = 2000;
/** What is taken before any case: as much as half a case on each side. */
const PRIOR = 0.5;

/** Weights of every share there may be, after so many cases. */
function weights(good: number, cases: number): number[] {
  const logs = Array.from({ length: STEPS }, (_, i) => {
    const p = (i + 0.5) / STEPS;
    return (good + PRIOR - 1) * Math.log(p) + (cases - good + PRIOR - 1) * Math.log(1 - p);
  });
  const most = Math.max(...logs);
  return logs.map((each) => Math.exp(each - most));
}

function quantile(all: readonly number[], share: number): number {
  const total = all.reduce((a, b) => a + b, 0);
  let sum = 0;
  for (let i = 0; i < all.length; i += 1) {
    sum += all[i]!;
    if (sum >= share * total) return (i + 0.5) / STEPS;
  }
  return 1;
}

/**
 * A share with its range.
 *
 * @source beta distribution with Jeffreys' prior, its middle and its 5 and 95 % points
 */
export function shareOf(good: number, cases: number): Share {
  const all = weights(good, cases);
  return { cases, good, share: quantile(all, 0.5), low: quantile(all, 0.05), high: quantile(all, 0.95) };
}

/** How likely the first share is smaller than the second, from 0 to 1. */
export function chanceSmaller(first: Pick<Share, 'good' | 'cases'>, second: Pick<Share, 'good' | 'cases'>): number {
  const [a, b] = [weights(first.good, first.cases), weights(second.good, second.cases)];
  const [sumA, sumB] = [a, b].map((each) => each.reduce((x, y) => x + y, 0)) as [number, number];
  let [below, chance] = [0, 0];
  for (let i = 0; i < STEPS; i += 1) {
    chance += (b[i]! / sumB) * (below + a[i]! / sumA / 2);
    below += a[i]! / sumA;
  }
  return chance;
}
