import type { Ask, Level } from './exercise';

/** What a guess is worth. */
export interface Judged {
  right: boolean;
  /** How far off an amount was, doublings: 0 where it is met, 1 at twice or half; nothing of a choice. */
  offDoublings?: number;
  /** As the scheduler counts it: again, hard, good, easy. */
  grade: 1 | 2 | 3 | 4;
}

/** How far off an amount may be and still be right, doublings, level by level. */
export const toleranceAt = (level: Level): number => [1, 0.7, 0.5, 0.35, 0.25][level - 1]!;

/** Within these shares of what is allowed an amount is easy, or good; beyond it is hard, or wrong. */
const [EASY, GOOD] = [0.2, 0.6];

/** Judges a guess: a choice is right or wrong, an amount the nearer the better. */
export function judge(ask: Ask, level: Level, guess: string | number): Judged {
  if (ask.type === 'choice') {
    const right = guess === ask.right;
    return { right, grade: right ? 3 : 1 };
  }
  const offDoublings = Math.abs(Math.log2(Number(guess) / ask.truth));
  const share = offDoublings / toleranceAt(level);
  const right = share <= 1;
  return { right, offDoublings, grade: share <= EASY ? 4 : share <= GOOD ? 3 : right ? 2 : 1 };
}
