import type { Grey } from '../../picture/grey';
import type { Candidate } from './candidates';
import { followTicks, ticksByModel } from './followTicks';
import { inkOfTicks } from './inkOfTicks';
import { mainRun } from './numbering';
import { fitRuler, middleOf, type RulerModel } from './rulerModel';
import { axesOf, type Axes } from './strips';
import type { Tone } from './ticks';
import { gapsFollowed } from './toneOfTicks';

/** Ticks of a picture, fitted. */
export interface Fitted {
  /** The copy of the picture it was fitted on, so many times smaller; all places are px of it. */
  grey: Grey;
  by: number;
  axes: Axes;
  degrees: number;
  tone: Tone;
  model: RulerModel;
  /** Distance of the ticks at the picture's middle, px. */
  periodPx: number;
  /** Outermost lines on which they were found, px across. */
  fromT: number;
  toT: number;
  /** Numbers found. */
  ticks: number;
  /** Of the numbers between the first and the last, the share found. */
  share: number;
}

const DEGREES = 180 / Math.PI;

function describe(
  { grey, by }: Pick<Fitted, 'grey' | 'by'>,
  axes: Axes,
  degrees: number,
  tone: Tone,
  model: RulerModel,
): Fitted {
  const ts = model.points.map(({ t }) => t);
  const ns = new Set(model.points.map(({ n }) => n));
  const low = Math.min(...ns);
  const high = Math.max(...ns);
  return {
    grey,
    by,
    axes,
    degrees,
    tone,
    model,
    periodPx: 1 / middleOf(model).ticksPerPx,
    fromT: ts.reduce((a, b) => Math.min(a, b), Infinity),
    toT: ts.reduce((a, b) => Math.max(a, b), -Infinity),
    ticks: ns.size,
    share: ns.size / (high - low + 1),
  };
}

/** The number nearest to the picture's middle becomes 0: the terms are told apart best then. */
function centred(points: { n: number; s: number; t: number }[], periodPx: number) {
  const nearest = points.reduce((best, point) => (Math.abs(point.s) < Math.abs(best.s) ? point : best));
  const shift = nearest.n - Math.round(nearest.s / periodPx);
  return points.map((point) => ({ ...point, n: point.n - shift }));
}

/**
 * Fits the ticks of something that repeats: once as they are followed, again in the ticks' own direction.
 *
 * @param by how many times smaller this copy of the picture is
 */
export function fitCandidate(grey: Grey, by: number, candidate: Candidate): Fitted | null {
  const fitted = fitInTone(grey, by, candidate);
  if (!fitted || !gapsFollowed(fitted)) return fitted;
  const other = fitInTone(grey, by, candidate, fitted.tone === 1 ? -1 : 1);
  // Where both seem to be gaps, as flanks of ticks twice as far apart do, neither is known better by it.
  return other && !gapsFollowed(other) ? other : fitted;
}

function fitInTone(grey: Grey, by: number, { degrees, periodPx, fromT, toT }: Candidate, known?: Tone): Fitted | null {
  const half = Math.max(grey.width, grey.height) / 2;
  const axes = axesOf(grey, degrees);
  const followed = followTicks(grey, axes, { periodPx, fromT, toT }, known);
  if (!followed || followed.points.length < 8) return null;
  const first = fitRuler(centred(followed.points, periodPx), half);
  if (!first) return null;
  let fitted = describe({ grey, by }, axes, degrees, followed.tone, first);
  for (let round = 0, parted = false; round < 2 || (parted && round < MOST_ROUNDS); round++) {
    const turned = fitted.degrees + middleOf(fitted.model).turnRad * DEGREES;
    const newAxes = axesOf(grey, turned);
    const again = refitted(fitted, newAxes, half);
    if (!again) return null;
    parted = again.parted;
    fitted = describe(fitted, newAxes, turned, fitted.tone, again.model);
  }
  return fitted;
}

/** Looked for again at most so often, while more is found beyond a gap than can be counted. */
const MOST_ROUNDS = 6;

/** The points seen along another direction, fitted, and sought anew there; whether some beyond a gap were left out. */
function refitted(fitted: Fitted, axes: Axes, half: number): { model: RulerModel; parted: boolean } | null {
  const turn = Math.atan2(
    axes.sine * fitted.axes.cosine - axes.cosine * fitted.axes.sine,
    axes.cosine * fitted.axes.cosine + axes.sine * fitted.axes.sine,
  );
  const points = fitted.model.points.map(({ n, s, t }) => ({
    n,
    s: s * Math.cos(turn) + t * Math.sin(turn),
    t: t * Math.cos(turn) - s * Math.sin(turn),
  }));
  const model = fitRuler(points, half);
  if (!model) return null;
  const ts = points.map(({ t }) => t);
  const margin = Math.max(3 * fitted.periodPx, 40);
  const found = ticksByModel(fitted.grey, axes, model, fitted.tone, {
    periodPx: fitted.periodPx,
    fromT: ts.reduce((a, b) => Math.min(a, b), Infinity) - margin,
    toT: ts.reduce((a, b) => Math.max(a, b), -Infinity) + margin,
  });
  const run = mainRun(found);
  const again = run.length >= 8 ? fitRuler(centred(run, fitted.periodPx), half) : null;
  return again && { model: again, parted: run.length < found.length };
}

/** Ink between the ticks, where a finer division may be: offsets and how far beside them the ground lies. */
const FINER = [
  { by: 2, offset: 0.5, gap: 0.22 },
  { by: 5, offset: 0.2, gap: 0.1 },
] as const;
/** A finer division stands out by this share of what the ticks do, on so many periods of lines. */
const STANDS_OUT = 0.35;

/** Lines on which finer ticks stand between those found, as a candidate of their own; nothing when there are none. */
export function finerDivision(fitted: Fitted): Candidate | null {
  const { grey, by: smaller, axes, model, tone, periodPx, fromT, toT, degrees } = fitted;
  const where = { fromT: fromT - 5 * periodPx, toT: toT + 5 * periodPx, stepPx: Math.max(1, periodPx / 8) };
  const ticks = inkOfTicks(grey, axes, model, tone, { fromT, toT, stepPx: Math.max(1, (toT - fromT) / 8) });
  if (!ticks) return null;
  const usual = meanOf(ticks.values.flatMap((line) => Array.from(line)));
  for (const { by, offset, gap } of FINER) {
    if ((periodPx * smaller) / by < 3) continue;
    const ink = inkOfTicks(grey, axes, model, tone, { ...where, offset, gap });
    if (!ink) continue;
    const lines = Array.from(ink.ts).filter((_, i) => standsOut(ink.values[i]!, usual));
    const needed = Math.max(3, (0.4 * periodPx) / where.stepPx);
    if (lines.length >= needed)
      return {
        degrees,
        periodPx: (periodPx * smaller) / by,
        fromT: Math.min(...lines) * smaller,
        toT: Math.max(...lines) * smaller,
        score: 0,
      };
  }
  return null;
}

function meanOf(values: number[]): number {
  const seen = values.filter((value) => !Number.isNaN(value));
  return seen.reduce((sum, value) => sum + value, 0) / Math.max(1, seen.length);
}

function standsOut(line: Float64Array, usual: number): boolean {
  const seen = Array.from(line).filter((value) => !Number.isNaN(value));
  if (seen.length < 4) return false;
  const mean = meanOf(seen);
  const spread = Math.sqrt(seen.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (seen.length - 1));
  return mean > STANDS_OUT * usual && mean > (4 * spread) / Math.sqrt(seen.length);
}
