import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { PlanetName } from '@/core/sky/planet';
import type { Projection } from '@/core/sky/projection';
import type { StarRule } from '@/core/sky/starRules';
import type { ReferenceExposure } from '@/core/sky/starExposure';
import type { StarsInput } from '@/core/sky/readStars';
import type { ToleranceKind } from '@/core/sky/tolerance';
import { deviceStorage, isBetween, isObject, isObjectOf, isOneOf, isText, orNull, type Fits } from './deviceState';
import { restingStorage } from './restingStorage';

/** Where one stands: of the shipped list, or entered. */
export interface SkySite {
  name: string;
  latitudeDeg: number;
  longitudeDeg: number;
  heightM: number;
  /** IANA name of the time zone there. */
  zone: string;
}

/** What the Sky desks are told besides the set-up; kept on the device. */
export interface SkyOptions {
  pointBy: 'declination' | 'horizon' | 'object';
  declinationDeg: number;
  rollDeg: number;
  azimuthDeg: number;
  altitudeDeg: number;
  projection: Projection;
  toleranceKind: ToleranceKind;
  tolerancePx: number;
  toleranceOutputPx: number;
  toleranceArcmin: number;
  rule: StarRule;
  ceilingS: number;
  /** null: the longest by the chosen school. */
  exposureS: number | null;
  /** null: wide open. */
  fNumber: number | null;
  reference: ReferenceExposure;
  /** null: none yet; the device's place is only taken when asked. */
  site: SkySite | null;
  /** A day as YYYY-MM-DD whose evening begins the night; null: tonight. */
  day: string | null;
  planet: PlanetName;
  blurPx: number;
  margin: number;
  exposureMs: number;
  bits: 8 | 16;
  linkMbPerS: number;
  cardGb: number;
  /** null: the longest before the turning smears. */
  captureS: number | null;
  targetId: string;
  overlap: number;
  frameRollDeg: number;
  seeingArcsec: number;
  mountArcsecPerMin: number;
  series: { fromS: number; toS: number; stepS: number };
  strokes: { arcDeg: number; exposureS: number; gapS: number; batteryMin: number };
}

interface Sky extends SkyOptions {
  /** A lever being tried: what it replaced, and how the core is told so. */
  tried: { id: string; from: Partial<SkyOptions>; ways: Partial<StarsInput> } | null;
  set: (change: Partial<SkyOptions>) => void;
  /** Tries a lever, or takes it back when it is being tried. */
  toggle: (id: string, change: Partial<SkyOptions>, ways: Partial<StarsInput>) => void;
  /** Makes what is tried the new starting point. */
  adopt: () => void;
}

const device = restingStorage(() => localStorage);
/** What follows a finger: written when it rests. */
const DRAGGED = new Set<string>([
  'declinationDeg',
  'rollDeg',
  'azimuthDeg',
  'altitudeDeg',
  'exposureS',
  'fNumber',
  'frameRollDeg',
] satisfies (keyof SkyOptions)[]);

const isAngle = isBetween(-360, 360);
const isAmount = isBetween(0, 1e7);
const isZone = (value: unknown): boolean => {
  try {
    return typeof value === 'string' && new Intl.DateTimeFormat(undefined, { timeZone: value }).format(0) !== '';
  } catch {
    return false;
  }
};
const isDay = (value: unknown): boolean =>
  typeof value === 'string' && /^\d{4}-\d{2}-\d{2}$/.test(value) && Number.isFinite(Date.parse(value));

