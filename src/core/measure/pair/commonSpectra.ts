import type { Grey } from '../../picture/grey';
import type { SquareShare } from './acrossField';
import { fft2, frequencyAt, realWaves } from './fft2';
import { median } from '../smooth';
import { sharpCopy, type Lattice } from './sharpCopy';
import { inverse, mapped, scaleOf, type Similarity } from './similarity';

/** Bands of detail, cycles a px of the first picture. */
export const BANDS = Array.from({ length: 10 }, (_, k) => 0.05 * (k + 1));
/** Half of a band's width, as a share of the distance between them. */
const BAND_HALF = 0.0125;

/** Side of the squares whose spectra are added up, and how many at most. */
const SQUARE = 256;
const SMALL_SQUARE = 128;
const MOST_SQUARES = 16;

/** Own and common power of two pictures of one thing, band by band. */
export interface CommonSpectra {
  /** Power of each, and the real and imaginary part of what they share; on the grid of the finer picture. */
  aa: Float64Array;
  bb: Float64Array;
  re: Float64Array;
  im: Float64Array;
  /** Waves that were added up in each band, those of overlapping squares counted once. */
  count: Float64Array;
  /** Power of each picture's noise, on the same grid. */
  noiseA: number;
  noiseB: number;
  squares: number;
  /** How they compare square by square, as far as it can be told. */
  across: SquareShare[];
  /** Light of the second ÷ that of the first, where both show the same. */
  lightRatio: number;
}

const hann = (i: number, n: number): number => 0.5 - 0.5 * Math.cos((2 * Math.PI * (i + 0.5)) / n);

const windows = new Map<number, Float64Array>();
/** The window along one side, reckoned once for each size. */
function windowOf(size: number): Float64Array {
  let window = windows.get(size);
  if (!window) windows.set(size, (window = Float64Array.from({ length: size }, (_, i) => hann(i, size))));
  return window;
}

/** The spectrum of a square without its mean, in shares of it. */
function spectrumOf(values: Float64Array, size: number): Float64Array {
  let mean = 0;
  for (const value of values) mean += value;
  mean /= values.length;
  let [sum, weights] = [0, 0];
  const weighted = new Float64Array(values.length);
  const window = windowOf(size);
  for (let j = 0; j < size; j++)
    for (let i = 0; i < size; i++) {
      const weight = window[i]! * window[j]!;
      weighted[j * size + i] = weight;
      sum += weight * values[j * size + i]!;
      weights += weight;
    }
  // The mean under the window, so that no light of frequency nothing leaks into the bands.
  const level = sum / weights;
  for (let k = 0; k < values.length; k++) weighted[k] = (weighted[k]! * (values[k]! - level)) / mean;
  return fft2(realWaves(weighted, size)).data;
}

/** Power beyond what a lens draws: the corner of a picture's own spectrum. */
function noiseOf(waves: Float64Array, size: number): number {
  let [sum, count] = [0, 0];
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++) {
      if (Math.hypot(frequencyAt(x, size), frequencyAt(y, size)) < 0.6) continue;
      const at = 2 * (y * size + x);
      sum += waves[at]! ** 2 + waves[at + 1]! ** 2;
      count++;
    }
  return sum / count;
}

/** The pixels of a square of a picture as they are. */
function plainSquare({ width, height, data }: Grey, x: number, y: number, size: number): Float64Array {
  const [x0, y0] = [
    Math.max(0, Math.min(width - size, Math.round(x - size / 2))),
    Math.max(0, Math.min(height - size, Math.round(y - size / 2))),
  ];
  const out = new Float64Array(size * size);
  for (let j = 0; j < size; j++) for (let i = 0; i < size; i++) out[j * size + i] = data[(y0 + j) * width + x0 + i]!;
  return out;
}

