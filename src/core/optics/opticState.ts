import { lens50BehindConverter } from '../detail/lens50';

/**
 * The optics at one setting of the lens's own focus. Newton's form is used throughout: moving the sensor back by e adds
 * e/F to the ratio, whatever the system of focal length F is made of; the subject then stands F/m before the front focal
 * point.
 */
export interface Setting {
  /** Focal length of everything in front of the first converter, mm. */
  frontFocalMm: number;
  /** Focal length of the whole, mm. */
  focalMm: number;
  /** Reproduction ratio; 0 at infinity. */
  ratio: number;
  /** From the front group to the sensor, mm, without the length converters add by themselves. */
  imageMm: number;
  /** Tubes behind a converter, mm: they act on the whole, not on the lens alone. */
  behindMm: number;
}

/** Everything a chain has become up to a part. */
export interface OpticState {
  far: Setting;
  /** At the lens's closest focus; absent when its data are not known. */
  near?: Setting;
  fNumber: number;
  /** Product of converters, reducers and Barlows. */
  factor: number;
  /** Image circle at the lens's infinity setting, mm. */
  circleMm?: number;
  /** 50 % frequency on the sensor, lp/mm. */
  lens50LpPerMm: number;
}

const both = (state: OpticState, change: (setting: Setting) => Setting): Pick<OpticState, 'far' | 'near'> => ({
  far: change(state.far),
  ...(state.near ? { near: change(state.near) } : {}),
});

/**
 * A converter, reducer or Barlow of factor t: focal length, f-number, ratio and circle are multiplied.
 *
 * @source f·t, N·t, m·t, I·t
 */
export function throughFactor(state: OpticState, factor: number, own50LpPerMm?: number): OpticState {
  return {
    ...state,
    ...both(state, (setting) => ({ ...setting, focalMm: setting.focalMm * factor, ratio: setting.ratio * factor })),
    fNumber: state.fNumber * factor,
    factor: state.factor * factor,
    lens50LpPerMm: lens50BehindConverter(state.lens50LpPerMm, factor, own50LpPerMm),
    ...(state.circleMm === undefined ? {} : { circleMm: state.circleMm * factor }),
  };
}

/**
 * Extension e between the optics so far and the sensor.
 *
 * @param extensionMm may be negative, where an adapter is shorter than it should be
 * @source Newton: Δm = e/F; the circle widens with the image distance
 */
export function throughExtension(state: OpticState, extensionMm: number): OpticState {
  const behind = state.factor !== 1;
  const stretched = 1 + extensionMm / (state.far.focalMm * (1 + state.far.ratio));
  return {
    ...state,
    ...both(state, (setting) => ({
      ...setting,
      ratio: setting.ratio + extensionMm / setting.focalMm,
      imageMm: setting.imageMm + extensionMm,
      behindMm: setting.behindMm + (behind ? extensionMm : 0),
    })),
    ...(state.circleMm === undefined ? {} : { circleMm: state.circleMm * stretched }),
  };
}

/**
 * A thin lens of power Φ in contact in front, before anything stands behind the lens: a close-up lens, or a coupled lens
 * or infinity objective with Φ = 1000/f.
 *
 * @param dioptres Φ, 1/m
 * @source 1/F = 1/f + Φ; with the image distance v unchanged, m = v/F − 1; the entrance pupil stays, so N·F/f
 */
export function throughFrontLens(state: OpticState, dioptres: number, own50LpPerMm?: number): OpticState {
  const focalOf = (focalMm: number) => 1 / (1 / focalMm + dioptres / 1000);
  const changed = both(state, (setting) => {
    const focalMm = focalOf(setting.focalMm);
    return { ...setting, frontFocalMm: focalMm, focalMm, ratio: setting.imageMm / focalMm - 1 };
  });
  return {
    ...state,
    ...changed,
    fNumber: (state.fNumber * changed.far.focalMm) / state.far.focalMm,
    lens50LpPerMm: own50LpPerMm === undefined ? state.lens50LpPerMm : 1 / Math.hypot(1 / state.lens50LpPerMm, 1 / own50LpPerMm),
  };
}

/**
 * Distance from sensor to subject, m, at a setting; Infinity at infinity, undefined where the setting focuses beyond it.
 *
 * @source u = f + F/m, T = u + v
 */
