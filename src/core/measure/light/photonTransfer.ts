import type { Grey } from '../../picture/grey';
import { fail, ok, type Result } from '../../quantity/result';
import { median } from '../smooth';

/** A frame as its sensor counted it: codes of the file, not made into anything. */
export interface CountedFrame extends Pick<Grey, 'width' | 'height' | 'data'> {
  /** Colour of each pixel of a two by two mosaic, or nothing for one colour. */
  mosaic?: readonly number[] | undefined;
  /** The largest code, and one that stands for no light where the file says so. */
  white: number;
}

interface Measured {
  value: number;
  plusMinus: number;
}

/** What a sensor makes of light at one ISO. Errors are half-widths of about 95 %. */
export interface PhotonTransfer {
  /** Electrons a code, and of noise of reading one pixel. */
  gain: Measured;
  readNoise: Measured;
  /** Electrons at the largest code, and the range in stops between both. */
  fullWell: Measured;
  dynamicRange: Measured;
  /** Mean codes of the even frames and of the dark ones. */
  level: number;
  dark: number;
}

const problem = (code: string, message: string) => fail(`light.${code}`, message, 'picture');
const sizes = problem('sizes', 'The four frames must be of one size: take all of them in the same mode.');
const clipped = problem('clipped', 'The even frames are as bright as the file goes: expose them to about half.');
const dim = problem('dim', 'The even frames are hardly brighter than the dark ones: expose them to about half.');
const coarse = problem(
  'coarse',
  'The frames show no noise of their own: they were compressed, smoothed, or have 8 bits. Bring raw or 16-bit files.',
);

/** Side of the squares whose noise is looked at one by one, px. */
const SQUARE = 48;
/** Beyond so many deviations a pixel is a bad one. */
const BAD = 5;

interface Square {
  /** Mean codes above the dark, variance of a frame's light alone, and of its reading. */
  signal: number;
  variance: number;
  dark: number;
  count: number;
}

/** Mean of two frames, the second brought to the first's level, and variance of their difference, over some pixels. */
function ofSquare(
  a: CountedFrame,
  b: CountedFrame,
  pixels: readonly number[],
  gainOfB: number,
): { mean: number; variance: number; count: number } {
  const differences = new Float64Array(pixels.length);
  let sum = 0;
  for (let k = 0; k < pixels.length; k++) {
    const at = pixels[k]!;
    const [first, second] = [a.data[at]!, gainOfB * b.data[at]!];
    differences[k] = first - second;
    sum += first + second;
  }
  let [mean, variance, count] = [0, Infinity, pixels.length];
  for (let round = 0; round < 3; round++) {
    const most = BAD * Math.sqrt(variance);
    let [total, squares] = [0, 0];
    count = 0;
    for (let k = 0; k < differences.length; k++) {
      // About the mean found before: small numbers, so that their squares lose nothing.
      const off = differences[k]! - mean;
      if (Math.abs(off) > most) continue;
      total += off;
      squares += off * off;
      count++;
    }
    const shift = total / Math.max(1, count);
    variance = (squares - count * shift * shift) / Math.max(1, count - 1);
    mean += shift;
  }
  return { mean: sum / (2 * pixels.length), variance, count };
}

/** Every so-manieth of many numbers. */
function everyOf(data: Float32Array, step: number): Float64Array {
  const some = new Float64Array(Math.ceil(data.length / step));
  for (let i = 0; i < some.length; i++) some[i] = data[i * step]!;
  return some;
}

/** Pixels of a square, one list for each colour. */
function coloursOf({ width, mosaic }: CountedFrame, x0: number, y0: number): number[][] {
  const lists: number[][] = mosaic ? [[], [], [], []] : [[]];
  for (let y = y0; y < y0 + SQUARE; y++)
    for (let x = x0; x < x0 + SQUARE; x++) lists[mosaic ? (y % 2) * 2 + (x % 2) : 0]!.push(y * width + x);
  return lists;
}

function squaresOf(flats: [CountedFrame, CountedFrame], darks: [CountedFrame, CountedFrame]): Square[] {
  const { width, height } = flats[0];
  const squares: Square[] = [];
  const levelOf = ({ data }: CountedFrame) => median(everyOf(data, 97));
  const capped = levelOf(darks[0]);
  // Lamps flicker: the second frame is brought to the level of the first.
  const ratio = (levelOf(flats[0]) - capped) / Math.max(1e-9, levelOf(flats[1]) - capped);
  const gainOfB = Math.abs(ratio - 1) < 0.5 ? ratio : 1;
  const stepX = Math.max(SQUARE, Math.floor(width / 16 / 2) * 2);
  const stepY = Math.max(SQUARE, Math.floor(height / 12 / 2) * 2);
  for (let y = 0; y + SQUARE <= height; y += stepY)
    for (let x = 0; x + SQUARE <= width; x += stepX)
      for (const pixels of coloursOf(flats[0], x, y)) {
        const without = ofSquare(darks[0], darks[1], pixels, 1);
        const lit = ofSquare(flats[0], flats[1], pixels, gainOfB);
        const dark = without.variance / 2;
        // Brought to another level by g, the noise of reading grows by g², that of the light, which was smaller there, by g.
        const variance = (lit.variance - (1 + gainOfB ** 2) * dark) / (1 + gainOfB);
        squares.push({ signal: lit.mean - without.mean, variance, dark, count: Math.min(lit.count, without.count) });
      }
  return squares;
}

