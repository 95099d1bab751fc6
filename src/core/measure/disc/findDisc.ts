import type { Grey } from '../../picture/grey';
import { fail, ok, type Result } from '../../quantity/result';
import { SECTORS, sectorsOf } from './eighths';
import { axesOf, fitAround, radiusAt, type Ellipse } from './ellipse';
import { isLimb, limbEvidence, type LimbEvidence } from './limbIsThere';
import type { LimbPoint } from './limbRays';
import { roughDisc } from './roughDisc';
import { firstEllipse, type SteepLimb } from './steepLimb';
import { limbOf, type Limb } from './trueLimb';

/** A measured disc. Errors are half-widths that hold the truth in about 95 of 100 cases. */
export interface DiscFound {
  /** Longer and shorter diameter, px; the same where no flattening is to be seen. */
  equatorialDiameterPx: number;
  polarDiameterPx: number;
  diameterError: number;
  polarError: number;
  /** Where the longer axis points, degrees from +x towards +y, −90 to 90; nothing for a round disc or one in phase. */
  equatorDeg: number | null;
  equatorError: number;
  centre: [number, number];
  centreError: number;
  /** Not fully lit: a circle was fitted to the bright part of the limb. */
  phase: boolean;
  /** Part of the disc is as bright as the file goes. */
  clipped: boolean;
  /** Blur of the limb, standard deviation, px. */
  blurPx: number;
  /** What says that it is a disc and no chance. */
  evidence: LimbEvidence;
}

const DEGREES = 180 / Math.PI;

const noDisc = fail(
  'disc.none',
  'No disc was found: something round, with an even and darker or lighter ground all around it, must lie inside the picture as a whole.',
  'picture',
);
const cutOff = fail(
  'disc.cut',
  'The disc reaches beyond the picture: take one in which all of it, and some ground around it, is to be seen.',
  'picture',
);
const softLimb = fail(
  'disc.soft',
  'The limb of this disc fades so softly that where it ends cannot be told. Measure it between two taps instead, and give it some px of ±.',
  'picture',
);
/** In phase a limb lies no more blurs than this beside its steepest place; farther off, the light there is not that of a limb. */
const FARTHEST_OFF = 1.7;
const tooSmall = fail(
  'disc.small',
  'The disc is less than 8 px wide: nothing can be measured on it. Use more focal length.',
  'picture',
);

/**
 * In phase the limb moves inwards more and more towards the horns, which makes the circle smaller: each eighth of the
 * believed limb is moved by its own offset, and the circle drawn anew.
 */
function withOwnLimbs(work: SteepLimb, limb: Limb): SteepLimb {
  const middles = middlesOf(work);
  const points = middles.flatMap(({ phi, sector }): LimbPoint[] => {
    const offset = limb.own[sector]!;
    return Math.abs(offset - limb.offsetPx) > 0.1 * work.ellipse.radius
      ? []
      : [{ phi, r: work.ellipse.radius + offset, steepness: 1 }];
  });
  const next = fitAround(points, work.ellipse, true);
  return next ? { ...work, ellipse: { ...next, radius: next.radius - limb.offsetPx } } : work;
}

/** Directions over the believed limb, with the part each lies in. */
function middlesOf({ believed, phase }: SteepLimb): { phi: number; sector: number }[] {
  const sectorAt = sectorsOf(phase, believed);
  return Array.from({ length: 360 }, (_, i) => (2 * Math.PI * i) / 360)
    .filter(believed)
    .map((phi) => ({ phi, sector: sectorAt(phi) }));
}

/** Standard error of radius, flattening and middle by leaving out sectors of the rays. */
function scatterOf({ ellipse, points, believed, phase }: SteepLimb): { radius: number; e: number; middle: number } {
  const near = points.filter(
    ({ phi, r }) => believed(phi) && Math.abs(r - radiusAt(ellipse, phi)) < Math.max(1.5, 0.06 * ellipse.radius),
  );
  const sectorAt = sectorsOf(phase, believed);
  const fits = Array.from({ length: SECTORS }, (_, i) =>
    fitAround(
      near.filter(({ phi }) => sectorAt(phi) !== i),
      ellipse,
      phase,
    ),
  ).filter((each): each is Ellipse => each !== null);
  const spread = (of: (each: Ellipse) => number): number => {
    const values = fits.map(of);
    const mean = values.reduce((a, b) => a + b, 0) / values.length;
    return Math.sqrt(((values.length - 1) / values.length) * values.reduce((a, b) => a + (b - mean) ** 2, 0));
  };
  return {
    radius: spread(({ radius }) => radius),
    e: Math.hypot(
      spread(({ e1 }) => e1),
      spread(({ e2 }) => e2),
    ),
    middle: Math.hypot(
      spread(({ x }) => x),
      spread(({ y }) => y),
    ),
  };
}

