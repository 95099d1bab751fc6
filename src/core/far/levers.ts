import type { PartKind } from '../chain/parts';
import { candidatesAround, type KitAround, type Patch } from '../levers/candidates';
import type { SubjectSpec } from '../kit/subjects';
import {
  foldSystem,
  type AutofocusState,
  type CropConventionChoice,
  type EffectiveSystem,
  type SystemInput,
} from '../optics/foldSystem';
import type { OutputSpec } from '../output/needs';
import { computed, input, type Quantity } from '../quantity/quantity';
import { root } from '../quantity/root';
import type { UnitSystem } from '../quantity/units';
import type { Verdict } from '../output/verdict';
import { countPixels } from './countPixels';
import { farthestDistanceM, nearestDistanceM } from './focusAt';
import { readFar, type FarReading, type JudgeBy } from './readFar';

export type LeverKind = 'distance' | 'focal' | 'chain' | 'mode' | 'setup';

/** A change one could make, with its exact gain and its price. Ratios are "after ÷ before". */
export interface Lever {
  id: string;
  kind: LeverKind;
  /** Name of the part, mode or set-up it brings in; empty for distance and focal length. */
  name: string;
  /** True when it takes the named part out of the chain. */
  removes: boolean;
  patch: Patch;
  pixelsRatio: number;
  resolvedRatio: number;
  /** Nothing to judge where it does not focus there, or the subject does not fit. */
  verdictAfter: Verdict | 'outOfFocus' | 'doesNotFit';
  /** Change of the exposure's light, stops. */
  stops: number;
  fNumberAfter: number;
  autofocusBefore: AutofocusState;
  autofocusAfter: AutofocusState;
  /** Nearer (negative) or farther (positive), m. */
  distanceChangeM: number;
  focalAfterMm: number;
  /** Frame area after ÷ before, at the subject: what is still seen around it. */
  surroundingsRatio: number;
  fileSizeRatio?: number;
  framesPerSecondBefore?: number;
  framesPerSecondAfter?: number;
  weightChangeG?: number;
  priceChange?: number;
  /** What the gain is worked out from: the readings before and after, each with its own reasons. */
  gain: Quantity;
  /** The lens does not focus at that distance: the pixels are no offer. */
  cannotFocus: boolean;
  /** The subject's picture ÷ the frame's side. */
  timesFrame: number;
  /** Both before and after there is a picture, so that what it gains can be told. */
  comparable: boolean;
  /** Problem that comes with the change: too near to focus, dark corners. */
  caution?: string;
}

/** The situation levers are sought for: a set-up, a subject, a purpose, and the rest of the kit. */
export interface FarSituation {
  setup: SystemInput;
  subject: SubjectSpec;
  distanceM: number;
  output: OutputSpec;
  judgeBy: JudgeBy;
  convention: CropConventionChoice;
  threshold?: number | undefined;
  units?: UnitSystem | undefined;
  /** What else the kit has. */
  kit: KitAround;
}

interface State {
  system: EffectiveSystem;
  reading: FarReading;
}

function stateOf(situation: FarSituation, setup: SystemInput, distanceM: number): State | null {
  const system = foldSystem(setup, situation.convention);
  if (!system.ok) return null;
  const reading = readFar({
    system: system.value,
    subject: situation.subject,
    distanceM,
    output: situation.output,
    judgeBy: situation.judgeBy,
    units: situation.units,
    ...(situation.threshold === undefined ? {} : { threshold: situation.threshold }),
  });
  return reading.ok ? { system: system.value, reading: reading.value } : null;
}

/** Distances are walked, not machined: a decimetre up to 20 m, half a metre beyond, rounded to the side that is enough. */
function walkable(distanceM: number): number {
  const step = distanceM < 2 ? 0.01 : distanceM < 20 ? 0.1 : 0.5;
  return Number((Math.floor(distanceM / step + 1e-9) * step).toFixed(2));
}

/** Finds where a count of pixels meets the need, between two places on either side of it; a hair on the side of enough. */
function crossing(from: number, to: number, excessAt: (x: number) => number): number {
  const found = root(excessAt, from, to, 1e-9);
  return excessAt(found) >= 0 ? found : found + (from - found) * 1e-8;
}

const FARTHEST_M = 10_000;
/** Share of the frame's side a subject may take to have some room around it. */
const FITTING_PERCENT = 85;

