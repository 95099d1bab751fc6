import { candidatesAround } from '@/core/near/chainsAround';
import type { NearCandidate } from '@/core/near/nearLevers';
import { measuredWith } from './chainLinks';
import type { Link, Patch } from './inHand';
import { systemInputOf, type Kit, type Situation } from './situation';

/** What could be changed close up: parts of the kit one piece away, modes of the body, other set-ups. */
export function nearCandidates(situation: Situation, kit: Kit): NearCandidate<Patch>[] {
  const { setup, setupRow, links, otherSetups } = situation;
  return candidatesAround<Link>(
    {
      setup,
      links,
      adapters: kit.adapters.map((row) => ({ id: row.id, spec: row.data })),
      otherSetups,
      partsOf: (chain) => systemInputOf({ ...setupRow.data, chain }, kit)?.chain ?? null,
      linkTo: (id, usedMm) => ({ type: 'adapter', id, ...(usedMm ? { usedMm } : {}) }),
    },
    (chain) => {
      const measured = measuredWith(chain, kit.ratios);
      return measured.length ? measured : undefined;
    },
  );
}
