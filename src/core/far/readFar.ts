import { detailLimit, DEFAULT_THRESHOLD } from '../detail/detailLimit';
import { DEFAULT_WAVELENGTH_UM } from '../detail/response';
import { SUBJECT_KINDS, type SubjectSpec } from '../kit/subjects';
import type { EffectiveSystem } from '../optics/foldSystem';
import { angleOfViewDeg } from '../optics/angleOfView';
import { neededPixels, outputLongSidePx, type OutputSpec } from '../output/needs';
import { verdictOf, type Verdict } from '../output/verdict';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import { ok, type Problem, type Result } from '../quantity/result';
import { megapixels } from '../sensor/diagonal';
import { focusAt } from './focusAt';
import { pixelScaleArcsec, pixelsOnSubject, samplingReachPxPerMrad } from './imaging';

/** Which pixels are held against the output's need: those that carry real detail, or all of them. */
export type JudgeBy = 'resolved' | 'sampled';

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
export interface FarReading {
  distanceM: Quantity;
  ratio: Quantity;
  pixelsOnSubject: Quantity;
  resolvedShare: Quantity;
  resolvedPixels: Quantity;
  neededPixels: Quantity;
  /** The count the verdict is taken on. */
  countedPixels: Quantity;
  judgeBy: JudgeBy;
  verdict: Verdict;
  shareOfFrame: Quantity;
  fieldWidthM: Quantity;
  fieldHeightM: Quantity;
  angleWidthDeg: Quantity;
  angleHeightDeg: Quantity;
  reachPxPerMrad: Quantity;
  pixelScaleArcsec: Quantity;
  smallestDetailMm: Quantity;
  megapixels: Quantity;
  resolvedMegapixels: Quantity;
  workingFNumber: Quantity;
  detailLimitLpPerMm: Quantity;
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
  const kind = SUBJECT_KINDS[subject.kind];

  const distance = given(distanceM, 'm', 'Distance from sensor to subject', 'the subject as set');
  const size = given(subject.sizeMm, 'mm', `Size of the subject, ${kind.measure}`, 'subject data', subject.sizePlusMinusMm);
  const sizeError = (subject.sizePlusMinusMm ?? 0) / subject.sizeMm;
  const ratioError = breathing ?? 0;
  const pixelError = Math.hypot(sizeError, ratioError);
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
  const px = pixelsOnSubject(m, subject.sizeMm, pitch);
  const pixels = computed(
    px,
    'px',
    () => ({
      name: 'Pixels on the subject',
      formula: '1000 · m · L / p',
      inputs: [input('m', 'reproduction ratio', ratio), input('L', kind.measure, size), input('p', 'pixel pitch', system.pitchUm)],
      source: `counted along the subject’s ${kind.measure}; a crop mode does not change it`,
      neglects: 'Pose and foreshortening.',
    }),
    orNothing(px * pixelError),
  );

  const workingFNumber = computed(system.fNumber.value * (1 + m), 'f/', () => ({
    name: 'Working f-number',
    formula: 'N · (1 + m/P)',
    inputs: [
      input('N', 'effective f-number', system.fNumber),
      input('m', 'reproduction ratio', ratio),
      input('P', 'pupil factor', given(1, '1', 'Pupil factor', 'not known, taken as 1')),
    ],
    source: 'what the aperture acts as when focused closer',
  }));
  const parts = {
    pitchUm: pitch,
    workingFNumber: workingFNumber.value,
    lens50LpPerMm: system.lens50LpPerMm.value,
    antiAliasPx: system.antiAliasPx,
  };
  const limit = detailLimit(parts, threshold);
  const lensError = system.lens50LpPerMm.plusMinus;
  const shareError =
    lensError === undefined
      ? 0
      : (detailLimit({ ...parts, lens50LpPerMm: parts.lens50LpPerMm + lensError }, threshold).resolvedShare -
          detailLimit({ ...parts, lens50LpPerMm: parts.lens50LpPerMm - lensError }, threshold).resolvedShare) /
        2;
  const thresholdQ = given(threshold, '1', 'Contrast threshold', 'setting');
  const detailLimitLpPerMm = computed(limit.limitLpPerMm, 'lp/mm', () => ({
    name: 'Detail limit on the sensor',
    formula: 'first ν with diffraction · pixel · filter · lens = T, at most 1/(2p)',
    inputs: [
      input('N', 'working f-number', workingFNumber),
      input('p', 'pixel pitch', system.pitchUm),
      input('a', 'anti-aliasing filter', given(system.antiAliasPx, 'px', 'Filter displacement', `filter: ${system.body.antiAliasFilter}`)),
      input('ν', '50 % frequency of the optics', system.lens50LpPerMm),
      input('λ', 'wavelength', given(DEFAULT_WAVELENGTH_UM, 'µm', 'Wavelength', 'green light')),
      input('T', 'contrast threshold', thresholdQ),
    ],
    source: 'product of the responses of the parts',
    neglects: 'Focus error, shake, haze, noise and sharpening.',
  }));
  const resolvedShare = computed(
    limit.resolvedShare * 100,
    '%',
    () => ({
      name: 'Resolved share',
      formula: 'min(1, 2 · p · ν), p in mm',
      inputs: [input('p', 'pixel pitch', system.pitchUm), input('ν', 'detail limit', detailLimitLpPerMm)],
      source: 'the detail limit against what the pixels could hold',
    }),
    orNothing(shareError * 100),
  );
  const resolved = computed(
    px * limit.resolvedShare,
    'px',
    () => ({
      name: 'Resolved pixels on the subject',
      formula: 'px · r',
      inputs: [input('px', 'pixels on the subject', pixels), input('r', 'resolved share', resolvedShare)],
      source: 'how many of the pixels carry real detail',
      neglects: 'Focus error, shake, haze and noise: they only make it fewer.',
    }),
    orNothing(px * limit.resolvedShare * Math.hypot(pixelError, shareError / limit.resolvedShare)),
  );

