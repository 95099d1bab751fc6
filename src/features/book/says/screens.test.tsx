import { screen } from '@testing-library/react-native';
import type { PictureGroup } from '@/contract/schemas/pictureGroup';
import { demoHeld, renderWithKit, words } from '../../../../tests/support/renderWithKit';
import SaysPage from './SaysPage';

jest.mock('expo-router', () => ({
  Link: ({ children }: { children: unknown }) => children,
  useRouter: () => ({ push: jest.fn(), back: jest.fn(), canGoBack: () => false, replace: jest.fn() }),
}));

afterEach(() => jest.restoreAllMocks());

describe('what the Book says', () => {
  it('tells each limit with its range and its cases, and what is too few', async () => {
    await renderWithKit(<SaysPage />);
    const text = words();
    expect(text).toContain('Learned from 30 judged groups of pictures.');
    expect(text).toMatch(
      /Held by hand · Quillon C26 at 300 mm Four of five are sharp up to 1\/[\d,]+ s; nine of ten such estimates lie between/,
    );
    expect(text).toMatch(/Close up by hand Too few yet: 5 judged groups are the least, there are 3\./);
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

  it('says what to do while nothing was judged, and why it stays closed', async () => {
    await renderWithKit(<SaysPage />, { held: {} });
    expect(words()).toContain('Nothing judged yet. Bring the pictures of an outing home');
    await renderWithKit(<SaysPage />, { unreachable: true });
    expect(words()).toContain('so the Book stays closed');
  });

  it('tells what lies beyond the cases where all came out alike', async () => {
    const held = demoHeld();
    const all = (verdict: PictureGroup['verdict']) =>
      held.pictureGroups!.map((row) => ({ ...row, data: { ...(row.data as PictureGroup), verdict } }));
    await renderWithKit(<SaysPage />, { held: { ...held, pictureGroups: all('kept') } });
    expect(words()).toMatch(/Stars · Ostrel 20 f\/1\.8 All came out well, up to 60 s: the limit lies beyond\./);
    await renderWithKit(<SaysPage />, { held: { ...held, pictureGroups: all('strokes') } });
    expect(words()).toMatch(/Stars · Ostrel 20 f\/1\.8 None came out well, not even at 8 s: the limit lies below it\./);
  });
});
