/** How a hand moves: a path of even light, from a Gaussian speed and a slight bend, px. */
export function shakePath(lengthPx: number, directionDeg: number, bend: number, steps = 24): [number, number][] {
  const turn = (directionDeg * Math.PI) / 180;
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  return Array.from({ length: steps }, (_, k) => {
    const u = ((k + 0.5) / steps - 0.5) * lengthPx;
    const w = bend * lengthPx * (((2 * u) / Math.max(1e-9, lengthPx)) ** 2 - 1 / 3);
    return [u * c - w * s, u * s + w * c];
  });
}

/** A picture moved along a path while the shutter is open: the mean of its shifted copies, read between pixels. */
export function shaken(light: Float32Array, width: number, height: number, path: [number, number][]): Float32Array {
  const out = new Float32Array(light.length);
  for (const [dx, dy] of path)
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) {
        const px = Math.max(0, Math.min(width - 1.001, x + dx));
        const py = Math.max(0, Math.min(height - 1.001, y + dy));
        const [i, j] = [Math.floor(px), Math.floor(py)];
        const [u, v] = [px - i, py - j];
        const at = j * width + i;
        const top = light[at]! * (1 - u) + light[at + 1]! * u;
        const below = light[at + width]! * (1 - u) + light[at + width + 1]! * u;
        out[y * width + x] = out[y * width + x]! + (top * (1 - v) + below * v) / path.length;
      }
  return out;
}
