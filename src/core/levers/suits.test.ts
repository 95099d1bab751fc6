import { demoBodies, demoOptics, demoOutputs, demoSetups, demoSubjects } from '@/demo/kit';
import type { BodySpec } from '../kit/body';
import type { Part } from '../chain/parts';
import { suitedSetup, suitedSubject, type Offered } from './suits';

const body: BodySpec = {
  name: 'Body',
  sensor: { widthMm: 24, heightMm: 16, columns: 6000, rows: 4000 },
  antiAliasFilter: 'none',
  cropModes: [],
};
const lens = (focalMm: number, change: object = {}): Part => ({
  kind: 'lens',
  name: `${focalMm}`,
  focalWideMm: focalMm,
  focalTeleMm: focalMm,
  fNumberWide: 4,
  fNumberTele: 4,
  closestFocusM: (focalMm / 1000) * 8,
  closestRatio: 0.15,
  detailClass: 'good',
  autofocus: true,
  ...change,
});
const offer = (id: string, ...chain: Part[]): Offered => ({ id, setup: { body, modeId: 'whole', chain } });
const tubes: Part = { kind: 'tubes', name: 'Tubes', lengthsMm: [30], autofocus: true };
const kit: Offered[] = [
  offer('wide', lens(14)),
  offer('macro', lens(90, { closestFocusM: 0.3, closestRatio: 1 })),
  offer('more', lens(90, { closestFocusM: 0.3, closestRatio: 1 }), tubes),
  offer('long', lens(500)),
  offer('longer', lens(800)),
  offer('none'),
];
const subject = { name: 'Bird', kind: 'wader' as const, sizeMm: 400, distanceM: 30 };
const output = demoOutputs.web.data;

it('opens every place with what suits it', () => {
  expect(suitedSetup({ place: 'near' }, kit)).toBe('more');
  expect(suitedSetup({ place: 'stars' }, kit)).toBe('wide');
  expect(suitedSetup({ place: 'planets' }, kit)).toBe('longer');
  expect(suitedSetup({ place: 'far', subject, distanceM: 30, output }, kit)).toBe('longer');
  // At 7 m the 800 mm lens draws 1 : 6.6, a picture of 61 mm on 24; the 500 mm lens 33 mm; the macro lens 5; with its tubes it does not focus there.
  expect(suitedSetup({ place: 'far', subject, distanceM: 7, output }, kit)).toBe('macro');
});

it('frames an object of the sky with some room, and leaves out as little as may be of a larger one', () => {
  // Long sides: 14 mm 81°, 90 mm 15.2°, 500 mm 2.75°, 800 mm 1.72°.
  const deep = (lengthArcmin: number) => suitedSetup({ place: 'deep', object: { lengthArcmin } }, kit);
  expect(deep(60)).toBe('longer');
  expect(deep(90)).toBe('long');
  expect(deep(180)).toBe('macro');
  expect(suitedSetup({ place: 'deep', object: { lengthArcmin: 180 } }, kit.slice(3))).toBe('long');
});

it('takes none where none can serve', () => {
  expect(suitedSetup({ place: 'near' }, [offer('none')])).toBeNull();
  expect(suitedSetup({ place: 'stars' }, [kit[2]!])).toBeNull();
  expect(suitedSetup({ place: 'planets' }, [])).toBeNull();
});

it('takes the smallest subject close up, else the first', () => {
  const subjects = [
    { id: 'bird', sizeMm: 400 },
    { id: 'beetle', sizeMm: 14 },
    { id: 'moth', sizeMm: 40 },
  ];
  expect([suitedSubject('near', subjects), suitedSubject('far', subjects)]).toEqual(['beetle', 'bird']);
  expect(suitedSubject('near', [])).toBeNull();
});

it('gives the demo kit what its owner would take', () => {
  const chains: Record<string, Part[]> = {
    hide: [demoOptics.tele600.data],
    darkSky: [demoOptics.wide20.data],
    planetNight: [demoOptics.reflector.data],
  };
  const bodies = { hide: demoBodies.ostrel, darkSky: demoBodies.ostrel, planetNight: demoBodies.planetCamera };
  const demo = (Object.keys(bodies) as (keyof typeof bodies)[]).map((key): Offered => ({
    id: demoSetups[key].id,
    setup: { body: bodies[key].data, modeId: 'whole', chain: chains[key]! },
  }));
  const curlew = demoSubjects.curlew.data;
  expect(suitedSetup({ place: 'far', subject: curlew, distanceM: 60, output }, demo)).toBe(demoSetups.hide.id);
  expect(suitedSetup({ place: 'stars' }, demo)).toBe(demoSetups.darkSky.id);
  expect(suitedSetup({ place: 'planets' }, demo)).toBe(demoSetups.planetNight.id);
});
