import { ANTI_ALIAS_PX, CLASS_LENS50_LP_PER_MM, CLASS_UNCERTAINTY } from '../chain/lens50';
import { carriedSum } from '../kit/carried';
import { isFactor, modesOf, type BodySpec, type CropModeSpec, type FactorPart, type Part } from '../chain/parts';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import { fail, ok, type Problem, type Result } from '../quantity/result';
import { CROP_CONVENTIONS, cropFactor, type CropConvention } from '../sensor/cropFactor';
import { usedArea, type UsedArea } from '../sensor/cropMode';
import { pitchUm } from '../sensor/pitch';
import { arrange, type Arrangement } from '../chain/arrangement';
import { autofocusOf, type Autofocus } from './autofocus';
import { converterStops, entrancePupilMm, equivalent } from './equivalence';
import { foldOptics, type FoldedOptics } from '../chain/fold';
import { lens50Of, mainLensOf, type MainLens } from '../chain/mainLens';
import { withMeasured, type MeasuredRatio } from '../chain/measuredRatio';
import { effectiveFNumber, effectiveFocal, focusRange, imageCircle, systemCrop } from './systemQuantities';
import { standsTooNear, systemWarnings } from './systemWarnings';
import { fNumberAt } from '../chain/zoomRange';

export type { AutofocusState } from './autofocus';

/** A set-up to fold: a body in one of its modes with a chain of parts, listed from the subject to the sensor. */
export interface SystemInput {
  body: BodySpec;
  modeId: string;
  chain: Part[];
  /** Focal length the lens is set to, mm as engraved; held to the lens's range. The longest when left out. */
  focalMm?: number | undefined;
  /** Ratios measured with this chain; they replace the estimates. */
  measured?: MeasuredRatio[] | undefined;
  /** Tripod, head and whatever else carries it, g. */
  supportWeightG?: number | undefined;
}

/** How crop factors are reckoned: one convention for all, or the usual one for each kind of mode. */
export type CropConventionChoice = CropConvention | 'usual';

/** One set-up folded into what the desks read. Warnings are doubts; a set-up that cannot work is a problem instead. */
export interface EffectiveSystem {
  body: BodySpec;
  chain: Part[];
  arrangement: Arrangement;
  optics: FoldedOptics;
  /** What forms the picture, read as a lens. */
  lens: MainLens;
  mode: CropModeSpec;
  used: UsedArea;
  /** Focal length as engraved on the lens, and its widest f-number there. */
  markedFocalMm: number;
  markedFNumber: number;
  focalMm: Quantity;
  fNumber: Quantity;
  entrancePupilMm: Quantity;
  converterFactor: Quantity;
  converterStops: number;
  pitchUm: Quantity;
  convention: CropConvention;
  cropFactor: Quantity;
  /** Crop factor times converters and reducers: against the bare lens on the reference format. */
  systemCropFactor: Quantity;
  equivalentFocalMm: Quantity;
  equivalentFNumber: Quantity;
  /** ISO on 36 × 24 mm that shows as much noise as ISO 100 here, at the same view, depth and shutter time. */
  equivalentIso: Quantity;
  imageCircleMm?: Quantity;
  /** Nearest and farthest distance it focuses on, where they are known; no farthest: it reaches infinity. */
  closestFocusM?: Quantity;
  farthestFocusM?: Quantity;
  /** Reproduction ratio at the lens's closest focus and at its infinity setting, where they are known and not 0. */
  ratioAtClosest?: Quantity;
  ratioAtInfinity?: Quantity;
  lens50LpPerMm: Quantity;
  antiAliasPx: number;
  /** Diameter of a central obstruction ÷ diameter of the opening; 0 without one. */
  obstruction: number;
  /** f-number that counts for the light: the free area of the opening, N/√(1 − ε²). */
  lightFNumber: number;
  autofocus: Autofocus;
  framesPerSecond?: number;
  fileSizeMb?: number;
  weightG?: Quantity;
  price?: Quantity;
  warnings: Problem[];
}

export const CONVENTION_NAMES: Record<CropConvention, string> = {
  diagonal: 'by the diagonal',
  width: 'by the width',
  height: 'by the height',
  sameAspect: 'same aspect',
};

