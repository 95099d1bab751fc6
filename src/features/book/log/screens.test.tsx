import { act, fireEvent, screen } from '@testing-library/react-native';
import { demoOutings } from '@/demo/outings';
import type { PictureGroup } from '@/contract/schemas/pictureGroup';
import { groupPictures } from '@/core/log/groupPictures';
import { useOutbox } from '@/data/outbox';
import type { BroughtHome } from '@/data/outing/bringHome';
import { demoHeld, renderWithKit, words } from '../../../../tests/support/renderWithKit';
import LogPage from './LogPage';
import { verdictOfKey } from './verdicts';

jest.mock('expo-router', () => ({
  Link: ({ children }: { children: unknown }) => children,
  useRouter: () => ({ push: jest.fn(), back: jest.fn(), canGoBack: () => false, replace: jest.fn() }),
}));
jest.mock('@/data/outbox/sending');
// Keys are pressed in the browser tests: here there is no document.
jest.mock('./useVerdictKeys', () => ({ useVerdictKeys: () => ({ here: 0, setHere: () => undefined }) }));
jest.mock('@/data/outing/bagWork', () => ({ askBag: () => () => undefined }));
const mockPick = jest.fn(() => Promise.resolve([{ name: 'a.jpg' }] as unknown as File[]));
jest.mock('@/ui/files', () => ({ pickFiles: () => mockPick(), pickFolder: () => mockPick(), saveFile: jest.fn() }));
const mockStop = jest.fn();
let mockHome: {
  onProgress: (done: number, total: number) => void;
  onDone: (found: BroughtHome) => void;
  onFailed: () => void;
};
jest.mock('@/data/outing/bringHome', () => ({
  readHome: (_: unknown, onProgress: never, onDone: never, onFailed: never) => {
    mockHome = { onProgress, onDone, onFailed };
    return mockStop;
  },
}));

const { marsh } = demoOutings;
const last = () => (useOutbox.getState().waiting.at(-1) as unknown as { data: PictureGroup }).data;
const bare = () => ({ ...demoHeld(), pictureGroups: [] });
const taken = (minute: number, i: number) => ({
  fileName: `HOL_${i}.JPG`,
  at: i,
  tags: {
    maker: 'Ostrel',
    model: 'R45',
    lensModel: 'Ostrel 600 f/5.6',
    focalLengthMm: 600,
    fNumber: 5.6,
    exposureS: 1 / 1600,
    iso: 800,
    takenAt: `2026-11-14T08:${String(minute).padStart(2, '0')}:00`,
  },
});

beforeEach(() => useOutbox.setState({ entries: new Map(), waiting: [], refused: [] }));
afterEach(() => jest.restoreAllMocks());

describe('the log of an outing', () => {
  it('shows each group with its settings and verdict, in the order taken', async () => {
    await renderWithKit(<LogPage id={marsh.id} />);
    const text = words();
    expect(text).toMatch(/22 of 22 groups judged/);
    expect(text).toMatch(
      /Curlew 06:52–06:58 · 38 pictures Ostrel R45 \+ Ostrel 600 f\/5\.6 600 mm · f\/5\.6 · 1\/250 s · ISO 12,800 · 85 m · 865 px on it/,
    );
    expect(text.indexOf('06:52–06:58')).toBeLessThan(text.indexOf('07:20–07:27'));
    expect(screen.getAllByRole('radio', { name: /Kept/, checked: true }).length).toBeGreaterThan(5);
  });

  it('judges in one tap, and takes a verdict back with the next', async () => {
    await renderWithKit(<LogPage id={marsh.id} />);
    fireEvent.press(screen.getAllByRole('radio', { name: /Soft/ })[0]!);
    expect(last()).toMatchObject({ verdict: 'soft', pictures: 38 });
    fireEvent.press(screen.getAllByRole('radio', { name: /Soft/ })[0]!);
    expect(last().verdict).toBeUndefined();
  });

  it('counts the pixels on the subject anew when the distance is changed', async () => {
    await renderWithKit(<LogPage id={marsh.id} />);
    const before = demoHeld().pictureGroups!.find(({ data }) => (data as PictureGroup).takenFrom.endsWith('06:52:10'))!
      .data as PictureGroup;
    fireEvent.press(screen.getByRole('button', { name: 'Group 1, Curlew: change' }));
    fireEvent.changeText(await screen.findByLabelText(/^Distance/), '42.5');
    fireEvent(screen.getByLabelText(/^Distance/), 'blur');
    expect(last()).toMatchObject({ distanceM: 42.5, distanceFrom: 'entered' });
    expect(last().pixelsOnSubject! / before.pixelsOnSubject!).toBeCloseTo(2, 1);
  });

  it('takes groups that were read, names what cannot be read, and knows what is in the log already', async () => {
    await renderWithKit(<LogPage id={marsh.id} />, { held: bare() });
    fireEvent.press(screen.getByRole('button', { name: 'Choose pictures' }));
    await act(async () => {});
    act(() => mockHome.onProgress(1, 3));
    expect(words()).toContain('Reading 1 of 3 …');
    const groups = groupPictures([taken(5, 1), taken(6, 2), taken(40, 3)]);
    act(() => mockHome.onDone({ groups, unread: [{ fileName: 'x.txt', message: 'This is not a picture.' }] }));
    expect(words()).toContain('3 pictures in 2 groups.');
    expect(words()).toContain('x.txt: This is not a picture.');
    fireEvent.press(screen.getByRole('button', { name: 'Keep these 2 groups' }));
    const sent = useOutbox.getState().waiting.map((change) => (change as unknown as { data: PictureGroup }).data);
    expect(sent).toHaveLength(2);
    expect(sent[0]).toMatchObject({
      pictures: 2,
      firstFile: 'HOL_1.JPG',
      lastFile: 'HOL_2.JPG',
      bodyName: 'Ostrel R45',
      seconds: 1 / 1600,
    });
    fireEvent.press(screen.getByRole('button', { name: 'Choose pictures' }));
    await act(async () => {});
    act(() => mockHome.onDone({ groups, unread: [] }));
    expect(words()).toContain('No new group in these files. 3 pictures are in the log already.');
  });

  it('can be stopped, and says when the part that reads does not arrive', async () => {
    await renderWithKit(<LogPage id={marsh.id} />, { held: bare() });
    fireEvent.press(screen.getByRole('button', { name: 'Choose pictures' }));
    await act(async () => {});
    fireEvent.press(screen.getByRole('button', { name: 'Stop' }));
    expect(mockStop).toHaveBeenCalled();
    fireEvent.press(screen.getByRole('button', { name: 'Choose pictures' }));
    await act(async () => {});
    act(() => mockHome.onFailed());
    expect(screen.getByRole('alert')).toHaveTextContent(/this part of Jauge did not arrive/);
  });

  it('has a key for each verdict', () => {
    expect(['1', '2', '3', '4', '5'].map(verdictOfKey)).toEqual(['kept', 'soft', 'small', 'strokes', 'noisy']);
    expect(verdictOfKey('6')).toBeNull();
    expect(verdictOfKey('a')).toBeNull();
  });
});
