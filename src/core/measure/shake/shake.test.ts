import { opticsOf } from '../../../../tests/support/randomEdge';
import { chance } from '../../simulate/chance';
import { edgePicture } from '../../simulate/edgeScene';
import { noisy } from '../../simulate/noisy';
import { shaken, shakePath } from '../../simulate/shaken';
import { drawn } from '../../simulate/scene';
import { textureScene } from '../../simulate/textureScene';
import { handLimit, type HeldFrame } from './handLimit';
import { sharpnessOf } from './sharpness';

const [WIDTH, HEIGHT] = [320, 260];
const view = {
  pxPerMm: 10,
  turnDeg: 0,
  tiltAlongDeg: 0,
  tiltAcrossDeg: 0,
  middleMm: [0, 0] as [number, number],
  focalPx: 1e7,
  distortion: 0,
};
const made = { edgeDeg: 97, offsetPx: 0, dark: 0.1, light: 0.6, optics: opticsOf(0.8, 0.6), cutoff: 1.25 };

/** A frame moved by so many px, with noise of its own. */
function frame(sharp: Float32Array, movedPx: number, directionDeg: number, seed: number) {
  const moved = shaken(sharp, WIDTH, HEIGHT, shakePath(movedPx, directionDeg, 0.1));
  return {
    width: WIDTH,
    height: HEIGHT,
    data: noisy(moved, { fullWell: 6000, readNoise: 3 }, seed),
    step: 1 / 255,
  };
}

describe('the sharpness of a frame', () => {
  it('falls with the shake, by an edge as by texture, whichever way it goes', () => {
    const edge = edgePicture(made, WIDTH, HEIGHT);
    const texture = drawn(textureScene(0.05, 8), view, WIDTH, HEIGHT, 2);
    for (const [sharp, by, directions] of [
      [edge, 'edge', [0]],
      [texture, 'texture', [0, 60, 120]],
    ] as const)
      for (const direction of directions) {
        const still = sharpnessOf(frame(sharp, 0.2, direction, 1));
        const soft = sharpnessOf(frame(sharp, 4, direction, 2));
        const softer = sharpnessOf(frame(sharp, 7, direction, 3));
        expect(still.by).toBe(by);
        expect(soft.value / still.value).toBeLessThan(0.8);
        expect(softer.value).toBeLessThan(soft.value);
      }
  });
});

/** Frames of a person who holds still, at a time, with a share by chance that falls about a limit. */
function series(limitS: number, seed: number, perTime: number, slope = 2.5): HeldFrame[] {
  const { even } = chance(seed);
  return [1 / 500, 1 / 250, 1 / 125, 1 / 60, 1 / 30, 1 / 15].flatMap((exposureS) =>
    Array.from({ length: perTime }, (): HeldFrame => {
      // Four of five are sharp at the limit.
      const sharp = even() < 1 / (1 + Math.exp(slope * Math.log2(exposureS / limitS) - Math.log(4)));
      return { exposureS, value: sharp ? 0.9 + 0.1 * even() : 0.3 + 0.3 * even(), by: 'edge' };
    }),
  );
}

describe('the time a hand holds', () => {
  it('is where four of five frames are sharp, and its ± holds that', () => {
    const trials = Array.from({ length: 60 }, (_, i) => {
      const limitS = 1 / (40 + 5 * i);
      const found = handLimit(series(limitS, 100 + i, 8));
      return found.ok && found.value.limitS ? { ...found.value.limitS, limitS } : null;
    }).filter((each) => each !== null);
    expect(trials.length).toBeGreaterThan(50);
    const held = trials.filter(({ value, plusMinus, limitS }) => Math.abs(value - limitS) <= plusMinus).length;
    expect(held / trials.length).toBeGreaterThan(0.8);
    const ratios = trials.map(({ value, limitS }) => value / limitS).sort((a, b) => a - b);
    expect(ratios[ratios.length >> 1]!).toBeGreaterThan(0.8);
    expect(ratios[ratios.length >> 1]!).toBeLessThan(1.25);
  });
  it('is held by its ± however steadily a person falls off, and however many frames there are', () => {
    const { between, oneOf, normal } = chance(31);
    let [held, all] = [0, 0];
    for (let i = 0; i < 600; i++) {
      const limitS = 1 / Math.exp(between(Math.log(20), Math.log(400)));
      const found = handLimit(series(limitS, 5000 + i, oneOf([3, 4, 6, 8, 10]), 2.5 * Math.exp(0.5 * normal())));
      if (!found.ok) throw new Error(found.problem.message);
      if (!found.value.limitS) continue;
      all++;
      if (Math.abs(found.value.limitS.value - limitS) <= found.value.limitS.plusMinus) held++;
    }
    expect(all).toBeGreaterThan(550);
    expect(held / all).toBeGreaterThan(0.92);
    expect(held / all).toBeLessThan(0.98);
  });
  it('is told to lie beyond the series where all came out sharp, or none', () => {
    const sharp = (exposureS: number): HeldFrame[] =>
      Array.from({ length: 4 }, () => ({ exposureS, value: 1, by: 'edge' as const }));
    const all = handLimit([...sharp(0.01), ...sharp(0.02)]);
    expect(all.ok && all.value).toMatchObject({ limitS: null, beyond: 'longer' });
    expect(all.ok && all.value.times).toEqual([
      { exposureS: 0.01, frames: 4, sharp: 4 },
      { exposureS: 0.02, frames: 4, sharp: 4 },
    ]);
  });
  it('needs a series of one thing', () => {
    const one = { exposureS: 0.01, value: 1, by: 'edge' as const };
    const codeOf = (frames: HeldFrame[]) => {
      const found = handLimit(frames);
      return found.ok ? 'ok' : found.problem.code;
    };
    expect(codeOf([one, one])).toBe('shake.few');
    expect(codeOf([one, one, one, one, one, { ...one, by: 'texture' }])).toBe('shake.mixed');
  });
});
