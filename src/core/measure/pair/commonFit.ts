import { inverseNormal, solveNormal } from '../leastSquares';
import { BANDS, type CommonSpectra } from './commonSpectra';

/** How two pictures keep what they share, and what each adds of its own. */
export interface CommonFit {
  /** ln((kept by the second ÷ kept by the first)²) a (cycle a px of the first)², and its deviation. */
  slope: number;
  slopeError: number;
  /** Power that is in one picture alone, on the grid of the spectra. */
  noiseA: number;
  noiseB: number;
}

/** Bands in which less is shared tell of noise only, which compression leaves less of the finer it is. */
const LEAST_COHERENCE = 0.08;
/** Both pictures are in shares of their light, so that slow structure is the same in both to a few per cent. */
const LEVEL_ERROR = 0.06;
/** Powers of one band are trusted no further than this, whatever their number: windows, edges, light that is not even. */
const LEAST_ERROR = 0.02;
/** Noise is taken to be the same in every band; compression and unfolding make it uneven by about this share. */
const UNEVEN = 0.2;
/** The corner of a picture's spectrum holds noise alone, and compression only takes from it: there is hardly less of it elsewhere. */
const BELOW_CORNER = 0.15;

interface Observed {
  frequency: number;
  /** Power shared, and the logarithms of each one's own over it. */
  shared: number;
  ownA: number;
  ownB: number;
  error: number;
}

function observedIn({ aa, bb, re, im, count }: CommonSpectra): Observed[] {
  return BANDS.flatMap((frequency, k) => {
    const shared = Math.hypot(re[k]!, im[k]!);
    const coherence = Math.min(0.9999, shared ** 2 / Math.max(1e-30, aa[k]! * bb[k]!));
    if (coherence < LEAST_COHERENCE || re[k]! <= 0 || count[k]! < 3) return [];
    // Of a row's power over what it shares with another: √((1 − γ²)/(2γ²·n)) for its logarithm.
    const error = Math.hypot(LEAST_ERROR, Math.sqrt((1 - coherence) / (2 * coherence * count[k]!)));
    return [{ frequency, shared, ownA: Math.log(aa[k]! / shared), ownB: Math.log(bb[k]! / shared), error }];
  });
}

/** Level, slope, and the logarithms of both noises. */
type Parameters = Float64Array;

/** What is left of every observation and of what is known beforehand, in deviations. */
function residualsOf(observed: Observed[], [level, slope, lnA, lnB]: Parameters, corners: [number, number]): number[] {
  const [noiseA, noiseB] = [Math.exp(lnA!), Math.exp(lnB!)];
  const left = [level! / LEVEL_ERROR];
  for (const { frequency, shared, ownA, ownB, error } of observed) {
    const half = Math.exp((level! + slope! * frequency ** 2) / 2);
    for (const [own, kept, noise] of [
      [ownA, 1 / half, noiseA / shared],
      [ownB, half, noiseB / shared],
    ] as const)
      left.push((own - Math.log(kept + noise)) / Math.hypot(error, (UNEVEN * noise) / (kept + noise)));
  }
  // Pulled to the corner's from below; above it only so far that a noise nothing speaks of is not left without a value.
  for (const [ln, corner] of [
    [lnA!, corners[0]],
    [lnB!, corners[1]],
  ] as const)
    left.push(ln < corner ? (ln - corner) / BELOW_CORNER : (ln - corner) / 4);
  return left;
}

const sumOf = (left: number[]): number => left.reduce((sum, each) => sum + each * each, 0);

/** Normal equations at a place, by differences. */
function normalAt(of: (at: Parameters) => number[], at: Parameters): { normal: Float64Array[]; right: Float64Array } {
  const left = of(at);
  const columns = Array.from(at, (value, i) => {
    const step = 1e-4 * Math.max(1, Math.abs(value));
    const moved = at.slice();
    moved[i] = value + step;
    return of(moved).map((each, k) => (each - left[k]!) / step);
  });
  const dot = (a: number[], b: number[]) => a.reduce((sum, each, k) => sum + each * b[k]!, 0);
  return {
    normal: columns.map((a) => Float64Array.from(columns, (b) => dot(a, b))),
    right: Float64Array.from(columns, (a) => -dot(a, left)),
  };
}

const MOST_STEPS = 60;

/** Least squares by damped steps from a beginning. */
function fitted(of: (at: Parameters) => number[], from: Parameters): Parameters {
  let [at, sum, damping] = [from, sumOf(of(from)), 1e-3];
  for (let step = 0; step < MOST_STEPS && damping < 1e8; step++) {
    const { normal, right } = normalAt(of, at);
    normal.forEach((row, i) => (row[i] = row[i]! * (1 + damping) + 1e-12));
    const move = solveNormal(normal, right);
    const next = move && at.map((value, i) => value + move[i]!);
    const nextSum = next ? sumOf(of(next)) : Infinity;
    if (next && nextSum < sum) {
      const gained = sum - nextSum;
      [at, sum, damping] = [next, nextSum, damping / 5];
      if (gained < 1e-9 * (1 + sum)) break;
    } else damping *= 4;
  }
  return at;
}

/**
 * What both pictures share stands in each under its own blur, and each adds noise of its own: own and shared powers of all
 * bands together tell the difference of the blurs and both noises apart, whatever the subject's structure is. The corners of
 * the spectra alone do not: compression leaves nothing there.
 */
export function commonFit(spectra: CommonSpectra): CommonFit | null {
  const observed = observedIn(spectra);
  if (observed.length === 0) return null;
  const least = 1e-6 * Math.min(...observed.map((each) => each.shared));
  const corners: [number, number] = [
    Math.log(Math.max(spectra.noiseA, least)),
    Math.log(Math.max(spectra.noiseB, least)),
  ];
  const of = (at: Parameters) => residualsOf(observed, at, corners);
  const at = fitted(of, Float64Array.from([0, 0, ...corners]));
  const inverse = inverseNormal(normalAt(of, at).normal);
  if (!inverse) return null;
  return {
    slope: at[1]!,
    slopeError: Math.sqrt(inverse[1]![1]!),
    noiseA: Math.exp(at[2]!),
    noiseB: Math.exp(at[3]!),
  };
}
