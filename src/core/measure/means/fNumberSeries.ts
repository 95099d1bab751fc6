import { DEFAULT_WAVELENGTH_UM, diffractionResponse, pixelResponse } from '../../detail/response';
import { formatFigures } from '../../quantity/format';
import { root } from '../../quantity/root';
import type { Frequency } from '../edge/measureEdge';

/** Sharpness at one f-number. */
export interface FNumberPoint {
  fNumber: number;
  /** Half of the contrast, cycles/px. */
  half: Frequency;
  /** The same as a share of what diffraction and the pixel alone would leave; nothing without a pitch. */
  ofLimit: number | null;
}

export interface FNumberSeries {
  points: FNumberPoint[];
  best: FNumberPoint;
  /** From here on what diffraction leaves is reached to nine tenths: stopping down further only costs. */
  diffractionFrom: number | null;
  sentence: string;
}

/** So near to what diffraction leaves the lens's own faults no longer matter. */
const REACHED = 0.9;

/** Half of the contrast that diffraction and a square pixel leave, cycles/px. */
function limitOf(fNumber: number, pitchUm: number): number {
  const kept = (frequency: number) =>
    diffractionResponse(frequency, fNumber, DEFAULT_WAVELENGTH_UM) * pixelResponse(frequency, pitchUm);
  const top = Math.min(1000 / pitchUm, 1000 / (DEFAULT_WAVELENGTH_UM * fNumber));
  return (root((frequency) => kept(frequency) - 0.5, 0, top) * pitchUm) / 1000;
}

/**
 * One edge at several f-numbers: the sharpest, and from where diffraction rules.
 *
 * @param measured one or more a f-number; the sharpest of each counts, as the others were focused worse
 * @returns nothing for fewer than two f-numbers
 */
export function fNumberSeries(
  measured: readonly { fNumber: number; half: Frequency }[],
  pitchUm: number | null,
): FNumberSeries | null {
  const byFNumber = new Map<number, Frequency>();
  for (const { fNumber, half } of measured)
    if (half.value > (byFNumber.get(fNumber)?.value ?? 0)) byFNumber.set(fNumber, half);
  if (byFNumber.size < 2) return null;
  const points = [...byFNumber]
    .sort(([a], [b]) => a - b)
    .map(([fNumber, half]): FNumberPoint => ({
      fNumber,
      half,
      ofLimit: pitchUm === null ? null : half.value / limitOf(fNumber, pitchUm),
    }));
  const best = points.reduce((most, each) => (each.half.value > most.half.value ? each : most));
  const alike = points.filter(
    ({ half, fNumber }) =>
      fNumber !== best.fNumber && best.half.value - half.value < Math.hypot(half.plusMinus, best.half.plusMinus),
  );
  const from = points.find(({ ofLimit, fNumber }) => ofLimit !== null && ofLimit > REACHED && fNumber >= best.fNumber);
  const named = (each: FNumberPoint) => `f/${formatFigures(each.fNumber, 2)}`;
  const sentence = [
    `Sharpest at ${named(best)}${alike.length ? `; ${alike.map(named).join(', ')} cannot be told from it` : ''}.`,
    from
      ? `From ${named(from)} on it is diffraction that limits.`
      : pitchUm === null
        ? ''
        : 'Diffraction limits at none of these: the lens itself, or the focus, does.',
  ]
    .filter(Boolean)
    .join(' ');
  return { points, best, diffractionFrom: from?.fNumber ?? null, sentence };
}
