import { act, fireEvent, screen } from '@testing-library/react-native';
import { demoSetups } from '@/demo/kit';
import { useSheets } from '@/data/sheets';
import { useHands, useInHand, useSky } from '@/data/inHand';
import { usePreferences } from '@/data/preferences';
import { demoHeld, renderWithKit, words } from '../../../tests/support/renderWithKit';
import { DeepDesk, NightDesk, PlanetsDesk, SchoolsPage, SeriesPage, SiteSheet, StarsDesk, StrokesPage } from './desks';

jest.mock('expo-router', () => ({
  Link: ({ children }: { children: unknown }) => children,
  useRouter: () => ({ push: jest.fn(), back: jest.fn(), canGoBack: () => false, replace: jest.fn() }),
}));

const [handsStart, preferencesStart] = [useHands.getState(), usePreferences.getState()];
const NIGHT = {
  site: { name: 'La Palma', latitudeDeg: 28.7, longitudeDeg: -17.9, heightM: 700, zone: 'Atlantic/Canary' },
  day: '2026-11-10',
};
const take = (setupId: string) => useInHand.now().chooseSetup(setupId);

beforeEach(() => {
  useHands.setState(handsStart, true);
  usePreferences.setState(preferencesStart, true);
  useSheets.getState().close();
  take(demoSetups.darkSky.id);
});
afterEach(() => jest.restoreAllMocks());

describe('every Sky desk says what to do', () => {
  const desks = [
    ['Stars', StarsDesk],
    ['Planets', PlanetsDesk],
    ['Deep sky', DeepDesk],
  ] as const;

  it.each(desks)('%s while the kit is on its way, and when it cannot be had', async (_, Desk) => {
    await renderWithKit(<Desk />, { silent: true });
    expect(words()).toContain('Reading the kit …');
    await renderWithKit(<Desk />, { unreachable: true });
    expect(words()).toContain('The server cannot be reached, so there is no kit to read');
    expect(screen.getByText('Try again')).toBeTruthy();
  });

  it.each(desks)('%s without a set-up, and without anything a picture could be for', async (_, Desk) => {
    await renderWithKit(<Desk />, { held: { ...demoHeld(), setups: [] } });
    expect(await screen.findByText('What do you want to photograph?')).toBeTruthy();
    await renderWithKit(<Desk />, { held: { ...demoHeld(), outputs: [] } });
    fireEvent.press(screen.getByText('Add an output'));
    expect(useSheets.getState().sheet).toBe('subject');
  });

  it.each(desks)('%s with a chain that cannot see the stars', async (_, Desk) => {
    take(demoSetups.heath.id);
    await renderWithKit(<Desk />);
    expect(words()).toContain('it does not focus on the stars');
  });

  it.each([
    ['Schools', SchoolsPage],
    ['Series', SeriesPage],
    ['Strokes', StrokesPage],
  ] as const)('%s without a set-up', async (_, Page) => {
    await renderWithKit(<Page />, { held: {} });
    expect(words()).toContain('No set-up yet. Choose your body’s format');
  });

  it('Night without a place', async () => {
    await renderWithKit(<NightDesk />);
    fireEvent.press(screen.getByText('Choose a place'));
    expect(useSheets.getState().sheet).toBe('site');
  });
});

