import { SUBJECT_KINDS, type SubjectSpec } from '../kit/subjects';
import type { EffectiveSystem } from '../optics/foldSystem';
import { neededPixels, outputLongSidePx, printPixelsPerInch, type OutputSpec } from '../output/needs';
import { formatFigures } from '../quantity/format';
import { verdictOf, type Verdict } from '../output/verdict';
import { assumed, computed, given, input, type Quantity } from '../quantity/quantity';
import { megapixels } from '../sensor/diagonal';
import { detailLimit } from './detailLimit';
import { detailPartsOf } from './detailParts';
import { overfills } from './overflow';
import { pixelsOnSubject } from './pixelsOnSubject';
import { DEFAULT_WAVELENGTH_UM } from './response';

/** Which pixels are held against the output's need: those that carry real detail, or all of them. */
export type JudgeBy = 'resolved' | 'sampled';

export interface SubjectCountInput {
  system: EffectiveSystem;
  subject: SubjectSpec;
  output: OutputSpec;
  judgeBy: JudgeBy;
  /** Contrast threshold of the detail limit, 0.10 to 0.20. */
  threshold: number;
  ratio: Quantity;
  workingFNumber: Quantity;
  /** Relative error of the ratio. */
  ratioError: number;
}

/** The pixels on a subject, what is resolved of them, and whether that is enough. */
export interface SubjectCount {
  pixelsOnSubject: Quantity;
  resolvedShare: Quantity;
  resolvedPixels: Quantity;
  neededPixels: Quantity;
  /** The count the verdict is taken on. */
  countedPixels: Quantity;
  judgeBy: JudgeBy;
  verdict: Verdict;
  shareOfFrame: Quantity;
  /** The subject fits only, or better, with the camera rotated by a quarter turn. */
  rotated?: boolean;
  smallestDetailMm: Quantity;
  megapixels: Quantity;
  resolvedMegapixels: Quantity;
  detailLimitLpPerMm: Quantity;
}

const orNothing = (error: number): number | undefined => (error > 0 ? error : undefined);

/** Size of the subject, with how well it is known. */
function sizeOf({ kind, sizeMm, sizePlusMinusMm, assumed: usual }: SubjectSpec): Quantity {
  const { name, measure } = SUBJECT_KINDS[kind];
  const title = `Size of the subject, ${measure}`;
  return usual
    ? assumed(sizeMm, 'mm', title, `usual for “${name.toLowerCase()}”`, sizePlusMinusMm)
    : given(sizeMm, 'mm', title, 'subject data', sizePlusMinusMm);
}

/** What rests on an assumed size says so. */
const noteOf = ({ assumed: usual }: SubjectSpec) => (usual ? ('assumed' as const) : undefined);

/** Relative error of what goes with size and ratio. */
const pixelErrorOf = ({ subject, ratioError }: SubjectCountInput): number =>
  Math.hypot((subject.sizePlusMinusMm ?? 0) / subject.sizeMm, ratioError);

function pixelsQuantity(from: SubjectCountInput): Quantity {
  const { system, subject, ratio } = from;
  const kind = SUBJECT_KINDS[subject.kind];
  const px = pixelsOnSubject(ratio.value, subject.sizeMm, system.pitchUm.value);
  return computed(
    px,
    'px',
    () => ({
      name: 'Pixels on the subject',
      formula: '1000 · m · L / p',
      inputs: [
        input('m', 'reproduction ratio', ratio),
        input('L', kind.measure, sizeOf(subject)),
        input('p', 'pixel pitch', system.pitchUm),
      ],
      source: `counted along the subject’s ${kind.measure}; a crop mode does not change it`,
      neglects: 'Pose and foreshortening.',
    }),
    orNothing(px * pixelErrorOf(from)),
    noteOf(subject),
  );
}

type Detail = Pick<SubjectCount, 'resolvedShare' | 'detailLimitLpPerMm'> & { share: number; shareError: number };

