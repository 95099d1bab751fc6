import { lightAt } from '../../picture/grey';
import { median } from '../smooth';
import { eighthsOf, SECTORS, stacked } from './eighths';
import { radiusAt } from './ellipse';
import { fitLimb, type Law, type LimbFit } from './limbProfile';
import type { SteepLimb } from './steepLimb';

const LAWS: Law[] = ['straight', 'power'];

/** Where the true limb lies beside an ellipse through its steepest places. */
export interface Limb extends LimbFit {
  /** Standard error of the offset by leaving out sectors. */
  error: number;
  /** How far the offset would be another under the other law of darkening, by how well that one fits. */
  byLaw: number;
  /** Offset of each eighth by itself, px; only in phase. */
  own: number[];
}

/**
 * How likely the worse of two fits is beside the better one: samples closer than the blur are not independent.
 *
 * @returns 0 to ½
 */
function shareOfWorse(better: LimbFit, worse: LimbFit, reach: number): number {
  const independent = Math.max(4, (1.8 * reach) / better.sigmaPx);
  const likely = (Math.max(better.misfit, 1e-12) / Math.max(worse.misfit, 1e-12)) ** (independent / 2);
  return likely / (1 + likely);
}

/** The true limb by the profile across it, under the law of darkening that fits better. */
export function limbOf(work: SteepLimb): Limb | null {
  const steepest = median(work.points.filter(({ phi }) => work.believed(phi)).map(({ steepness }) => steepness));
  const inner = Math.max(1e-9, stackedLevel(work));
  // A Gaussian edge of deviation σ falls by height/(σ√2π) at its steepest.
  const guess = Math.max(0.6, Math.min(0.3 * work.ellipse.radius, inner / (steepest * Math.sqrt(2 * Math.PI))));
  const reach = Math.min(0.6 * work.ellipse.radius, Math.max(6 * guess, 8, 0.12 * work.ellipse.radius));
  const eighths = eighthsOf(work, reach);
  const fit = (law: Law, taken: (sector: number) => boolean, begun?: number[]): LimbFit => {
    const { stack, top } = stacked(work, eighths, taken);
    return fitLimb(stack, work.ellipse.radius, law, top, guess, begun);
  };
  const tried = LAWS.map((law) => ({ law, whole: fit(law, () => true) })).filter(({ whole }) =>
    Number.isFinite(whole.offsetPx),
  );
  tried.sort((a, b) => a.whole.misfit - b.whole.misfit);
  const [best, other] = tried;
  if (!best) return null;
  const { whole } = best;
  const share = other ? shareOfWorse(whole, other.whole, reach) : 0;
  const byLaw = other ? other.whole.offsetPx - whole.offsetPx : 0;
  const without = (i: number) => fit(best.law, (sector) => sector !== i, whole.parameters).offsetPx;
  const parts = Array.from({ length: SECTORS }, (_, i) => without(i));
  const mean = parts.reduce((sum, value) => sum + value, 0) / SECTORS;
  const spread = parts.reduce((sum, value) => sum + (value - mean) ** 2, 0);
  const own = work.phase
    ? Array.from({ length: SECTORS }, (_, i) => fit(best.law, (sector) => sector === i, whole.parameters).offsetPx)
    : [];
  return {
    ...whole,
    own,
    offsetPx: whole.offsetPx + share * byLaw,
    byLaw: Math.sqrt(share * (1 - share)) * Math.abs(byLaw),
    error: Math.sqrt(((SECTORS - 1) / SECTORS) * spread),
  };
}

function stackedLevel({ grey, rough, ellipse, believed }: SteepLimb): number {
  const levels: number[] = [];
  for (let k = 0; k < 72; k++) {
    const phi = (2 * Math.PI * k) / 72;
    if (!believed(phi)) continue;
    const r = 0.85 * radiusAt(ellipse, phi);
    const [x, y] = [ellipse.x + r * Math.cos(phi), ellipse.y + r * Math.sin(phi)];
    levels.push(rough.sign * (lightAt(grey, x, y) - rough.background.at(x, y)));
  }
  return median(levels);
}
