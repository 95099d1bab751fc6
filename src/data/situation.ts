import { mayMount } from '@/core/chain/mounts';
import type { Adapter } from '@/contract/schemas/adapter';
import type { Body } from '@/contract/schemas/body';
import type { Optic } from '@/contract/schemas/optic';
import type { Output } from '@/contract/schemas/output';
import type { Setup } from '@/contract/schemas/setup';
import type { Subject } from '@/contract/schemas/subject';
import type { Stored } from '@/contract/resources';
import { chainWithConverters, type FarSituation } from '@/core/far/levers';
import type { Ratio } from '@/contract/schemas/ratio';
import { isFactor, type Part } from '@/core/chain/parts';
import type { SystemInput } from '@/core/optics/foldSystem';
import type { Link, Patch, Preferences, Trial, TrialKind } from './inHand';
import { linksWithConverters, measuredWith } from './chainLinks';

/** All rows a desk reads from. */
export interface Kit {
  bodies: Stored<Body>[];
  optics: Stored<Optic>[];
  adapters: Stored<Adapter>[];
  setups: Stored<Setup>[];
  subjects: Stored<Subject>[];
  outputs: Stored<Output>[];
  ratios: Stored<Ratio>[];
}

/** What is chosen and changed, without how it is stored. */
export interface Chosen extends Pick<Preferences, 'cropConvention' | 'judgeBy'> {
  setupId: string | null;
  subjectId: string | null;
  outputId: string | null;
  distanceM: number | null;
  focalMm: number | null;
  modeId: string | null;
  converterIds: string[] | null;
  chain: Link[] | null;
  nearRatio: number | null;
  nearFNumber: number | null;
  trials: Partial<Record<TrialKind, Trial>>;
}

/** A set-up and a subject resolved to what the core reads, with the rows they came from. */
export interface Situation extends FarSituation {
  setupRow: Stored<Setup>;
  subjectRow: Stored<Subject>;
  outputRow: Stored<Output>;
  /** The chain as it stands, by ids. */
  links: Link[];
  /** Close up: ratio and f-number set; undefined: the largest, the usual. */
  nearRatio: number | undefined;
  nearFNumber: number | undefined;
}

/** Why there is nothing to read yet. */
export type Missing = 'setup' | 'subject' | 'output' | 'parts';

/** A part as a chain uses it: which tubes of a set, which magnification of a scope. */
export function partAsUsed(part: Part, link: Setup['chain'][number]): Part {
  if (part.kind === 'tubes' && link.usedMm) return { ...part, usedMm: link.usedMm };
  if (part.kind === 'scope' && link.magnificationSet !== undefined)
    return { ...part, magnificationSet: link.magnificationSet };
  return part;
}

/** The parts of a set-up, or null when one of them is gone. */
export function systemInputOf(setup: Setup, kit: Kit): SystemInput | null {
  const body = kit.bodies.find((row) => row.id === setup.bodyId);
  if (!body) return null;
  const chain: Part[] = [];
  for (const link of setup.chain) {
    const row =
      link.type === 'optic'
        ? kit.optics.find((each) => each.id === link.id)
        : kit.adapters.find((each) => each.id === link.id);
    if (!row) return null;
    chain.push(partAsUsed(row.data, link));
  }
  const measured = measuredWith(setup.chain, kit.ratios);
  return {
    body: body.data,
    modeId: body.data.cropModes.some((mode) => mode.id === setup.modeId) ? setup.modeId : 'whole',
    chain,
    focalMm: setup.focalMm,
    ...(measured.length ? { measured } : {}),
    supportWeightG: setup.supportWeightG,
  };
}

/** Ids of the converters and reducers in a set-up's chain, from the lens to the sensor. */
export const converterIdsOf = (setup: Setup, kit: Pick<Kit, 'adapters'>): string[] =>
  setup.chain
    .filter((link) => link.type === 'adapter' && kit.adapters.some((row) => row.id === link.id && isFactor(row.data)))
    .map((link) => link.id);

