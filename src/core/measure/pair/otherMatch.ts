import { lightAt, type Grey } from '../../picture/grey';
import { correlated } from './correlated';
import { frequencyAt, twoSpectra } from './fft2';
import { mapped, type Similarity } from './similarity';

/** Points along a side of the field both show. */
const FIELD = 256;
const SIZE = FIELD * FIELD;
/** A place is told from another where the likeness falls to this share of the best between them: the same hill has no second top. */
const HILL = 0.5;
/** Of places that are as good as the best but for this, the nearest is told. */
const AS_HIGH = 0.97;
/** Places where less than this share of the structure is still common are not compared. */
const ENOUGH = 0.4;

/** Another place at which the second picture lies on the first nearly as well. */
export interface OtherMatch {
  /** Likeness there ÷ likeness where they were laid: near 1, nothing tells them apart. */
  share: number;
  /** How far off it is, px of the first. */
  offPx: number;
}

/** Both over one field, free of their means, and where they have anything. */
interface Common {
  first: Float64Array;
  second: Float64Array;
  inside: Float64Array;
  /** Points apart, px of the first. */
  step: number;
}

function common(a: Grey, b: Grey, match: Similarity): Common {
  const to = mapped(match, a, b);
  const step = Math.max(a.width, a.height) / FIELD;
  const [first, second, inside] = [new Float64Array(SIZE), new Float64Array(SIZE), new Float64Array(SIZE)];
  let count = 0;
  const within = (grey: Grey, x: number, y: number) => x >= 0 && y >= 0 && x <= grey.width - 1 && y <= grey.height - 1;
  for (let at = 0; at < SIZE; at++) {
    const [x, y] = [((at % FIELD) + 0.5) * step - 0.5, (Math.floor(at / FIELD) + 0.5) * step - 0.5];
    const [bx, by] = to(x, y);
    if (!within(a, x, y) || !within(b, bx, by)) continue;
    first[at] = lightAt(a, x, y);
    second[at] = lightAt(b, bx, by);
    inside[at] = 1;
    count++;
  }
  for (const values of [first, second]) {
    const mean = values.reduce((sum, value) => sum + value, 0) / Math.max(1, count);
    for (let at = 0; at < SIZE; at++) if (inside[at]) values[at] = values[at]! - mean;
  }
  return { first, second, inside, step };
}

/** Sums of products of two fields, by how far the second is moved. */
const products = (first: Float64Array, second: Float64Array): Float64Array =>
  correlated(...twoSpectra(first, second, FIELD), 0);

/**
 * The next best place of the second picture on the first, moved but neither turned nor scaled: a thing that repeats, as the
 * lines of a scale or a board, lies on itself at every period. Alike is told by the correlation over what is common there.
 *
 * @param a band-passed logarithm of the light, at most 512 px along its longer side; and so is `b`
 * @param match where they were laid, px of these copies
 */
export function otherMatch(a: Grey, b: Grey, match: Similarity): OtherMatch {
  const { first, second, inside, step } = common(a, b, match);
  const together = products(first, second);
  // Where they do not agree at all any other place is better.
  if (!(together[0]! > 0)) return { share: Infinity, offPx: 0 };
  const ownFirst = products(
    first.map((value) => value * value),
    inside,
  );
  const ownSecond = products(
    inside,
    second.map((value) => value * value),
  );
  const power = ownFirst.map((own, k) => Math.sqrt(Math.max(0, own) * Math.max(0, ownSecond[k]!)));
  const alike = together.map((sum, k) => (power[k]! > ENOUGH * power[0]! ? sum / power[k]! : 0));
  return outside(alike, step);
}

/** The nearest of the highest places of a map outside the hill around its middle. */
function outside(map: Float64Array, step: number): OtherMatch {
  const top = map[0]!;
  const hill = hillOf(map, HILL * top);
  const highest = map.reduce((most, each, k) => (hill[k] || each <= most ? most : each), 0);
  let offPx = highest > 0 ? Infinity : 0;
  for (let k = 0; k < map.length; k++) {
    if (hill[k] || map[k]! < AS_HIGH * highest) continue;
    const [dx, dy] = [frequencyAt(k % FIELD, FIELD), frequencyAt(Math.floor(k / FIELD), FIELD)];
    offPx = Math.min(offPx, step * FIELD * Math.hypot(dx, dy));
  }
  return { share: highest / top, offPx };
}

/** What hangs together with the middle of a map above a height. */
function hillOf(map: Float64Array, least: number): Uint8Array {
  const hill = new Uint8Array(map.length);
  const open = [0];
  hill[0] = 1;
  while (open.length) {
    const k = open.pop()!;
    const [x, y] = [k % FIELD, Math.floor(k / FIELD)];
    const next = [y * FIELD + ((x + 1) % FIELD), y * FIELD + ((x + FIELD - 1) % FIELD)];
    for (const at of [...next, (k + FIELD) % SIZE, (k + SIZE - FIELD) % SIZE]) {
      if (hill[at] || map[at]! < least) continue;
      hill[at] = 1;
      open.push(at);
    }
  }
  return hill;
}
