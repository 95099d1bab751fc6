import type { Body } from '@/contract/schemas/body';
import type { Optic } from '@/contract/schemas/optic';
import { modesOf } from '@/core/kit/body';
import { formatFigures, formatFixed, formatRatio } from '@/core/quantity/format';
import { showFNumber, showLengthM, shownText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import { CROP_CONVENTIONS, cropFactor } from '@/core/sensor/cropFactor';
import { usedArea } from '@/core/sensor/cropMode';
import { megapixels } from '@/core/sensor/diagonal';
import { pitchUm } from '@/core/sensor/pitch';
import { CONVENTION_NAMES } from '@/core/optics/foldSystem';

/** One line of a comparison: what is compared, and the value of each, a dash where it was not entered. */
export interface ComparedRow {
  name: string;
  values: string[];
  /** Index of the best, where more or less is plainly better. */
  best?: number;
}

const NONE = '–';

/** The single best of some numbers, or nothing when two share it or it is not known for all. */
function bestOf(values: (number | undefined)[], more: boolean): number | undefined {
  if (values.length < 2 || values.some((value) => value === undefined)) return undefined;
  const numbers = values as number[];
  const top = more ? Math.max(...numbers) : Math.min(...numbers);
  return numbers.filter((value) => value === top).length === 1 ? numbers.indexOf(top) : undefined;
}

function row<T>(
  name: string,
  items: T[],
  value: (item: T) => number | undefined,
  text: (value: number) => string,
  better?: 'more' | 'less',
): ComparedRow {
  const values = items.map(value);
  const best = better ? bestOf(values, better === 'more') : undefined;
  return {
    name,
    values: values.map((each) => (each === undefined ? NONE : text(each))),
    ...(best === undefined ? {} : { best }),
  };
}

/** Bodies beside each other: size, pitch, crop factors in four conventions, megapixels in every mode. */
export function bodiesTable(bodies: Body[]): ComparedRow[] {
  const most = Math.max(...bodies.map((body) => body.cropModes.length));
  return [
    {
      name: 'Sensor',
      values: bodies.map(
        ({ sensor }) => `${formatFigures(sensor.widthMm)} × ${formatFigures(sensor.heightMm)}\u202fmm`,
      ),
    },
    {
      name: 'Pixels',
      values: bodies.map(({ sensor }) => `${formatFixed(sensor.columns)} × ${formatFixed(sensor.rows)}`),
    },
    row(
      'Pixel pitch',
      bodies,
      ({ sensor }) => pitchUm(sensor.widthMm, sensor.columns),
      (value) => `${formatFigures(value)}\u202fµm`,
    ),
    ...CROP_CONVENTIONS.map((convention) =>
      row(
        `Crop factor ${CONVENTION_NAMES[convention]}`,
        bodies,
        ({ sensor }) => cropFactor(sensor.widthMm, sensor.heightMm, convention),
        (value) => formatFigures(value, 4),
      ),
    ),
    row(
      'Megapixels, whole sensor',
      bodies,
      ({ sensor }) => megapixels(sensor.columns, sensor.rows),
      (value) => formatFigures(value),
      'more',
    ),
    ...Array.from({ length: most }, (_, i): ComparedRow => ({
      name: most === 1 ? 'Megapixels in its crop mode' : `… in crop mode ${i + 1}`,
      values: bodies.map((body) => {
        const mode = modesOf(body)[i + 1];
        if (!mode) return NONE;
        const used = usedArea(body.sensor, mode);
        return `${formatFigures(megapixels(used.columns, used.rows))} (${mode.name})`;
      }),
    })),
    row(
      'Frames per second',
      bodies,
      (body) => body.framesPerSecond,
      (value) => formatFigures(value),
      'more',
    ),
    row(
      'Autofocus up to',
      bodies,
      (body) => body.slowAutofocusLimitFNumber ?? body.autofocusLimitFNumber,
      showFNumber,
      'more',
    ),
    row(
      'Stabiliser, stops',
      bodies,
      (body) => body.stabiliserStops,
      (value) => formatFigures(value),
      'more',
    ),
    row(
      'Weight',
      bodies,
      (body) => body.weightG,
      (value) => `${formatFixed(value)}\u202fg`,
      'less',
    ),
    row(
      'Price',
      bodies,
      (body) => body.price,
      (value) => formatFixed(value),
      'less',
    ),
  ];
}

const focals = (optic: Optic): { wide: number; tele: number; pupil: number; fNumber: number } | null => {
  switch (optic.kind) {
    case 'lens':
    case 'builtIn':
      return {
        wide: optic.focalWideMm,
        tele: optic.focalTeleMm,
        pupil: optic.focalTeleMm / optic.fNumberTele,
        fNumber: optic.fNumberTele,
      };
    case 'telescope':
      return {
        wide: optic.focalMm,
        tele: optic.focalMm,
        pupil: optic.apertureMm,
        fNumber: optic.focalMm / optic.apertureMm,
      };
    default:
      return null;
  }
};

/** Optics beside each other. */
export function opticsTable(optics: Optic[], units: UnitSystem): ComparedRow[] {
  const lens = <T>(
    optic: Optic,
    read: (each: Extract<Optic, { kind: 'lens' | 'builtIn' }>) => T | undefined,
  ): T | undefined => (optic.kind === 'lens' || optic.kind === 'builtIn' ? read(optic) : undefined);
  return [
    {
      name: 'Focal length',
      values: optics.map((optic) => {
        const each = focals(optic);
        return each
          ? `${formatFigures(each.wide, 4)}${each.tele > each.wide ? `–${formatFigures(each.tele, 4)}` : ''}\u202fmm`
          : NONE;
      }),
    },
    row('Widest f-number, long end', optics, (optic) => focals(optic)?.fNumber, showFNumber, 'less'),
    row(
      'Entrance pupil',
      optics,
      (optic) => focals(optic)?.pupil ?? (optic.kind === 'scope' ? optic.objectiveMm : undefined),
      (value) => `${formatFigures(value)}\u202fmm`,
      'more',
    ),
    row(
      'Light against the first',
      optics,
      (optic) => focals(optic)?.pupil ?? (optic.kind === 'scope' ? optic.objectiveMm : undefined),
      (value) => {
        const first = focals(optics[0]!)?.pupil;
        return first === undefined
          ? NONE
          : `${value >= first ? '+' : '−'}${formatFigures(Math.abs(2 * Math.log2(value / first)), 2)}\u202fstops`;
      },
    ),
    row(
      'Closest focus',
      optics,
      (optic) => ('closestFocusM' in optic ? optic.closestFocusM : undefined),
      (value) => shownText(showLengthM(value, units)),
      'less',
    ),
    row(
      'Largest ratio',
      optics,
      (optic) => lens(optic, (each) => each.closestRatio),
      (value) => formatRatio(value),
      'more',
    ),
    row(
      'Image circle',
      optics,
      (optic) =>
        lens(optic, (each) => each.imageCircleWideMm) ?? (optic.kind === 'telescope' ? optic.imageCircleMm : undefined),
      (value) => `${formatFigures(value)}\u202fmm`,
    ),
    row(
      '50 % frequency',
      optics,
      (optic) => optic.lens50LpPerMm,
      (value) => `${formatFigures(value)}\u202flp/mm`,
      'more',
    ),
    {
      name: 'Autofocus',
      values: optics.map((optic) => ('autofocus' in optic ? (optic.autofocus ? 'yes' : 'no') : 'no')),
    },
    row(
      'Length',
      optics,
      (optic) => (optic.kind === 'lens' ? optic.lengthMm : undefined),
      (value) => `${formatFigures(value)}\u202fmm`,
      'less',
    ),
    row(
      'Weight',
      optics,
      (optic) => optic.weightG,
      (value) => `${formatFixed(value)}\u202fg`,
      'less',
    ),
    row(
      'Price',
      optics,
      (optic) => optic.price,
      (value) => formatFixed(value),
      'less',
    ),
  ];
}
