import { DEFAULT_THRESHOLD } from '../detail/detailLimit';
import { countOnSubject, type JudgeBy, type SubjectCount } from '../detail/subjectCount';
import { DEFAULT_WAVELENGTH_UM } from '../detail/response';
import type { SubjectSpec } from '../kit/subjects';
import type { EffectiveSystem } from '../optics/foldSystem';
import { converterShiftMm } from '../optics/converterShift';
import { focalAtRatio } from '../chain/lensFocus';
import { coneFactor, subjectDistanceM, subjectMm } from '../chain/opticState';
import { COC_NAMES, COC_SCHOOLS, circleOfConfusionMm, type CocSchool } from '../output/circleOfConfusion';
import type { OutputSpec } from '../output/needs';
import { warningsAt } from '../optics/systemWarnings';
import { viewedPixels } from '../output/viewedPixels';
import { computed, given, input, measured, type Quantity } from '../quantity/quantity';
import { formatRatio } from '../quantity/format';
import { showSubjectMm, shownText } from '../quantity/quantityText';
import type { UnitSystem } from '../quantity/units';
import { ok, type Problem, type Result } from '../quantity/result';
import { diagonal } from '../sensor/diagonal';
import { apertureCurve, type ApertureCurve } from './apertureCurve';
import { nearDepth } from './nearDepth';
import { nearState, type NearState } from './nearState';
import { cameraScreenWidthMm, threeSizes } from './sizes';
import { USUAL_HAND_HOLD_RATIO, USUAL_SCREEN_WIDTH_MM } from './usual';
import { SHADOW_MM, SHY_MM, workingDistance } from './workingDistance';

export interface NearInput {
  system: EffectiveSystem;
  subject: SubjectSpec;
  output: OutputSpec;
  /** Ratio wanted; the largest the set-up reaches when left out. */
  ratio?: number | undefined;
  /** f-number as set on the lens; f/8 when left out. */
  fNumber?: number | undefined;
  judgeBy?: JudgeBy | undefined;
  cocSchool?: CocSchool | undefined;
  threshold?: number | undefined;
  /** Width at which a screen or print shows the whole frame, mm. */
  screenWidthMm?: number | undefined;
  /** Ratio up to which this person holds by hand. */
  handHoldRatio?: number | undefined;
  /** Units its sentences are told in. */
  units?: UnitSystem | undefined;
}

/** The reading of one set-up on one tiny subject. */
export interface NearReading extends SubjectCount {
  state: NearState;
  curve: ApertureCurve;
  ratio: Quantity;
  framedMagnification: Quantity;
  screenMagnification: Quantity;
  cameraScreenMagnification?: Quantity;
  fieldWidthMm: Quantity;
  fieldHeightMm: Quantity;
  subjectPixelUm: Quantity;
  setFNumber: Quantity;
  workingFNumber: Quantity;
  lightLossStops: Quantity;
  airyUm: Quantity;
  airyPixels: Quantity;
  smallestDetailUm: Quantity;
  cocMm: Quantity;
  depthMm: Quantity;
  waveDepthMm: Quantity;
  subjectDistanceM?: Quantity;
  workingDistanceMm?: Quantity;
  roomToCrop: Quantity;
  handHoldS: Quantity;
  bestFNumber: Quantity;
  /** The system's doubts where it is focused. */
  warnings: Problem[];
  /** What to mind: too near, shadow, above what the hand holds. */
  hints: Problem[];
}

/**
 * Reads a tiny subject with a set-up: how large it is drawn, on which field, how deep, with which light, and whether the
 * pixels are enough.
 *
 * @returns the reading; or the problem when the ratio cannot be known
 * @source thin lenses, or the photographer's own measurement, which beats them
 */
