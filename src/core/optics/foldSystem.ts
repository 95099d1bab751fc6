import { arrange, type Arrangement } from '../chain/arrangement';
import type { MainLens } from '../chain/asLens';
import { fold, type FoldedOptics } from '../chain/fold';
import { linksOf, partAsUsed, type ChainInput, type Link } from '../chain/link';
import { mainLensOf } from '../chain/mainLens';
import { withMeasured, type MeasuredRatio } from '../chain/measuredRatio';
import type { Part } from '../chain/parts';
import { fNumberAt } from '../chain/zoomRange';
import { modesOf, type BodySpec, type CropModeSpec } from '../kit/body';
import { carriedSum } from '../kit/carried';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import { fail, ok, type Problem, type Result } from '../quantity/result';
import { ANTI_ALIAS_PX } from '../sensor/antiAlias';
import type { CropConvention } from '../sensor/cropFactor';
import { usedArea, type UsedArea } from '../sensor/cropMode';
import { pitchUm } from '../sensor/pitch';
import { autofocusOf, type Autofocus } from './autofocus';
import { conventionFor, cropQuantity, type CropConventionChoice } from './cropQuantity';
import { converterStops, entrancePupilMm } from './equivalence';
import { equivalentQuantities, type Equivalents } from './equivalentQuantities';
import { activeFactors, factorQuantity } from './factors';
import { opticsResponse } from './opticsResponse';
import { effectiveFNumber, effectiveFocal, focusRange, imageCircle, systemCrop } from './systemQuantities';
import { standsTooNear, systemWarnings } from './systemWarnings';

export type { AutofocusState } from './autofocus';
export { CONVENTION_NAMES, type CropConventionChoice } from './cropQuantity';

/** A set-up to fold: a body in one of its modes with a chain of parts, listed from the subject to the sensor. */
export interface SystemInput {
  body: BodySpec;
  modeId: string;
  chain: ChainInput;
  /** Focal length the lens is set to, mm as engraved; held to the lens's range. The longest when left out. */
  focalMm?: number | undefined;
  /** Ratios measured with this chain; they replace the estimates. */
  measured?: MeasuredRatio[] | undefined;
  /** Tripod, head and whatever else carries it, g. */
  supportWeightG?: number | undefined;
}

/** One set-up folded into what the desks read. Warnings are doubts; a set-up that cannot work is a problem instead. */
export interface EffectiveSystem extends Equivalents {
  body: BodySpec;
  /** The chain as it was given, and its parts as they are used in it. */
  links: Link[];
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
  /** f-number that counts for the light: the free area of the opening and what filters let through, N·2^(s/2)/√(1 − ε²). */
  lightFNumber: number;
  autofocus: Autofocus;
  framesPerSecond?: number;
  fileSizeMb?: number;
  weightG?: Quantity;
  price?: Quantity;
  warnings: Problem[];
}

/** A set-up whose chain is understood, at the focal length it is set to. */
interface Prepared {
  links: Link[];
  chain: Part[];
  arrangement: Arrangement;
  lens: MainLens;
  mode: CropModeSpec;
  markedFocalMm: number;
  markedFNumber: number;
}

function prepare({ body, chain: given, modeId, focalMm }: SystemInput): Result<Prepared> {
  const links = linksOf(given);
  const chain = links.map(partAsUsed);
  const arranged = arrange(chain);
  if (!arranged.ok) return arranged;
  const lens = mainLensOf(arranged.value);
  const mode = modesOf(body).find((each) => each.id === modeId);
  if (!mode) return fail('mode.unknown', `${body.name} has no such mode any more. Choose another one.`, 'modeId');
  const { focalWideMm, focalTeleMm, fNumberWide, fNumberTele } = lens;
  const markedFocalMm = Math.min(focalTeleMm, Math.max(focalWideMm, focalMm ?? focalTeleMm));
  const markedFNumber = fNumberAt(markedFocalMm, focalWideMm, focalTeleMm, fNumberWide, fNumberTele);
  return ok({ links, chain, arrangement: arranged.value, lens, mode, markedFocalMm, markedFNumber });
}

/** The chain folded, with what was measured at this focal length in the place of the estimates. */
function foldedOptics(setup: SystemInput, prepared: Prepared): Result<FoldedOptics> {
  const { body, measured = [] } = setup;
  const { arrangement, lens, markedFocalMm, markedFNumber } = prepared;
  const estimated = fold(arrangement, lens, body, markedFocalMm, markedFNumber);
  if (estimated.neverFocuses) return fail('focus.flange', standsTooNear(estimated, lens, body), 'chain');
  const here = measured.filter(
    (each) => each.focalMm === undefined || Math.abs(each.focalMm / markedFocalMm - 1) < 0.005,
  );
  return ok(here.length ? withMeasured(estimated, here) : estimated);
}

/** The widest aperture engraved on the lens, or what lies between the two of a zoom. */
function markedAperture({ lens, markedFocalMm, markedFNumber }: Prepared): Quantity {
  const between =
    markedFocalMm > lens.focalWideMm && markedFocalMm < lens.focalTeleMm && lens.fNumberWide !== lens.fNumberTele;
  if (!between) return given(markedFNumber, 'f/', 'Widest aperture of the lens', 'lens data');
  return computed(
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
  );
}

