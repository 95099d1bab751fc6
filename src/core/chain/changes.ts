import { fits, put, replace, take } from './edit';
import { lightOf } from './fold';
import { KINDS } from './kinds';
import { partAsUsed, type Link } from './link';
import type { BodySide, PartKind, TubesSpec } from './parts';

/** A chain one piece away from the present one. */
export interface Change {
  /** The part's id, with the length for a tube of a set. */
  id: string;
  kind: PartKind;
  name: string;
  /** It takes the piece out. */
  removes: boolean;
  chain: Link[];
}

/** A set of tubes: each of its tubes in or out. */
function tubeChanges(chain: readonly Link[], own: Link | undefined, spare: Link, set: TubesSpec): Change[] {
  const now = own ? (own.used?.tubesMm ?? set.lengthsMm) : [];
  const withTubes = (tubesMm: number[]): Link[] => {
    if (!tubesMm.length) return own ? take(chain, own.id) : [...chain];
    const link = { ...(own ?? spare), used: { ...own?.used, tubesMm } };
    return own ? replace(chain, own.id, link) : put(chain, link);
  };
  return set.lengthsMm.map((mm): Change => {
    const removes = now.includes(mm);
    return {
      id: `${spare.id}:${mm}`,
      kind: 'tubes',
      name: `tube of ${mm}\u202fmm`,
      removes,
      chain: withTubes(removes ? now.filter((each) => each !== mm) : [...now, mm]),
    };
  });
}

/** A converter inside the lens: its lever turned. */
function switched(chain: readonly Link[], own: Link): Change {
  const isIn = lightOf(partAsUsed(own)).does === 'factor';
  return {
    id: own.id,
    kind: 'innerConverter',
    name: own.part.name,
    removes: isIn,
    chain: replace(chain, own.id, { ...own, used: { ...own.used, switchedIn: !isIn } }),
  };
}

/**
 * Every chain one piece away: a part of the kit put in or taken out, a tube of a set, a built-in converter switched.
 *
 * @param kit the loose parts there are; one that stands in the chain has the id it has there
 */
export function changesAround(chain: readonly Link[], kit: readonly Link[], body: BodySide): Change[] {
  const inside = chain.filter((link) => link.part.kind === 'innerConverter').map((link) => switched(chain, link));
  const around = kit.flatMap((spare): Change[] => {
    const own = chain.find((link) => link.id === spare.id);
    const { part } = spare;
    if (!own && !fits(chain, spare, body)) return [];
    if (part.kind === 'tubes') return tubeChanges(chain, own, spare, part);
    if (!KINDS[part.kind].loose) return [];
    const changed = own ? take(chain, own.id) : put(chain, spare);
    return [{ id: spare.id, kind: part.kind, name: part.name, removes: own !== undefined, chain: changed }];
  });
  return [...inside, ...around];
}
