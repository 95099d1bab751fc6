import FFT from 'fft.js';
import { systemResponse, type DetailParts } from './response';
import type { SubjectKind } from '../kit/subjects';
import { textureOf } from './textures/texture';

/** How one set-up sees the subject: its pixels there, and what its system keeps. */
export interface PatchSystem {
  /** Size of a pixel on the subject, mm. */
  pixelMm: number;
  /** Reproduction ratio, which carries frequencies on the subject to the sensor. */
  ratio: number;
  parts: DetailParts;
}

/** Side of a patch in picture points; a power of two. */
export const PATCH_SIZE = 256;
/** The finest set-up gets this many pixels across the patch; the scene is drawn twice as fine. */
const FINEST_PIXELS = PATCH_SIZE / 2;
/** Side of the piece of the subject that is shown, mm: the same for all set-ups. */
export const patchSideMm = (systems: Pick<PatchSystem, 'pixelMm'>[]): number =>
  FINEST_PIXELS * Math.min(...systems.map((each) => each.pixelMm));

/** Re, im, re, im …, PATCH_SIZE squared of them. */
type Spectrum = Float64Array;

const VALUES = 2 * PATCH_SIZE * PATCH_SIZE;
const ROW = 2 * PATCH_SIZE;

/** Swaps rows and columns. */
function transpose(data: Spectrum): Spectrum {
  const turned = new Float64Array(VALUES);
  for (let y = 0; y < PATCH_SIZE; y++) {
    for (let x = 0; x < PATCH_SIZE; x++) {
      turned[x * ROW + 2 * y] = data[y * ROW + 2 * x]!;
      turned[x * ROW + 2 * y + 1] = data[y * ROW + 2 * x + 1]!;
    }
  }
  return turned;
}

/**
 * Transforms the rows, then the columns, which come out as rows: forth and back the picture lies as it did, and what a
 * response does to a spectrum is the same either way round.
 */
function transform2d(data: Spectrum, inverse: boolean): Spectrum {
  const fft = new FFT(PATCH_SIZE);
  const out = new Float64Array(ROW);
  const rows = (values: Spectrum) => {
    for (let y = 0; y < PATCH_SIZE; y++) {
      const row = values.subarray(y * ROW, (y + 1) * ROW);
      if (inverse) fft.inverseTransform(out, row);
      else fft.transform(out, row);
      row.set(out);
    }
  };
  rows(data);
  const turned = transpose(data);
  rows(turned);
  return turned;
}

/** What is looked at: its kind sets what covers it, its size how fine that is. */
export interface PatchSubject {
  kind: SubjectKind;
  sizeMm: number;
}

/** The scene before any lens: brightness 0 to 1, PATCH_SIZE squared. */
export function scene(sideMm: number, { kind, sizeMm }: PatchSubject): Float64Array {
  const { at, drawnForMm } = textureOf(kind);
  const scale = (sideMm / PATCH_SIZE) * (drawnForMm / sizeMm);
  const picture = new Float64Array(PATCH_SIZE * PATCH_SIZE);
  for (let y = 0; y < PATCH_SIZE; y++) {
    for (let x = 0; x < PATCH_SIZE; x++) picture[y * PATCH_SIZE + x] = at(x * scale, y * scale);
  }
  return picture;
}

/** Catmull-Rom weights of the four neighbours of a place between two points. */
function weights(t: number): [number, number, number, number] {
  return [
    ((-t + 2) * t - 1) * t * 0.5,
    ((3 * t - 5) * t * t + 2) * 0.5,
    ((-3 * t + 4) * t + 1) * t * 0.5,
    (t - 1) * t * t * 0.5,
  ];
}

/** For each point of the patch, which four of `count` samples it lies between and their weights. */
function neighbours(count: number): { at: Int32Array; weight: Float64Array } {
  const at = new Int32Array(4 * PATCH_SIZE);
  const weight = new Float64Array(4 * PATCH_SIZE);
  for (let i = 0; i < PATCH_SIZE; i++) {
    const place = ((i + 0.5) * count) / PATCH_SIZE - 0.5;
    const first = Math.floor(place);
    weights(place - first).forEach((each, k) => {
      at[4 * i + k] = Math.min(count - 1, Math.max(0, first - 1 + k));
      weight[4 * i + k] = each;
    });
  }
  return { at, weight };
}

