import { changesAround } from '../chain/changes';
import type { Link } from '../chain/link';
import { misfits } from '../chain/mountPath';
import { chainName, isOptic, type Assembled, type BodyPiece, type Kit } from './pieces';

/** Pieces put to a lens at most: an adapter from mount to mount, and three that change the picture. */
const MOST_ADDED = 4;

/** Every chain of the kit around one optic: as it is, and with up to four pieces more, wherever they fit. Filters only take light: none is in the lightest bag. */
function chainsAround(body: BodyPiece, optic: Link, parts: readonly Link[]): Link[][] {
  const loose = parts.filter(({ id, part }) => id !== optic.id && part.kind !== 'filter');
  const found = new Map<string, Link[]>([[chainName([optic]), [optic]]]);
  let latest: Link[][] = [[optic]];
  for (let added = 0; added < MOST_ADDED; added += 1) {
    const next: Link[][] = [];
    for (const chain of latest)
      for (const change of changesAround(chain, loose, body.body)) {
        const name = chainName(change.chain);
        // A lens put in the place of the first is another optic's chain.
        if (change.removes || found.has(name) || !change.chain.some(({ id }) => id === optic.id)) continue;
        found.set(name, change.chain);
        next.push(change.chain);
      }
    latest = next;
  }
  return [...found.values()];
}

/**
 * Every set-up that can be put together from the kit: each body with each optic, alone and with what fits to it.
 */
export function* assembled({ bodies, parts, measured = [] }: Kit): Generator<Assembled> {
  const measuredWith = new Map(measured.map(({ chain, ratios }) => [chain, ratios]));
  for (const body of bodies)
    for (const optic of parts.filter(isOptic))
      for (const chain of chainsAround(body, optic, parts)) {
        if (
          misfits(
            body.body,
            chain.map(({ part }) => part),
          ).length > 0
        )
          continue;
        yield {
          body,
          chain,
          ids: [body.id, ...new Set(chain.map(({ id }) => id))],
          measured: measuredWith.get(chainName(chain)),
        };
      }
}
