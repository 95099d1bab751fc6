import type { Restriction } from '../kit/body';
import type { EffectiveSystem } from '../optics/foldSystem';
import { cropFactor } from '../sensor/cropFactor';
import { freeZoom, zoomSteps, type ZoomStep } from './processedZoom';

/** What one video mode makes of the lens in hand. */
export interface ReadOut {
  id: string;
  name: string;
  framesPerSecond: number[];
  /** Share of the sensor's width that is sampled. */
  widthShare: number;
  /** Crop factor of the sampled strip, same aspect, against 36 × 24 mm. */
  cropFactor: number;
  /** Sampled ÷ recorded columns: up to here zoom invents nothing; below 1 the mode invents pixels without any. */
  freeZoom: number;
  zoomLimit: number;
  steps: ZoomStep[];
  /** Equivalent focal lengths of the lens in this read-out, mm: at both ends, with all the zoom, and with the free part of it. */
  equivalentWideMm: number;
  equivalentTeleMm: number;
  equivalentZoomedMm: number;
  equivalentFreeMm: number;
  restrictions: Restriction[];
}

/** Equivalent range of a lens of given ends in a read-out. */
export function equivalentRange(
  wideMm: number,
  teleMm: number,
  { cropFactor: crop, zoomLimit, freeZoom: free }: Pick<ReadOut, 'cropFactor' | 'zoomLimit' | 'freeZoom'>,
) {
  return {
    equivalentWideMm: wideMm * crop,
    equivalentTeleMm: teleMm * crop,
    equivalentZoomedMm: teleMm * crop * Math.max(1, zoomLimit),
    equivalentFreeMm: teleMm * crop * Math.max(1, Math.min(zoomLimit, free)),
  };
}

/**
 * The video modes of a body with the lens in hand.
 *
 * @source the sampled strip is a crop of the sensor; equivalents at the same aspect; processed zoom is free up to sampled ÷
 * recorded columns
 */
export function readOut(system: EffectiveSystem): ReadOut[] {
  const { sensor } = system.body;
  const factor = system.converterFactor.value;
  return (system.body.videoModes ?? []).map((mode) => {
    const widthShare = mode.sampledColumns / sensor.columns;
    const limits = {
      cropFactor: cropFactor(
        sensor.widthMm * widthShare,
        (sensor.heightMm * mode.sampledRows) / sensor.rows,
        'sameAspect',
      ),
      freeZoom: freeZoom(mode.sampledColumns, mode.recordedColumns),
      zoomLimit: mode.processedZoomLimit ?? 1,
    };
    return {
      id: mode.id,
      name: mode.name,
      framesPerSecond: mode.framesPerSecond,
      widthShare,
      ...limits,
      steps: zoomSteps(mode.sampledColumns, mode.recordedColumns, limits.zoomLimit),
      ...equivalentRange(system.lens.focalWideMm * factor, system.lens.focalTeleMm * factor, limits),
      restrictions: mode.restrictions ?? [],
    };
  });
}
