import { isFactor, type FactorPart, type OpticPart, type Part } from '../chain/parts';
import { type BodySpec } from '../kit/body';
import { sameMount } from '../chain/mounts';
import type { SubjectSpec } from '../kit/subjects';
import { foldSystem, type AutofocusState, type CropConventionChoice, type EffectiveSystem } from '../optics/foldSystem';
import { misfits } from '../chain/mountPath';
import { countPixels } from './countPixels';
import { farthestDistanceM, nearestDistanceM } from './focusAt';
import type { JudgeBy } from './readFar';

/** What ranks routes to the same reach. */
export type RouteWish = 'weight' | 'price' | 'light' | 'detail';

/** One way to the pixels wanted, out of the kit and the wish list. */
export interface Route {
  body: BodySpec;
  parts: Part[];
  system: EffectiveSystem;
  /** Pixels that count, from the distance asked for. */
  counted: number;
  autofocus: AutofocusState;
  weightG?: number;
  price?: number;
  /** Price of what is not in the bag yet. */
  stillToBuy: number;
  /** What it gives up, in words. */
  givesUp: string[];
}

/** A part of the kit, or one that is only wished for. */
export interface Shelf<T> {
  part: T;
  wished: boolean;
}

/** What a route must reach: pixels on the subject, or a view and opening as of a lens on 36 × 24 mm. */
export type RouteTarget = { kind: 'pixels'; pixels: number } | { kind: 'equivalent'; focalMm: number; fNumber: number };

/** A fiftieth short of a round focal length is the same view. */
const NEARLY = 0.98;

function reaches(system: EffectiveSystem, counted: number, target: RouteTarget): boolean {
  if (target.kind === 'pixels') return counted >= target.pixels;
  return (
    system.equivalentFocalMm.value >= target.focalMm * NEARLY &&
    system.equivalentFNumber.value <= target.fNumber / NEARLY
  );
}

export interface RoutesInput {
  bodies: Shelf<BodySpec>[];
  optics: Shelf<OpticPart>[];
  factors: Shelf<FactorPart>[];
  /** Holds a camera behind an eyepiece, when the kit has one. */
  afocal: Part | null;
  /** Adapters from mount to mount that the kit has. */
  mountAdapters: Extract<Part, { kind: 'mountAdapter' }>[];
  subject: SubjectSpec;
  distanceM: number;
  target: RouteTarget;
  judgeBy: JudgeBy;
  convention: CropConventionChoice;
  threshold?: number | undefined;
}

function givesUpOf(system: EffectiveSystem, parts: Part[]): string[] {
  const words: string[] = [];
  if (system.autofocus.state === 'off') words.push('no autofocus');
  if (system.autofocus.state === 'slow') words.push('slow autofocus');
  const lens = parts.find((part) => part.kind === 'lens');
  if (lens?.kind === 'lens') {
    if (lens.fixedAperture) words.push('one fixed aperture');
    if (lens.design === 'mirror') words.push('ring-shaped blur');
    if (lens.design === 'diffractive') words.push('flare against the light');
    if (lens.focalTeleMm === lens.focalWideMm && !parts.some(isFactor)) words.push('no zoom');
  }
  if (parts.some((part) => part.kind === 'scope')) words.push('held behind an eyepiece');
  if (parts.some((part) => part.kind === 'telescope')) words.push('focused by hand, on a mount');
  if (system.fNumber.value > 8) words.push(`slow at f/${Number(system.fNumber.value.toPrecision(2))}`);
  if (system.warnings.some((warning) => warning.code === 'coverage.dark')) words.push('dark corners');
  return words;
}

/** Chains a lens can stand in on a body: bare, with one converter, through a mount adapter, behind a scope. */
function chainsFor(
  body: BodySpec,
  optic: Shelf<OpticPart>,
  { optics, factors, afocal, mountAdapters }: RoutesInput,
): Shelf<Part>[][] {
  const own = (part: Part): Shelf<Part> => ({ part, wished: false });
  if (optic.part.kind === 'scope') {
    return optics
      .filter(
        ({ part }) =>
          part.kind === 'builtIn' &&
          misfits(body, [part]).length === 0 &&
          part.mount !== undefined &&
          body.mount !== undefined &&
          sameMount(part.mount, body.mount),
      )
      .map((camera) => [optic, ...(afocal ? [own(afocal)] : []), camera]);
  }
  if (optic.part.kind !== 'lens' && optic.part.kind !== 'telescope') return [];
  const bases: Shelf<Part>[][] =
    misfits(body, [optic.part]).length === 0
      ? [[optic]]
      : mountAdapters
          .filter((adapter) => misfits(body, [optic.part, adapter]).length === 0)
          .map((adapter) => [optic, own(adapter)]);
  return bases.flatMap((base) => [
    base,
    ...factors
      .filter(
        ({ part }) =>
          part.factor > 1 &&
          (part.kind === 'barlow') === (optic.part.kind === 'telescope') &&
          !(optic.part.kind === 'lens' && optic.part.takesConverters === false),
      )
      .map((factor) => [base[0]!, factor, ...base.slice(1)])
      .filter(
        (chain) =>
          misfits(
            body,
            chain.map((each) => each.part),
          ).length === 0,
      ),
  ]);
}

/**
 * Every route of kit and wish list that puts the wanted pixels on the subject from where one stands: longer lens,
 * converter, smaller or denser sensor, scope, telescope, mirror. What cannot focus there or does not mount is left out.
 */
export function routesTo(sought: RoutesInput): Route[] {
  const found: Route[] = [];
  for (const body of sought.bodies) {
    for (const optic of sought.optics) {
      for (const chain of chainsFor(body.part, optic, sought)) {
        const parts = chain.map((each) => each.part);
        const folded = foldSystem({ body: body.part, modeId: 'whole', chain: parts }, sought.convention);
        if (!folded.ok) continue;
        const system = folded.value;
        if (sought.distanceM < nearestDistanceM(system) || sought.distanceM > farthestDistanceM(system)) continue;
        const counted = countPixels(system, sought.subject.sizeMm, sought.distanceM, sought.judgeBy, sought.threshold);
        if (!reaches(system, counted, sought.target)) continue;
        const toBuy = [body, ...chain]
          .filter((each) => each.wished)
          .reduce((sum, each) => sum + (each.part.price ?? 0), 0);
        found.push({
          body: body.part,
          parts,
          system,
          counted,
          autofocus: system.autofocus.state,
          stillToBuy: toBuy,
          givesUp: givesUpOf(system, parts),
          ...(system.weightG ? { weightG: system.weightG.value } : {}),
          ...(system.price ? { price: system.price.value } : {}),
        });
      }
    }
  }
  return found;
}

/** Routes in the order of what one cares for; what is not known comes last. */
export function rankRoutes(routes: Route[], wish: RouteWish): Route[] {
  const value = (route: Route): number => {
    switch (wish) {
      case 'weight':
        return route.weightG ?? Infinity;
      case 'price':
        return route.price ?? Infinity;
      case 'light':
        return -route.system.entrancePupilMm.value;
      case 'detail':
        return -route.counted;
    }
  };
  return [...routes].sort((a, b) => value(a) - value(b) || (a.weightG ?? Infinity) - (b.weightG ?? Infinity));
}
