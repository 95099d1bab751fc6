import { act, fireEvent, render, screen, waitFor } from '@testing-library/react-native';
import { demoSubjects } from '@/demo/kit';
import type { Change } from '@/data/outbox';
import { useOutbox } from '@/data/outbox';
import { Theme } from '@/ui/theme/theme';
import { SyncLine } from './SyncLine';
import TraySheet from './TraySheet';

// What lies on the device is not what these tests are about: the state is set by hand.
jest.mock('@/data/outbox', () => ({
  ...jest.requireActual<object>('@/data/outbox'),
  openOutbox: () => Promise.resolve(),
}));

const data = demoSubjects.curlew.data;
const change = (key: string, more: object = {}): Change =>
  ({
    key,
    resource: 'subjects',
    id: '30000000-0000-4000-8000-000000000001',
    madeAt: '',
    verb: 'create',
    data,
    ...more,
  }) as Change;
const clean = { waiting: [], refused: [], stuck: [], odd: [], unkept: [], reachable: true, serverSays: null };

beforeEach(() => {
  // What this environment has none of.
  const deaf = { addEventListener: () => undefined, removeEventListener: () => undefined };
  (globalThis as { document?: unknown }).document = { ...deaf, visibilityState: 'visible' };
  Object.assign(window, deaf);
  AbortSignal.timeout = () => new AbortController().signal;
  globalThis.fetch = jest.fn(() => Promise.reject(new TypeError('refused'))) as unknown as typeof fetch;
});
afterEach(() => {
  act(() => useOutbox.setState(clean));
  delete (globalThis as { document?: unknown }).document;
});

function line(state: object): void {
  render(
    <Theme look="day">
      <SyncLine />
    </Theme>,
  );
  act(() => useOutbox.setState({ ...clean, ...state }));
}

describe('the line about what has not reached the server', () => {
  it('is not there when all has', () => {
    line({});
    expect(screen.queryByText(/⚠/)).toBeNull();
    act(() => useOutbox.setState({ ...clean, waiting: [change('a')] }));
    expect(screen.queryByText(/⚠/)).toBeNull();
  });

  it.each([
    [
      'a server that is away',
      { waiting: [change('a')], reachable: false },
      /The server cannot be reached\. Readings go on; 1 change waits on this device/,
      'Try now',
    ],
    [
      'a server that says what it lacks',
      { waiting: [change('a'), change('b')], reachable: false, serverSays: 'There is no room left on the disk.' },
      /There is no room left on the disk\. Readings go on; 2 changes wait/,
      'Try now',
    ],
    [
      'a refusal',
      {
        refused: [
          {
            change: change('a'),
            problem: { type: '', title: 'Changed elsewhere', status: 409, code: 'version.stale', detail: 'Choose.' },
          },
        ],
      },
      /Changed elsewhere: Choose\./,
      'Look at both',
    ],
    [
      'a full tray',
      { stuck: [{ change: change('a'), failures: 5 }], odd: [{ key: 'o', value: 1 }] },
      /2 things lie in the tray that could not be sent or read/,
      'Open the tray',
    ],
    [
      'a device without room, before all else',
      { waiting: [change('a')], unkept: ['a'], reachable: false, stuck: [{ change: change('b'), failures: 5 }] },
      /no room left: 1 change is in this window alone\. Keep it open/,
      'Send now',
    ],
  ])('tells of %s', (_, state, words, key) => {
    line(state);
    expect(screen.getByText(words)).toBeTruthy();
    expect(screen.getByText(key)).toBeTruthy();
  });
});

describe('the tray', () => {
  it('names what lies in it, and lets it go', async () => {
    const closed = jest.fn();
    act(() =>
      useOutbox.setState({
        ...clean,
        stuck: [
          { change: change('a'), failures: 5 },
          { change: change('b', { verb: 'remove', version: 2, data: undefined }), failures: 6 },
        ],
        odd: [{ key: 'o', value: { hello: 1 } }],
      }),
    );
    render(
      <Theme look="day">
        <TraySheet onClose={closed} />
      </Theme>,
    );
    expect(screen.getByText(/New subject “Curlew”/)).toBeTruthy();
    expect(screen.getByText(/Deleted subject$/)).toBeTruthy();
    expect(screen.getByText('The server failed on it 6 times.')).toBeTruthy();
    expect(screen.getByText('{"hello":1}')).toBeTruthy();
    fireEvent.press(screen.getAllByText('Drop').at(-1)!);
    await waitFor(() => expect(useOutbox.getState().odd).toEqual([]), { timeout: 20_000 });
  });
});
