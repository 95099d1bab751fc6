import type { PhotoTags } from '../../formats/photoProposal';
import { roundedError } from '../../quantity/quantityText';
import { formatFigures, formatFixed, formatStops } from '../../quantity/format';
import type { AntiAliasFilter } from '../../sensor/antiAlias';
import { computed, measured, type Quantity } from '../../quantity/quantity';
import { commonField } from '../pair/commonField';
import type { PairFound } from '../pair/comparePair';
import type { MoreDetail } from '../pair/whichHasMore';

/** What two pictures of one thing say, in words. */
export interface PairWords {
  title: string;
  sentence: string;
}

/** Within this share nobody sees a difference of detail; an answer that leaves more open has found none, not shown that there is none. */
const SEEN = 0.12;
/** Scales nearer to one than this are the same size. */
const SAME_SIZE = 0.02;

/** How much more of the subject is told apart along a length, %. */
export function moreOf({ detail }: PairFound): Quantity | null {
  if (!detail) return null;
  return measured(
    (detail.ratio - 1) * 100,
    '%',
    () => ({
      name: 'Detail of the second beyond the first',
      formula: '(ν_b ÷ ν_a − 1) · 100',
      inputs: [],
      source:
        'spectra of what both show, free of noise: how the share one keeps of the other’s structure falls with its fineness; at 15 % of the contrast',
      neglects: 'Depth, movement, and sharpening, which looks like detail.',
    }),
    detail.plusMinus * 100,
  );
}

/** How much larger the second shows it, times. */
export const largerOf = ({ scale, scaleError }: PairFound): Quantity =>
  computed(
    scale,
    '×',
    () => ({
      name: 'Pixels of the second a pixel of the first',
      formula: '',
      inputs: [],
      source: 'both laid onto each other by their structure, to hundredths of a pixel',
    }),
    scaleError,
  );

/** What the field tells that both show: words for where one is but a part of the other. */
export interface FieldOfBoth {
  cut: string | null;
}

/** A part shows this share of the other's area at most, and all of itself lies in it; its middle is the other's within such a share. */
const PART = 0.9;
const ALL = 0.98;
const MIDDLE = 0.06;

/** Whether one picture is a part of the other at the same pixels: its middle, or another part, and how many times narrower. */
export function fieldOfBoth(match: PairFound['match'], a: Size, b: Size): FieldOfBoth {
  const { ofFirst, ofSecond, offFirst, offSecond } = commonField(match, a, b);
  const [part, whole, share, off] =
    ofSecond > ALL && ofFirst < PART
      ? (['second', 'first', ofFirst, offFirst] as const)
      : ofFirst > ALL && ofSecond < PART
        ? (['first', 'second', ofSecond, offSecond] as const)
        : [null, null, 1, 0];
  if (!part) return { cut: null };
  // A whole side is told by the pictures' sizes, a share of the area only to a grid.
  const times = part === 'second' ? a.width / b.width : b.width / a.width;
  const area = times * (part === 'second' ? a.height / b.height : b.height / a.height);
  const exact = Math.abs(area * share - 1) < 0.1 ? times : Math.sqrt(1 / share);
  return {
    cut: `The ${part} is ${off < MIDDLE ? 'the middle' : 'a part'} of the ${whole}, ${formatFixed(exact, 2)} times.`,
  };
}

type Size = { width: number; height: number };

/** The verdict. Sizes are on the subject; the first is what the second is held against. */
export function pairWords({ scale, detail }: PairFound, field?: FieldOfBoth): PairWords {
  const larger = Math.abs(scale - 1) < SAME_SIZE ? '' : `${formatFigures(scale, 3)} times as large`;
  if (!detail)
    return {
      title: 'Too little in common to tell',
      sentence: 'They lie on each other, but what both show is too coarse, or too noisy, to say which holds more.',
    };
  if (detail.more === 'equal') return equalWords(detail, scale, larger, field?.cut ?? null);
  // Told of the second whichever has more: turned over, the ± would be another to either side.
  const [winner, word] = detail.more === 'b' ? ['second', 'more'] : ['first', 'less'];
  const difference = 100 * Math.abs(detail.ratio - 1);
  const error = 100 * detail.plusMinus;
  const plusMinus = roundedError(error);
  // A ± that rounds to the whole of what it belongs to would read as if neither had more: the bound is told instead.
  const much =
    plusMinus < Math.round(difference)
      ? `${formatFixed(difference)} ± ${formatFixed(plusMinus)} %`
      : `up to ${formatFixed(Math.ceil(difference + error))} %`;
  const shown = larger ? `; the second shows it ${larger}` : '';
  return {
    title: `The ${winner} has more`,
    sentence: `The second resolves ${much} ${word} of the subject along a length than the first${shown}.`,
  };
}

/** A share that is not exceeded, in words: to the next 5 %. */
const upTo = (share: number): string => `up to ${formatFixed(5 * Math.ceil(20 * share - 1e-9))} %`;

/** Words for two of which neither is shown to hold more. */
function equalWords(detail: MoreDetail, scale: number, larger: string, cut: string | null): PairWords {
  const [most, least] = [detail.ratio + detail.plusMinus - 1, 1 - (detail.ratio - detail.plusMinus)];
  if (Math.max(most, least) > SEEN) {
    const open = [most > 0 ? `${upTo(most)} more` : '', least > 0 ? `${upTo(Math.min(1, least))} less` : ''].filter(
      Boolean,
    );
    const shown = larger ? `The second shows the subject ${larger}. ` : cut ? `${cut} ` : '';
    return {
      title: 'No difference found',
      sentence: `${shown}Along a length the second may hold ${open.join(' or ')} than the first: noise, or too little in common, hides a difference as small as that.`,
    };
  }
  if (larger)
    return {
      title: 'The same detail',
      sentence:
        scale > 1
          ? `The second shows the subject ${larger} and nothing the first, cropped later, does not.`
          : `The second shows the subject ${larger} and keeps all that the first does.`,
    };
  return cut
    ? { title: 'The same picture', sentence: `${cut} It shows nothing of the subject that the other does not.` }
    : { title: 'The same detail', sentence: 'Neither shows anything of the subject that the other does not.' };
}

