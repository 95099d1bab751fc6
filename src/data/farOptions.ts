import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { Background } from '@/core/far/farMore';
import type { Stance } from '@/core/far/sideBySide';
import { deviceStorage, isBetween, isListOf, isObjectOf, isOneOf, isText, orNull, type Fits } from './deviceState';

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

const isMetres = isBetween(0, 1e9);
const isBackground = (value: unknown): boolean =>
  isObjectOf({ kind: isOneOf('distance'), distanceM: isMetres })(value) ||
  isObjectOf({ kind: isOneOf('ground'), cameraHeightM: isMetres, subjectHeightM: isMetres })(value);

const FITS: Fits<FarOptions> = {
  background: isBackground,
  speedMPerS: orNull(isBetween(0, 1e4)),
  compareIds: isListOf(isText(64)),
  stance: isOneOf(...(['sameSpot', 'sameFraming', 'samePicture'] satisfies Stance[])),
};

export const useFarOptions = create<FarOptions>()(
  persist(
    (set) => ({
      background: { kind: 'ground', cameraHeightM: 1.5, subjectHeightM: 0.25 },
      speedMPerS: null,
      compareIds: [],
      stance: 'sameSpot',
      set: (change) => set(change),
    }),
    {
      name: 'jauge.farOptions',
      storage: deviceStorage(() => localStorage, FITS),
      partialize: (state) => state as Partial<FarOptions>,
      version: 1,
    },
  ),
);
