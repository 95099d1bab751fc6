import { fireEvent, screen } from '@testing-library/react-native';
import { TYPICAL_LENSES } from '@/core/kit/typicalLenses';
import { SUBJECT_KINDS } from '@/core/kit/subjects';
import { useHands, useInHand } from '@/data/inHand';
import { useOutbox, type Change } from '@/data/outbox';
import { renderWithKit, words } from '../../../tests/support/renderWithKit';
import StartGuide from './StartGuide';

const mockPush = jest.fn();
jest.mock('expo-router', () => ({ useRouter: () => ({ push: mockPush }) }));

// Nothing is sent: a server that does not answer would be asked again and again, long after the test.
jest.mock('@/data/outbox/sending', () => ({
  flush: async () => undefined,
  sendWaiting: async () => undefined,
  forget: async () => undefined,
  keep: async () => undefined,
  refresh: async () => undefined,
}));

/** What was made of one resource, as it was sent. */
const made = (resource: string): Change[] => useOutbox.getState().waiting.filter((each) => each.resource === resource);
const dataOf = (change: Change | undefined) => (change && 'data' in change ? change.data : undefined);

const handsStart = useHands.getState();
beforeEach(() => {
  useHands.setState(handsStart, true);
  useOutbox.setState({ waiting: [], refused: [] });
  mockPush.mockClear();
});

const press = (...names: string[]) => names.forEach((name) => fireEvent.press(screen.getAllByText(name)[0]!));

it('makes body, lens, set-up and subject in five taps, and takes them in hand in the place asked for', async () => {
  await renderWithKit(<StartGuide />, { held: {} });
  press('Near', 'Four-thirds', '20 MP', '60 f/2.8');
  expect(words()).toContain('✓ Four-thirds 20\u00a0MP');
  fireEvent.press(screen.getByTestId('kind-beetle'));

  const [body, optic, setup, subject] = ['bodies', 'optics', 'setups', 'subjects'].map((name) => made(name).at(-1));
  expect(dataOf(body)).toMatchObject({ sensor: { widthMm: 17.3, heightMm: 13 } });
  expect(dataOf(optic)).toEqual(TYPICAL_LENSES.find((each) => each.id === 't-60-macro')!.spec);
  expect(dataOf(setup)).toMatchObject({
    name: 'Four-thirds 20\u00a0MP + 60 f/2.8',
    namedAfterParts: true,
    bodyId: body!.id,
    chain: [{ type: 'optic', id: optic!.id }],
  });
  expect(dataOf(subject)).toMatchObject({ kind: 'beetle', sizeMm: SUBJECT_KINDS.beetle.usualMm, assumed: true });
  expect(useInHand.now('near')).toMatchObject({ setupId: setup!.id, subjectId: subject!.id });
  expect(useInHand.now('far').setupId).toBeNull();
  expect(mockPush).toHaveBeenCalledWith('/near');
});

it('a phone comes with its lens, and the sky needs no subject', async () => {
  await renderWithKit(<StartGuide />, { held: {} });
  press('Sky', 'Phone, main', '12 MP');
  expect(dataOf(made('optics').at(-1))).toMatchObject({ kind: 'builtIn', assumed: true });
  expect(mockPush).toHaveBeenCalledWith('/sky');
});

it('a lens that stays on the body is changed with the body', async () => {
  await renderWithKit(<StartGuide />, { held: {} });
  press('Far', 'Superzoom, bridge', '16 MP');
  fireEvent.press(screen.getByLabelText('Change: Built-in 4.3–215 f/2.8–5.9'));
  expect(words()).toContain('Your camera’s sensor');
  expect(words()).not.toContain('A lens like yours');
});

it('a lens by one’s own numbers is not assumed; an answer can be changed, and what hangs on it is asked again', async () => {
  await renderWithKit(<StartGuide />, { held: {} });
  press('Far', 'Full frame', '45 MP', '300 f/4');
  expect(screen.getByTestId('kind-wader')).toBeTruthy();
  fireEvent.press(screen.getByLabelText('Change: 300 f/4'));
  expect(screen.queryByTestId('kind-wader')).toBeNull();
  press('My own numbers');
  const type = (label: RegExp, text: string) => {
    fireEvent.changeText(screen.getByLabelText(label), text);
    fireEvent(screen.getByLabelText(label), 'submitEditing');
  };
  type(/^Focal length/, '420');
  type(/^Widest f-number/, '5,6');
  press('Use this lens');
  fireEvent.press(screen.getByTestId('kind-deer'));
  const lens = dataOf(made('optics').at(-1)) as { name: string; assumed?: boolean };
  expect(lens).toMatchObject({ name: '420 f/5.6', focalTeleMm: 420, fNumberTele: 5.6 });
  expect(lens.assumed).toBeUndefined();
});
