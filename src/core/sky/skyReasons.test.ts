import { demoBodies, demoOptics } from '@/demo/kit';
import { foldSystem } from '../optics/foldSystem';
import type { Quantity } from '../quantity/quantity';
import { planCapture, type CaptureInput } from './capture';
import { captureQuantities } from './captureQuantities';
import { DEEP_OBJECTS } from './catalogue';
import { ofDate } from './ephemeris';
import { bestWindow, nightAt } from './night';
import { nightQuantities } from './nightQuantities';
import { readDeep } from './readDeep';

const isQuantity = (value: unknown): value is Quantity => typeof value === 'object' && value !== null && 'why' in value;

/** Every number on the screen can say why it is what it is, down to what was put in. */
function expectReasons(quantity: Quantity, depth = 0): void {
  expect(Number.isFinite(quantity.value)).toBe(true);
  expect(quantity.why.name).not.toBe('');
  expect(quantity.why.source).not.toBe('');
  if (depth < 4) for (const each of quantity.why.inputs) expectReasons(each.quantity, depth + 1);
}

const system = (() => {
  const folded = foldSystem({ body: demoBodies.ostrel.data, modeId: 'whole', chain: [demoOptics.tele600.data] });
  if (!folded.ok) throw new Error(folded.problem.message);
  return folded.value;
})();
const m31 = DEEP_OBJECTS[0]!;

describe('an object of the deep sky', () => {
  const read = (change: object = {}) =>
    readDeep({
      system,
      object: m31,
      rollDeg: 0,
      overlap: 0.2,
      seeingArcsec: 3,
      tolerancePx: 4,
      mountArcsecPerMin: 6,
      ...change,
    });
  it('is read against the field, the air and the clock', () => {
    const reading = read();
    // 36 and 24 mm behind 600 mm, by the tangent of half the angle.
    expect(reading.fieldWidthDeg.value).toBeCloseTo((2 * Math.atan(18 / 600) * 180) / Math.PI, 9);
    expect(reading.fieldHeightDeg.value).toBeCloseTo((2 * Math.atan(12 / 600) * 180) / Math.PI, 9);
    expect(reading.lengthPx.value).toBeCloseTo((178 * 60) / reading.pixelScaleArcsec.value, 6);
    expect(reading.fillPercent.plusMinus! / reading.fillPercent.value).toBeCloseTo(0.2, 9);
    expect(reading.unguidedS.value).toBeCloseTo((4 * reading.pixelScaleArcsec.value * 60) / 6, 9);
    expect(reading.stand).toBe('right');
    expect(read({ seeingArcsec: 8 }).stand).toBe('fine');
  });

  it('may stay longer on a tripod the farther it stands from the equator of the sky', () => {
    const at = (id: string) => read({ object: DEEP_OBJECTS.find((each) => each.id === id)! }).tripodS.value;
    expect(at('M 81')).toBeGreaterThan(at('M 31'));
    expect(at('M 31')).toBeGreaterThan(at('M 42'));
  });

  it('gives reasons', () => {
    for (const value of Object.values(read())) if (isQuantity(value)) expectReasons(value);
  });
});

it('a recording gives reasons, and says when the read-out is not known', () => {
  const order: CaptureInput = {
    body: demoBodies.planetCamera.data,
    discPx: 130,
    margin: 1.4,
    exposureS: 0.001,
    linkMbPerS: 350,
    durationS: 80,
    bits: 8,
    cardGb: 64,
  };
  const known = captureQuantities(order, planCapture(order));
  Object.values(known).forEach((quantity) => expectReasons(quantity as Quantity));
  expect(known.framesPerSecond.why.inputs.map((each) => each.symbol)).toEqual(['t', 'link', 'frame', 'read-out']);
  expect(known.framesPerSecond.value).toBe(460);
  expect(known.fileGb.value).toBeCloseTo((178 + known.frames.value * (320 * 240 + 8)) / 1e9, 12);
  const blind: CaptureInput = { ...order, body: demoBodies.ostrel.data };
  const unknown = captureQuantities(blind, planCapture(blind));
  expect(unknown.framesPerSecond.why.neglects).toMatch(/not entered/);
  expect(unknown.framesPerSecond.why.inputs).toHaveLength(3);
});

it('a night gives reasons, with and without a window', () => {
  const site = { latitudeDeg: 28.7, longitudeDeg: -17.9, heightM: 700 };
  const night = nightAt(site, Date.parse('2026-11-10T12:00:00Z'));
  const best = bestWindow(ofDate(m31.raHours, m31.declinationDeg, night.fromMs), site, night);
  const numbers = nightQuantities(night, best, 'M 31');
  Object.values(numbers).forEach((quantity) => expectReasons(quantity as Quantity));
  // High over the island: 90° − (41.4° − 28.7°).
  expect(numbers.highest!.value).toBeCloseTo(77.3, 0);
  expect(numbers.darkHours.value).toBeGreaterThan(10);
  expect(nightQuantities(night, null, 'M 31').highest).toBeUndefined();
});

it('a bright Moon nearby is avoided where half an hour without it can be had', () => {
  const site = { latitudeDeg: 28.7, longitudeDeg: -17.9, heightM: 700 };
  // Full Moon in Taurus on 2026-11-24: the Pleiades drown in it, the Andromeda galaxy stands farther off.
  const night = nightAt(site, Date.parse('2026-11-24T12:00:00Z'));
  const window = (id: string) => {
    const object = DEEP_OBJECTS.find((each) => each.id === id)!;
    return bestWindow(ofDate(object.raHours, object.declinationDeg, night.fromMs), site, night)!;
  };
  expect(night.moonLitShare).toBeGreaterThan(0.97);
  expect(window('M 45').moonDisturbs).toBe(true);
  expect(window('M 45').moonFromDeg).toBeLessThan(15);
  // On the other side of the sky it does not matter.
  expect(window('M 81').moonFromDeg).toBeGreaterThan(60);
  expect(window('M 81').moonDisturbs).toBe(false);
});
