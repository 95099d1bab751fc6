import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import {
  deviceStorage,
  isBetween,
  isListOf,
  isObject,
  isObjectOf,
  isOneOf,
  isText,
  orNull,
  type Fits,
} from './deviceState';
import { restingStorage } from './restingStorage';
import type { CocSchool } from '@/core/output/circleOfConfusion';
import type { JudgeBy } from '@/core/far/readFar';
import type { Setup } from '@/contract/schemas/setup';
import type { FarPatch, LeverKind } from '@/core/far/levers';
import type { NearLeverKind } from '@/core/near/nearLevers';
import type { CropConventionChoice } from '@/core/optics/foldSystem';
import { USUAL_HAND_HOLD_RATIO, USUAL_SCREEN_WIDTH_MM } from '@/core/near/usual';
import type { UnitSystem } from '@/core/quantity/units';

/** How a person wants to read; kept on the device. */
export interface Preferences {
  units: UnitSystem;
  cropConvention: CropConventionChoice;
  judgeBy: JudgeBy;
  cocSchool: CocSchool;
  look: 'day' | 'night' | 'dim';
  /** Width at which pictures are looked at, mm, and the ratio up to which this person holds by hand. */
  screenWidthMm: number;
  handHoldRatio: number;
}

/** A part of a set-up's chain, as it is stored. */
export type Link = Setup['chain'][number];

/** What a lever of any desk would change. */
export interface Patch extends FarPatch {
  nearRatio?: number;
  nearFNumber?: number;
  chain?: Link[];
}

/** What a lever acts on: of each, one can be tried at a time. */
export type TrialKind = LeverKind | NearLeverKind;

/** A lever being tried: what it changes, remembered so that a second tap takes it back. */
export interface Trial {
  leverId: string;
  patch: Patch;
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
  /** Another chain on the same body. */
  chain: Link[] | null;
  /** Close up: the ratio the lens is turned to, and the f-number set. */
  nearRatio: number | null;
  nearFNumber: number | null;
  trials: Partial<Record<TrialKind, Trial>>;
  chooseSetup: (id: string) => void;
  chooseSubject: (id: string) => void;
  chooseOutput: (id: string) => void;
  setDistanceM: (distanceM: number) => void;
  setFocalMm: (focalMm: number) => void;
  setModeId: (modeId: string) => void;
  setNearRatio: (ratio: number) => void;
  setNearFNumber: (fNumber: number) => void;
  /** Tries a lever, or takes it back when it is being tried. */
  toggleTrial: (kind: TrialKind, trial: Trial) => void;
  /** Makes what is tried the new starting point. */
  adoptTrials: () => void;
  prefer: (change: Partial<Preferences>) => void;
}

const AS_STORED = {
  distanceM: null,
  focalMm: null,
  modeId: null,
  converterIds: null,
  chain: null,
  nearRatio: null,
  nearFNumber: null,
  trials: {},
};
/** What belongs to a set-up and falls away with it. */
const OF_SETUP = { focalMm: null, modeId: null, converterIds: null, chain: null, nearRatio: null };

const without = <K extends string, T>(record: Partial<Record<K, T>>, key: K): Partial<Record<K, T>> => {
  const { [key]: _, ...rest } = record;
  return rest as Partial<Record<K, T>>;
};

/** Where it is kept. What is dragged comes sixty times a second and is written when it rests; a choice at once. */
const device = restingStorage(() => localStorage);

const isId = isText(64);
const isLength = isBetween(0, 1e9);
const isLink = isObjectOf({ type: isOneOf('optic', 'adapter'), id: isId });
const PATCH_FITS: Fits<Patch> = {
  distanceM: isLength,
  focalMm: isLength,
  modeId: isId,
  converterIds: isListOf(isId),
  setupId: isId,
  nearRatio: isBetween(0, 1e6),
  nearFNumber: isBetween(0.01, 1e6),
  chain: isListOf(isLink),
};
const isPatch = (value: unknown): boolean =>
  isObject(value) && Object.entries(value).every(([key, each]) => PATCH_FITS[key as keyof Patch]?.(each) ?? false);
