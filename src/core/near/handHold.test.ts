import fc from 'fast-check';
import { learnedHandHold, type HeldPicture } from './handHold';

const sharp = (ratio: number): HeldPicture => ({ ratio, sharp: true });
const blurred = (ratio: number): HeldPicture => ({ ratio, sharp: false });

it('takes the largest ratio that came out sharp, below those that did not', () => {
  expect(learnedHandHold([])).toBeNull();
  expect(learnedHandHold([blurred(1)])).toBeNull();
  expect(learnedHandHold([sharp(1), sharp(1.5), blurred(2)])).toEqual({ ratio: 1.5, pictures: 3 });
});

it('is not misled by one lucky picture, nor by one shaken one', () => {
  expect(learnedHandHold([sharp(1), sharp(1.2), blurred(1.5), blurred(1.8), blurred(2), sharp(2.2)])?.ratio).toBe(1.2);
  expect(learnedHandHold([sharp(0.8), blurred(0.5), sharp(1), sharp(1.3)])?.ratio).toBe(1.3);
});

it('finds the limit of a steady hand exactly, in whatever order the pictures come', () => {
  const pictures = fc.array(fc.double({ min: 0.1, max: 5, noNaN: true }), { minLength: 1, maxLength: 30 });
  fc.assert(
    fc.property(pictures, fc.double({ min: 0.1, max: 5, noNaN: true }), (ratios, limit) => {
      const held = ratios.map((ratio) => ({ ratio, sharp: ratio <= limit }));
      const below = ratios.filter((ratio) => ratio <= limit);
      expect(learnedHandHold(held)?.ratio ?? null).toBe(below.length ? Math.max(...below) : null);
    }),
  );
});
