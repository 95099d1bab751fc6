import { lens50BehindConverter } from './lens50';

/**
 * The optics at one setting of the lens's own focus. Newton's form is used throughout: moving the sensor back by e adds
 * `perMm`·e to the ratio, whatever the system is made of.
 */
export interface Setting {
  /** The lens's own ratio at this setting of its focus, 0 at its infinity mark. */
  lensRatio: number;
  /** Focal length of the lens by itself at this setting, mm: most lenses shorten when focused closer. */
  lensFocalMm: number;
  /** Focal length of everything in front of the first converter, mm. */
  frontFocalMm: number;
  /** Nominal focal length of the whole, mm. */
  focalMm: number;
  /** Reproduction ratio; 0 at infinity. */
  ratio: number;
  /** Half-width of the range of the ratio because the power of converters is not published; 0 where none matters. */
  ratioUnsure: number;
  /** What a millimetre of extension at the sensor adds to the ratio by the nominal focal length. */
  perMm: number;
  /** What it adds besides because converters stand on the lens's light cone, and how well that is known. */
  bendPerMm: number;
  bendUnsure: number;
  /** By how much converters spread the lens's picture; extension behind a converter makes it more, `spreadPerMm` each mm. */
  spread: number;
  spreadPerMm: number;
  /** From the front group to the sensor, mm, without the length converters add by themselves. */
  imageMm: number;
  /** What the spacing of the lens's principal planes adds to the distance, mm. */
  gapMm: number;
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

/** Something in the chain that acts on the optics at any setting of the lens's focus. */
export type Act = (setting: Setting) => Setting;

/** A lens by itself, focused at a ratio of its own. */
export function bareSetting(lensFocalMm: number, ratio: number, gapMm = 0): Setting {
  return {
    lensRatio: ratio,
    lensFocalMm,
    frontFocalMm: lensFocalMm,
    focalMm: lensFocalMm,
    ratio,
    ratioUnsure: 0,
    perMm: 1 / lensFocalMm,
    bendPerMm: 0,
    bendUnsure: 0,
    spread: 1,
    spreadPerMm: 0,
    imageMm: lensFocalMm * (1 + ratio),
    gapMm,
  };
}

/**
 * Power of a converter's own glass, 1/mm: makers do not publish it. Focal lengths of 50 to 150 mm are usual (negative for
 * converters, positive for reducers); the middle of that span is taken.
 */
export const CONVERTER_POWER_PER_MM = (1 / 50 + 1 / 150) / 2;
/** Half of the span, a hair wider, so that its ends lie inside. */
export const CONVERTER_POWER_UNSURE = (1 / 50 - 1 / 150) * 0.501;

/**
 * A converter, reducer or Barlow of factor t: focal length and ratio are multiplied.
 *
 * Its place on the lens's light cone decides what extension behind it does to a lens focused close: 1/F = 1/(F₁·t) + m₁/g
 * for a converter of focal length −g behind optics of focal length F₁ drawing at m₁.
 *
 * @source f·t, m·t; thin lenses in air, exact in the converter's power
 */
export const actOfFactor =
  (factor: number): Act =>
  (setting) => {
    const sign = factor === 1 ? 0 : factor > 1 ? 1 : -1;
    const power = sign * CONVERTER_POWER_PER_MM;
    return {
      ...setting,
      focalMm: setting.focalMm * factor,
      ratio: setting.ratio * factor,
      ratioUnsure: setting.ratioUnsure * factor,
      perMm: setting.perMm / factor,
      bendPerMm: setting.bendPerMm / factor + setting.ratio * power,
      bendUnsure: setting.bendUnsure / factor + Math.abs(setting.ratio * sign) * CONVERTER_POWER_UNSURE,
      spread: setting.spread * factor,
      spreadPerMm: setting.spreadPerMm / factor + setting.spread * power,
    };
  };

/**
 * Extension e between the optics so far and the sensor.
 *
 * @param extensionMm may be negative, where an adapter is shorter than it should be
 * @source Newton: Δm = e/F
 */
export const actOfExtension =
  (extensionMm: number): Act =>
  (setting) => {
    const wanted = extensionMm * setting.spreadPerMm;
    // Behind a reducer long tubes would turn the light cone round: no weaker than half is believed.
    const share = wanted < -setting.spread / 2 ? -setting.spread / 2 / wanted : 1;
    return {
      ...setting,
      ratio: setting.ratio + extensionMm * (setting.perMm + share * setting.bendPerMm),
      ratioUnsure:
        setting.ratioUnsure + Math.abs(extensionMm) * (setting.bendUnsure + (1 - share) * Math.abs(setting.bendPerMm)),
      spread: setting.spread + share * wanted,
      imageMm: setting.imageMm + extensionMm,
    };
  };

/**
 * A thin lens of power Φ in contact in front, before anything stands behind the lens: a close-up lens, or a coupled lens
 * or infinity objective with Φ = 1000/f.
 *
 * @param dioptres Φ, 1/m
 * @source 1/F = 1/f + Φ; with the image distance v unchanged, m = v/F − 1
 */
export const actOfFrontLens =
  (dioptres: number): Act =>
  (setting) => {
    const focalMm = 1 / (1 / setting.frontFocalMm + dioptres / 1000);
    return { ...setting, frontFocalMm: focalMm, focalMm, ratio: setting.imageMm / focalMm - 1, perMm: 1 / focalMm };
  };

/**
 * Working f-number against the f-number engraved on the lens: how much longer the cone behind the lens is than at infinity.
 * A lens in front changes what is seen, not that cone.
 *
 * @param pupilFactor P of the lens: exit pupil ÷ entrance pupil, 1 if unknown
 * @source N_w/N = spread·(1 + m_l/P) for a lens drawing at m_l by itself; what extension adds goes the same way
 */
export function coneFactor(setting: Setting, pupilFactor = 1): number {
  const whole = ((setting.ratio + setting.spread) * setting.frontFocalMm) / setting.lensFocalMm;
  return setting.spread + (whole - setting.spread) / pupilFactor;
}

/** The acts of a stage put on a state's settings. */
const acted = (state: OpticState, act: Act): Pick<OpticState, 'far' | 'near'> => ({
  far: act(state.far),
  ...(state.near ? { near: act(state.near) } : {}),
});

/** The image circle after an act: as wide as the cone behind the lens has become. */
const circleAfter = (state: OpticState, far: Setting): Pick<OpticState, 'circleMm'> =>
  state.circleMm === undefined ? {} : { circleMm: (state.circleMm * coneFactor(far)) / coneFactor(state.far) };

/**
 * A converter, reducer or Barlow: N·t and I·t besides what it does to a setting.
 */
export function throughFactor(state: OpticState, factor: number, own50LpPerMm?: number): OpticState {
  const settings = acted(state, actOfFactor(factor));
  return {
    ...state,
    ...settings,
    fNumber: state.fNumber * factor,
    factor: state.factor * factor,
    lens50LpPerMm: lens50BehindConverter(state.lens50LpPerMm, factor, own50LpPerMm),
    ...circleAfter(state, settings.far),
  };
}

/** Extension: the circle widens with the image distance. */
export function throughExtension(state: OpticState, extensionMm: number): OpticState {
  const settings = acted(state, actOfExtension(extensionMm));
  return { ...state, ...settings, ...circleAfter(state, settings.far) };
}

/**
 * A lens in front. Focused at infinity the whole has the f-number N·F/f: the opening stays, the focal length is shorter.
 */
export function throughFrontLens(state: OpticState, dioptres: number, own50LpPerMm?: number): OpticState {
  const changed = acted(state, actOfFrontLens(dioptres));
  return {
    ...state,
    ...changed,
    fNumber: (state.fNumber * changed.far.focalMm) / state.far.focalMm,
    lens50LpPerMm:
      own50LpPerMm === undefined ? state.lens50LpPerMm : 1 / Math.hypot(1 / state.lens50LpPerMm, 1 / own50LpPerMm),
  };
}

/** What a tele attachment or scope of magnification M makes of a camera lens behind it. */
export function throughAfocal(
  state: OpticState,
  magnification: number,
  objectiveMm: number,
  own50LpPerMm?: number,
  apparentFieldDeg?: number,
): OpticState {
  const cameraFocalMm = state.far.focalMm;
  // The smaller of the scope's exit pupil and the camera's own entrance pupil stops the light.
  const pupilMm = magnification * Math.min(objectiveMm / magnification, cameraFocalMm / state.fNumber);
  const focalMm = magnification * cameraFocalMm;
  const eyepieceCircleMm =
    apparentFieldDeg === undefined ? undefined : 2 * cameraFocalMm * Math.tan((apparentFieldDeg * Math.PI) / 360);
  const circle =
    eyepieceCircleMm === undefined ? state.circleMm : Math.min(eyepieceCircleMm, state.circleMm ?? Infinity);
  return {
    far: bareSetting(focalMm, 0),
    fNumber: focalMm / pupilMm,
    factor: state.factor,
    lens50LpPerMm:
      own50LpPerMm === undefined ? state.lens50LpPerMm : 1 / Math.hypot(1 / state.lens50LpPerMm, 1 / own50LpPerMm),
    ...(circle === undefined ? {} : { circleMm: circle }),
  };
}

/**
 * Distance from sensor to subject, m, at a setting; Infinity at infinity, undefined where the setting focuses beyond it.
 *
 * @source u = F₁·(1 + spread/m), T = u + v
 */
export function subjectDistanceM(setting: Setting): number | undefined {
  if (setting.ratio < -1e-9) return undefined;
  if (setting.ratio <= 1e-9) return Infinity;
  return (subjectMm(setting) + setting.imageMm + setting.gapMm) / 1000;
}

/** From the subject to the front group, mm, at a setting that draws at more than 0. */
export const subjectMm = ({ frontFocalMm, spread, ratio }: Setting): number => frontFocalMm * (1 + spread / ratio);
