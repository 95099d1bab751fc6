import { tubesLengthMm } from '../kit/parts';
import type { EffectiveSystem } from '../optics/foldSystem';
import { subjectDistanceM } from '../optics/opticState';
import type { NearState } from './nearState';

/** Free room between the front of the optics and the subject, mm. */
export interface WorkingDistance {
  mm: number;
  plusMinusMm: number;
  /** Entered with the objective, or estimated. */
  entered: boolean;
  how: string;
}

/** Principal planes are not published: an estimate is good to about a tenth of the whole distance, and to 5 mm at best. */
const SHARE_UNSURE = 0.1;
const LEAST_UNSURE_MM = 5;

/**
 * Working distance of a set-up at a ratio.
 *
 * @returns null where the length of the lens or the flange distance of the body is not entered
 * @source sensor to subject − lens length − flange distance − extension; behind a reversed lens its own flange distance + f/m;
 * of a coupled lens its flange distance; entered for objectives
 */
export function workingDistance(system: EffectiveSystem, state: NearState): WorkingDistance | null {
  const { arrangement, body } = system;
  const { main, front, back, reversed } = arrangement;
  const estimate = (mm: number, of: number, how: string): WorkingDistance => ({ mm, plusMinusMm: Math.max(LEAST_UNSURE_MM, SHARE_UNSURE * of), entered: false, how });
  const objective = main.kind === 'objective' ? main : front.find((part) => part.kind === 'objective');
  if (objective) return objective.workingDistanceMm === undefined ? null : { mm: objective.workingDistanceMm, plusMinusMm: 0, entered: true, how: `working distance of ${objective.name}` };
  const coupled = front.find((part) => part.kind === 'coupled');
  if (coupled) {
    const { lens } = coupled;
    return lens.kind === 'lens' && lens.flangeMm !== undefined ? estimate(lens.flangeMm, lens.flangeMm, 'flange distance of the reversed lens') : null;
  }
  if (main.kind !== 'lens') return null;
  const { frontFocalMm, ratio, focalMm } = state.setting;
  if (reversed) return main.flangeMm === undefined ? null : estimate(main.flangeMm + frontFocalMm / ratio, main.flangeMm, 'flange distance of the reversed lens + f/m');
  const distanceM = subjectDistanceM({ ...state.setting, focalMm });
  if (main.lengthMm === undefined || body.flangeMm === undefined || distanceM === undefined || distanceM === Infinity) return null;
  const behind = back.reduce((sum, part) => sum + (part.kind === 'tubes' ? tubesLengthMm(part) : part.kind === 'mountAdapter' ? part.addsMm : 0), 0);
  return estimate(distanceM * 1000 - main.lengthMm - body.flangeMm - behind, distanceM * 1000, 'sensor to subject − lens length − flange distance − extension');
}

/** Nearer than this the front stands in the light and flying insects leave. */
export const SHY_MM = 120;
export const SHADOW_MM = 50;
