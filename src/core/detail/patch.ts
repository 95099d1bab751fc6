import FFT from 'fft.js';
import { systemResponse, type DetailParts } from './response';
import { plumage } from './texture';

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
/** The subject the plumage is drawn for, mm. */
const DRAWN_FOR_MM = 550;

/** Side of the piece of the subject that is shown, mm: the same for all set-ups. */
export const patchSideMm = (systems: Pick<PatchSystem, 'pixelMm'>[]): number => FINEST_PIXELS * Math.min(...systems.map((each) => each.pixelMm));

type Complex = number[];

/** Transforms rows, then columns, in place. */
function transform2d(data: Complex, size: number, inverse: boolean): void {
  const fft = new FFT(size);
  const line = fft.createComplexArray();
  const out = fft.createComplexArray();
  const run = () => (inverse ? fft.inverseTransform(out, line) : fft.transform(out, line));
  for (let y = 0; y < size; y++) {
    const at = y * size * 2;
    for (let i = 0; i < size * 2; i++) line[i] = data[at + i]!;
    run();
    for (let i = 0; i < size * 2; i++) data[at + i] = out[i]!;
  }
  for (let x = 0; x < size; x++) {
    for (let y = 0; y < size; y++) {
      line[2 * y] = data[(y * size + x) * 2]!;
      line[2 * y + 1] = data[(y * size + x) * 2 + 1]!;
    }
    run();
    for (let y = 0; y < size; y++) {
      data[(y * size + x) * 2] = out[2 * y]!;
      data[(y * size + x) * 2 + 1] = out[2 * y + 1]!;
    }
  }
}

/** The scene before any lens: brightness 0 to 1, PATCH_SIZE squared. */
export function scene(sideMm: number, subjectMm: number): Float64Array {
  const scale = (sideMm / PATCH_SIZE) * (DRAWN_FOR_MM / subjectMm);
  return Float64Array.from({ length: PATCH_SIZE * PATCH_SIZE }, (_, i) => plumage((i % PATCH_SIZE) * scale, Math.floor(i / PATCH_SIZE) * scale));
}

/** Catmull-Rom weights of the four neighbours of a place between two points. */
function weights(t: number): [number, number, number, number] {
  return [((-t + 2) * t - 1) * t * 0.5, ((3 * t - 5) * t * t + 2) * 0.5, ((-3 * t + 4) * t + 1) * t * 0.5, (t - 1) * t * t * 0.5];
}

/** Takes samples every `pixelMm` and enlarges them to the patch again, as an enlarger of pictures does. */
function sampled(blurred: Float64Array, sideMm: number, pixelMm: number): Float64Array {
  const count = Math.max(2, Math.round(sideMm / pixelMm));
  const step = PATCH_SIZE / count;
  const at = (x: number, y: number) => blurred[Math.min(PATCH_SIZE - 1, Math.floor((y + 0.5) * step)) * PATCH_SIZE + Math.min(PATCH_SIZE - 1, Math.floor((x + 0.5) * step))]!;
  const pixels = Float64Array.from({ length: count * count }, (_, i) => at(i % count, Math.floor(i / count)));
  const held = (n: number) => Math.min(count - 1, Math.max(0, n));
  const out = new Float64Array(PATCH_SIZE * PATCH_SIZE);
  for (let y = 0; y < PATCH_SIZE; y++) {
    const sy = (y + 0.5) / step - 0.5;
    const y0 = Math.floor(sy);
    const wy = weights(sy - y0);
    for (let x = 0; x < PATCH_SIZE; x++) {
      const sx = (x + 0.5) / step - 0.5;
      const x0 = Math.floor(sx);
      const wx = weights(sx - x0);
      let sum = 0;
      for (let j = 0; j < 4; j++) {
        const row = held(y0 - 1 + j) * count;
        sum += wy[j]! * (wx[0] * pixels[row + held(x0 - 1)]! + wx[1] * pixels[row + held(x0)]! + wx[2] * pixels[row + held(x0 + 1)]! + wx[3] * pixels[row + held(x0 + 2)]!);
      }
      out[y * PATCH_SIZE + x] = Math.min(1, Math.max(0, sum));
    }
  }
  return out;
}

/**
 * The same piece of plumage as each set-up renders it: blurred by its real response, sampled by its pixels, enlarged to the
 * same size. What the eye sees there is what the numbers say.
 *
 * @param subjectMm length of the subject, which sets how fine its plumage is
 * @returns one picture a set-up, brightness 0 to 1, PATCH_SIZE squared
 */
export function detailPatches(systems: PatchSystem[], subjectMm: number): Float64Array[] {
  const sideMm = patchSideMm(systems);
  const original = scene(sideMm, subjectMm);
  const spectrum: Complex = new Array<number>(PATCH_SIZE * PATCH_SIZE * 2).fill(0);
  original.forEach((value, i) => {
    spectrum[2 * i] = value;
  });
  transform2d(spectrum, PATCH_SIZE, false);
  return systems.map((system) => {
    // The response depends on the frequency's size alone: a table of it is enough.
    const perMm = 1 / sideMm;
    const table = Float64Array.from({ length: PATCH_SIZE }, (_, n) => systemResponse((n * perMm) / system.ratio, system.parts));
    const filtered: Complex = new Array<number>(spectrum.length);
    for (let y = 0; y < PATCH_SIZE; y++) {
      const fy = y < PATCH_SIZE / 2 ? y : y - PATCH_SIZE;
      for (let x = 0; x < PATCH_SIZE; x++) {
        const fx = x < PATCH_SIZE / 2 ? x : x - PATCH_SIZE;
        const size = Math.hypot(fx, fy);
        const low = Math.min(PATCH_SIZE - 2, Math.floor(size));
        const response = table[low]! + (table[low + 1]! - table[low]!) * (size - low);
        const i = (y * PATCH_SIZE + x) * 2;
        filtered[i] = spectrum[i]! * response;
        filtered[i + 1] = spectrum[i + 1]! * response;
      }
    }
    transform2d(filtered, PATCH_SIZE, true);
    const blurred = Float64Array.from({ length: PATCH_SIZE * PATCH_SIZE }, (_, i) => filtered[2 * i]!);
    return sampled(blurred, sideMm, system.pixelMm);
  });
}