function foundOf(work: SteepLimb, limb: Limb): Omit<DiscFound, 'evidence'> {
  const { ellipse, phase, clippedAt: full } = work;
  const scatter = scatterOf(work);
  const axes = axesOf(ellipse);
  const flattened = !phase && Math.hypot(ellipse.e1, ellipse.e2) > Math.max(2.5 * scatter.e, 0.004);
  const [longer, shorter] = flattened ? [axes.longer, axes.shorter] : [ellipse.radius, ellipse.radius];
  const bracket =
    Math.hypot(limb.error, limb.byLaw, phase ? scatter.radius : 0) ** 2 +
    (0.04 +
      0.2 * Math.abs(limb.offsetPx) * 0.5 +
      (0.45 * limb.sigmaPx ** 2) / ellipse.radius +
      (phase ? 0.1 + 0.2 * limb.sigmaPx + 0.002 * ellipse.radius : 0) +
      (full === null ? 0 : 0.15)) **
      2;
  // In phase the parts of the bracket do not all fall together: three quarters of it held the truth as often in 50
  // simulated discs. Not derived.
  const diameterError = (phase ? 1.5 : 2) * Math.sqrt(bracket);
  const flattening = flattened ? 2 * scatter.e * ellipse.radius : 0;
  return {
    equatorialDiameterPx: 2 * (longer + limb.offsetPx),
    polarDiameterPx: 2 * (shorter + limb.offsetPx),
    diameterError: Math.hypot(diameterError, flattening),
    polarError: Math.hypot(diameterError, flattening),
    equatorDeg: flattened ? axes.phi * DEGREES : null,
    equatorError: flattened ? Math.max(0.2, (scatter.e / Math.hypot(ellipse.e1, ellipse.e2)) * DEGREES) : 0,
    centre: [ellipse.x, ellipse.y],
    centreError: 2 * Math.hypot(scatter.middle, 0.02) + (phase ? diameterError / 2 : 0),
    phase,
    clipped: full !== null,
    blurPx: limb.sigmaPx,
  };
}

/**
 * Measures the disc of a planet, the Moon, or something round: an ellipse through the steepest places, moved out to the true
 * limb by the shape of the light across it. The half level is not the limb: limb darkening and blur pull it inwards, too much
 * light pushes it outwards.
 *
 * @returns a problem with what to do when there is no disc, or not all of it
 */
export function findDisc(grey: Grey): Result<DiscFound> {
  const rough = roughDisc(grey);
  if (!rough) return noDisc;
  if (rough.cut) return cutOff;
  if (rough.radius < 3) return tooSmall;
  const work = firstEllipse(grey, rough);
  if (!work) return noDisc;
  const { x, y, radius } = work.ellipse;
  const outside = [x - radius, y - radius, grey.width - 1 - x - radius, grey.height - 1 - y - radius].some(
    (room) => room < -0.02 * radius,
  );
  if (outside && !work.phase) return cutOff;
  if (radius < 4) return tooSmall;
  const limb = limbOf(work);
  if (!limb || Math.abs(limb.offsetPx) > 0.3 * radius) return noDisc;
  if (work.phase && Math.abs(limb.offsetPx) > FARTHEST_OFF * limb.sigmaPx + 0.3) return softLimb;
  const evidence = limbEvidence({
    grey,
    ellipse: work.ellipse,
    offsetPx: limb.offsetPx,
    blurPx: limb.sigmaPx,
    sign: rough.sign,
    believed: work.believed,
  });
  if (!isLimb(evidence)) return noDisc;
  const found = foundOf(work.phase ? withOwnLimbs(work, limb) : work, limb);
  return Number.isFinite(found.diameterError) ? ok({ ...found, evidence }) : noDisc;
}
