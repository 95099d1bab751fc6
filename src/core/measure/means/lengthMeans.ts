import { distanceForRatioM, focusAt } from '../../far/focusAt';
import { impliedFocalMm } from '../../near/measureRatio';
import type { EffectiveSystem } from '../../optics/foldSystem';
import { computed, input, measured, type Quantity } from '../../quantity/quantity';
import { onSensorMm } from './onSensor';
import { offFrom, shareOf, together } from './shares';

/** What is known of the thing measured, and of how it was taken. */
export interface LengthKnown {
  lengthPx: Quantity;
  pitchUm: Quantity | null;
  system: EffectiveSystem | null;
  sizeMm: Quantity | null;
  distanceM: Quantity | null;
}

/** What follows from a length; what cannot be known stays out. */
export interface LengthMeans {
  onSensorMm?: Quantity;
  ratio?: Quantity;
  realMm?: Quantity;
  distanceM?: Quantity;
  effectiveFocalMm?: Quantity;
  predictedPx?: Quantity;
  /** Measured less predicted, % of the predicted. */
  offPercent?: Quantity;
}

/**
 * Of real size, distance and set-up two make the third: the real size at a distance, the distance of something of known size,
 * or the focal length really at work. With all three, what the set-up was expected to give, and how far off it is.
 */
export function lengthMeans(known: LengthKnown): LengthMeans {
  const { lengthPx, pitchUm, system, sizeMm, distanceM } = known;
  if (!pitchUm) return {};
  const lengthMm = onSensorMm(lengthPx, pitchUm);
  return {
    onSensorMm: lengthMm,
    ...(sizeMm ? ofKnownSize(lengthMm, sizeMm, known) : {}),
    ...(!sizeMm && distanceM && system ? realSize(lengthMm, distanceM, system) : {}),
    ...(sizeMm && distanceM && system ? predicted(lengthPx, sizeMm, distanceM, pitchUm, system) : {}),
  };
}

function ofKnownSize(onSensorMm: Quantity, sizeMm: Quantity, { system, distanceM }: LengthKnown): LengthMeans {
  const value = onSensorMm.value / sizeMm.value;
  const share = together(shareOf(onSensorMm), shareOf(sizeMm));
  const ratio = measured(
    value,
    ':1',
    () => ({
      name: 'Reproduction ratio',
      formula: 'y′ / y',
      inputs: [input('y′', 'length on the sensor', onSensorMm), input('y', 'real size', sizeMm)],
      source: 'size on the sensor ÷ real size',
    }),
    value * share,
  );
  if (distanceM) return { ratio, effectiveFocalMm: focalAtWork(ratio, distanceM) };
  const metres = system ? distanceForRatioM(system, value) : undefined;
  if (metres === undefined || !system) return { ratio };
  return {
    ratio,
    distanceM: computed(
      metres,
      'm',
      () => ({
        name: 'Distance',
        formula: 'where the set-up draws at m',
        inputs: [input('m', 'reproduction ratio', ratio), input('f', 'focal length', system.focalMm)],
        source: 'the focusing of the set-up, turned round',
      }),
      metres * share,
    ),
  };
}

/** The focal length that a ratio at a distance means for a thin lens. */
function focalAtWork(ratio: Quantity, distanceM: Quantity): Quantity {
  const value = impliedFocalMm(ratio.value, distanceM.value * 1000);
  return computed(
    value,
    'mm',
    () => ({
      name: 'Focal length at work',
      formula: 'D / (2 + m + 1/m)',
      inputs: [input('D', 'distance', distanceM), input('m', 'reproduction ratio', ratio)],
      source: 'thin lens: D = f · (2 + m + 1/m)',
      neglects: 'The distance between the principal planes.',
    }),
    value * together(shareOf(ratio), shareOf(distanceM)),
  );
}

function realSize(onSensorMm: Quantity, distanceM: Quantity, system: EffectiveSystem): LengthMeans {
  const focus = focusAt(system, distanceM.value * 1000);
  if (!focus.ok) return {};
  const { ratio, plusMinus } = focus.value;
  const value = onSensorMm.value / ratio;
  return {
    realMm: computed(
      value,
      'mm',
      () => ({
        name: 'Real size',
        formula: 'y′ / m',
        inputs: [
          input('y′', 'length on the sensor', onSensorMm),
          input(
            'm',
            'ratio of the set-up at that distance',
            computed(ratio, ':1', ratioWhy(distanceM, system), plusMinus),
          ),
        ],
        source: 'size on the sensor ÷ reproduction ratio',
        neglects: 'A subject that stands askew looks shorter.',
      }),
      value * together(shareOf(onSensorMm), plusMinus / ratio, shareOf(distanceM)),
    ),
  };
}

const ratioWhy = (distanceM: Quantity, system: EffectiveSystem) => () => ({
  name: 'Ratio at the distance',
  formula: 'm(D)',
  inputs: [input('D', 'distance', distanceM), input('f', 'focal length', system.focalMm)],
  source: 'as on the Far desk',
});

function predicted(
  lengthPx: Quantity,
  sizeMm: Quantity,
  distanceM: Quantity,
  pitchUm: Quantity,
  system: EffectiveSystem,
): LengthMeans {
  const focus = focusAt(system, distanceM.value * 1000);
  if (!focus.ok) return {};
  const { ratio, plusMinus } = focus.value;
  const value = (ratio * sizeMm.value * 1000) / pitchUm.value;
  const share = together(plusMinus / ratio, shareOf(sizeMm), shareOf(distanceM));
  const predictedPx = computed(
    value,
    'px',
    () => ({
      name: 'Length expected',
      formula: '1000 · m · y / p',
      inputs: [
        input('m', 'ratio at the distance', computed(ratio, ':1', ratioWhy(distanceM, system), plusMinus)),
        input('y', 'real size', sizeMm),
        input('p', 'pixel pitch', pitchUm),
      ],
      source: 'as on the Far desk',
    }),
    value * share,
  );
  return { predictedPx, offPercent: offFrom(lengthPx, predictedPx) };
}
