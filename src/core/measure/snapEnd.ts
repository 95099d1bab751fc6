import { lightAt, type Grey } from '../picture/grey';
import { gaussian, median, robustDeviation } from './smooth';

/** Where a handle came to rest: on the edge of something, and how surely. */
export interface SnappedEnd {
  x: number;
  y: number;
  /** Half-width along the line between the handles, px. */
  plusMinus: number;
  /** A straight edge across the line (with the direction along it, radians), a tip, or where the person put it. */
  kind: 'edge' | 'tip' | 'byHand';
  edgeRad: number | null;
}

interface Along {
  /** Unit vector outwards, from the other handle to this one. */
  ux: number;
  uy: number;
  /** Length of the line, px. */
  length: number;
}

/** Half a level is sought so far inwards and outwards of a handle, and to either side, as shares of the length. */
export const INWARDS = 0.14;
const OUTWARDS = 0.1;
const ASIDE = 0.06;
const LEAST_PX = 12;
const MOST_PX = 160;

const within = (value: number): number => Math.max(LEAST_PX, Math.min(MOST_PX, value));

/** Light on a line parallel to the measured one, from inside outwards, one value half a px. */
function profile(
  grey: Grey,
  x: number,
  y: number,
  { ux, uy }: Along,
  aside: number,
  from: number,
  count: number,
): Float64Array {
  const [ox, oy] = [x - aside * uy, y + aside * ux];
  return Float64Array.from({ length: count }, (_, i) =>
    lightAt(grey, ox + (from + i / 2) * ux, oy + (from + i / 2) * uy),
  );
}

interface Crossing {
  aside: number;
  /** px outwards of the handle. */
  at: number;
}

/** From outside inwards, the first crossing of a level that lasts: noise crosses back at once. */
function outermost(row: Float64Array, level: number, sign: number, from: number): number | null {
  const lasting = 4;
  for (let i = row.length - 2; i >= lasting; i--) {
    const outside = sign * (row[i + 1]! - level);
    const inside = sign * (row[i]! - level);
    if (!(outside < 0 && inside >= 0)) continue;
    let on = 0;
    for (let j = i; j > i - lasting; j--) if (sign * (row[j]! - level) >= 0) on++;
    if (on >= lasting - 1) return from + (i + inside / (inside - outside)) / 2;
  }
  return null;
}

/** Lines whose crossing at least one neighbour supports within two and a half px. */
function supported(crossings: Crossing[], spacing: number): Crossing[] {
  return crossings.filter((each) =>
    crossings.some(
      (other) =>
        other !== each && Math.abs(other.aside - each.aside) <= 2.1 * spacing && Math.abs(other.at - each.at) <= 2.5,
    ),
  );
}

/** A straight line through crossings, without outliers: at = base + slope·aside. */
function straight(crossings: Crossing[]): { base: number; slope: number; scatter: number; kept: Crossing[] } | null {
  let kept = crossings;
  for (let round = 0; round < 4; round++) {
    if (kept.length < 5) return null;
    const n = kept.length;
    const ma = kept.reduce((sum, { aside }) => sum + aside, 0) / n;
    const mt = kept.reduce((sum, { at }) => sum + at, 0) / n;
    const saa = kept.reduce((sum, { aside }) => sum + (aside - ma) ** 2, 0);
    const slope = kept.reduce((sum, { aside, at }) => sum + (aside - ma) * (at - mt), 0) / Math.max(saa, 1e-9);
    const base = mt - slope * ma;
    const off = crossings.map(({ aside, at }) => at - base - slope * aside);
    const scatter = Math.max(0.03, robustDeviation(off, 0));
    const next = crossings.filter((_, i) => Math.abs(off[i]!) < 3 * scatter);
    if (next.length === kept.length && round > 0) return { base, slope, scatter, kept };
    kept = next;
    if (round === 3) return { base, slope, scatter, kept };
  }
  return null;
}

/** An edge takes this share of the lines and scatters by less than so many px. */
const EDGE_SHARE = 0.75;
const EDGE_SCATTER = 0.6;
const EDGE_SLOPE = 0.6;
/** What reading half a level between pixels leaves, px. */
const EDGE_ITSELF_PX = 0.04;

/**
 * Puts a handle on the edge it was meant for: several parallel lines, the outermost crossing of the half level on each. Where
 * they lie on a straight line it is an edge and the handle goes to where its own line meets it; otherwise it is the tip that
 * reaches furthest and that a neighbouring line supports.
 */
