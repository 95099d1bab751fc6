import { lightAt, type Grey } from '../../picture/grey';
import { median } from '../smooth';
import { radiusAt, type Ellipse } from './ellipse';

/** What stands for a limb: how many samples were looked at, how many are one, and how likely that is by chance. */
export interface LimbEvidence {
  samples: number;
  agreeing: number;
  /** Expected number of discs as good as this in a picture of the same size without any, as a power of ten. */
  logFalseAlarms: number;
  /** Share of the arc over which the ground outside is even and far from the disc's own light. */
  evenOutside: number;
  /** The same of the ground all around, in phase as well. */
  evenAround: number;
}

interface Asked {
  grey: Grey;
  ellipse: Ellipse;
  offsetPx: number;
  blurPx: number;
  sign: 1 | -1;
  believed: (phi: number) => boolean;
}

/** A limb's light falls along the radius within so many degrees: by chance one direction in eighteen does. */
const ALONG_DEG = 10;
const BY_CHANCE = (2 * ALONG_DEG) / 360;
/** Beside the middle step a limb's own step is no less than this; limb darkening and bands take some of it. */
const LEAST_STEP = 0.25;
/** Outside, the light is off that of the ground by no more than this share of the step. */
const MOST_OUTSIDE = 0.35;

/** Natural logarithm of n over k. */
function logChoose(n: number, k: number): number {
  let sum = 0;
  for (let i = 1; i <= k; i++) sum += Math.log((n - k + i) / i);
  return sum;
}

/** Logarithm to ten of the chance that k or more of n agree, each by the same chance. Source: binomial tail, largest term. */
function logTail(n: number, k: number, chance: number): number {
  let most = -Infinity;
  const terms: number[] = [];
  for (let i = k; i <= n; i++) {
    const term = logChoose(n, i) + i * Math.log(chance) + (n - i) * Math.log(1 - chance);
    terms.push(term);
    if (term > most) most = term;
  }
  return (most + Math.log(terms.reduce((sum, term) => sum + Math.exp(term - most), 0))) / Math.LN10;
}

/**
 * Whether what was fitted is a limb and no chance: samples an independent width apart must fall along their radius, by a like step,
 * from the disc to an even ground. Source: the a contrario framework of Desolneux, Moisan and Morel.
 */
export function limbEvidence({ grey, ellipse, offsetPx, blurPx, sign, believed }: Asked): LimbEvidence {
  const width = Math.max(1, blurPx);
  const radius = Math.max(2, ellipse.radius + offsetPx);
  const count = Math.max(24, Math.min(180, Math.round((2 * Math.PI * radius) / (2 * width))));
  const reach = Math.max(2 * width, 0.08 * radius);
  const directions = Array.from({ length: count }, (_, i) => (2 * Math.PI * i) / count).filter(believed);
  const at = (phi: number, r: number) => lightAt(grey, ellipse.x + r * Math.cos(phi), ellipse.y + r * Math.sin(phi));
  const rims = directions.map((phi) => {
    const r = radiusAt(ellipse, phi) + offsetPx;
    const inside = at(phi, r - reach);
    const near = at(phi, r + reach);
    const far = at(phi, r + 2.5 * reach);
    return {
      phi,
      r,
      step: sign * (inside - near),
      drift: Math.abs(near - far),
      angle: angleOff(at, phi, r, width, sign),
    };
  });
  const step = median(rims.map((rim) => rim.step));
  if (!(step > 0)) return { samples: rims.length, agreeing: 0, logFalseAlarms: 0, evenOutside: 0, evenAround: 0 };
  const grounds = Array.from({ length: count }, (_, i) => {
    const phi = (2 * Math.PI * i) / count;
    return at(phi, radiusAt(ellipse, phi) + offsetPx + 2.5 * reach);
  });
  const ground = median(grounds);
  const agreeing = rims.filter((rim) => rim.step > LEAST_STEP * step && rim.angle <= ALONG_DEG).length;
  const even = rims.filter((rim) => rim.step > LEAST_STEP * step && rim.drift < MOST_OUTSIDE * step).length;
  // A middle to a pixel and a radius to a width: so many discs could have been tried.
  const tried = Math.log10((grey.width * grey.height * Math.min(grey.width, grey.height)) / (2 * width));
  return {
    samples: rims.length,
    agreeing,
    logFalseAlarms: tried + logTail(rims.length, agreeing, BY_CHANCE),
    evenOutside: even / Math.max(1, rims.length),
    evenAround: grounds.filter((value) => Math.abs(value - ground) < MOST_OUTSIDE * step).length / count,
  };
}

/** How far the direction in which the light falls is off the radius, degrees. */
function angleOff(at: (phi: number, r: number) => number, phi: number, r: number, width: number, sign: 1 | -1): number {
  const turn = width / r;
  let [along, across] = [0, 0];
  // Over a patch a width wide, for a single difference is noise.
  for (const t of [-0.6, 0, 0.6]) {
    along += sign * (at(phi + t * turn, r - width) - at(phi + t * turn, r + width));
    across += at(phi + turn, r + t * width) - at(phi - turn, r + t * width);
  }
  return (Math.atan2(Math.abs(across), along) * 180) / Math.PI;
}

/** More than one in a million such discs by chance is no disc. */
const MOST_FALSE_ALARMS = -6;
/** Share of the arc that falls like a limb, and that has even ground outside. */
const LEAST_AGREEING = 0.8;
const LEAST_EVEN = 0.75;

/** Whether the evidence is enough for an answer. */
export function isLimb({ samples, agreeing, logFalseAlarms, evenOutside, evenAround }: LimbEvidence): boolean {
  return (
    logFalseAlarms < MOST_FALSE_ALARMS &&
    agreeing >= LEAST_AGREEING * samples &&
    Math.min(evenOutside, evenAround) >= LEAST_EVEN
  );
}
