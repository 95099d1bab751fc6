import { useMemo } from 'react';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { PREFERENCES, USUAL_PREFERENCES, isPreference, preferenceOf, type Preferences } from '@/core/preferences';
import type { Carrying } from '@/core/levers/carrying';
import { USUAL_HAND_HOLD_RATIO, USUAL_SCREEN_WIDTH_MM } from '@/core/near/usual';
import { carriedOver } from './carryOver';
import { deviceStorage, isBetween, isListOf, isOneOf, isText, type Fits } from './deviceState';

export type { Preferences } from '@/core/preferences';

/** How this person reads and looks; shared by all places and kept on the device. */
export interface OwnPreferences extends Preferences {
  look: 'day' | 'night' | 'dim';
  /** Black on white by day, for sunlight. */
  fullSun: boolean;
  /** The night look as soon as the place is dark. */
  nightByItself: boolean;
  keepAwake: boolean;
  /** A tick is felt on the rule. */
  ruleTick: boolean;
  oneHand: boolean;
  /** Whether single keys go to places and do things. */
  singleKeys: boolean;
  /** Width at which pictures are looked at, mm, and the ratio up to which this person holds by hand. */
  screenWidthMm: number;
  handHoldRatio: number;
  /** What set-ups are offered: all, those held by hand, those that fit a bag of a weight, kg. */
  carrying: Carrying['kind'];
  bagKg: number;
  /** ISO pictures are taken at, and stops over the meter, as far as noise goes. */
  iso: number;
  overStops: number;
  /** What of one's own pictures is not to count, by the keys of what the Book says. */
  saysOff: string[];
}

interface Store extends OwnPreferences {
  prefer: (change: Partial<OwnPreferences>) => void;
  /** Takes a school by the names its number carries; what is none of the table is passed over. */
  chooseSchool: (preference: string, choice: string) => void;
}

const choicesFit = Object.fromEntries(
  Object.entries(PREFERENCES).map(([key, { choices }]) => [key, isOneOf(...choices.map(({ value }) => value))]),
) as Fits<Preferences>;

/** What a person carries, as the core takes it. */
export const carryingOf = ({ carrying, bagKg }: Pick<OwnPreferences, 'carrying' | 'bagKg'>): Carrying =>
  carrying === 'bag' ? { kind: 'bag', mostG: bagKg * 1000 } : { kind: carrying };

/** The same of this person. */
export function useCarrying(): Carrying {
  const carrying = usePreferences((state) => state.carrying);
  const bagKg = usePreferences((state) => state.bagKg);
  return useMemo(() => carryingOf({ carrying, bagKg }), [carrying, bagKg]);
}

const isFlag = (value: unknown): boolean => typeof value === 'boolean';

/** What of a stored state is taken. */
export const PREFERENCES_FIT: Fits<OwnPreferences> = {
  ...choicesFit,
  look: isOneOf('day', 'night', 'dim'),
  fullSun: isFlag,
  nightByItself: isFlag,
  keepAwake: isFlag,
  ruleTick: isFlag,
  oneHand: isFlag,
  singleKeys: isFlag,
  screenWidthMm: isBetween(1, 1e5),
  handHoldRatio: isBetween(0, 1e3),
  carrying: isOneOf('all', 'hand', 'bag'),
  bagKg: isBetween(0.1, 1000),
  iso: isBetween(1, 1e7),
  overStops: isBetween(-6, 2),
  saysOff: isListOf(isText(400), 1000),
};

export const usePreferences = create<Store>()(
  persist(
    (set) => ({
      ...USUAL_PREFERENCES,
      look: 'day',
      fullSun: false,
      nightByItself: false,
      keepAwake: false,
      ruleTick: false,
      oneHand: false,
      singleKeys: true,
      screenWidthMm: USUAL_SCREEN_WIDTH_MM,
      handHoldRatio: USUAL_HAND_HOLD_RATIO,
      carrying: 'all',
      bagKg: 8,
      iso: 800,
      overStops: 0,
      saysOff: [],
      prefer: (change) => set(change),
      chooseSchool: (preference, choice) => {
        if (!isPreference(preference)) return;
        const value = preferenceOf(preference, choice);
        if (value !== undefined) set({ [preference]: value });
      },
    }),
    {
      name: 'jauge.preferences',
      storage: deviceStorage<Store>(() => carriedOver(localStorage), PREFERENCES_FIT),
      partialize: ({ prefer: _, chooseSchool: __, ...state }) => state as Partial<Store>,
      version: 1,
    },
  ),
);
