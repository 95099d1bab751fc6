import { createContext, useContext } from 'react';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { useShallow } from 'zustand/react/shallow';
import type { StarsInput } from '@/core/sky/readStars';
import { carriedOver } from './carryOver';
import { deviceStorage, isObject, isObjectOf, isOneOf, isText, orNull, type NestedFits } from './deviceState';
import {
  EMPTY_HAND,
  HAND_FITS,
  OF_SETUP,
  PLACES,
  adopted,
  withField,
  withTrial,
  type ChainRow,
  type Hand,
  type Place,
  type Trial,
  type TrialKind,
} from './hand';
import { restingStorage } from './restingStorage';
import { DRAGGED, OPTION_FITS, USUAL_SKY, type SkyOptions } from './skyOptions';

/** A lever of the sky being tried: what it replaced, and how the core is told so. */
export interface SkyTrial {
  id: string;
  from: Partial<SkyOptions>;
  ways: Partial<StarsInput>;
}

/** All that is in hand: place by place, and what the Sky is told; kept on the device. */
interface Hands {
  /** The place one is in, or was in last. */
  place: Place;
  hands: Partial<Record<Place, Hand>>;
  sky: SkyOptions;
  skyTrial: SkyTrial | null;
}

/** What can be done with what is in hand in the place one is in. */
interface HandActions {
  chooseSetup: (id: string) => void;
  chooseSubject: (id: string) => void;
  chooseOutput: (id: string) => void;
  setDistanceM: (distanceM: number) => void;
  setFocalMm: (focalMm: number) => void;
  setModeId: (modeId: string) => void;
  /** Another use of the same parts, as a bellows drawn out while a finger pulls. */
  setChain: (chain: ChainRow[]) => void;
  setNearRatio: (ratio: number) => void;
  setNearFNumber: (fNumber: number) => void;
  /** Tries a lever, or takes it back when it is being tried. */
  toggleTrial: (kind: TrialKind, trial: Trial) => void;
  /** Makes what is tried the new starting point. */
  adoptTrials: () => void;
}

interface SkyActions {
  set: (change: Partial<SkyOptions>) => void;
  /** Tries a lever, or takes it back when it is being tried. */
  toggle: (id: string, change: Partial<SkyOptions>, ways: Partial<StarsInput>) => void;
  /** Makes what is tried the new starting point. */
  adopt: () => void;
}

/** Where it is kept. What is dragged comes sixty times a second and is written when it rests; a choice at once. */
const device = restingStorage(() => carriedOver(localStorage));

const isOptions = (value: unknown): boolean =>
  isObject(value) &&
  Object.entries(value).every(([key, each]) => OPTION_FITS[key as keyof SkyOptions]?.(each) ?? false);
const FITS: NestedFits = {
  place: isOneOf(...PLACES),
  hands: Object.fromEntries(PLACES.map((place) => [place, HAND_FITS])),
  sky: OPTION_FITS,
  skyTrial: orNull(isObjectOf({ id: isText(400), from: isOptions, ways: isObject })),
};

/** What a stored state becomes: hands and options with everything in them. */
function merged(stored: unknown, start: Hands): Hands {
  const { place, hands, sky, skyTrial } = (stored ?? {}) as Partial<Hands>;
  return {
    place: place ?? start.place,
    hands: Object.fromEntries(Object.entries(hands ?? {}).map(([key, hand]) => [key, { ...EMPTY_HAND, ...hand }])),
    sky: { ...start.sky, ...sky },
    skyTrial: skyTrial ?? null,
  };
}

export const useHands = create<Hands>()(
  persist((): Hands => ({ place: 'far', hands: {}, sky: USUAL_SKY, skyTrial: null }), {
    name: 'jauge.hands',
    storage: deviceStorage<Hands>(device.opened, FITS),
    partialize: (state) => state as Partial<Hands>,
    merge: merged,
    version: 1,
  }),
);

function changeHand(place: Place, change: (hand: Hand) => Hand): void {
  useHands.setState(({ hands }) => ({ hands: { ...hands, [place]: change(hands[place] ?? EMPTY_HAND) } }));
}
const dragHand = (place: Place, change: (hand: Hand) => Hand): void => device.resting(() => changeHand(place, change));

