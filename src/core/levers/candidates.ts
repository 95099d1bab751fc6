import { changesAround } from '../chain/changes';
import { linksOf, partAsUsed, type Link } from '../chain/link';
import type { MeasuredRatio } from '../chain/measuredRatio';
import { misfits } from '../chain/mountPath';
import type { Part, PartKind } from '../chain/parts';
import { WHOLE_SENSOR_ID, modesOf } from '../kit/body';
import type { SystemInput } from '../optics/foldSystem';

/** What a lever of any desk would change. Only the fields it changes are present. */
export interface Patch {
  setupId?: string;
  chain?: Link[];
  modeId?: string;
  focalMm?: number;
  distanceM?: number;
  nearRatio?: number;
  nearFNumber?: number;
}

/** The rest of the kit, as far as it could change a set-up. */
export interface KitAround {
  /** Parts that can be put in or taken out; those in the chain have the ids they have there. */
  parts: Link[];
  setups: { id: string; name: string; setup: SystemInput }[];
  /** What was measured with a changed chain. */
  measuredWith?: (chain: Link[]) => MeasuredRatio[] | undefined;
}

/** A set-up one step away from the present one. */
export interface Candidate {
  id: string;
  kind: 'chain' | 'mode' | 'setup';
  /** Kind of the part that goes in or out. */
  part?: PartKind;
  name: string;
  /** True when it takes the named part or crop out. */
  removes: boolean;
  setup: SystemInput;
  patch: Patch;
}

const isSolar = (part: Part): boolean => part.kind === 'filter' && part.solar === true;

function chainCandidates(setup: SystemInput, { parts, measuredWith }: KitAround): Candidate[] {
  const links = linksOf(setup.chain);
  // A filter for the Sun is put in where the Sun is meant, in the builder; what is in may always come out.
  const offered = parts.filter(({ id, part }) => !isSolar(part) || links.some((link) => link.id === id));
  const now = misfits(setup.body, links.map(partAsUsed)).length;
  return changesAround(links, offered, setup.body).flatMap(({ id, kind, name, removes, chain }): Candidate[] => {
    if (!chain.length || misfits(setup.body, chain.map(partAsUsed)).length > now) return [];
    // What was measured holds for the chain it was measured with.
    const changed = { ...setup, chain, measured: measuredWith?.(chain) };
    return [{ id: `chain:${id}`, kind: 'chain', part: kind, name, removes, setup: changed, patch: { chain } }];
  });
}

/** What could be changed: parts of the kit one piece away, modes of the body, other set-ups. */
export function candidatesAround(setup: SystemInput, kit: KitAround): Candidate[] {
  const modes = modesOf(setup.body).filter((mode) => mode.id !== setup.modeId);
  return [
    ...chainCandidates(setup, kit),
    ...modes.map(({ id, name }): Candidate => ({
      id: `mode:${id}`,
      kind: 'mode',
      name,
      removes: id === WHOLE_SENSOR_ID,
      setup: { ...setup, modeId: id },
      patch: { modeId: id },
    })),
    ...kit.setups.map((other): Candidate => ({
      id: `setup:${other.id}`,
      kind: 'setup',
      name: other.name,
      removes: false,
      setup: other.setup,
      patch: { setupId: other.id },
    })),
  ];
}
