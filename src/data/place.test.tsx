import { act } from '@testing-library/react-native';
import { Text } from 'react-native';
import { renderWithKit } from '../../tests/support/renderWithKit';
import { demoSetups, demoSubjects } from '@/demo/kit';
import { InPlace, placeOf } from './Place';
import { takeTo, useHands, useInHand } from './inHand';
import { useChosen } from './useChosen';

const start = useHands.getState();
beforeEach(() => useHands.setState(start, true));

it('knows the place of every page, and none of the kit and the Book', () => {
  expect(['/', '/far/plan', '/near/stack', '/sky', '/sky/night', '/sky/planets', '/sky/deep'].map(placeOf)).toEqual([
    'far',
    'far',
    'near',
    'stars',
    'stars',
    'planets',
    'deep',
  ]);
  expect(['/kit/setups/a', '/book'].map(placeOf)).toEqual([null, null]);
});

function Shown() {
  const { setupId, subjectId } = useChosen();
  return <Text testID="shown">{`${setupId} ${subjectId}`}</Text>;
}
async function open(path: string): Promise<void> {
  await renderWithKit(
    <InPlace path={path}>
      <Shown />
    </InPlace>,
  );
  await act(async () => undefined);
}

it.each([
  ['/far', 'far', demoSetups.hide.id],
  ['/near', 'near', demoSetups.heath.id],
  ['/sky', 'stars', demoSetups.darkSky.id],
  ['/sky/planets', 'planets', demoSetups.planetNight.id],
] as const)('%s opens with what suits it, and keeps it', async (path, place, setupId) => {
  await open(path);
  expect(useHands.getState().place).toBe(place);
  expect(useInHand.now(place).setupId).toBe(setupId);
  if (place === 'near') expect(useInHand.now(place).subjectId).toBe(demoSubjects.tigerBeetle.id);
});

it('leaves a place alone that was given something, and the others with it', async () => {
  takeTo('near', demoSetups.hide.id);
  await open('/near');
  expect(useInHand.now('near')).toMatchObject({ setupId: demoSetups.hide.id, nearRatio: null });
  expect(useHands.getState().hands.far).toBeUndefined();
});

it('changes one place at a time', () => {
  useInHand.now('far').chooseSetup('a');
  useInHand.now('far').setDistanceM(44);
  useInHand.now('near').chooseSetup('b');
  useInHand.now('near').setNearRatio(0.7);
  expect(useInHand.now('far')).toMatchObject({ setupId: 'a', distanceM: 44, nearRatio: null });
  expect(useInHand.now('near')).toMatchObject({ setupId: 'b', distanceM: null, nearRatio: 0.7 });
  useInHand.now('near').setChain([{ type: 'adapter', id: 'x', extensionMm: 80 }]);
  expect(useInHand.now('near')).toMatchObject({ nearRatio: null, chain: [{ extensionMm: 80 }] });
});
