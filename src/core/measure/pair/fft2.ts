import FFT from 'fft.js';

/** A square of complex numbers: real and imaginary parts by turns, row by row. */
export interface Waves {
  size: number;
  data: Float64Array;
}

/** Turns rows into columns and back. */
function transposed({ size, data }: Waves): Waves {
  const out = new Float64Array(data.length);
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++) {
      const [from, to] = [2 * (y * size + x), 2 * (x * size + y)];
      out[to] = data[from]!;
      out[to + 1] = data[from + 1]!;
    }
  return { size, data: out };
}

function rowsThrough(waves: Waves, fft: FFT, inverse: boolean): Waves {
  const { size, data } = waves;
  const out = new Float64Array(data.length);
  const row = new Array<number>(2 * size);
  const result = fft.createComplexArray();
  for (let y = 0; y < size; y++) {
    const from = 2 * y * size;
    for (let i = 0; i < 2 * size; i++) row[i] = data[from + i]!;
    if (inverse) fft.inverseTransform(result, row);
    else fft.transform(result, row);
    for (let i = 0; i < 2 * size; i++) out[from + i] = result[i]!;
  }
  return { size, data: out };
}

/**
 * The two-dimensional transform of a square picture whose side is a power of two; frequencies along y lie in the columns.
 *
 * @param inverse back again, divided by the number of pixels
 */
export function fft2(waves: Waves, inverse = false): Waves {
  const fft = new FFT(waves.size);
  return transposed(rowsThrough(transposed(rowsThrough(waves, fft, inverse)), fft, inverse));
}

/** Real numbers as waves without imaginary parts. */
export function realWaves(values: ArrayLike<number>, size: number): Waves {
  const data = new Float64Array(2 * size * size);
  for (let i = 0; i < size * size; i++) data[2 * i] = values[i]!;
  return { size, data };
}

/** Frequency of a row or column, cycles a sample, −½ to ½. */
export const frequencyAt = (k: number, size: number): number => (k < size / 2 ? k : k - size) / size;
