import type { Problem } from '../quantity/result';
import { REFERENCE_DIAGONAL_MM } from '../sensor/cropFactor';
import type { SensorSpec } from '../sensor/cropMode';
import { diagonal, megapixels } from '../sensor/diagonal';
import { FORMATS, type FormatPreset } from '../sensor/formats';

/** What a picture's EXIF may tell of the camera and lens; all of it may be missing or wrong. */
export interface PhotoTags {
  maker?: string | undefined;
  model?: string | undefined;
  lensModel?: string | undefined;
  /** Lens data: shortest and longest focal length, mm, and the widest f-number at each; what is unknown is left out. */
  lensRange?:
    | {
        focalWideMm?: number | undefined;
        focalTeleMm?: number | undefined;
        fNumberWide?: number | undefined;
        fNumberTele?: number | undefined;
      }
    | undefined;
  /** Pixels as EXIF states them, and as the file really holds them. */
  exifColumns?: number | undefined;
  exifRows?: number | undefined;
  fileColumns?: number | undefined;
  fileRows?: number | undefined;
  focalLengthMm?: number | undefined;
  exposureS?: number | undefined;
  iso?: number | undefined;
  /** When it was taken by the camera's own clock, YYYY-MM-DDTHH:MM:SS. */
  takenAt?: string | undefined;
  /** 35-mm equivalent, whole mm; 0 means unknown. */
  focalLength35Mm?: number | undefined;
  /** Pixels per unit on the focal plane. */
  focalPlaneXResolution?: number | undefined;
  focalPlaneYResolution?: number | undefined;
  /** 1 none, 2 inch, 3 cm, 4 mm, 5 µm. */
  focalPlaneUnit?: number | undefined;
  fNumber?: number | undefined;
  digitalZoomRatio?: number | undefined;
  /** What the lens was focused on, m. */
  subjectDistanceM?: number | undefined;
}

/** One way to the sensor's size. */
export interface SizeWay {
  from: 'focalPlane' | 'equivalent';
  widthMm: number;
  heightMm: number;
  /** Half-width of what the width may be, because of rounding in the tags. */
  plusMinusMm: number;
  words: string;
}

/** A lens as far as the picture tells it. */
export interface LensProposal {
  name: string;
  focalWideMm: number;
  focalTeleMm: number;
  /** Widest f-numbers; null where only the one set is known. */
  fNumberWide: number | null;
  fNumberTele: number | null;
  /** What the picture was taken with. */
  setFocalMm: number;
  setFNumber: number | null;
  /** What it does not tell, in words. */
  missing: string[];
}

/** What is proposed from a picture, with where each value comes from. */
export interface PhotoProposal {
  maker: string;
  model: string;
  columns: number | null;
  rows: number | null;
  megapixels: number | null;
  ways: SizeWay[];
  /** The size proposed, with the way it comes from; a plain format of the same size when there is one. */
  sensor: SensorSpec | null;
  from: SizeWay['from'] | null;
  format: FormatPreset | null;
  /** How far the two ways are apart, %; absent with fewer than two. */
  disagreementPercent?: number;
  lens: LensProposal | null;
  doubts: Problem[];
}

const MM_PER_UNIT: Record<number, number> = { 2: 25.4, 3: 10, 4: 1, 5: 0.001 };
/** Widths outside this are no camera's: the tag speaks of something else. */
const PLAUSIBLE_WIDTH_MM = { least: 2, most: 80 };
const DISAGREE_PERCENT = 6;
const LEAST_FOCAL_MM = 0.1;
const FORMAT_TOLERANCE = 0.035;

const positive = (value: number | undefined): value is number =>
  value !== undefined && Number.isFinite(value) && value > 0;
const figures = (value: number, count = 3): string => String(Number(value.toPrecision(count)));

function pixelsOf(tags: PhotoTags, doubts: Problem[]): { columns: number; rows: number } | null {
  const exif =
    positive(tags.exifColumns) && positive(tags.exifRows) ? { columns: tags.exifColumns, rows: tags.exifRows } : null;
  const file =
    positive(tags.fileColumns) && positive(tags.fileRows) ? { columns: tags.fileColumns, rows: tags.fileRows } : null;
  const chosen = exif ?? file;
  if (!chosen) return null;
  if (exif && file) {
    const long = (each: { columns: number; rows: number }) => Math.max(each.columns, each.rows);
    if (Math.abs(long(exif) / long(file) - 1) > 0.01) {
      doubts.push({
        code: 'photo.resized',
        message: `The picture was made smaller or cut after it was taken: EXIF says ${exif.columns} × ${exif.rows} pixels, the file holds ${file.columns} × ${file.rows}. The numbers of EXIF are used; better take a picture as it left the camera.`,
      });
    }
  }
  // Upright pictures are stored turned by some cameras: the sensor lies.
  return { columns: Math.max(chosen.columns, chosen.rows), rows: Math.min(chosen.columns, chosen.rows) };
}