/** What of the pixels' detail is really there: the detail limit, and the share it is of what they could hold. */
function detailOf({ system, workingFNumber, threshold }: SubjectCountInput): Detail {
  const parts = detailPartsOf(system, workingFNumber.value);
  const limit = detailLimit(parts, threshold);
  const lensError = system.lens50LpPerMm.plusMinus;
  const shareWith = (change: number) =>
    detailLimit({ ...parts, lens50LpPerMm: parts.lens50LpPerMm + change }, threshold).resolvedShare;
  const shareError = lensError === undefined ? 0 : (shareWith(lensError) - shareWith(-lensError)) / 2;
  const thresholdQ = given(threshold, '1', 'Contrast threshold', 'setting');
  const detailLimitLpPerMm = computed(limit.limitLpPerMm, 'lp/mm', () => ({
    name: 'Detail limit on the sensor',
    formula: 'first ν with diffraction · pixel · filter · lens = T, at most 1/(2p)',
    inputs: [
      input('N', 'working f-number', workingFNumber),
      input('p', 'pixel pitch', system.pitchUm),
      input(
        'a',
        'anti-aliasing filter',
        given(system.antiAliasPx, 'px', 'Filter displacement', `filter: ${system.body.antiAliasFilter}`),
      ),
      input('ν', '50 % frequency of the optics', system.lens50LpPerMm),
      input('λ', 'wavelength', given(DEFAULT_WAVELENGTH_UM, 'µm', 'Wavelength', 'green light')),
      input('T', 'contrast threshold', thresholdQ),
      ...(system.obstruction > 0
        ? [input('ε', 'central obstruction', given(system.obstruction, '1', 'Obstruction ÷ opening', 'lens data'))]
        : []),
    ],
    source:
      system.obstruction > 0
        ? 'product of the responses of the parts; diffraction of a ring-shaped opening'
        : 'product of the responses of the parts',
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
  return { resolvedShare, detailLimitLpPerMm, share: limit.resolvedShare, shareError };
}

function resolvedQuantity(
  pixels: Quantity,
  { resolvedShare, share, shareError }: Detail,
  pixelError: number,
): Quantity {
  return computed(
    pixels.value * share,
    'px',
    () => ({
      name: 'Resolved pixels on the subject',
      formula: 'px · r',
      inputs: [input('px', 'pixels on the subject', pixels), input('r', 'resolved share', resolvedShare)],
      source: 'how many of the pixels carry real detail',
      neglects: 'Focus error, shake, haze and noise: they only make it fewer.',
    }),
    orNothing(pixels.value * share * Math.hypot(pixelError, shareError / share)),
    pixels.note,
  );
}

/** Where the pixels of the long side come from: those of a print from its size and density. */
const longSideWords = (output: OutputSpec): string =>
  output.kind === 'print'
    ? `long side of the print, ${formatFigures(output.longSideMm)} mm at ${formatFigures(printPixelsPerInch(output))} px per inch`
    : 'long side of the output';

/** What the output asks of the subject. */
function neededQuantity(output: OutputSpec, subject: SubjectSpec): Quantity {
  const need = neededPixels(output, subject.sizeMm);
  const kind = SUBJECT_KINDS[subject.kind];
  const longSide = outputLongSidePx(output);
  return computed(need, 'px', () => ({
    name: `Pixels the subject needs for “${output.name}”`,
    formula: output.kind === 'identification' ? '2 · L / d' : 'long side · share of it the subject takes',
    inputs:
      output.kind === 'identification'
        ? [
            input('L', kind.measure, sizeOf(subject)),
            input(
              'd',
              'smallest detail',
              given(output.smallestDetailMm, 'mm', 'Smallest detail to tell apart', 'output'),
            ),
          ]
        : [
            input('px', longSideWords(output), given(longSide ?? 0, 'px', 'Long side of the output', 'output')),
            input(
              's',
              'share the subject takes',
              given(output.subjectShare * 100, '%', 'Share of the long side', 'output'),
            ),
          ],
    source:
      output.kind === 'identification'
        ? 'two pixels on the smallest detail'
        : 'the picture is cropped until the subject takes its share',
  }));
}

/** The pixels the verdict counts, by the two schools. */
function countedQuantity(
  { judgeBy, output }: SubjectCountInput,
  pixels: Quantity,
  resolved: Quantity,
  resolvedShare: Quantity,
  needed: Quantity,
): Quantity {
  const counted = judgeBy === 'resolved' ? resolved : pixels;
  return computed(
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
        {
          preference: 'judgeBy',
          choice: 'resolved',
          name: 'resolved pixels count',
          value: resolved.value,
          plusMinus: resolved.plusMinus,
          chosen: judgeBy === 'resolved',
        },
        {
          preference: 'judgeBy',
          choice: 'sampled',
          name: 'every pixel counts',
          value: pixels.value,
          plusMinus: pixels.plusMinus,
          chosen: judgeBy === 'sampled',
        },
      ],
    }),
    counted.plusMinus,
  );
}

