import { act, fireEvent, screen } from '@testing-library/react-native';
import { Dimensions } from 'react-native';
import { wholePlan } from '@/core/near/otherRoutes';
import type { PlanOrder } from '@/core/near/planOrder';
import { demoAdapters, demoOptics, demoSetups, demoSubjects } from '@/demo/kit';
import type { Hand } from '@/data/hand';
import { useHands, useInHand } from '@/data/inHand';
import { usePreferences } from '@/data/preferences';
import { useOutbox } from '@/data/outbox';
import { useSheets } from '@/data/sheets';
import { demoHeld, renderWithKit, words } from '../../../tests/support/renderWithKit';
import SubjectSheet from '../kit/SubjectSheet';
import NearDesk from './NearDesk';
import AperturePage from './pages/AperturePage';
import MeasurePage from './pages/MeasurePage';
import RatioPlanPage from './pages/RatioPlanPage';
import SensorsPage from './pages/SensorsPage';
import SizesPage from './pages/SizesPage';
import StackPage from './pages/StackPage';

const mockPush = jest.fn();
jest.mock('expo-router', () => ({
  Link: ({ children }: { children: unknown }) => children,
  useRouter: () => ({
    push: (to: string) => mockPush(to),
    back: jest.fn(),
    canGoBack: () => false,
    replace: jest.fn(),
  }),
}));

const [handsStart, preferencesStart] = [useHands.getState(), usePreferences.getState()];
const set = (change: Partial<Hand>): void =>
  act(() => {
    useInHand.put(change);
  });
const type = (testID: string, text: string) => {
  const field = screen.getByTestId(testID);
  fireEvent.changeText(field, text);
  fireEvent(field, 'submitEditing');
};
const link = (id: string) => ({ type: 'optic' as const, id });

beforeEach(() => {
  mockPush.mockClear();
  useHands.setState(handsStart, true);
  usePreferences.setState(preferencesStart, true);
  useOutbox.setState({ waiting: [], refused: [] });
  useInHand.now().chooseSetup(demoSetups.heath.id);
  useInHand.now().chooseSubject(demoSubjects.tigerBeetle.id);
});
afterEach(() => jest.restoreAllMocks());

describe('the Near desk', () => {
  it('leads to what pictures are for, where one of one’s own is added', async () => {
    await renderWithKit(<NearDesk />);
    fireEvent.press(await screen.findByLabelText('What else the picture could be for'));
    expect(useSheets.getState()).toMatchObject({ sheet: 'subject', at: 'outputs' });
    await renderWithKit(<SubjectSheet onClose={jest.fn()} />);
    expect(words()).toContain('What the picture is for');
    expect(words()).not.toContain('Tiger beetle');
    fireEvent.press(screen.getByText('Add a print'));
    expect(words()).toContain('New output');
    fireEvent.press(screen.getByLabelText('Back'));
    expect(screen.getByText('Add a print')).toBeTruthy();
  });

  it('withholds pixels and verdict where the subject does not fit, and says what to do', async () => {
    set({ nearRatio: 1 });
    act(() => useInHand.now().chooseSubject(demoSubjects.curlew.id));
    await renderWithKit(<NearDesk />);
    expect(await screen.findByTestId('withheld')).toHaveTextContent(/Curlew does not fit: it takes .* % of the frame/);
    expect(screen.queryByTestId('near-pixels')).toBeNull();
    expect(screen.queryByText('Keep this reading')).toBeNull();
    expect(screen.getByTestId('ratio-value')).toBeTruthy();
  });

  it('says what is missing and opens the sheet that helps', async () => {
    await renderWithKit(<NearDesk />, { held: { ...demoHeld(), setups: [] } });
    expect(await screen.findByText('What do you want to photograph?')).toBeTruthy();
    await renderWithKit(<NearDesk />, { held: { ...demoHeld(), subjects: [] } });
    fireEvent.press(screen.getByText('Add a subject'));
    expect(useSheets.getState().sheet).toBe('subject');
    await renderWithKit(<NearDesk />, { unreachable: true });
    expect(words()).toContain('The server cannot be reached');
  });

  it('reads the ratio, the field and the verdict', async () => {
    await renderWithKit(<NearDesk />);
    expect(words()).toContain('1.27 : 1');
    expect(words()).toContain('28.4 mm wide, 18.9 mm high');
    expect(words()).toContain('▲ More than Web page uses');
    set({ nearRatio: 0.7 });
    expect(words()).toContain('1 : 1.43');
  });

  it('tells noise beside the other set-ups, all at one f-number', async () => {
    await renderWithKit(<NearDesk />);
    await act(() => new Promise((resolve) => setTimeout(resolve, 250)));
    fireEvent.press(await screen.findByRole('button', { name: /^Noise/ }));
    expect(words()).toContain('At the same f-number and time');
    fireEvent.press(screen.getByRole('button', { name: /^Electrons when full/ }));
    expect(await screen.findByText(/measured on the Bench/)).toBeTruthy();
  });

  it('leads to the ruler when a chain’s ratio cannot be worked out', async () => {
    // A reversed lens of which neither length nor flange is entered.
    const held = demoHeld();
    held.optics = held.optics!.map((row) =>
      row.id === demoOptics.wide20.id
        ? { ...row, data: { ...demoOptics.wide20.data, lengthMm: undefined, flangeMm: undefined } }
        : row,
    );
    useInHand.put({ chain: [link(demoOptics.wide20.id), { type: 'adapter', id: demoAdapters.reversing.id }] });
    await renderWithKit(<NearDesk />, { held });
    fireEvent.press(screen.getByText('Measure with a ruler'));
    expect(mockPush).toHaveBeenCalledWith('/near/measure');
  });

  it('warns of what scares and what shakes', async () => {
    usePreferences.setState({ handHoldRatio: 0.5 });
    await renderWithKit(<NearDesk />);
    expect(words()).toMatch(/is above the 1 : 2 you hold by hand: rail and flash/);
  });
});

