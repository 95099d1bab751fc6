import type { PlanetName } from '@/core/sky/planet';
import type { Projection } from '@/core/sky/projection';
import type { StarRule } from '@/core/sky/starRules';
import type { ReferenceExposure } from '@/core/sky/starExposure';
import type { ToleranceKind } from '@/core/sky/tolerance';
import { isBetween, isObjectOf, isOneOf, isText, orNull, type Fits } from './deviceState';

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

/** What follows a finger: written when it rests. */
export const DRAGGED = new Set<string>([
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
export const OPTION_FITS: Required<Fits<SkyOptions>> = {
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
      'own',
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
/** What is told the Sky before anybody tells it. */
export const USUAL_SKY: SkyOptions = {
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
};
