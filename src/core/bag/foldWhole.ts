import { foldSystem, type CropConventionChoice, type EffectiveSystem } from '../optics/foldSystem';
import type { Assembled } from './pieces';

/** A set-up as it is tried: whole sensor, its longest focal length unless one is asked for. */
export function foldWhole(
  { body, chain, measured }: Assembled,
  convention: CropConventionChoice | undefined,
  focalMm?: number,
): EffectiveSystem | null {
  const folded = foldSystem({ body: body.body, modeId: 'whole', chain, focalMm, measured }, convention);
  return folded.ok ? folded.value : null;
}
