import { lightAt, type Grey } from '../../picture/grey';
import { placeOfNumber, type RulerModel } from './rulerModel';
import { placeOf, type Axes } from './strips';

interface Seen {
  grey: Grey;
  axes: Axes;
  model: RulerModel;
  /** Outermost lines on which the ticks were found, px across. */
  fromT: number;
  toT: number;
}

/** Lines looked at over and beyond those on which the ticks were found. */
const LINES = 36;
const FEWEST = 4;

function varianceOf(values: number[]): number {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  return values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1);
}

/**
 * Whether what was followed are the gaps between the ticks. Blurred ticks are as wide as their gaps, and which of the two
 * sticks out no longer shows in their shape. But ticks differ: some are longer, some blacker, and beyond the end of the short
 * ones only some go on. Gaps are all the same ground: of the two, the places whose light varies more are the ticks.
 */
export function gapsFollowed({ grey, axes, model, fromT, toT }: Seen): boolean {
  const ns = model.points.map(({ n }) => n);
  const first = ns.reduce((a, b) => Math.min(a, b), Infinity);
  const last = ns.reduce((a, b) => Math.max(a, b), -Infinity);
  const light = (n: number, t: number): number => {
    const [x, y] = placeOf(axes, placeOfNumber(model, n, t), t);
    return x < 0 || y < 0 || x > grey.width - 1 || y > grey.height - 1 ? Number.NaN : lightAt(grey, x, y);
  };
  const reach = toT - fromT;
  let followed = 0;
  let between = 0;
  for (let line = 0; line < LINES; line++) {
    const t = fromT - reach + (3 * reach * line) / (LINES - 1);
    const at: number[] = [];
    const beside: number[] = [];
    for (let n = first; n < last; n++) {
      const [here, there] = [light(n, t), light(n + 0.5, t)];
      if (Number.isNaN(here + there)) continue;
      at.push(here);
      beside.push(there);
    }
    if (at.length < FEWEST) continue;
    followed += varianceOf(at);
    between += varianceOf(beside);
  }
  return between > followed;
}