/** What of a stored state is taken. */
const OPTION_FITS: Required<Fits<SkyOptions>> = {
  pointBy: isOneOf(...(['declination', 'horizon', 'object'] satisfies SkyOptions['pointBy'][])),
  declinationDeg: isBetween(-90, 90),
  rollDeg: isAngle,
  azimuthDeg: isAngle,
  altitudeDeg: isBetween(-90, 90),
  projection: isOneOf(...(['rectilinear', 'equisolid', 'equidistant', 'stereographic'] satisfies Projection[])),
  toleranceKind: isOneOf(...(['pixels', 'output', 'eye', 'own'] satisfies ToleranceKind[])),
  tolerancePx: isAmount,
  toleranceOutputPx: isAmount,
  toleranceArcmin: isAmount,
  rule: isOneOf(
    ...([
      'worst',
      'centre',
      'c600',
      'c500',
      'c400',
      'c300',
      'small300',
      'pitchShort',
      'pitchFull1',
      'pitchFull2',
      'pitchFull3',
      'ceiling',
    ] satisfies StarRule[]),
  ),
  ceilingS: isAmount,
  exposureS: orNull(isAmount),
  fNumber: orNull(isBetween(0.1, 1e3)),
  reference: isObjectOf({ seconds: isAmount, fNumber: isBetween(0.1, 1e3), iso: isAmount }),
  site: orNull(
    isObjectOf({
      name: isText(),
      latitudeDeg: isBetween(-90, 90),
      longitudeDeg: isBetween(-180, 180),
      heightM: isBetween(-1e3, 1e4),
      zone: isZone,
    }),
  ),
  day: orNull(isDay),
  planet: isOneOf(...(['Mercury', 'Venus', 'Mars', 'Jupiter', 'Saturn', 'Uranus', 'Neptune'] satisfies PlanetName[])),
  blurPx: isAmount,
  margin: isAmount,
  exposureMs: isAmount,
  bits: isOneOf(8, 16),
  linkMbPerS: isAmount,
  cardGb: isAmount,
  captureS: orNull(isAmount),
  targetId: isText(64),
  overlap: isBetween(0, 0.9),
  frameRollDeg: isAngle,
  seeingArcsec: isAmount,
  mountArcsecPerMin: isAmount,
  series: isObjectOf({ fromS: isAmount, toS: isAmount, stepS: isAmount }),
  strokes: isObjectOf({ arcDeg: isAmount, exposureS: isAmount, gapS: isAmount, batteryMin: isAmount }),
};
const isOptions = (value: unknown): boolean =>
  isObject(value) &&
  Object.entries(value).every(([key, each]) => OPTION_FITS[key as keyof SkyOptions]?.(each) ?? false);
const FITS: Fits<Sky> = {
  ...OPTION_FITS,
  tried: orNull(isObjectOf({ id: isText(400), from: isOptions, ways: isObject })),
};

export const useSky = create<Sky>()(
  persist(
    (set) => ({
      pointBy: 'declination',
      declinationDeg: 0,
      rollDeg: 0,
      azimuthDeg: 180,
      altitudeDeg: 40,
      projection: 'rectilinear',
      toleranceKind: 'output',
      tolerancePx: 4,
      toleranceOutputPx: 1.5,
      toleranceArcmin: 1.5,
      rule: 'worst',
      ceilingS: 15,
      exposureS: null,
      fNumber: null,
      reference: { seconds: 15, fNumber: 1.8, iso: 3200 },
      site: null,
      day: null,
      planet: 'Jupiter',
      blurPx: 1,
      margin: 1.4,
      exposureMs: 8,
      bits: 8,
      linkMbPerS: 350,
      cardGb: 64,
      captureS: null,
      targetId: 'M 31',
      overlap: 0.2,
      frameRollDeg: 0,
      seeingArcsec: 3,
      mountArcsecPerMin: 6,
      series: { fromS: 5, toS: 25, stepS: 5 },
      strokes: { arcDeg: 15, exposureS: 30, gapS: 1, batteryMin: 90 },
      tried: null,
      set: (change) =>
        Object.keys(change).every((key) => DRAGGED.has(key)) ? device.resting(() => set(change)) : set(change),
      toggle: (id, change, ways) =>
        set((state) => {
          if (state.tried?.id === id) return { ...state.tried.from, tried: null, exposureS: null };
          const start = { ...state, ...state.tried?.from };
          const from = Object.fromEntries(
            (Object.keys(change) as (keyof SkyOptions)[]).map((key) => [key, start[key]]),
          ) as Partial<SkyOptions>;
          return { ...state.tried?.from, ...change, tried: { id, from, ways }, exposureS: null };
        }),
      adopt: () => set({ tried: null }),
    }),
    {
      name: 'jauge.sky',
      storage: deviceStorage(device.opened, FITS),
      partialize: (state) => state as Partial<Sky>,
      version: 1,
    },
  ),
);
