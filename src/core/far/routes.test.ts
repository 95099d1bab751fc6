import { demoAdapters, demoBodies, demoOptics, demoSubjects, demoOutputs } from '@/demo/kit';
import { isFactor, type FactorPart, type OpticPart, type Part } from '../chain/parts';
import { fairTest, fairTestCard } from './fairTest';
import { rankRoutes, routesTo, type RouteWish, type RoutesInput } from './routes';
import { sideBySide } from './sideBySide';

const shelf = <T>(parts: T[]) => parts.map((part) => ({ part, wished: false }));
const adapters = Object.values(demoAdapters).map((row) => row.data as Part);
const input = (change: Partial<RoutesInput> = {}): RoutesInput => ({
  bodies: shelf(Object.values(demoBodies).map((row) => row.data)),
  optics: shelf(Object.values(demoOptics).map((row) => row.data as OpticPart)),
  factors: shelf(adapters.filter((part): part is FactorPart => isFactor(part))),
  afocal: demoAdapters.afocal.data as Part,
  mountAdapters: adapters.filter(
    (part): part is Extract<Part, { kind: 'mountAdapter' }> => part.kind === 'mountAdapter',
  ),
  subject: demoSubjects.curlew.data,
  distanceM: 60,
  target: { kind: 'pixels', pixels: 300 },
  judgeBy: 'resolved',
  convention: 'usual',
  ...change,
});
const names = (change: Partial<RoutesInput> = {}) =>
  routesTo(input(change)).map((route) => [route.body.name, ...route.parts.map((part) => part.name)].join(' + '));

describe('routes to the same reach', () => {
  it('are all chains that mount and get there: lens, converter, adapter, scope, telescope, mirror', () => {
    const found = names();
    expect(found).toEqual(
      expect.arrayContaining([
        'Ostrel R45 + Ostrel 600 f/5.6',
        'Ostrel R45 + Ostrel 600 f/5.6 + Ostrel ×1.4',
        'Quillon C26 + Quillon 150–600 f/5–6.3',
        'Merrow T20 + Merrow 300 f/4',
        'Ostrel R45 + Merrow mirror 500 f/8 + SLR onto Ostrel R',
        'Ostrel R45 + Quillon 80 refractor + Drawtube onto Ostrel R',
      ]),
    );
    expect(found.some((name) => name.includes('100 f/2.8 macro'))).toBe(false);
    expect(found.some((name) => name.startsWith('Quillon C26 + Ostrel'))).toBe(false);
    expect(names({ target: { kind: 'pixels', pixels: 100 } })).toContain(
      'Merrow pocket phone + Merrow 65 spotting scope + Phone clamp for eyepieces + Merrow pocket main lens',
    );
  });
  it('say what each gives up', () => {
    const routes = routesTo(input());
    const of = (name: string) => routes.find((route) => route.parts.some((part) => part.name === name))!.givesUp;
    expect(of('Merrow mirror 500 f/8')).toEqual(
      expect.arrayContaining(['no autofocus', 'one fixed aperture', 'ring-shaped blur']),
    );
    expect(of('Quillon 80 refractor')).toEqual(expect.arrayContaining(['focused by hand, on a mount']));
  });
  it('really get there, and come in the order asked for', () => {
    const routes = routesTo(input({ target: { kind: 'pixels', pixels: 700 } }));
    expect(routes.every((route) => route.counted >= 700)).toBe(true);
    const rising = (wish: RouteWish, value: (index: number, ranked: typeof routes) => number) => {
      const ranked = rankRoutes(routes, wish);
      for (let i = 1; i < ranked.length; i++) expect(value(i, ranked)).toBeGreaterThanOrEqual(value(i - 1, ranked));
    };
    rising('weight', (i, ranked) => ranked[i]!.weightG ?? Infinity);
    rising('price', (i, ranked) => ranked[i]!.price ?? Infinity);
    rising('light', (i, ranked) => -ranked[i]!.system.entrancePupilMm.value);
    rising('detail', (i, ranked) => -ranked[i]!.counted);
  });
  it('can be sought by an equivalent lens instead', () => {
    const found = routesTo(input({ target: { kind: 'equivalent', focalMm: 800, fNumber: 8 } }));
    expect(found.length).toBeGreaterThan(0);
    for (const route of found) {
      expect(route.system.equivalentFocalMm.value).toBeGreaterThan(780);
      expect(route.system.equivalentFNumber.value).toBeLessThan(8.2);
    }
  });
  it('count what is still to buy, and leave out what cannot focus there', () => {
    const wished = input({ bodies: [{ part: demoBodies.quillon.data, wished: true }] });
    expect(routesTo(wished)[0]!.stillToBuy).toBe(1350);
    expect(names({ distanceM: 3 })).not.toContain('Ostrel R45 + Ostrel 600 f/5.6');
    expect(names({ target: { kind: 'pixels', pixels: 1e6 } })).toEqual([]);
  });
});

it('a fair test names what must be equal, with matched apertures, distances and filters', () => {
  const { compared } = sideBySide({
    contenders: [
      {
        id: 'a',
        name: 'Marsh hide',
        setup: { body: demoBodies.ostrel.data, modeId: 'whole', chain: [demoOptics.tele600.data] },
      },
      {
        id: 'b',
        name: 'Light bag',
        setup: { body: demoBodies.merrow.data, modeId: 'whole', chain: [demoOptics.tele300.data] },
      },
    ],
    stance: 'sameFraming',
    subject: demoSubjects.curlew.data,
    distanceM: 60,
    output: demoOutputs.web.data,
    judgeBy: 'resolved',
    convention: 'usual',
  });
  const [a, b] = compared;
  const points = fairTest(a!, b!);
  expect(points.map((point) => point.what)).toEqual([
    'Framing',
    'Aperture',
    'Exposure',
    'Focus',
    'Pixels',
    'Filter',
    'Zoom position',
    'Light',
    'Support',
  ]);
  // f/4 on the small sensor acts like f/8 on the large one: both are stopped to that.
  expect(points[1]!.how).toMatch(/Marsh hide at f\/8, Light bag at f\/4/);
  expect(points[5]!.how).toMatch(/Marsh hide has no anti-aliasing filter, Light bag a weak one/);
  expect(fairTestCard(a!, b!, points)).toMatch(/^# Fair test: Marsh hide against Light bag\n\n- \[ \] \*\*Framing/);
});
