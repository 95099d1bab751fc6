import type { BodySpec } from '../../kit/body';
import { formatFigures } from '../../quantity/format';
import { showFNumber } from '../../quantity/quantityText';
import { computed, given, input } from '../../quantity/quantity';
import { cropFactor } from '../../sensor/cropFactor';
import { chance } from '../../simulate/chance';
import type { Exercise, Making } from '../exercise';

const F_NUMBERS = [1.4, 1.8, 2, 2.8, 4, 5.6] as const;
/** Where the kit has no small one. */
const PLAIN: Pick<BodySpec, 'name' | 'sensor'> = {
  name: 'a one-inch camera of 20 MP',
  sensor: { widthMm: 13.2, heightMm: 8.8, columns: 5472, rows: 3648 },
};
const SMALL_FROM = 1.3;

const factorOf = ({ sensor }: Pick<BodySpec, 'sensor'>): number =>
  cropFactor(sensor.widthMm, sensor.heightMm, 'diagonal');

/** What is f/4 on a small sensor like on full frame? */
export function smallSensor({ kit, level, seed }: Making): Exercise {
  const { oneOf } = chance(seed);
  const small = kit.bodies.filter((body) => factorOf(body) > SMALL_FROM);
  const body = small.length ? oneOf(small) : PLAIN;
  const fNumber = oneOf(F_NUMBERS);
  const factor = factorOf(body);
  const { widthMm, heightMm } = body.sensor;
  const crop = given(
    factor,
    '×',
    'Crop factor by the diagonal',
    `${formatFigures(widthMm, 3)} × ${formatFigures(heightMm, 3)} mm against 36 × 24 mm`,
  );
  const why = computed(fNumber * factor, 'f/', () => ({
    name: 'f-number of full frame that looks alike',
    formula: 'N · c',
    inputs: [input('N', 'f-number', given(fNumber, 'f/', 'f-number', 'as set')), input('c', 'crop factor', crop)],
    source:
      'the same opening in millimetres: as deep, and as much light on the whole picture, from the same spot with the same view',
    neglects: 'The exposure time: f/4 stays f/4 for that.',
  }));
  return {
    kind: 'smallSensor',
    level,
    seed,
    given: `${body.name}, ${showFNumber(fNumber)}. Drawn: its sensor within 36 × 24\u202fmm.`,
    question: 'At which f-number does full frame give the same depth, and the same light on the whole picture?',
    plates: [{ kind: 'sensors', label: `The sensor of ${body.name} within full frame`, widthMm, heightMm }],
    ask: { type: 'amount', unit: 'f/', low: 0.7, high: 128, truth: fNumber * factor },
    told: `Times the crop factor of ${formatFigures(factor, 3)}: like ${showFNumber(fNumber * factor)} on full frame.`,
    why,
  };
}
