import { DEFAULT_THRESHOLD } from '../detail/detailLimit';
import { countOnSubject, type JudgeBy, type SubjectCount } from '../detail/subjectCount';
import type { SubjectSpec } from '../kit/subjects';
import type { EffectiveSystem } from '../optics/foldSystem';
import { angleOfViewDeg } from '../optics/angleOfView';
import { workingFNumberAt } from '../optics/workingFNumber';
import type { OutputSpec } from '../output/needs';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import { ok, type Problem, type Result } from '../quantity/result';
import { focusAt } from './focusAt';
import { pixelScaleArcsec, samplingReachPxPerMrad } from './imaging';

export type { JudgeBy } from '../detail/subjectCount';

export interface FarInput {
  system: EffectiveSystem;
  subject: SubjectSpec;
  /** Sensor-to-subject distance, m. */
  distanceM: number;
  output: OutputSpec;
  judgeBy?: JudgeBy;
  /** Contrast threshold of the detail limit, 0.10 to 0.20. */
  threshold?: number;
}

/** The reading of one set-up on one far subject. */
export interface FarReading extends SubjectCount {
  distanceM: Quantity;
  ratio: Quantity;
  fieldWidthM: Quantity;
  fieldHeightM: Quantity;
  angleWidthDeg: Quantity;
  angleHeightDeg: Quantity;
  reachPxPerMrad: Quantity;
  pixelScaleArcsec: Quantity;
  workingFNumber: Quantity;
  /** What stands in the way of taking this picture, though it can be computed. */
  obstacle?: Problem;
}

/** What keeps the lens from focusing there, though the picture can be computed. */
function obstacleAt(system: EffectiveSystem, distanceM: number): Problem | null {
  const nearest = system.closestFocusM?.value;
  const farthest = system.farthestFocusM?.value;
  const name = system.lens.name;
  const single = nearest !== undefined && farthest !== undefined && farthest - nearest < 1e-9 * nearest;
  if ((system.optics.fixedRatio || single) && nearest !== undefined && Math.abs(distanceM / nearest - 1) > 0.02) {
    return { code: 'focus.fixed', message: `This set-up focuses at about ${figures(nearest, 2)} m and nowhere else. Go there, or choose another set-up.`, field: 'distanceM' };
  }
  if (nearest !== undefined && distanceM < nearest * (1 - 1e-9)) {
    return { code: 'focus.closest', message: `${name} focuses from ${figures(nearest)} m on. Step back ${figures(nearest - distanceM, 2)} m, or choose a lens that focuses closer.`, field: 'distanceM' };
  }
  if (farthest !== undefined && distanceM > farthest * (1 + 1e-9)) {
    return { code: 'focus.farthest', message: `With what is in this chain ${name} focuses no farther than ${figures(farthest)} m. Go closer, or take a tube or close-up lens off.`, field: 'distanceM' };
  }
  return null;
}

const figures = (value: number, count = 3): string => String(Number(value.toPrecision(count)));

/**
 * Reads a far subject with a set-up: pixels on it, what is resolved of them, and whether that is enough.
 *
 * @returns the reading; or the problem when no picture can be formed from there
 * @source thin lens with sensor-to-subject distance; detail limit of the system response
 */
