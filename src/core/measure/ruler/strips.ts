import { centreOf, lightAt, type Grey } from '../../picture/grey';

/** Where positions along (s) and across (t) a direction lie: from the picture's middle, px. */
export interface Axes {
  cosine: number;
  sine: number;
  centre: [number, number];
}

export const axesOf = (grey: Pick<Grey, 'width' | 'height'>, degrees: number): Axes => ({
  cosine: Math.cos((degrees * Math.PI) / 180),
  sine: Math.sin((degrees * Math.PI) / 180),
  centre: centreOf(grey),
});

export const placeOf = ({ cosine, sine, centre }: Axes, s: number, t: number): [number, number] => [
  centre[0] + s * cosine - t * sine,
  centre[1] + s * sine + t * cosine,
];

/** The picture's mean light along a strip of a direction, one value a pixel of its length. */
export interface Strip {
  /** Across the direction, of the strip's middle, px from the picture's middle. */
  t: number;
  /** Along the direction, of the first value. */
  from: number;
  values: Float64Array;
}

/** The stretch of a line along the direction that lies in the picture; nothing if it misses it. */
export function stretchInside(grey: Pick<Grey, 'width' | 'height'>, axes: Axes, t: number): [number, number] | null {
  let low = -Infinity;
  let high = Infinity;
  const [x0, y0] = placeOf(axes, 0, t);
  for (const [start, step, size] of [
    [x0, axes.cosine, grey.width - 1],
    [y0, axes.sine, grey.height - 1],
  ] as const) {
    if (Math.abs(step) < 1e-9) {
      if (start < 0 || start > size) return null;
      continue;
    }
    const a = -start / step;
    const b = (size - start) / step;
    low = Math.max(low, Math.min(a, b));
    high = Math.min(high, Math.max(a, b));
  }
  return high > low ? [low, high] : null;
}

/** Lines that are averaged for a strip, at most: more tell nothing new about a tick. */
const MOST_LINES = 6;

/**
 * A strip of a height across its middle; nothing where the picture holds less than `least` values of it.
 *
 * @param most lines averaged at most; a search needs fewer than a measurement
 */
export function strip(
  grey: Grey,
  axes: Axes,
  t: number,
  height: number,
  least: number,
  most = MOST_LINES,
): Strip | null {
  const stretch = stretchInside(grey, axes, t);
  if (!stretch) return null;
  const from = Math.ceil(stretch[0]);
  const count = Math.floor(stretch[1]) - from + 1;
  if (count < least) return null;
  const values = new Float64Array(count);
  const { width, data } = grey;
  const [lastX, lastY] = [width - 1, grey.height - 1];
  const lines = Math.max(1, Math.min(most, Math.round(height)));
  for (let line = 0; line < lines; line++) {
    let [x, y] = placeOf(axes, from, t + (line - (lines - 1) / 2) * (height / lines));
    for (let i = 0; i < count; i++) {
      const x0 = x | 0;
      const y0 = y | 0;
      // By hand where all four neighbours are there: this is where a search spends its time.
      if (x >= 0 && y >= 0 && x0 < lastX && y0 < lastY) {
        const at = y0 * width + x0;
        const fx = x - x0;
        const top = data[at]! + (data[at + 1]! - data[at]!) * fx;
        const bottom = data[at + width]! + (data[at + width + 1]! - data[at + width]!) * fx;
        values[i] = values[i]! + top + (bottom - top) * (y - y0);
      } else values[i] = values[i]! + lightAt(grey, x, y);
      x += axes.cosine;
      y += axes.sine;
    }
  }
  for (let i = 0; i < count; i++) values[i] = values[i]! / lines;
  return { t, from, values };
}

/** How far the picture reaches across a direction, px to either side of its middle. */
export const reachAcross = ({ width, height }: Pick<Grey, 'width' | 'height'>, { cosine, sine }: Axes): number =>
  (Math.abs(sine) * (width - 1) + Math.abs(cosine) * (height - 1)) / 2;

/** Angle between two directions without a sense, degrees, 0 to 90. */
export const apart = (a: number, b: number): number => Math.abs(((((a - b + 90) % 180) + 180) % 180) - 90);