/** Corners of squares on the finer picture that both show as a whole, half overlapping, spread over the field. */
function squaresOf(fine: Grey, coarse: Grey, toCoarse: (x: number, y: number) => [number, number], size: number) {
  const places: [number, number][] = [];
  const margin = 8;
  const inside = (x: number, y: number) => {
    const [cx, cy] = toCoarse(x, y);
    return cx >= margin && cy >= margin && cx < coarse.width - margin && cy < coarse.height - margin;
  };
  const step = size / 2;
  for (let y = 0; y + size <= fine.height; y += step)
    for (let x = 0; x + size <= fine.width; x += step)
      if (inside(x, y) && inside(x + size, y) && inside(x, y + size) && inside(x + size, y + size)) places.push([x, y]);
  const every = Math.max(1, Math.ceil(places.length / MOST_SQUARES));
  return places.filter((_, k) => k % every === 0);
}

/**
 * The spectra of what two pictures show in common, on the grid of the finer one; the coarser is read between its pixels.
 *
 * @param match from the first to the second
 * @returns nothing where the common field is too small
 */
export function commonSpectra(a: Grey, b: Grey, match: Similarity): CommonSpectra | null {
  const scale = scaleOf(match);
  const firstIsFine = scale < 1;
  const [fine, coarse] = firstIsFine ? [a, b] : [b, a];
  const toCoarse = mapped(firstIsFine ? match : inverse(match), fine, coarse);
  // How many px of the finer picture one of the coarser is wide.
  const wider = firstIsFine ? 1 / scale : scale;
  let size = SQUARE;
  let places = squaresOf(fine, coarse, toCoarse, size);
  if (places.length < 3) {
    size = SMALL_SQUARE;
    places = squaresOf(fine, coarse, toCoarse, size);
  }
  if (places.length === 0) return null;
  const perA = firstIsFine ? 1 : scale;
  const bands = BANDS.length;
  const sums = () => new Float64Array(bands);
  const found: CommonSpectra = {
    aa: sums(),
    bb: sums(),
    re: sums(),
    im: sums(),
    count: sums(),
    noiseA: 0,
    noiseB: 0,
    squares: places.length,
    across: [],
    lightRatio: 1,
  };
  const lights: number[] = [];
  const toFirst = firstIsFine ? (x: number, y: number): [number, number] => [x, y] : toCoarse;
  const half = Math.max(a.width, a.height) / 2;
  const bandOf = bandsOver(size, perA);
  for (const [x, y] of places) {
    const own = sharpCopy(coarse, size, latticeFrom(toCoarse, x, y));
    if (!own) continue;
    const plain = plainSquare(fine, x + size / 2, y + size / 2, size);
    const [sf, sc] = [spectrumOf(plain, size), spectrumOf(own, size)];
    const [wa, wb] = firstIsFine ? [sf, sc] : [sc, sf];
    addUp(found, bandOf, wa, wb);
    const [cx, cy] = toCoarse(x + size / 2, y + size / 2);
    const part = Math.min(size, 64);
    // The windows of two sizes hold different shares of light; noise adds with their squares.
    const fineNoise = noiseOf(sf, size);
    const coarseNoise =
      noiseOf(spectrumOf(plainSquare(coarse, cx, cy, part), part), part) * (size / part) ** 2 * wider ** 2;
    found.noiseA += firstIsFine ? fineNoise : coarseNoise;
    found.noiseB += firstIsFine ? coarseNoise : fineNoise;
    const [na, nb] = firstIsFine ? [fineNoise, coarseNoise] : [coarseNoise, fineNoise];
    const logRatio = logRatioOf(bandOf, wa, wb, na, nb);
    const [ax, ay] = toFirst(x + size / 2, y + size / 2);
    if (logRatio !== null)
      found.across.push({ x: (ax - (a.width - 1) / 2) / half, y: (ay - (a.height - 1) / 2) / half, logRatio });
    const ofFine = meanOf(own) / meanOf(plain);
    lights.push(firstIsFine ? ofFine : 1 / ofFine);
  }
  if (lights.length) found.lightRatio = median(Float64Array.from(lights));
  found.noiseA /= places.length;
  found.noiseB /= places.length;
  for (let k = 0; k < bands; k++) {
    const all = Math.max(1, found.count[k]!);
    for (const row of [found.aa, found.bb, found.re, found.im]) row[k] = row[k]! / all;
    // A Hann window makes neighbours alike (by about two and a quarter each way), squares overlap by half, and half of the waves mirror the other.
    found.count[k] = found.count[k]! / (2 * 2.25 * (places.length > 3 ? 2 : 1));
  }
  return found;
}

