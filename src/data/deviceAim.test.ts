import { declinationDeg, takeAim } from './deviceAim';

const site = { name: 'Marsh', latitudeDeg: 51.48, longitudeDeg: 0, heightM: 0, zone: 'Europe/London' };
type Heard = (event: object) => void;
let heard: Map<string, Heard>;
const globals = globalThis as { DeviceOrientationEvent?: unknown };

beforeEach(() => {
  heard = new Map();
  Object.assign(window, {
    addEventListener: (name: string, hear: Heard) => heard.set(name, hear),
    removeEventListener: (name: string) => heard.delete(name),
  });
  globals.DeviceOrientationEvent = {};
  jest.useFakeTimers();
});
afterEach(() => {
  jest.useRealTimers();
  delete globals.DeviceOrientationEvent;
});

/** Asks, has the device tell something, and waits for the end of listening. */
async function taken(events: [name: string, event: object][], later: typeof site | null = null) {
  let at: typeof site | null = null;
  const asked = takeAim(() => at);
  for (let i = 0; i < 5; i++) await Promise.resolve();
  for (const [name, event] of events) heard.get(name)?.(event);
  // The place may come while the device is listened to, as the demo's does at a first start.
  at = later;
  jest.advanceTimersByTime(2000);
  jest.useRealTimers();
  return asked;
}

it('is told by the device’s turn against north', async () => {
  const aim = await taken([
    ['deviceorientationabsolute', { alpha: 180, beta: 120, gamma: 0, absolute: true }],
    ['deviceorientationabsolute', { alpha: 180, beta: 122, gamma: 0, absolute: true }],
  ]);
  expect(aim).toMatchObject({ declinationDeg: null });
  expect(aim!.azimuthDeg).toBeCloseTo(180, 6);
  expect(aim!.altitudeDeg).toBeCloseTo(31, 6);
  expect(aim!.spreadDeg).toBeCloseTo(1, 6);
  expect(heard.size).toBe(0);
});

it('is told by a compass of its own where the browser has one', async () => {
  const aim = await taken([
    ['deviceorientation', { alpha: 12, beta: 90, gamma: 0, absolute: false, webkitCompassHeading: 271 }],
  ]);
  expect(aim).toMatchObject({ azimuthDeg: 271 });
});

it('is none without north, without an answer, and when the person refuses', async () => {
  expect(await taken([['deviceorientation', { alpha: 12, beta: 90, gamma: 0, absolute: false }]])).toBeNull();
  jest.useFakeTimers();
  expect(await taken([['deviceorientation', { alpha: null, beta: null, gamma: null, absolute: true }]])).toBeNull();
  globals.DeviceOrientationEvent = { requestPermission: () => Promise.resolve('denied') };
  expect(await takeAim(() => null)).toBeNull();
  globals.DeviceOrientationEvent = { requestPermission: () => Promise.reject(new Error('no key was pressed')) };
  expect(await takeAim(() => null)).toBeNull();
  delete globals.DeviceOrientationEvent;
  expect(await takeAim(() => null)).toBeNull();
});

it('counts from true north where the place is known', async () => {
  const aim = await taken([['deviceorientationabsolute', { alpha: 0, beta: 90, gamma: 0, absolute: true }]], site);
  const declination = await declinationDeg(site, Date.now());
  expect(aim!.declinationDeg).toBeCloseTo(declination, 3);
  expect(aim!.azimuthDeg).toBeCloseTo((declination + 360) % 360, 3);
});

it('knows the compass’s error: some of the World Magnetic Model’s own test values (WMM2025, 2025.0)', async () => {
  const at = (latitudeDeg: number, longitudeDeg: number) => ({ ...site, latitudeDeg, longitudeDeg });
  const start = Date.UTC(2025, 0, 1);
  // Declination at sea level, degrees, from the table published with the model.
  for (const [latitude, longitude, wanted] of [
    [80, 0, 1.28],
    [0, 120, -0.16],
    [-80, 240, 68.78],
  ] as const)
    expect(await declinationDeg(at(latitude, longitude), start)).toBeCloseTo(wanted, 1);
});
