import { solvedWithout, type Sums } from './stepSums';
import { scaleOf, type Similarity } from './similarity';

/** Errors of a match, about 95 %. */
export interface MatchErrors {
  scaleError: number;
  turnErrorDeg: number;
  /** The true shift lies within so many px of the one told. */
  shiftError: number;
}

/** Deviations that hold 95 % where the deviation itself comes of so many free values; Student's, by its expansion. */
export const withinOf = (free: number): number => 1.96 + 2.372 / free + 2.82 / free ** 2;

/** The same for the distance in a plane, by Fisher's distribution of two and twice as many free values, along each axis. */
export const radiusOf = (free: number): number => Math.sqrt(2 * free * (0.05 ** (-1 / free) - 1));

/** What reading between the pixels may be off, however little noise there is: as a share, and px. */
const OFF_SHARE = 2e-5;
const OFF_PX = 0.004;

/** Scatter of a match by leaving out one part of the field after the other. */
export function matchErrors(tiles: Sums[], match: Similarity): MatchErrors {
  const filled = tiles.map((tile, k) => ({ tile, k })).filter(({ tile }) => tile.normal[2]![2]! > 0);
  const steps = filled.map(({ k }) => solvedWithout(tiles, k)).filter((each): each is Float64Array => each !== null);
  const spread = (of: (step: Float64Array) => number): number => {
    const values = steps.map(of);
    const mean = values.reduce((a, b) => a + b, 0) / values.length;
    return Math.sqrt(((values.length - 1) / values.length) * values.reduce((a, b) => a + (b - mean) ** 2, 0));
  };
  const free = Math.max(1, steps.length - 1);
  // Parts at the rim tell of scale and turn, those in the middle next to nothing: as if there were a quarter fewer.
  const within = withinOf(Math.max(1, 0.75 * steps.length - 1));
  const scale = scaleOf(match);
  const along = spread(([p, q]) => (match.p * p! + match.q * q!) / scale);
  const turn = spread(([p, q]) => (match.p * q! - match.q * p!) / (scale * scale));
  const apart = Math.hypot(
    spread((step) => step[2]!),
    spread((step) => step[3]!),
  );
  return {
    scaleError: within * along + OFF_SHARE * scale,
    turnErrorDeg: ((within * turn + OFF_SHARE) * 180) / Math.PI,
    shiftError: (radiusOf(free) * apart) / Math.SQRT2 + OFF_PX,
  };
}
