import { create } from 'zustand';

/** A short message with at most one thing to do about it. */
export interface Notice {
  text: string;
  action?: { title: string; run: () => void };
}

interface Notices {
  notice: Notice | null;
  show: (notice: Notice) => void;
  clear: () => void;
}

export const useNotice = create<Notices>()((set) => ({
  notice: null,
  show: (notice) => set({ notice }),
  clear: () => set({ notice: null }),
}));
