import { act, fireEvent, screen } from '@testing-library/react-native';
import { demoAdapters, demoSetups, demoSubjects, demoOptics } from '@/demo/kit';
import { useFarOptions } from '@/data/farOptions';
import { useHands, useInHand } from '@/data/inHand';
import { useSheets } from '@/data/sheets';
import { usePreferences } from '@/data/preferences';
import { useOutbox } from '@/data/outbox';
import { demoHeld, renderWithKit, words } from '../../../tests/support/renderWithKit';
import Learning from '../desk/Learning';
import { FarDesk } from './FarDesk';
import BesidePage from './pages/BesidePage';
import FairTestPage from './pages/FairTestPage';
import PlanPage from './pages/PlanPage';
import RoutesPage from './pages/RoutesPage';

jest.mock('expo-router', () => ({
  Link: ({ children }: { children: unknown }) => children,
  useRouter: () => ({ push: jest.fn(), back: jest.fn(), canGoBack: () => false, replace: jest.fn() }),
}));

jest.mock('@/data/own/learnWork', () => ({
  askLearning: (order: { groups: never[]; evidence: object }, onDone: (learned: unknown) => void) => {
    onDone(jest.requireActual('@/core/learned/learn').learn(order.groups, order.evidence));
    return () => {};
  },
}));

const [handsStart, preferencesStart] = [useHands.getState(), usePreferences.getState()];
const options = useFarOptions.getState();
const desk = () => <FarDesk />;
const settled = () => act(() => new Promise((resolve) => setTimeout(resolve, 250)));

beforeEach(() => {
  useHands.setState(handsStart, true);
  usePreferences.setState(preferencesStart, true);
  useFarOptions.setState(options, true);
  useOutbox.setState({ waiting: [], refused: [] });
  useInHand.now().chooseSetup(demoSetups.hide.id);
  useInHand.now().chooseSubject(demoSubjects.curlew.id);
});
afterEach(() => jest.restoreAllMocks());

// The first view is a piece of the page, which there is none of here.
beforeAll(() => {
  (globalThis as { document?: unknown }).document ??= { getElementById: () => null };
});

