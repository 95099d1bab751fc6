import { assumed, computed, given, input, measured, type Quantity } from '../quantity/quantity';
import type { Arrangement } from '../chain/arrangement';
import type { FoldedOptics } from '../chain/fold';
import type { EffectiveSystem } from './foldSystem';
import type { MainLens } from '../chain/asLens';
import type { ObjectiveSpec, ScopeSpec } from '../chain/parts';
import type { Setting } from '../chain/opticState';
import { focusSpan } from '../chain/chainFocus';

/** Focal length of the whole at the lens's infinity setting. */
export function effectiveFocal(
  arrangement: Arrangement,
  optics: FoldedOptics,
  marked: Quantity,
  factor: Quantity,
): Quantity {
  const { scope, front } = arrangement;
  const magnification = scope ? (scope.magnificationSet ?? scope.magnificationLow) : 1;
  const power = front.some((part) => part.kind !== 'scope' && part.kind !== 'filter');
  return computed(optics.state.far.focalMm, 'mm', () => ({
    name: 'Effective focal length',
    formula: scope ? 'M · f · t' : power ? 't / (1/f + Φ/1000)' : 'f · t',
    inputs: [
      ...(scope ? [input('M', `magnification of ${scope.name}`, given(magnification, '×', scope.name))] : []),
      input('f', 'focal length of the lens', marked),
      ...(power
        ? [
            input(
              'Φ',
              'power in front',
              given(
                1000 / optics.state.far.frontFocalMm - 1000 / marked.value,
                'dpt',
                'Power of what stands in front',
                'close-up lenses, coupled lens or objective',
              ),
            ),
          ]
        : []),
      input('t', 'converter factor', factor),
    ],
    source: scope
      ? 'a scope works as a tele attachment: the camera’s focal length times the magnification'
      : power
        ? 'thin lenses in contact add their powers; a converter spreads the picture by its factor'
        : 'a converter spreads the picture by its factor',
    neglects:
      'The marked focal length is nominal; a real one may differ by up to about 5 %, and most lenses shorten when focused close.',
  }));
}

/** Through an eyepiece: the smaller of the two pupils stops the light. */
function fNumberThroughScope(
  scope: ScopeSpec,
  { state, lensFocus }: FoldedOptics,
  marked: Quantity,
  factor: Quantity,
  error: number | undefined,
): Quantity {
  const { fNumber } = state;
  const magnification = scope.magnificationSet ?? scope.magnificationLow;
  const exitPupil = computed(scope.objectiveMm / magnification, 'mm', () => ({
    name: 'Exit pupil of the scope',
    formula: 'D / M',
    inputs: [
      input('D', 'objective', given(scope.objectiveMm, 'mm', scope.name)),
      input('M', 'magnification', given(magnification, '×', scope.name)),
    ],
    source: 'definition',
  }));
  return computed(
    fNumber,
    'f/',
    () => ({
      name: 'Effective f-number',
      formula: 'M · f · t / (M · min(pupil of the scope, pupil of the camera))',
      inputs: [
        input('M', 'magnification', given(magnification, '×', scope.name)),
        input(
          'f',
          'focal length of the camera’s lens',
          given(lensFocus.focalMm, 'mm', 'Focal length of the camera’s lens'),
        ),
        input('E', 'exit pupil of the scope', exitPupil),
        input('N', 'f-number of the camera’s lens', marked),
        input('t', 'converter factor', factor),
      ],
      source: 'the smaller of the two pupils behind the eyepiece stops the light',
      neglects: 'Glass losses in the scope (often ⅓ to ⅔ stop).',
    }),
    error,
  );
}

/** Behind a numerical aperture: it stops the light on the subject's side. */
function fNumberOfObjective(objective: ObjectiveSpec, { state }: FoldedOptics): Quantity {
  const { fNumber } = state;
  return computed(fNumber, 'f/', () => ({
    name: 'Effective f-number',
    formula: 'm / (2 · NA · (1 + m))',
    inputs: [
      input('m', 'reproduction ratio', given(state.far.ratio, ':1', 'Reproduction ratio')),
      input('NA', 'numerical aperture', given(objective.numericalAperture, '1', objective.name)),
    ],
    source: 'the objective’s numerical aperture stops the light; working f-number m/(2·NA)',
  }));
}

