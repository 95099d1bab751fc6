import { focalAtRatio } from '../chain/lensFocus';
import { subjectDistanceM, subjectMm } from '../chain/opticState';
import { converterShiftMm } from '../optics/converterShift';
import type { EffectiveSystem } from '../optics/foldSystem';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import type { NearState } from './nearState';
import { workingDistance, type WorkingDistance } from './workingDistance';

/** From sensor to subject, and the room in front of the glass. */
export interface RoomQuantities {
  subjectDistanceM?: Quantity;
  workingDistanceMm?: Quantity;
}

/** How well sensor to subject is known, m: converters’ length, the error of the ratio, and how the lens shortens in between. */
function distanceErrorM(system: EffectiveSystem, { setting }: NearState, ratioError: number): number | undefined {
  const { lensFocus, lensTo } = system.optics;
  const own = focalAtRatio(lensFocus, setting.lensRatio);
  const settled = lensTo ? Math.max(0, Math.min(1, 2 * (1 - setting.lensRatio / lensTo))) : 0;
  const shortening =
    setting.lensRatio > 0
      ? (Math.abs(lensFocus.focalMm - own) / 2) * settled * (2 + setting.lensRatio + 1 / setting.lensRatio)
      : 0;
  const error = Math.hypot(converterShiftMm(system), subjectMm(setting) * ratioError, shortening) / 1000;
  return error > 0 ? error : undefined;
}

function distanceQuantity(system: EffectiveSystem, state: NearState, ratio: Quantity, metres: number): Quantity {
  return computed(
    metres,
    'm',
    () => ({
      name: 'Sensor to subject',
      formula: '(F·(1 + s/m) + v + d) / 1000',
      inputs: [
        input(
          'F',
          'focal length in front of the factors',
          given(state.setting.frontFocalMm, 'mm', 'Focal length there'),
        ),
        input('s', 'factors behind it', given(state.setting.spread, '×', 'Converters and reducers')),
        input('m', 'reproduction ratio', ratio),
        input('v', 'to the sensor', given(state.setting.imageMm, 'mm', 'Image distance')),
        input(
          'd',
          'spacing of the principal planes',
          given(state.setting.gapMm, 'mm', 'Spacing of the principal planes', 'from the lens’s own data'),
        ),
      ],
      source: 'thin lens; measured from the mark on the body',
      neglects: 'The separation of the principal planes. The length of converters is in the ±.',
    }),
    distanceErrorM(system, state, (ratio.plusMinus ?? 0) / ratio.value),
  );
}

/** The room in front: entered with an objective, else an estimate with its error. */
function workingQuantity(
  { arrangement, body }: EffectiveSystem,
  work: WorkingDistance,
  metres: number | undefined,
): Quantity {
  if (work.entered) return given(work.mm, 'mm', 'Working distance', work.how);
  const { main } = arrangement;
  const known: [string, string, number | undefined, string, string][] = [
    ['T', 'sensor to subject', metres === undefined ? undefined : metres * 1000, 'Sensor to subject', 'entered'],
    ['l', 'length of the lens', main.kind === 'lens' ? main.lengthMm : undefined, 'Length of the lens', 'lens data'],
    ['b', 'flange distance', body.flangeMm, 'Flange distance', 'body data'],
  ];
  return computed(
    Math.max(0, work.mm),
    'mm',
    () => ({
      name: 'Working distance',
      formula: '',
      inputs: known.flatMap(([symbol, name, value, title, source]) =>
        value === undefined ? [] : [input(symbol, name, given(value, 'mm', title, source))],
      ),
      source: `estimate: ${work.how}`,
      neglects: 'Lenses that grow when focused close, hoods, and where the principal planes lie.',
    }),
    work.plusMinusMm,
  );
}

export function roomQuantities(system: EffectiveSystem, state: NearState, ratio: Quantity): RoomQuantities {
  const found = subjectDistanceM(state.setting);
  const metres = found === Infinity ? undefined : found;
  const work = workingDistance(system, state);
  return {
    ...(metres === undefined ? {} : { subjectDistanceM: distanceQuantity(system, state, ratio, metres) }),
    ...(work ? { workingDistanceMm: workingQuantity(system, work, metres) } : {}),
  };
}
