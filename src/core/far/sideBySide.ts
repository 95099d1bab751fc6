import type { SubjectSpec } from '../kit/subjects';
import { foldSystem, type CropConventionChoice, type EffectiveSystem, type SystemInput } from '../optics/foldSystem';
import type { OutputSpec } from '../output/needs';
import { VERDICT_WORDS } from '../output/verdictWords';
import { formatFigures, formatFixed } from '../quantity/format';
import type { UnitSystem } from '../quantity/units';
import { distanceForRatioM } from './focusAt';
import { readFar, type FarReading, type JudgeBy } from './readFar';

/**
 * How set-ups are held equal: from the same spot; at the same framing, for which one walks; or as the same picture, for which
 * one walks, and opens or closes the aperture until depth and light agree too.
 */
export type Stance = 'sameSpot' | 'sameFraming' | 'samePicture';

export interface Contender {
  id: string;
  name: string;
  setup: SystemInput;
}

/** One set-up under the stance, against the first one. */
export interface Compared {
  id: string;
  name: string;
  system: EffectiveSystem;
  reading: FarReading;
  distanceM: number;
  /** Nearer (negative) or farther than the first, m. */
  walkM: number;
  /**
   * f-number at which its picture equals the others' in depth and total light: none can be opened wider than the slowest of
   * them allows, so the others are closed. Its own widest under the other stances.
   */
  fNumber: number;
  /** ISO against the first for the same brightness in the same time. */
  isoFactor: number;
  pixelsRatio: number;
  resolvedRatio: number;
  /** Light from the subject per shutter time, stops against the first: entrance pupils squared, distances squared. */
  subjectLightStops: number;
  /** Exposure at its f-number, stops against the first. */
  exposureStops: number;
  weightRatio?: number;
  priceRatio?: number;
}

export interface SideBySide {
  compared: Compared[];
  /** Set-ups that cannot take this picture, with the reason. */
  left: { name: string; reason: string }[];
  /** Which wins, why, by how much, and where it does not matter. */
  sentence: string;
}

export interface SideBySideInput {
  contenders: Contender[];
  stance: Stance;
  subject: SubjectSpec;
  distanceM: number;
  output: OutputSpec;
  judgeBy: JudgeBy;
  convention: CropConventionChoice;
  threshold?: number | undefined;
  units?: UnitSystem | undefined;
}

/** A difference smaller than this is one nobody sees. */
const NO_DIFFERENCE = 0.08;

function sentenceOf(compared: Compared[], { output, judgeBy, stance }: SideBySideInput): string {
  const [first] = compared;
  if (compared.length < 2 || !first) return 'Choose two to four set-ups that can take this picture.';
  const counted = (each: Compared) => each.reading.countedPixels.value;
  const sorted = [...compared].sort((a, b) => counted(b) - counted(a));
  const best = sorted[0]!;
  const next = sorted[1]!;
  const what = judgeBy === 'resolved' ? 'resolved pixels' : 'pixels';
  const lead = counted(best) / counted(next) - 1;
  const where = {
    sameSpot: 'From the same spot',
    sameFraming: 'At the same framing',
    samePicture: 'As the same picture',
  }[stance];
  const enough = compared.filter(({ reading: { verdict } }) => verdict === 'enough' || verdict === 'more');
  const borderline = compared.filter(({ reading: { verdict } }) => verdict === 'borderline');
  const matter =
    enough.length === compared.length
      ? ` For ${output.name} it does not matter: all of them are enough.`
      : enough.length === 0 && borderline.length > 0
        ? ` ${VERDICT_WORDS.borderline(output.name)} with ${borderline.map((each) => each.name).join(' and ')}.`
        : enough.length === 0
          ? ` ${VERDICT_WORDS.notEnough(output.name)} with any of them.`
          : ` For ${output.name} only ${enough.map((each) => each.name).join(' and ')} ${enough.length === 1 ? 'is' : 'are'} enough.`;
  if (lead < NO_DIFFERENCE) {
    const lighter = [...compared]
      .filter((each) => each.system.weightG)
      .sort((a, b) => a.system.weightG!.value - b.system.weightG!.value)[0];
    return `${where} ${best.name} and ${next.name} give the same within ${formatFixed(Math.max(1, lead * 100))} %${lighter ? `; ${lighter.name} is the lightest` : ''}.${matter}`;
  }
  const reach = best.reading.reachPxPerMrad.value / next.reading.reachPxPerMrad.value;
  const share = best.reading.resolvedShare.value / next.reading.resolvedShare.value;
  const percent = (each: Compared) => `${formatFixed(each.reading.resolvedShare.value)} %`;
  const optics = share >= 1.03 ? `resolves ${percent(best)} of its pixels against ${percent(next)}` : '';
  const counts =
    stance === 'sameSpot'
      ? reach >= 1.02
        ? `has ${formatFigures(best.reading.reachPxPerMrad.value)} pixels per milliradian against ${formatFigures(next.reading.reachPxPerMrad.value)}`
        : ''
      : best.system.used.columns > next.system.used.columns
        ? `has ${formatFixed(best.system.used.columns)} columns across the same view against ${formatFixed(next.system.used.columns)}`
        : '';
  const why = `it ${[counts, optics].filter((word) => word !== '').join(' and ') || 'has a little more of everything'}`;
  return `${where} ${best.name} wins with ${formatFixed(lead * 100)} % more ${what} than ${next.name}: ${why}.${matter}`;
}