/** What the count must reach so that its error no longer reaches across the need. */
function surelyNeeded({ reading: { countedPixels, neededPixels } }: State): number {
  const error = (countedPixels.plusMinus ?? 0) / Math.max(countedPixels.value, 1e-9);
  return error < 1 ? neededPixels.value / (1 - error) : Infinity;
}

const fallsShort = ({ reading: { verdict } }: State): boolean => verdict === 'notEnough' || verdict === 'borderline';

function distancePatch(situation: FarSituation, now: State): Patch | null {
  const need = surelyNeeded(now);
  // In the logarithm the count falls almost straight with the logarithm of the distance.
  const excessAt = (logM: number) =>
    Math.log(
      Math.max(
        1e-9,
        countPixels(now.system, situation.subject.sizeMm, Math.exp(logM), situation.judgeBy, situation.threshold),
      ) / need,
    );
  const enoughAt = (distanceM: number) => excessAt(Math.log(distanceM)) >= 0;
  const between = (near: number, far: number) => Math.exp(crossing(Math.log(near), Math.log(far), excessAt));
  const nearest = nearestDistanceM(now.system);
  const most = Math.min(FARTHEST_M, farthestDistanceM(now.system));
  if (situation.distanceM > most) return { distanceM: walkable(most) };
  if (situation.distanceM < nearest) return { distanceM: Math.ceil(nearest * 100) / 100 };
  if (fallsShort(now)) {
    if (!enoughAt(nearest)) return nearest < situation.distanceM ? { distanceM: Math.ceil(nearest * 100) / 100 } : null;
    const target = walkable(between(nearest, situation.distanceM));
    return { distanceM: Math.max(target, nearest) };
  }
  // Enough already: the animal gains by every metre one can stay back.
  const farthest = enoughAt(most) ? most : between(situation.distanceM, most);
  const target = walkable(farthest);
  return target > situation.distanceM * 1.02 ? { distanceM: target } : null;
}

function focalPatch(situation: FarSituation, now: State): Patch | null {
  const { lens, markedFocalMm } = now.system;
  if (lens.focalTeleMm <= lens.focalWideMm) return null;
  const systemAt = (focalMm: number) => {
    const system = foldSystem({ ...situation.setup, focalMm }, situation.convention);
    return system.ok ? system.value : null;
  };
  const countedAt = (focalMm: number, judgeBy: JudgeBy) => {
    const system = systemAt(focalMm);
    return system
      ? countPixels(system, situation.subject.sizeMm, situation.distanceM, judgeBy, situation.threshold)
      : 0;
  };
  if (now.reading.shareOfFrame.value > 100 && markedFocalMm > lens.focalWideMm) {
    // The share of the frame goes with the pixels on the subject.
    const most = (now.reading.pixelsOnSubject.value * FITTING_PERCENT) / now.reading.shareOfFrame.value;
    const fits = crossing(lens.focalWideMm, markedFocalMm, (focal) => most - countedAt(focal, 'sampled'));
    return { focalMm: Math.max(lens.focalWideMm, Math.floor(fits)) };
  }
  if (!fallsShort(now) || markedFocalMm >= lens.focalTeleMm) return null;
  const need = surelyNeeded(now);
  const excessAt = (focalMm: number) => countedAt(focalMm, situation.judgeBy) - need;
  if (excessAt(lens.focalTeleMm) < 0) return { focalMm: lens.focalTeleMm };
  return { focalMm: Math.min(lens.focalTeleMm, Math.ceil(crossing(lens.focalTeleMm, markedFocalMm, excessAt))) };
}

/** What a sum changes by; nothing where either is not known whole. */
function difference(after: Quantity | undefined, before: Quantity | undefined): number | undefined {
  return !after || !before || after.note === 'atLeast' || before.note === 'atLeast'
    ? undefined
    : after.value - before.value;
}

/** Gain in resolved pixels, derived from both readings, so that every number of a lever can be followed up. */
function gainOf(before: State, after: State): Quantity {
  return computed(after.reading.resolvedPixels.value / before.reading.resolvedPixels.value, '×', () => ({
    name: 'What this would change',
    formula: 'resolved after ÷ resolved before: r₁ / r₀',
    inputs: [
      input('r₀', 'resolved now', before.reading.resolvedPixels),
      input('r₁', 'resolved then', after.reading.resolvedPixels),
      input('px₀', 'pixels now', before.reading.pixelsOnSubject),
      input('px₁', 'pixels then', after.reading.pixelsOnSubject),
      input('N₀', 'f-number now', before.system.fNumber),
      input('N₁', 'f-number then', after.system.fNumber),
      input('W₀', 'width seen now', before.reading.fieldWidthM),
      input('W₁', 'width seen then', after.reading.fieldWidthM),
      ...(before.system.weightG && after.system.weightG
        ? [input('g₀', 'weight now', before.system.weightG), input('g₁', 'weight then', after.system.weightG)]
        : []),
    ],
    source:
      'both set-ups read on the same subject; stops are −2·log₂(N₁/N₀), what is seen around it goes with the area of the field',
  }));
}

