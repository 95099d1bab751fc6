import FFT from 'fft.js';
import { odd, runningMean } from '../smooth';

/** What repeats along a strip: the distance, and how much it can be believed. */
export interface Period {
  px: number;
  weight: number;
}

/** A later peak must rise this much of the best rise to be taken for the period. */
const RISE = 0.55;
/** Slow light is what changes over this part of the length, for fine ticks and for broad ones. */
export const SLOW = { fine: 28, broad: 6 };

/** A transform of a size with room to work in. */
interface Transform {
  fft: FFT;
  padded: number[];
  spectrum: number[];
  back: number[];
}

/** Strips of a picture need few sizes, thousands of times: each is prepared once. */
const transforms = new Map<number, Transform>();

function transformOf(size: number): Transform {
  let made = transforms.get(size);
  if (!made) {
    const fft = new FFT(size);
    const row = () => fft.createComplexArray();
    transforms.set(size, (made = { fft, padded: new Array<number>(size).fill(0), spectrum: row(), back: row() }));
  }
  return made;
}

/** Autocorrelation of a row by the Fourier transform, divided by how many pairs there are and by that at no lag. */
export function autocorrelation(row: Float64Array): Float64Array {
  let size = 2;
  while (size < 2 * row.length) size *= 2;
  const { fft, padded, spectrum, back } = transformOf(size);
  for (let i = 0; i < row.length; i++) padded[i] = row[i]!;
  padded.fill(0, row.length);
  fft.realTransform(spectrum, padded);
  fft.completeSpectrum(spectrum);
  for (let i = 0; i < spectrum.length; i += 2) {
    spectrum[i] = spectrum[i]! * spectrum[i]! + spectrum[i + 1]! * spectrum[i + 1]!;
    spectrum[i + 1] = 0;
  }
  fft.inverseTransform(back, spectrum);
  const out = new Float64Array(row.length);
  const whole = back[0]! / row.length;
  if (whole <= 0) return out;
  for (let lag = 0; lag < row.length; lag++) out[lag] = back[2 * lag]! / (row.length - lag) / whole;
  return out;
}

/** The height of a row at a place between its samples, by a parabola through three; with the place of its top. */
function topNear(row: Float64Array, at: number): { at: number; height: number } {
  const middle = row[at]!;
  const before = row[at - 1] ?? middle;
  const after = row[at + 1] ?? middle;
  const bend = before - 2 * middle + after;
  const shift = bend < 0 ? Math.max(-0.5, Math.min(0.5, (0.5 * (before - after)) / bend)) : 0;
  return { at: at + shift, height: middle - 0.25 * (before - after) * shift };
}

/** The highest value within a twentieth of a place. */
function highestAround(row: Float64Array, place: number): number {
  const reach = Math.max(1, place * 0.03);
  let best = -1;
  for (let i = Math.max(1, Math.floor(place - reach)); i <= Math.min(row.length - 1, Math.ceil(place + reach)); i++)
    best = Math.max(best, row[i]!);
  return best;
}

/**
 * The distance at which a strip repeats: the first peak of its autocorrelation that rises far enough over the dip before it.
 * A texture repeats once by chance, not three times, so what counts is how well it does so at one, two and three periods.
 *
 * @param shortest px; shorter ones cannot be told from noise
 * @param part light that changes over this part of the length is slow, and taken away first
 */
export function periodOf(values: Float64Array, shortest: number, part: number): Period | null {
  const slow = runningMean(values, odd(Math.max(3 * shortest, values.length / part)));
  const flat = values.map((value, i) => value - slow[i]!);
  const r = autocorrelation(flat);
  const peaks = peaksOf(r, shortest, Math.floor(values.length / 3.2));
  const best = peaks.reduce((most, { rise }) => Math.max(most, rise), 0);
  const first = peaks.find(({ rise, height }) => rise >= RISE * best && height > 0.1);
  if (!first) return null;
  const second = highestAround(r, 2 * first.at);
  const third = 3 * first.at < values.length * 0.9 ? highestAround(r, 3 * first.at) : second;
  if (second <= 0 || third <= 0) return null;
  const weight = ((second * third) / first.height) * Math.sqrt(values.length / first.at);
  return { px: first.at, weight };
}

/** Peaks of an autocorrelation, each with how far it rises over the dip before it. */
function peaksOf(r: Float64Array, shortest: number, longest: number) {
  const peaks: { at: number; height: number; rise: number }[] = [];
  let dip = 1;
  for (let lag = 2; lag < longest; lag++) {
    if (r[lag]! < r[lag - 1]!) dip = Math.min(dip, r[lag]!);
    if (r[lag]! >= r[lag - 1]! && r[lag]! > r[lag + 1]! && lag >= shortest - 0.5) {
      const top = topNear(r, lag);
      peaks.push({ ...top, rise: top.height - dip });
      dip = r[lag]!;
    }
  }
  return peaks;
}
