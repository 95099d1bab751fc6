/** Frequencies by which weights are made. */
const STEPS = 512;
/** The narrowest blurs, cut off by the pixels' own limit, ring so far before they have died away to a thousandth, px. */
const LEAST_REACH = 10;

/**
 * Weights that let pass of every frequency what a Gaussian of a deviation in px does, as a lens's blur is there before the
 * pixels are; summing to one. A Gaussian read at whole pixels lets pass too much when it is narrow: half as much again at
 * 0.5 cycles a px for 0.6 px.
 */
function weightsOf(sigma: number): Float64Array {
  const reach = Math.max(LEAST_REACH, Math.ceil(4 * sigma));
  const weights = Float64Array.from({ length: 2 * reach + 1 }, (_, i) => {
    let sum = 0;
    for (let k = 0; k < STEPS; k++) {
      const frequency = (k + 0.5) / (2 * STEPS);
      sum += Math.exp(-2 * (Math.PI * sigma * frequency) ** 2) * Math.cos(2 * Math.PI * frequency * (i - reach));
    }
    return sum;
  });
  const sum = weights.reduce((a, b) => a + b, 0);
  return weights.map((weight) => weight / sum);
}

/** Rows one after the other, each of their places a sum over those beside it; the border is carried on. */
function alongRows(light: Float32Array, width: number, height: number, weights: Float64Array): Float32Array {
  const reach = (weights.length - 1) / 2;
  const out = new Float32Array(light.length);
  // A row with its border carried on, so that nothing needs to be asked in the innermost loop.
  const row = new Float64Array(width + 2 * reach);
  for (let y = 0; y < height; y++) {
    const from = y * width;
    for (let x = 0; x < row.length; x++) row[x] = light[from + Math.max(0, Math.min(width - 1, x - reach))]!;
    for (let x = 0; x < width; x++) {
      const middle = x + reach;
      let sum = weights[reach]! * row[middle]!;
      // Both sides weigh the same.
      for (let k = 1; k <= reach; k++) sum += weights[reach + k]! * (row[middle - k]! + row[middle + k]!);
      out[from + x] = sum;
    }
  }
  return out;
}

/** The same from row to row. */
function alongColumns(light: Float32Array, width: number, height: number, weights: Float64Array): Float32Array {
  const reach = (weights.length - 1) / 2;
  const out = new Float32Array(light.length);
  const sums = new Float64Array(width);
  for (let y = 0; y < height; y++) {
    const here = y * width;
    const middle = weights[reach]!;
    for (let x = 0; x < width; x++) sums[x] = middle * light[here + x]!;
    for (let k = 1; k <= reach; k++) {
      const weight = weights[reach + k]!;
      const above = Math.max(0, y - k) * width;
      const below = Math.min(height - 1, y + k) * width;
      for (let x = 0; x < width; x++) sums[x] = sums[x]! + weight * (light[above + x]! + light[below + x]!);
    }
    out.set(sums, here);
  }
  return out;
}

/** A picture blurred by a Gaussian, which many small faults of optics together come near to; its border is carried on. */
export function blurred(light: Float32Array, width: number, height: number, sigma: number): Float32Array {
  if (sigma < 0.05) return light;
  const weights = weightsOf(sigma);
  return alongColumns(alongRows(light, width, height, weights), width, height, weights);
}
