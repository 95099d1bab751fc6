import type { SystemInputData } from '@/contract/schemas/systemInput';
import { findStars, type StarsFound, type Trail } from '@/core/measure/stars/findStars';
import { starSeries, type Growth } from '@/core/measure/stars/starSeries';
import type { StarSetup } from '@/core/measure/stars/predictedTrail';
import { fail, ok, type Result } from '@/core/quantity/result';
import type { MeasureOptions } from './options';
import type { PictureFile } from './pictureFile';
import { brief, printed } from './printed';

/** How a picture of stars was taken, as far as the options, the set-up and EXIF say. */
export function starSetupOf(
  { focalMm, declinationDeg, rollDeg }: MeasureOptions,
  pitchUm: number | null,
  exposureS: number | null,
  setup: (SystemInputData & { focalMm?: number }) | null,
  exifFocalMm: number | null,
): StarSetup | undefined {
  const lens = setup?.chain.find((part) => part.kind === 'lens');
  const focal =
    focalMm ?? setup?.focalMm ?? (lens?.kind === 'lens' ? lens.focalWideMm : undefined) ?? exifFocalMm ?? undefined;
  if (pitchUm === null || exposureS === null || focal === undefined || declinationDeg === undefined) return undefined;
  return { pitchUm, focalMm: focal, exposureS, declinationDeg, rollDeg };
}

const trail = ({ lengthPx, plusMinus, directionDeg }: Trail) => ({
  lengthPx: brief(lengthPx),
  plusMinus: brief(plusMinus),
  directionDeg: brief(directionDeg),
});

/** The line of one picture of stars. */
export function starLine(found: StarsFound): object {
  const { centre, corners, worst, stars, fwhmPx, fwhmError, factor, upperLimit } = found;
  return {
    centreTrailPx: printed(centre.lengthPx, 'px', centre.plusMinus),
    directionCentreDeg: printed(centre.directionDeg, '°', directionError(centre)),
    worstTrailPx: printed(worst.lengthPx, 'px', worst.plusMinus),
    fwhmPx: printed(fwhmPx, 'px', fwhmError),
    ...(upperLimit ? { upperLimit } : {}),
    ...(factor ? { measuredOverPredicted: printed(factor.value, '×', factor.plusMinus) } : {}),
    corners: corners.map(trail),
    stars: stars.map((star) => ({
      x: brief(star.x),
      y: brief(star.y),
      lengthPx: brief(star.lengthPx),
      plusMinus: brief(star.plusMinus),
      directionDeg: brief(star.directionDeg),
      upperLimit: star.upperLimit,
    })),
  };
}

/** A direction is as uncertain as the stroke is short. */
const directionError = ({ lengthPx, plusMinus }: Trail): number =>
  Math.min(90, (Math.atan2(plusMinus, Math.max(1e-3, lengthPx)) * 180) / Math.PI + 0.05);

export const measureStars = (picture: PictureFile, setup: StarSetup | undefined): Result<StarsFound> =>
  findStars(picture.grey, { setup });

const growth = ({ lensPx, perSecond }: Growth) => ({
  lensPx: printed(lensPx.value, 'px', lensPx.plusMinus),
  perSecond: printed(perSecond.value, 'px/s', perSecond.plusMinus),
});

/** The last line of a series: length against time. */
export function seriesLine(series: { exposureS: number; found: StarsFound }[]): Result<object> {
  if (series.length < 3)
    return fail('stars.few', 'A series needs at least three pictures with their times.', 'exposure');
  const found = starSeries(series);
  if (!found.ok) return found;
  const { pictures, centre, corner } = found.value;
  return ok({
    pictures: pictures.map((each) => ({
      exposureS: each.exposureS,
      centrePx: brief(each.centrePx),
      centrePlusMinus: brief(each.centreError),
      cornerPx: brief(each.cornerPx),
      cornerPlusMinus: brief(each.cornerError),
    })),
    centre: growth(centre),
    corner: growth(corner),
  });
}
