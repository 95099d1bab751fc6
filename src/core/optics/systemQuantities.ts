import { computed, given, input, measured, type Quantity } from '../quantity/quantity';
import type { Arrangement } from './arrangement';
import type { FoldedOptics } from './foldOptics';
import type { EffectiveSystem } from './foldSystem';
import type { MainLens } from './mainLens';
import { focusSpan } from './opticState';

/** Focal length of the whole at the lens's infinity setting. */
export function effectiveFocal(arrangement: Arrangement, optics: FoldedOptics, marked: Quantity, factor: Quantity): Quantity {
  const { scope, front } = arrangement;
  const magnification = scope ? (scope.magnificationSet ?? scope.magnificationLow) : 1;
  const power = front.some((part) => part.kind !== 'scope');
  return computed(optics.state.far.focalMm, 'mm', () => ({
    name: 'Effective focal length',
    formula: scope ? 'M · f · t' : power ? 't / (1/f + Φ/1000)' : 'f · t',
    inputs: [
      ...(scope ? [input('M', `magnification of ${scope.name}`, given(magnification, '×', scope.name))] : []),
      input('f', 'focal length of the lens', marked),
      ...(power ? [input('Φ', 'power in front', given(1000 / optics.state.far.frontFocalMm - 1000 / marked.value, 'dpt', 'Power of what stands in front', 'close-up lenses, coupled lens or objective'))] : []),
      input('t', 'converter factor', factor),
    ],
    source: scope
      ? 'a scope works as a tele attachment: the camera’s focal length times the magnification'
      : power
        ? 'thin lenses in contact add their powers; a converter spreads the picture by its factor'
        : 'a converter spreads the picture by its factor',
    neglects: 'The marked focal length is nominal; a real one may differ by up to about 5 %, and most lenses shorten when focused close.',
  }));
}

/** f-number of the whole, focused at infinity: what the exposure goes by. */
export function effectiveFNumber(arrangement: Arrangement, optics: FoldedOptics, marked: Quantity, factor: Quantity): Quantity {
  const { scope, front, main } = arrangement;
  const { fNumber } = optics.state;
  const error = marked.plusMinus === undefined ? undefined : (marked.plusMinus * fNumber) / marked.value;
  if (scope) {
    const magnification = scope.magnificationSet ?? scope.magnificationLow;
    const exitPupil = computed(scope.objectiveMm / magnification, 'mm', () => ({
      name: 'Exit pupil of the scope',
      formula: 'D / M',
      inputs: [input('D', 'objective', given(scope.objectiveMm, 'mm', scope.name)), input('M', 'magnification', given(magnification, '×', scope.name))],
      source: 'definition',
    }));
    return computed(fNumber, 'f/', () => ({
      name: 'Effective f-number',
      formula: 'M · f · t / (M · min(pupil of the scope, pupil of the camera))',
      inputs: [input('E', 'exit pupil of the scope', exitPupil), input('N', 'f-number of the camera’s lens', marked), input('t', 'converter factor', factor)],
      source: 'the smaller of the two pupils behind the eyepiece stops the light',
      neglects: 'Glass losses in the scope (often ⅓ to ⅔ stop).',
    }), error);
  }
  const objective = main.kind === 'objective' ? main : front.find((part) => part.kind === 'objective');
  if (objective) {
    return computed(fNumber, 'f/', () => ({
      name: 'Effective f-number',
      formula: 'm / (2 · NA · (1 + m))',
      inputs: [
        input('m', 'reproduction ratio', given(optics.state.far.ratio, ':1', 'Reproduction ratio')),
        input('NA', 'numerical aperture', given(objective.numericalAperture, '1', objective.name)),
      ],
      source: 'the objective’s numerical aperture stops the light; working f-number m/(2·NA)',
    }));
  }
  const inFront = front.length > 0;
  return computed(fNumber, 'f/', () => ({
    name: 'Effective f-number',
    formula: inFront ? 'N · F / f · t' : 'N · t',
    inputs: [input('N', 'widest aperture of the lens', marked), input('t', 'converter factor', factor)],
    source: inFront
      ? 'the opening stays; what stands in front shortens the focal length'
      : 'the opening stays, the focal length grows: a converter multiplies focal length and f-number',
    neglects: 'Glass losses (usually under ⅓ stop).',
  }), error);
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
    name: 'System crop factor',
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
  const bare = stages[0]?.state.circleMm;
  if (state.circleMm === undefined) return undefined;
  return computed(state.circleMm, 'mm', () => ({
    name: 'Image circle',
    formula: 'I · t, wider by what extension adds',
    inputs: [
      ...(bare === undefined ? [] : [input('I', 'image circle of the lens', given(bare, 'mm', 'Image circle of the lens', 'lens data'))]),
      input('t', 'converter factor', factor),
    ],
    source: 'a converter spreads the circle, a reducer shrinks it; behind an eyepiece its round field is the circle',
    neglects: 'Focusing close widens it; the barrel of a converter or tube may cut it.',
  }));
}

