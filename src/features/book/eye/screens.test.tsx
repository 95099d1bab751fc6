import { fireEvent, screen } from '@testing-library/react-native';
import { TRAIN_NAMES, type Ask } from '@/core/train/exercise';
import { judge } from '@/core/train/judge';
import { useOutbox } from '@/data/outbox';
import { demoGuesses } from '@/demo/guesses';
import type { Guess } from '@/contract/schemas/guess';
import { demoHeld, renderWithKit, words } from '../../../../tests/support/renderWithKit';
import EyePage from './EyePage';
import { progressWords } from './Progress';
import { amountText, guessWords, verdictWords } from './guessWords';

jest.mock('expo-router', () => ({
  Link: ({ children }: { children: unknown }) => children,
  useRouter: () => ({ push: jest.fn(), back: jest.fn(), canGoBack: () => false, replace: jest.fn() }),
}));
jest.mock('@/data/outbox/sending');
const mockFails = { now: false };
jest.mock('@/data/eye/developing', () => ({
  developAll: (orders: unknown[], onDone: (all: unknown[]) => void, onFailed: () => void) => {
    if (mockFails.now) onFailed();
    else onDone(orders.map(() => ({ width: 4, height: 4, grey: new Float64Array(16) })));
    return () => {};
  },
}));

beforeEach(() => {
  mockFails.now = false;
  useOutbox.setState({ entries: new Map(), waiting: [], refused: [] });
  URL.createObjectURL = () => 'blob:plate';
  URL.revokeObjectURL = () => {};
});
afterEach(() => jest.restoreAllMocks());

const kept = () =>
  useOutbox.getState().waiting.flatMap((change) => ('data' in change ? [change.data as unknown as Guess] : []));

describe('training the eye', () => {
  it('shows where one stands with every kind', async () => {
    await renderWithKit(<EyePage />);
    expect(await screen.findByText('Begin')).toBeTruthy();
    for (const name of Object.values(TRAIN_NAMES)) expect(words()).toContain(name);
    expect(
      screen.getByLabelText(/^How many pixels are on it\? Level 3 of 5, 4 of 4 right, of late 1\.\d times off/),
    ).toBeTruthy();
    await renderWithKit(<EyePage />, { held: { ...demoHeld(), guesses: [] } });
    expect(await screen.findByLabelText(/^Which ratio is it\? Level 1 of 5, not met yet/)).toBeTruthy();
  });

  it('asks, judges a choice, tells what is true, keeps the answer and goes on with another kind', async () => {
    await renderWithKit(<EyePage />);
    fireEvent.press(await screen.findByTestId('practise-enlarged'));
    expect(words()).toContain('Was the second enlarged from the same picture');
    expect(screen.getAllByTestId(/^plate-/)).toHaveLength(2);
    fireEvent.press(screen.getByTestId('choose-magnified'));
    expect(words()).toMatch(/Right: “Magnified|Not this time\. You said “Magnified: more detail”; it is “Enlarged/);
    expect(words()).toContain('Pixels that see the subject');
    const [guess] = kept();
    expect(guess).toMatchObject({ kind: 'enlarged', level: 2, guess: 'Magnified: more detail' });
    expect(guess!.right).toBe(guess!.truth === guess!.guess);
    fireEvent.press(screen.getByTestId('next'));
    expect(words()).not.toContain('Enlarged, or magnified?');
    expect(words()).toMatch(/[01] of 1 right/);
    fireEvent.press(screen.getByTestId('stop'));
    expect(screen.getByText('Begin')).toBeTruthy();
  });

  it('takes an amount from the rule', async () => {
    await renderWithKit(<EyePage />);
    fireEvent.press(await screen.findByTestId('practise-smallSensor'));
    fireEvent.press(screen.getByTestId('answer'));
    const [guess] = kept();
    const [, shown] = /f\/([\d.]+)/.exec(guess!.guess)!;
    const [, truth] = /f\/([\d.]+)/.exec(guess!.truth)!;
    expect(guess!.offDoublings).toBeCloseTo(Math.abs(Math.log2(Number(shown) / Number(truth))), 1);
    expect(words()).toMatch(
      /(Right|Not this time): you said f\/9\.5, it is f\/[\d.]+: (met|[\d.]+ times too (much|little))\./,
    );
  });

  it('goes on where a picture could not be taken, and says when answers cannot be read', async () => {
    mockFails.now = true;
    await renderWithKit(<EyePage />);
    fireEvent.press(await screen.findByTestId('practise-ruler'));
    expect(words()).toContain('Not taken: a part of Jauge did not arrive.');
    await renderWithKit(<EyePage />, { unreachable: true });
    expect(words()).toContain('could not be read. See that the server runs');
  });

  it('has something to ask without any kit', async () => {
    await renderWithKit(<EyePage />, { held: {} });
    fireEvent.press(await screen.findByTestId('begin'));
    expect(words()).toMatch(/level 1 of 5/);
  });
});

describe('words of a guess', () => {
  const amount = (unit: 'px' | ':1' | 'f/', truth: number): Ask => ({
    type: 'amount',
    unit,
    low: 0.1,
    high: 1e4,
    truth,
  });
  it('name guess and truth in the unit asked', () => {
    expect(amountText({ unit: 'px' }, 1234)).toBe('1,230\u202fpx');
    expect(guessWords(amount(':1', 0.5), 2)).toEqual({ guess: '2 : 1', truth: '1 : 2' });
    const ask = amount('f/', 8);
    expect(verdictWords(ask, 8, judge(ask, 1, 8))).toBe('Right: you said f/8, it is f/8: met.');
    expect(verdictWords(ask, 4, judge(ask, 5, 4))).toBe('Not this time: you said f/4, it is f/8: 2 times too little.');
  });
  it('tell how it went of late', () => {
    const demo = demoGuesses().map(({ data }) => data);
    const of = (kind: Guess['kind']) => progressWords(demo.filter((each) => each.kind === kind));
    expect(of('lever')).toBe('1 of 2 right');
    expect(of('ruler')).toMatch(/^4 of 4 right, of late 1\.[12] times off$/);
    expect(progressWords([])).toBe('not met yet');
  });
});