const isTrials = (value: unknown): boolean =>
  isObject(value) && Object.values(value).every((trial) => isObjectOf({ leverId: isText(400), patch: isPatch })(trial));

/** What of a stored state is taken. */
const FITS: Fits<InHand> = {
  units: isOneOf('metric', 'imperial'),
  cropConvention: isOneOf('usual', 'diagonal', 'width', 'height', 'sameAspect'),
  judgeBy: isOneOf('resolved', 'sampled'),
  cocSchool: isOneOf('diagonal', 'output', 'pixel'),
  look: isOneOf('day', 'night', 'dim'),
  screenWidthMm: isBetween(1, 1e5),
  handHoldRatio: isBetween(0, 1e3),
  setupId: orNull(isId),
  subjectId: orNull(isId),
  outputId: orNull(isId),
  distanceM: orNull(isLength),
  focalMm: orNull(isLength),
  modeId: orNull(isId),
  converterIds: orNull(isListOf(isId)),
  chain: orNull(isListOf(isLink)),
  nearRatio: orNull(isBetween(0, 1e6)),
  nearFNumber: orNull(isBetween(0.01, 1e6)),
  trials: isTrials,
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
      screenWidthMm: USUAL_SCREEN_WIDTH_MM,
      handHoldRatio: USUAL_HAND_HOLD_RATIO,
      setupId: null,
      subjectId: null,
      outputId: null,
      ...AS_STORED,
      chooseSetup: (setupId) => set({ setupId, ...OF_SETUP, trials: {} }),
      chooseSubject: (subjectId) => set({ subjectId, distanceM: null, trials: {} }),
      chooseOutput: (outputId) => set({ outputId }),
      setDistanceM: (distanceM) =>
        device.resting(() => set((state) => ({ distanceM, trials: without(state.trials, 'distance') }))),
      setFocalMm: (focalMm) =>
        device.resting(() => set((state) => ({ focalMm, trials: without(state.trials, 'focal') }))),
      setModeId: (modeId) => set((state) => ({ modeId, trials: without(state.trials, 'mode') })),
      setNearRatio: (nearRatio) =>
        device.resting(() => set((state) => ({ nearRatio, trials: without(state.trials, 'ratio') }))),
      setNearFNumber: (nearFNumber) =>
        device.resting(() => set((state) => ({ nearFNumber, trials: without(state.trials, 'aperture') }))),
      toggleTrial: (kind, trial) =>
        set((state) =>
          state.trials[kind]?.leverId === trial.leverId
            ? { trials: without(state.trials, kind) }
            : // Another set-up brings its own chain and mode: what was tried on the present one falls away.
              { trials: { ...(kind === 'setup' ? keepDistance(state.trials) : state.trials), [kind]: trial } },
        ),
      adoptTrials: () =>
        set((state) => {
          const patch: Patch = Object.assign({}, ...Object.values(state.trials).map((trial) => trial.patch)) as Patch;
          return {
            trials: {},
            ...(patch.setupId === undefined ? {} : { setupId: patch.setupId, ...OF_SETUP }),
            // A new chain brings its own range of ratios and its own converters.
            ...(patch.chain === undefined ? {} : { chain: patch.chain, converterIds: null, nearRatio: null }),
            ...(patch.nearRatio === undefined ? {} : { nearRatio: patch.nearRatio }),
            ...(patch.nearFNumber === undefined ? {} : { nearFNumber: patch.nearFNumber }),
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
      storage: deviceStorage(device.opened, FITS),
      partialize: (state) => state as Partial<InHand>,
      version: 1,
    },
  ),
);

function keepDistance(trials: Partial<Record<TrialKind, Trial>>): Partial<Record<TrialKind, Trial>> {
  return trials.distance ? { distance: trials.distance } : {};
}
