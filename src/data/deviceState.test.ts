import { waitFor } from '@testing-library/react-native';
import { discard, useOutbox } from './outbox';
import { readEntries } from './outbox/device';
import { useFarOptions } from './farOptions';
import { EMPTY_HAND } from './hand';
import { useHands, useInHand, useSky } from './inHand';
import { usePreferences } from './preferences';

const store = (name: string, state: unknown) =>
  localStorage.setItem(name, typeof state === 'string' ? state : JSON.stringify({ state, version: 1 }));
const settled = () => new Promise((resolve) => setTimeout(resolve, 30));
const aside = async () =>
  (await readEntries()).odd.map((each) => (each.value as { value: { from: string; value: unknown } }).value);
const start = [useHands.getState(), usePreferences.getState(), useFarOptions.getState()] as const;

afterEach(async () => {
  for (const { key } of (await readEntries()).odd) await discard(key);
  useHands.setState(start[0], true);
  usePreferences.setState(start[1], true);
  useFarOptions.setState(start[2], true);
  localStorage.clear();
});

it('takes what fits, and puts what does not where the person finds it', async () => {
  store('jauge.preferences', { units: 'imperial', look: 'pink', theirs: 1 });
  store('jauge.hands', {
    place: 'near',
    hands: {
      near: {
        distanceM: 'far',
        setupId: 'a',
        chain: [{ type: 'wing' }],
        trials: { mode: { leverId: 'x', patch: { modeId: 7 } } },
      },
      moon: { setupId: 'b' },
    },
  });
  await usePreferences.persist.rehydrate();
  await useHands.persist.rehydrate();
  expect(usePreferences.getState()).toMatchObject({ units: 'imperial', look: 'day' });
  expect(useInHand.now('near')).toMatchObject({ ...EMPTY_HAND, setupId: 'a' });
  expect(useHands.getState().place).toBe('near');
  await waitFor(
    async () =>
      expect(await aside()).toEqual(
        expect.arrayContaining([
          { from: 'jauge.preferences', value: { look: 'pink', theirs: 1 } },
          {
            from: 'jauge.hands',
            value: {
              hands: {
                near: { distanceM: 'far', chain: [{ type: 'wing' }], trials: expect.anything() as unknown },
                moon: { setupId: 'b' },
              },
            },
          },
        ]),
      ),
    { timeout: 20_000 },
  );
});

it('takes a whole state that fits as it was', async () => {
  const hand = {
    ...EMPTY_HAND,
    distanceM: 12,
    trials: {
      distance: { leverId: 'distance', patch: { distanceM: 9 } },
      chain: { leverId: 'c', patch: { chain: [{ type: 'optic' as const, id: 'o' }] } },
    },
  };
  const site = { name: 'Here', latitudeDeg: 52, longitudeDeg: 5, heightM: 3, zone: 'Europe/Amsterdam' };
  const sky = { ...useHands.getState().sky, planet: 'Mars', site };
  store('jauge.hands', JSON.parse(JSON.stringify({ ...useHands.getState(), hands: { far: hand }, sky })));
  await useHands.persist.rehydrate();
  expect(useInHand.now('far')).toMatchObject(hand);
  expect(useSky.now()).toMatchObject({ planet: 'Mars', site });
  store('jauge.farOptions', {
    background: { kind: 'distance', distanceM: 80 },
    speedMPerS: 4,
    compareIds: ['a'],
    stance: 'samePicture',
  });
  await useFarOptions.persist.rehydrate();
  expect(useFarOptions.getState()).toMatchObject({
    background: { kind: 'distance', distanceM: 80 },
    stance: 'samePicture',
  });
  await settled();
  expect(await aside()).toEqual([]);
});

it('takes what fits of a state that another version wrote', async () => {
  const state = { place: 'deep', hands: { deep: { distanceM: 9 } } };
  localStorage.setItem('jauge.hands', JSON.stringify({ state, version: 7 }));
  await useHands.persist.rehydrate();
  expect(useInHand.now('deep')).toMatchObject({ distanceM: 9, setupId: null });
});

describe('what was in hand for all places before', () => {
  const before = { units: 'imperial', look: 'night', setupId: 's', subjectId: 'b', distanceM: 9, modeId: 'c15' };

  it('goes to Far, and preferences and the Sky stay', async () => {
    store('jauge.inHand', { ...before, converterIds: ['c'], trials: {} });
    store('jauge.sky', { planet: 'Mars', tried: null });
    await useHands.persist.rehydrate();
    await usePreferences.persist.rehydrate();
    expect(useInHand.now('far')).toMatchObject({ setupId: 's', subjectId: 'b', distanceM: 9, modeId: 'c15' });
    expect(useHands.getState().hands.near).toBeUndefined();
    expect(usePreferences.getState()).toMatchObject({ units: 'imperial', look: 'night' });
    expect(useSky.now().planet).toBe('Mars');
    await settled();
    expect(await aside()).toEqual([]);
  });

  it('goes to Near as well where something was set close up', async () => {
    store('jauge.inHand', { ...before, nearRatio: 0.8, nearFNumber: 8 });
    await useHands.persist.rehydrate();
    expect(useInHand.now('near')).toMatchObject({ setupId: 's', distanceM: null, nearRatio: 0.8, nearFNumber: 8 });
    expect(useInHand.now('far')).toMatchObject({ nearRatio: null, nearFNumber: null });
  });

  it('does not come back over what is newer', async () => {
    store('jauge.inHand', before);
    store('jauge.hands', { place: 'far', hands: { far: { setupId: 'new' } } });
    await useHands.persist.rehydrate();
    expect(useInHand.now('far')).toMatchObject({ setupId: 'new', distanceM: null });
  });
});

it.each([
  ['half a text', '{"state":{"units"'],
  ['no object', '7'],
  ['a state that is none', '{"state":[1],"version":1}'],
])('starts afresh on %s, which is kept', async (_, text) => {
  store('jauge.hands', text);
  await useHands.persist.rehydrate();
  expect(useInHand.now()).toMatchObject({ ...EMPTY_HAND });
  await waitFor(async () => expect(await aside()).toHaveLength(1), { timeout: 20_000 });
  expect(useOutbox.getState().waiting).toEqual([]);
});

it.each([
  [
    'a zone that is none',
    { site: { name: 'X', latitudeDeg: 1, longitudeDeg: 1, heightM: 0, zone: 'Mars/Base' } },
    { site: null },
  ],
  ['a day that is none', { day: '2026-99-99' }, { day: null }],
  ['another planet', { planet: 'Vulcan' }, { planet: 'Jupiter' }],
  ['a background without its number', { background: { kind: 'distance' } }, {}],
])('of the Sky desks refuses %s', async (_, odd, kept) => {
  store('jauge.hands', { sky: odd });
  await useHands.persist.rehydrate();
  expect(useSky.now()).toMatchObject(kept);
  await waitFor(async () => expect(await aside()).toHaveLength(1), { timeout: 20_000 });
});
