/** One case: how far something went, and whether it came out well. */
export interface Case {
  /** Seconds, ratio, ISO, pixels: above 0. */
  x: number;
  good: boolean;
  /** Cases of one session at one subject share its light, wind and luck: they are not independent. */
  session?: string | undefined;
}

/** How alike cases of one session are, as a share of all that differs between cases (intraclass correlation). */
const ALIKE = 0.5;

/**
 * How much each case counts: those of one session together as many as independent ones would tell as much.
 *
 * @source design effect of a cluster of n: 1 + (n − 1)·ρ
 */
export function weightsOf(cases: readonly { session?: string | undefined }[]): number[] {
  const counts = new Map<string, number>();
  for (const { session } of cases) if (session !== undefined) counts.set(session, (counts.get(session) ?? 0) + 1);
  return cases.map(({ session }) => (session === undefined ? 1 : 1 / (1 + (counts.get(session)! - 1) * ALIKE)));
}

/** How many sessions cases are of; each of no session is one. */
export const sessionsOf = (cases: readonly { session?: string | undefined }[]): number =>
  new Set(cases.map(({ session }, i) => session ?? i)).size;

/** A limit learned from cases, with the range nine of ten such estimates hold the truth in. */
export interface Limit {
  state: 'known' | 'few' | 'allGood' | 'allBad';
  cases: number;
  good: number;
  /** In how many sessions; where that is fewer than the cases, they count for less. */
  sessions: number;
  /** Where four of five come out well. */
  value?: number;
  low?: number;
  high?: number;
  /** How many times the chance falls off: steepness per doubling, as fitted. */
  slope?: number;
}

/** The same limit found another way, with its error: two standard errors. */
export interface Finding {
  value: number;
  plusMinus: number;
}

/** So many of a hundred are to come out well. */
export const WANTED_SHARE = 0.8;
/** Fewer cases than this tell nothing. */
export const LEAST_CASES = 5;
/** How steeply the chance usually falls, in the logarithm of the odds a doubling, and how much that differs. */
const USUAL_SLOPE = 2.5;
const SLOPE_SPREAD = 0.7;
/** The limit is looked for this far beyond the cases, doublings, in steps. */
const BEYOND = 3;
const STEP = 0.04;
const SLOPES = Array.from({ length: 24 }, (_, i) => USUAL_SLOPE * Math.exp(SLOPE_SPREAD * (-2.3 + (4.6 * i) / 23)));
const [LOW_SHARE, HIGH_SHARE] = [0.05, 0.95];
/** The ± of a series by hand is two of its standard errors. */
const DEVIATIONS = 2;
const WANTED_ODDS = Math.log(WANTED_SHARE / (1 - WANTED_SHARE));

/** Logarithm of 1 / (1 + e^−z), without overflow. */
const logLogistic = (z: number): number => (z > 0 ? -Math.log1p(Math.exp(-z)) : z - Math.log1p(Math.exp(z)));

interface Weighted {
  good: boolean;
  weight: number;
}

/** Logarithm of how likely the cases are with a limit and a slope. */
function logLikelihood(
  logs: readonly number[],
  cases: readonly Weighted[],
  sign: 1 | -1,
  limit: number,
  slope: number,
) {
  return cases.reduce((sum, { good, weight }, i) => {
    const odds = WANTED_ODDS + sign * slope * (limit - logs[i]!);
    return sum + weight * logLogistic(good ? odds : -odds);
  }, 0);
}

const logPrior = (slope: number): number => -(((Math.log(slope) - Math.log(USUAL_SLOPE)) / SLOPE_SPREAD) ** 2) / 2;

/** Logarithm of how well a limit agrees with what was found another way, in doublings. */
function logFound(findings: readonly Finding[], limit: number): number {
  return findings.reduce((sum, { value, plusMinus }) => {
    const spread = Math.max(STEP, Math.log2(1 + plusMinus / value) / DEVIATIONS);
    return sum - ((limit - Math.log2(value)) / spread) ** 2 / 2;
  }, 0);
}

/** Where so large a share of the weights lies before. */
function quantile(values: readonly number[], weights: readonly number[], share: number): number {
  const total = weights.reduce((a, b) => a + b, 0);
  let sum = 0;
  for (let i = 0; i < values.length; i += 1) {
    sum += weights[i]!;
    if (sum >= share * total) return values[i]!;
  }
  return values.at(-1)!;
}

/**
 * Learns a limit from cases: the chance of coming out well falls (or rises) with the logarithm of x, as a logistic curve.
 *
 * Limit and steepness are weighed over all values they may have: the limit may lie anywhere up to three doublings beyond the
 * cases, the steepness is about as usual. What is told is the middle of the limits weighed so, and where nine tenths of them lie.
 *
 * @param side whether it comes out well below the limit (a time, an ISO) or above it (pixels)
 * @param findings the same limit as a measurement found it: weighed in, and enough by itself
 * @returns with too few cases, or none on one side, only their number: the limit is then not known
 * @source logistic regression with a weak prior on the slope, integrated on a grid
 */
export function learnLimit(cases: readonly Case[], side: 'below' | 'above', findings: readonly Finding[] = []): Limit {
  const good = cases.filter((each) => each.good).length;
  const counted = { cases: cases.length, good, sessions: sessionsOf(cases) };
  const caseWeights = weightsOf(cases);
  const weighted = cases.map((each, i): Weighted => ({ good: each.good, weight: caseWeights[i]! }));
  if (!findings.length) {
    if (cases.length < LEAST_CASES) return { state: 'few', ...counted };
    if (good === cases.length) return { state: 'allGood', ...counted };
    if (good === 0) return { state: 'allBad', ...counted };
  }
  const logs = cases.map(({ x }) => Math.log2(x));
  const seen = [...logs, ...findings.map(({ value }) => Math.log2(value))];
  const [from, to] = [Math.min(...seen) - BEYOND, Math.max(...seen) + BEYOND];
  const limits = Array.from({ length: Math.ceil((to - from) / STEP) + 1 }, (_, i) => from + i * STEP);
  const sign = side === 'below' ? 1 : -1;
  const logWeights = limits.map((limit) =>
    SLOPES.map(
      (slope) => logLikelihood(logs, weighted, sign, limit, slope) + logPrior(slope) + logFound(findings, limit),
    ),
  );
  const most = Math.max(...logWeights.flat());
  const weights = logWeights.map((row) => row.map((each) => Math.exp(each - most)));
  const ofLimits = weights.map((row) => row.reduce((a, b) => a + b, 0));
  const ofSlopes = SLOPES.map((_, j) => weights.reduce((sum, row) => sum + row[j]!, 0));
  return {
    state: 'known',
    ...counted,
    value: 2 ** quantile(limits, ofLimits, 0.5),
    low: 2 ** quantile(limits, ofLimits, LOW_SHARE),
    high: 2 ** quantile(limits, ofLimits, HIGH_SHARE),
    slope: quantile(SLOPES, ofSlopes, 0.5),
  };
}

/** The chance of coming out well at x, by a limit and its slope: what is drawn as its curve. */
export function chanceAt(x: number, { value, slope }: Limit, side: 'below' | 'above'): number {
  if (value === undefined || slope === undefined) return NaN;
  const sign = side === 'below' ? 1 : -1;
  return Math.exp(logLogistic(WANTED_ODDS + sign * slope * (Math.log2(value) - Math.log2(x))));
}
