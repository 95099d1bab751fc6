import { codesOf } from '@/core/formats/pictures/mosaic';
import { photonTransfer } from '@/core/measure/light/photonTransfer';
import { comparePair } from '@/core/measure/pair/comparePair';
import { handLimit } from '@/core/measure/shake/handLimit';
import { sharpnessOf } from '@/core/measure/shake/sharpness';
import { fail, ok, type Result } from '@/core/quantity/result';
import type { PictureFile } from './pictureFile';
import { brief, place, printed } from './printed';

/** A picture with the name it was asked by. */
export interface NamedPicture extends PictureFile {
  picture: string;
}

/** The line of two pictures of the same thing. */
export function pairLine([a, b]: NamedPicture[]): Result<object> {
  const found = comparePair(a!.grey, b!.grey);
  if (!found.ok) return found;
  const { scale, scaleError, rotationDeg, rotationError, shift, shiftError, aToB, correlation, bands, detail } =
    found.value;
  return ok({
    scale: printed(scale, '×', scaleError),
    rotationDeg: printed(rotationDeg, '°', rotationError),
    shift: place(shift),
    shiftPlusMinus: brief(shiftError),
    aToB: aToB.map((row) => row.map((value) => Number(value.toPrecision(9)))),
    correlation: brief(correlation),
    moreDetail: detail?.more ?? 'equal',
    detailBOverA: detail && printed(detail.ratio, '×', detail.plusMinus),
    frequencies: bands.frequencies.map(brief),
    powerRatioBOverA: bands.powerRatio.map((value) => (value === null ? null : brief(value))),
    powerRatioPlusMinus: bands.powerRatio.map((value, k) => (value === null ? null : brief(value * bands.errors[k]!))),
    coherence: bands.coherence.map(brief),
  });
}

const eightBits = fail(
  'light.bits',
  'Light is measured on raw or 16-bit files: those of 8 bits were made for the eye, and their noise is gone.',
  'picture',
);

/** The line of two even frames and two dark ones. */
export function lightLine(pictures: NamedPicture[]): Result<object> {
  if (pictures.some(({ decoded }) => decoded.bits <= 8)) return eightBits;
  const found = photonTransfer(pictures.map(({ decoded }) => codesOf(decoded)));
  if (!found.ok) return found;
  const { gain, readNoise, fullWell, dynamicRange } = found.value;
  const [{ iso }] = pictures as [NamedPicture];
  return ok({
    pictures: pictures.map(({ picture }) => picture),
    ...(iso === null ? {} : { iso }),
    gain: printed(gain.value, 'e/code', gain.plusMinus),
    readNoise: printed(readNoise.value, 'e', readNoise.plusMinus),
    fullWell: printed(fullWell.value, 'e', fullWell.plusMinus),
    dynamicRange: printed(dynamicRange.value, 'stops', dynamicRange.plusMinus),
  });
}

/** The line of a series taken by hand. */
export function shakeLine(pictures: (NamedPicture & { takenS: number | null })[]): Result<object> {
  const untimed = pictures.find(({ takenS }) => takenS === null);
  if (untimed)
    return fail(
      'shake.time',
      `${untimed.picture} does not say how long it was exposed: give the times with --exposure, one for each picture.`,
      'exposure',
    );
  const found = handLimit(pictures.map(({ grey, takenS }) => ({ exposureS: takenS!, ...sharpnessOf(grey) })));
  if (!found.ok) return found;
  const { frames, times, limitS, beyond } = found.value;
  return ok({
    frames: frames.map(({ exposureS, sharp, share }, k) => ({
      picture: pictures[k]!.picture,
      exposureS,
      sharp,
      sharpness: brief(share),
    })),
    times,
    limitS: limitS && printed(limitS.value, 's', limitS.plusMinus),
    ...(beyond ? { limitIs: beyond } : {}),
  });
}