const round = (value: number, figures = 3): string => String(Number(value.toPrecision(figures)));

/** Formats of these aspects are compared by their diagonals, as people do; others have none to compare with. */
const STILLS_ASPECTS = [3 / 2, 4 / 3];
const SAME_ASPECT_WITHIN = 0.02;

/**
 * The convention that applies. The usual one is the diagonal for stills formats (3:2 and 4:3); same aspect for others, such as
 * video strips, and for a mode of another aspect than its sensor.
 */
function conventionFor(choice: CropConventionChoice, body: BodySpec, used: UsedArea): CropConvention {
  if (choice !== 'usual') return choice;
  const near = (a: number, b: number, within: number) => Math.abs(a / b - 1) <= within;
  const lying = (width: number, height: number) => Math.max(width, height) / Math.min(width, height);
  const aspect = lying(used.widthMm, used.heightMm);
  const ofSensor = near(aspect, lying(body.sensor.widthMm, body.sensor.heightMm), 0.01);
  return ofSensor && STILLS_ASPECTS.some((each) => near(aspect, each, SAME_ASPECT_WITHIN)) ? 'diagonal' : 'sameAspect';
}

/** Parts in front of the lens that have a response of their own, with it, in the order in which they are folded. */
function frontResponses({ front }: Arrangement): [string, number][] {
  return [...front].reverse().flatMap((part): [string, number][] => {
    if (part.kind === 'coupled') return [[part.lens.name, lens50Of(part.lens)]];
    const own = part.lens50LpPerMm ?? (part.kind === 'scope' ? CLASS_LENS50_LP_PER_MM[part.detailClass] : undefined);
    return own === undefined ? [] : [[part.name, own]];
  });
}

/**
 * Folds body, mode and optics chain into one effective system. Every desk reads this and derives no optics of its own.
 *
 * What chains are understood: `arrange`. How each part acts: `opticState`.
 *
 * @param choice crop-factor convention
 * @returns the system, or the problem that keeps it from working
 */
