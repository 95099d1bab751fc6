import { chance } from '../../simulate/chance';
import { banded, softened } from './pairLight';

/** One bright px in the middle of nothing. */
function dot(side: number) {
  const data = new Float32Array(side * side);
  data[((side - 1) / 2) * (side + 1)] = 1;
  return { width: side, height: side, data, step: 0 };
}

/** Sum, and squared deviation along x and y, of light around the middle. */
function momentsOf(data: Float32Array, side: number) {
  const middle = (side - 1) / 2;
  let [sum, xx, yy] = [0, 0, 0];
  data.forEach((light, i) => {
    sum += light;
    xx += light * ((i % side) - middle) ** 2;
    yy += light * (Math.floor(i / side) - middle) ** 2;
  });
  return { sum, xx: xx / sum, yy: yy / sum };
}

describe('a blur', () => {
  it.each([0.6, 0.9, 1.2, 1.3, 1.5, 1.68, 2.1, 3, 4.5, 7.3])(
    'of %f px has that deviation both ways and keeps all light',
    (sigma) => {
      const { sum, xx, yy } = momentsOf(softened(dot(101), sigma), 101);
      expect(sum).toBeCloseTo(1, 4);
      // Weights at whole pixels of the narrowest are a little off a Gaussian; means are exact.
      expect(Math.abs(Math.sqrt(xx) / sigma - 1)).toBeLessThan(sigma < 0.8 ? 0.015 : 1e-3);
      expect(xx / yy).toBeCloseTo(1, 5);
    },
  );
  it('leaves even light as it is, up to its border', () => {
    const even = { width: 40, height: 30, data: new Float32Array(1200).fill(0.3), step: 0 };
    for (const sigma of [0.8, 1.5, 5]) for (const light of softened(even, sigma)) expect(light).toBeCloseTo(0.3, 5);
  });
  it('besides is as if the picture had come blurred', () => {
    const { even } = chance(5);
    const grey = { width: 90, height: 90, data: Float32Array.from({ length: 8100 }, even), step: 0 };
    const twice = banded({ ...grey, data: softened(grey, 1.1) }, 1.7).data;
    const once = banded(grey, 1.7, 1.21).data;
    once.forEach((light, i) => expect(light).toBeCloseTo(twice[i]!, 6));
  });
});