describe('the Stars desk', () => {
  it('reads what is in hand, and answers to a longer exposure', async () => {
    await renderWithKit(<StarsDesk />);
    expect(words()).toContain('12.2 s');
    expect(words()).toContain('● Points everywhere at 12.2 s');
    act(() => useSky.now().set({ exposureS: 18 }));
    expect(words()).toContain('▽ Points in the centre, the corners run at 18 s');
    act(() => useSky.now().set({ exposureS: 40 }));
    expect(words()).toContain('▽ Strokes at 40 s');
  });

  it('tells noise at the ISO that follows from the exposure', async () => {
    await renderWithKit(<StarsDesk />);
    fireEvent.press(await screen.findByRole('button', { name: /^Noise/ }));
    expect(words()).toMatch(/ISO [\d,]+ follows from the exposure chosen, above/);
    expect(words()).toContain('Noise of reading');
    expect(screen.queryByTestId('noise-iso')).toBeNull();
  });

  it('follows a school chosen elsewhere and never shows what is not a number', async () => {
    await renderWithKit(<StarsDesk />);
    for (const rule of ['c500', 'pitchFull1', 'ceiling', 'centre'] as const) {
      act(() => useSky.now().set({ rule, exposureS: null }));
      expect(words()).not.toMatch(/NaN|undefined|Infinity/);
    }
    act(() => useSky.now().set({ rule: 'worst', declinationDeg: 90 }));
    expect(words()).toContain('for the centre');
    expect(words()).toMatch(/1 h for the centre/);
    expect(words()).not.toMatch(/NaN|undefined|Infinity/);
  });
});

describe('the Planets desk', () => {
  beforeEach(() => take(demoSetups.planetNight.id));

  it('tells disc, stand and recording, and each Barlow', async () => {
    await renderWithKit(<PlanetsDesk />);
    expect(words()).toContain('Jupiter’s disc, 45″ at its usual best');
    expect(words()).toContain('● Sampling in the customary range');
    expect(words()).toContain('held by the exposure');
    expect(words()).toMatch(/2688 × 1520 60\/s 60\/s read-out .*320 × 240 460\/s 125\/s exposure/);
    fireEvent.press(screen.getByTestId('spread-00000000-0000-4000-8000-00000000d010'));
    expect(words()).toContain('only the best air fills it');
    fireEvent.press(screen.getByText('Keep what is tried'));
    expect(useInHand.now().chain?.at(-1)?.id).toBe('00000000-0000-4000-8000-00000000d010');
  });

  it('takes the disc of the night where a place is chosen, and warns near the Sun', async () => {
    useSky.now().set({ ...NIGHT, planet: 'Venus', day: '2026-10-24' });
    await renderWithKit(<PlanetsDesk />);
    expect(words()).toMatch(/Venus stands only \d° from the Sun\. Never point an unfiltered lens/);
    act(() => useSky.now().set({ planet: 'Saturn' }));
    expect(words()).toMatch(
      /Above 30° in the dark from \d\d:\d\d to \d\d:\d\d at La Palma, highest \d\d° at \d\d:\d\d; 1\d\d° from the Sun, magnitude/,
    );
    expect(words()).not.toMatch(/Saturn stands only/);
  });

  it('always says it with the Sun', async () => {
    await renderWithKit(<PlanetsDesk />);
    fireEvent.press(screen.getByText('Moon and Sun on this sensor'));
    expect(words()).toMatch(
      /The Moon is [\d.]+ mm.*Not for the Sun: no certified solar filter.*Never point an unfiltered/,
    );
  });

  it('works with a body whose read-out is not entered, and says so', async () => {
    take(demoSetups.hide.id);
    await renderWithKit(<PlanetsDesk />);
    expect(words()).toContain('the body’s read-out is not entered');
  });
});

describe('the Deep sky desk', () => {
  it('counts frames, offers to turn, compares the other set-ups', async () => {
    take(demoSetups.hide.id);
    await renderWithKit(<DeepDesk />);
    expect(words()).toContain('M 31 needs 2 frames, 1 × 2');
    fireEvent.press(screen.getByText(/^Turn the frame to/));
    expect(words()).toContain('M 31 fits');
    expect(words()).toMatch(/Take “Dark sky” ● fits it fills 3 % of the frame/);
    // Two taps: tried, and taken back.
    fireEvent.press(screen.getByText('Take “Dark sky”'));
    expect(words()).toContain('M 31 fits: it fills 3 % of the frame');
    fireEvent.press(screen.getByText('Take “Dark sky”'));
    expect(words()).not.toContain('M 31 fits: it fills 3 % of the frame');
    act(() => useSky.now().set({ targetId: 'M 57' }));
    expect(words()).toContain('M 57 fits: it fills 1 % of the frame');
  });

  it('says when an object stands too low that night', async () => {
    useSky.now().set({ ...NIGHT, targetId: 'NGC 2070' });
    await renderWithKit(<DeepDesk />);
    expect(words()).toContain('It does not stand above 30° in the dark that night at La Palma.');
  });
});

