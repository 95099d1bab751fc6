import type { StarsFound, Trail } from './findStars';
import { starSeries } from './starSeries';
import { directionOf, lengthOf, smearOf, type Smear } from './trailField';

/** A run with a length and a direction, degrees, as its smear. */
const smear = (lengthPx: number, deg: number): Smear =>
  smearOf(lengthPx * Math.cos((deg * Math.PI) / 180), lengthPx * Math.sin((deg * Math.PI) / 180));

/** What is drawn in an exposure: the sky's run grows with the time, the lens's does not. */
const drawn = (t: number, [perSecond, skyDeg]: [number, number], [lensPx, lensDeg]: [number, number]): Trail => {
  const [sky, lens] = [smear(perSecond * t, skyDeg), smear(lensPx, lensDeg)];
  const both: Smear = [sky[0] + lens[0], sky[1] + lens[1]];
  return { lengthPx: lengthOf(both), plusMinus: 0.1, directionDeg: directionOf(both) };
};

/** Corners whose lens draws along the radius, and a middle without a fault. */
const picture = (exposureS: number, perSecond: number, lensPx: number, fwhmError = 0.01) => ({
  exposureS,
  found: {
    centre: drawn(exposureS, [perSecond, 20], [0, 0]),
    corners: [30, 150, 150, 30].map((deg) => drawn(exposureS, [perSecond, 20], [lensPx, deg])),
    fwhmPx: 2.6,
    fwhmError,
  } as unknown as StarsFound,
});

const seriesOf = (pictures: ReturnType<typeof picture>[]) => {
  const found = starSeries(pictures);
  if (!found.ok) throw new Error(found.problem.message);
  return found.value;
};

describe('a series of growing exposure', () => {
  it('tells the lens from the sky in the corners, though there they do not lie along each other', () => {
    const { centre, corner } = seriesOf([4, 8, 16, 24].map((t) => picture(t, 0.25, 3)));
    expect(corner.perSecond.value).toBeCloseTo(0.25, 9);
    expect(corner.lensPx.value).toBeCloseTo(3, 9);
    expect(centre.perSecond.value).toBeCloseTo(0.25, 9);
    expect(centre.lensPx.value).toBeCloseTo(0, 4);
  });

  it('says by its error that a lens may have no fault, where none is seen', () => {
    const { centre } = seriesOf([4, 8, 16, 24].map((t) => picture(t, 0.25, 0, 0.1)));
    expect(centre.lensPx.plusMinus).toBeGreaterThanOrEqual(centre.lensPx.value);
    // 24·σ·dσ, the mean of four: σ = 2.6 ÷ 2.3548 px, dσ = 0.1 ÷ 2.3548 px.
    const square = (24 * 2.6 * 0.1) / 2.3548 ** 2 / Math.sqrt(4);
    expect(centre.lensPx.plusMinus).toBeCloseTo(Math.sqrt(square) + 0.02, 1);
  });

  it('is the less sure the more its pictures contradict each other', () => {
    const times = [4, 8, 12, 16, 24];
    const calm = seriesOf(times.map((t, i) => picture(t, 0.25 * (1 + (i % 2 ? 0.002 : -0.002)), 2)));
    const wild = seriesOf(times.map((t, i) => picture(t, 0.25 * (1 + (i % 2 ? 0.02 : -0.02)), 2)));
    expect(wild.centre.perSecond.plusMinus).toBeGreaterThan(2 * calm.centre.perSecond.plusMinus);
    expect(Math.abs(wild.centre.perSecond.value - 0.25)).toBeLessThan(wild.centre.perSecond.plusMinus);
    expect(Math.abs(wild.corner.perSecond.value - 0.25)).toBeLessThan(wild.corner.perSecond.plusMinus);
  });

  it('needs three different times', () => {
    const two = starSeries([4, 8, 8].map((t) => picture(t, 0.25, 1)));
    expect(two.ok ? '' : two.problem.code).toBe('stars.few');
  });
});
