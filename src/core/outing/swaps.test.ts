import fc from 'fast-check';
import type { Assembled } from '../bag/pieces';
import type { Served } from '../bag/serve';
import { considered, leastHandling } from './swaps';

/** A set-up of pieces that are letters; only their names matter here. */
const served = (body: string, parts: string, counted = 100, needed = 50): Served => ({
  setup: {
    body: { id: body, body: { name: body } },
    chain: [...parts].map((id) => ({ id, part: { kind: 'lens', name: id } })),
    ids: [body, ...parts],
  } as unknown as Assembled,
  unit: 'px',
  counted,
  needed,
  focalMm: 100,
});
const names = ({ served: by }: { served: Served | null }) =>
  by ? by.setup.body.id + by.setup.chain.map(({ id }) => id).join('') : '';

/** Pieces handled on the way, by walking through the stops piece by piece. */
function handled(stops: readonly Served[]): number {
  const on = new Map<string, string>();
  const bodiesUsed = new Set<string>();
  const touched = new Set<string>();
  let moves = 0;
  for (const { setup } of stops) {
    const [body, parts] = [setup.body.id, setup.chain.map(({ id }) => id)];
    for (const [piece, where] of [...on])
      if ((where === body && !parts.includes(piece)) || (where !== body && parts.includes(piece))) {
        on.delete(piece);
        moves += 1;
      }
    for (const piece of parts) {
      if (on.get(piece) === body) continue;
      // What nobody has touched yet, on a body not used yet, was put together at home.
      if (bodiesUsed.has(body) || touched.has(piece)) moves += 1;
      on.set(piece, body);
      touched.add(piece);
    }
    bodiesUsed.add(body);
  }
  return moves;
}

const everyWay = (ways: readonly Served[][]): Served[][] =>
  ways.reduce<Served[][]>((all, each) => all.flatMap((head) => each.map((one) => [...head, one])), [[]]);

describe('the fewest swaps on the way', () => {
  it('are as few as the best of all ways through', () => {
    const setup = fc
      .tuple(
        fc.constantFrom('1', '2'),
        fc.subarray(['a', 'b', 'c', 'd'], { minLength: 1 }),
        fc.constantFrom(60, 90, 120),
      )
      .map(([body, parts, counted]) => served(body, parts.join(''), counted));
    fc.assert(
      fc.property(fc.array(fc.array(setup, { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 4 }), (ways) => {
        const stops = leastHandling(ways).map((stop) => stop.served!);
        const told = leastHandling(ways).reduce(
          (sum, { swap }) => sum + (swap ? swap.puts.length + swap.takes.length : 0),
          0,
        );
        expect(told).toBe(handled(stops));
        expect(told).toBe(Math.min(...everyWay(ways).map(handled)));
      }),
    );
  });

  it('keep a second body ready instead of changing the lens of the first', () => {
    const stops = leastHandling([[served('1', 'a')], [served('1', 'b'), served('2', 'b')], [served('1', 'a')]]);
    expect(stops.map(names)).toEqual(['1a', '2b', '1a']);
    expect(stops.every(({ swap }) => swap === null)).toBe(true);
  });

  it('name what comes off and what goes on, from another body too', () => {
    const [, second, third] = leastHandling([[served('1', 'ab')], [served('1', 'ac')], [served('2', 'bd')]]);
    expect(second?.swap).toEqual({ bodyId: '1', takes: ['b'], puts: ['c'] });
    // b was in use, so it was not put on the second body at home.
    expect(third?.swap).toEqual({ bodyId: '2', takes: [], puts: ['b'] });
  });

  it('prefer, of as few, what has most to spare, and leave a picture without a way open', () => {
    const stops = leastHandling([[served('1', 'a', 60), served('1', 'b', 90)], []]);
    expect(stops.map(names)).toEqual(['1b', '']);
  });

  it('consider the best where none is enough', () => {
    expect(considered([served('1', 'a', 10), served('1', 'b', 40)]).map(({ counted }) => counted)).toEqual([40]);
  });
});
