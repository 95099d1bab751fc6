import { isEnough, spareOf } from '../bag/readKit';
import type { Served } from '../bag/serve';
import { MORE_THAN_USED } from '../output/verdict';

/** What is put on and taken off before a picture; ids of the kit. */
export interface Swap {
  bodyId: string;
  puts: string[];
  takes: string[];
}

/** A picture of an outing: what takes it, and what is to be changed for it. */
export interface Stop {
  served: Served | null;
  /** Nothing where it stands as it did at home, or for the picture before. */
  swap: Swap | null;
}

/** Set-ups considered for one picture, and states kept from one to the next. */
const MOST_CONSIDERED = 16;
const MOST_STATES = 3000;

/** A piece as it stands in a chain: which one, and how it is used there. */
const tokensOf = ({ setup }: Served): string[] =>
  setup.chain.map(({ id, used }) => (used ? `${id}~${JSON.stringify(used)}` : id));
const idOf = (token: string): string => token.split('~')[0]!;

/** Set-ups that differ, with the fewest pieces first, of as many the one with most to spare; where none is enough, the best. */
export function considered(ways: readonly Served[]): Served[] {
  const enough = ways.filter(isEnough);
  const byFewest = (a: Served, b: Served) => a.setup.ids.length - b.setup.ids.length || spareOf(b) - spareOf(a);
  const sorted = enough.length
    ? [...enough].sort(byFewest)
    : [...ways].sort((a, b) => spareOf(b) - spareOf(a)).slice(0, 1);
  const seen = new Set<string>();
  return sorted
    .filter((way) => {
      const key = [way.setup.body.id, ...tokensOf(way)].join('|');
      return seen.has(key) ? false : seen.add(key);
    })
    .slice(0, MOST_CONSIDERED);
}

/** What hangs on each body, and which pieces have been in use; what has not may have been put together at home. */
interface State {
  mounted: ReadonlyMap<string, readonly string[]>;
  touched: ReadonlySet<string>;
  handled: number;
  pieces: number;
  spare: number;
  stops: Stop[];
}

/** Puts a set-up together from how things stand. */
function next(state: State, served: Served): State {
  const bodyId = served.setup.body.id;
  const tokens = tokensOf(served);
  const before = state.mounted.get(bodyId);
  const elsewhere = [...state.mounted].filter(([id]) => id !== bodyId).flatMap(([, each]) => each);
  const wantedIds = tokens.map(idOf);
  const fromOthers = elsewhere.filter((token) => wantedIds.includes(idOf(token)));
  const takes = [...(before ?? []).filter((token) => !tokens.includes(token)), ...fromOthers];
  const puts = tokens.filter(
    (token) => !(before ?? []).includes(token) && (before !== undefined || state.touched.has(idOf(token))),
  );
  const mounted = new Map(
    [...state.mounted].map(([id, each]) => [id, each.filter((token) => !fromOthers.includes(token))] as const),
  );
  mounted.set(bodyId, tokens);
  const swap = puts.length + takes.length ? { bodyId, puts: puts.map(idOf), takes: takes.map(idOf) } : null;
  return {
    mounted,
    touched: new Set([...state.touched, ...wantedIds]),
    handled: state.handled + puts.length + takes.length,
    pieces: state.pieces + tokens.length,
    spare: state.spare + Math.log2(Math.min(MORE_THAN_USED, spareOf(served))),
    stops: [...state.stops, { served, swap }],
  };
}

const keyOf = ({ mounted, touched }: State): string =>
  [...mounted]
    .map(([id, tokens]) => `${id}:${tokens.join(',')}`)
    .sort()
    .join(' ') + [...touched].sort().join(',');

const preferred = (a: State, b: State): number => a.handled - b.handled || a.pieces - b.pieces || b.spare - a.spare;

/**
 * Chooses a set-up for each picture, in the order in which they are taken, so that the fewest pieces are put on and taken off
 * on the way; of equal ones those of the fewest pieces, of these those with most to spare. What is first used may stand ready from home.
 *
 * @param ways for each picture what the set-ups of the bag give
 * @returns a stop for each; without a set-up where none can take it
 * @source by states (what hangs on which body), the cheapest of each kept
 */
export function leastHandling(ways: readonly (readonly Served[])[]): Stop[] {
  let states: State[] = [{ mounted: new Map(), touched: new Set(), handled: 0, pieces: 0, spare: 0, stops: [] }];
  for (const each of ways) {
    const choices = considered(each);
    if (!choices.some(isEnough)) {
      // Nobody changes lenses for a picture that does not come out.
      const stop = { served: choices[0] ?? null, swap: null };
      states = states.map((state) => ({ ...state, stops: [...state.stops, stop] }));
      continue;
    }
    const best = new Map<string, State>();
    for (const state of states)
      for (const served of choices) {
        const after = next(state, served);
        const key = keyOf(after);
        const known = best.get(key);
        if (!known || preferred(after, known) < 0) best.set(key, after);
      }
    states = [...best.values()].sort(preferred).slice(0, MOST_STATES);
  }
  return states.sort(preferred)[0]!.stops;
}
