import type { Grey } from '../../picture/grey';
import { chance } from '../../simulate/chance';
import { randomPair } from '../../../../tests/support/randomPair';
import { comparePair } from './comparePair';
import { otherMatch } from './otherMatch';
import { banded } from './pairLight';

const drawn = (width: number, height: number, light: (x: number, y: number) => number): Grey => ({
  width,
  height,
  data: Float32Array.from({ length: width * height }, (_, i) => light(i % width, Math.floor(i / width))),
  step: 1 / 65_535,
});
/** Lines of a scale, all alike, on grained paper. */
const lines = (periodPx: number, seed: number, turnDeg = 0, softPx = 1): Grey => {
  const { between } = chance(seed);
  const [c, s] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)];
  return drawn(480, 320, (x, y) => {
    const [along, down] = [c * (x - 240) + s * (y - 160), c * (y - 160) - s * (x - 240)];
    const off = Math.abs(along - periodPx * Math.round(along / periodPx));
    const ink = Math.abs(down) < 60 ? 0.5 * (1 - Math.tanh((off - 3) / softPx)) : 0;
    return 0.8 - 0.6 * ink + between(-0.01, 0.01);
  });
};
const board = (seed: number): Grey => {
  const { between } = chance(seed);
  return drawn(480, 480, (x, y) => 0.2 + 0.6 * ((Math.floor(x / 40) + Math.floor(y / 40)) % 2) + between(-0.01, 0.01));
};
const codeOf = (a: Grey, b: Grey): string => {
  const found = comparePair(a, b);
  return found.ok ? 'found' : found.problem.code;
};

describe('a subject that repeats', () => {
  it.each([
    ['a scale and its softer, turned copy', lines(24, 1), lines(24, 2, 3, 3)],
    ['a board and itself', board(3), board(4)],
  ])('is refused: %s', (_, a, b) => {
    expect(['pair.repeats', 'pair.none']).toContain(codeOf(a, b));
  });

  it('has its other place one period off', () => {
    const grey = banded(lines(32, 5), 1.2);
    const { share, offPx } = otherMatch(grey, grey, { p: 1, q: 0, tx: 0, ty: 0 });
    expect(share).toBeGreaterThan(0.8);
    expect(offPx / 32).toBeCloseTo(Math.round(offPx / 32), 1);
    expect(offPx).toBeGreaterThan(31);
  });

  it('says how far off the other place is, and what to do', () => {
    const found = comparePair(lines(24, 1), lines(24, 1));
    if (found.ok) throw new Error('found');
    expect(found.problem.message).toMatch(/would lie on the first nearly as well (2[345]|4[789]|7[123]) px away/);
  });
});

it('a thing that is there once has no other place nearly as good', () => {
  const { a } = randomPair(11, 300, 240);
  const grey = banded(a, 1.2);
  expect(otherMatch(grey, grey, { p: 1, q: 0, tx: 0, ty: 0 }).share).toBeLessThan(0.6);
});

it('pictures that do not agree at all are told as such', () => {
  const a = banded(randomPair(3, 300, 240).a, 1.2);
  const against: Grey = { ...a, data: a.data.map((value) => -value) };
  expect(otherMatch(a, against, { p: 1, q: 0, tx: 0, ty: 0 }).share).toBe(Infinity);
});
