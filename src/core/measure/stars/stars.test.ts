import { pictureSeed, shareBelow, shareOf } from '../../../../tests/support/pictureSeed';
import { randomStars } from '../../../../tests/support/randomStars';
import { noisy } from '../../simulate/noisy';
import { skyView, starPicture, type StarsMade } from '../../simulate/starScene';
import { findStars, type StarsFound } from './findStars';
import { drawnAt } from './predictedTrail';
import { starSeries, timeFor } from './starSeries';
import { directionOf, lengthOf, smearOf } from './trailField';

const seed = pictureSeed();
const FWHM = 2 * Math.sqrt(2 * Math.LN2);

function foundIn(found: ReturnType<typeof findStars>): StarsFound {
  if (!found.ok) throw new Error(found.problem.message);
  return found.value;
}

describe(`skies drawn from ${seed}`, () => {
  const all = Array.from({ length: 7 }, (_, i) => randomStars(seed + i)).map((sky) => {
    const { pitchUm, focalMm, exposureS, declinationDeg, rollDeg } = sky.made;
    const setup = { pitchUm, focalMm, exposureS, declinationDeg, rollDeg };
    return { sky, known: findStars(sky.grey, { setup }), free: findStars(sky.grey) };
  });
  const measured = all.filter(({ known, free }) => known.ok && free.ok);

  it('are measured, nearly all of them', () => {
    expect(measured.length).toBeGreaterThanOrEqual(5);
  });
  it('give the run in the middle to 0.1 px with the set-up, to 0.3 px without', () => {
    const off = (which: 'known' | 'free') =>
      measured.map((each) => Math.abs(foundIn(each[which]).centre.lengthPx - each.sky.centrePx));
    expect(shareBelow(off('known'), 0.7)).toBeLessThan(0.1);
    expect(shareBelow(off('free'), 0.7)).toBeLessThan(0.3);
    const held = shareOf(measured, (each) => {
      const { lengthPx, plusMinus } = foundIn(each.known).centre;
      return Math.abs(lengthPx - each.sky.centrePx) <= plusMinus;
    });
    expect(held).toBeGreaterThan(0.6);
  });
  it('give clean strokes to a tenth of a px in half of the cases, and the ± holds', () => {
    const skies = [
      ...measured.map(({ sky, known }) => ({ sky, stars: foundIn(known).stars })),
      ...[90, 160].map((exposureS) => fixedSky(exposureS)),
    ];
    const strokes = skies.flatMap(({ sky, stars }) =>
      stars.flatMap((star) => {
        const near = sky.stars.filter(({ x, y }) => Math.hypot(x - star.x, y - star.y) < 1.5);
        const [truth] = near;
        if (near.length !== 1 || !truth || star.upperLimit || star.saturated || sky.made.comaPx > 0) return [];
        const alone = !sky.stars.some(
          (other) =>
            other !== truth &&
            other.flux > 0.02 * truth.flux &&
            Math.hypot(other.x - truth.x, other.y - truth.y) < 8 * sky.made.sigma + truth.lengthPx,
        );
        if (!alone || star.snr < 40 || truth.lengthPx < FWHM * sky.made.sigma) return [];
        return [{ off: Math.abs(star.lengthPx - truth.lengthPx), plusMinus: star.plusMinus }];
      }),
    );
    expect(strokes.length).toBeGreaterThan(15);
    expect(
      shareBelow(
        strokes.map(({ off }) => off),
        0.5,
      ),
    ).toBeLessThan(0.16);
    // Nine of ten, less four standard deviations of so many strokes.
    const least = 0.9 - 4 * Math.sqrt((0.9 * 0.1) / strokes.length);
    expect(shareOf(strokes, ({ off, plusMinus }) => off <= plusMinus)).toBeGreaterThan(least);
  });
  it('call what is shorter than the blur tells an upper limit, and it is one', () => {
    const { sky, stars } = fixedSky(4);
    const limits = stars.flatMap((star) => {
      const near = sky.stars.filter(({ x, y }) => Math.hypot(x - star.x, y - star.y) < 1.5);
      return star.upperLimit && near.length === 1 ? [near[0]!.lengthPx <= star.lengthPx] : [];
    });
    expect(limits.length).toBeGreaterThan(20);
    expect(shareOf(limits, (is) => is)).toBeGreaterThan(0.9);
  });
});

