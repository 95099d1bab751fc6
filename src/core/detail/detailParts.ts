import type { EffectiveSystem } from '../optics/foldSystem';
import type { DetailParts } from './response';

/**
 * What limits detail in a system at a working f-number: the one place where a system becomes the parts of a response, so
 * that every page resolves the same.
 */
export function detailPartsOf(
  system: Pick<EffectiveSystem, 'pitchUm' | 'lens50LpPerMm' | 'antiAliasPx' | 'obstruction'>,
  workingFNumber: number,
): DetailParts {
  return {
    pitchUm: system.pitchUm.value,
    workingFNumber,
    lens50LpPerMm: system.lens50LpPerMm.value,
    antiAliasPx: system.antiAliasPx,
    obstruction: system.obstruction,
  };
}
