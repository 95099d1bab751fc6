import { formatFigures, formatFixed } from '../../quantity/format';
import { computed, input, type Quantity } from '../../quantity/quantity';
import { onSensorMm } from './onSensor';
import { shareOf, together } from './shares';

/** One of two pictures of the same thing. */
export interface Side {
  /** Its length in this picture. */
  lengthPx: Quantity;
  /** Longer side of the picture, px. */
  longSidePx: number;
  /** What one of its pixels stands for on the sensor; null where it is not known. */
  pitchUm: Quantity | null;
}

/** What of it is larger. */
export type Verdict = 'same' | 'shown' | 'finer' | 'drawn' | 'pixels';

/** What two pictures of one thing say beside each other; all ratios are second ÷ first. */
export interface Comparison {
  /** Size on the sensor: what the optics do. Missing where a pitch is not known. */
  drawn?: Quantity;
  /** Pixels on it. */
  pixels: Quantity;
  /** How much more a screen that both fill enlarges the second picture, for each millimetre of sensor or, without, each pixel. */
  enlarged: Quantity;
  verdict: Verdict;
  /** The verdict in two or three words, and the sentence that follows from the numbers. */
  title: string;
  sentence: string;
}

/** Ratios nearer to one than half a per cent are the same: nobody sees that, and no two shots are framed alike. */
const ALIKE = 0.005;

/** Whether a ratio is one within its error. */
const alike = ({ value, plusMinus = 0 }: Quantity): boolean => Math.abs(value - 1) <= Math.max(plusMinus, ALIKE);

function ratioOf(name: string, first: Quantity, second: Quantity, what: string, source: string): Quantity {
  const value = second.value / first.value;
  return computed(
    value,
    '×',
    () => ({
      name,
      formula: 'B / A',
      inputs: [input('A', `${what}, first picture`, first), input('B', `${what}, second picture`, second)],
      source,
    }),
    value * together(shareOf(first), shareOf(second)),
  );
}

/** How wide the part of the sensor is that a picture shows, mm; in px where the pitch is not known. */
function widthOf({ longSidePx, pitchUm }: Side, inMm: boolean): Quantity {
  const perPx = inMm && pitchUm ? pitchUm.value / 1000 : 1;
  return computed(longSidePx * perPx, inMm ? 'mm' : 'px', () => ({
    name: inMm ? 'Used width of the sensor' : 'Longer side of the picture',
    formula: inMm ? 'columns · p / 1000' : 'columns',
    inputs: inMm && pitchUm ? [input('p', 'pixel pitch', pitchUm)] : [],
    source: 'size of the picture',
  }));
}

const times = (ratio: Quantity): string => formatFigures(Math.max(ratio.value, 1 / ratio.value), 3);
const which = (ratio: Quantity): string => (ratio.value >= 1 ? 'second' : 'first');

function verdictOf(drawn: Quantity | undefined, pixels: Quantity, enlarged: Quantity): Verdict {
  if (!drawn) return alike(pixels) ? (alike(enlarged) ? 'same' : 'shown') : 'pixels';
  if (!alike(drawn)) return 'drawn';
  if (!alike(pixels)) return 'finer';
  return alike(enlarged) ? 'same' : 'shown';
}

function titleOf(verdict: Verdict, drawn: Quantity | undefined, pixels: Quantity): string {
  if (verdict === 'drawn') return `The ${which(drawn!)} is really larger`;
  if (verdict === 'finer') return `Not larger: finer pixels in the ${which(pixels)}`;
  if (verdict === 'pixels') return `More pixels in the ${which(pixels)}`;
  return verdict === 'shown' ? 'Only shown larger' : 'The same';
}

/** A length with its error, as a sentence tells it. */
function told({ value, plusMinus = 0 }: Quantity): string {
  const digits = plusMinus >= 0.95 ? 0 : plusMinus >= 0.095 ? 1 : 2;
  return `${formatFixed(value, digits)} ± ${formatFixed(plusMinus, digits)}`;
}

function sentenceOf(
  first: Side,
  second: Side,
  { drawn, pixels, enlarged, verdict }: Pick<Comparison, 'drawn' | 'pixels' | 'enlarged' | 'verdict'>,
): string {
  const parts: string[] = [];
  if (drawn)
    parts.push(
      alike(drawn)
        ? 'the optics draw it the same'
        : `the optics draw it ${times(drawn)} times larger in the ${which(drawn)}`,
    );
  if (verdict === 'finer') parts.push(`the ${which(pixels)} has ${times(pixels)} times as many pixels on it`);
  else if (!drawn)
    parts.push(
      alike(pixels)
        ? 'as many pixels on it in both'
        : `${times(pixels)} times as many pixels on it in the ${which(pixels)}`,
    );
  else if (verdict === 'drawn' && alike(pixels)) parts.push('with as many pixels on it');
  // The picture that is enlarged more is that of the smaller piece of a sensor.
  const whose = drawn ? `the smaller sensor's picture, the ${which(enlarged)},` : `the ${which(enlarged)} picture`;
  parts.push(
    alike(enlarged) ? 'a screen enlarges both alike' : `a screen enlarges ${whose} ${times(enlarged)} times more`,
  );
  if (verdict === 'drawn' && drawn) {
    // Its share of the width of a screen that both pictures fill.
    const share = drawn.value * enlarged.value;
    const same = Math.abs(share - 1) <= Math.max(ALIKE, drawn.plusMinus ?? 0);
    const larger = `${formatFigures(Math.max(share, 1 / share), 3)} times larger in the ${share >= 1 ? 'second' : 'first'}`;
    parts.push(`so on a screen it is ${same ? 'as large in both' : larger}`);
  }
  return `${told(first.lengthPx)} and ${told(second.lengthPx)} px: ${parts.join('; ')}.`;
}

/**
 * Larger, or only shown larger? Of one thing in two pictures: whether the optics draw it larger on the sensor, whether there
 * are more pixels on it, and how much more a screen enlarges one of them. A crop mode changes only the last.
 */
export function comparison(first: Side, second: Side): Comparison {
  const onChip = ({ lengthPx, pitchUm }: Side): Quantity | null => pitchUm && onSensorMm(lengthPx, pitchUm);
  const [mmFirst, mmSecond] = [onChip(first), onChip(second)];
  const known = mmFirst !== null && mmSecond !== null;
  const drawn = known
    ? ratioOf('Drawn larger', mmFirst, mmSecond, 'length on the sensor', 'size on the sensor is what optics do')
    : undefined;
  const pixels = ratioOf('Pixels on it', first.lengthPx, second.lengthPx, 'length', 'definition');
  const enlarged = ratioOf(
    'Enlarged by a screen',
    widthOf(second, known),
    widthOf(first, known),
    'width',
    'a screen is as wide for either picture: the smaller one is enlarged more',
  );
  const verdict = verdictOf(drawn, pixels, enlarged);
  const told = { ...(drawn ? { drawn } : {}), pixels, enlarged, verdict };
  return { ...told, title: titleOf(verdict, drawn, pixels), sentence: sentenceOf(first, second, told) };
}