describe('the Far desk', () => {
  it('leads from nothing to a first reading, step by step', async () => {
    await renderWithKit(desk(), { held: {} });
    expect(await screen.findByText('What do you want to photograph?')).toBeTruthy();
    await renderWithKit(desk(), { held: { ...demoHeld(), subjects: [] } });
    fireEvent.press(screen.getByText('Add a subject'));
    expect(useSheets.getState().sheet).toBe('subject');
    await renderWithKit(desk(), { held: { ...demoHeld(), outputs: [] } });
    expect(words()).toContain('Nothing says what the picture is for.');
    await renderWithKit(desk(), { held: { ...demoHeld(), optics: [] } });
    expect(words()).toContain('A part of this set-up is gone.');
    await renderWithKit(desk(), { unreachable: true });
    expect(words()).toContain('The server cannot be reached');
  });

  it('goes by the hand as a series on the Bench told it', async () => {
    const measurement = {
      asked: 'shake',
      found: [
        { name: 'Longest time held, stabilised', value: 1 / 90, unit: 's', plusMinus: 0.002 },
        { name: 'Focal length', value: 600, unit: 'mm' },
      ],
      byHand: false,
      simulated: false,
      measuredAt: '2026-05-01T10:00:00.000Z',
      note: '',
    };
    const measurements = [{ id: 'm1', version: 1, createdAt: '', updatedAt: '', data: measurement }];
    const learning = (
      <>
        <Learning />
        {desk()}
      </>
    );
    await renderWithKit(learning, { held: { ...demoHeld(), measurements, pictureGroups: [] } });
    await settled();
    fireEvent.press(screen.getByRole('button', { name: /Shutter and motion/ }));
    await settled();
    expect(words()).toContain('By hand 1/100 s or shorter, as your own pictures showed.');
    await renderWithKit(learning, { held: { ...demoHeld(), pictureGroups: [] } });
    await settled();
    fireEvent.press(screen.getByRole('button', { name: /Shutter and motion/ }));
    await settled();
    expect(words()).not.toContain('as your own pictures showed');
  });

  it('tells how clean a mid-tone is, what another sensor would cost, and where from it is known', async () => {
    usePreferences.setState({ iso: 1600 });
    await renderWithKit(desk());
    await settled();
    fireEvent.press(await screen.findByRole('button', { name: /^Noise/ }));
    await settled();
    expect(words()).toContain('the sensor of Ostrel R45 was measured on the Bench');
    expect(words()).toMatch(/against Light bag \( at ISO [\d,]+, class \)/);
    const perPixel = () => parseFloat(/Mid-tone, a pixel at 100 % ([\d.]+)/.exec(words())?.[1] ?? '');
    const clean = perPixel();
    await act(async () => usePreferences.setState({ iso: 6400 }));
    await settled();
    expect(perPixel()).toBeLessThan(0.6 * clean);
    expect(screen.getAllByRole('button', { name: /Against Light bag: alike at about ISO [\d,]+\. Why/ })).toHaveLength(
      1,
    );
  });

  it('reads, judges, and offers levers that can be tried and taken back', async () => {
    await renderWithKit(desk());
    await settled();
    expect(words()).toContain('1,270');
    expect(words()).toContain('● Enough for Web page');
    const lever = screen.getAllByTestId('lever-chain')[0]!;
    fireEvent.press(lever);
    expect(useInHand.now().trials.chain?.patch.chain?.map((row) => row.id)).toEqual([
      demoOptics.tele600.id,
      demoAdapters.converter14.id,
    ]);
    await settled();
    expect(words()).toContain('1,780 px on the subject');
    fireEvent.press(screen.getAllByTestId('lever-chain')[0]!);
    expect(useInHand.now().trials.chain).toBeUndefined();
  });

  it('says what is wrong with a distance and how to go on', async () => {
    useInHand.put({ distanceM: 1 });
    await renderWithKit(desk());
    // Out of focus: it is said, and neither pixels nor a verdict are told.
    expect(words()).toMatch(/✕ Ostrel 600 f\/5\.6 focuses from 4\.2.m on\. Step back 3\.2.m/);
    expect(words()).not.toMatch(/px on the subject|px resolved|Enough for|Not enough for/);
    fireEvent.press(screen.getByText(/^Go to 4\.2/));
    expect(useInHand.now().distanceM).toBeCloseTo(4.2, 6);
  });

  it('says that a subject does not fit, in the person’s units, and withholds what its pixels would be good for', async () => {
    useInHand.put({ distanceM: 4.5 });
    usePreferences.setState({ units: 'imperial' });
    await renderWithKit(desk());
    expect(words()).toMatch(/✕ Curlew does not fit: it takes 2\d\d % of the frame/);
    expect(words()).not.toMatch(/px on the subject|More than .* uses/);
    useInHand.put({ distanceM: 2 });
    await renderWithKit(desk());
    expect(words()).toMatch(/focuses from 13\.8.ft on\. Step back 7\.2.ft/);
  });

  it('keeps the reading with a note, whole', async () => {
    await renderWithKit(desk());
    fireEvent.press(screen.getByText('Add a note'));
    fireEvent.changeText(screen.getByLabelText('Note'), 'light from the left');
    fireEvent.press(screen.getByText('Keep this reading'));
    const [change] = useOutbox.getState().waiting;
    expect(change).toMatchObject({
      resource: 'readings',
      data: {
        desk: 'far',
        note: 'light from the left',
        setupName: 'Marsh hide',
        chain: demoSetups.hide.data.chain,
        input: { distanceM: demoSubjects.curlew.data.distanceM },
        result: { verdict: 'enough' },
      },
    });
  });
});

describe('the pages for far subjects', () => {
  it('side by side: one sentence for each stance', async () => {
    await renderWithKit(<BesidePage />);
    const spot = words();
    fireEvent.press(screen.getByText('Same framing'));
    expect(useFarOptions.getState().stance).toBe('sameFraming');
    expect(words()).not.toBe(spot);
    expect(words()).toContain('Walking changes the perspective');
  });

  it('routes: ranked by what one cares for', async () => {
    await renderWithKit(<RoutesPage />);
    const first = () => /routes?[^.]*\. (.*?) [\d,]+ px/.exec(words())?.[1];
    const light = first();
    fireEvent.press(screen.getByText('Most pixels'));
    expect(first()).not.toBe(light);
  });

  it('fair test: a list of what to hold equal', async () => {
    await renderWithKit(<FairTestPage />);
    expect(words()).toContain('Marsh hide against');
    expect((words().match(/☐/g) ?? []).length).toBeGreaterThan(5);
  });

  it.each([
    ['Beside', BesidePage],
    ['Plan', PlanPage],
    ['Routes', RoutesPage],
    ['Test', FairTestPage],
  ] as const)('%s survives an empty kit', async (_, Page) => {
    await renderWithKit(<Page />, { held: {} });
    expect(words()).not.toMatch(/NaN|undefined/);
  });
});
