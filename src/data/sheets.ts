import { create } from 'zustand';

export type SheetName = 'setup' | 'subject' | 'preferences' | 'site';

/** Which sheet of the slate is open. */
interface Sheets {
  sheet: SheetName | null;
  open: (sheet: SheetName) => void;
  close: () => void;
}

export const useSheets = create<Sheets>()((set) => ({
  sheet: null,
  open: (sheet) => set({ sheet }),
  close: () => set({ sheet: null }),
}));