describe('the Night desk', () => {
  it('plans a night and changes it by a day', async () => {
    useSky.now().set(NIGHT);
    await renderWithKit(<NightDesk />);
    expect(words()).toContain('Tue 10 Nov 2026');
    expect(words()).toMatch(/Dark from 19:4\d to 06:1\d/);
    expect(words()).toContain('Moon new, 3 % lit');
    fireEvent.press(screen.getByLabelText('The night after'));
    expect(words()).toContain('Wed 11 Nov 2026');
    fireEvent.press(screen.getByText('M 42'));
    expect(useSky.now().targetId).toBe('M 42');
    expect(words()).toMatch(/● M 42: \d\d:\d\d to \d\d:\d\d/);
  });

  it('is honest about a night that does not get dark', async () => {
    useSky.now().set({
      site: { ...NIGHT.site, name: 'North', latitudeDeg: 69.6, longitudeDeg: 19, zone: 'Europe/Oslo' },
      day: '2026-06-20',
    });
    await renderWithKit(<NightDesk />);
    expect(words()).toContain('It does not get dark that night; the Sun stays up.');
    expect(words()).toContain('Nothing of the list stands above 30° in the dark that night.');
    expect(words()).not.toMatch(/NaN|undefined/);
  });
});

describe('the pages below', () => {
  it('Schools: a tap follows a school', async () => {
    await renderWithKit(<SchoolsPage />);
    fireEvent.press(screen.getByTestId('school-c500'));
    expect(useSky.now().rule).toBe('c500');
  });

  it('Series: leads to the Bench, which measures what is judged here', async () => {
    await renderWithKit(<SeriesPage />);
    expect(words()).toContain('Measure the pictures on the Bench');
  });

  it('Series: refuses what cannot be a series, in words', async () => {
    useSky.now().set({ series: { fromS: 20, toS: 5, stepS: 1 } });
    await renderWithKit(<SeriesPage />);
    expect(words()).toContain('The longest exposure is shorter than the first.');
    act(() => useSky.now().set({ series: { fromS: 1, toS: 500, stepS: 1 } }));
    expect(words()).toContain('That is more than 40 pictures.');
  });

  it('Strokes: says when gaps will show', async () => {
    useSky.now().set({ strokes: { arcDeg: 15, exposureS: 30, gapS: 6, batteryMin: 20 } });
    await renderWithKit(<StrokesPage />);
    expect(words()).toContain('The gaps are 20 % of a stroke');
    expect(words()).toMatch(/About \d batteries, an estimate/);
  });

  it('Place: a place of the list, and one by coordinates', async () => {
    await renderWithKit(<SiteSheet onClose={() => undefined} />);
    fireEvent.press(screen.getByText('Windhoek'));
    expect(useSky.now().site).toMatchObject({ name: 'Windhoek', zone: 'Africa/Windhoek' });
    const latitude = screen.getByTestId('latitude-field');
    fireEvent.changeText(latitude, '-23,5');
    fireEvent(latitude, 'submitEditing');
    expect(useSky.now().site).toMatchObject({ name: 'Own place', latitudeDeg: -23.5, longitudeDeg: 17.1 });
    fireEvent.changeText(latitude, '95');
    fireEvent(latitude, 'submitEditing');
    expect(words()).toContain('Latitude must be from −90 to 90');
    expect(useSky.now().site!.latitudeDeg).toBe(-23.5);
  });
});