/** A set-up read from where it stands. */
interface Standing {
  contender: Contender;
  system: EffectiveSystem;
  reading: FarReading;
  distanceM: number;
}

const ratioOf = (a: { value: number } | undefined, b: { value: number } | undefined): number | undefined =>
  a && b && b.value > 0 ? a.value / b.value : undefined;

function comparedTo(
  { contender, system, reading, distanceM: own }: Standing,
  first: Standing,
  stance: Stance,
  distanceM: number,
  commonEquivalent: number,
): Compared {
  const fNumberOf = (each: EffectiveSystem) =>
    stance === 'samePicture' ? commonEquivalent / each.cropFactor.value : each.fNumber.value;
  // An obstruction takes light, not depth: f-numbers that count for the light are larger by what it covers.
  const lightOf = (each: EffectiveSystem) => (fNumberOf(each) * each.lightFNumber) / each.fNumber.value;
  const pupil = (each: EffectiveSystem) => each.focalMm.value / lightOf(each);
  const weightRatio = ratioOf(system.weightG, first.system.weightG);
  const priceRatio = ratioOf(system.price, first.system.price);
  return {
    id: contender.id,
    name: contender.name,
    system,
    reading,
    distanceM: own,
    walkM: own - distanceM,
    fNumber: fNumberOf(system),
    isoFactor: (first.system.cropFactor.value / system.cropFactor.value) ** 2,
    pixelsRatio: reading.pixelsOnSubject.value / first.reading.pixelsOnSubject.value,
    resolvedRatio: reading.resolvedPixels.value / first.reading.resolvedPixels.value,
    subjectLightStops: 2 * Math.log2((pupil(system) * distanceM) / (pupil(first.system) * own)),
    exposureStops: -2 * Math.log2(lightOf(system) / lightOf(first.system)),
    ...(weightRatio === undefined ? {} : { weightRatio }),
    ...(priceRatio === undefined ? {} : { priceRatio }),
  };
}

/**
 * Two to four set-ups on the same subject under a stance, each against the first. Walking changes the perspective; only the
 * same spot keeps it.
 */
export function sideBySide(sought: SideBySideInput): SideBySide {
  const { contenders, stance, subject, output, judgeBy, convention, distanceM } = sought;
  const left: SideBySide['left'] = [];
  const standing: Standing[] = [];
  let first: { system: EffectiveSystem; reading: FarReading } | null = null;
  for (const contender of contenders) {
    const folded = foldSystem(contender.setup, convention);
    if (!folded.ok) {
      left.push({ name: contender.name, reason: folded.problem.message });
      continue;
    }
    const system = folded.value;
    const own =
      stance === 'sameSpot' || !first
        ? distanceM
        : distanceForRatioM(system, system.used.widthMm / (first.reading.fieldWidthM.value * 1000));
    if (own === undefined) {
      left.push({ name: contender.name, reason: `${system.lens.name} does not draw large enough to show the same.` });
      continue;
    }
    const read = readFar({
      system,
      subject,
      distanceM: own,
      output,
      judgeBy,
      units: sought.units,
      ...(sought.threshold === undefined ? {} : { threshold: sought.threshold }),
    });
    if (!read.ok || read.value.obstacle) {
      left.push({ name: contender.name, reason: read.ok ? read.value.obstacle!.message : read.problem.message });
      continue;
    }
    const reading = read.value;
    first ??= { system, reading };
    standing.push({ contender, system, reading, distanceM: own });
  }
  // The slowest equivalent f-number is the one all can be set to.
  const common = Math.max(0, ...standing.map(({ system }) => system.fNumber.value * system.cropFactor.value));
  const compared = standing.map((each) => comparedTo(each, standing[0]!, stance, distanceM, common));
  return { compared, left, sentence: sentenceOf(compared, sought) };
}
