import { lightAt, type Grey } from '../../picture/grey';
import { correlated } from './correlated';
import { fft2, frequencyAt, realWaves, twoSpectra } from './fft2';
import { mapped, type Similarity } from './similarity';

/** Scales between two pictures that are looked for, as a factor either way. */
const MOST_SCALE = 3;
/** Side of the spectra. */
const SIZE = 512;
/** Frequencies of the ring that is unrolled, cycles/px. */
const LOW = 0.02;
const HIGH = 0.42;
const LOG_STEP = Math.log(HIGH / LOW) / (SIZE / 2);
/** A peak of the common field so many deviations high is no chance. */
const SHARP = 9;
/** One so high is the place, near enough for finer steps: nothing else need be tried. */
const CERTAIN = 25;

const hann = (i: number, n: number): number => 0.5 - 0.5 * Math.cos((2 * Math.PI * (i + 0.5)) / n);

/** The logarithm of a picture's power, by logarithm of frequency (rows) and direction (columns), evened out ring by ring. */
function unrolled(grey: Grey): Float64Array {
  const { width, height, data } = grey;
  const values = new Float64Array(SIZE * SIZE);
  const mean = data.reduce((a, b) => a + b, 0) / data.length;
  const [w, h] = [Math.min(SIZE, width), Math.min(SIZE, height)];
  const [x0, y0] = [Math.floor((width - w) / 2), Math.floor((height - h) / 2)];
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++)
      values[y * SIZE + x] = (data[(y + y0) * width + x + x0]! - mean) * hann(x, w) * hann(y, h);
  const { data: waves } = fft2(realWaves(values, SIZE));
  const power = new Float32Array(SIZE * SIZE);
  for (let y = 0; y < SIZE; y++)
    for (let x = 0; x < SIZE; x++) {
      const at = 2 * (y * SIZE + x);
      // Turned so that the middle is frequency nothing, for reading between the samples.
      const to = ((y + SIZE / 2) % SIZE) * SIZE + ((x + SIZE / 2) % SIZE);
      power[to] = Math.log(waves[at]! ** 2 + waves[at + 1]! ** 2 + 1e-12);
    }
  const spectrum: Grey = { width: SIZE, height: SIZE, data: power, step: 0 };
  const rows = SIZE / 2;
  const out = new Float64Array(SIZE * SIZE);
  for (let j = 0; j < rows; j++) {
    const radius = LOW * Math.exp(j * LOG_STEP) * SIZE;
    let [sum, squares] = [0, 0];
    for (let i = 0; i < SIZE; i++) {
      const turn = (Math.PI * i) / SIZE;
      const value = lightAt(spectrum, SIZE / 2 + radius * Math.cos(turn), SIZE / 2 + radius * Math.sin(turn));
      out[j * SIZE + i] = value;
      sum += value;
      squares += value * value;
    }
    const mid = sum / SIZE;
    const deviation = Math.sqrt(Math.max(1e-9, squares / SIZE - mid * mid));
    for (let i = 0; i < SIZE; i++) out[j * SIZE + i] = (out[j * SIZE + i]! - mid) / deviation;
  }
  return out;
}

interface ScaleTurn {
  scale: number;
  turnDeg: number;
}

/** The likeliest scales and turns, by the shift between the unrolled spectra. */
function scaleTurns(a: Grey, b: Grey, wanted: number): ScaleTurn[] {
  const map = correlated(...twoSpectra(unrolled(a), unrolled(b), SIZE), 0.5);
  const reach = Math.ceil(Math.log(MOST_SCALE) / LOG_STEP);
  const found: { value: number; down: number; across: number }[] = [];
  const taken: [number, number][] = [];
  for (let k = 0; k < wanted; k++) {
    let best = { value: -Infinity, down: 0, across: 0 };
    for (let down = -reach; down <= reach; down++)
      for (let across = 0; across < SIZE; across++) {
        const value = map[((down + SIZE) % SIZE) * SIZE + across]!;
        if (value <= best.value) continue;
        const near = taken.some(([d, c]) => {
          const turn = Math.abs(across - c);
          return Math.abs(down - d) < 6 && Math.min(turn, SIZE - turn) < 6;
        });
        if (!near) best = { value, down, across };
      }
    found.push(best);
    taken.push([best.down, best.across]);
  }
  return found.map(({ down, across }) => ({
    // A picture that is larger has its frequencies lower.
    scale: Math.exp(-down * LOG_STEP),
    turnDeg: (((((across * 180) / SIZE + 90) % 180) + 180) % 180) - 90,
  }));
}

const FIELD = 256;

