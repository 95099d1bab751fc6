import { useCallback, useEffect, useRef, useState } from 'react';
import type { SeveralAsk, SeveralFoundOf } from '@/core/measure/severalTalk';
import type { Problem } from '@/core/quantity/result';
import { askSeveral } from '@/data/bench/several';

export interface Several<T> {
  found: T | null;
  /** How far it is, 0 to 1; nothing while nothing is under way. */
  share: number | null;
  problem: Problem | null;
  stop: () => void;
}

/** Asks several pictures something together, once at a time; leaving the page stops it. */
export function useSeveral<A extends SeveralAsk>(): Several<SeveralFoundOf[A['ask']]> & { ask: (asked: A) => void } {
  const [state, setState] = useState<Omit<Several<SeveralFoundOf[A['ask']]>, 'stop'>>({
    found: null,
    share: null,
    problem: null,
  });
  const ending = useRef<(() => void) | null>(null);
  const stop = useCallback(() => {
    ending.current?.();
    ending.current = null;
  }, []);
  useEffect(() => stop, [stop]);
  const ask = useCallback(
    (asked: A) => {
      stop();
      setState({ found: null, share: 0, problem: null });
      const under = askSeveral(asked, (share) => setState((before) => ({ ...before, share })));
      ending.current = under.stop;
      void under.answer.then((answer) => {
        if (answer.ok) setState({ found: answer.value, share: null, problem: null });
        else
          setState({
            found: null,
            share: null,
            problem: answer.problem.code === 'bench.stopped' ? null : answer.problem,
          });
      });
    },
    [stop],
  );
  return { ...state, ask, stop };
}