export function subjectDistanceM(setting: Setting): number | undefined {
  if (setting.ratio < -1e-9) return undefined;
  if (setting.ratio <= 1e-9) return Infinity;
  return (setting.frontFocalMm + setting.focalMm / setting.ratio + setting.imageMm) / 1000;
}

/** A·m² − (T − C)·m + F = 0 links ratio and distance at a setting's focal length. */
function distanceEquation({ frontFocalMm: f, focalMm: F, behindMm: e }: Setting): { a: number; c: number } {
  const t = F / f;
  return { a: f / t, c: 2 * f + e - (f * e) / (t * F) };
}

/** The ratio at which sensor and subject are nearest to each other: life size for a bare lens. Beyond it they part again. */
export const nearestRatio = (setting: Setting): number => Math.sqrt(setting.focalMm / distanceEquation(setting).a);

/** How near and how far, mm from the sensor, a chain focuses; `beyond`: its whole range lies beyond the nearest point. */
export interface FocusSpan {
  closestMm?: number;
  /** Absent: infinity. */
  farthestMm?: number;
  beyond: boolean;
}

/**
 * Range of distances between the lens's infinity setting and its closest one. Where the range passes life size the
 * nearest distance is there, not at the end.
 */
export function focusSpan({ far, near }: OpticState): FocusSpan {
  const at = (setting: Setting | undefined) => {
    const metres = setting && subjectDistanceM(setting);
    return metres === undefined || metres === Infinity ? undefined : metres * 1000;
  };
  const farMm = at(far);
  const nearMm = at(near);
  if (farMm !== undefined && far.ratio >= nearestRatio(far)) return { closestMm: farMm, farthestMm: nearMm ?? farMm, beyond: true };
  let closestMm = nearMm;
  if (near && near.ratio > nearestRatio(near)) {
    const { a, c } = distanceEquation(near);
    closestMm = c + 2 * Math.sqrt(a * near.focalMm);
  }
  return { ...(closestMm === undefined ? {} : { closestMm }), ...(farMm === undefined ? {} : { farthestMm: farMm }), beyond: false };
}

/**
 * Ratio at which the optics focus on a distance when the lens's own focus is turned there.
 *
 * @param beyond takes the larger of the two ratios that share a distance
 * @returns undefined nearer than any picture can be formed
 * @source u + v = T with u = f + F/m and v = f·(1 + m_lens) + e, m = t·m_lens + e/F: a root of A·m² − (T − C)·m + F
 */
export function ratioAtDistance(setting: Setting, distanceMm: number, beyond = false): number | undefined {
  const { a, c } = distanceEquation(setting);
  const half = distanceMm - c;
  // At the very nearest point rounding may take the root of a hair less than nothing.
  const discriminant = half * half - 4 * a * setting.focalMm;
  if (half <= 0 || discriminant < -1e-9 * half * half) return undefined;
  const apart = half + Math.sqrt(Math.max(0, discriminant));
  return beyond ? apart / (2 * a) : (2 * setting.focalMm) / apart;
}

/** What a tele attachment or scope of magnification M makes of a camera lens behind it. */
export function throughAfocal(state: OpticState, magnification: number, objectiveMm: number, own50LpPerMm?: number, apparentFieldDeg?: number): OpticState {
  const cameraFocalMm = state.far.focalMm;
  // The smaller of the scope's exit pupil and the camera's own entrance pupil stops the light.
  const pupilMm = magnification * Math.min(objectiveMm / magnification, cameraFocalMm / state.fNumber);
  const focalMm = magnification * cameraFocalMm;
  const eyepieceCircleMm = apparentFieldDeg === undefined ? undefined : 2 * cameraFocalMm * Math.tan((apparentFieldDeg * Math.PI) / 360);
  const circle = eyepieceCircleMm === undefined ? state.circleMm : Math.min(eyepieceCircleMm, state.circleMm ?? Infinity);
  return {
    far: { frontFocalMm: focalMm, focalMm, ratio: 0, imageMm: focalMm, behindMm: 0 },
    fNumber: focalMm / pupilMm,
    factor: state.factor,
    lens50LpPerMm: own50LpPerMm === undefined ? state.lens50LpPerMm : 1 / Math.hypot(1 / state.lens50LpPerMm, 1 / own50LpPerMm),
    ...(circle === undefined ? {} : { circleMm: circle }),
  };
}
