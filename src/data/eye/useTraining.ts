import { useCallback, useMemo, useState } from 'react';
import type { Guess } from '@/contract/schemas/guess';
import type { Exercise, TrainKind } from '@/core/train/exercise';
import { judge, type Judged } from '@/core/train/judge';
import { makeExercise } from '@/core/train/kinds';
import { inOrder, standings, type Answered, type Standing } from '@/core/train/schedule';
import { usePreferences } from '../preferences';
import { createRow } from '../rowActions';
import { useKit } from '../useKit';
import { useRows } from '../useRows';
import { trainKitOf } from './trainKit';

/** An answer of a row as the scheduler takes it. */
const answeredOf = ({ kind, level, right, grade, answeredAt }: Guess): Answered => ({
  kind,
  level,
  right,
  grade,
  answeredMs: Date.parse(answeredAt),
});

/** One exercise while it is looked at, and what the guess was worth once it is given. */
export interface Turn {
  exercise: Exercise;
  judged: Judged | null;
}

export interface Training {
  loading: boolean;
  failed: boolean;
  retry: () => void;
  guesses: readonly Guess[];
  standings: readonly Standing[];
  /** Of this sitting: answers given, and how many were right. */
  given: number;
  right: number;
  /** Five minutes are over. */
  over: boolean;
  turn: Turn | null;
  /** The next exercise: of a kind, or of the one whose turn it is. */
  next: (kind?: TrainKind) => void;
  answer: (guess: string | number, words: { guess: string; truth: string }) => void;
  stop: () => void;
}

const SEEDS = 2 ** 32;
/** Chance that reaches the outside: which exercise comes is not reckoned. */
const newSeed = (): number => Math.floor(Math.random() * SEEDS);
const TRIES = 4;
/** A sitting is meant to last so long, ms. */
const SITTING_MS = 300_000;
const NEW_SITTING = { given: 0, right: 0, startedMs: 0, over: false };

/** Training the eye: what comes next, judging, and keeping every answer. */
export function useTraining(): Training {
  const { rows, loading, failed, retry } = useRows('guesses');
  const { kit, loading: opening } = useKit();
  const units = usePreferences((state) => state.units);
  const trainKit = useMemo(() => trainKitOf(kit), [kit]);
  const guesses = useMemo(
    () => rows.map(({ data }) => data).sort((a, b) => a.answeredAt.localeCompare(b.answeredAt)),
    [rows],
  );
  const known = useMemo(() => standings(guesses.map(answeredOf)), [guesses]);
  const [turn, setTurn] = useState<Turn | null>(null);
  const [sitting, setSitting] = useState(NEW_SITTING);
  const next = useCallback(
    (kind?: TrainKind) => {
      const order = inOrder(known, Date.now()).filter((each) => kind === undefined || each.kind === kind);
      // Not the same kind twice in a row, where there is another.
      const last = kind === undefined ? turn?.exercise.kind : undefined;
      const sorted = [...order.filter((each) => each.kind !== last), ...order.filter((each) => each.kind === last)];
      for (const { kind: each, level } of sorted)
        for (let i = 0; i < TRIES; i += 1) {
          const exercise = makeExercise(each, { kit: trainKit, level, seed: newSeed(), units });
          if (exercise) {
            setSitting((now) => (now.startedMs ? now : { ...now, startedMs: Date.now() }));
            return setTurn({ exercise, judged: null });
          }
        }
    },
    [known, trainKit, turn, units],
  );
  const answer = useCallback(
    (guess: string | number, words: { guess: string; truth: string }) => {
      if (!turn || turn.judged) return;
      const { kind, level, seed, ask } = turn.exercise;
      const judged = judge(ask, level, guess);
      createRow('guesses', { kind, level, seed, ...words, ...judged, answeredAt: new Date().toISOString() });
      setSitting(({ given, right, startedMs }) => ({
        given: given + 1,
        right: right + (judged.right ? 1 : 0),
        startedMs,
        over: Date.now() - startedMs > SITTING_MS,
      }));
      setTurn({ ...turn, judged });
    },
    [turn],
  );
  return {
    loading: loading || opening,
    failed,
    retry,
    guesses,
    standings: known,
    given: sitting.given,
    right: sitting.right,
    over: sitting.over,
    turn,
    next,
    answer,
    stop: () => {
      setTurn(null);
      setSitting(NEW_SITTING);
    },
  };
}
