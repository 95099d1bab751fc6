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

/** A picture blurred by a Gaussian, which many small faults of optics together come near to; its border is carried on. */
export function blurred(light: Float32Array, width: number, height: number, sigma: number): Float32Array {
  if (sigma < 0.05) return light;
  const weights = weightsOf(sigma);
  const reach = (weights.length - 1) / 2;
  const across = new Float32Array(light.length);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      let sum = 0;
      for (let k = -reach; k <= reach; k++)
        sum += weights[k + reach]! * light[y * width + Math.max(0, Math.min(width - 1, x + k))]!;
      across[y * width + x] = sum;
    }
  const out = new Float32Array(light.length);
  for (let y = 0; y < height; y++)
    for (let k = -reach; k <= reach; k++) {
      const row = Math.max(0, Math.min(height - 1, y + k)) * width;
      const weight = weights[k + reach]!;
      for (let x = 0; x < width; x++) out[y * width + x] = out[y * width + x]! + weight * across[row + x]!;
    }
  return out;
}
