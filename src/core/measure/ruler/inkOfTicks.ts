import { lightAt, type Grey } from '../../picture/grey';
import { numberAt, placeOfNumber, type RulerModel } from './rulerModel';
import { placeOf, reachAcross, stretchInside, type Axes } from './strips';
import type { Tone } from './ticks';

/** How much each tick stands out, line by line across the ruler. */
export interface Ink {
  /** First number, and how many follow. */
  firstN: number;
  count: number;
  /** Heights across the ruler, px from the picture's middle. */
  ts: Float64Array;
  /** By line, then by number: light of the gaps less that of the tick, turned so that ink is positive; not a number outside. */
  values: Float64Array[];
}

/** Numbers seen anywhere in the picture at a height across it. */
function numbersInside(grey: Grey, axes: Axes, model: RulerModel, t: number): [number, number] | null {
  const stretch = stretchInside(grey, axes, t);
  if (!stretch) return null;
  const ends = [numberAt(model, stretch[0], t), numberAt(model, stretch[1], t)];
  return [Math.min(...ends), Math.max(...ends)];
}

/** Light at a number and height, mean of three samples over a tenth of a tick. */
function lightAtNumber(grey: Grey, axes: Axes, model: RulerModel, n: number, t: number): number {
  let sum = 0;
  for (const off of [-0.05, 0, 0.05]) {
    const [x, y] = placeOf(axes, placeOfNumber(model, n + off, t), t);
    if (x < 0 || y < 0 || x > grey.width - 1 || y > grey.height - 1) return Number.NaN;
    sum += lightAt(grey, x, y);
  }
  return sum / 3;
}

export interface InkWhere {
  /** Across the ruler, px from the picture's middle, in steps of so many px. */
  fromT: number;
  toT: number;
  stepPx: number;
  /** Where ink is looked for, in ticks after each tick: ½ looks for halves. */
  offset?: number;
  /** How far beside it the ground is looked at, in ticks. */
  gap?: number;
}

/**
 * Ink of every tick on every line across the ruler within reach of where the ticks were found.
 *
 */
export function inkOfTicks(
  grey: Grey,
  axes: Axes,
  model: RulerModel,
  tone: Tone,
  { fromT, toT, stepPx, offset = 0, gap = 0.25 }: InkWhere,
): Ink | null {
  const reach = reachAcross(grey, axes);
  const low = Math.max(-reach, fromT);
  const high = Math.min(reach, toT);
  const lines = Math.max(1, Math.floor((high - low) / stepPx) + 1);
  const ns = model.points.map(({ n }) => n);
  let firstN = ns.reduce((a, b) => Math.min(a, b), Infinity);
  let lastN = ns.reduce((a, b) => Math.max(a, b), -Infinity);
  const inside = numbersInside(grey, axes, model, (low + high) / 2);
  if (inside) {
    firstN = Math.min(firstN, Math.ceil(inside[0]));
    lastN = Math.max(lastN, Math.floor(inside[1]));
  }
  const count = lastN - firstN + 1;
  if (count < 4 || count > 5000) return null;
  const ts = Float64Array.from({ length: lines }, (_, i) => low + i * stepPx);
  const values = Array.from(ts, (t) =>
    Float64Array.from({ length: count }, (_, i) => {
      const n = firstN + i + offset;
      const at = lightAtNumber(grey, axes, model, n, t);
      const beside = (lightAtNumber(grey, axes, model, n - gap, t) + lightAtNumber(grey, axes, model, n + gap, t)) / 2;
      return tone * (at - beside);
    }),
  );
  return { firstN, count, ts, values };
}
