import { modesOf, type CropModeSpec } from '../kit/body';
import type { SubjectSpec } from '../kit/subjects';
import { foldSystem, type CropConventionChoice, type EffectiveSystem, type SystemInput } from '../optics/foldSystem';
import type { OutputSpec } from '../output/needs';
import { formatFigures, formatFixed } from '../quantity/format';
import { showLengthM, shownText } from '../quantity/quantityText';
import type { UnitSystem } from '../quantity/units';
import { readFar, type FarReading, type JudgeBy } from './readFar';

/** One rung: a mode of the body, read on the subject. */
export interface Rung {
  mode: CropModeSpec;
  system: EffectiveSystem;
  reading: FarReading;
  /** Share of the whole sensor's picture that this mode hides, 0 to 1. */
  hidden: number;
  /** The subject does not fit into the frame any more. */
  overflows: boolean;
}

export interface LadderInput {
  setup: SystemInput;
  subject: SubjectSpec;
  distanceM: number;
  output: OutputSpec;
  judgeBy: JudgeBy;
  convention: CropConventionChoice;
  /** Across the view, m/s; left out: nobody entered it, and nothing is concluded from it. */
  speedMPerS?: number | undefined;
  /** Contrast threshold of the detail limit. */
  threshold?: number | undefined;
  /** Units its sentence is told in. */
  units?: UnitSystem | undefined;
}

export interface ModesLadder {
  rungs: Rung[];
  /** Crop in the camera or later, in one sentence, from these numbers. */
  advice: string;
}

/** Frame rate or file must change by a fifth to be worth losing the surroundings for. */
const WORTH = 1.2;
/** With less time than this in the frame nobody keeps a subject in it by hand. */
const SECONDS_TO_FOLLOW = 1;
/** More of the frame than this leaves no room to follow. */
const FILLS_PERCENT = 70;

function advise(rungs: Rung[], subject: SubjectSpec, speedMPerS: number | undefined, units: UnitSystem): string {
  const [whole, ...crops] = rungs;
  if (!whole || crops.length === 0) return 'This body has no crop mode: crop later, nothing is lost by it.';
  const pixels = formatFixed(whole.reading.pixelsOnSubject.value);
  const same = `every mode puts the same ${pixels} pixels on ${subject.name}`;
  const gainOf = (rung: Rung) => {
    const rate = (rung.system.framesPerSecond ?? 0) / (whole.system.framesPerSecond ?? Infinity);
    const files = (whole.system.fileSizeMb ?? 0) / (rung.system.fileSizeMb ?? Infinity);
    return { rate, files, worth: rate >= WORTH || files >= WORTH };
  };
  const entered = (key: 'framesPerSecond' | 'fileSizeMb') =>
    whole.system[key] !== undefined && crops.every((rung) => rung.system[key] !== undefined);
  const missing = [entered('framesPerSecond') ? '' : 'frame rates', entered('fileSizeMb') ? '' : 'file sizes'].filter(
    (word) => word !== '',
  );
  const fitting = crops.filter(
    (rung) => !rung.overflows && rung.reading.shareOfFrame.value <= FILLS_PERCENT && gainOf(rung).worth,
  );
  if (fitting.length === 0) {
    return crops.some((rung) => gainOf(rung).worth)
      ? `Crop later: ${same}, and in the crop modes it takes too much of the frame to be kept in it.`
      : missing.length
        ? `Crop later, as far as is known: ${same}. Whether a crop mode is faster or smaller cannot be said: its ${missing.join(' and ')} are not entered for every mode.`
        : `Crop later: ${same}, and no crop mode is faster or smaller enough to be worth what it hides.`;
  }
  const best = fitting.reduce((a, b) =>
    gainOf(b).rate > gainOf(a).rate || (gainOf(b).rate === gainOf(a).rate && b.hidden > a.hidden) ? b : a,
  );
  const { rate, files } = gainOf(best);
  const seconds = speedMPerS !== undefined && speedMPerS > 0 ? best.reading.fieldWidthM.value / speedMPerS : Infinity;
  if (speedMPerS !== undefined && seconds < SECONDS_TO_FOLLOW) {
    return `Crop later: ${same}, and at ${shownText(showLengthM(speedMPerS, units, 2))}/s it would cross the frame of “${best.mode.name}” in ${formatFigures(seconds, 2)} s.`;
  }
  const gains = [
    rate >= WORTH
      ? `${formatFigures(best.system.framesPerSecond ?? 0, 3)} instead of ${formatFigures(whole.system.framesPerSecond ?? 0, 3)} frames/s`
      : '',
    files >= WORTH ? `files ${formatFigures(files, 2)} times smaller` : '',
  ].filter((word) => word !== '');
  return `Crop in the camera with “${best.mode.name}”: ${same}, and it brings ${gains.join(' and ')}, for ${formatFixed(best.hidden * 100)} % less around it.`;
}

/** The whole sensor and every crop mode on the same subject, and whether to crop in the camera or later. */
export function modesLadder({
  setup,
  subject,
  distanceM,
  output,
  judgeBy,
  convention,
  speedMPerS,
  threshold,
  units = 'metric',
}: LadderInput): ModesLadder {
  const area = setup.body.sensor.widthMm * setup.body.sensor.heightMm;
  const rungs = modesOf(setup.body).flatMap((mode): Rung[] => {
    const folded = foldSystem({ ...setup, modeId: mode.id }, convention);
    if (!folded.ok) return [];
    const reading = readFar({
      system: folded.value,
      subject,
      distanceM,
      output,
      judgeBy,
      ...(threshold === undefined ? {} : { threshold }),
    });
    if (!reading.ok) return [];
    const { widthMm, heightMm } = folded.value.used;
    return [
      {
        mode,
        system: folded.value,
        reading: reading.value,
        hidden: 1 - (widthMm * heightMm) / area,
        overflows: reading.value.shareOfFrame.value > 100,
      },
    ];
  });
  return { rungs, advice: advise(rungs, subject, speedMPerS, units) };
}
