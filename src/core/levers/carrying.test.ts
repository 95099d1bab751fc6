import { demoAdapters, demoBodies, demoOptics } from '@/demo/kit';
import { HAND_MOST_G, isCarried, weighsAtLeastG } from './carrying';

const weighing = (bodyG: number | undefined, lensG: number | undefined, supportWeightG?: number) => ({
  body: { ...demoBodies.ostrel.data, weightG: bodyG },
  chain: [{ ...demoOptics.tele600.data, weightG: lensG }],
  ...(supportWeightG === undefined ? {} : { supportWeightG }),
});

it('adds what is entered, with the support where it is carried too', () => {
  expect(weighsAtLeastG(weighing(700, 2400, 1900), true)).toBe(5000);
  expect(weighsAtLeastG(weighing(700, 2400, 1900), false)).toBe(3100);
  expect(weighsAtLeastG(weighing(700, undefined), true)).toBe(700);
  const both = [demoOptics.tele600.data, demoAdapters.converter14.data];
  expect(weighsAtLeastG({ body: demoBodies.ostrel.data, chain: both }, true)).toBe(
    [demoBodies.ostrel.data, ...both].reduce((sum, { weightG = 0 }) => sum + weightG, 0),
  );
});

it('holds by hand what is light enough without its support, and packs what is with it', () => {
  const atLimit = weighing(HAND_MOST_G - 2000, 2000, 3000);
  expect(isCarried({ kind: 'hand' }, atLimit)).toBe(true);
  expect(isCarried({ kind: 'hand' }, weighing(HAND_MOST_G - 2000, 2001))).toBe(false);
  expect(isCarried({ kind: 'bag', mostG: HAND_MOST_G + 3000 }, atLimit)).toBe(true);
  expect(isCarried({ kind: 'bag', mostG: HAND_MOST_G + 2999 }, atLimit)).toBe(false);
  expect(isCarried({ kind: 'all' }, weighing(1e6, 1e6))).toBe(true);
  // Nothing is known against it.
  expect(isCarried({ kind: 'bag', mostG: 1 }, weighing(undefined, undefined))).toBe(true);
});
