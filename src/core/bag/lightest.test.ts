import fc from 'fast-check';
import { fewest, lightestBags, piecesIn, type Needs } from './lightest';

/** The lightest of all subsets of the pieces that reaches at least so many wants: tried one by one. */
function byTryingAll(ways: Needs[][], weightsG: number[], reach: number): number {
  let lightest = Infinity;
  for (let pieces = 0n; pieces < 1n << BigInt(weightsG.length); pieces += 1n) {
    const reached = ways.filter((own) => own.some((way) => (way & pieces) === way)).length;
    if (reached < reach) continue;
    const weight = piecesIn(pieces).reduce((sum, at) => sum + weightsG[at]!, 0);
    lightest = Math.min(lightest, weight);
  }
  return lightest;
}

const PIECES = 9;
const way = fc.integer({ min: 1, max: 2 ** PIECES - 1 }).map(BigInt);
const kits = fc.record({
  ways: fc.array(fc.array(way, { maxLength: 6 }), { minLength: 1, maxLength: 6 }),
  weightsG: fc.array(fc.integer({ min: 0, max: 3000 }), { minLength: PIECES, maxLength: PIECES }),
});

describe('the lightest bags', () => {
  it('are as light as the lightest of all subsets, for every number of wants', () => {
    fc.assert(
      fc.property(kits, ({ ways, weightsG }) => {
        const bags = lightestBags(ways, weightsG);
        const reachable = ways.filter((own) => own.length > 0).length;
        for (let reach = 1; reach <= reachable; reach += 1) {
          const bag = bags.find((each) => each.reach >= reach);
          expect(bag?.weightG).toBe(byTryingAll(ways, weightsG, reach));
        }
        expect(bags.at(-1)?.reach ?? 0).toBe(reachable);
      }),
    );
  });

  it('reach what they say, and the next one reaches more and weighs more', () => {
    fc.assert(
      fc.property(kits, ({ ways, weightsG }) => {
        const bags = lightestBags(ways, weightsG);
        bags.forEach((bag, i) => {
          const reached = ways.filter((own) => own.some((each) => (each & bag.pieces) === each)).length;
          expect(reached).toBeGreaterThanOrEqual(bag.reach);
          const before = bags[i - 1];
          if (!before) return;
          expect(bag.reach).toBeGreaterThan(before.reach);
          expect(bag.weightG).toBeGreaterThanOrEqual(before.weightG);
        });
      }),
    );
  });

  it('take of two as light the one with fewer pieces', () => {
    expect(lightestBags([[0b0110n, 0b1001n | 0b0100n, 0b1000n]], [100, 200, 300, 500])).toEqual([
      { reach: 1, pieces: 0b1000n, weightG: 500 },
    ]);
  });

  it('are none where nothing is reached', () => {
    expect(lightestBags([[], []], [100])).toEqual([]);
    expect(lightestBags([], [])).toEqual([]);
  });

  it('tell how far the comparing is, up to its end', () => {
    const told: number[] = [];
    lightestBags([[0b01n, 0b10n], [0b11n]], [100, 200], (share) => told.push(share));
    expect(told.at(-1)).toBe(1);
    expect(told).toEqual([...told].sort((a, b) => a - b));
  });
});

it('ways that take more than another takes are left out', () => {
  expect(fewest([0b011n, 0b001n, 0b110n, 0b001n])).toEqual([0b001n, 0b110n]);
  expect(piecesIn(0b1011n)).toEqual([0, 1, 3]);
});
