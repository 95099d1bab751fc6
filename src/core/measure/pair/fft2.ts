import FFT from 'fft.js';

/** A square of complex numbers: real and imaginary parts by turns, row by row. */
export interface Waves {
  size: number;
  data: Float64Array;
}

/** Turns rows into columns and back, in place, block by block: so that what is read lies near what was read before. */
function transpose({ size, data }: Waves): void {
  const block = 16;
  for (let y0 = 0; y0 < size; y0 += block)
    for (let x0 = y0; x0 < size; x0 += block)
      for (let y = y0; y < Math.min(size, y0 + block); y++)
        for (let x = Math.max(x0, y + 1); x < Math.min(size, x0 + block); x++) {
          const a = 2 * (y * size + x);
          const b = 2 * (x * size + y);
          const re = data[a]!;
          const im = data[a + 1]!;
          data[a] = data[b]!;
          data[a + 1] = data[b + 1]!;
          data[b] = re;
          data[b + 1] = im;
        }
}

function rowsThrough({ size, data }: Waves, fft: FFT, inverse: boolean): void {
  const out = new Float64Array(2 * size);
  for (let y = 0; y < size; y++) {
    const row = data.subarray(2 * y * size, 2 * (y + 1) * size);
    if (inverse) fft.inverseTransform(out, row);
    else fft.transform(out, row);
    row.set(out);
  }
}

/**
 * The two-dimensional transform of a square picture whose side is a power of two, in its own place; frequencies along y lie in
 * the columns.
 *
 * @param inverse back again, divided by the number of pixels
 */
export function fft2(waves: Waves, inverse = false): Waves {
  const fft = new FFT(waves.size);
  rowsThrough(waves, fft, inverse);
  transpose(waves);
  rowsThrough(waves, fft, inverse);
  transpose(waves);
  return waves;
}

/** Real numbers as waves without imaginary parts. */
export function realWaves(values: ArrayLike<number>, size: number): Waves {
  const data = new Float64Array(2 * size * size);
  for (let i = 0; i < size * size; i++) data[2 * i] = values[i]!;
  return { size, data };
}

/** Frequency of a row or column, cycles a sample, −½ to ½. */
export const frequencyAt = (k: number, size: number): number => (k < size / 2 ? k : k - size) / size;

/** The spectra of two real squares by one transform: one rides along as the imaginary part of the other. */
export function twoSpectra(first: ArrayLike<number>, second: ArrayLike<number>, size: number): [Waves, Waves] {
  const both = new Float64Array(2 * size * size);
  for (let i = 0; i < size * size; i++) {
    both[2 * i] = first[i]!;
    both[2 * i + 1] = second[i]!;
  }
  const { data } = fft2({ size, data: both });
  const [a, b] = [new Float64Array(data.length), new Float64Array(data.length)];
  for (let y = 0; y < size; y++) {
    const mirrored = ((size - y) % size) * size;
    for (let x = 0; x < size; x++) {
      const at = 2 * (y * size + x);
      const back = 2 * (mirrored + ((size - x) % size));
      const [re, im, reBack, imBack] = [data[at]!, data[at + 1]!, data[back]!, data[back + 1]!];
      a[at] = (re + reBack) / 2;
      a[at + 1] = (im - imBack) / 2;
      b[at] = (im + imBack) / 2;
      b[at + 1] = (reBack - re) / 2;
    }
  }
  return [
    { size, data: a },
    { size, data: b },
  ];
}
