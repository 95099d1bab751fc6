import { Constellation } from 'astronomy-engine';
import { DEEP_KIND_NAMES, DEEP_OBJECTS } from './catalogue';
import { SITES } from './sites';

/** Where each object is to be looked for, by the bounds of 1930. */
const CONSTELLATIONS: Record<string, string[]> = {
  And: ['M 31', 'NGC 891'],
  Aqr: ['M 2', 'NGC 7293'],
  Aur: ['M 37', 'IC 405'],
  Car: ['NGC 3372'],
  Cas: ['IC 1805', 'IC 1848'],
  Cen: ['NGC 5139'],
  Cep: ['IC 1396'],
  Cnc: ['M 44'],
  Com: ['M 64', 'NGC 4565'],
  CVn: ['M 3', 'M 51', 'M 63', 'M 106'],
  Cyg: ['NGC 6960', 'NGC 6992', 'NGC 7000', 'IC 5070'],
  Dor: ['NGC 2070'],
  Gem: ['M 35'],
  Her: ['M 13'],
  Hya: ['M 83'],
  Leo: ['M 65', 'M 66'],
  Lyr: ['M 57'],
  Mon: ['NGC 2237'],
  Ori: ['M 42', 'M 78', 'NGC 2024', 'IC 434'],
  Peg: ['M 15'],
  Per: ['NGC 869'],
  Scl: ['NGC 253'],
  Sco: ['M 4', 'M 6', 'M 7'],
  Sct: ['M 11'],
  Ser: ['M 5', 'M 16'],
  Sgr: ['M 8', 'M 17', 'M 20', 'M 22'],
  Tau: ['M 1', 'M 45'],
  Tri: ['M 33'],
  Tuc: ['NGC 104'],
  UMa: ['M 81', 'M 82', 'M 97', 'M 101'],
  Vir: ['M 104'],
  Vul: ['M 27'],
};

it('every object stands in its constellation', () => {
  const found: Record<string, string[]> = {};
  for (const { id, raHours, declinationDeg } of DEEP_OBJECTS) {
    const { symbol } = Constellation(raHours, declinationDeg);
    (found[symbol] ??= []).push(id);
  }
  const sorted = (lists: Record<string, string[]>) =>
    Object.fromEntries(Object.entries(lists).map(([name, ids]) => [name, [...ids].sort()]));
  expect(sorted(found)).toEqual(sorted(CONSTELLATIONS));
});

it('objects are named, no wider than long, and their directions lie within half a turn', () => {
  for (const { name, kind, lengthArcmin, widthArcmin, positionAngleDeg = 0 } of DEEP_OBJECTS) {
    expect(name).not.toBe('');
    expect(DEEP_KIND_NAMES[kind]).toMatch(/^[a-z ]+$/);
    expect(widthArcmin).toBeGreaterThan(0);
    expect(widthArcmin).toBeLessThanOrEqual(lengthArcmin);
    expect(positionAngleDeg).toBeGreaterThanOrEqual(0);
    expect(positionAngleDeg).toBeLessThan(180);
  }
  const whole = DEEP_OBJECTS.find(({ id }) => id === 'M 13');
  expect(whole).toEqual({
    id: 'M 13',
    name: 'M 13',
    kind: 'globular',
    raHours: 16 + 41.7 / 60,
    declinationDeg: 36 + 28 / 60,
    lengthArcmin: 20,
    widthArcmin: 20,
  });
  expect(DEEP_OBJECTS.find(({ id }) => id === 'NGC 869')).toMatchObject({
    name: 'NGC 869 and 884',
    widthArcmin: 30,
    positionAngleDeg: 90,
  });
});

it('places lie on their side of the equator and of Greenwich', () => {
  const south = SITES.filter(({ latitudeDeg }) => latitudeDeg < 0).map(({ name }) => name);
  expect(south.sort()).toEqual(
    ['Antofagasta', 'Cape Town', 'Christchurch', 'Lima', 'Nairobi', 'Perth', 'Sydney', 'São Paulo', 'Windhoek'].sort(),
  );
  // Zones of the Americas, of Hawaii, and of Europe's west.
  const west = SITES.filter(({ longitudeDeg }) => longitudeDeg < 0);
  const byZone = SITES.filter(({ zone }) => /^America\/|Honolulu|Reykjavik|London|Lisbon|Canary/.test(zone));
  expect(west).toEqual(byZone);
  expect(SITES.every(({ heightM }) => heightM > 0)).toBe(true);
});
