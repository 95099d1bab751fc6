import { create } from 'zustand';

export type SheetName = 'setup' | 'subject' | 'preferences' | 'site' | 'keys';

/** Which sheet of the slate is open. */
interface Sheets {
  sheet: SheetName | null;
  /** Which row of it, where one is meant. */
  at: string | null;
  open: (sheet: SheetName, at?: string) => void;
  close: () => void;
}

export const useSheets = create<Sheets>()((set) => ({
  sheet: null,
  at: null,
  open: (sheet, at) => set({ sheet, at: at ?? null }),
  close: () => set({ sheet: null, at: null }),
}));

/** In the sheet of subjects: what the pictures are for. */
export const OUTPUTS = 'outputs';
export const openOutputs = (): void => useSheets.getState().open('subject', OUTPUTS);