/** How well two pictures agree at a scale and turn, and the shift at which they do. */
function agreement(
  a: Grey,
  b: Grey,
  { scale, turnDeg }: ScaleTurn,
  size: number,
): { sharpness: number; match: Similarity } {
  const turn = (turnDeg * Math.PI) / 180;
  const [p, q] = [scale * Math.cos(turn), scale * Math.sin(turn)];
  const [ax, ay] = [(a.width - 1) / 2, (a.height - 1) / 2];
  const to = mapped({ p, q, tx: 0, ty: 0 }, a, b);
  // The grid covers what both show, in px of the first.
  const span = Math.min(Math.max(a.width, a.height), Math.max(b.width, b.height) / scale);
  const step = span / size;
  const [first, second] = [new Float64Array(size * size), new Float64Array(size * size)];
  const window = Float64Array.from({ length: size }, (_, i) => hann(i, size));
  for (let j = 0; j < size; j++)
    for (let i = 0; i < size; i++) {
      const [x, y] = [ax + (i + 0.5 - size / 2) * step, ay + (j + 0.5 - size / 2) * step];
      const weight = window[i]! * window[j]!;
      if (x >= 0 && y >= 0 && x <= a.width - 1 && y <= a.height - 1) first[j * size + i] = weight * lightAt(a, x, y);
      const [bx, by] = to(x, y);
      if (bx >= 0 && by >= 0 && bx <= b.width - 1 && by <= b.height - 1)
        second[j * size + i] = weight * lightAt(b, bx, by);
    }
  const map = correlated(...twoSpectra(first, second, size), 0.8);
  let [best, squares] = [0, 0];
  for (let k = 0; k < map.length; k++) {
    squares += map[k]! ** 2;
    if (map[k]! > map[best]!) best = k;
  }
  const [dx, dy] = [
    frequencyAt(best % size, size) * size * step,
    frequencyAt(Math.floor(best / size), size) * size * step,
  ];
  // What lies on the grid at x in the first lies at x + d in the second.
  return {
    sharpness: map[best]! / Math.sqrt(squares / map.length),
    match: { p, q, tx: p * dx - q * dy, ty: q * dx + p * dy },
  };
}

/** Scales and turns tried one by one when the spectra do not tell. */
function* allScaleTurns(): Generator<ScaleTurn> {
  for (let scale = 0.38; scale < 2.7; scale *= 1.045)
    for (let turnDeg = -14; turnDeg <= 14; turnDeg += 2) yield { scale, turnDeg };
}

/**
 * Where one picture roughly lies on another, by their spectra, and if these do not tell by trying.
 *
 * @param a band-passed logarithm of the light, at most 512 px along its longer side
 * @returns nothing where they show no common field
 */
export function coarseMatch(a: Grey, b: Grey, onProgress?: (share: number) => void): Similarity | null {
  let best: { sharpness: number; match: Similarity } = { sharpness: 0, match: { p: 1, q: 0, tx: 0, ty: 0 } };
  let likeliest: ScaleTurn | null = null;
  for (const near of scaleTurns(a, b, 4)) {
    const tried = agreement(a, b, near, FIELD);
    if (tried.sharpness > best.sharpness) [best, likeliest] = [tried, near];
    if (best.sharpness > CERTAIN) return best.match;
  }
  onProgress?.(0.2);
  for (const ds of [0, -1, 1])
    for (const dt of [0, -1, 1]) {
      if (!likeliest || (ds === 0 && dt === 0)) continue;
      const scale = likeliest.scale * Math.exp(ds * LOG_STEP * 1.2);
      const tried = agreement(a, b, { scale, turnDeg: likeliest.turnDeg + (dt * 180) / SIZE }, FIELD);
      if (tried.sharpness > best.sharpness) best = tried;
    }
  onProgress?.(0.3);
  if (best.sharpness > SHARP) return best.match;
  let done = 0;
  let rough: { sharpness: number; match: Similarity; at: ScaleTurn } | null = null;
  for (const at of allScaleTurns()) {
    const tried = agreement(a, b, at, FIELD / 2);
    if (!rough || tried.sharpness > rough.sharpness) rough = { ...tried, at };
    if (++done % 40 === 0) onProgress?.(0.3 + done / 1000);
  }
  if (!rough) return null;
  for (const ds of [-0.02, -0.01, 0, 0.01, 0.02])
    for (const dt of [-1, -0.5, 0, 0.5, 1]) {
      const tried = agreement(a, b, { scale: rough.at.scale * (1 + ds), turnDeg: rough.at.turnDeg + dt }, FIELD);
      if (tried.sharpness > best.sharpness) best = tried;
    }
  return best.sharpness > SHARP ? best.match : null;
}
