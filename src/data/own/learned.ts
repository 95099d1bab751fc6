import { useMemo } from 'react';
import { create } from 'zustand';
import type { Learned } from '@/core/learned/learn';
import { NOTHING_LEARNED, withoutOff } from '@/core/learned/own';
import { usePreferences } from '../preferences';

/** What the Book says, worked out away from the page. */
interface LearnedState {
  /** Everything learned; of an earlier state of the Book while a newer one is looked through, null before the first. */
  learned: Learned | null;
  /** How many groups were judged; null before they are counted. */
  judged: number | null;
  failed: boolean;
  retry: () => void;
}

export const useLearned = create<LearnedState>(() => ({ learned: null, judged: null, failed: false, retry: () => {} }));

/** What one's own pictures say, without what was switched off; nothing until it is known. */
export function useOwn(): Learned {
  const learned = useLearned((state) => state.learned);
  const off = usePreferences((state) => state.saysOff);
  return useMemo(() => (learned ? withoutOff(learned, off) : NOTHING_LEARNED), [learned, off]);
}
