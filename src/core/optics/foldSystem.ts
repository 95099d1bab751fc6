import { ANTI_ALIAS_PX, CLASS_LENS50_LP_PER_MM, CLASS_UNCERTAINTY, lens50BehindConverter } from '../detail/lens50';
import { modesOf, type BodySpec, type ConverterSpec, type CropModeSpec, type LensSpec, type Part } from '../kit/parts';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import { fail, ok, type Problem, type Result } from '../quantity/result';
import { CROP_CONVENTIONS, cropFactor, type CropConvention } from '../sensor/cropFactor';
import { usedArea, type UsedArea } from '../sensor/cropMode';
import { diagonal } from '../sensor/diagonal';
import { pitchUm } from '../sensor/pitch';
import { sensorDoubts } from '../sensor/plausibility';
import { coverage } from './coverage';
import { converterStops, entrancePupilMm, equivalent } from './equivalence';
import { fNumberAt, imageCircleBetween } from './zoomRange';

/** A set-up to fold: a body in one of its modes with a chain of parts, listed from the subject to the sensor. */
export interface SystemInput {
  body: BodySpec;
  modeId: string;
  chain: Part[];
  /** Focal length the lens is set to, mm as engraved; held to the lens's range. The longest when left out. */
  focalMm?: number | undefined;
  /** Tripod, head and whatever else carries it, g. */
  supportWeightG?: number | undefined;
}

/** How crop factors are reckoned: one convention for all, or the usual one for each kind of mode. */
export type CropConventionChoice = CropConvention | 'usual';

export type AutofocusState = 'works' | 'slow' | 'off' | 'unknown';

/** One set-up folded into what the desks read. Warnings are doubts; a set-up that cannot work is a problem instead. */
export interface EffectiveSystem {
  body: BodySpec;
  lens: LensSpec;
  converters: ConverterSpec[];
  mode: CropModeSpec;
  used: UsedArea;
  /** Focal length as engraved on the lens. */
  markedFocalMm: number;
  focalMm: Quantity;
  fNumber: Quantity;
  entrancePupilMm: Quantity;
  converterFactor: Quantity;
  converterStops: number;
  pitchUm: Quantity;
  convention: CropConvention;
  cropFactor: Quantity;
  equivalentFocalMm: Quantity;
  equivalentFNumber: Quantity;
  /** ISO on 36 × 24 mm that shows as much noise as ISO 100 here, at the same view, depth and shutter time. */
  equivalentIso: Quantity;
  imageCircleMm?: Quantity;
  closestFocusM?: Quantity;
  lens50LpPerMm: Quantity;
  antiAliasPx: number;
  autofocus: { state: AutofocusState; reason: string };
  framesPerSecond?: number;
  fileSizeMb?: number;
  weightG?: Quantity;
  price?: Quantity;
  warnings: Problem[];
}

const CONVENTION_NAMES: Record<CropConvention, string> = {
  diagonal: 'by the diagonal',
  width: 'by the width',
  height: 'by the height',
  sameAspect: 'same aspect',
};

const round = (value: number, figures = 3): string => String(Number(value.toPrecision(figures)));

/** The convention that applies: the usual one is the diagonal, but same aspect for a mode of another aspect than its sensor. */
function conventionFor(choice: CropConventionChoice, body: BodySpec, used: UsedArea): CropConvention {
  if (choice !== 'usual') return choice;
  const sensorAspect = body.sensor.widthMm / body.sensor.heightMm;
  return Math.abs(used.widthMm / used.heightMm / sensorAspect - 1) > 0.01 ? 'sameAspect' : 'diagonal';
}

function autofocusOf(lens: LensSpec, converters: ConverterSpec[], body: BodySpec, fNumber: number) {
  const manual = [lens, ...converters].find((part) => !part.autofocus);
  if (manual) return { state: 'off' as const, reason: `${manual.name} has no autofocus` };
  const limit = body.autofocusLimitFNumber;
  if (limit === undefined) return { state: 'unknown' as const, reason: `${body.name}: autofocus limit not entered` };
  // Half a per cent: f/8 is engraved, 7.98 or 8.03 is computed.
  if (fNumber <= limit * 1.005) return { state: 'works' as const, reason: `the body focuses up to f/${round(limit)}` };
  const slow = body.slowAutofocusLimitFNumber;
  if (slow !== undefined && fNumber <= slow * 1.005) {
    return { state: 'slow' as const, reason: `slow between f/${round(limit)} and f/${round(slow)}` };
  }
  return { state: 'off' as const, reason: `the body focuses up to f/${round(slow ?? limit)} only` };
}

