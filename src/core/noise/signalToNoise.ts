import type { BodySpec } from '../kit/body';
import { outputLongSidePx, type OutputSpec } from '../output/needs';
import { viewedPixels } from '../output/viewedPixels';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import type { UsedArea } from '../sensor/cropMode';
import { sensorLight, type SensorLight } from './sensorLight';

/** How a picture is exposed, and what for. */
export interface NoiseInput {
  body: BodySpec;
  used: UsedArea;
  output: OutputSpec;
  iso: number;
  /** Stops over what the meter says at this ISO; below 0 under. */
  overStops?: number | undefined;
}

/** How clean a mid-tone comes out. */
export interface NoiseReading {
  /** Signal over noise of one pixel, and of one pixel of the output. */
  perPixel: Quantity;
  perOutputPixel: Quantity;
  /** Electrons of the mid-tone in a pixel. */
  signalE: Quantity;
  fullWellE: Quantity;
  readNoiseE: Quantity;
  rangeStops: Quantity;
  known: SensorLight['known'];
}

/** A mid-tone's share of what fills the file, exposed as the meter says. */
export const MID_TONE = 0.18;

/** Signal over noise of a mid-tone in one pixel: what light and reading leave. */
export const midTone = (fullWellE: number, readNoiseE: number, overStops = 0): number => {
  const signal = MID_TONE * fullWellE * 2 ** overStops;
  return signal / Math.sqrt(signal + readNoiseE ** 2);
};

/** Pixels of the frame that go into one of the output, along a side. */
export function pixelsPerOutputPixel(used: UsedArea, output: OutputSpec): Quantity {
  const across = Math.max(used.columns, used.rows);
  const shown = outputLongSidePx(output) ?? viewedPixels(output);
  return computed(across / shown, '1', () => ({
    name: 'Pixels to one of the output, along a side',
    formula: 'n / n₂',
    inputs: [
      input('n', 'pixels along the long side', given(across, 'px', 'Pixels along the long side', 'body and mode')),
      input('n₂', 'pixels of the output', given(shown, 'px', `Long side of ${output.name}`, 'the output')),
    ],
    source: 'the whole frame shown on the output',
  }));
}

/**
 * How far a signal over noise may be off. Measured, full well and noise of reading err apart from each other, and add as
 * squares; of a class, both may lie at an end of its span at once.
 */
function errorOf({ fullWellE, readNoiseE, known }: SensorLight, overStops: number): number {
  const here = midTone(fullWellE.value, readNoiseE.value, overStops);
  const ends = ({ value, plusMinus = 0 }: Quantity) => [Math.max(0.1, value - plusMinus), value + plusMinus];
  const off = (full: number, read: number) => Math.abs(midTone(full, read, overStops) - here);
  const [fulls, reads] = [ends(fullWellE), ends(readNoiseE)];
  return known === 'measured'
    ? Math.hypot(
        Math.max(...fulls.map((full) => off(full, readNoiseE.value))),
        Math.max(...reads.map((read) => off(fullWellE.value, read))),
      )
    : Math.max(...fulls.flatMap((full) => reads.map((read) => off(full, read))));
}

/**
 * How clean a mid-tone is with a body at an ISO, in a pixel and in a pixel of the output.
 *
 * @source S = 0.18 · FW · 2^over; S/√(S + r²); in the output × √(pixels of the frame ÷ pixels of the output)
 */
export function signalToNoise({ body, used, output, iso, overStops = 0 }: NoiseInput): NoiseReading {
  const light = sensorLight(body, iso);
  const { fullWellE, readNoiseE, known } = light;
  const signalE = computed(
    MID_TONE * fullWellE.value * 2 ** overStops,
    'e⁻',
    () => ({
      name: 'Electrons of a mid-tone',
      formula: '0.18 · FW · 2^s',
      inputs: [
        input('FW', 'electrons when full', fullWellE),
        input('s', 'over the meter', given(overStops, 'stops', 'Over the meter', 'as set')),
      ],
      source: 'a mid-tone gets 18 % of what fills the file',
    }),
    MID_TONE * (fullWellE.plusMinus ?? 0) * 2 ** overStops,
  );
  const value = midTone(fullWellE.value, readNoiseE.value, overStops);
  const plusMinus = errorOf(light, overStops);
  const perPixel = computed(
    value,
    '1',
    () => ({
      name: 'Signal to noise of a mid-tone, per pixel',
      formula: 'S / √(S + r²)',
      inputs: [input('S', 'electrons of the mid-tone', signalE), input('r', 'noise of reading', readNoiseE)],
      source: 'light comes in single electrons, whose noise is their root; reading adds its own',
      neglects: 'Pixels that differ from each other, heat, and what the camera does to a JPEG.',
    }),
    plusMinus,
  );
  const along = pixelsPerOutputPixel(used, output);
  return {
    known,
    fullWellE,
    readNoiseE,
    signalE,
    perPixel,
    perOutputPixel: computed(
      value * along.value,
      '1',
      () => ({
        name: 'Signal to noise of a mid-tone, per pixel of the output',
        formula: 'SNR · k',
        inputs: [input('SNR', 'per pixel', perPixel), input('k', 'pixels to one of the output, along a side', along)],
        source: 'k² pixels are put together to one, so that the noise falls to a k-th',
        neglects: 'The frame is shown whole. Cropped, fewer pixels go into each of the output.',
      }),
      plusMinus * along.value,
    ),
    rangeStops: computed(
      Math.log2(fullWellE.value / readNoiseE.value),
      'stops',
      () => ({
        name: 'Dynamic range of a pixel',
        formula: 'log₂(FW / r)',
        inputs: [input('FW', 'electrons when full', fullWellE), input('r', 'noise of reading', readNoiseE)],
        source: 'from full down to where the signal is as small as the noise of reading',
      }),
      Math.hypot((fullWellE.plusMinus ?? 0) / fullWellE.value, (readNoiseE.plusMinus ?? 0) / readNoiseE.value) /
        Math.LN2,
    ),
  };
}
