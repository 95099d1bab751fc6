import type { EffectiveSystem } from '../optics/foldSystem';
import { focalAtRatio, gapOf, type LensFocus } from '../chain/lensFocus';
import type { Setting } from '../chain/opticState';
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
 * @source sensor to subject − lens length − flange distance − extension, at its closest, falling with the subject's distance from
 * the lens; behind close-up lenses 1/r = Φ + 1/r₀; behind a reversed lens its own flange distance + f/m;
 * of a coupled lens its flange distance; entered for objectives
 */
export function workingDistance(system: EffectiveSystem, state: NearState): WorkingDistance | null {
  const { arrangement, body } = system;
  const { main, front, back, reversed } = arrangement;
  const estimate = (mm: number, of: number, how: string): WorkingDistance => ({
    mm,
    plusMinusMm: Math.max(LEAST_UNSURE_MM, SHARE_UNSURE * of),
    entered: false,
    how,
  });
  const objective = main.kind === 'objective' ? main : front.find((part) => part.kind === 'objective');
  if (objective)
    return objective.workingDistanceMm === undefined
      ? null
      : {
          mm: objective.workingDistanceMm,
          plusMinusMm: 0,
          entered: true,
          how: `working distance of ${objective.name}`,
        };
  const coupled = front.find((part) => part.kind === 'coupled');
  if (coupled) {
    const { lens } = coupled;
    return lens.kind === 'lens' && lens.flangeMm !== undefined
      ? estimate(lens.flangeMm, lens.flangeMm, 'flange distance of the reversed lens')
      : null;
  }
  if (main.kind !== 'lens') return null;
  const { setting } = state;
  if (reversed)
    return main.flangeMm === undefined
      ? null
      : estimate(
          main.flangeMm + setting.frontFocalMm / setting.ratio,
          main.flangeMm,
          'flange distance of the reversed lens + f/m',
        );
  if (main.lengthMm === undefined || body.flangeMm === undefined) return null;
  const adapters = back.reduce((sum, part) => sum + (part.kind === 'mountAdapter' ? part.addsMm : 0), 0);
  const behindLensMm = main.lengthMm + body.flangeMm + adapters - system.optics.flangeErrorMm;
  const dioptres = front.reduce((sum, part) => sum + (part.kind === 'closeUp' ? part.dioptres : 0), 0);
  const roomMm = roomInFront(setting, frontOffsetMm(system.optics.lensFocus, behindLensMm), dioptres);
  if (roomMm === Infinity) return null;
  return estimate(
    roomMm,
    roomMm + behindLensMm,
    dioptres > 0
      ? 'where the lens alone is focused, drawn nearer by the close-up lenses'
      : 'sensor to subject − lens length − flange distance − extension',
  );
}

/**
 * From the lens's plane forward to the front of its barrel, mm: at its closest focus the distance it states leaves that much.
 *
 * @param behindMm from the front of the barrel to the sensor, without extension
 */
export function frontOffsetMm(lens: LensFocus, behindMm: number): number {
  const imageMm = lens.closest ? focalAtRatio(lens, lens.closest.ratio) * (1 + lens.closest.ratio) : lens.focalMm;
  return behindMm - imageMm - gapOf(lens);
}

/**
 * Free room in front of a lens, mm. Close-up lenses draw the place where the lens alone is focused nearer: behind Φ dioptres
 * the subject is never farther than 1000/Φ, whatever the lens.
 *
 * @param offsetMm from the lens's plane forward to the front
 * @source u − offset; with lenses in front 1/r = Φ + 1/r₀
 * @returns Infinity where it is focused at infinity
 */
export function roomInFront(setting: Setting, offsetMm: number, dioptres: number): number {
  const { ratio, spread, frontFocalMm, lensFocalMm } = setting;
  // What the lens draws by itself, without what is in front of it.
  const alone = ((ratio + spread) * frontFocalMm) / lensFocalMm - spread;
  const bareMm = alone > 1e-9 ? lensFocalMm * (1 + spread / alone) - offsetMm : Infinity;
  if (dioptres === 0 || bareMm <= 0) return bareMm;
  return 1 / (dioptres / 1000 + 1 / bareMm);
}

/** Nearer than this the front stands in the light and flying insects leave. */
export const SHY_MM = 120;
export const SHADOW_MM = 50;