function sumOf(name: string, unit: 'g' | 'money', parts: { name: string; value: number | undefined }[]): Quantity | undefined {
  const known = parts.filter((part): part is { name: string; value: number } => part.value !== undefined);
  if (known.length === 0) return undefined;
  const missing = parts.filter((part) => part.value === undefined).map((part) => part.name);
  return computed(
    known.reduce((sum, part) => sum + part.value, 0),
    unit,
    () => ({
      name,
      formula: known.map((_, i) => `w${i + 1}`).join(' + '),
      inputs: known.map((part, i) => input(`w${i + 1}`, part.name, given(part.value, unit, part.name))),
      source: 'sum of the parts',
      ...(missing.length ? { neglects: `Not entered, so not counted: ${missing.join(', ')}.` } : {}),
    }),
  );
}

/**
 * Folds body, mode and optics chain into one effective system. Every desk reads this and derives no optics of its own.
 *
 * Supported chain: one lens, with any number of converters and reducers behind it; their factors multiply, so their
 * order does not matter.
 *
 * @param choice crop-factor convention
 * @returns the system, or the problem that keeps it from working
 */
export function foldSystem(setup: SystemInput, choice: CropConventionChoice = 'usual'): Result<EffectiveSystem> {
  const { body, chain } = setup;
  const lenses = chain.filter((part): part is LensSpec => part.kind === 'lens');
  const converters = chain.filter((part): part is ConverterSpec => part.kind === 'converter');
  const lens = lenses[0];
  if (!lens) return fail('chain.noLens', 'This set-up has no lens. Add one to get a picture.', 'chain');
  if (lenses.length > 1) return fail('chain.twoLenses', 'This set-up has two lenses. Keep one of them.', 'chain');
  if (chain[0] !== lens) {
    return fail('chain.order', 'A converter or reducer sits between lens and body. Move it behind the lens.', 'chain');
  }
  const mode = modesOf(body).find((each) => each.id === setup.modeId);
  if (!mode) return fail('mode.unknown', `${body.name} has no such mode any more. Choose another one.`, 'modeId');

  const used = usedArea(body.sensor, mode);
  const markedFocalMm = Math.min(lens.focalTeleMm, Math.max(lens.focalWideMm, setup.focalMm ?? lens.focalTeleMm));
  const markedFNumber = fNumberAt(markedFocalMm, lens.focalWideMm, lens.focalTeleMm, lens.fNumberWide, lens.fNumberTele);
  const factor = converters.reduce((product, converter) => product * converter.factor, 1);
  const between = markedFocalMm > lens.focalWideMm && markedFocalMm < lens.focalTeleMm && lens.fNumberWide !== lens.fNumberTele;

  const factorQ = computed(factor, '×', () => ({
    name: 'Factor of converters and reducers',
    formula: converters.length ? converters.map((_, i) => `t${i + 1}`).join(' · ') : '1',
    inputs: converters.map((converter, i) => input(`t${i + 1}`, converter.name, given(converter.factor, '×', converter.name))),
    source: converters.length ? 'factors multiply, in whichever order' : 'no converter in the chain',
  }));
  const markedFocal = given(markedFocalMm, 'mm', 'Focal length of the lens', 'the lens as set');
  const focalMm = computed(markedFocalMm * factor, 'mm', () => ({
    name: 'Effective focal length',
    formula: 'f · t',
    inputs: [input('f', 'focal length of the lens', markedFocal), input('t', 'converter factor', factorQ)],
    source: 'a converter spreads the picture by its factor',
    neglects: 'The marked focal length is nominal; a real one may differ by up to about 5 %, and most lenses shorten when focused close.',
  }));
  const markedN = between
    ? computed(markedFNumber, 'f/', () => ({
        name: 'Widest aperture at this focal length',
        formula: 'between the two ends, even in the logarithm',
        inputs: [
          input('N₁', 'at the wide end', given(lens.fNumberWide, 'f/', 'f-number at the wide end')),
          input('N₂', 'at the long end', given(lens.fNumberTele, 'f/', 'f-number at the long end')),
        ],
        source: 'estimate: only the two ends are known',
      }), Math.abs(lens.fNumberTele - lens.fNumberWide) / 4)
    : given(markedFNumber, 'f/', 'Widest aperture of the lens', 'lens data');
  const fNumber = computed(
    markedFNumber * factor,
    'f/',
    () => ({
      name: 'Effective f-number',
      formula: 'N · t',
      inputs: [input('N', 'widest aperture of the lens', markedN), input('t', 'converter factor', factorQ)],
      source: 'the opening stays, the focal length grows: a converter multiplies focal length and f-number',
      neglects: 'Glass losses (usually under ⅓ stop).',
    }),
    markedN.plusMinus === undefined ? undefined : markedN.plusMinus * factor,
  );
  const pupil = computed(entrancePupilMm(focalMm.value, fNumber.value), 'mm', () => ({
    name: 'Entrance pupil',
    formula: 'f / N',
    inputs: [input('f', 'effective focal length', focalMm), input('N', 'effective f-number', fNumber)],
    source: 'definition of the f-number',
  }));
  const pitch = computed(pitchUm(body.sensor.widthMm, body.sensor.columns), 'µm', () => ({
    name: 'Pixel pitch',
    formula: '1000 · W / Nx',
    inputs: [
      input('W', 'sensor width', given(body.sensor.widthMm, 'mm', 'Sensor width', 'body data')),
      input('Nx', 'pixel columns', given(body.sensor.columns, 'px', 'Pixel columns', 'body data')),
    ],
    source: 'definition; a crop mode does not change it',
  }));

  const convention = conventionFor(choice, body, used);
  const crop = computed(cropFactor(used.widthMm, used.heightMm, convention), '×', () => ({
    name: `Crop factor (${CONVENTION_NAMES[convention]})`,
    formula: {
      diagonal: '43.27 / √(W² + H²)',
      width: '36 / W',
      height: '24 / H',
      sameAspect: 'width of 36 × 24 cut to the aspect W/H, divided by W',
    }[convention],
    inputs: [
      input('W', 'width used', given(used.widthMm, 'mm', 'Width of the part used', 'body and mode')),
      input('H', 'height used', given(used.heightMm, 'mm', 'Height of the part used', 'body and mode')),
    ],
    source: 'against the reference format of 36 × 24 mm',
    schools: CROP_CONVENTIONS.map((each) => ({
      preference: 'cropConvention',
      choice: each,
      name: CONVENTION_NAMES[each],
      value: cropFactor(used.widthMm, used.heightMm, each),
      chosen: each === convention,
    })),
  }));
  const eq = equivalent(focalMm.value, fNumber.value, crop.value);
  const equivalentFocalMm = computed(eq.focalMm, 'mm', () => ({
    name: 'Equivalent focal length',
    formula: 'f · k',
    inputs: [input('f', 'effective focal length', focalMm), input('k', 'crop factor', crop)],
    source: 'the focal length that gives the same view on 36 × 24 mm',
    neglects: 'It says how tight the view is, not how many pixels the subject gets.',
  }));
  const equivalentFNumber = computed(eq.fNumber, 'f/', () => ({
    name: 'Equivalent f-number',
    formula: 'N · k',
    inputs: [input('N', 'effective f-number', fNumber), input('k', 'crop factor', crop)],
    source: 'same entrance pupil at the same view: same depth, blur and total light on 36 × 24 mm',
    neglects: `For the exposure the f-number stays f/${round(fNumber.value, 2)}.`,
  }));

  const equivalentIso = computed(100 * eq.isoFactor, 'ISO', () => ({
    name: 'ISO parity',
    formula: '100 · k²',
    inputs: [input('k', 'crop factor', crop)],
    source: 'the ISO on 36 × 24 mm that goes with the equivalent f-number at the same shutter time; it then shows about as much noise as ISO 100 here',
    neglects: 'Differences between the sensors themselves.',
  }));

  const knownClass = lens.lens50LpPerMm === undefined;
  const bare50 = lens.lens50LpPerMm ?? CLASS_LENS50_LP_PER_MM[lens.detailClass];
  const lens50 = converters.reduce(
    (frequency, converter) => lens50BehindConverter(frequency, converter.factor, converter.lens50LpPerMm),
    bare50,
  );
  const bare50Q = knownClass
    ? given(bare50, 'lp/mm', '50 % frequency of the lens', `default of the class “${lens.detailClass}”`, bare50 * CLASS_UNCERTAINTY)
    : given(bare50, 'lp/mm', '50 % frequency of the lens', 'lens data');
  const lens50LpPerMm = computed(
    lens50,
    'lp/mm',
    () => ({
      name: '50 % frequency of the optics',
      formula: converters.length ? '1 / √((t/ν)² + 1/ν₂²), for each converter' : 'ν',
      inputs: [
        input('ν', 'of the lens', bare50Q),
        ...converters.flatMap((converter) => [
          input('t', converter.name, given(converter.factor, '×', converter.name)),
          ...(converter.lens50LpPerMm === undefined
            ? []
            : [input('ν₂', `of ${converter.name}`, given(converter.lens50LpPerMm, 'lp/mm', converter.name))]),
        ]),
      ],
      source: 'Gaussian responses multiply; a converter spreads what the lens drew',
      ...(converters.some((converter) => converter.lens50LpPerMm === undefined)
        ? { neglects: 'The converter’s own losses are not known and not counted.' }
        : {}),
    }),
    knownClass ? lens50 * CLASS_UNCERTAINTY : undefined,
  );

  const warnings: Problem[] = sensorDoubts(body.sensor);
  let imageCircleMm: Quantity | undefined;
  if (lens.imageCircleWideMm !== undefined) {
    const bareCircle = imageCircleBetween(
      markedFocalMm,
      lens.focalWideMm,
      lens.focalTeleMm,
      lens.imageCircleWideMm,
      lens.imageCircleTeleMm ?? lens.imageCircleWideMm,
    );
    const circle = computed(bareCircle * factor, 'mm', () => ({
      name: 'Image circle at infinity',
      formula: 'I · t',
      inputs: [
        input('I', 'image circle of the lens', given(bareCircle, 'mm', 'Image circle of the lens', 'lens data')),
        input('t', 'converter factor', factorQ),
      ],
      source: 'a converter spreads the circle, a reducer shrinks it',
      neglects: 'Focusing close widens it; the converter’s own barrel may cut it.',
    }));
    imageCircleMm = circle;
    const cover = coverage(circle.value, used.widthMm, used.heightMm);
    if (!cover.covered) {
      warnings.push({
        code: 'coverage.dark',
        message: `Dark corners: the image circle of ${round(circle.value)} mm covers ${Math.round(cover.areaShare * 100)} % of this mode’s ${round(diagonal(used.widthMm, used.heightMm))} mm frame. A crop of ${round(cover.cleanCropFactor)} or stronger is clean.`,
        field: 'modeId',
      });
    }
  }
  const autofocus = autofocusOf(lens, converters, body, fNumber.value);
  const weightG = sumOf('Weight to carry', 'g', [
    { name: body.name, value: body.weightG },
    ...chain.map((part) => ({ name: part.name, value: part.weightG })),
    ...(setup.supportWeightG === undefined ? [] : [{ name: 'Support', value: setup.supportWeightG }]),
  ]);
  const price = sumOf('Price', 'money', [
    { name: body.name, value: body.price },
    ...chain.map((part) => ({ name: part.name, value: part.price })),
  ]);
  return ok({
    body,
    lens,
    converters,
    mode,
    used,
    markedFocalMm,
    focalMm,
    fNumber,
    entrancePupilMm: pupil,
    converterFactor: factorQ,
    converterStops: converterStops(factor),
    pitchUm: pitch,
    convention,
    cropFactor: crop,
    equivalentFocalMm,
    equivalentFNumber,
    equivalentIso,
    ...(imageCircleMm ? { imageCircleMm } : {}),
    ...(lens.closestFocusM === undefined
      ? {}
      : { closestFocusM: given(lens.closestFocusM, 'm', 'Closest focus of the lens', 'lens data') }),
    lens50LpPerMm,
    antiAliasPx: ANTI_ALIAS_PX[body.antiAliasFilter],
    autofocus,
    ...(mode.framesPerSecond === undefined ? {} : { framesPerSecond: mode.framesPerSecond }),
    ...(mode.fileSizeMb === undefined ? {} : { fileSizeMb: mode.fileSizeMb }),
    ...(weightG ? { weightG } : {}),
    ...(price ? { price } : {}),
    warnings,
  });
}