const meanOf = (values: Float64Array): number => values.reduce((sum, each) => sum + each, 0) / values.length;

/** Bands by which squares are held against each other: fine enough for focus, coarse enough for both. */
const MIDDLE_BANDS: readonly number[] = [1, 2, 3, 4];
/** Power must stand this far above the noise to tell anything. */
const ABOVE_NOISE = 2;

/** Logarithm of the second's power over the first's in the middle bands of one square; nothing where noise covers either. */
function logRatioOf(
  bandOf: Int8Array,
  a: Float64Array,
  b: Float64Array,
  noiseA: number,
  noiseB: number,
): number | null {
  let [aa, bb, count] = [0, 0, 0];
  for (let i = 0; i < bandOf.length; i++) {
    if (!MIDDLE_BANDS.includes(bandOf[i]!)) continue;
    aa += a[2 * i]! ** 2 + a[2 * i + 1]! ** 2;
    bb += b[2 * i]! ** 2 + b[2 * i + 1]! ** 2;
    count++;
  }
  const [ofA, ofB] = [
    aa / Math.max(1, count) / Math.max(1e-30, noiseA),
    bb / Math.max(1, count) / Math.max(1e-30, noiseB),
  ];
  if (ofA < ABOVE_NOISE || ofB < ABOVE_NOISE) return null;
  return Math.log((bb * (1 - 1 / ofB)) / (aa * (1 - 1 / ofA)));
}

/** The lattice of whole pixels of the finer picture, as it lies on the coarser. */
function latticeFrom(to: (x: number, y: number) => [number, number], x: number, y: number): Lattice {
  const [left, top] = to(x, y);
  const [rightX, rightY] = to(x + 1, y);
  const [belowX, belowY] = to(x, y + 1);
  return { x: left, y: top, across: [rightX - left, rightY - top], down: [belowX - left, belowY - top] };
}

/** Which band each wave of a square belongs to, −1 for none. */
function bandsOver(size: number, perA: number): Int8Array {
  const bandOf = new Int8Array(size * size).fill(-1);
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++) {
      const frequency = Math.hypot(frequencyAt(x, size), frequencyAt(y, size)) * perA;
      const k = Math.round(frequency / 0.05) - 1;
      const inBand =
        k >= 0 && k < BANDS.length && Math.abs(frequency - BANDS[k]!) <= Math.max(BAND_HALF, (0.8 * perA) / size);
      if (inBand) bandOf[y * size + x] = k;
    }
  return bandOf;
}

function addUp(found: CommonSpectra, bandOf: Int8Array, a: Float64Array, b: Float64Array): void {
  for (let i = 0; i < bandOf.length; i++) {
    const k = bandOf[i]!;
    if (k < 0) continue;
    const [ar, ai, br, bi] = [a[2 * i]!, a[2 * i + 1]!, b[2 * i]!, b[2 * i + 1]!];
    found.aa[k] = found.aa[k]! + ar * ar + ai * ai;
    found.bb[k] = found.bb[k]! + br * br + bi * bi;
    found.re[k] = found.re[k]! + ar * br + ai * bi;
    found.im[k] = found.im[k]! + ar * bi - ai * br;
    found.count[k] = found.count[k]! + 1;
  }
}