  const need = neededPixels(output, subject.sizeMm);
  const longSide = outputLongSidePx(output);
  const needed = computed(need, 'px', () => ({
    name: `Pixels the subject needs for “${output.name}”`,
    formula: output.kind === 'identification' ? '2 · L / d' : 'long side · share of it the subject takes',
    inputs:
      output.kind === 'identification'
        ? [input('L', kind.measure, size), input('d', 'smallest detail', given(output.smallestDetailMm, 'mm', 'Smallest detail to tell apart', 'output'))]
        : [
            input('px', 'long side of the output', given(longSide ?? 0, 'px', 'Long side of the output', 'output')),
            input('s', 'share the subject takes', given(output.subjectShare * 100, '%', 'Share of the long side', 'output')),
          ],
    source: output.kind === 'identification' ? 'two pixels on the smallest detail' : 'the picture is cropped until the subject takes its share',
  }));
  const counted = judgeBy === 'resolved' ? resolved : pixels;
  const countedPixels = computed(
    counted.value,
    'px',
    () => ({
      name: 'Pixels the verdict counts',
      formula: judgeBy === 'resolved' ? 'px · r, held against n' : 'px, held against n',
      inputs: [
        input('px', 'pixels on the subject', pixels),
        input('r', 'resolved share', resolvedShare),
        input('n', `needed for “${output.name}”`, needed),
      ],
      source: 'two schools: only what is resolved counts, or every pixel does',
      schools: [
        { preference: 'judgeBy', choice: 'resolved', name: 'resolved pixels count', value: resolved.value, chosen: judgeBy === 'resolved' },
        { preference: 'judgeBy', choice: 'sampled', name: 'every pixel counts', value: pixels.value, chosen: judgeBy === 'sampled' },
      ],
    }),
    counted.plusMinus,
  );

  const sideMm = kind.axis === 'width' ? used.widthMm : used.heightMm;
  const sideQ = given(sideMm, 'mm', `Frame ${kind.axis}`, 'body and mode');
  const share = (m * subject.sizeMm) / sideMm;
  const shareOfFrame = computed(
    share * 100,
    '%',
    () => ({
      name: `Share of the frame’s ${kind.axis}`,
      formula: 'm · L / side',
      inputs: [input('m', 'reproduction ratio', ratio), input('L', kind.measure, size), input('side', `frame ${kind.axis}`, sideQ)],
      source: 'size of the picture of the subject on the sensor against the frame',
    }),
    orNothing(share * 100 * pixelError),
  );
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
  const totalMp = megapixels(used.columns, used.rows);
  const megapixelsQ = computed(totalMp, 'MP', () => ({
    name: `Megapixels of “${system.mode.name}”`,
    formula: 'columns · rows / 10⁶',
    inputs: [
      input('columns', 'pixel columns used', given(used.columns, 'px', 'Columns', 'body and mode')),
      input('rows', 'pixel rows used', given(used.rows, 'px', 'Rows', 'body and mode')),
    ],
    source: 'a crop of factor c keeps 1/c² of the pixels: divide by the factor twice, not once',
  }));
  const obstacle = obstacleAt(system, distanceM);
  return ok({
    distanceM: distance,
    ratio,
    pixelsOnSubject: pixels,
    resolvedShare,
    resolvedPixels: resolved,
    neededPixels: needed,
    countedPixels,
    judgeBy,
    verdict: verdictOf(counted.value, need),
    shareOfFrame,
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
    smallestDetailMm: computed(1 / (2 * limit.limitLpPerMm * m), 'mm', () => ({
      name: 'Smallest detail told apart on the subject',
      formula: '1 / (2 · ν · m)',
      inputs: [input('ν', 'detail limit', detailLimitLpPerMm), input('m', 'reproduction ratio', ratio)],
      source: 'half a line pair at the detail limit, carried back to the subject',
    })),
    megapixels: megapixelsQ,
    resolvedMegapixels: computed(totalMp * limit.resolvedShare ** 2, 'MP', () => ({
      name: 'Resolved megapixels',
      formula: 'MP · r²',
      inputs: [input('MP', 'megapixels', megapixelsQ), input('r', 'resolved share', resolvedShare)],
      source: 'the resolved share counts along both sides',
    })),
    workingFNumber,
    detailLimitLpPerMm,
    ...(obstacle ? { obstacle } : {}),
  });
}
