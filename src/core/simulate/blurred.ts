/** Weights of a Gaussian of a deviation in px, cut at four deviations, summing to one. */
function weightsOf(sigma: number): Float64Array {
  const reach = Math.ceil(4 * sigma);
  const weights = Float64Array.from({ length: 2 * reach + 1 }, (_, i) =>
    Math.exp(-((i - reach) ** 2) / (2 * sigma * sigma)),
  );
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
