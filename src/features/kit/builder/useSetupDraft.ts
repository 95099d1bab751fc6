import { useRef, useState } from 'react';
import type { Setup } from '@/contract/schemas/setup';
import { useDrafts } from '@/data/drafts';
import { useHoldsText } from '@/data/holdsText';
import { useKeepOnLeave } from '@/data/useKeepOnLeave';

/** A set-up being built. Left without saving it is there again the next time; `done` ends that. */
export function useSetupDraft(key: string, initial: Setup) {
  const { drafts, keep, drop } = useDrafts();
  const [restored, setRestored] = useState(drafts[key] !== undefined);
  const [setup, setSetup] = useState<Setup>((drafts[key] as Setup | undefined) ?? initial);
  const finished = useRef(false);
  useHoldsText(setup !== initial);
  useKeepOnLeave(() => {
    if (!finished.current && JSON.stringify(setup) !== JSON.stringify(initial)) keep(key, setup);
  });
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