function lever(
  situation: FarSituation,
  now: State,
  kind: LeverKind,
  id: string,
  name: string,
  removes: boolean,
  patch: Patch,
  setup: SystemInput,
  distanceM: number,
): Lever | null {
  const after = stateOf(situation, setup, distanceM);
  if (!after) return null;
  const { system, reading } = after;
  const seen = (state: State) => state.reading.fieldWidthM.value * state.reading.fieldHeightM.value;
  const dark = reading.warnings.find((warning) => warning.code === 'coverage.dark');
  const caution = reading.obstacle?.message ?? dark?.message;
  const weightChangeG = difference(system.weightG, now.system.weightG);
  const priceChange = difference(system.price, now.system.price);
  return {
    id,
    kind,
    name,
    removes,
    patch,
    pixelsRatio: reading.pixelsOnSubject.value / now.reading.pixelsOnSubject.value,
    resolvedRatio: reading.resolvedPixels.value / now.reading.resolvedPixels.value,
    verdictAfter: reading.obstacle ? 'outOfFocus' : reading.overflow ? 'doesNotFit' : reading.verdict,
    stops:
      -2 * Math.log2(system.fNumber.value / now.system.fNumber.value) -
      (system.optics.shadeStops - now.system.optics.shadeStops),
    fNumberAfter: system.fNumber.value,
    autofocusBefore: now.system.autofocus.state,
    autofocusAfter: system.autofocus.state,
    distanceChangeM: distanceM - situation.distanceM,
    focalAfterMm: system.focalMm.value,
    surroundingsRatio: seen(after) / seen(now),
    gain: gainOf(now, after),
    cannotFocus: reading.obstacle !== undefined,
    timesFrame: reading.shareOfFrame.value / 100,
    comparable: reading.obstacle === undefined && now.reading.obstacle === undefined,
    ...(system.fileSizeMb !== undefined && now.system.fileSizeMb !== undefined
      ? { fileSizeRatio: system.fileSizeMb / now.system.fileSizeMb }
      : {}),
    ...(now.system.framesPerSecond === undefined ? {} : { framesPerSecondBefore: now.system.framesPerSecond }),
    ...(system.framesPerSecond === undefined ? {} : { framesPerSecondAfter: system.framesPerSecond }),
    ...(weightChangeG === undefined ? {} : { weightChangeG }),
    ...(priceChange === undefined ? {} : { priceChange }),
    ...(caution === undefined ? {} : { caution }),
  };
}

/** Parts that are put in and taken out for a distant subject; what is for close range is not offered. */
const FAR_PARTS: readonly PartKind[] = ['converter', 'innerConverter', 'reducer', 'barlow', 'filter'];

/**
 * Everything that could be changed, each with its exact gain and price: distance, focal length, converters and reducers
 * of the kit, crop modes, other set-ups. Changes that cannot work are left out.
 */
export function farLevers(situation: FarSituation): Lever[] {
  const { setup, distanceM } = situation;
  const now = stateOf(situation, setup, distanceM);
  if (!now) return [];
  const found: (Lever | null)[] = [];
  const step = distancePatch(situation, now);
  if (step)
    found.push(lever(situation, now, 'distance', 'distance', '', false, step, setup, step.distanceM ?? distanceM));
  const zoom = focalPatch(situation, now);
  if (zoom)
    found.push(
      lever(situation, now, 'focal', 'focal', '', false, zoom, { ...setup, focalMm: zoom.focalMm }, distanceM),
    );
  for (const { id, kind, part, name, removes, patch, setup: changed } of candidatesAround(setup, situation.kit)) {
    if (kind === 'chain' && !FAR_PARTS.includes(part!)) continue;
    found.push(lever(situation, now, kind, id, name, removes, patch, changed, distanceM));
  }
  return found.filter((each): each is Lever => each !== null);
}