export function readNear(from: NearInput): Result<NearReading> {
  const { system, subject, output, judgeBy = 'resolved', cocSchool = 'diagonal', threshold = DEFAULT_THRESHOLD } = from;
  const found = nearState(system, from.ratio, from.fNumber);
  if (!found.ok) return found;
  const state = found.value;
  const m = state.ratio;
  const { used, pitchUm } = system;
  const pitch = pitchUm.value;
  const ratio = ratioQuantity(system, state);
  const ratioError = (ratio.plusMinus ?? 0) / m;

  const setFNumber = given(
    state.setFNumber,
    'f/',
    'f-number as set',
    state.fixedAperture ? 'the optics have one aperture' : 'as set on the lens',
  );
  const na = system.optics.numericalAperture;
  const cone = given(
    coneFactor(state.setting),
    '×',
    'Cone behind the lens',
    'factors behind × (1 + ratio of the lens alone + what extension adds), pupil factor taken as 1',
  );
  const workingFNumber = computed(state.workingFNumber, 'f/', () =>
    na === undefined
      ? {
          name: 'Working f-number',
          formula: 'N · c',
          inputs: [
            input('N', 'f-number as set', setFNumber),
            input('c', 'how much longer the cone behind it is', cone),
            input('m', 'reproduction ratio', ratio),
          ],
          source: 'what the aperture acts as this close; what stands in front changes nothing behind the lens',
        }
      : {
          name: 'Working f-number',
          formula: 'm / (2 · NA)',
          inputs: [
            input('m', 'reproduction ratio', ratio),
            input(
              'NA',
              'numerical aperture',
              given(na, '1', 'Numerical aperture', 'what stands in front stops the light'),
            ),
          ],
          source: 'the numerical aperture on the subject’s side stops the light',
        },
  );
  const count = countOnSubject({ system, subject, output, judgeBy, threshold, ratio, workingFNumber, ratioError });

  const screenWidthMm = from.screenWidthMm ?? USUAL_SCREEN_WIDTH_MM;
  const sizes = threeSizes(m, system.cropFactor.value, used.widthMm, screenWidthMm);
  const relative = (value: number) => (ratioError > 0 ? value * ratioError : undefined);
  const width = given(used.widthMm, 'mm', 'Width of the part used', 'body and mode');
  const shownOn = (value: number, name: string, screen: Quantity) =>
    computed(
      value,
      '×',
      () => ({
        name,
        formula: 'm · S / W',
        inputs: [
          input('m', 'reproduction ratio', ratio),
          input('S', 'width it is shown at', screen),
          input('W', 'width of the frame', width),
        ],
        source: 'the screen enlarges the sensor’s picture; a smaller sensor more, which is why it looks bigger there',
        neglects: 'It adds nothing to the pixels on the subject.',
      }),
      ratioError > 0 || screen.plusMinus
        ? value * Math.hypot(ratioError, (screen.plusMinus ?? 0) / screen.value)
        : undefined,
    );
  const cameraWidth = cameraScreenWidthMm(system.body, used.widthMm / used.heightMm);

  const field = (sideMm: number, name: string) =>
    computed(
      sideMm / m,
      'mm',
      () => ({
        name,
        formula: 'side / m',
        inputs: [
          input('side', 'side of the part used', given(sideMm, 'mm', 'Side of the part used', 'body and mode')),
          input('m', 'reproduction ratio', ratio),
        ],
        source: 'what the frame shows where it is sharp',
      }),
      relative(sideMm / m),
    );

  const frameDiagonal = diagonal(used.widthMm, used.heightMm);
  const longSide = Math.max(used.widthMm, used.heightMm);
  const cocOf = (school: CocSchool) =>
    circleOfConfusionMm(school, frameDiagonal, longSide, pitch, viewedPixels(output));
  const schools = (value: (cocMm: number) => number) =>
    COC_SCHOOLS.map((school) => ({
      preference: 'cocSchool',
      choice: school,
      name: COC_NAMES[school],
      value: value(cocOf(school)),
      chosen: school === cocSchool,
    }));
  const coc = cocOf(cocSchool);
  const cocMm = computed(coc, 'mm', () => ({
    name: `Circle of confusion (${COC_NAMES[cocSchool]})`,
    formula: { diagonal: 'D / 1500', output: 'long side / details told apart', pixel: '2 · p' }[cocSchool],
    inputs: [
      input('D', 'diagonal used', given(frameDiagonal, 'mm', 'Diagonal of the part used', 'body and mode')),
      input(
        'S',
        'details told apart along the output',
        given(
          viewedPixels(output),
          'px',
          'Details an eye tells apart',
          'one arcminute, or the output’s pixels if those are fewer',
        ),
      ),
      input('p', 'pixel pitch', pitchUm),
    ],
    source: 'how large a blur may be and still pass for sharp; schools differ',
    schools: schools((c) => c),
  }));
  const depth = nearDepth(m, state.workingFNumber, coc);
  const wave = given(DEFAULT_WAVELENGTH_UM, 'µm', 'Wavelength', 'green light');
  const objectNa = computed(depth.numericalAperture, '1', () => ({
    name: 'Numerical aperture on the subject’s side',
    formula: 'm / (2 · N_w)',
    inputs: [input('m', 'reproduction ratio', ratio), input('N_w', 'working f-number', workingFNumber)],
    source: 'definition',
  }));
  const waveDepthMm = computed(depth.waveMm, 'mm', () => ({
    name: 'Depth by the nature of light',
    formula: 'λ / NA²',
    inputs: [input('λ', 'wavelength', wave), input('NA', 'numerical aperture', objectNa)],
    source: 'within it nothing gets sharper, however small the circle of confusion',
  }));
  const depthMm = computed(
    depth.totalMm,
    'mm',
    () => ({
      name: 'Depth of field of one frame',
      formula: '2 · c · N_w / m² + λ/NA²',
      inputs: [
        input('c', 'circle of confusion', cocMm),
        input('N_w', 'working f-number', workingFNumber),
        input('m', 'reproduction ratio', ratio),
        input('λ/NA²', 'wave term', waveDepthMm),
      ],
      source: 'geometry and diffraction together; from about 1 : 10 up',
      schools: schools((c) => nearDepth(m, state.workingFNumber, c).totalMm),
    }),
    relative(2 * depth.totalMm),
  );

  const airyUm = computed(2.44 * DEFAULT_WAVELENGTH_UM * state.workingFNumber, 'µm', () => ({
    name: 'Diffraction disc',
    formula: '2.44 · λ · N_w',
    inputs: [input('λ', 'wavelength', wave), input('N_w', 'working f-number', workingFNumber)],
    source: 'diameter of the Airy disc to its first dark ring, on the sensor',
  }));

  // Only what asks for the curve pays for it: a drag does not.
  let drawn: ApertureCurve | undefined;
  const curveHere = () =>
    (drawn ??= apertureCurve({
      system,
      setting: state.setting,
      subjectMm: subject.sizeMm,
      neededPixels: count.neededPixels.value,
      judgeBy,
      cocMm: coc,
      threshold,
    }));
  const bestHere = (curve: ApertureCurve) =>
    computed(curve.best.fNumber, 'f/', () => ({
      name: `Best f-number for “${output.name}”`,
      formula: curve.enough ? 'the largest N that leaves enough pixels' : 'the N that resolves most',
      inputs: [
        input('n', 'pixels needed', count.neededPixels),
        input('px', 'pixels on the subject', count.pixelsOnSubject),
        input('r', 'resolved share there', given(curve.best.resolvedShare * 100, '%', 'Resolved share there')),
      ],
      source: curve.enough
        ? 'beyond it diffraction takes more than the output can spare'
        : 'no aperture gives enough; this one gives the most',
    }));

  const work = workingDistance(system, state);
  const distanceM = subjectDistanceM(state.setting);
  const room = count.countedPixels.value / count.neededPixels.value;
  const roomToCrop = computed(room, '×', () => ({
    name: 'Room to crop',
    formula: 'px / n',
    inputs: [input('px', 'pixels that count', count.countedPixels), input('n', 'pixels needed', count.neededPixels)],
    source: 'by how much the picture may still be cropped along each side',
  }));
  const equivalent = system.equivalentFocalMm;
  const handHoldS = computed(1 / (equivalent.value * (1 + m)), 's', () => ({
    name: 'Shutter for the hand without flash',
    formula: '1 / (f_eq · (1 + m))',
    inputs: [input('f_eq', 'equivalent focal length', equivalent), input('m', 'reproduction ratio', ratio)],
    source: 'rule of thumb, shorter as the picture is drawn larger',
    neglects: 'A stabiliser: it helps little this close, where the hand shifts more than it turns.',
  }));
  const loss = 2 * Math.log2(state.workingFNumber / state.setFNumber);
  const limit = from.handHoldRatio ?? USUAL_HAND_HOLD_RATIO;
  return ok({
    ...count,
    state,
    get curve() {
      return curveHere();
    },
    ratio,
    framedMagnification: computed(
      sizes.framed,
      '×',
      () => ({
        name: 'Framed magnification',
        formula: 'm · k',
        inputs: [input('m', 'reproduction ratio', ratio), input('k', 'crop factor', system.cropFactor)],
        source: 'how tightly it is framed, told as on 36 × 24 mm: a smaller sensor shows a smaller piece',
        neglects: 'The picture on the sensor is not larger, and the subject has no pixel more for it.',
      }),
      relative(sizes.framed),
    ),
    screenMagnification: shownOn(
      sizes.onScreen,
      'Size on the screen',
      given(screenWidthMm, 'mm', 'Width of the screen or print', 'as set'),
    ),
    ...(cameraWidth === undefined
      ? {}
      : {
          cameraScreenMagnification: shownOn(
            (m * cameraWidth.mm) / used.widthMm,
            'Size on the camera’s screen',
            given(
              cameraWidth.mm,
              'mm',
              'Width of the picture on the camera’s screen',
              cameraWidth.plusMinusMm > 0
                ? 'its diagonal, taken as 3 : 2; enter width and height to know'
                : 'body data',
              cameraWidth.plusMinusMm || undefined,
            ),
          ),
        }),
    fieldWidthMm: field(used.widthMm, 'Width of the field'),
    fieldHeightMm: field(used.heightMm, 'Height of the field'),
    subjectPixelUm: computed(
      pitch / m,
      'µm',
      () => ({
        name: 'A pixel on the subject',
        formula: 'p / m',
        inputs: [input('p', 'pixel pitch', pitchUm), input('m', 'reproduction ratio', ratio)],
        source: 'the sampling of the subject',
      }),
      relative(pitch / m),
    ),
    setFNumber,
    workingFNumber,
    lightLossStops: computed(loss, 'stops', () => ({
      name: 'Light lost against the f-number set',
      formula: '2 · log₂(N_w / N)',
      inputs: [input('N_w', 'working f-number', workingFNumber), input('N', 'f-number as set', setFNumber)],
      source:
        'the picture is spread wider this close, and converters spread it again; the camera’s meter sees it, a flash by hand does not',
    })),
    airyUm,
    airyPixels: computed(airyUm.value / pitch, 'px', () => ({
      name: 'Diffraction disc in pixels',
      formula: 'Airy / p',
      inputs: [input('Airy', 'diffraction disc', airyUm), input('p', 'pixel pitch', pitchUm)],
      source: 'from about two pixels on it starts to show at 100 %',
    })),
    smallestDetailUm: computed(
      count.smallestDetailMm.value * 1000,
      'µm',
      () => ({ ...count.smallestDetailMm.why }),
      relative(count.smallestDetailMm.value * 1000),
    ),
    cocMm,
    depthMm,
    waveDepthMm,
    ...(distanceM === undefined || distanceM === Infinity
      ? {}
      : {
          subjectDistanceM: computed(
            distanceM,
            'm',
            () => ({
              name: 'Sensor to subject',
              formula: '(F·(1 + s/m) + v + d) / 1000',
              inputs: [
                input(
                  'F',
                  'focal length in front of the factors',
                  given(state.setting.frontFocalMm, 'mm', 'Focal length there'),
                ),
                input('s', 'factors behind it', given(state.setting.spread, '×', 'Converters and reducers')),
                input('m', 'reproduction ratio', ratio),
                input('v', 'to the sensor', given(state.setting.imageMm, 'mm', 'Image distance')),
                input(
                  'd',
                  'spacing of the principal planes',
                  given(state.setting.gapMm, 'mm', 'Spacing of the principal planes', 'from the lens’s own data'),
                ),
              ],
              source: 'thin lens; measured from the mark on the body',
              neglects: 'The separation of the principal planes. The length of converters is in the ±.',
            }),
            distanceErrorM(system, state, ratioError),
          ),
        }),
    ...(work
      ? {
          workingDistanceMm: work.entered
            ? given(work.mm, 'mm', 'Working distance', work.how)
            : computed(
                Math.max(0, work.mm),
                'mm',
                () => ({
                  name: 'Working distance',
                  formula: '',
                  inputs: [
                    ...(distanceM === undefined || distanceM === Infinity
                      ? []
                      : [input('T', 'sensor to subject', given(distanceM * 1000, 'mm', 'Sensor to subject'))]),
                    ...(system.arrangement.main.kind === 'lens' && system.arrangement.main.lengthMm !== undefined
                      ? [
                          input(
                            'l',
                            'length of the lens',
                            given(system.arrangement.main.lengthMm, 'mm', 'Length of the lens', 'lens data'),
                          ),
                        ]
                      : []),
                    ...(system.body.flangeMm === undefined
                      ? []
                      : [
                          input(
                            'b',
                            'flange distance',
                            given(system.body.flangeMm, 'mm', 'Flange distance', 'body data'),
                          ),
                        ]),
                  ],
                  source: `estimate: ${work.how}`,
                  neglects: 'Lenses that grow when focused close, hoods, and where the principal planes lie.',
                }),
                work.plusMinusMm,
              ),
        }
      : {}),
    roomToCrop,
    handHoldS,
    get bestFNumber() {
      return bestHere(curveHere());
    },
    warnings: warningsAt(system, state.setting),
    hints: hintsFor(system, state, work?.mm, limit, ratio, from.units ?? 'metric'),
  });
}

