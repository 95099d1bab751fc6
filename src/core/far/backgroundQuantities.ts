import type { EffectiveSystem } from '../optics/foldSystem';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import { blurDiscMm } from './depth';
import { lensToSensorM } from './depthQuantities';
import { behindSubject } from './eyeLevel';
import type { FarReading } from './readFar';

/** What lies behind the subject: something at a distance (Infinity for the sky), or ground seen from a height. */
export type Background =
  { kind: 'distance'; distanceM: number } | { kind: 'ground'; cameraHeightM: number; subjectHeightM: number };

/** How far the background is, and how blurred; no distance: the sky. */
export interface BackgroundQuantities {
  backgroundM?: Quantity;
  backgroundBlur: Quantity;
}

/** Where the background is, m; Infinity for the sky, or above the horizon. */
function distanceOf(background: Background, reading: FarReading): number {
  return background.kind === 'ground'
    ? behindSubject(background.cameraHeightM, background.subjectHeightM, reading.distanceM.value).backgroundM
    : background.distanceM;
}

function distanceQuantity(metres: number, background: Background, reading: FarReading): Quantity {
  if (background.kind === 'distance') return given(metres, 'm', 'Distance of the background', 'as set');
  const { cameraHeightM, subjectHeightM } = background;
  return computed(metres, 'm', () => ({
    name: 'Ground seen behind the subject',
    formula: 'd · h / (h − s)',
    inputs: [
      input('d', 'distance', reading.distanceM),
      input('h', 'camera height', given(cameraHeightM, 'm', 'Camera height', 'as set')),
      input('s', 'height of the subject', given(subjectHeightM, 'm', 'Height of the subject', 'as set')),
    ],
    source: 'flat ground or water; the line of sight over the subject meets it there',
    neglects: 'Slopes, reeds and waves.',
  }));
}

/** The blur of what lies behind the subject, as a share of the frame's width. */
export function backgroundQuantities(
  { used }: EffectiveSystem,
  reading: FarReading,
  background: Background,
): BackgroundQuantities {
  const { uMm, ratio } = reading.focus;
  const behindLensM = lensToSensorM(reading);
  const metres = distanceOf(background, reading);
  const fromLensMm = metres === Infinity ? Infinity : Math.max(1, (metres - behindLensM) * 1000);
  const blur = blurDiscMm(reading.pupilMm.value, ratio, uMm, fromLensMm);
  const backgroundM = metres === Infinity ? undefined : distanceQuantity(metres, background, reading);
  const backgroundBlur = computed((blur / used.widthMm) * 100, '%', () => ({
    name: 'Blur of the background',
    formula: backgroundM ? '100 · A · m · |u_b − v − u| / (u_b − v) / W' : '100 · A · m / W',
    inputs: [
      input('A', 'entrance pupil', reading.pupilMm),
      input('m', 'reproduction ratio', reading.ratio),
      input('u', 'distance from the lens', reading.subjectM),
      ...(backgroundM
        ? [
            input('u_b', 'distance of the background', backgroundM),
            input('v', 'lens to sensor', given(behindLensM, 'm', 'Lens to sensor', 'the rest of the distance')),
          ]
        : []),
      input('W', 'frame width', given(used.widthMm, 'mm', 'Width of the part used', 'body and mode')),
    ],
    source: backgroundM
      ? 'diameter of the blur disc as a share of the frame’s width'
      : 'the sky: the largest it can be, A · m',
  }));
  return { ...(backgroundM ? { backgroundM } : {}), backgroundBlur };
}
