import type { BodySpec } from '../kit/body';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import { MID_TONE, midTone } from './signalToNoise';
import { CLASS_BASE_ISO, sensorLight } from './sensorLight';

/**
 * Signal to noise of a mid-tone at which a picture passes, and at which it is excellent.
 *
 * @source ISO 12232, noise-based speed: 10 : 1 is acceptable, 40 : 1 excellent
 */
export const CLEAN = { acceptable: 10, excellent: 40 } as const;

/** ISO looked through. */
const [LEAST_ISO, MOST_ISO] = [6, 1e8];
const HALVINGS = 60;

/** The lowest ISO a body is good for: the lowest it was measured at, else the usual base. */
export const baseIsoOf = ({ light }: BodySpec): number =>
  light?.length ? Math.min(...light.map(({ iso }) => iso)) : CLASS_BASE_ISO;

/** Where signal over noise of one pixel falls through a level; null where even the lowest ISO is noisier. */
function isoAt(body: BodySpec, level: number): number | null {
  const clean = (iso: number) => {
    const { fullWellE, readNoiseE } = sensorLight(body, iso);
    return midTone(fullWellE.value, readNoiseE.value) >= level;
  };
  let [low, high] = [Math.min(LEAST_ISO, baseIsoOf(body)), MOST_ISO];
  if (!clean(low)) return null;
  for (let i = 0; i < HALVINGS; i += 1) {
    const middle = Math.sqrt(low * high);
    if (clean(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** How far the signal over noise of one pixel may be off at an ISO, as a share. */
function shareOff(body: BodySpec, iso: number): number {
  const { fullWellE, readNoiseE } = sensorLight(body, iso);
  const here = midTone(fullWellE.value, readNoiseE.value);
  const ends = ({ value, plusMinus = 0 }: Quantity) => [Math.max(0.1, value - plusMinus), value + plusMinus];
  return Math.max(
    ...ends(fullWellE).flatMap((full) => ends(readNoiseE).map((read) => Math.abs(midTone(full, read) / here - 1))),
  );
}

/**
 * The highest ISO at which a mid-tone is still so clean in a pixel of the output.
 *
 * @param pixelsAlong k, pixels of the picture that make one of the output, along a side
 * @returns null where no ISO is that clean
 * @source SNR(ISO) · k = level, sought by halving; levels of ISO 12232
 */
export function cleanIso(body: BodySpec, pixelsAlong: Quantity, level: number): Quantity | null {
  const perPixel = level / pixelsAlong.value;
  const iso = isoAt(body, perPixel);
  if (iso === null) return null;
  const off = shareOff(body, iso);
  const { fullWellE, readNoiseE } = sensorLight(body, iso);
  const ends = [perPixel * (1 + off), perPixel / (1 + off)].map((each) => isoAt(body, each) ?? 0);
  return computed(
    iso,
    'ISO',
    () => ({
      name: `Highest ISO with ${level} : 1 of signal to noise on the output`,
      formula: 'k · S / √(S + r²) = q, S = 0.18 · FW',
      inputs: [
        input('q', 'signal to noise', given(level, '1', 'Signal to noise of a mid-tone', 'ISO 12232')),
        input('k', 'pixels to one of the output, along a side', pixelsAlong),
        input('FW', 'electrons when full, there', fullWellE),
        input('r', 'noise of reading, there', readNoiseE),
      ],
      source: `the ISO at which a mid-tone, ${MID_TONE * 100} % of full, falls to it, sought by halving; ISO 12232 calls 10 : 1 acceptable and 40 : 1 excellent`,
      neglects: 'Underexposed pictures are noisier; what a noise filter takes away.',
    }),
    Math.max(...ends.map((each) => Math.abs(each - iso))),
  );
}
