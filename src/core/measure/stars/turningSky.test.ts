import type { Projection } from '../../sky/projection';
import { chance } from '../../simulate/chance';
import { drawnAt, type StarSetup } from './predictedTrail';
import type { Stroke } from './strokeFit';
import { directionOf, lengthOf } from './trailField';
import { turnOfSky } from './turningSky';

const [WIDTH, HEIGHT] = [1200, 800];
const MIDDLE = [(WIDTH - 1) / 2, (HEIGHT - 1) / 2] as const;

/** Strokes as a camera draws them, by turning the sky itself; each seen with the same error. */
function strokesOf(setup: StarSetup, seed: number, { count = 60, errorPx = 0.02, comaPx = 0 } = {}): Stroke[] {
  const drawn = drawnAt(setup, { width: WIDTH, height: HEIGHT });
  const { between, even } = chance(seed);
  const half = Math.hypot(WIDTH, HEIGHT) / 2;
  return Array.from({ length: count }, (): Stroke => {
    const [x, y] = [between(0, WIDTH - 1), between(0, HEIGHT - 1)];
    const [dx, dy] = drawn(x, y)!;
    // A fault along the radius adds to the smear as the square of its length.
    const r = Math.hypot(x - MIDDLE[0], y - MIDDLE[1]) / half;
    const turn = 2 * Math.atan2(y - MIDDLE[1], x - MIDDLE[0]);
    const p = dx * dx - dy * dy + (comaPx * r) ** 2 * Math.cos(turn);
    const q = 2 * dx * dy + (comaPx * r) ** 2 * Math.sin(turn);
    const [length, direction] = [Math.sqrt(Math.hypot(p, q)), Math.atan2(q, p) / 2];
    // Which end came first is not seen.
    const sense = even() < 0.5 ? 1 : -1;
    const off = () => errorPx * (even() + even() + even() - 1.5) * 2;
    return {
      x,
      y,
      vx: sense * length * Math.cos(direction) + off(),
      vy: sense * length * Math.sin(direction) + off(),
      vxVariance: errorPx ** 2,
      vyVariance: errorPx ** 2,
      covariance: 0,
      sigma: 1.2,
      sigmaError: 0.05,
      flux: 1,
      snr: 60,
      misfit: 1,
      saturated: false,
    };
  });
}

/** The middle's smear with its error, and how many spoke for it. */
const middleOfTurn = (strokes: Stroke[]) => {
  const turn = turnOfSky(strokes, WIDTH, HEIGHT);
  return turn && { smear: turn.sky(...MIDDLE), error: turn.error(...MIDDLE), used: turn.used };
};

const setups = (projection: Projection, count: number): StarSetup[] =>
  Array.from({ length: count }, (_, i) => {
    const { between } = chance(900 + i);
    return {
      projection,
      pitchUm: 12,
      focalMm: between(8, 60),
      exposureS: between(20, 120),
      declinationDeg: between(-80, 80),
      rollDeg: between(-180, 180),
    };
  });

