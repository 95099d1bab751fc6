import { demoAdapters, demoBodies, demoOptics } from '@/demo/kit';
import { linksOf } from '../chain/link';
import type { Part } from '../chain/parts';
import { DEEP_OBJECTS } from './catalogue';
import { planMosaic } from './mosaic';
import { deepLevers, type DeepSituation } from './deepLevers';

const m31 = DEEP_OBJECTS.find((each) => each.id === 'M 31')!;
const body = demoBodies.ostrel.data;
const chainOf = (...parts: Part[]) => linksOf(parts);
const setup = { body, modeId: 'whole', chain: chainOf(demoOptics.refractor.data) };
const situation: DeepSituation = {
  object: m31,
  rollDeg: 35,
  overlap: 0.2,
  seeingArcsec: 3,
  tolerancePx: 1.5,
  mountArcsecPerMin: 6,
  convention: 'usual',
  setup,
  kit: {
    parts: linksOf([demoAdapters.reducer.data, demoAdapters.tubes.data]).map((link) => ({
      ...link,
      id: `kit ${link.id}`,
    })),
    setups: [
      { id: 'wide', name: 'Wide', setup: { ...setup, chain: chainOf(demoOptics.wide20.data) } },
      {
        id: 'close',
        name: 'Close',
        setup: { ...setup, chain: chainOf(demoOptics.macro100.data, demoAdapters.tubes.data) },
      },
    ],
  },
};

/** Degrees a side takes in, and the share of the worse side that the object's own sides fill when the frame lies along it. */
const sideDeg = (mm: number, focalMm: number) => (2 * Math.atan(mm / 2 / focalMm) * 180) / Math.PI;

it('tells of another lens what it would fill, how fine, and how much light, from its own numbers', () => {
  const lever = deepLevers(situation).find((each) => each.id === 'setup:wide')!;
  const { focalWideMm, fNumberWide } = demoOptics.wide20.data as { focalWideMm: number; fNumberWide: number };
  // Up is along the length: position angle 35°.
  const fill = Math.max(
    m31.lengthArcmin / 60 / sideDeg(24, focalWideMm),
    m31.widthArcmin / 60 / sideDeg(36, focalWideMm),
  );
  expect(lever.panels).toBe(1);
  expect(lever.fillPercent).toBeCloseTo(100 * fill, 3);
  expect(lever.pixelScaleArcsec).toBeCloseTo((206.2648 * (36_000 / 8256)) / focalWideMm, 2);
  expect(lever.stops).toBeCloseTo(2 * Math.log2(480 / 80 / fNumberWide), 6);
  const { inputs } = lever.gain.why;
  const value = (symbol: string) => inputs.find((each) => each.symbol === symbol)!.quantity.value;
  expect(lever.gain.value).toBeCloseTo(value('q₁') / value('q₀'), 12);
  expect(value('N₁')).toBeCloseTo(fNumberWide, 9);
});

it('offers nothing that does not reach the stars, and puts what holds it in fewest frames first', () => {
  const levers = deepLevers(situation);
  expect(levers.map((each) => each.id)).not.toContain('setup:close');
  expect(levers.some((each) => each.kind === 'chain' && each.name === demoAdapters.tubes.data.name)).toBe(false);
  // A crop needs as many frames or more; of parts and modes only those stay that need no more.
  const now = planMosaic(m31, { widthDeg: sideDeg(36, 480), heightDeg: sideDeg(24, 480) }, 35, 0.2).panels;
  for (const each of levers) if (each.kind !== 'setup') expect(each.panels).toBeLessThanOrEqual(now);
  expect(levers.filter((each) => each.kind === 'chain').map((each) => each.name)).toEqual([
    demoAdapters.reducer.data.name,
  ]);
  for (let i = 1; i < levers.length; i += 1) {
    const [a, b] = [levers[i - 1]!, levers[i]!];
    expect(a.panels < b.panels || (a.panels === b.panels && a.fillPercent >= b.fillPercent)).toBe(true);
  }
});

it('has no levers where there is no reading', () => {
  const tubes = { ...setup, chain: chainOf(demoOptics.macro100.data, demoAdapters.tubes.data) };
  expect(deepLevers({ ...situation, setup: tubes })).toEqual([]);
});
