import type { EffectiveSystem } from '../optics/foldSystem';
import { wholeOfScope } from '../optics/scopeLength';
import { given, input, type Quantity, type Why } from '../quantity/quantity';
import type { FocusAt } from './focusAt';

const NAME = 'Reproduction ratio';

/** How the ratio at a distance was found: by the lens's own data, from the front focus of a scope, or through a whole chain. */
export function focusRatioWhy(system: EffectiveSystem, focus: FocusAt, distance: Quantity): Why {
  const { optics, arrangement } = system;
  if (arrangement.scope) return scopeWhy(system, distance);
  if (optics.fixedRatio) {
    return {
      name: NAME,
      formula: '',
      inputs: [],
      source: optics.measured ? 'measured; this chain draws at one ratio only' : 'this chain draws at one ratio only',
      neglects: 'Measuring a ruler beats it.',
    };
  }
  return optics.plain && !optics.measured ? lensWhy(system, focus, distance) : chainWhy(system, focus, distance);
}

function lensWhy(system: EffectiveSystem, focus: FocusAt, distance: Quantity): Why {
  const { lensFocus, state } = system.optics;
  const { closest, law } = lensFocus;
  const lens = { ...system.lens };
  const focal = given(lensFocus.focalMm, 'mm', 'Focal length of the lens', 'the lens as set');
  const factor = given(state.factor, '×', 'Factor of converters and reducers');
  const behind =
    state.factor === 1
      ? ''
      : ' A converter leaves the lens’s own focus where it is; its length shifts the distance by some centimetres, which is in the ±.';
  if (!closest) {
    return {
      name: NAME,
      formula: 'u = (T + √(T² − 4fT))/2;  m = t · (T − u)/u',
      inputs: [
        input('T', 'sensor-to-subject distance', distance),
        input('f', 'focal length of the lens', focal),
        input('t', 'factors behind it', factor),
      ],
      source: `thin lens.${behind}`,
      neglects:
        'The separation of the principal planes and the shortening of most lenses when focused closer; enter closest focus and ratio of the lens to see how much.',
    };
  }
  return {
    name: NAME,
    formula:
      law === 'shortening'
        ? 'T = (f + (f₀ − f)·μ/m₀)·(2 + μ + 1/μ), f₀ = T₀/(2 + m₀ + 1/m₀);  m = t · μ'
        : 'T = f·(2 + μ + 1/μ) + T₀ − f·(2 + m₀ + 1/m₀);  m = t · μ',
    inputs: [
      input('T', 'sensor-to-subject distance', distance),
      input('f', 'focal length of the lens', focal),
      input('T₀', 'closest focus', given(closest.distanceMm / 1000, 'm', `Closest focus of ${lens.name}`, 'lens data')),
      input(
        'm₀',
        'ratio there',
        given(
          closest.ratio,
          ':1',
          'Largest ratio of the lens',
          closest.ratio === lens.closestRatio ? 'lens data' : 'estimate for this setting of the zoom',
        ),
      ),
      input('μ', 'ratio of the lens alone', given(focus.setting.lensRatio, ':1', 'Ratio of the lens alone')),
      input('t', 'factors behind it', factor),
    ],
    source: `the lens loses focal length evenly with its ratio: both its infinity and its closest focus come out as stated.${behind}`,
    neglects: 'How it shortens in between is not published: the ± is half the difference to a lens that does not.',
  };
}

function scopeWhy(system: EffectiveSystem, distance: Quantity): Why {
  const scope = system.arrangement.scope!;
  const whole = wholeOfScope(scope.objectiveMm);
  return {
    name: NAME,
    formula: 'F / (1000 · T − d)',
    inputs: [
      input('F', 'effective focal length', system.focalMm),
      input('T', 'sensor-to-subject distance', distance),
      input(
        'd',
        'sensor to the front focus of the objective',
        given(
          whole.frontFocusMm,
          'mm',
          'Front focus before the sensor',
          `estimate from the objective of ${scope.name}: 5.5 × its diameter as focal length, twice, and the camera`,
          whole.frontFocusPlusMinusMm,
        ),
      ),
    ],
    source: 'through an eyepiece the picture’s size goes with the distance to the front focus of the whole',
    neglects: 'How long scope, adapter and camera really are: a third either way is in the ±.',
  };
}

function chainWhy(system: EffectiveSystem, focus: FocusAt, distance: Quantity): Why {
  const { setting } = focus;
  return {
    name: NAME,
    formula: 'T = (F·(1 + s/m) + v + d) / 1000',
    inputs: [
      input('T', 'sensor-to-subject distance', distance),
      input(
        'F',
        'focal length in front of the factors',
        given(setting.frontFocalMm, 'mm', 'Focal length at this focus'),
      ),
      input(
        's',
        'factors behind it',
        given(setting.spread, '×', 'Converters and reducers', 'longer by what tubes behind them add'),
      ),
      input('v', 'lens to sensor', given(setting.imageMm, 'mm', 'Image distance')),
      input(
        'd',
        'spacing of the principal planes',
        given(setting.gapMm, 'mm', 'Spacing of the principal planes', 'from the lens’s own data'),
      ),
      ...(system.optics.measured ?? []).map((each) =>
        input(
          each.at === 'closest' ? 'm₁' : 'm₀',
          `measured at ${each.at === 'closest' ? 'closest focus' : 'infinity'}`,
          given(each.ratio, ':1', 'Measured ratio', each.how ?? 'measured', each.plusMinus),
        ),
      ),
    ],
    source: system.optics.measured
      ? 'what was measured with this chain, carried to this distance'
      : 'every part in turn, with the lens’s own focus turned until the whole is focused there',
    neglects: 'The length of converters; measuring a ruler beats it.',
  };
}