export function foldSystem(setup: SystemInput, choice: CropConventionChoice = 'usual'): Result<EffectiveSystem> {
  const { body, chain } = setup;
  const arranged = arrange(chain);
  if (!arranged.ok) return arranged;
  const arrangement = arranged.value;
  const lens = mainLensOf(arrangement);
  const mode = modesOf(body).find((each) => each.id === setup.modeId);
  if (!mode) return fail('mode.unknown', `${body.name} has no such mode any more. Choose another one.`, 'modeId');

  const used = usedArea(body.sensor, mode);
  const markedFocalMm = Math.min(lens.focalTeleMm, Math.max(lens.focalWideMm, setup.focalMm ?? lens.focalTeleMm));
  const markedFNumber = fNumberAt(
    markedFocalMm,
    lens.focalWideMm,
    lens.focalTeleMm,
    lens.fNumberWide,
    lens.fNumberTele,
  );
  const estimated = foldOptics(arrangement, lens, body, markedFocalMm, markedFNumber);
  if (estimated.neverFocuses) return fail('focus.flange', standsTooNear(estimated, lens, body), 'chain');
  const measured =
    setup.measured?.filter(
      (each) => each.focalMm === undefined || Math.abs(each.focalMm / markedFocalMm - 1) < 0.005,
    ) ?? [];
  const optics = measured.length ? withMeasured(estimated, measured) : estimated;
  const { state } = optics;
  const converters = arrangement.back.filter((part): part is FactorPart => isFactor(part));
  const { factor } = state;
  const between =
    markedFocalMm > lens.focalWideMm && markedFocalMm < lens.focalTeleMm && lens.fNumberWide !== lens.fNumberTele;

  const factorQ = computed(factor, '×', () => ({
    name: 'Factor of converters and reducers',
    formula: converters.length ? converters.map((_, i) => `t${i + 1}`).join(' · ') : '1',
    inputs: converters.map((converter, i) =>
      input(`t${i + 1}`, converter.name, given(converter.factor, '×', converter.name)),
    ),
    source: converters.length ? 'factors multiply, in whichever order' : 'no converter in the chain',
  }));
  const markedFocal = given(markedFocalMm, 'mm', 'Focal length of the lens', 'the lens as set');
  const focalMm = effectiveFocal(arrangement, optics, markedFocal, factorQ);
  const markedN = between
    ? computed(
        markedFNumber,
        'f/',
        () => ({
          name: 'Widest aperture at this focal length',
          formula: 'between the two ends, even in the logarithm',
          inputs: [
            input('N₁', 'at the wide end', given(lens.fNumberWide, 'f/', 'f-number at the wide end')),
            input('N₂', 'at the long end', given(lens.fNumberTele, 'f/', 'f-number at the long end')),
          ],
          source: 'estimate: only the two ends are known',
        }),
        Math.abs(lens.fNumberTele - lens.fNumberWide) / 4,
      )
    : given(markedFNumber, 'f/', 'Widest aperture of the lens', 'lens data');
  const fNumber = effectiveFNumber(arrangement, optics, markedN, factorQ);
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
    source:
      'the ISO on 36 × 24 mm that goes with the equivalent f-number at the same shutter time; it then shows about as much noise as ISO 100 here',
    neglects: 'Differences between the sensors themselves.',
  }));

  const systemCropFactor = systemCrop(crop, factorQ);

  const knownClass = lens.lens50LpPerMm === undefined;
  const bare50 = lens50Of(lens);
  const lens50 = state.lens50LpPerMm;
  const bare50Q = knownClass
    ? given(
        bare50,
        'lp/mm',
        '50 % frequency of the lens',
        `default of the class “${lens.detailClass}”`,
        bare50 * CLASS_UNCERTAINTY,
      )
    : given(bare50, 'lp/mm', '50 % frequency of the lens', 'lens data');
  const inFront50 = frontResponses(arrangement);
  const lens50LpPerMm = computed(
    lens50,
    'lp/mm',
    () => ({
      name: '50 % frequency of the optics',
      formula: converters.length
        ? '1 / √((t/ν)² + 1/ν₂²), for each converter'
        : inFront50.length
          ? '1 / √(1/ν² + 1/ν₃²)'
          : 'ν',
      inputs: [
        input('ν', 'of the lens', bare50Q),
        ...inFront50.map(([name, own]) => input('ν₃', `of ${name}`, given(own, 'lp/mm', name))),
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

  const { main } = arrangement;
  const obstruction = (main.kind === 'lens' || main.kind === 'telescope' ? main.obstructionShare : undefined) ?? 0;
  const imageCircleMm = imageCircle(optics, factorQ);
  const autofocus = autofocusOf(chain, body, fNumber.value);
  const weightG = carriedSum('Weight to carry', 'g', [
    { name: body.name, value: body.weightG },
    ...chain.map((part) => ({ name: part.name, value: part.weightG })),
    ...(setup.supportWeightG === undefined ? [] : [{ name: 'Support', value: setup.supportWeightG }]),
  ]);
  const price = carriedSum('Price', 'money', [
    { name: body.name, value: body.price },
    ...chain.map((part) => ({ name: part.name, value: part.price })),
  ]);
  const system: EffectiveSystem = {
    body,
    chain,
    arrangement,
    optics,
    lens,
    mode,
    used,
    markedFocalMm,
    markedFNumber,
    focalMm,
    fNumber,
    entrancePupilMm: pupil,
    converterFactor: factorQ,
    converterStops: converterStops(factor),
    pitchUm: pitch,
    convention,
    cropFactor: crop,
    systemCropFactor,
    equivalentFocalMm,
    equivalentFNumber,
    equivalentIso,
    ...(imageCircleMm ? { imageCircleMm } : {}),
    ...focusRange(arrangement, optics, lens),
    lens50LpPerMm,
    antiAliasPx: ANTI_ALIAS_PX[body.antiAliasFilter],
    obstruction,
    lightFNumber: fNumber.value / Math.sqrt(1 - obstruction ** 2),
    autofocus,
    ...(mode.framesPerSecond === undefined ? {} : { framesPerSecond: mode.framesPerSecond }),
    ...(mode.fileSizeMb === undefined ? {} : { fileSizeMb: mode.fileSizeMb }),
    ...(weightG ? { weightG } : {}),
    ...(price ? { price } : {}),
    warnings: [],
  };
  system.warnings = systemWarnings(system);
  return ok(system);
}
