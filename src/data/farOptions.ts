import { create } from 'zustand';
import { createJSONStorage, persist } from 'zustand/middleware';
import type { Background } from '@/core/far/farMore';
import type { Stance } from '@/core/far/sideBySide';

/** What the Far desk is told besides set-up, subject and output; kept on the device. */
interface FarOptions {
  background: Background;
  /** Across the view, m/s; null: as usual for the subject. */
  speedMPerS: number | null;
  /** Set-ups laid beside each other; empty: the one in hand and the next ones of the kit. */
  compareIds: string[];
  stance: Stance;
  set: (change: Partial<Pick<FarOptions, 'background' | 'speedMPerS' | 'compareIds' | 'stance'>>) => void;
}

export const useFarOptions = create<FarOptions>()(
  persist(
    (set) => ({
      background: { kind: 'ground', cameraHeightM: 1.5, subjectHeightM: 0.25 },
      speedMPerS: null,
      compareIds: [],
      stance: 'sameSpot',
      set: (change) => set(change),
    }),
    { name: 'jauge.farOptions', storage: createJSONStorage(() => localStorage), version: 1 },
  ),
);
