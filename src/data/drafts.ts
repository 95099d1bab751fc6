import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { deviceStorage, isObject } from './deviceState';

/** Forms that were left without saving, by what they edit, so that nothing typed is lost. Kept while the tab is open. */
interface Drafts {
  drafts: Record<string, unknown>;
  keep: (key: string, values: unknown) => void;
  drop: (key: string) => void;
}

export const useDrafts = create<Drafts>()(
  persist(
    (set) => ({
      drafts: {},
      keep: (key, values) => set((state) => ({ drafts: { ...state.drafts, [key]: values } })),
      drop: (key) =>
        set((state) => {
          const { [key]: _, ...drafts } = state.drafts;
          return { drafts };
        }),
    }),
    {
      name: 'jauge.drafts',
      storage: deviceStorage<Drafts>(() => sessionStorage, { drafts: isObject }),
      partialize: (state) => state as Partial<Drafts>,
      version: 1,
    },
  ),
);
