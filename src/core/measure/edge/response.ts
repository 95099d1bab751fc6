import { BINS_PER_PX, meanSpread, type EdgeSpread } from './edgeSpread';

/** Frequencies a response is given at, cycles/px along the normal. */
export const FREQUENCIES = Array.from({ length: 101 }, (_, i) => i / 100);

const sinc = (x: number): number => (x === 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x));

/** Where a rising row first passes a level, in samples; between them in proportion. */
function passes(row: Float64Array, level: number): number {
  for (let i = 1; i < row.length; i++)
    if (row[i - 1]! < level && row[i]! >= level) return i - 1 + (level - row[i - 1]!) / (row[i]! - row[i - 1]!);
  return row.length / 2;
}

/** A running mean of five bins: enough to find levels in noise. */
function calmed(row: Float64Array): Float64Array {
  return row.map((_, i) => {
    let [sum, count] = [0, 0];
    for (let k = Math.max(0, i - 2); k <= Math.min(row.length - 1, i + 2); k++) {
      sum += row[k]!;
      count++;
    }
    return sum / count;
  });
}

/** Width across which an edge rises from a tenth to nine tenths, px. */
export function riseOf({ dark, light }: EdgeSpread, row: Float64Array): number {
  const smooth = calmed(row);
  const step = light - dark;
  return Math.max(0.5, (passes(smooth, dark + 0.9 * step) - passes(smooth, dark + 0.1 * step)) / BINS_PER_PX);
}

/** Weight of the measured slope at a distance from the edge: all of it near, none far, by a cosine between. */
const windowAt = (distance: number, end: number): number =>
  distance <= end / 2 ? 1 : distance >= end ? 0 : 0.5 + 0.5 * Math.cos((2 * Math.PI * (distance - end / 2)) / end);

/** How far the tail of the slope, which falls with the square of the distance, is summed up, px. */
const TAIL_PX = 400;

/** Share of the step that lies in the tail beyond the window, at every frequency; the rest of it is added as its integral. */
function tailShares(end: number): Float64Array {
  const step = 0.25;
  const shares = new Float64Array(FREQUENCIES.length);
  for (let d = end / 2 + step / 2; d < TAIL_PX; d += step) {
    const own = ((1 - windowAt(d, end)) * 2 * step) / (d * d);
    for (let k = 0; k < shares.length; k++) shares[k] = shares[k]! + own * Math.cos(2 * Math.PI * FREQUENCIES[k]! * d);
  }
  shares[0] = shares[0]! + 2 / TAIL_PX;
  return shares;
}

/** Above this only noise is left: twice what pixels can carry. */
const NOISE_FROM = 1.2;
const NOISE_TO = 1.8;

/** One response and how wide the edge rose. */
export interface Response {
  mtf: Float64Array;
  riseHalfPx: number;
}

/** Power of a row of slopes at a frequency, with its real part and its imaginary one. */
function wave(slopes: Float64Array, middle: number, frequency: number): [number, number] {
  let [re, im] = [0, 0];
  for (let i = 0; i < slopes.length; i++) {
    if (slopes[i] === 0) continue;
    const phase = (2 * Math.PI * frequency * (i - middle)) / BINS_PER_PX;
    re += slopes[i]! * Math.cos(phase);
    im -= slopes[i]! * Math.sin(phase);
  }
  return [re, im];
}

/**
 * The response of an edge: the transform of its slope, divided by the step between the plateaus. What lies beyond the window
 * is taken from the tail the plateaus show; the means over bins and the differences between them are divided out; the power
 * of the noise, seen where no lens draws anything, is taken off.
 *
 * @param without a part of the edge that is left out
 * @source ISO 12233, the slanted edge
 */
export function responseOf(spread: EdgeSpread, without?: number): Response {
  const { row } = meanSpread(spread, without);
  const step = spread.light - spread.dark;
  const rise = riseOf(spread, row);
  const end = Math.min(spread.reach - 0.5, 3.2 * rise + 2);
  // Differences lie between the bins: half a bin further.
  const slopes = new Float64Array(row.length - 1);
  const middle = spread.reach * BINS_PER_PX - 1;
  for (let i = 0; i < slopes.length; i++)
    slopes[i] = (row[i + 1]! - row[i]!) * windowAt(Math.abs((i - middle) / BINS_PER_PX), end);
  const tail = Math.max(0, Math.min(0.25, spread.tail / step));
  const shares = tail > 0 ? tailShares(end) : null;
  let [noise, count] = [0, 0];
  for (let frequency = NOISE_FROM; frequency <= NOISE_TO; frequency += 0.02) {
    const [re, im] = wave(slopes, middle, frequency);
    noise += (re * re + im * im) / (4 * Math.sin((Math.PI * frequency) / BINS_PER_PX) ** 2);
    count++;
  }
  noise /= count;
  const mtf = Float64Array.from(FREQUENCIES, (frequency, k) => {
    const [re, im] = wave(slopes, middle, frequency);
    const whole = re / step + (shares ? tail * shares[k]! : 0);
    const power = whole * whole + (im / step) ** 2;
    const own = (noise * 4 * Math.sin((Math.PI * frequency) / BINS_PER_PX) ** 2) / step ** 2;
    return Math.sqrt(Math.max(0, power - own)) / sinc(frequency / BINS_PER_PX) ** 2;
  });
  mtf[0] = 1;
  return { mtf, riseHalfPx: rise };
}

/** Where a response first falls below a level, cycles/px; nothing where it never does. */
export function fallsBelow(mtf: ArrayLike<number>, level: number): number | null {
  for (let k = 1; k < mtf.length; k++)
    if (mtf[k]! < level) {
      const [above, below] = [mtf[k - 1]!, mtf[k]!];
      return FREQUENCIES[k - 1]! + ((above - level) / (above - below)) * (FREQUENCIES[k]! - FREQUENCIES[k - 1]!);
    }
  return null;
}
