import { LuDecomposition, Matrix } from 'ml-matrix';
import { radiusOf, withinOf } from '../within';
import { scaleOf, type Similarity } from './similarity';

/** Errors of a match, about 95 %. */
export interface MatchErrors {
  scaleError: number;
  turnErrorDeg: number;
  /** The true shift lies within so many px of the one told. */
  shiftError: number;
}

/** What reading between the pixels may be off, however little noise there is: as a share, and px. */
const OFF_SHARE = 2e-5;
const OFF_PX = 0.004;

/** What the places of one part of the field ask for, and how that changes with each unknown. */
export interface Pull {
  right: Float64Array;
  /** Of each unknown: by how much less is asked for a unit of it. */
  slopes: readonly Float64Array[];
}

/** How far a part moves the match, with slopes as they are. */
function stepFor(slopes: Matrix, right: Float64Array): Float64Array | null {
  const lu = new LuDecomposition(slopes);
  return lu.isSingular() ? null : Float64Array.from(lu.solve(Matrix.columnVector(right)).to1DArray());
}

/** Slopes of all parts but one, or of all. */
function slopesOf(pulls: readonly Pull[], left?: Pull): Matrix {
  const size = pulls[0]?.right.length ?? 0;
  const slopes = Matrix.zeros(size, size);
  for (const pull of pulls)
    if (pull !== left)
      for (let i = 0; i < size; i++)
        for (let j = 0; j < size; j++) slopes.set(i, j, slopes.get(i, j) + pull.slopes[j]![i]!);
  return slopes;
}

/**
 * Scatter of a match by how far one part of the field after the other moves it. That is told by how what all ask for really
 * changes, not by the normal equations of a step: these take neither what far-off places lose in weight nor the noise in the
 * slopes into account, and make it a quarter too small.
 *
 * @param pulls of the parts that hold anything
 * @source a part's own pull is too small by what the match gave way to it, and one without it too large by as much: their
 * product is right (MacKinnon and White, 1985, the second of their estimates)
 */
export function matchErrors(pulls: readonly Pull[], match: Similarity): MatchErrors {
  const all = slopesOf(pulls);
  const moves = pulls.flatMap((part) => {
    const [own, without] = [stepFor(all, part.right), stepFor(slopesOf(pulls, part), part.right)];
    return own && without ? [{ own, without }] : [];
  });
  const spread = (of: (step: Float64Array) => number): number =>
    Math.sqrt(
      Math.max(
        0,
        moves.reduce((sum, { own, without }) => sum + of(own) * of(without), 0),
      ),
    );
  const free = Math.max(1, moves.length - 1);
  // Parts at the rim tell of scale and turn, those in the middle next to nothing: as if there were a quarter fewer.
  const within = withinOf(Math.max(1, 0.75 * moves.length - 1));
  const scale = scaleOf(match);
  const along = spread(([p, q]) => (match.p * p! + match.q * q!) / scale);
  const turn = spread(([p, q]) => (match.p * q! - match.q * p!) / (scale * scale));
  const apart = Math.hypot(
    spread((step) => step[2]!),
    spread((step) => step[3]!),
  );
  return {
    scaleError: Math.hypot(within * along, OFF_SHARE * scale),
    turnErrorDeg: (Math.hypot(within * turn, OFF_SHARE) * 180) / Math.PI,
    shiftError: Math.hypot((radiusOf(free) * apart) / Math.SQRT2, OFF_PX),
  };
}
