import * as fc from 'fast-check';
import { leastSwaps, MOST_REORDERED } from './leastSwaps';
import { swapsBetween, type ChainLink, type RatioRoute } from './ratioRoutes';

const isLens = (id: string) => id.startsWith('l');
const routeOf = (links: ChainLink[], swaps: number): RatioRoute => ({
  links,
  lowest: 0.1,
  highest: 2,
  ratio: 1,
  turned: 1,
  stops: 0,
  swaps,
  errorShare: 0,
});
const orders = (items: number[]): number[][] =>
  items.length < 2
    ? [items]
    : items.flatMap((item) => orders(items.filter((other) => other !== item)).map((rest) => [item, ...rest]));

/** The fewest pieces handled, by going every way there is. */
function leastByHand(plans: RatioRoute[][], present: ChainLink[], inOrderGiven: boolean): number {
  const indexes = plans.map((_, i) => i);
  let least = Infinity;
  const go = (order: number[], from: ChainLink[], total: number): void => {
    const [first, ...rest] = order;
    if (first === undefined) {
      least = Math.min(least, total);
      return;
    }
    for (const { links } of plans[first]!) go(rest, links, total + swapsBetween(from, links, isLens));
  };
  for (const order of inOrderGiven ? [indexes] : orders(indexes)) go(order, present, 0);
  return least;
}

const links = fc
  .record({
    lens: fc.constantFrom('l1', 'l2', 'l3'),
    front: fc.subarray(['c3', 'c5']),
    tubes: fc.subarray([12, 20, 36]),
  })
  .map(({ lens, front, tubes }): ChainLink[] => [
    ...front.map((id) => ({ id })),
    { id: lens },
    ...(tubes.length ? [{ id: 't', usedMm: tubes }] : []),
  ]);

function check(plans: ChainLink[][][], present: ChainLink[], inOrderGiven: boolean): void {
  const routes = plans.map((chains) => chains.map((chain) => routeOf(chain, swapsBetween(present, chain, isLens))));
  const round = leastSwaps(
    routes.map((each, i) => ({ wanted: i, routes: each })),
    present,
    isLens,
  )!;
  const wanted = round.map((stop) => stop.wanted);
  if (inOrderGiven) expect(wanted).toEqual(plans.map((_, i) => i));
  else expect([...wanted].sort()).toEqual(plans.map((_, i) => i));
  // What each stop says is what is handled on the way to it, and no way handles fewer.
  let [from, total] = [present, 0];
  for (const { wanted: at, route, swaps } of round) {
    expect(routes[at]).toContain(route);
    expect(swaps).toBe(swapsBetween(from, route.links, isLens));
    [from, total] = [route.links, total + swaps];
  }
  expect(total).toBe(leastByHand(routes, present, inOrderGiven));
}

it('handles the fewest pieces of every way through up to five ratios', () => {
  fc.assert(
    fc.property(
      fc.array(fc.array(links, { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 4 }),
      links,
      (plans, present) => check(plans, present, false),
    ),
  );
  const five = [['l1'], ['l2'], ['l1', 't'], ['l2', 't'], ['l1', 'x']].map((ids) => [ids.map((id) => ({ id }))]);
  expect(five).toHaveLength(MOST_REORDERED);
  check(five, [{ id: 'l2' }], false);
});

it('keeps the order given of more than five', () => {
  const six = ['l1', 'l2', 'l1', 'l2', 'l3', 'l1'].map((id) => [[{ id }]]);
  check(six, [{ id: 'l1' }], true);
});

it('has no way where one of them cannot be reached, and none through nothing', () => {
  const route = routeOf([{ id: 'l1' }], 0);
  expect(leastSwaps([], [{ id: 'l1' }], isLens)).toBeNull();
  expect(
    leastSwaps(
      [
        { wanted: 1, routes: [route] },
        { wanted: 9, routes: [] },
      ],
      [{ id: 'l1' }],
      isLens,
    ),
  ).toBeNull();
});

it('of several as good takes the one of fewest parts', () => {
  // Both cost one piece; the first has a part more in front of it.
  const [long, short] = [routeOf([{ id: 'l2' }, { id: 'c3' }], 2), routeOf([{ id: 'l2' }], 1)];
  const round = leastSwaps([{ wanted: 1, routes: [long, short] }], [{ id: 'l1' }], isLens)!;
  expect(round[0]!.route).toBe(short);
});
