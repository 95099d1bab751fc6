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

/** Side of a patch in picture points, where no other is asked for; a power of two. */
export const PATCH_SIZE = 256;
/**
 * Side of the piece of the subject that is shown, mm: the same for all set-ups. The finest of them gets half as many pixels
 * across it as the patch has points, `size`, as the scene is drawn twice as fine.
 */
export const patchSideMm = (systems: Pick<PatchSystem, 'pixelMm'>[], size = PATCH_SIZE): number =>
  (size / 2) * Math.min(...systems.map((each) => each.pixelMm));

/** Re, im, re, im …, as many as the patch has points. */
type Spectrum = Float64Array;

/** Swaps rows and columns. */
function transpose(data: Spectrum, size: number): Spectrum {
  const row = 2 * size;
  const turned = new Float64Array(data.length);
  for (let y = 0; y < size; y++) {
    for (let x = 0; x < size; x++) {
      turned[x * row + 2 * y] = data[y * row + 2 * x]!;
      turned[x * row + 2 * y + 1] = data[y * row + 2 * x + 1]!;
    }
  }
  return turned;
}

/**
 * Transforms the rows, then the columns, which come out as rows: forth and back the picture lies as it did, and what a
 * response does to a spectrum is the same either way round.
 */
function transform2d(data: Spectrum, size: number, inverse: boolean): Spectrum {
  const fft = new FFT(size);
  const out = new Float64Array(2 * size);
  const rows = (values: Spectrum) => {
    for (let y = 0; y < size; y++) {
      const row = values.subarray(2 * y * size, 2 * (y + 1) * size);
      if (inverse) fft.inverseTransform(out, row);
      else fft.transform(out, row);
      row.set(out);
    }
  };
  rows(data);
  const turned = transpose(data, size);
  rows(turned);
  return turned;
}

/** What is looked at: its kind sets what covers it, its size how fine that is. */
export interface PatchSubject {
  kind: SubjectKind;
  sizeMm: number;
}

/** The scene before any lens: brightness 0 to 1, `size` squared of them over `sideMm`. */
export function scene(sideMm: number, { kind, sizeMm }: PatchSubject, size = PATCH_SIZE): Float64Array {
  const { at, drawnForMm } = textureOf(kind);
  const scale = (sideMm / size) * (drawnForMm / sizeMm);
  const picture = new Float64Array(size * size);
  for (let y = 0; y < size; y++) {
    for (let x = 0; x < size; x++) picture[y * size + x] = at(x * scale, y * scale);
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
function neighbours(count: number, size: number): { at: Int32Array; weight: Float64Array } {
  const at = new Int32Array(4 * size);
  const weight = new Float64Array(4 * size);
  for (let i = 0; i < size; i++) {
    const place = ((i + 0.5) * count) / size - 0.5;
    const first = Math.floor(place);
    weights(place - first).forEach((each, k) => {
      at[4 * i + k] = Math.min(count - 1, Math.max(0, first - 1 + k));
      weight[4 * i + k] = each;
    });
  }
  return { at, weight };
}

/** Takes samples every `pixelMm` and enlarges them to the patch again, as an enlarger of pictures does: along x, then along y. */
function sampled(blurred: Float64Array, size: number, sideMm: number, pixelMm: number): Float64Array {
  const count = Math.max(2, Math.round(sideMm / pixelMm));
  const step = size / count;
  const { at, weight } = neighbours(count, size);
  const pointOf = (sample: number) => Math.min(size - 1, Math.floor((sample + 0.5) * step));
  const wide = new Float64Array(count * size);
  const row = new Float64Array(count);
  for (let y = 0; y < count; y++) {
    const from = pointOf(y) * size;
    for (let x = 0; x < count; x++) row[x] = blurred[from + pointOf(x)]!;
    for (let x = 0; x < size; x++) {
      const k = 4 * x;
      wide[y * size + x] =
        weight[k]! * row[at[k]!]! +
        weight[k + 1]! * row[at[k + 1]!]! +
        weight[k + 2]! * row[at[k + 2]!]! +
        weight[k + 3]! * row[at[k + 3]!]!;
    }
  }
  const out = new Float64Array(size * size);
  for (let y = 0; y < size; y++) {
    const k = 4 * y;
    const rows = [at[k]! * size, at[k + 1]! * size, at[k + 2]! * size, at[k + 3]! * size] as const;
    for (let x = 0; x < size; x++) {
      const value =
        weight[k]! * wide[rows[0] + x]! +
        weight[k + 1]! * wide[rows[1] + x]! +
        weight[k + 2]! * wide[rows[2] + x]! +
        weight[k + 3]! * wide[rows[3] + x]!;
      out[y * size + x] = value < 0 ? 0 : value > 1 ? 1 : value;
    }
  }
  return out;
}

/** Entries of a response table for each step of one wave more over the side: small pictures, whose steps are wide, get several. */
const entriesAStep = (size: number) => Math.max(1, PATCH_SIZE / size);

/** What a system keeps at the frequencies of the patch, by how many waves there are over its side. */
function responseTable({ ratio, parts }: PatchSystem, size: number, sideMm: number): Float64Array {
  const entries = entriesAStep(size);
  const table = new Float64Array(size * entries);
  for (let n = 0; n < table.length; n++) table[n] = systemResponse(n / entries / sideMm / ratio, parts);
  return table;
}

/**
 * The same piece of the subject as each set-up renders it: blurred by its real response, sampled by its pixels, enlarged to the
 * same size. What the eye sees there is what the numbers say.
 *
 * @param size side of the pictures in points; a power of two
 * @returns one picture a set-up, brightness 0 to 1, `size` squared
 */
export function detailPatches(systems: PatchSystem[], subject: PatchSubject, size = PATCH_SIZE): Float64Array[] {
  const sideMm = patchSideMm(systems, size);
  const entries = entriesAStep(size);
  const original = scene(sideMm, subject, size);
  const points = new Float64Array(2 * size * size);
  for (let i = 0; i < original.length; i++) points[2 * i] = original[i]!;
  const spectrum = transform2d(points, size, false);
  const patches: Float64Array[] = [];
  // Blurred pictures are real, so two of them come back from one transform: one as its real part, one as its imaginary.
  for (let first = 0; first < systems.length; first += 2) {
    const pair = systems.slice(first, first + 2);
    const [a, b = a] = pair.map((system) => responseTable(system, size, sideMm)) as [Float64Array, Float64Array?];
    const filtered = new Float64Array(2 * size * size);
    for (let y = 0; y < size; y++) {
      const fy = y < size / 2 ? y : y - size;
      for (let x = 0; x < size; x++) {
        const fx = x < size / 2 ? x : x - size;
        const place = Math.sqrt(fx * fx + fy * fy) * entries;
        // No frequency lies beyond 0.71 of the table.
        const low = Math.floor(place);
        const share = place - low;
        const keptA = a[low]! + (a[low + 1]! - a[low]!) * share;
        const keptB = b[low]! + (b[low + 1]! - b[low]!) * share;
        const i = 2 * (y * size + x);
        filtered[i] = spectrum[i]! * keptA - spectrum[i + 1]! * keptB;
        filtered[i + 1] = spectrum[i + 1]! * keptA + spectrum[i]! * keptB;
      }
    }
    const blurred = transform2d(filtered, size, true);
    pair.forEach((system, part) => {
      const picture = new Float64Array(size * size);
      for (let i = 0; i < picture.length; i++) picture[i] = blurred[2 * i + part]!;
      patches.push(sampled(picture, size, sideMm, system.pixelMm));
    });
  }
  return patches;
}
