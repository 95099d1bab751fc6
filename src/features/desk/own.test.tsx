import { act, fireEvent, screen } from '@testing-library/react-native';
import { learn } from '@/core/learned/learn';
import { sayKey } from '@/core/learned/own';
import { demoSetups, demoSubjects } from '@/demo/kit';
import { demoPictureGroups } from '@/demo/log';
import { useHands, useInHand, useSky } from '@/data/inHand';
import { useLearned } from '@/data/own/learned';
import { usePreferences } from '@/data/preferences';
import { FarDesk } from '../far/FarDesk';
import NearDesk from '../near/NearDesk';
import StarsDesk from '../sky/StarsDesk';
import { renderWithKit, words } from '../../../tests/support/renderWithKit';

jest.mock('expo-router', () => ({
  Link: ({ children }: { children: unknown }) => children,
  usePathname: () => '/far',
  useRouter: () => ({ push: jest.fn(), back: jest.fn(), canGoBack: () => false, replace: jest.fn() }),
}));

// A sheet holds the keyboard of a page, which there is none of here.
jest.mock('@/ui/Sheet', () => ({ Sheet: ({ children }: { children: unknown }) => children }));

// The first view is a piece of the page, which there is none of here.
beforeAll(() => {
  (globalThis as { document?: unknown }).document ??= { getElementById: () => null };
});

const learned = learn(demoPictureGroups().map(({ data }) => data));

const [handsStart, preferencesStart] = [useHands.getState(), usePreferences.getState()];

beforeEach(() => {
  useHands.setState(handsStart, true);
  usePreferences.setState(preferencesStart, true);
  useLearned.setState({ learned });
});

const byHand = () => {
  useInHand.now().chooseSetup(demoSetups.dunes.id);
  useInHand.now().chooseSubject(demoSubjects.stonechat.id);
  useInHand.put({ distanceM: 20 });
};

describe('what one’s own pictures say, on the desks', () => {
  it('stands on Far in the place of the rules, and in the Why another is chosen', async () => {
    byHand();
    await renderWithKit(<FarDesk />);
    fireEvent.press(await screen.findByText('Shutter and motion'));
    expect(words()).toMatch(/By hand 1\/640 s or shorter, as your own pictures showed\./);
    fireEvent.press(screen.getByLabelText(/^Hand-hold that counts: 1\/520/));
    fireEvent.press(await screen.findByText('one over the equivalent focal length'));
    expect(usePreferences.getState().handBy).toBe('rule');
    expect(words()).not.toContain('as your own pictures showed');
    // The sheet stays and shows what is chosen now.
    expect(screen.getByRole('radio', { name: /one over the equivalent/, checked: true })).toBeTruthy();
  });

  it('tells how this reading stands to what one kept; what is switched off is gone', async () => {
    byHand();
    await renderWithKit(<FarDesk />);
    fireEvent.press(await screen.findByText('What your pictures say'));
    expect(words()).toMatch(/of the 1,000\spx from which four of five of yours are large enough/);
    expect(words()).toMatch(/20\sm is farther than nearly all you kept, mostly from 9\sm\./);
    await act(async () =>
      usePreferences.setState({ saysOff: [sayKey('distance', 'Stonechat'), sayKey('pixels', 'far subjects')] }),
    );
    expect(words()).not.toContain('What your pictures say');
  });

  it('stands on Near for the ratio by hand; set aside, one’s own entry can be typed', async () => {
    const byHand = [0.3, 0.5, 0.8, 1, 1.6, 2, 3].map((ratio) => ({ ratio, good: ratio < 1.3 }));
    useLearned.setState({ learned: learn([], { byHand }) });
    useHands.setState({ place: 'near' });
    useInHand.now('near').chooseSetup(demoSetups.heath.id);
    await renderWithKit(<NearDesk />);
    fireEvent.press(await screen.findByText('Light and shutter'));
    expect(words()).toMatch(/You hold by hand up to 1 : 1\.\d+, as your own pictures say\./);
    expect(screen.queryByLabelText(/^I hold by hand up to a ratio of/)).toBeNull();
    await act(async () => usePreferences.setState({ handRatioBy: 'entered', handHoldRatio: 0.5 }));
    expect(words()).toContain('You hold by hand up to 1 : 2, as entered; your own pictures are set aside.');
    expect(screen.getByLabelText(/^I hold by hand up to a ratio of/)).toBeTruthy();
  });

  it('is one school of the stars among the others', async () => {
    useHands.setState({ place: 'stars' });
    useInHand.now('stars').chooseSetup(demoSetups.darkSky.id);
    useSky.now().set({ rule: 'worst', exposureS: null });
    await renderWithKit(<StarsDesk />);
    fireEvent.press(screen.getByTestId('limit'));
    fireEvent.press(await screen.findByText('Your own pictures'));
    expect(useSky.now().rule).toBe('own');
    expect(screen.getByTestId('limit-value')).toHaveTextContent(/^14\s?s$/);
    expect(words()).toContain('longest: your own pictures');
    useSky.now().set({ rule: 'worst' });
  });
});
