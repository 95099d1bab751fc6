import fc from 'fast-check';
import { DEEP_OBJECTS } from './catalogue';
import { bestRollDeg, extentOf, framesToCover, planMosaic, seeingStand, unguidedS } from './mosaic';

const m31 = DEEP_OBJECTS.find((each) => each.id === 'M 31')!;
const range = (min: number, max: number) => fc.double({ min, max, noNaN: true });

it('ships objects with sound coordinates and sizes, each once', () => {
  expect(new Set(DEEP_OBJECTS.map((each) => each.id)).size).toBe(DEEP_OBJECTS.length);
  for (const each of DEEP_OBJECTS) {
    expect(each.raHours).toBeGreaterThanOrEqual(0);
    expect(each.raHours).toBeLessThan(24);
    expect(Math.abs(each.declinationDeg)).toBeLessThan(90);
    expect(each.lengthArcmin).toBeGreaterThanOrEqual(each.widthArcmin);
  }
  // Signs near the equator are easily lost.
  expect(DEEP_OBJECTS.find((each) => each.id === 'M 2')!.declinationDeg).toBeCloseTo(-0.817, 3);
  expect(DEEP_OBJECTS.find((each) => each.id === 'M 78')!.declinationDeg).toBeGreaterThan(0);
  expect(DEEP_OBJECTS.find((each) => each.id === 'M 42')!.declinationDeg).toBeCloseTo(-5.383, 3);
});

it('knows how much room a turned ellipse takes: as much as its farthest points', () => {
  fc.assert(
    fc.property(range(0.1, 5), range(0.05, 1), range(0, 180), (length, share, turn) => {
      const { across, up } = extentOf(length, length * share, turn);
      let [right, top] = [0, 0];
      for (let i = 0; i < 720; i += 1) {
        const t = (i * Math.PI) / 360;
        const [a, b] = [(length / 2) * Math.cos(t), ((length * share) / 2) * Math.sin(t)];
        const turned = (turn * Math.PI) / 180;
        top = Math.max(top, a * Math.cos(turned) - b * Math.sin(turned));
        right = Math.max(right, a * Math.sin(turned) + b * Math.cos(turned));
      }
      expect(across / 2 / right).toBeCloseTo(1, 3);
      expect(up / 2 / top).toBeCloseTo(1, 3);
    }),
    { numRuns: 40 },
  );
});

it('covers with the fewest frames, and their overlap is at least what was asked', () => {
  fc.assert(
    fc.property(range(0.05, 20), range(0.1, 5), range(0, 0.6), (extent, field, overlap) => {
      const frames = framesToCover(extent, field, overlap);
      const covered = (count: number) => field + (count - 1) * field * (1 - overlap);
      expect(covered(frames)).toBeGreaterThanOrEqual(extent * (1 - 1e-6));
      if (frames > 1) expect(covered(frames - 1)).toBeLessThan(extent * (1 + 1e-6));
    }),
  );
});

it('plans the panels of a mosaic and turns the frame to spare some', () => {
  const field = { widthDeg: 1.6, heightDeg: 1.06 };
  const upright = planMosaic(m31, field, 0, 0.2);
  expect(upright.panels).toBe(upright.columns * upright.rows);
  expect(upright.centres).toHaveLength(upright.panels);
  expect(upright.centres.reduce((sum, each) => sum + each.xDeg + each.yDeg, 0)).toBeCloseTo(0, 9);
  const roll = bestRollDeg(m31, field, 0.2);
  // Its length lies along the frame's long side: position angle 35° plus a quarter turn.
  expect(Math.abs(roll - 125)).toBeLessThanOrEqual(15);
  expect(planMosaic(m31, field, roll, 0.2).panels).toBeLessThan(upright.panels);
  expect(planMosaic(m31, { widthDeg: 6, heightDeg: 4 }, 0, 0.2)).toMatchObject({ panels: 1, columns: 1, rows: 1 });
});

it('sets the pixel against the air, and a mount’s error against the pixel', () => {
  expect([0.9, 1, 1.5, 1.6].map((pixel) => seeingStand(pixel, 3))).toEqual(['fine', 'right', 'right', 'coarse']);
  expect(unguidedS(1.5, 2, 6)).toBe(30);
});
