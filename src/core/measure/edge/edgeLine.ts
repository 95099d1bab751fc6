import type { Grey } from '../../picture/grey';
import { solveNormal } from '../leastSquares';
import { median, robustDeviation } from '../smooth';

/** A stretch of a nearly straight edge on a picture, px. */
export interface EdgeLine {
  /** A place on it, about its middle. */
  x: number;
  y: number;
  /** Unit vector along it, and square to it, from the dark towards the light side. */
  along: readonly [number, number];
  normal: readonly [number, number];
  /** Half of its length, px. */
  half: number;
  /** How far it bends off its tangent at a px along it: bend·u². */
  bend: number;
  /** How far its direction may be off, degrees, about 95 %; where it was settled. */
  errorDeg?: number;
}

/** How far a place lies along a line from its middle, and how far off it towards the light, px. */
export function offLine({ x, y, along, normal, bend }: EdgeLine, px: number, py: number): [number, number] {
  const [dx, dy] = [px - x, py - y];
  const u = dx * along[0] + dy * along[1];
  return [u, dx * normal[0] + dy * normal[1] - bend * u * u];
}

/** Where the edge crosses one row (or column), with the contrast that says so. */
interface Crossing {
  /** Along: the row's number; across: where. */
  j: number;
  i: number;
  weight: number;
}

/** Rows where the edge stands steep, columns where it lies flat: in both, `i` runs across it and `j` along. */
interface Rows {
  across: number;
  along: number;
  at: (i: number, j: number) => number;
}

function rowsOf({ width, height, data }: Grey, steep: boolean): Rows {
  return steep
    ? { across: width, along: height, at: (i, j) => data[j * width + i]! }
    : { across: height, along: width, at: (i, j) => data[i * width + j]! };
}

/** The centroid of the light's slope under a window that follows the line. */
function crossingIn(rows: Rows, j: number, middle: number, window: number, sign: number): Crossing | null {
  const reach = Math.ceil(2.5 * window);
  const from = Math.max(1, Math.ceil(middle - reach));
  const to = Math.min(rows.across - 2, Math.floor(middle + reach));
  if (to - from < 4) return null;
  let [sum, moment] = [0, 0];
  for (let i = from; i <= to; i++) {
    const off = i - middle;
    const weight = Math.exp((-off * off) / (2 * window * window));
    const slope = sign * weight * (rows.at(i + 1, j) - rows.at(i - 1, j));
    sum += slope;
    moment += slope * off;
  }
  return sum > 0 ? { j, i: middle + moment / sum, weight: sum } : null;
}

/** A line, or where three terms are asked for a parabola, through crossings; what is far off is left out. */
function through(crossings: Crossing[], middleJ: number, terms: 2 | 3) {
  const scale = Math.max(1, ...crossings.map(({ j }) => Math.abs(j - middleJ)));
  const rowOf = (j: number) => [1, (j - middleJ) / scale, ((j - middleJ) / scale) ** 2].slice(0, terms);
  let kept = crossings;
  let solved: Float64Array | null = null;
  let deviation = 0;
  let normal: Float64Array[] = [];
  for (let round = 0; round < 4 && kept.length > 2 * terms; round++) {
    normal = Array.from({ length: terms }, () => new Float64Array(terms));
    const right = new Float64Array(terms);
    for (const { j, i, weight } of kept) {
      const row = rowOf(j);
      for (let a = 0; a < terms; a++) {
        right[a] = right[a]! + weight * row[a]! * i;
        for (let b = 0; b < terms; b++) normal[a]![b] = normal[a]![b]! + weight * row[a]! * row[b]!;
      }
    }
    solved = solveNormal(normal, right);
    if (!solved) return null;
    const fit = solved;
    const off = crossings.map(({ j, i }) => i - rowOf(j).reduce((sum, each, a) => sum + each * fit[a]!, 0));
    deviation = Math.max(0.02, robustDeviation(off));
    kept = crossings.filter((_, at) => Math.abs(off[at]!) < 3.5 * deviation);
  }
  return solved && { terms: solved, scale, deviation, count: kept.length };
}

/** Signs of a bend are believed beyond so many standard errors. */
const BENT = 4;

/**
 * The place of an edge to hundredths of a pixel: where it crosses each row, and a line through these.
 *
 * @param rough near the edge, its light side towards the normal
 * @param width of the blur across it, px
 */
export function settledLine(grey: Grey, rough: EdgeLine, width: number): EdgeLine | null {
  const steep = Math.abs(rough.normal[0]) >= Math.abs(rough.normal[1]);
  const rows = rowsOf(grey, steep);
  const [i0, j0] = steep ? [rough.x, rough.y] : [rough.y, rough.x];
  const [alongI, alongJ] = steep ? rough.along : [rough.along[1], rough.along[0]];
  const sign = Math.sign(steep ? rough.normal[0] : rough.normal[1]);
  let [p, q, r] = [i0, alongI / alongJ, 0];
  let slopeError = 0;
  const reach = Math.abs(rough.half * alongJ);
  const from = Math.max(0, Math.ceil(j0 - reach));
  const to = Math.min(rows.along - 1, Math.floor(j0 + reach));
  const window = Math.max(2, 1.2 * width);
  for (let round = 0; round < 6; round++) {
    const own = round === 0 ? 2 * window : window;
    const crossings: Crossing[] = [];
    for (let j = from; j <= to; j++) {
      const t = j - j0;
      const crossing = crossingIn(rows, j, p + q * t + r * t * t, own, sign);
      if (crossing) crossings.push(crossing);
    }
    if (crossings.length < 12) return null;
    // A row that sees no edge must not weigh, nor one that sees a brighter one weigh more.
    const usual = median(crossings.map(({ weight }) => weight));
    const seen = crossings
      .filter(({ weight }) => weight > 0.3 * usual)
      .map((each) => ({ ...each, weight: Math.min(each.weight, usual) }));
    const straight = through(seen, j0, 2);
    if (!straight) return null;
    [p, q, r] = [straight.terms[0]!, straight.terms[1]! / straight.scale, 0];
    // The standard error of the slope of evenly spread crossings: s·√(3/n) on −1…1.
    slopeError = (straight.deviation * Math.sqrt(3 / straight.count)) / straight.scale;
    const bent = round > 1 && seen.length > 40 ? through(seen, j0, 3) : null;
    // The standard error of the bend of evenly spread crossings: s·√(45/4n) on −1…1.
    if (bent && Math.abs(bent.terms[2]!) > BENT * bent.deviation * Math.sqrt(11.25 / bent.count))
      [p, q, r] = [bent.terms[0]!, bent.terms[1]! / bent.scale, bent.terms[2]! / bent.scale ** 2];
  }
  const size = Math.hypot(1, q);
  const along: [number, number] = steep ? [q / size, 1 / size] : [1 / size, q / size];
  const across: [number, number] = steep ? [1 / size, -q / size] : [-q / size, 1 / size];
  const normal: [number, number] = [sign * across[0], sign * across[1]];
  const [x, y] = steep ? [p, j0] : [j0, p];
  // Off the tangent by r·t² along the row, seen square to the edge; u = t·√(1 + q²).
  const errorDeg = (2 * slopeError * 180) / (Math.PI * size * size);
  return { x, y, along, normal, half: rough.half, bend: (sign * r) / size ** 3, errorDeg };
}

/** Direction of a line, degrees from +x towards +y, 0 to 180. */
export const edgeDegOf = ({ along: [x, y] }: Pick<EdgeLine, 'along'>): number =>
  ((Math.atan2(y, x) * 180) / Math.PI + 360) % 180;