/** Converters that can be put behind a set-up's lens: those of its mount, and those whose mount is not entered. */
function convertersFor(input: SystemInput, used: string[], kit: Kit): FarSituation['converters'] {
  const optic = input.chain.find((part) => part.kind === 'lens' || part.kind === 'telescope');
  if (!optic) return [];
  return kit.adapters.flatMap((row) => {
    const spec = row.data;
    if (!isFactor(spec)) return [];
    const lensSide = spec.kind === 'reducer' ? (spec.lensMount ?? spec.mount) : spec.mount;
    const fits = mayMount(lensSide, optic.mount);
    const belongs = spec.kind === 'reducer' || (spec.kind === 'barlow') === (optic.kind === 'telescope');
    return used.includes(row.id) || (fits && belongs && spec.retired !== true) ? [{ id: row.id, spec }] : [];
  });
}

/**
 * What is in hand, as the core reads it. Levers being tried lie over it, except those of the kinds in `leaveOut`:
 * a lever's gain is reckoned against the situation without it.
 */
export function situationOf(
  kit: Kit,
  chosen: Chosen,
  leaveOut: readonly TrialKind[] | 'all' = [],
): Situation | Missing {
  const patch: Patch = {};
  for (const [kind, trial] of Object.entries(chosen.trials)) {
    if (leaveOut !== 'all' && !leaveOut.includes(kind as TrialKind)) Object.assign(patch, trial.patch);
  }
  const setupRow = kit.setups.find((row) => row.id === (patch.setupId ?? chosen.setupId)) ?? kit.setups[0];
  if (!setupRow) return 'setup';
  const subjectRow = kit.subjects.find((row) => row.id === chosen.subjectId) ?? kit.subjects[0];
  if (!subjectRow) return 'subject';
  const outputRow = kit.outputs.find((row) => row.id === chosen.outputId) ?? kit.outputs[0];
  if (!outputRow) return 'output';
  // What was changed on the set-up in hand does not carry over to one that is only being tried.
  const own =
    patch.setupId === undefined
      ? chosen
      : { focalMm: null, modeId: null, converterIds: null, chain: null, nearRatio: null };
  const held: Setup = { ...setupRow.data, chain: patch.chain ?? own.chain ?? setupRow.data.chain };
  const stored = systemInputOf(held, kit);
  if (!stored) return 'parts';
  const present = converterIdsOf(held, kit);
  const converters = convertersFor(stored, present, kit);
  const converterIds = patch.converterIds ?? (patch.chain ? null : own.converterIds) ?? present;
  const links = linksWithConverters(held.chain, converterIds, kit);
  const wantedMode = patch.modeId ?? own.modeId ?? stored.modeId;
  const modeId = stored.body.cropModes.some((mode) => mode.id === wantedMode) ? wantedMode : 'whole';
  const focused = { ...stored, modeId, focalMm: patch.focalMm ?? own.focalMm ?? stored.focalMm };
  const changed = chainWithConverters(focused, converterIds, converters);
  const measured = measuredWith(links, kit.ratios);
  const setup = changed === focused ? focused : { ...changed, ...(measured.length ? { measured } : {}) };
  return {
    setupRow,
    subjectRow,
    outputRow,
    links,
    nearRatio: patch.nearRatio ?? (patch.chain ? undefined : (own.nearRatio ?? undefined)),
    nearFNumber: patch.nearFNumber ?? chosen.nearFNumber ?? undefined,
    setup,
    subject: subjectRow.data,
    distanceM: patch.distanceM ?? chosen.distanceM ?? subjectRow.data.distanceM,
    output: outputRow.data,
    judgeBy: chosen.judgeBy,
    convention: chosen.cropConvention,
    converterIds,
    converters,
    otherSetups: kit.setups.flatMap((row) => {
      const input = row.id === setupRow.id || row.data.retired ? null : systemInputOf(row.data, kit);
      return input ? [{ id: row.id, name: row.data.name, setup: input }] : [];
    }),
  };
}
