import { create } from 'zustand';
import { createJSONStorage, persist } from 'zustand/middleware';

/** What the mode table is worked out for; kept on the device. */
interface TableSettings {
  /** Card, GB as printed on it. */
  cardGb: number;
  pixelsPerInch: number;
  set: (change: Partial<Pick<TableSettings, 'cardGb' | 'pixelsPerInch'>>) => void;
}

export const useTableSettings = create<TableSettings>()(
  persist((set) => ({ cardGb: 128, pixelsPerInch: 240, set: (change) => set(change) }), {
    name: 'jauge.tableSettings',
    storage: createJSONStorage(() => localStorage),
    version: 1,
  }),
);
