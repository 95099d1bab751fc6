import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSetups, demoSubjects } from '@/demo/kit';
import { situationOf, systemInputOf, type Chosen, type Kit } from './situation';
import { candidatesAround } from '@/core/levers/candidates';
import { EMPTY_HAND } from './hand';
import { useInHand } from './inHand';

const stored = <T>(rows: Record<string, { id: string; data: T }>) =>
  Object.values(rows).map((row) => ({ ...row, version: 1, createdAt: '', updatedAt: '' }));
const kit: Kit = {
  bodies: stored(demoBodies),
  optics: stored(demoOptics),
  adapters: stored(demoAdapters),
  setups: stored(demoSetups),
  subjects: stored(demoSubjects),
  outputs: stored(demoOutputs as Record<string, { id: string; data: Kit['outputs'][number]['data'] }>),
  ratios: [],
};
const chosen: Chosen = { ...EMPTY_HAND, cropConvention: 'usual', judgeBy: 'resolved' };

function ready(change: Partial<Chosen> = {}, leaveOut?: Parameters<typeof situationOf>[2]) {
  const situation = situationOf(kit, { ...chosen, ...change }, leaveOut);
  if (typeof situation === 'string') throw new Error(situation);
  return situation;
}

it('starts with the first of everything, as stored', () => {
  expect(ready()).toMatchObject({
    distanceM: 60,
    setup: { modeId: 'whole' },
    setupRow: { data: { name: 'Marsh hide' } },
    subject: { name: 'Curlew' },
  });
});

it('names what is missing', () => {
  expect(situationOf({ ...kit, setups: [] }, chosen)).toBe('setup');
  expect(situationOf({ ...kit, subjects: [] }, chosen)).toBe('subject');
  expect(situationOf({ ...kit, outputs: [] }, chosen)).toBe('output');
  expect(situationOf({ ...kit, optics: [] }, chosen)).toBe('parts');
});

it('lays trials over what is chosen, and leaves out those asked for', () => {
  const trials = {
    distance: { leverId: 'd', patch: { distanceM: 40 } },
    mode: { leverId: 'm', patch: { modeId: 'c15' } },
  };
  expect(ready({ trials })).toMatchObject({ distanceM: 40, setup: { modeId: 'c15' } });
  expect(ready({ trials }, ['distance'])).toMatchObject({ distanceM: 60, setup: { modeId: 'c15' } });
  expect(ready({ trials }, 'all')).toMatchObject({ distanceM: 60, setup: { modeId: 'whole' } });
});

it('does not carry changes over to another set-up that is only tried', () => {
  const trials = { setup: { leverId: 's', patch: { setupId: demoSetups.dunes.id } } };
  expect(ready({ modeId: 'c15', trials }).setup).toMatchObject({ modeId: 'whole', focalMm: 400 });
});

it('offers only converters of the lens’s mount', () => {
  const offered = (change: Partial<Chosen> = {}) => {
    const { setup, kit: around } = ready(change);
    return candidatesAround(setup, around).filter((each) => each.part === 'converter').length;
  };
  expect(offered()).toBe(2);
  expect(offered({ setupId: demoSetups.lightBag.id })).toBe(0);
  // The macro lens takes none: their fronts would touch its rear element.
  expect(offered({ setupId: demoSetups.heath.id })).toBe(0);
});

it('falls back to the whole sensor when a mode is gone', () => {
  expect(systemInputOf({ ...demoSetups.hide.data, modeId: 'gone' }, kit)).toMatchObject({ modeId: 'whole' });
  expect(systemInputOf({ ...demoSetups.hide.data, chain: [{ type: 'optic', id: 'gone' }] }, kit)).toBeNull();
});

describe('what is in hand', () => {
  it('takes a lever back with a second tap, and adopts what is tried', () => {
    const { toggleTrial, adoptTrials, setDistanceM } = useInHand.now();
    const trial = { leverId: 'distance', patch: { distanceM: 44 } };
    toggleTrial('distance', trial);
    expect(useInHand.now().trials.distance).toEqual(trial);
    toggleTrial('distance', trial);
    expect(useInHand.now().trials).toEqual({});
    toggleTrial('distance', trial);
    toggleTrial('mode', { leverId: 'mode:c15', patch: { modeId: 'c15' } });
    adoptTrials();
    expect(useInHand.now()).toMatchObject({ trials: {}, distanceM: 44, modeId: 'c15' });
    toggleTrial('distance', trial);
    setDistanceM(50);
    expect(useInHand.now()).toMatchObject({ trials: {}, distanceM: 50 });
  });

  it('drops what belonged to the set-up when another one is taken', () => {
    useInHand.now().setFocalMm(300);
    useInHand.now().chooseSetup(demoSetups.dunes.id);
    expect(useInHand.now()).toMatchObject({ focalMm: null, modeId: null });
  });
});
