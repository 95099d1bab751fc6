import { chance } from '../../simulate/chance';
import { matchErrors } from './matchErrors';

describe('a match of which every part of the field has its own mind', () => {
  const { even } = chance(20_261_128);
  const normal = () => Math.sqrt(-2 * Math.log(1 - even())) * Math.cos(2 * Math.PI * even());
  const unit = (k: number, size = 1) => Float64Array.from({ length: 7 }, (_, i) => (i === k ? size : 0));
  /** Parts that ask for what lies off the truth by chance, each with its own weight; and where their mean lies. */
  function drawnParts(parts: number, weights: number[]) {
    const asked = weights.slice(0, parts).map(() => Array.from({ length: 7 }, () => 0.05 * normal()));
    const all = weights.slice(0, parts).reduce((a, b) => a + b, 0);
    const mean = unit(-1).map((_, k) => asked.reduce((sum, own, i) => sum + weights[i]! * own[k]!, 0) / all);
    const pulls = asked.map((own, i) => ({
      right: Float64Array.from(own, (each, k) => weights[i]! * (each - mean[k]!)),
      slopes: own.map((_, k) => unit(k, weights[i])),
    }));
    return { pulls, mean };
  }
  it.each([
    ['sixteen alike', Array.from({ length: 16 }, () => 3)],
    ['nine unlike', [1, 2, 1, 4, 1, 3, 2, 1, 2]],
  ])('%s: lies as near to the truth as is told in 95 of 100', (_, weights) => {
    const runs = Array.from({ length: 1500 }, () => drawnParts(weights.length, weights));
    const held = { shift: 0, scale: 0, turn: 0 };
    for (const { pulls, mean } of runs) {
      const errors = matchErrors(pulls, { p: 1, q: 0, tx: 0, ty: 0 });
      if (Math.hypot(mean[2]!, mean[3]!) <= errors.shiftError) held.shift++;
      if (Math.abs(mean[0]!) <= errors.scaleError) held.scale++;
      if (Math.abs((mean[1]! * 180) / Math.PI) <= errors.turnErrorDeg) held.turn++;
    }
    for (const share of Object.values(held).map((each) => each / runs.length)) {
      expect(share).toBeGreaterThan(0.925);
      expect(share).toBeLessThan(0.975);
    }
  });
  it('that cannot be told without one of them is told by the others', () => {
    const { pulls } = drawnParts(4, [1, 1, 1, 1]);
    const lost = { right: unit(2), slopes: Array.from({ length: 7 }, () => unit(-1)) };
    expect(Number.isFinite(matchErrors([...pulls, lost], { p: 1, q: 0, tx: 0, ty: 0 }).shiftError)).toBe(true);
  });
});
