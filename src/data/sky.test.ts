import { useHands, useSky } from './inHand';

const state = () => useSky.now();
const start = useHands.getState();
beforeEach(() => useHands.setState(start, true));

it('tries a lever and takes it back, and the exposure goes back to the longest with it', () => {
  state().set({ exposureS: 8 });
  state().toggle('centre', { rule: 'centre' }, { rule: 'worst' });
  expect([state().rule, state().exposureS, state().tried?.id]).toEqual(['centre', null, 'centre']);
  state().toggle('centre', { rule: 'centre' }, { rule: 'worst' });
  expect([state().rule, state().tried]).toEqual(['worst', null]);
});

it('tries one lever at a time: another takes the first back', () => {
  state().toggle('centre', { rule: 'centre' }, { rule: 'worst' });
  state().toggle('aim', { declinationDeg: 60 }, { pointing: { declinationDeg: 0, rollDeg: 0 } });
  expect([state().rule, state().declinationDeg]).toEqual(['worst', 60]);
  state().toggle('aim', { declinationDeg: 60 }, { pointing: { declinationDeg: 0, rollDeg: 0 } });
  expect([state().rule, state().declinationDeg]).toEqual(['worst', 0]);
});

it('keeps what is tried when told so', () => {
  state().toggle('aim', { declinationDeg: 60 }, { pointing: { declinationDeg: 0, rollDeg: 0 } });
  state().adopt();
  expect([state().declinationDeg, state().tried]).toEqual([60, null]);
});