describe('the run of stars in the middle, with nothing known of the set-up', () => {
  it.each(['rectilinear', 'equidistant', 'stereographic'] as const)(
    'is that of the turning sky through a lens of any focal length, %s',
    (projection) => {
      const all = setups(projection, 24).map((setup, i) => {
        const truth = Math.hypot(...drawnAt(setup, { width: WIDTH, height: HEIGHT })(...MIDDLE)!);
        const found = middleOfTurn(strokesOf(setup, i))!;
        return { truth, lengthPx: lengthOf(found.smear), found };
      });
      const offs = all.map(({ truth, lengthPx }) => Math.abs(lengthPx - truth));
      // A share of it: weights allow for a field that is not quite what a model says.
      expect(Math.max(...all.map(({ truth }, i) => offs[i]! - 0.01 * truth))).toBeLessThan(0.1);
      expect(offs.sort((a, b) => a - b)[12]).toBeLessThan(0.05);
    },
  );

  it('is told from a lens that draws along the radius', () => {
    const setup = setups('rectilinear', 3)[2]!;
    const truth = drawnAt(setup, { width: WIDTH, height: HEIGHT })(...MIDDLE)!;
    const found = middleOfTurn(strokesOf(setup, 1, { comaPx: 5 }))!;
    expect(lengthOf(found.smear)).toBeCloseTo(Math.hypot(...truth), 1);
    expect(directionOf(found.smear)).toBeCloseTo(((Math.atan2(truth[1], truth[0]) * 180) / Math.PI + 360) % 180, 0);
  });

  it('leaves out what ran its own way, and says with how many it was found', () => {
    const setup = setups('rectilinear', 5)[4]!;
    const truth = Math.hypot(...drawnAt(setup, { width: WIDTH, height: HEIGHT })(...MIDDLE)!);
    const strokes = strokesOf(setup, 2);
    const planes = strokes.map((each, i) => (i % 8 === 0 ? { ...each, vx: each.vy + 14, vy: 9 - each.vx } : each));
    const found = middleOfTurn(planes)!;
    expect(Math.abs(lengthOf(found.smear) - truth)).toBeLessThan(0.1 + 0.01 * truth);
    expect(found.used).toBeLessThanOrEqual(60 - 7);
    expect(found.used).toBeGreaterThan(40);
  });

  it('holds the truth by its error where strokes are read badly', () => {
    let held = 0;
    const count = 60;
    for (let i = 0; i < count; i++) {
      const setup = setups('rectilinear', i + 1)[i]!;
      const truth = Math.hypot(...drawnAt(setup, { width: WIDTH, height: HEIGHT })(...MIDDLE)!);
      const found = middleOfTurn(strokesOf(setup, 50 + i, { errorPx: 0.3, count: 30 }))!;
      const lengthPx = lengthOf(found.smear);
      if (Math.abs(lengthPx - truth) <= Math.sqrt(lengthPx ** 2 + 2.4 * found.error) - lengthPx + 0.02) held++;
    }
    expect(held / count).toBeGreaterThan(0.85);
  });

  it('needs three strokes at least, and with few of them is their level', () => {
    const setup = { ...setups('rectilinear', 1)[0]!, focalMm: 200 };
    const strokes = strokesOf(setup, 3);
    expect(middleOfTurn(strokes.slice(0, 2))).toBeNull();
    const few = middleOfTurn(strokes.slice(0, 5))!;
    const truth = Math.hypot(...drawnAt(setup, { width: WIDTH, height: HEIGHT })(...MIDDLE)!);
    expect(lengthOf(few.smear) / truth).toBeCloseTo(1, 1);
  });

  it.each(['rectilinear', 'equidistant', 'stereographic'] as const)(
    'is that of the sky in the corners too, and its error says how sure it is of them, %s',
    (projection) => {
      const corners = [
        [0, 0],
        [WIDTH - 1, 0],
        [0, HEIGHT - 1],
        [WIDTH - 1, HEIGHT - 1],
      ] as const;
      const all = setups(projection, 24).flatMap((setup, i) => {
        const drawn = drawnAt(setup, { width: WIDTH, height: HEIGHT });
        const turn = turnOfSky(strokesOf(setup, i, { errorPx: 0.1 }), WIDTH, HEIGHT)!;
        return corners.map(([x, y]) => {
          const truth = Math.hypot(...drawn(x, y)!);
          const [p, q] = [turn.sky(x, y), turn.lens(x, y)];
          const lengthPx = lengthOf([p[0] + q[0], p[1] + q[1]]);
          const error = Math.sqrt(lengthPx ** 2 + 2.4 * turn.error(x, y)) - lengthPx;
          return { truth, off: Math.abs(lengthPx - truth), error };
        });
      });
      const share = (of: (one: (typeof all)[number]) => boolean) => all.filter(of).length / all.length;
      // Far wider than the lens keeps what it drew to the second order (60° from the middle) the corner's own order shows.
      expect(share(({ off, truth }) => off < 0.15 + 0.03 * truth)).toBeGreaterThan(0.9);
      expect(share(({ off, error, truth }) => off <= error + 0.02 * truth)).toBeGreaterThan(0.85);
    },
  );
});
