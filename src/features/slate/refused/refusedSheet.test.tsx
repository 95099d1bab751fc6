import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { demoSubjects } from '@/demo/kit';
import { useOutbox, type Refused } from '@/data/outbox';
import { Theme } from '@/ui/theme/theme';
import RefusedSheet from './RefusedSheet';

const mockKept: string[] = [];
jest.mock('@/data/outbox', () => ({
  ...jest.requireActual<object>('@/data/outbox'),
  keepMine: (each: Refused) => mockDecide('mine', each),
  keepStored: (each: Refused) => mockDecide('stored', each),
}));
jest.mock('@/data/useKit', () => ({
  useKit: () => ({ kit: { bodies: [], optics: [], adapters: [], setups: [], subjects: [], outputs: [] } }),
}));

function mockDecide(which: string, { change }: Refused): Promise<void> {
  mockKept.push(`${which} ${change.key}`);
  useOutbox.setState(({ refused }) => ({ refused: refused.filter((each) => each.change.key !== change.key) }));
  return Promise.resolve();
}

const data = demoSubjects.curlew.data;
const refusal = (key: string, change: object = {}, problem: object = {}): Refused =>
  ({
    change: {
      key,
      resource: 'subjects',
      id: key,
      madeAt: '2026-05-01T10:00:00.000Z',
      verb: 'replace',
      version: 1,
      data: { ...data, name: 'Mine' },
      ...change,
    },
    problem: {
      type: '',
      title: 'Changed elsewhere',
      status: 409,
      code: 'version.stale',
      detail: 'Choose.',
      stored: {
        id: key,
        version: 2,
        createdAt: '',
        updatedAt: '2026-05-01T11:00:00.000Z',
        data: { ...data, name: 'Theirs' },
      },
      ...problem,
    },
  }) as Refused;

const closed = jest.fn();
function open(refused: Refused[]): void {
  act(() => useOutbox.setState({ refused }));
  render(
    <Theme look="day">
      <RefusedSheet onClose={closed} />
    </Theme>,
  );
}
const press = (name: string) =>
  act(async () => {
    fireEvent.press(screen.getByRole('button', { name }));
    await Promise.resolve();
  });

beforeEach(() => {
  mockKept.length = 0;
  closed.mockClear();
});
afterEach(() => act(() => useOutbox.setState({ refused: [] })));

it('shows both copies where they differ, and one tap decides', async () => {
  open([refusal('a')]);
  expect(screen.getByText(/Changed elsewhere: subject “Mine”/)).toBeTruthy();
  for (const words of ['Yours', 'Stored', 'Name', 'Mine', 'Theirs']) expect(screen.getByText(words)).toBeTruthy();
  expect(screen.queryByText(/[{}]/)).toBeNull();
  expect(screen.queryByText('For all 1 the same')).toBeNull();
  await press('Keep mine');
  expect(mockKept).toEqual(['mine a']);
  expect(closed).toHaveBeenCalledTimes(1);
});

it('goes from one to the next, and can do the same with all', async () => {
  open([refusal('a'), refusal('b'), refusal('c')]);
  expect(screen.getByText('One of 3 to decide')).toBeTruthy();
  await press('Keep the stored one');
  expect(mockKept).toEqual(['stored a']);
  expect(closed).not.toHaveBeenCalled();
  expect(screen.getByText('One of 2 to decide')).toBeTruthy();
  fireEvent.press(screen.getByLabelText('For all 2 the same'));
  await press('Keep mine');
  expect(mockKept).toEqual(['stored a', 'mine b', 'mine c']);
  expect(closed).toHaveBeenCalledTimes(1);
});

it.each([
  [
    'deleted elsewhere',
    refusal('a', {}, { code: 'row.notFound', stored: undefined }),
    /You changed this subject here; elsewhere it was deleted/,
    ['Keep mine', 'Leave it deleted'],
  ],
  [
    'deleted here',
    refusal('a', { verb: 'remove', data: undefined }),
    /You deleted this subject here; elsewhere it was changed/,
    ['Delete all the same', 'Keep the stored one'],
  ],
  [
    'still in use',
    refusal('a', {}, { code: 'row.inUse', detail: 'Used by “Hide”.' }),
    /Used by “Hide”/,
    ['Leave it as it is'],
  ],
  [
    'a part that is missing',
    refusal('a', {}, { code: 'reference.missing', detail: 'Refers to a body.' }),
    /Refers to a body/,
    ['Try again', 'Drop mine'],
  ],
])('what was %s', (_, refused, words, keys) => {
  open([refused]);
  expect(screen.getByText(words)).toBeTruthy();
  for (const name of keys) expect(screen.getByRole('button', { name })).toBeTruthy();
});

it('does to all only what can be done to all', async () => {
  open([refusal('a'), refusal('b', {}, { code: 'reference.missing' }), refusal('c')]);
  fireEvent.press(screen.getByLabelText('For all 3 the same'));
  await press('Keep mine');
  expect(mockKept).toEqual(['mine a', 'mine c']);
  expect(closed).not.toHaveBeenCalled();
  expect(screen.getByRole('button', { name: 'Try again' })).toBeTruthy();
});

it('says when nothing is left', () => {
  open([]);
  expect(screen.getByText('Nothing is left to decide.')).toBeTruthy();
});
