import { randomDisc } from '../../../../tests/support/randomDisc';
import { findDisc } from './findDisc';
import { axesOf, fitAround, likeliestCircle, radiusAt } from './ellipse';
import { fitLimb } from './limbProfile';
import { otsu } from './roughDisc';

/** The same pictures each time, as a single hard one may fail by chance; another number draws others. */
const seed = Number(process.env.JAUGE_PICTURES ?? 4001);

const measured = (kind: 'lit' | 'phase' | 'dark', count: number) =>
  Array.from({ length: count }, (_, i) => {
    const made = randomDisc(seed + 31 * i, kind);
    const found = findDisc(made.grey);
    if (!found.ok) throw new Error(`${seed + 31 * i}: ${found.problem.message}`);
    return { made, value: found.value, own: seed + 31 * i };
  });

describe('a disc', () => {
  it('that is fully lit is right to 0.3 px or 0.3 %, its flattening and middle too', () => {
    const all = measured('lit', 7);
    const off = all.map(({ made, value }) => Math.abs(value.equatorialDiameterPx - made.equatorialPx));
    const allowed = all.map(({ made }) => (made.equatorialPx > 100 ? Math.max(0.3, 0.003 * made.equatorialPx) : 1));
    expect(off.filter((each, i) => each > allowed[i]!).length).toBeLessThanOrEqual(2);
    expect(all.filter(({ value }, i) => off[i]! <= value.diameterError).length).toBeGreaterThanOrEqual(4);
    for (const { made, value } of all) {
      expect(value.phase).toBe(false);
      expect(Math.hypot(value.centre[0] - made.centre[0], value.centre[1] - made.centre[1])).toBeLessThan(0.6);
      if (made.equatorialPx > 60)
        expect(Math.abs(value.polarDiameterPx / value.equatorialDiameterPx - made.made.flattening)).toBeLessThan(0.012);
      if (value.equatorDeg !== null && made.made.flattening < 0.96 && made.equatorialPx > 80)
        expect(Math.abs(((value.equatorDeg - made.equatorDeg + 270) % 180) - 90)).toBeLessThan(4);
    }
  });
  it('in phase is known as such and right to a few per cent, within its error', () => {
    const all = measured('phase', 6);
    const off = all.map(({ made, value }) => Math.abs(value.equatorialDiameterPx - made.equatorialPx));
    expect(all.filter(({ value }) => value.phase).length).toBeGreaterThanOrEqual(5);
    expect(off.filter((each, i) => each <= 0.015 * all[i]!.made.equatorialPx).length).toBeGreaterThanOrEqual(3);
    expect(all.filter(({ value }, i) => off[i]! <= value.diameterError).length).toBeGreaterThanOrEqual(3);
    for (const { value } of all) if (value.phase) expect(value.equatorDeg).toBeNull();
  });
  it('darker than its ground is a disc too', () => {
    for (const { made, value } of measured('dark', 2))
      expect(Math.abs(value.equatorialDiameterPx / made.equatorialPx - 1)).toBeLessThan(0.006);
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
