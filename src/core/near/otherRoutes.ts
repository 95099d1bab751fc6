import { isCameraLens, type BodySpec, type CouplingSpec, type ObjectiveSpec, type Part, type ReversingSpec, type TubeLensSpec } from '../kit/parts';
import { foldSystem } from '../optics/foldSystem';
import { misfits } from '../optics/mountPath';
import { nearState, ratioRange } from './nearState';
import { NEAR_ENOUGH, swapsBetween, type ChainLink, type Owned, type RatioKit, type RatioRoute } from './planRatio';
import { subsets } from './subsets';
import { workingDistance } from './workingDistance';

/** What a kit has besides tubes, close-up lenses and converters. */
export interface OtherMeans {
  body: BodySpec;
  reversing: Owned<ReversingSpec>[];
  coupling: Owned<CouplingSpec>[];
  objectives: Owned<ObjectiveSpec>[];
  tubeLenses: Owned<TubeLensSpec>[];
}

interface Candidate {
  links: ChainLink[];
  chain: Part[];
}

/** Lenses turned round, coupled front to front, and objectives: few enough to fold every one. */
function candidates(kit: RatioKit, { reversing, coupling, objectives, tubeLenses }: OtherMeans): Candidate[] {
  const ring = reversing[0];
  const couple = coupling[0];
  const found: Candidate[] = [];
  const pieces = kit.tubes.flatMap(({ id, spec }) => spec.lengthsMm.map((mm) => ({ id, spec, mm })));
  const sums = subsets(pieces.map((piece) => piece.mm), 0, (a, b) => a + b);
  for (const { id, spec } of kit.lenses) {
    if (ring) {
      for (const sum of sums) {
        const sets = new Map<string, number[]>();
        for (const i of sum.indexes) sets.set(pieces[i]!.id, [...(sets.get(pieces[i]!.id) ?? []), pieces[i]!.mm]);
        found.push({
          links: [{ id }, { id: ring.id }, ...[...sets].map(([tubeId, usedMm]) => ({ id: tubeId, usedMm }))],
          chain: [spec, ring.spec, ...[...sets].map(([tubeId, usedMm]): Part => ({ ...kit.tubes.find((each) => each.id === tubeId)!.spec, usedMm }))],
        });
      }
    }
    if (couple) {
      for (const front of kit.lenses) {
        if (front.id !== id) found.push({ links: [{ id: front.id }, { id: couple.id }, { id }], chain: [front.spec, couple.spec, spec] });
      }
    }
    for (const objective of objectives) {
      if (objective.spec.correction === 'infinity') found.push({ links: [{ id: objective.id }, { id }], chain: [objective.spec, spec] });
    }
  }
  for (const objective of objectives) {
    for (const tubeLens of tubeLenses) {
      if (objective.spec.correction === 'infinity') found.push({ links: [{ id: objective.id }, { id: tubeLens.id }], chain: [objective.spec, tubeLens.spec] });
    }
  }
  return found;
}

/** Thin lenses coupled or behind an objective: nominal focal lengths of both. */
const COUPLED_UNSURE = 0.07;

/**
 * The routes to a ratio by a reversed lens, two coupled lenses or an objective.
 *
 * @param present the chain in hand, which swaps are counted from
 */
export function otherRoutes(kit: RatioKit, means: OtherMeans, ratio: number, present: ChainLink[]): RatioRoute[] {
  const lensIds = new Set(kit.lenses.map((each) => each.id));
  return candidates(kit, means).flatMap(({ links, chain }): RatioRoute[] => {
    if (misfits(means.body, chain).length) return [];
    const folded = foldSystem({ body: means.body, modeId: 'whole', chain });
    if (!folded.ok) return [];
    const system = folded.value;
    const range = ratioRange(system);
    if (!range || range.highest < ratio * (1 - NEAR_ENOUGH) || range.lowest > ratio * (1 + NEAR_ENOUGH)) return [];
    const state = nearState(system, ratio, system.markedFNumber);
    if (!state.ok) return [];
    const room = workingDistance(system, state.value);
    const error = system.ratioAtClosest ?? system.ratioAtInfinity;
    const uncertain = error?.plusMinus === undefined ? COUPLED_UNSURE : Math.max(error.plusMinus / error.value, chain.some((part) => !isCameraLens(part) && part.kind !== 'tubes') ? COUPLED_UNSURE : 0);
    return [{
      links,
      lowest: range.lowest,
      highest: range.highest,
      ratio: state.value.ratio,
      turned: state.value.turned,
      ...(room ? { workingMm: room.mm } : {}),
      stops: -2 * Math.log2(Math.max(1, state.value.workingFNumber / Math.max(system.markedFNumber, 1))),
      swaps: swapsBetween(present, links, (id) => lensIds.has(id)),
      errorShare: uncertain,
    }];
  });
}