/** Relative error of marked focal lengths and dioptres. */
const NOMINAL = 0.05;

/** How near and far it focuses, and the ratios there. */
export function focusRange(arrangement: Arrangement, optics: FoldedOptics, lens: MainLens): Pick<EffectiveSystem, 'closestFocusM' | 'farthestFocusM' | 'ratioAtClosest' | 'ratioAtInfinity'> {
  const { far, near } = optics.state;
  if (optics.unknownRatio !== undefined) return {};
  const distance = (metres: number, name: string, ratio: number) =>
    computed(metres, 'm', () => ({
      name,
      formula: 'f + F/m + v',
      inputs: [input('m', 'reproduction ratio there', given(ratio, ':1', 'Reproduction ratio'))],
      source: 'thin lens; the front focal length, the subject’s distance from it, and the distance to the sensor',
      neglects: 'The length of converters and the separation of principal planes.',
    }), optics.ratioUncertainty ? metres * optics.ratioUncertainty : undefined);
  const bareRatio = optics.stages[0]?.state.near?.ratio ?? 0;
  // Focal lengths and dioptres are nominal, good to about a twentieth: what the chain adds to the lens's own ratio is too.
  const errorOf = (value: number, own: number) => Math.hypot(value * optics.ratioUncertainty, NOMINAL * Math.abs(value - own * optics.state.factor));
  const ratio = (value: number, own: number, end: 'closest' | 'infinity', name: string, formula: string) => {
    const found = optics.measured?.find((each) => each.at === end) ?? (optics.fixedRatio ? optics.measured?.[0] : undefined);
    if (found) return measured(found.ratio, ':1', () => ({ name, formula: '', inputs: [], source: found.how ?? 'measured', neglects: 'It holds for this chain at this end of the lens’s focus.' }), found.plusMinus);
    const error = errorOf(value, own);
    return computed(value, ':1', () => ({
      name,
      formula,
      inputs: [
        ...(lens.closestRatio === undefined ? [] : [input('m₀', 'ratio of the lens alone', given(lens.closestRatio, ':1', 'Largest ratio of the lens', 'lens data'))]),
        ...arrangement.back.flatMap((part) => (part.kind === 'tubes' ? [input('e', part.name, given((part.usedMm ?? part.lengthsMm).reduce((sum, each) => sum + each, 0), 'mm', part.name))] : [])),
        input('F', 'focal length of the whole', given(far.focalMm, 'mm', 'Effective focal length')),
      ],
      source: 'each part in turn: a converter multiplies the ratio, extension adds e/F, a lens in front adds its power',
      neglects: 'Thin lenses; measuring a ruler beats it.',
    }), error > 1e-9 * value ? error : undefined);
  };
  const span = focusSpan(optics.state);
  const ends = { closest: span.beyond ? far.ratio : (near?.ratio ?? far.ratio), farthest: span.beyond ? (near?.ratio ?? far.ratio) : far.ratio };
  const own = lens.closestFocusM === undefined ? undefined : given(lens.closestFocusM, 'm', `Closest focus of ${arrangement.scope ? 'the scope' : 'the lens'}`, 'its data');
  const nearest = (optics.plain || arrangement.scope) && own ? own : span.closestMm === undefined ? undefined : distance(span.closestMm / 1000, 'Closest focus', ends.closest);
  return {
    ...(nearest ? { closestFocusM: nearest } : {}),
    ...(span.farthestMm === undefined ? {} : { farthestFocusM: distance(span.farthestMm / 1000, 'Farthest focus', ends.farthest) }),
    ...(near && near.ratio > 0 ? { ratioAtClosest: ratio(near.ratio, bareRatio, 'closest', 'Ratio at closest focus', 'm₀ · t + e/F + (1 + m₀) · Φ · f′/1000') } : {}),
    ...(far.ratio > 0 ? { ratioAtInfinity: ratio(far.ratio, 0, 'infinity', 'Ratio with the lens at infinity', 'e/F + Φ · f/1000') } : {}),
  };
}