/** The ratio in use: measured where it stands at a measured end, else computed with the error of the chain. */
function ratioQuantity(system: EffectiveSystem, state: NearState): Quantity {
  const { ratioAtClosest, ratioAtInfinity } = system;
  const m = state.ratio;
  const end = [ratioAtClosest, ratioAtInfinity].find((each) => each && Math.abs(each.value / m - 1) < 1e-9);
  if (end) return end;
  // Between the ends the relative error goes over from one to the other.
  const near = ratioAtClosest?.plusMinus ? ratioAtClosest.plusMinus / ratioAtClosest.value : 0;
  const far = ratioAtInfinity?.plusMinus ? ratioAtInfinity.plusMinus / ratioAtInfinity.value : near;
  const error = m * (far + (near - far) * state.turned);
  const why = () => ({
    name: 'Reproduction ratio',
    formula: 'between the ends of the focus',
    inputs: [
      ...(ratioAtClosest ? [input('m₁', 'at closest focus', ratioAtClosest)] : []),
      ...(ratioAtInfinity ? [input('m₀', 'with the lens at infinity', ratioAtInfinity)] : []),
    ],
    source: `set with the lens’s own focus, turned ${Math.round(state.turned * 100)} % of the way to its closest`,
    neglects: 'How lenses shorten between the ends; a ruler tells.',
  });
  return ratioAtClosest?.kind === 'measured' && ratioAtInfinity?.kind === 'measured'
    ? measured(m, ':1', why, error)
    : computed(m, ':1', why, error > 1e-9 * m ? error : undefined);
}

