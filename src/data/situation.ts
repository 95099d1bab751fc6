import { zoomedName } from '@/core/kit/zoomedName';
import { isCarried, type Carrying } from '@/core/levers/carrying';
import type { Adapter } from '@/contract/schemas/adapter';
import type { Body } from '@/contract/schemas/body';
import type { Optic } from '@/contract/schemas/optic';
import type { Output } from '@/contract/schemas/output';
import type { Setup } from '@/contract/schemas/setup';
import type { Subject } from '@/contract/schemas/subject';
import type { Stored } from '@/contract/resources';
import type { Ratio } from '@/contract/schemas/ratio';
import type { Link } from '@/core/chain/link';
import type { FarSituation } from '@/core/far/levers';
import type { KitAround } from '@/core/levers/candidates';
import type { SystemInput } from '@/core/optics/foldSystem';
import { linksOfRows, measuredWith, rowOfLink } from './chainLinks';
import { OF_SETUP, type ChainRow, type Hand, type HandPatch, type TrialKind } from './hand';
import type { OwnPreferences } from './preferences';

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

/** What is chosen and changed in a place, and how it is read. */
export type Chosen = Hand & Pick<OwnPreferences, 'cropConvention' | 'judgeBy'> & { carried?: Carrying };

/** A set-up whose parts are all known, with the ids they have in its chain. */
export interface LinkedInput extends SystemInput {
  chain: Link[];
}

/** A set-up and a subject resolved to what the core reads, with the rows they came from. */
export interface Situation extends FarSituation {
  setup: LinkedInput;
  setupRow: Stored<Setup>;
  subjectRow: Stored<Subject>;
  outputRow: Stored<Output>;
  /** The chain as it stands, by ids. */
  links: ChainRow[];
  /** Close up: ratio and f-number set; undefined: the largest, the usual. */
  nearRatio: number | undefined;
  nearFNumber: number | undefined;
}

/** Why there is nothing to read yet. */
export type Missing = 'setup' | 'subject' | 'output' | 'parts';

/** The parts of a set-up, or null when one of them is gone. */
export function systemInputOf(setup: Setup, kit: Kit): LinkedInput | null {
  const body = kit.bodies.find((row) => row.id === setup.bodyId);
  const chain = linksOfRows(setup.chain, kit);
  if (!body || !chain) return null;
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

/** What else of the kit could change a set-up: loose parts that are not retired, and the other set-ups that are carried. */
function kitAround(
  kit: Kit,
  setupRow: Stored<Setup>,
  links: readonly ChainRow[],
  carrying: Carrying = { kind: 'all' },
): KitAround {
  const inChain = new Set(links.map(({ id }) => id));
  return {
    parts: kit.adapters.flatMap((row): Link[] =>
      row.data.retired && !inChain.has(row.id) ? [] : [{ id: row.id, part: row.data }],
    ),
    setups: kit.setups.flatMap((row) => {
      const input = row.id === setupRow.id || row.data.retired ? null : systemInputOf(row.data, kit);
      return input && isCarried(carrying, input)
        ? [{ id: row.id, name: zoomedName(row.data.name, input), setup: input }]
        : [];
    }),
    measuredWith: (chain) => {
      const measured = measuredWith(chain.map(rowOfLink), kit.ratios);
      return measured.length ? measured : undefined;
    },
  };
}

/** What is being tried, as one change; levers of the kinds left out do not count. */
function triedPatch({ trials }: Hand, leaveOut: readonly TrialKind[] | 'all'): HandPatch {
  const kinds =
    leaveOut === 'all' ? [] : (Object.keys(trials) as TrialKind[]).filter((kind) => !leaveOut.includes(kind));
  return Object.assign({}, ...kinds.map((kind) => trials[kind]!.patch)) as HandPatch;
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
  const patch = triedPatch(chosen, leaveOut);
  const setupRow = kit.setups.find((row) => row.id === (patch.setupId ?? chosen.setupId)) ?? kit.setups[0];
  if (!setupRow) return 'setup';
  const subjectRow = kit.subjects.find((row) => row.id === chosen.subjectId) ?? kit.subjects[0];
  if (!subjectRow) return 'subject';
  const outputRow = kit.outputs.find((row) => row.id === chosen.outputId) ?? kit.outputs[0];
  if (!outputRow) return 'output';
  // What was changed on the set-up in hand does not carry over to one that is only being tried.
  const own = patch.setupId === undefined ? chosen : OF_SETUP;
  const links = patch.chain ?? own.chain ?? setupRow.data.chain;
  const stored = systemInputOf({ ...setupRow.data, chain: links }, kit);
  if (!stored) return 'parts';
  const wantedMode = patch.modeId ?? own.modeId ?? stored.modeId;
  const modeId = stored.body.cropModes.some((mode) => mode.id === wantedMode) ? wantedMode : 'whole';
  return {
    setupRow,
    subjectRow,
    outputRow,
    links,
    nearRatio: patch.nearRatio ?? (patch.chain ? undefined : (own.nearRatio ?? undefined)),
    nearFNumber: patch.nearFNumber ?? chosen.nearFNumber ?? undefined,
    setup: { ...stored, modeId, focalMm: patch.focalMm ?? own.focalMm ?? stored.focalMm },
    subject: subjectRow.data,
    distanceM: patch.distanceM ?? chosen.distanceM ?? subjectRow.data.distanceM,
    output: outputRow.data,
    judgeBy: chosen.judgeBy,
    convention: chosen.cropConvention,
    kit: kitAround(kit, setupRow, links, chosen.carried),
  };
}
