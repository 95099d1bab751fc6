import { coverage } from '../optics/coverage';
import { foldSystem, type CropConventionChoice, type EffectiveSystem, type SystemInput } from '../optics/foldSystem';

/** The set-up at one focal length of its lens. */
export interface FocalRow {
  markedFocalMm: number;
  system: EffectiveSystem;
  /** Share of the frame's area covered, 0 to 1; absent when the circle is not known. */
  coveredShare?: number;
  cleanCropFactor?: number;
}

/** Focal lengths worth a line: both ends and three between, evenly spread as on a zoom ring; one for a prime. */
export function focalStops(wideMm: number, teleMm: number): number[] {
  if (teleMm <= wideMm) return [wideMm];
  const count = teleMm / wideMm > 1.5 ? 5 : 3;
  return Array.from({ length: count }, (_, i) => {
    const focal = wideMm * (teleMm / wideMm) ** (i / (count - 1));
    return i === 0 ? wideMm : i === count - 1 ? teleMm : Number(focal.toPrecision(2));
  });
}

/** The effective system and its coverage along the zoom range. Focal lengths at which it cannot work are left out. */
export function focalTable(setup: SystemInput, choice: CropConventionChoice): FocalRow[] {
  const now = foldSystem(setup, choice);
  if (!now.ok) return [];
  const { focalWideMm, focalTeleMm } = now.value.lens;
  return focalStops(focalWideMm, focalTeleMm).flatMap((markedFocalMm) => {
    const folded = foldSystem({ ...setup, focalMm: markedFocalMm }, choice);
    if (!folded.ok) return [];
    const system = folded.value;
    const cover =
      system.imageCircleMm && coverage(system.imageCircleMm.value, system.used.widthMm, system.used.heightMm);
    return [
      {
        markedFocalMm,
        system,
        ...(cover ? { coveredShare: cover.areaShare, cleanCropFactor: cover.cleanCropFactor } : {}),
      },
    ];
  });
}
