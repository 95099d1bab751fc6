import fc from 'fast-check';
import { exampleOf, faultIn, placesIn, withNumber, without } from '../../tests/support/leftOut';
import { DESKS } from './registry';

/** Readings that search whole kits take a hundred times as long as the others. */
const SLOW = new Set(['bag', 'outing', 'learned']);
const numberAt = (value: unknown, place: readonly (string | number)[]): unknown =>
  place.reduce<unknown>((held, key) => (held as Record<string | number, unknown>)[key], value);

describe.each(Object.entries(DESKS))('%s', (name, desk) => {
  const example = exampleOf(name);
  const places = placesIn(example);
  const anyPlace = fc.constantFrom(...places);
  const runs = { numRuns: SLOW.has(name) ? 3 : 25 };

  it('answers in numbers whatever optional fields are left out, one or two', () => {
    fc.assert(
      fc.property(anyPlace, fc.option(anyPlace), (one, two) =>
        expect(faultIn(desk, without(example, one, ...(two ? [two] : [])))).toBeNull(),
      ),
      runs,
    );
  });

  it('answers in numbers, or refuses, where a number is next to nothing or enormous', () => {
    const numbers = places.filter((place) => typeof numberAt(example, place) === 'number');
    fc.assert(
      fc.property(fc.constantFrom(...numbers), fc.constantFrom(1e-308, 1e-7, 0, 1e300), (place, number) =>
        expect(faultIn(desk, withNumber(example, place, number))).toBeNull(),
      ),
      runs,
    );
  });
});

describe('a scope whose closest focus is not known', () => {
  const far = exampleOf('far') as object;
  const scope = {
    kind: 'scope',
    name: 'Merrow scope',
    objectiveMm: 82,
    magnificationLow: 25,
    magnificationHigh: 60,
    magnificationSet: 30,
    detailClass: 'good',
  };
  const lens = {
    kind: 'lens',
    name: 'Phone',
    focalWideMm: 7,
    focalTeleMm: 7,
    fNumberWide: 1.8,
    fNumberTele: 1.8,
    detailClass: 'good',
  };
  const at = (distanceM: number) => ({ ...far, chain: [scope, { kind: 'afocal', name: 'Clamp' }, lens], distanceM });

  it('takes pictures from what is usual for its class on, and says from where when it does not', () => {
    const there = DESKS.far.read(at(30) as never) as { ok: boolean; value: { problem?: unknown; system: object } };
    expect(there).toMatchObject({ ok: true, value: { system: { closestFocusM: { kind: 'given' } } } });
    expect(there.value.problem).toBeUndefined();
    for (const distanceM of [0.5, 2, 30, 3000]) expect(faultIn(DESKS.far, at(distanceM))).toBeNull();
  });
});
