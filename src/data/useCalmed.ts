import { startTransition, useEffect, useRef, useState } from 'react';

/**
 * A value that follows another a little behind: at once when `urgent` says so, else at most every `everyMs`, and always up
 * to the last one. For what is costly to draw and need not keep step with a finger.
 *
 * @param urgent tells whether the step from the followed value to the new one must not wait
 */
export function useCalmed<T>(value: T, everyMs: number, urgent: (from: T, to: T) => boolean): T | null {
  const [calmed, setCalmed] = useState<T | null>(null);
  const latest = useRef(value);
  const shown = useRef<T | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  useEffect(() => {
    latest.current = value;
    const now = shown.current === null || urgent(shown.current, value);
    if (timer.current !== null && !now) return;
    if (timer.current !== null) clearTimeout(timer.current);
    timer.current = setTimeout(
      () => {
        timer.current = null;
        shown.current = latest.current;
        startTransition(() => setCalmed(latest.current));
      },
      now ? 0 : everyMs,
    );
  }, [value, everyMs, urgent]);
  useEffect(
    () => () => {
      if (timer.current !== null) clearTimeout(timer.current);
      timer.current = null;
    },
    [],
  );
  return calmed;
}