const pitchOf = ({ sensor }: BodySpec): Quantity =>
  computed(pitchUm(sensor.widthMm, sensor.columns), 'µm', () => ({
    name: 'Pixel pitch',
    formula: '1000 · W / Nx',
    inputs: [
      input('W', 'sensor width', given(sensor.widthMm, 'mm', 'Sensor width', 'body data')),
      input('Nx', 'pixel columns', given(sensor.columns, 'px', 'Pixel columns', 'body data')),
    ],
    source: 'definition; a crop mode does not change it',
  }));

const pupilOf = (focalMm: Quantity, fNumber: Quantity): Quantity =>
  computed(entrancePupilMm(focalMm.value, fNumber.value), 'mm', () => ({
    name: 'Entrance pupil',
    formula: 'f / N',
    inputs: [input('f', 'effective focal length', focalMm), input('N', 'effective f-number', fNumber)],
    source: 'definition of the f-number',
  }));

/** What focal length, f-number and factors come to, each with its reasons. */
function opticsQuantities(prepared: Prepared, optics: FoldedOptics, crop: Quantity) {
  const { arrangement, lens } = prepared;
  const factors = activeFactors(arrangement);
  const converterFactor = factorQuantity(optics.state.factor, factors);
  const marked = given(prepared.markedFocalMm, 'mm', 'Focal length of the lens', 'the lens as set');
  const focalMm = effectiveFocal(arrangement, optics, marked, converterFactor);
  const fNumber = effectiveFNumber(arrangement, optics, markedAperture(prepared), converterFactor);
  const imageCircleMm = imageCircle(optics, converterFactor);
  return {
    focalMm,
    fNumber,
    entrancePupilMm: pupilOf(focalMm, fNumber),
    converterFactor,
    converterStops: converterStops(optics.state.factor),
    cropFactor: crop,
    systemCropFactor: systemCrop(crop, converterFactor),
    ...equivalentQuantities(focalMm, fNumber, crop),
    ...(imageCircleMm ? { imageCircleMm } : {}),
    ...focusRange(arrangement, optics, lens),
    lens50LpPerMm: opticsResponse(arrangement, optics, lens, factors, {
      focalMm: prepared.markedFocalMm,
      fNumber: prepared.markedFNumber,
    }),
  };
}

/** What is carried, and what it cost. */
function carriedOf({ body, supportWeightG }: SystemInput, chain: Part[]): Pick<EffectiveSystem, 'weightG' | 'price'> {
  const parts = [body, ...chain];
  const weightG = carriedSum('Weight to carry', 'g', [
    ...parts.map((part) => ({ name: part.name, value: part.weightG })),
    ...(supportWeightG === undefined ? [] : [{ name: 'Support', value: supportWeightG }]),
  ]);
  const price = carriedSum(
    'Price',
    'money',
    parts.map((part) => ({ name: part.name, value: part.price })),
  );
  return { ...(weightG ? { weightG } : {}), ...(price ? { price } : {}) };
}

/**
 * Folds body, mode and optics chain into one effective system. Every desk reads this and derives no optics of its own.
 *
 * What chains are understood: `arrange`. How each part acts: its kind, and `fold`.
 *
 * @param choice crop-factor convention
 * @returns the system, or the problem that keeps it from working
 */
export function foldSystem(setup: SystemInput, choice: CropConventionChoice = 'usual'): Result<EffectiveSystem> {
  const { body } = setup;
  const prepared = prepare(setup);
  if (!prepared.ok) return prepared;
  const folded = foldedOptics(setup, prepared.value);
  if (!folded.ok) return folded;
  const optics = folded.value;
  const { chain, mode, arrangement } = prepared.value;
  const used = usedArea(body.sensor, mode);
  const convention = conventionFor(choice, body, used);
  const quantities = opticsQuantities(prepared.value, optics, cropQuantity(used, convention));
  const { main } = arrangement;
  const obstruction = (main.kind === 'lens' || main.kind === 'telescope' ? main.obstructionShare : undefined) ?? 0;
  const fNumber = quantities.fNumber.value;
  const system: EffectiveSystem = {
    body,
    ...prepared.value,
    optics,
    used,
    ...quantities,
    pitchUm: pitchOf(body),
    convention,
    antiAliasPx: ANTI_ALIAS_PX[body.antiAliasFilter],
    obstruction,
    lightFNumber: (fNumber * 2 ** (optics.shadeStops / 2)) / Math.sqrt(1 - obstruction ** 2),
    autofocus: autofocusOf(chain, body, fNumber),
    ...(mode.framesPerSecond === undefined ? {} : { framesPerSecond: mode.framesPerSecond }),
    ...(mode.fileSizeMb === undefined ? {} : { fileSizeMb: mode.fileSizeMb }),
    ...carriedOf(setup, chain),
    warnings: [],
  };
  system.warnings = systemWarnings(system);
  return ok(system);
}
