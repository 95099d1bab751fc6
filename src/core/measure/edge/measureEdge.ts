import type { Grey } from '../../picture/grey';
import { edgeDegOf, offLine, type EdgeLine } from './edgeLine';
import { edgeSpread, meanSpread, PARTS, type EdgeSpread, type Uses } from './edgeSpread';
import { fallsBelow, FREQUENCIES, responseOf, riseOf } from './response';

/** A frequency with its error, cycles/px along the normal. */
export interface Frequency {
  value: number;
  plusMinus: number;
}

/** What is to be said of a measured edge. */
export type EdgeWarning = 'sharpened' | 'clipped' | 'angle' | 'short' | 'empty' | 'bent' | 'faint' | 'narrow';

/** One edge and its response. */
export interface EdgeFound {
  /** Contrast kept of a wave of each frequency, cycles/px along the normal, and the error of each. */
  frequencies: number[];
  mtf: number[];
  mtfError: number[];
  /** Where it first falls to a half, a fifth, a tenth; nothing where it does not below one cycle a pixel. */
  mtf50: Frequency | null;
  mtf20: Frequency | null;
  mtf10: Frequency | null;
  /** Direction of the edge, degrees from +x towards +y, 0 to 180. */
  edgeDeg: number;
  edgeDegError: number;
  /** Its two ends, px, and how long it is. */
  ends: [[number, number], [number, number]];
  lengthPx: number;
  /** px on each side that were looked at. */
  reachPx: number;
  /** Step ÷ sum of the two levels. */
  contrast: number;
  warnings: EdgeWarning[];
}

/** An edge that was found: where it lies, how far it is free of anything else, how blurred it is. */
export interface PlacedEdge {
  line: EdgeLine;
  reach: number;
  width: number;
}

/** Fewer tell too little to divide into parts. */
const LEAST_LENGTH = 20;

/** Factor for 95 % with ten parts, and the share a response may be off without any noise. */
const STUDENT = 2.26;
const SYSTEMATIC = 0.003;
/** What the pixels' own pattern may turn an edge by, degrees. */
const LEAST_ERROR_DEG = 0.002;

/** An error by leaving out parts: of `all` parts with values that differ. */
function jackknife(values: number[]): number {
  const mean = values.reduce((a, b) => a + b, 0) / values.length;
  return Math.sqrt(((values.length - 1) / values.length) * values.reduce((a, b) => a + (b - mean) ** 2, 0));
}

function frequencyOf(mtf: Float64Array, parts: Float64Array[], level: number, stepError: number): Frequency | null {
  const value = fallsBelow(mtf, level);
  if (value === null) return null;
  const others = parts.map((part) => fallsBelow(part, level) ?? 1);
  // An error of the step moves the whole response, and the crossing by as much as its slope there says.
  const k = Math.max(1, Math.min(FREQUENCIES.length - 1, Math.ceil(value * 100)));
  const slope = Math.max(0.2, (mtf[k - 1]! - mtf[k]!) / (FREQUENCIES[k]! - FREQUENCIES[k - 1]!));
  return {
    value,
    plusMinus: Math.hypot(STUDENT * jackknife(others), (2 * stepError * level) / slope, SYSTEMATIC * value),
  };
}

/** Share of the pixels near the edge that are as bright as the file goes, or quite black. */
function clippedShare(grey: Grey, line: EdgeLine, reach: number): number {
  let [full, count] = [0, 0];
  const spanX = Math.abs(line.along[0]) * line.half + reach;
  const spanY = Math.abs(line.along[1]) * line.half + reach;
  const every = Math.max(1, Math.floor(Math.sqrt((4 * spanX * spanY) / 40_000)));
  for (let y = Math.max(0, Math.ceil(line.y - spanY)); y <= Math.min(grey.height - 1, line.y + spanY); y += every)
    for (let x = Math.max(0, Math.ceil(line.x - spanX)); x <= Math.min(grey.width - 1, line.x + spanX); x += every) {
      const [u, v] = offLine(line, x, y);
      if (Math.abs(u) > line.half || Math.abs(v) > reach) continue;
      const light = grey.data[y * grey.width + x]!;
      if (light >= 0.999 || light <= 0) full++;
      count++;
    }
  return full / Math.max(1, count);
}

