import { waitFor } from '@testing-library/react-native';
import { discard, useOutbox } from './outbox';
import { readEntries } from './outbox/device';
import { useFarOptions } from './farOptions';
import { useInHand } from './inHand';
import { useSky } from './sky';

const store = (name: string, state: unknown) =>
  localStorage.setItem(name, typeof state === 'string' ? state : JSON.stringify({ state, version: 1 }));
const settled = () => new Promise((resolve) => setTimeout(resolve, 30));
const aside = async () =>
  (await readEntries()).odd.map((each) => (each.value as { value: { from: string; value: unknown } }).value);
const start = [useInHand.getState(), useSky.getState(), useFarOptions.getState()] as const;

afterEach(async () => {
  for (const { key } of (await readEntries()).odd) await discard(key);
  useInHand.setState(start[0], true);
  useSky.setState(start[1], true);
  useFarOptions.setState(start[2], true);
  localStorage.clear();
});

it('takes what fits, and puts what does not where the person finds it', async () => {
  store('jauge.inHand', {
    units: 'imperial',
    look: 'pink',
    distanceM: 'far',
    setupId: 'a',
    chain: [{ type: 'wing' }],
    trials: { mode: { leverId: 'x', patch: { modeId: 7 } } },
    theirs: 1,
  });
  await useInHand.persist.rehydrate();
  expect(useInHand.getState()).toMatchObject({
    units: 'imperial',
    look: 'day',
    distanceM: null,
    setupId: 'a',
    chain: null,
    trials: {},
  });
  await waitFor(
    async () =>
      expect(await aside()).toEqual([
        {
          from: 'jauge.inHand',
          value: {
            look: 'pink',
            distanceM: 'far',
            chain: [{ type: 'wing' }],
            trials: expect.anything() as unknown,
            theirs: 1,
          },
        },
      ]),
    { timeout: 20_000 },
  );
});

it('takes a whole state that fits as it was', async () => {
  const state = {
    ...useInHand.getState(),
    distanceM: 12,
    trials: {
      distance: { leverId: 'distance', patch: { distanceM: 9 } },
      chain: { leverId: 'c', patch: { chain: [{ type: 'optic', id: 'o' }] } },
    },
  };
  store('jauge.inHand', JSON.parse(JSON.stringify(state)));
  await useInHand.persist.rehydrate();
  expect(useInHand.getState()).toMatchObject({ distanceM: 12, trials: state.trials });
  store(
    'jauge.sky',
    JSON.parse(
      JSON.stringify({
        ...useSky.getState(),
        planet: 'Mars',
        site: { name: 'Here', latitudeDeg: 52, longitudeDeg: 5, heightM: 3, zone: 'Europe/Amsterdam' },
      }),
    ),
  );
  await useSky.persist.rehydrate();
  expect(useSky.getState()).toMatchObject({ planet: 'Mars', site: { zone: 'Europe/Amsterdam' } });
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
  localStorage.setItem('jauge.inHand', JSON.stringify({ state: { units: 'imperial', distanceM: 9 }, version: 7 }));
  await useInHand.persist.rehydrate();
  expect(useInHand.getState()).toMatchObject({ units: 'imperial', distanceM: 9 });
});

it.each([
  ['half a text', '{"state":{"units"'],
  ['no object', '7'],
  ['a state that is none', '{"state":[1],"version":1}'],
])('starts afresh on %s, which is kept', async (_, text) => {
  store('jauge.inHand', text);
  await useInHand.persist.rehydrate();
  expect(useInHand.getState()).toMatchObject({ units: 'metric', distanceM: null });
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
  store('jauge.sky', odd);
  await useSky.persist.rehydrate();
  expect(useSky.getState()).toMatchObject(kept);
  await waitFor(async () => expect(await aside()).toHaveLength(1), { timeout: 20_000 });
});