function focalPlaneWay(tags: PhotoTags, pixels: { columns: number; rows: number }, doubts: Problem[]): SizeWay | null {
  const { focalPlaneXResolution: x, focalPlaneUnit: unit = 2 } = tags;
  if (!positive(x)) return null;
  const perUnit = MM_PER_UNIT[unit];
  const y = positive(tags.focalPlaneYResolution) ? tags.focalPlaneYResolution : x;
  if (perUnit === undefined) {
    doubts.push({
      code: 'photo.noUnit',
      message: 'The picture tells pixels per length on the sensor, but not per which length. That is not used.',
    });
    return null;
  }
  const widthMm = (pixels.columns / x) * perUnit;
  const heightMm = (pixels.rows / y) * perUnit;
  if (
    !(widthMm >= PLAUSIBLE_WIDTH_MM.least && widthMm <= PLAUSIBLE_WIDTH_MM.most) ||
    !(heightMm >= PLAUSIBLE_WIDTH_MM.least / 2 && heightMm <= PLAUSIBLE_WIDTH_MM.most)
  ) {
    doubts.push({
      code: 'photo.implausible',
      message: `By its pixels per length the sensor would be ${figures(widthMm)} mm wide, which no such camera has. That is not used.`,
    });
    return null;
  }
  return {
    from: 'focalPlane',
    widthMm,
    heightMm,
    plusMinusMm: widthMm * 0.005,
    words: `${pixels.columns} pixels ÷ ${figures(x / perUnit, 4)} pixels per mm on the sensor`,
  };
}

function equivalentWay(tags: PhotoTags, pixels: { columns: number; rows: number }, doubts: Problem[]): SizeWay | null {
  const { focalLengthMm: focal, focalLength35Mm: focal35 } = tags;
  // Tags may hold any number; a lens of less than a tenth of a millimetre is none.
  if (!positive(focal) || !positive(focal35) || focal < LEAST_FOCAL_MM || focal35 < LEAST_FOCAL_MM) return null;
  const zoom = positive(tags.digitalZoomRatio) && tags.digitalZoomRatio > 1 ? tags.digitalZoomRatio : 1;
  const crop = focal35 / focal / zoom;
  const share = REFERENCE_DIAGONAL_MM / crop / diagonal(pixels.columns, pixels.rows);
  const widthMm = pixels.columns * share;
  if (!(widthMm >= PLAUSIBLE_WIDTH_MM.least && widthMm <= PLAUSIBLE_WIDTH_MM.most)) {
    doubts.push({
      code: 'photo.implausible',
      message:
        'By its focal length and its 35-mm equivalent the sensor would have a size no such camera has. That is not used.',
    });
    return null;
  }
  // The equivalent is rounded to whole mm, the focal length to a tenth or better.
  const error = Math.hypot(0.5 / focal35, 0.05 / focal);
  return {
    from: 'equivalent',
    widthMm,
    heightMm: pixels.rows * share,
    plusMinusMm: widthMm * error,
    words: `${figures(focal35)} mm equivalent ÷ ${figures(focal, 4)} mm: crop factor ${figures(crop)} by the diagonal${zoom > 1 ? `, digital zoom ×${figures(zoom)} taken out` : ''}`,
  };
}

function formatLike(way: SizeWay): FormatPreset | null {
  const size = diagonal(way.widthMm, way.heightMm);
  const tolerance = Math.max(FORMAT_TOLERANCE, way.plusMinusMm / way.widthMm);
  const near = FORMATS.filter(({ films }) => !films)
    .map((format) => ({
      format,
      off: Math.abs(diagonal(format.widthMm, format.heightMm) / size - 1),
    }))
    .filter(({ off }) => off <= tolerance)
    .sort((a, b) => a.off - b.off);
  return near[0]?.format ?? null;
}

/** "100–400mm f/4.5–5.6" as lens names are written. */
const RANGE_IN_NAME =
  /(\d+(?:\.\d+)?)\s*(?:mm)?\s*[-–]\s*(\d+(?:\.\d+)?)\s*mm(?:.*?[fF]\/?\s*(\d+(?:\.\d+)?)(?:\s*[-–]\s*(\d+(?:\.\d+)?))?)?/;

function rangeInName(name: string | undefined): PhotoTags['lensRange'] {
  const found = name === undefined ? null : RANGE_IN_NAME.exec(name);
  if (!found) return undefined;
  const [wide, tele, fWide, fTele = fWide] = found
    .slice(1)
    .map((each) => (each === undefined ? undefined : Number(each)));
  return { focalWideMm: wide, focalTeleMm: tele, fNumberWide: fWide, fNumberTele: fTele };
}