/** How well sensor to subject is known, m: converters’ length, the error of the ratio, and how the lens shortens in between. */
function distanceErrorM(system: EffectiveSystem, { setting }: NearState, ratioError: number): number | undefined {
  const { lensFocus, lensTo } = system.optics;
  const own = focalAtRatio(lensFocus, setting.lensRatio);
  const settled = lensTo ? Math.max(0, Math.min(1, 2 * (1 - setting.lensRatio / lensTo))) : 0;
  const shortening =
    setting.lensRatio > 0
      ? (Math.abs(lensFocus.focalMm - own) / 2) * settled * (2 + setting.lensRatio + 1 / setting.lensRatio)
      : 0;
  const error = Math.hypot(converterShiftMm(system), subjectMm(setting) * ratioError, shortening) / 1000;
  return error > 0 ? error : undefined;
}

function hintsFor(
  system: EffectiveSystem,
  state: NearState,
  workingMm: number | undefined,
  handHoldRatio: number,
  ratio: Quantity,
  units: UnitSystem,
): Problem[] {
  const length = (mm: number) => shownText(showSubjectMm(mm, units, 2));
  const hints: Problem[] = [];
  const live = 'No chilling, gluing or killing for a picture; protected species need a permit.';
  if (workingMm !== undefined && workingMm <= 0)
    hints.push({
      code: 'near.touches',
      message:
        'By the estimate the subject would touch the front, or lie inside the lens. Take a tube off, or measure what really comes out.',
    });
  else if (workingMm !== undefined && workingMm < SHADOW_MM)
    hints.push({
      code: 'near.shadow',
      message: `About ${length(workingMm)} in front of the glass: the lens stands in the light and live insects leave. A longer lens gives more room. ${live}`,
    });
  else if (workingMm !== undefined && workingMm < SHY_MM)
    hints.push({
      code: 'near.shy',
      message: `About ${length(workingMm)} in front of the glass: shy insects may leave. ${live}`,
    });
  if (state.ratio > handHoldRatio * (1 + 1e-9))
    hints.push({
      code: 'near.hand',
      message: `${formatRatio(state.ratio)} is above the ${formatRatio(handHoldRatio)} you hold by hand: rail and flash. Mind the glare for eyes, and warm lamps near animals.`,
    });
  if (state.ratio < 0.1)
    hints.push({
      code: 'near.far',
      message: 'Below 1 : 10 the depth here is too small a figure; the Far desk reckons it exactly.',
    });
  if (state.setting.ratioUnsure > 0.02 * state.ratio)
    hints.push({
      code: 'near.behindConverter',
      message:
        'Tubes behind a converter: what they add depends on the converter’s own focal length, which is not published. Photograph a ruler once and enter what you see.',
    });
  else if (ratio.kind !== 'measured' && ratio.plusMinus !== undefined && ratio.plusMinus > 0.1 * ratio.value)
    hints.push({
      code: 'near.rough',
      message: 'The ratio is a rough estimate. Photograph a ruler once and enter what you see.',
    });
  return hints;
}
