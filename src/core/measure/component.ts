/** A connected patch of pixels. */
export interface Patch {
  /** Indices of its pixels. */
  pixels: Int32Array;
  touchesBorder: boolean;
}

/**
 * Connected patches of pixels that are on, largest first; neighbours share a side.
 *
 * @param least patches of fewer pixels are left out
 */
export function patchesOf(on: Uint8Array, width: number, height: number, least: number): Patch[] {
  const seen = new Uint8Array(on.length);
  const queue = new Int32Array(on.length);
  const found: Patch[] = [];
  for (let start = 0; start < on.length; start++) {
    if (!on[start] || seen[start]) continue;
    let head = 0;
    let tail = 0;
    let touchesBorder = false;
    queue[tail++] = start;
    seen[start] = 1;
    while (head < tail) {
      const at = queue[head++]!;
      const x = at % width;
      const y = (at / width) | 0;
      if (x === 0 || y === 0 || x === width - 1 || y === height - 1) touchesBorder = true;
      if (x > 0 && on[at - 1] && !seen[at - 1]) seen[(queue[tail++] = at - 1)] = 1;
      if (x < width - 1 && on[at + 1] && !seen[at + 1]) seen[(queue[tail++] = at + 1)] = 1;
      if (y > 0 && on[at - width] && !seen[at - width]) seen[(queue[tail++] = at - width)] = 1;
      if (y < height - 1 && on[at + width] && !seen[at + width]) seen[(queue[tail++] = at + width)] = 1;
    }
    if (tail >= least) found.push({ pixels: queue.slice(0, tail), touchesBorder });
  }
  return found.sort((a, b) => b.pixels.length - a.pixels.length);
}

/** Which values lie above a level, after turning their sign: 1 or 0 each. */
export function above(values: Float32Array, level: number, sign: number): Uint8Array {
  const on = new Uint8Array(values.length);
  for (let i = 0; i < values.length; i++) on[i] = sign * values[i]! > level ? 1 : 0;
  return on;
}
