import { formatFigures, formatRatio } from '../../quantity/format';
import { computed, given, input } from '../../quantity/quantity';
import { chance } from '../../simulate/chance';
import type { Exercise, Making } from '../exercise';

const [COLUMNS, ROWS] = [640, 360];
/** Fewer pixels a tick cannot be counted. */
const LEAST_PX_PER_MM = 5;
const PLAIN_WIDTH_MM = 36;

/** A photographed millimetre ruler: which ratio is it? */
export function ruler({ kit, level, seed }: Making): Exercise {
  const { oneOf, between } = chance(seed);
  const widths = kit.bodies.filter(({ sensor }) => sensor.widthMm > 10).map(({ sensor }) => sensor.widthMm);
  const widthMm = widths.length ? oneOf(widths) : PLAIN_WIDTH_MM;
  const least = (LEAST_PX_PER_MM * widthMm) / COLUMNS;
  const ratio = least * (2.2 / least) ** between(0, 1);
  const seenMm = widthMm / ratio;
  const why = computed(ratio, ':1', () => ({
    name: 'Reproduction ratio',
    formula: 'W / s',
    inputs: [
      input('W', 'width of the frame', given(widthMm, 'mm', 'Width of the frame', 'body data')),
      input('s', 'millimetres seen', given(seenMm, 'mm', 'Millimetres across the frame', 'counted on the ruler')),
    ],
    source: 'what is seen of a ruler across the frame',
  }));
  return {
    kind: 'ruler',
    level,
    seed,
    given: `The frame is ${formatFigures(widthMm, 3)}\u202fmm wide on the sensor; a tick is a millimetre.`,
    question: 'Which reproduction ratio is it?',
    plates: [
      {
        kind: 'photo',
        label: 'A ruler, the whole frame',
        order: {
          make: 'ruler',
          columns: COLUMNS,
          rows: ROWS,
          pxPerMm: (COLUMNS * ratio) / widthMm,
          scale: 'millimetre',
          // From level to level it lies less straight and less sharp.
          turnDeg: between(-3, 3) * level,
          sigmaPx: 0.6 + 0.15 * level,
          seed,
        },
      },
    ],
    ask: { type: 'amount', unit: ':1', low: 0.02, high: 10, truth: ratio },
    told: `${formatFigures(seenMm, 3)}\u202fmm are seen across the frame: ${formatRatio(ratio)}.`,
    why,
  };
}
