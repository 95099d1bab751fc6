import type { Guess } from '@/contract/schemas/guess';
import { judge } from '@/core/train/judge';
import type { DemoRow } from './kit';

type Amount = [kind: 'pixels' | 'ruler' | 'smallSensor', level: Guess['level'], guess: number, truth: number];
type Choice = [kind: Exclude<Guess['kind'], Amount[0]>, level: Guess['level'], guess: string, truth: string];

const SHOWN = {
  pixels: (px: number) => `${px} px`,
  ruler: (ratio: number) => `${ratio} : 1`,
  smallSensor: (n: number) => `f/${n}`,
};

/** Four evenings of five minutes: the guesses grow nearer. */
const EVENINGS: readonly (readonly (Amount | Choice)[])[] = [
  [
    ['pixels', 1, 2400, 1210],
    ['enlarged', 1, 'Magnified', 'Enlarged'],
    ['ruler', 1, 0.5, 0.84],
    ['smallSensor', 1, 4, 7.6],
    ['lever', 1, 'Ostrel ×2', 'Ostrel ×2'],
  ],
  [
    ['pixels', 1, 700, 480],
    ['enlarged', 1, 'Enlarged', 'Enlarged'],
    ['ruler', 1, 1.2, 1.4],
    ['smallSensor', 1, 8, 7.6],
    ['starField', 1, 'B', 'A'],
    ['resolves', 1, 'Marsh hide', 'Marsh hide'],
  ],
  [
    ['pixels', 2, 900, 1040],
    ['enlarged', 2, 'Magnified', 'Magnified'],
    ['ruler', 2, 0.4, 0.37],
    ['starField', 1, 'C', 'C'],
    ['fNumber', 1, 'f/11', 'f/5.6'],
  ],
  [
    ['pixels', 3, 1500, 1390],
    ['modeOrCrop', 1, 'The crop mode', 'The crop mode'],
    ['ruler', 3, 0.6, 0.63],
    ['smallSensor', 2, 11, 10.9],
    ['fNumber', 1, 'f/5.6', 'f/5.6'],
    ['lever', 2, '8 m closer', 'Ostrel ×1.4'],
  ],
];
const DAYS = ['2026-11-02', '2026-11-04', '2026-11-09', '2026-11-17'] as const;

const isAmount = (each: Amount | Choice): each is Amount => typeof each[3] === 'number';

function guessOf(each: Amount | Choice): Pick<Guess, 'guess' | 'truth' | 'right' | 'offDoublings' | 'grade'> {
  if (!isAmount(each)) {
    const [, level, guess, truth] = each;
    return { guess, truth, ...judge({ type: 'choice', options: [], right: truth }, level, guess) };
  }
  const [kind, level, guess, truth] = each;
  const judged = judge({ type: 'amount', unit: 'px', low: 0, high: 1e6, truth }, level, guess);
  return { guess: SHOWN[kind](guess), truth: SHOWN[kind](truth), ...judged };
}

/** Answers of the eye, one evening after the other. */
export const demoGuesses = (): DemoRow<Guess>[] =>
  EVENINGS.flatMap((evening, day) => evening.map((each, i) => ({ day, i, each }))).map(({ day, i, each }, at) => ({
    id: `00000000-0000-4000-8000-${String(9001 + at).padStart(12, '0')}`,
    data: {
      kind: each[0],
      level: each[1],
      seed: 100 + at,
      ...guessOf(each),
      answeredAt: `${DAYS[day]}T19:${String(30 + i).padStart(2, '0')}:00.000Z`,
    },
  }));
