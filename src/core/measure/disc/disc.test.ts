import { randomDisc } from '../../../../tests/support/randomDisc';
import { findDisc } from './findDisc';
import { axesOf, fitAround, likeliestCircle, radiusAt } from './ellipse';
import { fitLimb } from './limbProfile';
import { otsu } from './roughDisc';

const found = (made: ReturnType<typeof randomDisc>) => {
  const disc = findDisc(made.grey);
  if (!disc.ok) throw new Error(disc.problem.message);
  return disc.value;
};

describe('a disc', () => {
  it('that is fully lit has its middle and the way of its equator', () => {
    for (const seed of [4001, 4032, 4063, 4094]) {
      const made = randomDisc(seed, 'lit', 150);
      const { centre, phase, equatorDeg, centreError } = found(made);
      expect(phase).toBe(false);
      expect(Math.hypot(centre[0] - made.centre[0], centre[1] - made.centre[1])).toBeLessThan(
        Math.max(0.1, centreError),
      );
      if (made.made.flattening < 0.97)
        expect(Math.abs(((equatorDeg! - made.equatorDeg + 270) % 180) - 90)).toBeLessThan(3);
    }
  });
  it('in phase is known as such, and has no equator', () => {
    for (const seed of [4001, 4032]) {
      const { phase, equatorDeg, equatorialDiameterPx, polarDiameterPx } = found(randomDisc(seed, 'phase', 140));
      expect(phase).toBe(true);
      expect(equatorDeg).toBeNull();
      expect(polarDiameterPx).toBe(equatorialDiameterPx);
    }
  });
  it('that is not there, or cut off, is refused with what to do', () => {
    const { grey } = randomDisc(5, 'lit', 120);
    const empty = findDisc({ ...grey, data: grey.data.map(() => 0.2) });
    expect(empty.ok ? '' : empty.problem.code).toBe('disc.none');
    const half = { ...grey, width: grey.width, height: grey.height };
    half.data = grey.data.map((_, i) => {
      const x = (i % grey.width) + Math.round(grey.width * 0.45);
      return x < grey.width ? grey.data[Math.floor(i / grey.width) * grey.width + x]! : 0.01;
    });
    const cut = findDisc(half);
    expect(cut.ok ? '' : cut.problem.message).toMatch(/beyond the picture|No disc/);
  });
});

describe('its parts', () => {
  it('an ellipse is found through points on it', () => {
    const truth = { x: 3, y: -2, radius: 80, e1: 0.05, e2: -0.03 };
    const points = Array.from({ length: 200 }, (_, i) => {
      const phi = (2 * Math.PI * i) / 200;
      return { phi, r: radiusAt(truth, phi), steepness: 1 };
    });
    const fitted = fitAround(points, { x: 3, y: -2 }, false)!;
    expect(fitted.x).toBeCloseTo(3, 2);
    expect(fitted.y).toBeCloseTo(-2, 2);
    const [a, b] = [axesOf(truth), axesOf(fitted)];
    expect(b.longer / a.longer).toBeCloseTo(1, 2);
    expect(b.phi).toBeCloseTo(a.phi, 2);
  });
  it('a circle is found among as many points that are not on it', () => {
    const on = Array.from({ length: 60 }, (_, i) => ({
      x: 10 + 30 * Math.cos(i),
      y: 5 + 30 * Math.sin(i),
      steepness: 2,
    }));
    const off = Array.from({ length: 60 }, (_, i) => ({ x: (i * 37) % 80, y: (i * 53) % 70, steepness: 0.5 }));
    const circle = likeliestCircle([...on, ...off], 1, [10, 60])!;
    expect(circle.x).toBeCloseTo(10, 0);
    expect(circle.radius).toBeCloseTo(30, 0);
  });
  it('the limb of an even disc, blurred, is where the light is one half: by the error function', () => {
    const erf = (x: number) => {
      // Abramowitz and Stegun 7.1.26, good to 1.5e-7.
      const t = 1 / (1 + 0.3275911 * Math.abs(x));
      const y =
        1 -
        ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) *
          t *
          Math.exp(-x * x);
      return x < 0 ? -y : y;
    };
    const d = Array.from({ length: 70 }, (_, i) => i * 0.4 - 16);
    const light = d.map((at) => 0.5 * (1 - erf((at - 0.7) / (1.8 * Math.SQRT2))));
    const fitted = fitLimb({ d, light }, 1e6, 'straight', null, 1.5);
    expect(fitted.offsetPx).toBeCloseTo(0.7, 1);
    expect(fitted.sigmaPx).toBeGreaterThan(1.5);
    expect(fitted.sigmaPx).toBeLessThan(2);
  });
  it('two heaps of values are parted between them', () => {
    const level = otsu(Float32Array.from({ length: 300 }, (_, i) => (i % 3 === 0 ? 0.8 : 0.1) + 0.01 * (i % 5)));
    expect(level).toBeGreaterThan(0.14);
    expect(level).toBeLessThan(0.8);
  });
});
