import {
  isCameraLens,
  type BellowsSpec,
  type CouplingSpec,
  type ObjectiveSpec,
  type Part,
  type ReversingSpec,
  type TubeLensSpec,
} from '../chain/parts';
import { type BodySpec } from '../kit/body';
import { foldSystem } from '../optics/foldSystem';
import { misfits } from '../chain/mountPath';
import { bellowsCandidates, type Candidate } from './bellowsRoutes';
import { nearState, ratioRange } from './nearState';
import { NEAR_ENOUGH, planRatio, type Owned, type RatioKit, type RatioPlan } from './planRatio';
import { swapsBetween, type ChainLink, type RatioRoute } from './ratioRoutes';
import type { MeasuredRatio } from '../chain/measuredRatio';
import { subsets } from './subsets';
import { workingDistance } from './workingDistance';

/** What a kit has besides tubes, close-up lenses and converters. */
export interface OtherMeans {
  body: BodySpec;
  reversing: Owned<ReversingSpec>[];
  coupling: Owned<CouplingSpec>[];
  objectives: Owned<ObjectiveSpec>[];
  tubeLenses: Owned<TubeLensSpec>[];
  bellows: Owned<BellowsSpec>[];
}

/** Lenses turned round, coupled front to front, and objectives: few enough to fold every one. */
function candidates(kit: RatioKit, { reversing, coupling, objectives, tubeLenses }: OtherMeans): Candidate[] {
  const ring = reversing[0];
  const couple = coupling[0];
  const found: Candidate[] = [];
  const pieces = kit.tubes.flatMap(({ id, spec }) => spec.lengthsMm.map((mm) => ({ id, spec, mm })));
  const sums = subsets(
    pieces.map((piece) => piece.mm),
    0,
    (a, b) => a + b,
  );
  for (const { id, spec } of kit.lenses) {
    if (ring) {
      for (const sum of sums) {
        const sets = new Map<string, number[]>();
        for (const i of sum.indexes) sets.set(pieces[i]!.id, [...(sets.get(pieces[i]!.id) ?? []), pieces[i]!.mm]);
        found.push({
          links: [{ id }, { id: ring.id }, ...[...sets].map(([tubeId, usedMm]) => ({ id: tubeId, usedMm }))],
          chain: [
            spec,
            ring.spec,
            ...[...sets].map(([tubeId, usedMm]): Part => ({
              ...kit.tubes.find((each) => each.id === tubeId)!.spec,
              usedMm,
            })),
          ],
        });
      }
    }
    if (couple) {
      for (const front of kit.lenses) {
        if (front.id !== id)
          found.push({ links: [{ id: front.id }, { id: couple.id }, { id }], chain: [front.spec, couple.spec, spec] });
      }
    }
    for (const objective of objectives) {
      if (objective.spec.correction === 'infinity')
        found.push({ links: [{ id: objective.id }, { id }], chain: [objective.spec, spec] });
    }
  }
  for (const objective of objectives) {
    for (const tubeLens of tubeLenses) {
      if (objective.spec.correction === 'infinity')
        found.push({ links: [{ id: objective.id }, { id: tubeLens.id }], chain: [objective.spec, tubeLens.spec] });
    }
  }
  return found;
}

/** Thin lenses coupled or behind an objective: nominal focal lengths of both. */
const COUPLED_UNSURE = 0.07;

/** A chain of the kit with what was measured with it. */
export interface MeasuredChain {
  links: ChainLink[];
  chain: Part[];
  measured: MeasuredRatio[];
}

/** Folds one chain and says whether it reaches a ratio, and what it gives there. */
function routeOf(
  body: BodySpec,
  { links, chain }: Candidate,
  measured: MeasuredRatio[],
  ratio: number,
  present: ChainLink[],
  isLens: (id: string) => boolean,
): RatioRoute | null {
  if (misfits(body, chain).length) return null;
  const folded = foldSystem({ body, modeId: 'whole', chain, ...(measured.length ? { measured } : {}) });
  if (!folded.ok) return null;
  const system = folded.value;
  const range = ratioRange(system);
  if (!range || range.highest < ratio * (1 - NEAR_ENOUGH) || range.lowest > ratio * (1 + NEAR_ENOUGH)) return null;
  const state = nearState(system, ratio, system.markedFNumber);
  if (!state.ok) return null;
  const room = workingDistance(system, state.value);
  const error = system.ratioAtClosest ?? system.ratioAtInfinity;
  const known = error?.plusMinus === undefined ? COUPLED_UNSURE : error.plusMinus / error.value;
  const nominal = chain.some((part) => !isCameraLens(part) && part.kind !== 'tubes' && part.kind !== 'bellows')
    ? COUPLED_UNSURE
    : 0;
  return {
    links,
    lowest: range.lowest,
    highest: range.highest,
    ratio: state.value.ratio,
    turned: state.value.turned,
    ...(room ? { workingMm: room.mm } : {}),
    stops: -2 * Math.log2(Math.max(1, state.value.workingFNumber / Math.max(system.markedFNumber, 1))),
    swaps: swapsBetween(present, links, isLens),
    errorShare: measured.length ? known : Math.max(known, nominal),
    ...(measured.length ? { measured: true } : {}),
  };
}

/**
 * The routes to a ratio by a reversed lens, two coupled lenses, an objective or a bellows.
 *
 * @param present the chain in hand, which swaps are counted from
 */
export function otherRoutes(kit: RatioKit, means: OtherMeans, ratio: number, present: ChainLink[]): RatioRoute[] {
  const lensIds = new Set(kit.lenses.map((each) => each.id));
  const drawn = bellowsCandidates(means.body, kit.lenses, means.bellows, means.reversing[0], ratio);
  return [...candidates(kit, means), ...drawn].flatMap(
    (candidate) => routeOf(means.body, candidate, [], ratio, present, (id) => lensIds.has(id)) ?? [],
  );
}

/** What tells one chain from another: its parts in their order, and the tubes used. */
const keyOf = (links: ChainLink[]): string =>
  links
    .map(
      ({ id, usedMm = [], extensionMm }) => `${id}/${[...usedMm].sort((a, b) => a - b).join('+')}/${extensionMm ?? ''}`,
    )
    .join(' ');

/**
 * Everything of a kit that reaches a ratio: combinations by reckoning, other means, and chains that were measured, whose
 * measured ratios stand in the place of their estimates.
 *
 * @param onProgress told the share done
 */
export function wholePlan(
  order: { kit: RatioKit; means: OtherMeans; measured: MeasuredChain[]; present: ChainLink[] },
  ratio: number,
  onProgress?: (share: number) => void,
): RatioPlan {
  const { kit, means, measured, present } = order;
  const lensIds = new Set(kit.lenses.map((each) => each.id));
  const keys = new Set(measured.map((each) => keyOf(each.links)));
  const plan = planRatio(kit, ratio, present, onProgress);
  const reckoned = [...plan.routes, ...otherRoutes(kit, means, ratio, present)];
  const estimates = reckoned.filter((route) => !keys.has(keyOf(route.links)));
  const known = measured.flatMap(
    (each) => routeOf(means.body, each, each.measured, ratio, present, (id) => lensIds.has(id)) ?? [],
  );
  const others = reckoned.length - plan.routes.length;
  return {
    tried: plan.tried,
    reaching: plan.reaching + others - (reckoned.length - estimates.length) + known.length,
    routes: [...known, ...estimates],
  };
}
