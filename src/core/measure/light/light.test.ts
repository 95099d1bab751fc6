import { pictureSeed, shareOf } from '../../../../tests/support/pictureSeed';
import { chance } from '../../simulate/chance';
import { evenFrame, type EvenMade } from '../../simulate/evenSurface';
import { photonTransfer, type CountedFrame } from './photonTransfer';

const seed = pictureSeed();

const sensor = (own: number): EvenMade => {
  const { between, oneOf } = chance(own);
  const white = oneOf([16_383, 65_535]);
  return {
    width: 384,
    height: 288,
    gain: Math.exp(between(Math.log(0.2), Math.log(5))),
    readNoise: between(2.5, 9),
    black: white / 32,
    white,
    exposure: between(0.25, 0.65),
    falloff: between(0, 0.3),
    unequal: between(0, 0.015),
    sensorSeed: own,
  };
};
const frame = (made: EvenMade, exposure: number, own: number, mosaic?: number[]): CountedFrame => ({
  width: made.width,
  height: made.height,
  white: made.white,
  mosaic,
  data: Float32Array.from(evenFrame({ ...made, exposure }, own)),
});

describe(`sensors drawn from ${seed}`, () => {
  it('are found: electrons a code to 2 %, noise of reading to 5 %, and the ± holds', () => {
    const all = Array.from({ length: 24 }, (_, i) => {
      const made = sensor(seed + i);
      const own = (seed + i) * 10;
      const mosaic = i % 2 ? [0, 1, 1, 2] : undefined;
      const found = photonTransfer([
        frame(made, made.exposure, own, mosaic),
        frame(made, 0, own + 1, mosaic),
        frame(made, made.exposure * 1.02, own + 2, mosaic),
        frame(made, 0, own + 3, mosaic),
      ]);
      if (!found.ok) throw new Error(found.problem.message);
      return { made, found: found.value };
    });
    for (const { made, found } of all) {
      expect(Math.abs(found.gain.value / made.gain - 1)).toBeLessThan(0.02);
      // Below half a code rounding hides it, and the ± says so.
      if (made.readNoise / made.gain > 0.6)
        expect(Math.abs(found.readNoise.value / made.readNoise - 1)).toBeLessThan(0.05);
      const fullWell = (made.white - made.black) * made.gain;
      expect(found.fullWell.value / fullWell).toBeCloseTo(1, 1.5);
      expect(Math.abs(found.dynamicRange.value - Math.log2(fullWell / made.readNoise))).toBeLessThan(0.6);
    }
    const held = (of: 'gain' | 'readNoise') =>
      shareOf(all, ({ made, found }) => Math.abs(found[of].value - made[of]) <= found[of].plusMinus);
    expect(held('gain')).toBeGreaterThan(0.75);
    expect(held('readNoise')).toBeGreaterThan(0.75);
  }, 300_000);
});

describe('frames that tell nothing', () => {
  const made = { ...sensor(5), readNoise: 3, gain: 1 };
  const codeOf = (frames: CountedFrame[]) => {
    const found = photonTransfer(frames);
    return found.ok ? 'ok' : found.problem.code;
  };
  const dark = () => [frame(made, 0, 1), frame(made, 0, 2)];
  it('are refused with what to do', () => {
    expect(codeOf(dark())).toBe('light.four');
    expect(codeOf([...dark(), frame(made, 0.001, 3), frame(made, 0.001, 4)])).toBe('light.dim');
    expect(codeOf([...dark(), frame(made, 1.5, 3), frame(made, 1.5, 4)])).toBe('light.clipped');
    const other = { ...made, width: 300 };
    expect(codeOf([...dark(), frame(other, 0.5, 3), frame(made, 0.5, 4)])).toBe('light.sizes');
    const smooth = (value: number): CountedFrame => ({
      ...frame(made, 0, 1),
      data: new Float32Array(384 * 288).fill(value),
    });
    expect(codeOf([smooth(500), smooth(500), smooth(8000), smooth(8000)])).toBe('light.coarse');
  });
});
