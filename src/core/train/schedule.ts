import { createEmptyCard, fsrs, type Card, type Grade } from 'ts-fsrs';
import { LEVELS, TRAIN_KINDS, type Level, type TrainKind } from './exercise';

/** An answer as it is kept. */
export interface Answered {
  kind: TrainKind;
  level: Level;
  right: boolean;
  grade: 1 | 2 | 3 | 4;
  answeredMs: number;
}

/** Where a person stands with one kind. */
export interface Standing {
  kind: TrainKind;
  level: Level;
  /** When it is to come again, ms; nothing while it was never met. */
  dueMs?: number;
  answers: number;
}

/** So many right ones in a row make the next a level finer, one wrong a level plainer: about seven of ten are then right. */
const RIGHT_FOR_FINER = 2;

/** Intervals without chance: the same answers give the same plan on every device. */
const scheduler = fsrs({ enable_fuzz: false });

function levelAfter(answers: readonly Answered[]): Level {
  let [at, inRow] = [0, 0];
  for (const { right } of answers) {
    if (!right) [at, inRow] = [Math.max(0, at - 1), 0];
    else if ((inRow += 1) >= RIGHT_FOR_FINER) [at, inRow] = [Math.min(LEVELS.length - 1, at + 1), 0];
  }
  return LEVELS[at]!;
}

function dueAfter(answers: readonly Answered[]): number | undefined {
  const [first] = answers;
  if (!first) return undefined;
  const start: Card = createEmptyCard(first.answeredMs);
  const last = answers.reduce<Card>(
    (card, { answeredMs, grade }) => scheduler.next(card, answeredMs, grade as Grade).card,
    start,
  );
  return last.due.getTime();
}

/**
 * Where a person stands with every kind, by all answers: nothing else is kept.
 *
 * @source FSRS, the free spaced repetition scheduler, replayed; levels by a staircase of two up, one down
 */
export function standings(answers: readonly Answered[]): Standing[] {
  const sorted = [...answers].sort((a, b) => a.answeredMs - b.answeredMs);
  return TRAIN_KINDS.map((kind): Standing => {
    const own = sorted.filter((each) => each.kind === kind);
    const dueMs = dueAfter(own);
    return { kind, level: levelAfter(own), answers: own.length, ...(dueMs === undefined ? {} : { dueMs }) };
  });
}

/**
 * The kinds in the order in which they are to come: those due, the longest due first; then those never met, in their own
 * order; then what is due soonest.
 */
export function inOrder(all: readonly Standing[], nowMs: number): Standing[] {
  const rank = ({ dueMs }: Standing): number => (dueMs === undefined ? 1 : dueMs <= nowMs ? 0 : 2);
  return [...all].sort(
    (a, b) =>
      rank(a) - rank(b) || (a.dueMs ?? 0) - (b.dueMs ?? 0) || TRAIN_KINDS.indexOf(a.kind) - TRAIN_KINDS.indexOf(b.kind),
  );
}

/** How many are due now. */
export const dueCount = (all: readonly Standing[], nowMs: number): number =>
  all.filter(({ dueMs }) => dueMs !== undefined && dueMs <= nowMs).length;