describe('measuring with a ruler', () => {
  it('asks for what it needs, tells the error and the round ratio, and keeps it with the chain', async () => {
    await renderWithKit(<MeasurePage />);
    type('visible-field', '0');
    expect(words()).toMatch(/must be/);
    type('visible-field', '27,5');
    expect(words()).toContain('1.31 : 1');
    expect(words()).toContain('the round ratio 1.3 : 1 lies within it');
    fireEvent.press(screen.getByText('Use this ratio for this chain'));
    const [change] = useOutbox.getState().waiting;
    expect(change).toMatchObject({
      resource: 'ratios',
      verb: 'create',
      data: { at: 'closest', method: 'ruler', visibleMm: 27.5, frameWidthMm: 36, chain: demoSetups.heath.data.chain },
    });
    expect((change as { data: { ratio: number } }).data.ratio).toBeCloseTo(36 / 27.5, 9);
  });

  it('takes two marks as well', async () => {
    await renderWithKit(<MeasurePage />);
    fireEvent.press(screen.getByText('Two marks'));
    const marks = screen.getByLabelText('Pixels between the marks, picture at full size, px');
    fireEvent.changeText(marks, '3000');
    fireEvent(marks, 'submitEditing');
    const real = screen.getByLabelText('Real distance between the marks, mm');
    fireEvent.changeText(real, '10');
    fireEvent(real, 'submitEditing');
    // 3000 px of 4.36 µm are 13.08 mm.
    expect(words()).toContain('1.31 : 1');
  });
});

