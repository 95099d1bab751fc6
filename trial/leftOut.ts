import { DESKS } from '@/cli/registry';
import { exampleOf, faultIn, placesIn, without } from '../tests/support/leftOut';
import { count, newTally, randomOf, type Tally } from '../torture/tally';

/** Pairs drawn for each reading, besides every field alone. */
const PAIRS = 400;

/** Every reading of every example with each optional field left out, and with many pairs of them. */
export function leftOut(minutes: number, seed: number): Promise<Tally> {
  const random = randomOf(seed);
  const tally = newTally('readings with fields left out', Object.keys(DESKS).length);
  const end = Date.now() + minutes * 60_000;
  for (const [name, desk] of Object.entries(DESKS)) {
    const example = exampleOf(name);
    const places = placesIn(example);
    const any = () => places[Math.floor(random() * places.length)]!;
    const tries = [...places.map((place) => [place]), ...Array.from({ length: PAIRS }, () => [any(), any()])];
    for (const some of tries) {
      if (Date.now() > end) break;
      const fault = faultIn(desk, without(example, ...some));
      count(tally, 'inputs');
      if (fault !== null)
        tally.faults.push(`${name} without ${some.map((each) => each.join('.')).join(' and ')}: ${fault}`);
    }
    tally.done += Date.now() > end ? 0 : 1;
  }
  return Promise.resolve(tally);
}
