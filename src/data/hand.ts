import type { Setup } from '@/contract/schemas/setup';
import type { NearLeverKind } from '@/core/near/nearLevers';
import type { LeverKind } from '@/core/far/levers';
import {
  isBetween,
  isListOf,
  isObject,
  isObjectOf,
  isOneOf,
  isText,
  orNull,
  type Fits,
  type NestedFits,
} from './deviceState';

/** A place where something is read; each has its own set-up, subject and changes in hand. */
export const PLACES = ['far', 'near', 'stars', 'planets', 'deep'] as const;
export type Place = (typeof PLACES)[number];

/** A part of a set-up's chain, as it is stored. */
export type ChainRow = Setup['chain'][number];

/** What is chosen in a place, and what differs from it as stored; null: what suits the place, or as stored. */
export interface Held {
  setupId: string | null;
  subjectId: string | null;
  outputId: string | null;
  distanceM: number | null;
  focalMm: number | null;
  modeId: string | null;
  /** Another chain on the same body. */
  chain: ChainRow[] | null;
  /** Close up: the ratio the lens is turned to, and the f-number set. */
  nearRatio: number | null;
  nearFNumber: number | null;
}

/** What a lever would change of it; only the fields it changes are present. */
export type HandPatch = { [K in keyof Omit<Held, 'subjectId' | 'outputId'>]?: NonNullable<Held[K]> };

/** What a lever acts on: of each, one can be tried at a time. */
export type TrialKind = LeverKind | NearLeverKind;

/** A lever being tried: what it changes, remembered so that a second tap takes it back. */
export interface Trial {
  leverId: string;
  patch: HandPatch;
}

/** What is in hand in a place. */
export interface Hand extends Held {
  trials: Partial<Record<TrialKind, Trial>>;
}

/** Nothing chosen, nothing changed. */
export const EMPTY_HAND: Hand = {
  setupId: null,
  subjectId: null,
  outputId: null,
  distanceM: null,
  focalMm: null,
  modeId: null,
  chain: null,
  nearRatio: null,
  nearFNumber: null,
  trials: {},
};
/** What belongs to a set-up and falls away with it. */
export const OF_SETUP = { focalMm: null, modeId: null, chain: null, nearRatio: null } as const;

const isId = isText(64);
const isLength = isBetween(0, 1e9);
const isLink = isObjectOf({ type: isOneOf('optic', 'adapter'), id: isId });
const PATCH_FITS: Required<Fits<HandPatch>> = {
  distanceM: isLength,
  focalMm: isLength,
  modeId: isId,
  setupId: isId,
  nearRatio: isBetween(0, 1e6),
  nearFNumber: isBetween(0.01, 1e6),
  chain: isListOf(isLink),
};
const isPatch = (value: unknown): boolean =>
  isObject(value) && Object.entries(value).every(([key, each]) => PATCH_FITS[key as keyof HandPatch]?.(each) ?? false);
const isTrials = (value: unknown): boolean =>
  isObject(value) && Object.values(value).every((trial) => isObjectOf({ leverId: isText(400), patch: isPatch })(trial));

const HELD_FITS = Object.fromEntries(Object.entries(PATCH_FITS).map(([key, fits]) => [key, orNull(fits)]));
/** What each field of a hand may hold. */
export const HAND_FITS: NestedFits = {
  ...HELD_FITS,
  subjectId: orNull(isId),
  outputId: orNull(isId),
  trials: isTrials,
};

const without = <K extends string, T>(record: Partial<Record<K, T>>, key: K): Partial<Record<K, T>> => {
  const { [key]: _, ...rest } = record;
  return rest as Partial<Record<K, T>>;
};

/** A field set by hand: what was tried of the same kind falls away. */
export const withField = <K extends keyof Held>(hand: Hand, kind: TrialKind, key: K, value: Held[K]): Hand => ({
  ...hand,
  [key]: value,
  trials: without(hand.trials, kind),
});

/** Tries a lever, or takes it back when it is being tried. */
export function withTrial(hand: Hand, kind: TrialKind, trial: Trial): Hand {
  if (hand.trials[kind]?.leverId === trial.leverId) return { ...hand, trials: without(hand.trials, kind) };
  // Another set-up brings its own chain and mode: what was tried on the present one falls away.
  const kept = kind !== 'setup' ? hand.trials : hand.trials.distance ? { distance: hand.trials.distance } : {};
  return { ...hand, trials: { ...kept, [kind]: trial } };
}

/** Makes what is tried the new starting point. */
export function adopted(hand: Hand): Hand {
  const patch: HandPatch = Object.assign({}, ...Object.values(hand.trials).map((trial) => trial.patch)) as HandPatch;
  return {
    ...hand,
    ...(patch.setupId === undefined ? {} : OF_SETUP),
    // A new chain brings its own range of ratios.
    ...(patch.chain === undefined ? {} : { nearRatio: null }),
    ...patch,
    trials: {},
  };
}