describe('a plan for a ratio', () => {
  /** A worker that answers when it is told to. */
  class SlowWorker {
    static last: SlowWorker;
    onmessage: ((event: { data: unknown }) => void) | null = null;
    onerror = null;
    terminate = jest.fn();
    order!: PlanOrder;
    constructor() {
      SlowWorker.last = this;
    }
    postMessage(order: PlanOrder) {
      this.order = order;
    }
    answer = () =>
      act(() => this.onmessage?.({ data: { plans: this.order.ratios.map((each) => wholePlan(this.order, each)) } }));
  }
  const { Worker, location } = globalThis;
  beforeAll(() => Object.assign(globalThis, { Worker: SlowWorker, location: { href: 'http://127.0.0.1/' } }));
  afterAll(() => Object.assign(globalThis, { Worker, location }));

  it('keeps what one types and taps while the search ends under it', async () => {
    await renderWithKit(<RatioPlanPage />);
    expect(words()).toContain('Trying every combination');
    const field = screen.getByTestId('wanted-ratio');
    fireEvent.changeText(field, '1,4');
    const share = screen.getByText('A share of the frame');
    SlowWorker.last.answer();
    expect(screen.getByTestId('plan-count')).toHaveTextContent(/reach 2.2 : 1/);
    // The same ones still, with what was typed: put up anew they would have lost a tap half made, the text and the focus.
    expect(screen.getByTestId('wanted-ratio').props.value).toBe('1,4');
    expect(screen.getByText('A share of the frame')).toBe(share);
    fireEvent.press(share);
    expect(words()).toMatch(/14 mm across 70 % of 24 mm needs 1.2 : 1/);
    expect(words()).toContain('Trying every combination');
    SlowWorker.last.answer();
    expect(screen.getByTestId('plan-count')).toHaveTextContent(/reach 1.2 : 1/);
    fireEvent.press(screen.getByText('Several ratios'));
    expect(screen.queryByText('What I care for')).toBeNull();
    SlowWorker.last.answer();
    expect(screen.getByLabelText('Round').children).toHaveLength(3);
  });

  it('is stopped, and goes on', async () => {
    await renderWithKit(<RatioPlanPage />);
    fireEvent.press(screen.getByText('Stop'));
    expect(SlowWorker.last.terminate).toHaveBeenCalled();
    expect(words()).toContain('Stopped.');
    fireEvent.press(screen.getByText('Go on'));
    SlowWorker.last.answer();
    expect(screen.getByTestId('plan-count')).toBeTruthy();
  });
});

describe('the pages close up', () => {
  it('three sizes never mix, and the pixels stay', async () => {
    await renderWithKit(<SizesPage />);
    for (const each of ['Reproduction ratio', 'Framed magnification', 'On the screen', 'The pixels stay'])
      expect(words()).toContain(each);
    await act(async () => usePreferences.setState({ screenWidthMm: 600 }));
    expect(words()).toContain('21.1 ×');
  });

  it('which f-number: sets the best one', async () => {
    await renderWithKit(<AperturePage />);
    fireEvent.press(screen.getByText(/^Set f\//));
    expect(useInHand.now().nearFNumber).toBeGreaterThan(8);
  });

  it('focus stack: depth, overlap and rail change the table', async () => {
    await renderWithKit(<StackPage />);
    type('cover-field', '5');
    const before = words();
    const frames = (text: string) => Number(/(\d+) frames/.exec(text)?.[1]);
    type('cover-field', '10');
    expect(frames(words())).toBeGreaterThan(frames(before));
    fireEvent.press(screen.getByText('Knob, turns'));
    expect(words()).toContain('turns');
    expect(words()).toContain('The subject must hold still: no chilling or gluing for it.');
  });

  it('sensors compared: the sentence changes with what is held equal', async () => {
    await renderWithKit(<SensorsPage />);
    const same = words();
    expect(same).toContain('it frames tighter');
    fireEvent.press(screen.getByText('Same picture'));
    expect(words()).toContain('Opened by the ratio of the sensors');
  });

  it.each([
    ['Sizes', SizesPage],
    ['Aperture', AperturePage],
    ['Stack', StackPage],
    ['Sensors', SensorsPage],
    ['Measure', MeasurePage],
  ] as const)('%s without anything in hand says so', async (_, Page) => {
    await renderWithKit(<Page />, { held: {} });
    expect(words()).toContain('No set-up yet. Choose your body’s format');
    await renderWithKit(<Page />, { silent: true });
    expect(words()).toContain('Opening …');
  });
});

it('stands in three columns on a wide screen, with the groups open', async () => {
  jest.spyOn(Dimensions, 'get').mockReturnValue({ width: 1280, height: 800, scale: 1, fontScale: 1 });
  await renderWithKit(<NearDesk />);
  expect(words()).toContain('In hand');
});
