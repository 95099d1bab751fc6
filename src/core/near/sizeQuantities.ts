import type { EffectiveSystem } from '../optics/foldSystem';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import { cameraScreenWidthMm, threeSizes } from './sizes';

/** The sizes people mix up, the field, and what a pixel is on the subject. */
export interface SizeQuantities {
  framedMagnification: Quantity;
  screenMagnification: Quantity;
  cameraScreenMagnification?: Quantity;
  fieldWidthMm: Quantity;
  fieldHeightMm: Quantity;
  subjectPixelUm: Quantity;
}

/** What goes with the ratio has its relative error. */
export const withRatioError = (ratio: Quantity) => {
  const share = (ratio.plusMinus ?? 0) / ratio.value;
  return (value: number): number | undefined => (share > 0 ? value * share : undefined);
};

/** The picture as a screen or print shows it. */
function shownAt({ used }: EffectiveSystem, ratio: Quantity, value: number, name: string, screen: Quantity): Quantity {
  const ratioError = (ratio.plusMinus ?? 0) / ratio.value;
  const width = given(used.widthMm, 'mm', 'Width of the part used', 'body and mode');
  return computed(
    value,
    '×',
    () => ({
      name,
      formula: 'm · S / W',
      inputs: [
        input('m', 'reproduction ratio', ratio),
        input('S', 'width it is shown at', screen),
        input('W', 'width of the frame', width),
      ],
      source: 'the screen enlarges the sensor’s picture; a smaller sensor more, which is why it looks bigger there',
      neglects: 'It adds nothing to the pixels on the subject.',
    }),
    ratioError > 0 || screen.plusMinus
      ? value * Math.hypot(ratioError, (screen.plusMinus ?? 0) / screen.value)
      : undefined,
  );
}

/** The same on the camera's own screen, where its size is known. */
function onCamera(system: EffectiveSystem, ratio: Quantity): Pick<SizeQuantities, 'cameraScreenMagnification'> {
  const { used, body } = system;
  const width = cameraScreenWidthMm(body, used.widthMm / used.heightMm);
  if (width === undefined) return {};
  const screen = given(
    width.mm,
    'mm',
    'Width of the picture on the camera’s screen',
    width.plusMinusMm > 0 ? 'its diagonal, taken as 3 : 2; enter width and height to know' : 'body data',
    width.plusMinusMm || undefined,
  );
  const value = (ratio.value * width.mm) / used.widthMm;
  return { cameraScreenMagnification: shownAt(system, ratio, value, 'Size on the camera’s screen', screen) };
}

/** @param screenWidthMm width at which a screen or print shows the whole frame, mm */
export function sizeQuantities(system: EffectiveSystem, ratio: Quantity, screenWidthMm: number): SizeQuantities {
  const { used, pitchUm } = system;
  const m = ratio.value;
  const sizes = threeSizes(m, system.cropFactor.value, used.widthMm, screenWidthMm);
  const relative = withRatioError(ratio);
  const field = (sideMm: number, name: string) =>
    computed(
      sideMm / m,
      'mm',
      () => ({
        name,
        formula: 'side / m',
        inputs: [
          input('side', 'side of the part used', given(sideMm, 'mm', 'Side of the part used', 'body and mode')),
          input('m', 'reproduction ratio', ratio),
        ],
        source: 'what the frame shows where it is sharp',
      }),
      relative(sideMm / m),
    );

  return {
    framedMagnification: computed(
      sizes.framed,
      '×',
      () => ({
        name: 'Framed magnification',
        formula: 'm · k',
        inputs: [input('m', 'reproduction ratio', ratio), input('k', 'crop factor', system.cropFactor)],
        source: 'how tightly it is framed, told as on 36 × 24 mm: a smaller sensor shows a smaller piece',
        neglects: 'The picture on the sensor is not larger, and the subject has no pixel more for it.',
      }),
      relative(sizes.framed),
    ),
    screenMagnification: shownAt(
      system,
      ratio,
      sizes.onScreen,
      'Size on the screen',
      given(screenWidthMm, 'mm', 'Width of the screen or print', 'as set'),
    ),
    ...onCamera(system, ratio),
    fieldWidthMm: field(used.widthMm, 'Width of the field'),
    fieldHeightMm: field(used.heightMm, 'Height of the field'),
    subjectPixelUm: computed(
      pitchUm.value / m,
      'µm',
      () => ({
        name: 'A pixel on the subject',
        formula: 'p / m',
        inputs: [input('p', 'pixel pitch', pitchUm), input('m', 'reproduction ratio', ratio)],
        source: 'the sampling of the subject',
      }),
      relative(pitchUm.value / m),
    ),
  };
}
