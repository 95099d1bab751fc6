import { create } from 'zustand';
import { createJSONStorage, persist } from 'zustand/middleware';
import { restingStorage } from './restingStorage';
import type { CocSchool } from '@/core/far/depth';
import type { JudgeBy } from '@/core/far/readFar';
import type { FarPatch, LeverKind } from '@/core/far/levers';
import type { CropConventionChoice } from '@/core/optics/foldSystem';
import type { UnitSystem } from '@/core/quantity/units';

/** How a person wants to read; kept on the device. */
export interface Preferences {
  units: UnitSystem;
  cropConvention: CropConventionChoice;
  judgeBy: JudgeBy;
  cocSchool: CocSchool;
  look: 'day' | 'night';
}

/** A lever being tried: what it changes, remembered so that a second tap takes it back. */
export interface Trial {
  leverId: string;
  patch: FarPatch;
}

interface InHand extends Preferences {
  setupId: string | null;
  subjectId: string | null;
  outputId: string | null;
  /** What differs from the set-up and the subject as stored; null: as stored. */
  distanceM: number | null;
  focalMm: number | null;
  modeId: string | null;
  converterIds: string[] | null;
  trials: Partial<Record<LeverKind, Trial>>;
  chooseSetup: (id: string) => void;
  chooseSubject: (id: string) => void;
  chooseOutput: (id: string) => void;
  setDistanceM: (distanceM: number) => void;
  setFocalMm: (focalMm: number) => void;
  setModeId: (modeId: string) => void;
  /** Tries a lever, or takes it back when it is being tried. */
  toggleTrial: (kind: LeverKind, trial: Trial) => void;
  /** Makes what is tried the new starting point. */
  adoptTrials: () => void;
  prefer: (change: Partial<Preferences>) => void;
}

const AS_STORED = { distanceM: null, focalMm: null, modeId: null, converterIds: null, trials: {} };

const without = <K extends string, T>(record: Partial<Record<K, T>>, key: K): Partial<Record<K, T>> => {
  const { [key]: _, ...rest } = record;
  return rest as Partial<Record<K, T>>;
};

/** What is in hand: the set-up and the subject chosen, what was changed on them, the levers being tried. */
export const useInHand = create<InHand>()(
  persist(
    (set) => ({
      units: 'metric',
      cropConvention: 'usual',
      judgeBy: 'resolved',
      cocSchool: 'diagonal',
      look: 'day',
      setupId: null,
      subjectId: null,
      outputId: null,
      ...AS_STORED,
      chooseSetup: (setupId) => set({ setupId, focalMm: null, modeId: null, converterIds: null, trials: {} }),
      chooseSubject: (subjectId) => set({ subjectId, distanceM: null, trials: {} }),
      chooseOutput: (outputId) => set({ outputId }),
      setDistanceM: (distanceM) => set((state) => ({ distanceM, trials: without(state.trials, 'distance') })),
      setFocalMm: (focalMm) => set((state) => ({ focalMm, trials: without(state.trials, 'focal') })),
      setModeId: (modeId) => set((state) => ({ modeId, trials: without(state.trials, 'mode') })),
      toggleTrial: (kind, trial) =>
        set((state) =>
          state.trials[kind]?.leverId === trial.leverId
            ? { trials: without(state.trials, kind) }
            : // Another set-up brings its own chain and mode: what was tried on the present one falls away.
              { trials: { ...(kind === 'setup' ? keepDistance(state.trials) : state.trials), [kind]: trial } },
        ),
      adoptTrials: () =>
        set((state) => {
          const patch: FarPatch = Object.assign({}, ...Object.values(state.trials).map((trial) => trial.patch)) as FarPatch;
          return {
            trials: {},
            ...(patch.setupId === undefined ? {} : { setupId: patch.setupId, focalMm: null, modeId: null, converterIds: null }),
            ...(patch.distanceM === undefined ? {} : { distanceM: patch.distanceM }),
            ...(patch.focalMm === undefined ? {} : { focalMm: patch.focalMm }),
            ...(patch.modeId === undefined ? {} : { modeId: patch.modeId }),
            ...(patch.converterIds === undefined ? {} : { converterIds: patch.converterIds }),
          };
        }),
      prefer: (change) => set(change),
    }),
    {
      name: 'jauge.inHand',
      storage: createJSONStorage(() => restingStorage(localStorage)),
      version: 1,
    },
  ),
);

function keepDistance(trials: Partial<Record<LeverKind, Trial>>): Partial<Record<LeverKind, Trial>> {
  return trials.distance ? { distance: trials.distance } : {};
}