interface Compared {
  tags: PhotoTags | null;
  width: number;
  height: number;
  /** Filter before the body's sensor, where the body is known. */
  filter?: AntiAliasFilter | undefined;
}

/** Shares by which what should be equal may differ without a word. */
const EQUAL = { fNumber: 0.12, light: 0.35, focal: 0.03, pixels: 0.05 };

const differs = (a: number | undefined, b: number | undefined, by: number): number | null =>
  a && b && Math.abs(Math.log(b / a)) > Math.log(1 + by) ? b / a : null;

/** What was not held equal between two pictures, and which way it pushes the answer. */
export function unfair(a: Compared, b: Compared, found: PairFound): string[] {
  const [ta, tb] = [a.tags ?? {}, b.tags ?? {}];
  const told: string[] = [];
  if (!a.tags || !b.tags) told.push('One of them carries no EXIF: whether they were taken alike is not known.');
  if (differs(ta.fNumber, tb.fNumber, EQUAL.fNumber) !== null) {
    const wider = ta.fNumber! < tb.fNumber! ? 'first' : 'second';
    told.push(
      `f/${formatFigures(ta.fNumber!, 2)} against f/${formatFigures(tb.fNumber!, 2)}: the ${wider} has less diffraction and less depth.`,
    );
  }
  if (differs(ta.iso, tb.iso, EQUAL.light) !== null) {
    const noisier = ta.iso! > tb.iso! ? 'first' : 'second';
    told.push(`ISO ${ta.iso} against ${tb.iso}: the ${noisier} has more noise, which hides detail.`);
  }
  if (differs(ta.exposureS, tb.exposureS, EQUAL.light) !== null) {
    const longer = ta.exposureS! > tb.exposureS! ? 'first' : 'second';
    told.push(`The ${longer} was exposed longer: shake and movement count against it.`);
  }
  const focal = differs(ta.focalLengthMm, tb.focalLengthMm, EQUAL.focal);
  if (focal !== null)
    told.push(
      `${formatFigures(ta.focalLengthMm!, 3)} mm against ${formatFigures(tb.focalLengthMm!, 3)} mm: what is compared is lens and sensor together.`,
    );
  const zoom = differs(ta.digitalZoomRatio || 1, tb.digitalZoomRatio || 1, EQUAL.focal);
  if (zoom !== null) told.push('One was enlarged in the camera: its pixels are partly made up.');
  const [pa, pb] = [a.width * a.height, b.width * b.height];
  if (differs(pa, pb, EQUAL.pixels) !== null && Math.abs(found.scale - 1) >= SAME_SIZE)
    told.push(
      `${formatFigures(pa / 1e6, 3)} against ${formatFigures(pb / 1e6, 3)} MP: finer pixels carry more, if the lens gives it.`,
    );
  told.push(...fromPixels(a, b, found));
  if (found.correlation < 0.8)
    told.push(
      'They agree only in part where they lie on each other: depth, another light or movement. The verdict holds for the flat part.',
    );
  return told;
}

/** Light may differ by this many stops without a word; the common field may lie this far off in one and not the other. */
const LIGHT_STOPS = 0.5;
const FRAMED_OFF = 0.25;

const FILTERS: Record<AntiAliasFilter, string> = { none: 'no filter', weak: 'a weak filter', standard: 'a filter' };

/** What the pixels themselves say was not held equal: focus, framing, exposure; and the filters of the bodies. */
function fromPixels(a: Compared, b: Compared, found: PairFound): string[] {
  const told: string[] = [];
  const { focus, lightRatio } = found;
  if (focus)
    told.push(
      `Focused on different planes: the second gains towards ${sideWords(focus.directionDeg)}, the first on the other side, by ${formatFigures(focus.acrossField, 2)} times from end to end. Where a plane is out of focus it is not the lens that is compared.`,
    );
  const stops = Math.log2(lightRatio);
  if (Math.abs(stops) > LIGHT_STOPS)
    told.push(
      `The second is ${formatStops(Math.abs(stops)).replace('+', '')} ${stops > 0 ? 'brighter' : 'darker'} where both show the same: the ${stops > 0 ? 'first' : 'second'} has more noise for its light.`,
    );
  const field = commonField(found.match, a, b);
  if (Math.abs(field.offFirst - field.offSecond) > FRAMED_OFF) {
    const outer = field.offFirst > field.offSecond ? 'first' : 'second';
    told.push(`Framed differently: it lies towards the edge of the ${outer}, where a lens draws less.`);
  }
  if (a.filter && b.filter && a.filter !== b.filter)
    told.push(
      `The first body has ${FILTERS[a.filter]}, the second ${FILTERS[b.filter]}, which takes fine detail on purpose.`,
    );
  return told;
}

/** A direction in a picture, degrees from +x towards +y, in words. */
function sideWords(deg: number): string {
  const names = [
    'the right',
    'the lower right',
    'the bottom',
    'the lower left',
    'the left',
    'the upper left',
    'the top',
    'the upper right',
  ];
  return names[((Math.round(deg / 45) % 8) + 8) % 8]!;
}
