import { demoHeld } from '../../../tests/support/renderWithKit';
import { take } from '@/core/simulate/take';
import { useInHand, useSky } from '@/data/inHand';
import { usePreferences } from '@/data/preferences';
import type { Kit } from '@/data/situation';
import { demoSetups } from '@/demo/kit';
import { simulatedSeries, type SeriesKind } from './simulatedSeries';

const kit = { ratios: [], ...demoHeld() } as unknown as Kit;
const chosen = () => ({ ...useInHand.now(), ...usePreferences.getState() });
const series = (kind: SeriesKind, of = kit) => simulatedSeries(of, chosen(), kind, 5, useSky.now());
const ordersOf = (kind: SeriesKind) => {
  const made = series(kind);
  if (!made.ok) throw new Error(made.problem.message);
  return made.value.orders;
};

beforeEach(() => useInHand.now().chooseSetup(demoSetups.hide.id));

describe('several pictures of the simulated camera', () => {
  it('of a crop mode are the whole frame and its middle, pixel for pixel alike', () => {
    const [whole, crop] = ordersOf('mode') as [ReturnType<typeof ordersOf>[0], ReturnType<typeof ordersOf>[0]];
    expect(crop.order.columns).toBe(Math.round(whole.order.columns / 1.5));
    expect([crop.order.pitchUm, crop.order.thing?.pxPerMm]).toEqual([whole.order.pitchUm, whole.order.thing?.pxPerMm]);
    expect(crop.order.thing?.seed).toBe(whole.order.thing?.seed);
    expect(crop.truth).toContain('1.5 times: the same pixels');
  });
  it('of a zoom are as large, and the second is made larger by the camera', () => {
    const [whole, zoomed] = ordersOf('zoom');
    expect(zoomed!.order.columns).toBe(whole!.order.columns);
    expect(zoomed!.order.thing?.enlarged).toBe(1.5);
  });
  it('of two bodies show the thing larger by the pitch, each with its own pixels', () => {
    const [first, second] = ordersOf('bodies');
    expect(second!.exif.model).not.toBe(first!.exif.model);
    const larger = second!.order.thing!.pxPerMm / first!.order.thing!.pxPerMm;
    expect(larger).toBeCloseTo(first!.order.pitchUm / second!.order.pitchUm, 6);
    expect(second!.truth).toMatch(/µm against 4\.36 µm/);
    const alone = { ...kit, bodies: kit.bodies.filter(({ data }) => data.name === first!.exif.model) };
    const none = series('bodies', alone);
    expect(none.ok ? '' : none.problem.message).toContain('no other body');
  });
  it('of an even surface are two light and two dark, by one sensor, as DNG', () => {
    const orders = ordersOf('even');
    expect(orders.map(({ order }) => order.even?.exposure)).toEqual([0.5, 0.5, 0, 0]);
    expect(new Set(orders.map(({ order }) => order.even?.sensorSeed)).size).toBe(1);
    expect(new Set(orders.map(({ format }) => format))).toEqual(new Set(['dng']));
    const small = { ...orders[2]!.order, columns: 40, rows: 30 };
    expect(take(small).light).toHaveLength(1200);
  });
  it('by hand move the farther the longer they are exposed', () => {
    const orders = ordersOf('shaken');
    expect(orders).toHaveLength(12);
    const moved = (exposureS: number) =>
      orders.filter(({ exif }) => exif.exposureS === exposureS).map(({ order }) => order.thing!.shakenPx);
    expect(Math.max(...moved(1 / 250))).toBeLessThan(1);
    expect(Math.min(...moved(1 / 30))).toBeGreaterThan(1);
  });
  it('say what is missing', () => {
    const none = series('mode', { ...kit, setups: [] });
    expect(none.ok ? '' : none.problem.message).toContain('no set-up in hand');
  });
});
