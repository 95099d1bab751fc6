import { lens50Of } from '../chain/lensSharpness';
import { activeFactors } from './factors';
import type { EffectiveSystem } from './foldSystem';
import { opticsResponse } from './opticsResponse';

/**
 * A system whose lens is set to an f-number, where its sharpness was measured by f-number; the same system where it was not.
 * What the lens alone draws changes, what stands behind or before it does not.
 *
 * @param fNumber as engraved on the lens
 * @source 1/ν² = (t/ν_L)² + the rest, so that 1/ν² changes by t²·(1/ν_L² − 1/ν_L₀²)
 */
export function sharpAt<T extends EffectiveSystem>(system: T, fNumber: number): T {
  const { lens, markedFocalMm, markedFNumber, arrangement, optics } = system;
  if (!lens.sharpness?.length || fNumber === markedFNumber) return system;
  const at = { focalMm: markedFocalMm, fNumber };
  const [before, now] = [lens50Of(lens, { ...at, fNumber: markedFNumber }), lens50Of(lens, at)];
  if (before === now) return system;
  const { state } = optics;
  const change = state.factor ** 2 * (1 / now ** 2 - 1 / before ** 2);
  const lens50LpPerMm = 1 / Math.sqrt(1 / state.lens50LpPerMm ** 2 + change);
  const changed = { ...optics, state: { ...state, lens50LpPerMm } };
  return {
    ...system,
    lens50LpPerMm: opticsResponse(arrangement, changed, lens, activeFactors(arrangement), at),
  };
}

/** Whether nothing but the lens itself draws: no converter behind and no glass in front whose response is counted. */
export const drawsAlone = ({ lens, lens50LpPerMm, markedFocalMm, markedFNumber }: EffectiveSystem): boolean =>
  Math.abs(lens50Of(lens, { focalMm: markedFocalMm, fNumber: markedFNumber }) / lens50LpPerMm.value - 1) < 1e-9;