const plain = (exposureS: number, comaPx = 0): StarsMade => ({
  width: 700,
  height: 480,
  pitchUm: 12,
  focalMm: 24,
  exposureS,
  declinationDeg: 25,
  rollDeg: 40,
  stars: 110,
  sigma: 1.1,
  comaPx,
  sky: 0.03,
  brightest: 12,
});
const taken = (made: StarsMade) => ({
  width: made.width,
  height: made.height,
  data: noisy(starPicture(made, 6).light, { fullWell: 20_000, readNoise: 3 }, 7),
  step: 1 / 65_535,
});
/** A sky that is always the same, and the strokes found on it. */
function fixedSky(exposureS: number) {
  const made = plain(exposureS);
  return { sky: { made, stars: starPicture(made, 6).stars }, stars: foundIn(findStars(taken(made))).stars };
}

const setupOf = ({ pitchUm, focalMm, exposureS, declinationDeg, rollDeg }: StarsMade) => ({
  pitchUm,
  focalMm,
  exposureS,
  declinationDeg,
  rollDeg,
});

describe('what a sky is predicted to draw', () => {
  it('is what the simulated sky does, in the corners too', () => {
    const made = plain(90);
    const drawn = drawnAt(setupOf(made), made);
    const view = skyView(made);
    for (const [x, y] of [
      [0, 0],
      [699, 12],
      [350, 240],
      [20, 470],
    ] as const) {
      const [start, end] = [view(x, y, -45), view(x, y, 45)];
      const [vx, vy] = drawn(x, y)!;
      expect(vx).toBeCloseTo(end[0] - start[0], 2);
      expect(vy).toBeCloseTo(end[1] - start[1], 2);
    }
  });
});

describe('one sky', () => {
  it('tells the sky from the lens when the set-up is known', () => {
    const made = plain(60, 4);
    const found = foundIn(findStars(taken(made), { setup: setupOf(made) }));
    const [vx, vy] = drawnAt(setupOf(made), made)(349.5, 239.5)!;
    expect(Math.abs(found.centre.lengthPx - Math.hypot(vx, vy))).toBeLessThan(0.1);
    expect(found.factor!.value).toBeCloseTo(1, 1);
    expect(found.lensWorstPx).toBeGreaterThan(2.5);
    expect(found.lensWorstPx).toBeLessThan(6);
    expect(found.worst.lengthPx).toBeGreaterThan(found.centre.lengthPx);
    expect(found.fwhmPx).toBeCloseTo(FWHM * 1.1, 0);
  });
  it('finds which way up it stood where that was not said', () => {
    const made = plain(200);
    const found = foundIn(findStars(taken(made), { setup: { ...setupOf(made), rollDeg: undefined } }));
    const turn = Math.abs(((found.centre.directionDeg - 40 + 270) % 180) - 90);
    expect(turn).toBeLessThan(1);
    expect(found.factor!.value).toBeCloseTo(1, 1.5);
  });
  it('is refused where there are no stars', () => {
    const none = findStars({ width: 300, height: 200, data: new Float32Array(60_000).fill(0.1), step: 1 / 255 });
    expect(none.ok ? '' : none.problem.message).toMatch(/No stars were found/);
  });
});

describe('a series', () => {
  it('tells the lens, at no time, from the sky, which grows with it', () => {
    const series = [8, 16, 30, 50].map((exposureS) => {
      const made = plain(exposureS);
      return { exposureS, found: foundIn(findStars(taken(made), { setup: setupOf(made) })) };
    });
    const found = starSeries(series);
    if (!found.ok) throw new Error(found.problem.message);
    const { centre } = found.value;
    const [vx, vy] = drawnAt(setupOf(plain(1)), plain(1))(349.5, 239.5)!;
    expect(centre.perSecond.value / Math.hypot(vx, vy)).toBeCloseTo(1, 1.5);
    expect(Math.abs(centre.perSecond.value - Math.hypot(vx, vy))).toBeLessThanOrEqual(centre.perSecond.plusMinus);
    // The time at which three px are run: without a lens's part, three over the rate.
    const own = { lensPx: { value: 0, plusMinus: 0 }, perSecond: { value: 0.1, plusMinus: 0 } };
    expect(timeFor(own, 3)).toBeCloseTo(30, 9);
    expect(timeFor({ ...own, lensPx: { value: 2.4, plusMinus: 0 } }, 3)).toBeCloseTo(18, 9);
    expect(timeFor({ ...own, lensPx: { value: 4, plusMinus: 0 } }, 3)).toBe(0);
    const two = starSeries(series.slice(0, 2));
    expect(two.ok ? '' : two.problem.code).toBe('stars.few');
  });
});

it('smears of the same direction keep it, those square to each other take it away', () => {
  expect(lengthOf(smearOf(3, 4))).toBeCloseTo(5, 12);
  expect(directionOf(smearOf(3, 4))).toBeCloseTo(53.13, 2);
  const [a, b] = [smearOf(2, 0), smearOf(0, 2)];
  expect(lengthOf([a[0] + b[0], a[1] + b[1]])).toBeCloseTo(0, 12);
});