/** Near these slopes the rows fall onto one another, and bins stay empty: along the pixels, their diagonals, and simple ones. */
const EMPTY_SLOPES = [0, 1 / 4, 1 / 3, 1 / 2, 1];

function badAngle({ along: [x, y], half }: EdgeLine): boolean {
  const slope = Math.min(Math.abs(x), Math.abs(y)) / Math.max(Math.abs(x), Math.abs(y));
  // Over the whole length the phase must run through at least two pixels.
  return EMPTY_SLOPES.some((each) => Math.abs(slope - each) * 2 * half < 2);
}

function warningsOf(
  grey: Grey,
  line: EdgeLine,
  spread: EdgeSpread,
  mtf: Float64Array,
  reach: number,
  empty: number,
): EdgeWarning[] {
  const contrast = (spread.light - spread.dark) / (spread.light + spread.dark);
  const highest = Math.max(...mtf.subarray(0, 60));
  const told: [EdgeWarning, boolean][] = [
    ['sharpened', highest > 1.05],
    ['clipped', clippedShare(grey, line, reach) > 0.05],
    ['angle', badAngle(line)],
    ['empty', empty > 0.1],
    ['short', 2 * line.half < 60],
    ['bent', Math.abs(line.bend) * line.half * line.half > 0.5],
    ['faint', contrast < 0.12],
    ['narrow', reach < 12],
  ];
  return told.filter(([, is]) => is).map(([name]) => name);
}

/**
 * The response of one edge.
 *
 * @param uses which pixels count: of a mosaic those of one colour, so that nothing is made up between them
 */
export function measureEdge(grey: Grey, placed: PlacedEdge, uses?: Uses): EdgeFound | null {
  const { line } = placed;
  if (2 * line.half < LEAST_LENGTH) return null;
  const first = edgeSpread(grey, line, placed.reach, Math.min(0.6 * placed.reach, Math.max(4, 2 * placed.width)), uses);
  if (!first) return null;
  const rise = riseOf(first, meanSpread(first).row);
  const apart = Math.min(0.6 * placed.reach, Math.max(5, 2.2 * rise));
  const spread = edgeSpread(grey, line, placed.reach, apart, uses) ?? first;
  const { mtf } = responseOf(spread);
  const parts = Array.from({ length: PARTS }, (_, part) => responseOf(spread, part).mtf);
  const { empty } = meanSpread(spread);
  const at = (level: number) => frequencyOf(mtf, parts, level, spread.stepError);
  const end = (side: 1 | -1): [number, number] => [
    line.x + side * line.half * line.along[0],
    line.y + side * line.half * line.along[1],
  ];
  return {
    frequencies: FREQUENCIES,
    mtf: [...mtf],
    mtfError: FREQUENCIES.map((_, k) =>
      Math.hypot(
        STUDENT * jackknife(parts.map((part) => part[k]!)),
        (2 * spread.stepError + SYSTEMATIC) * mtf[k]!,
        k === 0 ? 0 : 0.002,
      ),
    ),
    mtf50: at(0.5),
    mtf20: at(0.2),
    mtf10: at(0.1),
    edgeDeg: edgeDegOf(line),
    edgeDegError: Math.hypot(line.errorDeg ?? 0, LEAST_ERROR_DEG),
    ends: [end(-1), end(1)],
    lengthPx: 2 * line.half,
    reachPx: placed.reach,
    contrast: (spread.light - spread.dark) / (spread.light + spread.dark),
    warnings: warningsOf(grey, line, spread, mtf, placed.reach, empty),
  };
}
