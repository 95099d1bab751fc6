import { reduced, type Grey } from '../../picture/grey';
import { median } from '../smooth';
import type { Candidate } from './candidates';
import { finerDivision, fitCandidate, type Fitted } from './fitCandidate';
import { inkOfTicks } from './inkOfTicks';
import { middleOf } from './rulerModel';
import { apart } from './strips';

/** A picture and smaller copies of it, each made once. */
export interface Sizes {
  smaller: (by: number) => Grey;
}

export function sizesOf(grey: Grey): Sizes {
  const made = new Map<number, Grey>([[1, grey]]);
  const smaller = (by: number): Grey => {
    let copy = made.get(by);
    if (copy) return copy;
    // Means of means are the same, block for block: from the smallest copy there is, so that the whole picture is read once.
    const from = Math.max(...[...made.keys()].filter((each) => by % each === 0));
    const step = by / from;
    copy = step % 2 === 0 && step > 2 ? reduced(smaller(by / 2), 2) : reduced(made.get(from)!, step);
    made.set(by, copy);
    return copy;
  };
  return { smaller };
}

/** So many px from tick to tick are enough to fit them, and so many to see whether they are ticks at all. */
const ENOUGH_PX = 20;
const GLANCE_PX = 10;
/** Fits tried at most, best scores first. */
const MOST = 14;
/** A fit with so many ticks is not bettered by what scored less. */
const PLENTY = 12;
const FEWEST_TICKS = 4;
/** A fit is refused beyond these: ticks, share of the value, degrees. */
const SCATTER = 0.08;
/** Ticks of a ruler scatter by about so much. */
const USUAL_SCATTER = 0.03;
const TOO_UNSURE = 0.03;
const TOO_TURNED = 1.5;
/** Ticks seen over less than this many of their own distances are as likely grain. */
const LEAST_LENGTH = 0.45;

/** Ticks are ink nearly everywhere on their lines; grain is not. */
const INKED = 0.8;

/** Whether a fit can be ticks at all. */
function sound(fitted: Fitted): boolean {
  const { ticksPerPx, ticksPerPxError, turnRadError } = middleOf(fitted.model);
  return (
    fitted.ticks >= FEWEST_TICKS &&
    fitted.share > 0.7 &&
    fitted.model.scatter < SCATTER &&
    fitted.periodPx >= 3 &&
    fitted.toT - fitted.fromT >= LEAST_LENGTH * fitted.periodPx &&
    2 * ticksPerPxError < TOO_UNSURE * ticksPerPx &&
    turnRadError * (180 / Math.PI) * 2 < TOO_TURNED &&
    inked(fitted) > INKED
  );
}

/** The share of places on the ticks, over the lines on which they were found, that stand out as ticks do. */
function inked({ grey, axes, model, tone, fromT, toT }: Fitted): number {
  const ink = inkOfTicks(grey, axes, model, tone, { fromT, toT, stepPx: Math.max(1, (toT - fromT) / 12) });
  if (!ink) return 0;
  const seen = new Set(model.points.map(({ n }) => n - ink.firstN));
  const values = ink.values.flatMap((line) =>
    Array.from(line).filter((value, i) => seen.has(i) && !Number.isNaN(value)),
  );
  const usual = median(values);
  return values.filter((value) => value > 0.4 * usual && value < 3 * usual).length / Math.max(1, values.length);
}

/** A candidate of the whole picture, fitted on a copy in which its ticks stand so far apart. */
function fitAt(sizes: Sizes, candidate: Candidate, apartPx: number): Fitted | null {
  const by = 2 ** Math.max(0, Math.floor(Math.log2(candidate.periodPx / apartPx)));
  const { degrees, periodPx, fromT, toT, score } = candidate;
  return fitCandidate(sizes.smaller(by), by, {
    degrees,
    periodPx: periodPx / by,
    fromT: fromT / by,
    toT: toT / by,
    score,
  });
}

/** Most candidates are none: a glance at a smaller copy tells, and only what holds there is fitted on more pixels. */
function fitSmall(sizes: Sizes, candidate: Candidate): Fitted | null {
  if (candidate.periodPx < 2 * GLANCE_PX) return fitAt(sizes, candidate, ENOUGH_PX);
  const glance = fitAt(sizes, candidate, GLANCE_PX);
  if (!glance || !sound(glance)) return null;
  const around = (periods: number): Fitted | null => {
    const margin = periods * glance.periodPx;
    const [fromT, toT] = [(glance.fromT - margin) * glance.by, (glance.toT + margin) * glance.by];
    return fitAt(
      sizes,
      { ...candidate, degrees: glance.degrees, periodPx: wholePeriod(glance), fromT, toT },
      ENOUGH_PX,
    );
  };
  const wide = around(WIDE_MARGIN);
  // Beyond the ends of few ticks something else may look more like a row of them: then where they were seen is enough.
  return wide && sound(wide) ? wide : around(CLOSE_MARGIN);
}

/** Ticks are sought anew so many of their distances beyond where a glance saw them. */
const WIDE_MARGIN = 2;
const CLOSE_MARGIN = 0.5;

/** Fits a candidate, and what is finer between its ticks as long as there is something. */
function finest(sizes: Sizes, candidate: Candidate): Fitted | null {
  let fitted = fitSmall(sizes, candidate);
  for (let depth = 0; fitted && depth < 3 && sound(fitted); depth++) {
    const finer = finerDivision(fitted);
    const again = finer && fitSmall(sizes, finer);
    if (!again || !sound(again) || wholePeriod(again) > 0.7 * wholePeriod(fitted)) break;
    fitted = again;
  }
  return fitted && sound(fitted) ? fitted : null;
}

/** Distance of its ticks, px of the whole picture. */
const wholePeriod = ({ periodPx, by }: Fitted): number => periodPx * by;

export const worth = ({ ticks, share, model }: Fitted): number =>
  (ticks * share) / (1 + (model.scatter / USUAL_SCATTER) ** 2);

/** All sound fits of a picture, those with most ticks first; each place of the picture once. */
export function soundFits(sizes: Sizes, candidates: Candidate[], onProgress?: (share: number) => void): Fitted[] {
  const fits: Fitted[] = [];
  for (let i = 0; i < Math.min(MOST, candidates.length); i++) {
    onProgress?.(i / Math.min(MOST, candidates.length));
    if (fits.some((fitted) => covers(fitted, candidates[i]!))) continue;
    const fitted = finest(sizes, candidates[i]!);
    if (fitted) fits.push(fitted);
    if (fits.some((each) => each.ticks >= PLENTY) && i >= 3) break;
  }
  return fits.sort((a, b) => worth(b) - worth(a));
}

/** What repeats alike this near in direction is the same; many ticks are seen from farther askew, too, degrees. */
const SAME = 3;
const SAME_FROM_ASKEW = 8;

/** Whether a candidate is what was fitted already. */
function covers(fitted: Fitted, candidate: Candidate): boolean {
  const period = wholePeriod(fitted);
  const times = candidate.periodPx / period;
  return (
    apart(fitted.degrees, candidate.degrees) < (fitted.ticks >= PLENTY ? SAME_FROM_ASKEW : SAME) &&
    Math.abs(times - Math.round(times)) < 0.1 &&
    times > 0.9 &&
    candidate.fromT < fitted.toT * fitted.by + 4 * period &&
    candidate.toT > fitted.fromT * fitted.by - 4 * period
  );
}