/** The actions of each place, made once, so that nothing is drawn again for their sake. */
const actionsOf = (place: Place): HandActions => ({
  chooseSetup: (setupId) => changeHand(place, (hand) => ({ ...hand, setupId, ...OF_SETUP, trials: {} })),
  chooseSubject: (subjectId) => changeHand(place, (hand) => ({ ...hand, subjectId, distanceM: null, trials: {} })),
  chooseOutput: (outputId) => changeHand(place, (hand) => ({ ...hand, outputId })),
  setDistanceM: (distanceM) => dragHand(place, (hand) => withField(hand, 'distance', 'distanceM', distanceM)),
  setFocalMm: (focalMm) => dragHand(place, (hand) => withField(hand, 'focal', 'focalMm', focalMm)),
  setModeId: (modeId) => changeHand(place, (hand) => withField(hand, 'mode', 'modeId', modeId)),
  setChain: (chain) => dragHand(place, (hand) => ({ ...withField(hand, 'chain', 'chain', chain), nearRatio: null })),
  setNearRatio: (ratio) => dragHand(place, (hand) => withField(hand, 'ratio', 'nearRatio', ratio)),
  setNearFNumber: (fNumber) => dragHand(place, (hand) => withField(hand, 'aperture', 'nearFNumber', fNumber)),
  toggleTrial: (kind, trial) => changeHand(place, (hand) => withTrial(hand, kind, trial)),
  adoptTrials: () => changeHand(place, adopted),
});
const ACTIONS = Object.fromEntries(PLACES.map((place) => [place, actionsOf(place)])) as Record<Place, HandActions>;

/** What is in hand in a place, with what can be done with it. */
export type InHand = Hand & HandActions;
const handIn = ({ hands }: Hands, place: Place): Hand => hands[place] ?? EMPTY_HAND;
const inHand = (state: Hands, place: Place): InHand => ({ ...handIn(state, place), ...ACTIONS[place] });

/** The place whose hand is read below here. */
export const PlaceContext = createContext<Place | null>(null);
export function usePlace(): Place {
  const last = useHands((state) => state.place);
  return useContext(PlaceContext) ?? last;
}

/** What is in hand in the place one is in. */
export function useInHand<T>(select: (hand: InHand) => T): T {
  const place = usePlace();
  return useHands(useShallow((state) => select(inHand(state, place))));
}
/** What is in hand at this moment, for what answers a tap. */
useInHand.now = (place: Place = useHands.getState().place): InHand => inHand(useHands.getState(), place);
/** Puts something in hand without a person's doing. */
useInHand.put = (change: Partial<Hand>, place: Place = useHands.getState().place): void => {
  changeHand(place, (hand) => ({ ...hand, ...change }));
};

/** Takes a set-up over to another place, on purpose. */
export const takeTo = (place: Place, setupId: string): void => ACTIONS[place].chooseSetup(setupId);

function setSky(change: Partial<SkyOptions>): void {
  useHands.setState(({ sky }) => ({ sky: { ...sky, ...change } }));
}
const SKY_ACTIONS: SkyActions = {
  set: (change) =>
    Object.keys(change).every((key) => DRAGGED.has(key)) ? device.resting(() => setSky(change)) : setSky(change),
  toggle: (id, change, ways) =>
    useHands.setState(({ sky, skyTrial }) => {
      if (skyTrial?.id === id) return { sky: { ...sky, ...skyTrial.from, exposureS: null }, skyTrial: null };
      const start = { ...sky, ...skyTrial?.from };
      const keys = Object.keys(change) as (keyof SkyOptions)[];
      const from = Object.fromEntries(keys.map((key) => [key, start[key]])) as Partial<SkyOptions>;
      return { sky: { ...start, ...change, exposureS: null }, skyTrial: { id, from, ways } };
    }),
  adopt: () => useHands.setState({ skyTrial: null }),
};

/** What the Sky is told, what is tried of it, and what can be done with it. */
export type Sky = SkyOptions & { tried: SkyTrial | null } & SkyActions;
const skyOf = ({ sky, skyTrial }: Hands): Sky => ({ ...sky, tried: skyTrial, ...SKY_ACTIONS });

export function useSky(): Sky;
export function useSky<T>(select: (sky: Sky) => T): T;
export function useSky<T>(select?: (sky: Sky) => T): T | Sky {
  return useHands(useShallow((state) => (select ? select(skyOf(state)) : skyOf(state))));
}
useSky.now = (): Sky => skyOf(useHands.getState());