/** Two standard errors of a ratio of sums, by leaving out one square at a time. */
function ratioOf(tops: number[], bottoms: number[]): Measured {
  const [top, bottom] = [tops.reduce((a, b) => a + b, 0), bottoms.reduce((a, b) => a + b, 0)];
  const value = top / bottom;
  const others = tops.map((each, i) => (top - each) / (bottom - bottoms[i]!));
  const mean = others.reduce((a, b) => a + b, 0) / others.length;
  const spread = others.reduce((a, b) => a + (b - mean) ** 2, 0) * ((others.length - 1) / others.length);
  return { value, plusMinus: 2 * Math.sqrt(spread) };
}

/** Rounding to whole codes adds this much variance. */
const ROUNDING = 1 / 12;

/**
 * Photon transfer: the noise of light grows with its root, so that how noise and level go together tells how many electrons
 * a code stands for. Differences of two frames are free of everything that both have: dust, shading, unequal pixels.
 *
 * @param frames two of an even surface and two dark ones, in any order; the two brighter ones are the even ones
 * @source mean–variance method: K = S ÷ (σ² − σ_dark²)
 */
export function photonTransfer(frames: readonly CountedFrame[]): Result<PhotonTransfer> {
  if (frames.length !== 4)
    return problem('four', 'Bring four frames: two of an even surface at about half exposure and two with the cap on.');
  const meanOf = ({ data }: CountedFrame) => {
    let [sum, count] = [0, 0];
    for (let i = 0; i < data.length; i += 101) {
      sum += data[i]!;
      count++;
    }
    return sum / count;
  };
  const [dark1, dark2, flat1, flat2] = [...frames].sort((a, b) => meanOf(a) - meanOf(b)) as [
    CountedFrame,
    CountedFrame,
    CountedFrame,
    CountedFrame,
  ];
  if (frames.some(({ width, height }) => width !== flat1.width || height !== flat1.height)) return sizes;
  if (flat1.width < 2 * SQUARE || flat1.height < 2 * SQUARE) return sizes;
  const [level, dark] = [(meanOf(flat1) + meanOf(flat2)) / 2, (meanOf(dark1) + meanOf(dark2)) / 2];
  if (level - dark < 0.02 * (flat1.white - dark)) return dim;
  const sample = everyOf(flat2.data, 37);
  if (sample.filter((value) => value >= 0.995 * flat2.white).length > 0.01 * sample.length) return clipped;
  const squares = squaresOf([flat1, flat2], [dark1, dark2]);
  const { value: perCode, plusMinus } = ratioOf(
    squares.map(({ signal, count }) => signal * count),
    squares.map(({ variance, count }) => variance * count),
  );
  if (!(perCode > 0) || !Number.isFinite(perCode)) return coarse;
  const gain = { value: perCode, plusMinus: Math.hypot(plusMinus, 0.003 * perCode) };
  const darks = ratioOf(
    squares.map(({ dark: own, count }) => own * count),
    squares.map(({ count }) => count),
  );
  const darkVariance = Math.max(darks.value - ROUNDING, 0.01 * ROUNDING);
  const readNoise = perCode * Math.sqrt(darkVariance);
  // Noise below half a code is lost in the rounding: the first term that is neglected there.
  const byRounding = 4 * Math.exp(-2 * Math.PI ** 2 * darkVariance);
  const byDark = darks.plusMinus / (2 * darkVariance) + byRounding;
  const share = gain.plusMinus / gain.value;
  const readError = readNoise * Math.hypot(share, byDark, 0.004);
  const fullWell = perCode * (flat1.white - dark);
  return ok({
    gain,
    readNoise: { value: readNoise, plusMinus: readError },
    fullWell: { value: fullWell, plusMinus: fullWell * share },
    dynamicRange: {
      value: Math.log2(fullWell / readNoise),
      // Both are reckoned with the same gain, which cancels: what is left is the noise in the dark.
      plusMinus: byDark / Math.LN2,
    },
    level,
    dark,
  });
}
