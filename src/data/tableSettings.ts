import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { deviceStorage, isBetween } from './deviceState';

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
    storage: deviceStorage<TableSettings>(() => localStorage, {
      cardGb: isBetween(0.001, 1e6),
      pixelsPerInch: isBetween(1, 1e5),
    }),
    partialize: (state) => state as Partial<TableSettings>,
    version: 1,
  }),
);