/** A lens from its data fields, else from the range in its name, else as it was set in this picture, which is said. */
function lensOf(tags: PhotoTags): LensProposal | null {
  const { focalLengthMm: set, lensModel } = tags;
  const told = positive(tags.lensRange?.focalWideMm) ? tags.lensRange : rangeInName(lensModel);
  const wide = positive(told?.focalWideMm) ? told.focalWideMm : undefined;
  if (!positive(set) && wide === undefined) return null;
  const tele =
    wide === undefined ? undefined : positive(told?.focalTeleMm) && told.focalTeleMm >= wide ? told.focalTeleMm : wide;
  const setFocalMm = positive(set) ? set : tele!;
  const [focalWideMm, focalTeleMm] = [wide ?? setFocalMm, tele ?? setFocalMm];
  const fNumberWide = positive(told?.fNumberWide) ? told.fNumberWide : null;
  const fNumberTele = positive(told?.fNumberTele) ? told.fNumberTele : fNumberWide;
  const range =
    focalTeleMm > focalWideMm ? `${figures(focalWideMm, 4)}–${figures(focalTeleMm, 4)}` : figures(focalWideMm, 4);
  return {
    name: lensModel?.trim() || `${range} mm lens`,
    focalWideMm,
    focalTeleMm,
    fNumberWide,
    fNumberTele,
    setFocalMm,
    setFNumber: positive(tags.fNumber) ? tags.fNumber : null,
    missing: [
      ...(wide === undefined
        ? [`its focal range: ${figures(setFocalMm, 4)} mm is what it was set to here, and it may be a zoom`]
        : []),
      ...(fNumberWide === null ? ['its widest f-number: it may open further than in this picture'] : []),
      'how near it focuses, and how large it draws there',
    ],
  };
}

/**
 * Proposes a body, and the lens used, from the EXIF of one picture. Two independent ways lead to the sensor's size:
 * pixels per length on the focal plane, and the 35-mm equivalent. Both are told, with how far they disagree; the first is
 * proposed when both agree or it is alone, the second when they contradict each other, because pictures made smaller by
 * the camera often keep the pixels per length of the full one.
 *
 * @returns null when the tags say nothing about the camera
 */
export function photoProposal(tags: PhotoTags): PhotoProposal | null {
  const doubts: Problem[] = [];
  const pixels = pixelsOf(tags, doubts);
  const model = tags.model?.trim() ?? '';
  const maker = tags.maker?.trim() ?? '';
  if (!model && !maker && !positive(tags.focalLengthMm) && !positive(tags.focalPlaneXResolution)) return null;
  const plane = pixels && focalPlaneWay(tags, pixels, doubts);
  const equivalent = pixels && equivalentWay(tags, pixels, doubts);
  const ways = [plane, equivalent].filter((way): way is SizeWay => way !== null);
  let chosen: SizeWay | null = plane ?? equivalent;
  let disagreementPercent: number | undefined;
  if (plane && equivalent) {
    disagreementPercent = Math.abs(plane.widthMm / equivalent.widthMm - 1) * 100;
    if (disagreementPercent > Math.max(DISAGREE_PERCENT, (100 * 2 * equivalent.plusMinusMm) / equivalent.widthMm)) {
      chosen = equivalent;
      doubts.push({
        code: 'photo.contradiction',
        message: `Two ways to the sensor’s width disagree by ${figures(disagreementPercent, 2)} %: ${figures(plane.widthMm)} mm by its pixels per length, ${figures(equivalent.widthMm)} mm by the 35-mm equivalent. The second is proposed; compare with the data sheet.`,
      });
    }
  }
  if (!pixels)
    doubts.push({ code: 'photo.noPixels', message: 'The picture does not tell its pixels. Enter columns and rows.' });
  else if (!chosen)
    doubts.push({
      code: 'photo.noSize',
      message: 'The picture does not tell the size of the sensor. Choose a format.',
    });
  const format = chosen ? formatLike(chosen) : null;
  const sensor =
    pixels && chosen
      ? {
          widthMm: Number((format && chosen.from === 'equivalent' ? format.widthMm : chosen.widthMm).toFixed(2)),
          heightMm: Number(
            (format && chosen.from === 'equivalent'
              ? format.widthMm * (pixels.rows / pixels.columns)
              : chosen.heightMm
            ).toFixed(2),
          ),
          ...pixels,
        }
      : null;
  return {
    maker,
    model: model || 'Camera of this picture',
    columns: pixels?.columns ?? null,
    rows: pixels?.rows ?? null,
    megapixels: pixels ? megapixels(pixels.columns, pixels.rows) : null,
    ways,
    sensor,
    from: chosen?.from ?? null,
    format,
    ...(disagreementPercent === undefined ? {} : { disagreementPercent }),
    lens: lensOf(tags),
    doubts,
  };
}