/** Of a lens: its opening stays, whatever stands in front or behind. */
function fNumberOfLens(
  { front }: Arrangement,
  { state }: FoldedOptics,
  marked: Quantity,
  factor: Quantity,
  error: number | undefined,
): Quantity {
  const { fNumber } = state;
  const inFront = front.some((part) => part.kind !== 'filter');
  return computed(
    fNumber,
    'f/',
    () => ({
      name: 'Effective f-number',
      formula: inFront ? 'N · F / f · t' : 'N · t',
      inputs: [
        input('N', 'widest aperture of the lens', marked),
        ...(inFront
          ? [
              input(
                'F',
                'focal length with what is in front',
                given(state.far.frontFocalMm, 'mm', 'Focal length with what is in front'),
              ),
              input('f', 'focal length of the lens', given(state.far.lensFocalMm, 'mm', 'Focal length of the lens')),
            ]
          : []),
        input('t', 'converter factor', factor),
      ],
      source: inFront
        ? 'the opening stays; what stands in front shortens the focal length'
        : 'the opening stays, the focal length grows: a converter multiplies focal length and f-number',
      neglects: 'Glass losses (usually under ⅓ stop).',
    }),
    error,
  );
}

/** f-number of the whole, focused at infinity: what the exposure goes by. */
export function effectiveFNumber(
  arrangement: Arrangement,
  optics: FoldedOptics,
  marked: Quantity,
  factor: Quantity,
): Quantity {
  const { scope, front, main } = arrangement;
  const error = marked.plusMinus === undefined ? undefined : (marked.plusMinus * optics.state.fNumber) / marked.value;
  if (scope) return fNumberThroughScope(scope, optics, marked, factor, error);
  const objective = main.kind === 'objective' ? main : front.find((part) => part.kind === 'objective');
  return objective ? fNumberOfObjective(objective, optics) : fNumberOfLens(arrangement, optics, marked, factor, error);
}

/** Crop factor and converters in one number; the order makes no difference, and Why shows both. */
export function systemCrop(crop: Quantity, factor: Quantity): Quantity {
  const both = (name: string, formula: string) =>
    computed(crop.value * factor.value, '×', () => ({
      name,
      formula,
      inputs: [input('k', 'crop factor', crop), input('t', 'converter or reducer', factor)],
      source: 'factors multiply',
    }));
  return computed(crop.value * factor.value, '×', () => ({
    name: 'Crop factor times converters',
    formula: 'k · t = t · k',
    inputs: [
      input('k', 'crop factor', crop),
      input('t', 'converters and reducers', factor),
      input('k·t', 'sensor first, then the glass', both('Sensor first', '(f · k) · t')),
      input('t·k', 'glass first, then the sensor', both('Glass first', '(f · t) · k')),
    ],
    source: 'against the bare lens on 36 × 24 mm; the same in whichever order one reckons',
    neglects: 'The light: it goes with the reducer or converter alone, −2 · log₂ t stops.',
  }));
}

export function imageCircle({ state, stages }: FoldedOptics, factor: Quantity): Quantity | undefined {
  const eyepiece = stages.some((stage) => stage.kind === 'scope');
  const bare = stages[0]?.state.circleMm ?? (eyepiece ? state.circleMm : undefined);
  if (state.circleMm === undefined) return undefined;
  return computed(state.circleMm, 'mm', () => ({
    name: 'Image circle',
    formula: eyepiece ? 'round field of the eyepiece · t' : 'I · c',
    inputs: [
      ...(bare === undefined
        ? []
        : [
            input(
              'I',
              eyepiece ? 'round field behind the eyepiece' : 'image circle of the lens',
              given(
                eyepiece ? state.circleMm! / factor.value : bare,
                'mm',
                'Image circle of the lens',
                eyepiece ? 'apparent field and camera lens, or the camera’s own circle' : 'lens data',
              ),
            ),
          ]),
      input(
        'c',
        'longer cone behind the lens',
        given(
          eyepiece ? factor.value : state.circleMm! / (bare ?? state.circleMm!),
          '×',
          'Cone behind the lens',
          'converters and extension',
        ),
      ),
      input('t', 'converter factor', factor),
    ],
    source: 'a converter spreads the circle, a reducer shrinks it; behind an eyepiece its round field is the circle',
    neglects: 'Focusing close widens it; the barrel of a converter or tube may cut it.',
  }));
}

/** Relative error of marked focal lengths and dioptres. */
const NOMINAL = 0.05;
/** Makers state the ratio at closest focus for a zoom's long end; at a shorter setting it is an estimate, good to about a fifth. */
const SHORTER_SETTING = 0.2;

const distanceQuantity = (optics: FoldedOptics, metres: number, name: string, ratio: number): Quantity =>
  computed(
    metres,
    'm',
    () => ({
      name,
      formula: 'u + v',
      inputs: [input('m', 'reproduction ratio there', given(ratio, ':1', 'Reproduction ratio'))],
      source: 'thin lens; the subject’s distance from the front group F·(1 + t/m), and that of the sensor behind it',
      neglects: 'The length of converters and the separation of principal planes.',
    }),
    optics.ratioUncertainty ? metres * optics.ratioUncertainty : undefined,
  );