export function readFar({ system, subject, distanceM, output, judgeBy = 'resolved', threshold = DEFAULT_THRESHOLD }: FarInput): Result<FarReading> {
  const focus = focusAt(system, distanceM * 1000);
  if (!focus.ok) return focus;
  const { ratio: m, vMm, focalMm, breathing } = focus.value;
  const pitch = system.pitchUm.value;
  const used = system.used;

  const distance = given(distanceM, 'm', 'Distance from sensor to subject', 'the subject as set');
  const ratioError = breathing ?? 0;
  const orNothing = (error: number): number | undefined => (error > 0 ? error : undefined);
  const usedFocal =
    focalMm === system.focalMm.value
      ? system.focalMm
      : computed(focalMm, 'mm', () => ({
          name: 'Focal length at this distance',
          formula: 'f + (f′ − f) · T₀/T',
          inputs: [input('T₀', 'closest focus', given(system.lens.closestFocusM ?? 0, 'm', 'Closest focus', 'lens data'))],
          source: 'estimate between infinity and the lens’s own closest-focus data',
        }));

  const ratio = computed(
    m,
    ':1',
    () => ({
      name: 'Reproduction ratio',
      formula: 'u = (T + √(T² − 4fT))/2;  m = (T − u)/u',
      inputs: [input('T', 'sensor-to-subject distance', distance), input('f', 'focal length', usedFocal)],
      source: 'thin lens',
      neglects:
        breathing === undefined
          ? 'The separation of the principal planes and the shortening of most lenses when focused closer; enter closest focus and ratio of the lens to see how much.'
          : 'The separation of the principal planes. The ± is what the lens’s own closest-focus data suggest for its shortening.',
    }),
    orNothing(m * ratioError),
  );
  const workingFNumber = computed(workingFNumberAt(system, system.fNumber.value, m), 'f/', () => ({
    name: 'Working f-number',
    formula: 'N · (1 + m/P)',
    inputs: [
      input('N', 'effective f-number', system.fNumber),
      input('m', 'reproduction ratio', ratio),
      input('P', 'pupil factor', given(system.optics.state.factor, '1', 'Pupil factor', 'of the lens not known, taken as 1; a converter multiplies it')),
    ],
    source: 'what the aperture acts as when focused closer',
  }));
  const count = countOnSubject({ system, subject, output, judgeBy, threshold, ratio, workingFNumber, ratioError });
  const field = (side: number, name: string) =>
    computed(side / m / 1000, 'm', () => ({
      name,
      formula: 'side / m',
      inputs: [input('side', 'side of the part used', given(side, 'mm', 'Side of the part used', 'body and mode')), input('m', 'reproduction ratio', ratio)],
      source: 'what the frame shows at the subject’s distance',
    }));
  const imageDistance = computed(vMm, 'mm', () => ({
    name: 'Image distance',
    formula: 'f · (1 + m)',
    inputs: [input('f', 'focal length', usedFocal), input('m', 'reproduction ratio', ratio)],
    source: 'thin lens',
  }));
  const angle = (side: number, name: string) =>
    computed(angleOfViewDeg(side, vMm), '°', () => ({
      name,
      formula: '2 · atan(s / 2v)',
      inputs: [input('s', 'side of the part used', given(side, 'mm', 'Side of the part used', 'body and mode')), input('v', 'image distance', imageDistance)],
      source: 'rectilinear projection',
    }));
  const obstacle = obstacleAt(system, distanceM);
  return ok({
    distanceM: distance,
    ratio,
    ...count,
    fieldWidthM: field(used.widthMm, 'Width seen at the subject'),
    fieldHeightM: field(used.heightMm, 'Height seen at the subject'),
    angleWidthDeg: angle(used.widthMm, 'Angle of view, width'),
    angleHeightDeg: angle(used.heightMm, 'Angle of view, height'),
    reachPxPerMrad: computed(samplingReachPxPerMrad(system.focalMm.value, pitch), 'px/mrad', () => ({
      name: 'Sampling reach',
      formula: 'f / p',
      inputs: [input('f', 'effective focal length', system.focalMm), input('p', 'pixel pitch', system.pitchUm)],
      source: 'pixels per milliradian, whatever the size of the sensor: the honest number to compare reach',
    })),
    pixelScaleArcsec: computed(pixelScaleArcsec(system.focalMm.value, pitch), '″/px', () => ({
      name: 'Pixel scale',
      formula: '206.265 · p / f',
      inputs: [input('p', 'pixel pitch', system.pitchUm), input('f', 'effective focal length', system.focalMm)],
      source: 'small angles',
    })),
    workingFNumber,
    ...(obstacle ? { obstacle } : {}),
  });
}