/** Takes samples every `pixelMm` and enlarges them to the patch again, as an enlarger of pictures does: along x, then along y. */
function sampled(blurred: Float64Array, sideMm: number, pixelMm: number): Float64Array {
  const count = Math.max(2, Math.round(sideMm / pixelMm));
  const step = PATCH_SIZE / count;
  const { at, weight } = neighbours(count);
  const pointOf = (sample: number) => Math.min(PATCH_SIZE - 1, Math.floor((sample + 0.5) * step));
  const wide = new Float64Array(count * PATCH_SIZE);
  const row = new Float64Array(count);
  for (let y = 0; y < count; y++) {
    const from = pointOf(y) * PATCH_SIZE;
    for (let x = 0; x < count; x++) row[x] = blurred[from + pointOf(x)]!;
    for (let x = 0; x < PATCH_SIZE; x++) {
      const k = 4 * x;
      wide[y * PATCH_SIZE + x] =
        weight[k]! * row[at[k]!]! +
        weight[k + 1]! * row[at[k + 1]!]! +
        weight[k + 2]! * row[at[k + 2]!]! +
        weight[k + 3]! * row[at[k + 3]!]!;
    }
  }
  const out = new Float64Array(PATCH_SIZE * PATCH_SIZE);
  for (let y = 0; y < PATCH_SIZE; y++) {
    const k = 4 * y;
    const rows = [
      at[k]! * PATCH_SIZE,
      at[k + 1]! * PATCH_SIZE,
      at[k + 2]! * PATCH_SIZE,
      at[k + 3]! * PATCH_SIZE,
    ] as const;
    for (let x = 0; x < PATCH_SIZE; x++) {
      const value =
        weight[k]! * wide[rows[0] + x]! +
        weight[k + 1]! * wide[rows[1] + x]! +
        weight[k + 2]! * wide[rows[2] + x]! +
        weight[k + 3]! * wide[rows[3] + x]!;
      out[y * PATCH_SIZE + x] = value < 0 ? 0 : value > 1 ? 1 : value;
    }
  }
  return out;
}

/** What a system keeps at the frequencies of the patch, by their size in steps of one over its side. */
function responseTable({ ratio, parts }: PatchSystem, sideMm: number): Float64Array {
  const table = new Float64Array(PATCH_SIZE);
  for (let n = 0; n < PATCH_SIZE; n++) table[n] = systemResponse(n / sideMm / ratio, parts);
  return table;
}

/**
 * The same piece of the subject as each set-up renders it: blurred by its real response, sampled by its pixels, enlarged to the
 * same size. What the eye sees there is what the numbers say.
 *
 * @returns one picture a set-up, brightness 0 to 1, PATCH_SIZE squared
 */
export function detailPatches(systems: PatchSystem[], subject: PatchSubject): Float64Array[] {
  const sideMm = patchSideMm(systems);
  const original = scene(sideMm, subject);
  const points = new Float64Array(VALUES);
  for (let i = 0; i < original.length; i++) points[2 * i] = original[i]!;
  const spectrum = transform2d(points, false);
  const patches: Float64Array[] = [];
  // Blurred pictures are real, so two of them come back from one transform: one as its real part, one as its imaginary.
  for (let first = 0; first < systems.length; first += 2) {
    const pair = systems.slice(first, first + 2);
    const [a, b = a] = pair.map((system) => responseTable(system, sideMm)) as [Float64Array, Float64Array?];
    const filtered = new Float64Array(VALUES);
    for (let y = 0; y < PATCH_SIZE; y++) {
      const fy = y < PATCH_SIZE / 2 ? y : y - PATCH_SIZE;
      for (let x = 0; x < PATCH_SIZE; x++) {
        const fx = x < PATCH_SIZE / 2 ? x : x - PATCH_SIZE;
        const size = Math.sqrt(fx * fx + fy * fy);
        const low = Math.min(PATCH_SIZE - 2, Math.floor(size));
        const share = size - low;
        const keptA = a[low]! + (a[low + 1]! - a[low]!) * share;
        const keptB = b[low]! + (b[low + 1]! - b[low]!) * share;
        const i = y * ROW + 2 * x;
        filtered[i] = spectrum[i]! * keptA - spectrum[i + 1]! * keptB;
        filtered[i + 1] = spectrum[i + 1]! * keptA + spectrum[i]! * keptB;
      }
    }
    const blurred = transform2d(filtered, true);
    pair.forEach((system, part) => {
      const picture = new Float64Array(PATCH_SIZE * PATCH_SIZE);
      for (let i = 0; i < picture.length; i++) picture[i] = blurred[2 * i + part]!;
      patches.push(sampled(picture, sideMm, system.pixelMm));
    });
  }
  return patches;
}