/** Each set of tubes as an input of a derivation. */
const tubeInputs = (back: Arrangement['back']) =>
  back.flatMap((part) => {
    if (part.kind !== 'tubes') return [];
    const mm = (part.usedMm ?? part.lengthsMm).reduce((sum, each) => sum + each, 0);
    return [input('e', part.name, given(mm, 'mm', part.name))];
  });

/** The ratio at one end of the lens's own focus, measured where it was, else reckoned part by part. */
function endRatio(
  { back }: Arrangement,
  optics: FoldedOptics,
  lens: MainLens,
  setting: Setting,
  end: 'closest' | 'infinity',
): Quantity {
  const { far } = optics.state;
  const name = end === 'closest' ? 'Ratio at closest focus' : 'Ratio at infinity';
  const found =
    optics.measured?.find((each) => each.at === end) ?? (optics.fixedRatio ? optics.measured?.[0] : undefined);
  if (found)
    return measured(
      found.ratio,
      ':1',
      () => ({
        name,
        formula: '',
        inputs: [],
        source: found.how ?? 'measured',
        neglects: 'It holds for this chain at this end of the lens’s focus.',
      }),
      found.plusMinus,
    );
  const value = setting.ratio;
  // Focal lengths and dioptres are nominal, good to about a twentieth: what the chain adds to the lens's own ratio is too.
  const own = optics.fixedRatio ? 0 : setting.lensRatio * optics.state.factor;
  const stated = optics.lensFocus.closest?.ratio === lens.closestRatio;
  const error =
    Math.hypot(
      value * optics.ratioUncertainty,
      NOMINAL * Math.abs(value - own),
      stated || end === 'infinity' ? 0 : SHORTER_SETTING * own,
    ) + setting.ratioUnsure;
  return computed(
    value,
    ':1',
    () => ({
      name,
      formula: end === 'closest' ? 'm₀ · t + e/F + (1 + m₀) · Φ · f′/1000' : 'e/F + Φ · f/1000',
      inputs: [
        ...(lens.closestRatio === undefined
          ? []
          : [
              input(
                'm₀',
                'ratio of the lens alone',
                given(
                  setting.lensRatio,
                  ':1',
                  'Ratio of the lens alone',
                  stated ? 'lens data' : 'estimate for this setting of the zoom',
                ),
              ),
            ]),
        ...tubeInputs(back),
        input('F', 'focal length of the whole', given(far.focalMm, 'mm', 'Effective focal length')),
      ],
      source: 'each part in turn: a converter multiplies the ratio, extension adds e/F, a lens in front adds its power',
      neglects:
        setting.ratioUnsure > 0
          ? 'What the tubes add behind a converter depends on the converter’s own focal length, which is not published; 50 to 150 mm are in the ±. Measuring a ruler beats it.'
          : 'Thin lenses; measuring a ruler beats it.',
    }),
    error > 1e-9 * value ? error : undefined,
  );
}

/** How near and far it focuses, and the ratios there. */
export function focusRange(
  arrangement: Arrangement,
  optics: FoldedOptics,
  lens: MainLens,
): Pick<EffectiveSystem, 'closestFocusM' | 'farthestFocusM' | 'ratioAtClosest' | 'ratioAtInfinity'> {
  const { far, near } = optics.state;
  if (optics.unknownRatio !== undefined) return {};
  const span = focusSpan(optics);
  const ends = {
    closest: span.beyond ? far.ratio : (near?.ratio ?? far.ratio),
    farthest: span.beyond ? (near?.ratio ?? far.ratio) : far.ratio,
  };
  const { scope } = arrangement;
  const own =
    lens.closestFocusM === undefined
      ? undefined
      : scope && scope.closestFocusM === undefined
        ? assumed(
            lens.closestFocusM,
            'm',
            'Closest focus of the scope',
            `usual for an objective of ${scope.objectiveMm} mm`,
          )
        : given(
            lens.closestFocusM,
            'm',
            `Closest focus of ${arrangement.scope ? 'the scope' : 'the lens'}`,
            'its data',
          );
  const nearest =
    (optics.plain || arrangement.scope) && own
      ? own
      : span.closestMm === undefined
        ? undefined
        : distanceQuantity(optics, span.closestMm / 1000, 'Closest focus', ends.closest);
  return {
    ...(nearest ? { closestFocusM: nearest } : {}),
    ...(span.farthestMm === undefined || arrangement.scope
      ? {}
      : { farthestFocusM: distanceQuantity(optics, span.farthestMm / 1000, 'Farthest focus', ends.farthest) }),
    ...(near && near.ratio > 0 ? { ratioAtClosest: endRatio(arrangement, optics, lens, near, 'closest') } : {}),
    ...(far.ratio > 0 ? { ratioAtInfinity: endRatio(arrangement, optics, lens, far, 'infinity') } : {}),
  };
}