/** The side of the frame a subject lies along: that of its kind, or the longer one with the camera rotated, where only that fits. */
function sideOf({ system, subject, ratio }: SubjectCountInput): {
  axis: 'width' | 'height';
  sideMm: number;
  rotated: boolean;
} {
  const { widthMm, heightMm } = system.used;
  const { axis } = SUBJECT_KINDS[subject.kind];
  const [own, other] = axis === 'width' ? [widthMm, heightMm] : [heightMm, widthMm];
  const rotated = other > own && overfills((100 * ratio.value * subject.sizeMm) / own);
  if (!rotated) return { axis, sideMm: own, rotated };
  return { axis: axis === 'width' ? 'height' : 'width', sideMm: other, rotated };
}

function shareQuantity(from: SubjectCountInput): Quantity {
  const { subject, ratio } = from;
  const kind = SUBJECT_KINDS[subject.kind];
  const { axis, sideMm, rotated } = sideOf(from);
  const sideQ = given(sideMm, 'mm', `Frame ${axis}`, 'body and mode');
  const share = (ratio.value * subject.sizeMm) / sideMm;
  return computed(
    share * 100,
    '%',
    () => ({
      name: `Share of the frame’s ${axis}${rotated ? ', camera rotated' : ''}`,
      formula: 'm · L / side',
      inputs: [
        input('m', 'reproduction ratio', ratio),
        input('L', kind.measure, sizeOf(subject)),
        input('side', `frame ${axis}`, sideQ),
      ],
      source: 'size of the picture of the subject on the sensor against the frame',
    }),
    orNothing(share * 100 * pixelErrorOf(from)),
  );
}

/** Megapixels of the mode, and what is resolved of them. */
function megapixelQuantities(
  { used, mode }: EffectiveSystem,
  { resolvedShare, share }: Detail,
): Pick<SubjectCount, 'megapixels' | 'resolvedMegapixels'> {
  const totalMp = megapixels(used.columns, used.rows);
  const megapixelsQ = computed(totalMp, 'MP', () => ({
    name: `Megapixels of “${mode.name}”`,
    formula: 'columns · rows / 10⁶',
    inputs: [
      input('columns', 'pixel columns used', given(used.columns, 'px', 'Columns', 'body and mode')),
      input('rows', 'pixel rows used', given(used.rows, 'px', 'Rows', 'body and mode')),
    ],
    source: 'a crop of factor c keeps 1/c² of the pixels: divide by the factor twice, not once',
  }));
  return {
    megapixels: megapixelsQ,
    resolvedMegapixels: computed(totalMp * share ** 2, 'MP', () => ({
      name: 'Resolved megapixels',
      formula: 'MP · r²',
      inputs: [input('MP', 'megapixels', megapixelsQ), input('r', 'resolved share', resolvedShare)],
      source: 'the resolved share counts along both sides',
    })),
  };
}

/**
 * Counts the pixels on a subject that is drawn at a ratio: what every desk judges by.
 *
 * @source 1000·m·L/p; detail limit of the system response; the output's need
 */
export function countOnSubject(from: SubjectCountInput): SubjectCount {
  const { system, subject, output, judgeBy, ratio } = from;
  const pixels = pixelsQuantity(from);
  const detail = detailOf(from);
  const { resolvedShare, detailLimitLpPerMm } = detail;
  const resolved = resolvedQuantity(pixels, detail, pixelErrorOf(from));
  const needed = neededQuantity(output, subject);
  const countedPixels = countedQuantity(from, pixels, resolved, resolvedShare, needed);
  return {
    pixelsOnSubject: pixels,
    resolvedShare,
    resolvedPixels: resolved,
    neededPixels: needed,
    countedPixels,
    judgeBy,
    verdict: verdictOf(countedPixels.value, needed.value, countedPixels.plusMinus),
    shareOfFrame: shareQuantity(from),
    ...(sideOf(from).rotated ? { rotated: true } : {}),
    smallestDetailMm: computed(1 / (2 * detailLimitLpPerMm.value * ratio.value), 'mm', () => ({
      name: 'Smallest detail told apart on the subject',
      formula: '1 / (2 · ν · m)',
      inputs: [input('ν', 'detail limit', detailLimitLpPerMm), input('m', 'reproduction ratio', ratio)],
      source: 'half a line pair at the detail limit, carried back to the subject',
    })),
    ...megapixelQuantities(system, detail),
    detailLimitLpPerMm,
  };
}
