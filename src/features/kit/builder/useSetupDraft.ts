import { useEffect, useRef, useState } from 'react';
import type { Setup } from '@/contract/schemas/setup';
import { useDrafts } from '@/data/drafts';

/** A set-up being built. Left without saving it is there again the next time; `done` ends that. */
export function useSetupDraft(key: string, initial: Setup) {
  const { drafts, keep, drop } = useDrafts();
  const [restored, setRestored] = useState(drafts[key] !== undefined);
  const [setup, setSetup] = useState<Setup>((drafts[key] as Setup | undefined) ?? initial);
  const latest = useRef(setup);
  const finished = useRef(false);
  useEffect(() => {
    latest.current = setup;
  }, [setup]);
  useEffect(
    () => () => {
      if (!finished.current && JSON.stringify(latest.current) !== JSON.stringify(initial)) keep(key, latest.current);
    },
    // Only when the builder goes away.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [],
  );
  return {
    setup,
    restored,
    change: (part: Partial<Setup>) => setSetup((old) => ({ ...old, ...part })),
    startAfresh: () => {
      drop(key);
      setRestored(false);
      setSetup(initial);
    },
    done: () => {
      finished.current = true;
      drop(key);
    },
  };
}