export function snapEnd(grey: Grey, [x, y]: [number, number], along: Along): SnappedEnd {
  const inwards = within(INWARDS * along.length);
  const outwards = within(OUTWARDS * along.length);
  const aside = Math.max(8, Math.min(MOST_PX / 2, ASIDE * along.length));
  const byHand: SnappedEnd = { x, y, plusMinus: Math.max(4, 0.01 * along.length), kind: 'byHand', edgeRad: null };
  const spacing = Math.max(1, aside / 24);
  const count = Math.round(2 * (inwards + outwards));
  const rows: { aside: number; row: Float64Array }[] = [];
  for (let at = -aside; at <= aside + 1e-9; at += spacing)
    rows.push({ aside: at, row: gaussian(profile(grey, x, y, along, at, -inwards, count), 1.6) });
  const outer = Math.max(4, Math.round(0.5 * outwards));
  const ground = median(rows.flatMap(({ row }) => Array.from(row.slice(-outer))));
  const groundNoise = Math.max(
    robustDeviation(rows.flatMap(({ row }) => Array.from(row.slice(-outer)))),
    grey.step / 2,
  );
  const level = insideLevel(rows, inwards, ground, groundNoise);
  if (level === null) return byHand;
  const half = (level + ground) / 2;
  const sign = level > ground ? 1 : -1;
  const all = rows.flatMap(({ aside: at, row }): Crossing[] => {
    const crossing = outermost(row, half, sign, -inwards);
    return crossing === null ? [] : [{ aside: at, at: crossing }];
  });
  const good = supported(all, spacing);
  if (good.length === 0) return byHand;
  const noiseShift = groundNoise / Math.max(1e-9, Math.abs(level - ground));
  return edgeOf(good, rows.length, x, y, along) ?? tipOf(good, spacing, x, y, along, noiseShift);
}

/** Half of the subject's contrast must stand so clear of the ground that no neighbouring lines cross it by chance. */
const CLEAR = 5;

/**
 * The subject's light near the handle: of the parts of the lines inside it, what differs most from the ground on a good part
 * of them; a thin bill is only a few lines wide.
 */
function insideLevel(rows: { row: Float64Array }[], inwards: number, ground: number, noise: number): number | null {
  const inner = Math.max(6, Math.round(2 * inwards * 0.6));
  const means = rows.map(({ row }) => median(row.slice(0, inner)));
  const strongest = means
    .map((mean) => mean - ground)
    .sort((a, b) => Math.abs(b) - Math.abs(a))
    .slice(0, Math.max(3, Math.round(0.08 * rows.length)));
  const level = median(strongest);
  return Math.abs(level) > CLEAR * noise ? ground + level : null;
}

function edgeOf(crossings: Crossing[], lines: number, x: number, y: number, along: Along): SnappedEnd | null {
  const line = straight(crossings);
  if (
    !line ||
    line.kept.length < EDGE_SHARE * lines ||
    line.scatter > EDGE_SCATTER ||
    Math.abs(line.slope) > EDGE_SLOPE
  )
    return null;
  const { ux, uy } = along;
  return {
    x: x + line.base * ux,
    y: y + line.base * uy,
    plusMinus: EDGE_ITSELF_PX + (2 * line.scatter) / Math.sqrt(line.kept.length / 2),
    kind: 'edge',
    // Along the edge: one step aside, slope steps outwards.
    edgeRad: Math.atan2(ux + line.slope * uy, -uy + line.slope * ux),
  };
}

/** A tip is looked at where it is about so many px wide, and up to twice that; narrower it is lost in the blur. */
const TIP_PX = 4;
/** Its end is round when it grows broader so many times more slowly on the wider half of that stretch. */
const ALIKE = 1.8;
/** Blur of a picture that is sharp at its pixels, standard deviation, px. */
const USUAL_BLUR_PX = 1.1;
/** A stroke narrower than this many deviations of the blur is nowhere half as black: 2√2·erf⁻¹(½). */
const LOST = 1.349;

/**
 * How far out a tip ends. Where its sides run straight towards each other, blur hides the last of it, from where it is
 * narrower than 1.35 deviations of the blur: so much is added, at the rate at which its breadth falls. A round end hides
 * nothing.
 */
function endOfTip(crossings: Crossing[], furthest: Crossing, spacing: number): number {
  const narrow = Math.max(2, Math.ceil(TIP_PX / spacing));
  const places = crossings
    .filter(({ aside }) => Math.abs(aside - furthest.aside) <= 3 * narrow * spacing)
    .map(({ at }) => at)
    .sort((a, b) => b - a);
  const between = Math.round(1.5 * narrow);
  const [at, middle, wider] = [places[narrow - 1], places[between - 1], places[2 * narrow - 1]];
  if (at === undefined || middle === undefined || wider === undefined) return furthest.at;
  // px of length for each px of breadth.
  const [first, second] = [
    (at - middle) / ((between - narrow) * spacing),
    (middle - wider) / ((2 * narrow - between) * spacing),
  ];
  if (!(first > 0) || second > ALIKE * first) return furthest.at;
  const slope = (at - wider) / (narrow * spacing);
  const sharp = at + slope * (narrow - 0.5) * spacing;
  return Math.max(furthest.at, Math.min(sharp, furthest.at + LOST * USUAL_BLUR_PX * slope));
}

function tipOf(
  crossings: Crossing[],
  spacing: number,
  x: number,
  y: number,
  { ux, uy }: Along,
  noiseShift: number,
): SnappedEnd {
  const furthest = crossings.reduce((best, each) => (each.at > best.at ? each : best));
  const near = crossings.filter(({ aside, at }) => Math.abs(aside - furthest.aside) < 4 && furthest.at - at < 2.5);
  const at = endOfTip(crossings, furthest, spacing);
  const aside = near.reduce((sum, each) => sum + each.aside, 0) / near.length;
  return {
    x: x + at * ux - aside * uy,
    y: y + at * uy + aside * ux,
    plusMinus: 2 + 0.3 * Math.max(0, at - furthest.at) + 3 * noiseShift,
    kind: 'tip',
    edgeRad: null,
  };
}
