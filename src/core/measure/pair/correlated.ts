import { fft2, type Waves } from './fft2';

/** The correlation of two squares; `strength` 1 takes all amplitude away, 0 none. */
export function correlated(a: Waves, b: Waves, strength: number): Float64Array {
  const size = a.size;
  const [first, second] = [a.data, b.data];
  const product = new Float64Array(first.length);
  for (let i = 0; i < product.length; i += 2) {
    const re = first[i]! * second[i]! + first[i + 1]! * second[i + 1]!;
    const im = first[i]! * second[i + 1]! - first[i + 1]! * second[i]!;
    const weight = Math.pow(re * re + im * im + 1e-24, -strength / 2);
    product[i] = re * weight;
    product[i + 1] = im * weight;
  }
  const { data } = fft2({ size, data: product }, true);
  return Float64Array.from({ length: size * size }, (_, i) => data[2 * i]!);
}
