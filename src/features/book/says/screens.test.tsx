import { act, fireEvent, screen } from '@testing-library/react-native';
import type { PictureGroup } from '@/contract/schemas/pictureGroup';
import { useLearned } from '@/data/own/learned';
import { usePreferences } from '@/data/preferences';
import Learning from '@/features/desk/Learning';
import { demoHeld, renderWithKit, words } from '../../../../tests/support/renderWithKit';
import SaysPage from './SaysPage';

jest.mock('expo-router', () => ({
  Link: ({ children }: { children: unknown }) => children,
  useRouter: () => ({ push: jest.fn(), back: jest.fn(), canGoBack: () => false, replace: jest.fn() }),
}));
const mockFails = { now: false };
jest.mock('@/data/own/learnWork', () => ({
  askLearning: (
    order: { groups: never[]; evidence: object },
    onDone: (learned: unknown) => void,
    onFailed: () => void,
  ) => {
    const { learn } = jest.requireActual('@/core/learned/learn');
    if (mockFails.now) onFailed();
    else onDone(learn(order.groups, order.evidence));
    return () => {};
  },
}));

beforeEach(() => {
  mockFails.now = false;
  useLearned.setState({ learned: null, judged: null, failed: false });
  usePreferences.setState({ saysOff: [] });
});
afterEach(() => jest.restoreAllMocks());

const page = (
  <>
    <Learning />
    <SaysPage />
  </>
);

describe('what the Book says', () => {
  it('tells each limit with its range and its cases, and what is too few', async () => {
    await renderWithKit(page);
    await screen.findByText(/Learned from 30 judged groups of pictures/);
    const text = words();
    expect(text).toMatch(
      /Held by hand · Quillon C26 at 300 mm Four of five are sharp up to 1\/[\d,]+ s; nine of ten such estimates lie between/,
    );
    expect(text).toMatch(/Close up by hand Too few yet: 5 judged groups are the least, there are 3/);
    expect(text).toMatch(/Nothing was kept below 550 px\./);
    expect(text).toMatch(/Stonechat mostly from 9 m, eight of ten from 8\.2 m to 9\.8 m/);
    expect(text).toMatch(
      /Ostrel ×2 on Ostrel 600 f\/5\.6 0 of 2 groups kept with it, 4 of 9 without: too few yet to say\./,
    );
    expect(text).not.toMatch(/NaN|undefined|Infinity/);
    expect(
      screen.getByLabelText(/^Stars · Ostrel 20 f\/1\.8, each group a dot, kept ones above: Four of five/),
    ).toBeTruthy();
  });

  it('switches one thing off and on again, and nothing else', async () => {
    await renderWithKit(page);
    const box = await screen.findByLabelText('ISO · Ostrel R45: counts on the desks');
    fireEvent.press(box);
    expect(usePreferences.getState().saysOff).toEqual(['iso · Ostrel R45']);
    expect(screen.getByLabelText('ISO · Ostrel R45: counts on the desks')).not.toBeChecked();
    fireEvent.press(screen.getByLabelText('Stonechat kept from: counts on the desks'));
    fireEvent.press(screen.getByLabelText('ISO · Ostrel R45: counts on the desks'));
    expect(usePreferences.getState().saysOff).toEqual(['distance · Stonechat']);
  });

  it('says what to do while nothing was judged, and when it could not be read', async () => {
    await renderWithKit(page, { held: {} });
    expect(await screen.findByText(/Nothing judged yet\. Bring the pictures of an outing home/)).toBeTruthy();
    mockFails.now = true;
    await renderWithKit(page);
    expect(await screen.findByText(/could not be read, so nothing is learned anew/)).toBeTruthy();
    mockFails.now = false;
    await act(async () => fireEvent.press(screen.getByText('Try again')));
    expect(await screen.findByText(/Learned from 30 judged groups/)).toBeTruthy();
  });

  it('tells what lies beyond the cases where all came out alike', async () => {
    const held = demoHeld();
    const all = (verdict: PictureGroup['verdict']) =>
      held.pictureGroups!.map((row) => ({ ...row, data: { ...(row.data as PictureGroup), verdict } }));
    await renderWithKit(page, { held: { ...held, starTests: [], pictureGroups: all('kept') } });
    expect(await screen.findByText(/All came out well, up to 60 s: the limit lies beyond\./)).toBeTruthy();
    await renderWithKit(page, { held: { ...held, starTests: [], pictureGroups: all('strokes') } });
    expect(await screen.findByText(/None came out well, not even at 8 s: the limit lies below it\./)).toBeTruthy();
  });
});
