import { piecesOf, rankRatioRoutes, swapsBetween, type ChainLink, type RatioRoute } from './ratioRoutes';

/** One stop of a round through several ratios. */
export interface RoundStop {
  wanted: number;
  route: RatioRoute;
  swaps: number;
}

const permutations = <T>(items: T[]): T[][] =>
  items.length <= 1
    ? [items]
    : items.flatMap((item, i) =>
        permutations([...items.slice(0, i), ...items.slice(i + 1)]).map((rest) => [item, ...rest]),
      );

/** Above this many ratios the order given is kept: trying all orders would take too long. */
export const MOST_REORDERED = 5;
/** Routes considered for each ratio of a round. */
const MOST_CONSIDERED = 120;

/**
 * The way through several ratios with the fewest pieces handled, from the chain in hand; a chain whose focus covers several
 * ratios serves them without a swap. Up to five ratios are taken in the best order, more in the order given.
 *
 * @param plans the routes to each ratio
 * @returns the stops in the order in which to take them, or null where a ratio cannot be reached
 */
export function leastSwaps(
  plans: { wanted: number; routes: RatioRoute[] }[],
  present: ChainLink[],
  isLens: (id: string) => boolean,
): RoundStop[] | null {
  if (!plans.length || plans.some((plan) => plan.routes.length === 0)) return null;
  const offered = plans.map((plan) => ({
    wanted: plan.wanted,
    routes: rankRatioRoutes(plan.routes, 'swaps').slice(0, MOST_CONSIDERED),
  }));
  const cost = new Map<string, number>();
  const key = (links: ChainLink[]) => piecesOf(links).join('|');
  const between = (from: ChainLink[], to: ChainLink[]) => {
    const name = `${key(from)}>${key(to)}`;
    let swaps = cost.get(name);
    if (swaps === undefined) cost.set(name, (swaps = swapsBetween(from, to, isLens)));
    return swaps;
  };
  let best: { total: number; stops: RoundStop[] } | null = null;
  for (const order of offered.length <= MOST_REORDERED ? permutations(offered) : [offered]) {
    let states = [{ total: 0, links: present, stops: [] as RoundStop[] }];
    for (const { wanted, routes } of order) {
      states = routes.map((route) => {
        let cheapest = states[0]!;
        let least = Infinity;
        for (const state of states) {
          const total = state.total + between(state.links, route.links);
          if (total < least) {
            least = total;
            cheapest = state;
          }
        }
        return {
          total: least,
          links: route.links,
          stops: [...cheapest.stops, { wanted, route, swaps: least - cheapest.total }],
        };
      });
    }
    const end = states.reduce((a, b) => (b.total < a.total ? b : a));
    if (!best || end.total < best.total) best = end;
  }
  return best?.stops ?? null;
}
