import * as fc from 'fast-check';
import { DEEP_KIND_NAMES, DEEP_OBJECTS, type DeepObject } from './catalogue';
import { COMMON_NAMES, commonName, findObjects } from './findObjects';

const ids = (sought: string) => findObjects(sought).map((each) => each.id);
const named = Object.entries(COMMON_NAMES);
const object = (id: string): DeepObject => {
  const found = DEEP_OBJECTS.find((each) => each.id === id);
  if (!found) throw new Error(`${id} is not in the catalogue`);
  return found;
};

it('finds objects by number however it is typed, by name and by kind', () => {
  expect(ids('m31')).toEqual(['M 31']);
  expect(ids(' M  1 ')[0]).toBe('M 1');
  expect(ids('m1')).toContain('M 16');
  expect(ids('ngc 70')).toEqual(['NGC 7000']);
  expect(ids('ANDROMEDA')).toEqual(['M 31']);
  expect(ids("bode's")).toEqual(['M 81']);
  expect(ids('Bode’s')).toEqual(['M 81']);
  expect(ids('veil').sort()).toEqual(['NGC 6960', 'NGC 6992']);
  expect(ids('planetary')).toEqual(expect.arrayContaining(['M 27', 'M 57', 'M 97', 'NGC 7293']));
  expect(ids('whirl galaxy')).toEqual(['M 51']);
  expect(ids('  galaxy   whirl ')).toEqual(['M 51']);
  expect(ids('nothing of the kind')).toEqual([]);
  expect(ids('whirl cluster')).toEqual([]);
  for (const nothing of ['', '   ']) expect(ids(nothing)).toHaveLength(DEEP_OBJECTS.length);
});

it('puts a number typed whole first, then those that begin with it, then names', () => {
  const begins = (start: string) => DEEP_OBJECTS.map(({ id }) => id).filter((id) => id.startsWith(start));
  const [first, ...others] = ids('M 1');
  expect(first).toBe('M 1');
  expect(others).toEqual(begins('M 1').filter((id) => id !== 'M 1'));
  expect(others.length).toBeGreaterThan(4);
  expect(ids('ngc 7')).toEqual(begins('NGC 7'));
  // “47” is in a name, and no number of the catalogue begins with it.
  expect(ids('47')).toEqual(['NGC 104']);
});

it('finds every object by its number, in any case and spacing', () => {
  fc.assert(
    fc.property(fc.constantFrom(...DEEP_OBJECTS), fc.constantFrom('', ' ', '  ', '\t'), (each, gap) => {
      expect(findObjects(each.id)[0]).toBe(each);
      expect(findObjects(each.id.replace(' ', gap).toLowerCase())[0]).toBe(each);
      expect(findObjects(gap + each.id.toUpperCase() + gap)[0]).toBe(each);
    }),
  );
});

it('gives every name to one object of the catalogue, which is found by it, the first of them most in use', () => {
  const all = named.flatMap(([, names]) => names);
  expect(new Set(all).size).toBe(all.length);
  for (const [id, names] of named) {
    expect(names.length).toBeGreaterThan(0);
    expect(commonName(object(id))).toBe(names[0]);
    for (const name of names) expect(ids(name)).toContain(id);
  }
  expect(commonName(object('M 3'))).toBeUndefined();
});

it('has as many objects with a name as people speak of', () => {
  expect(named).toHaveLength(44);
  expect(ids('swan')).toEqual(['M 17']);
  expect(ids('praesepe')).toEqual(['M 44']);
});

/** Names say what a thing is, and the catalogue does too, from another source. */
it('calls nothing a galaxy, a nebula or a cluster that is none', () => {
  const kinds: [RegExp, RegExp][] = [
    [/galaxy$/i, /galaxy/],
    [/nebula$/i, /nebula|remnant/],
    [/cluster$|pleiades|praesepe|tucanae|centauri/i, /cluster/],
    [/veil$/i, /remnant/],
  ];
  // A cluster lies in the cloud that the Eagle's name means, and another one in the Rosette: catalogues list either.
  const CLUSTERS_IN_CLOUDS = ['M 8', 'M 16', 'M 17', 'M 20', 'NGC 2237', 'NGC 2070', 'NGC 3372'];
  let looked = 0;
  for (const [id, names] of named)
    for (const name of names) {
      const rule = kinds.find(([pattern]) => pattern.test(name));
      if (!rule || CLUSTERS_IN_CLOUDS.includes(id)) continue;
      looked += 1;
      expect([name, DEEP_KIND_NAMES[object(id).kind]]).toEqual([name, expect.stringMatching(rule[1])]);
    }
  expect(looked).toBeGreaterThan(33);
});
