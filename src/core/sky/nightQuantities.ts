import { computed, given, input, type Quantity } from '../quantity/quantity';
import type { BestWindow, NightFrame } from './night';

export interface NightQuantities {
  darkHours: Quantity;
  moonLit: Quantity;
  /** Of the object shown, where it has a window. */
  highest?: Quantity;
  windowHours?: Quantity;
  moonFrom?: Quantity;
}

const HOUR_MS = 3_600_000;
const EPHEMERIS = 'worked out on this device from the motions of Earth, Moon and planets, good to an arcminute';

/** The numbers of a night with their reasons. */
export function nightQuantities(night: NightFrame, best: BestWindow | null, name: string): NightQuantities {
  const hours = night.dark ? (night.dark.toMs - night.dark.fromMs) / HOUR_MS : 0;
  const limit = given(-18, '°', 'Altitude of the Sun at which the sky is dark', 'astronomical twilight ends');
  const darkHours = computed(hours, 'h', () => ({
    name: 'Dark hours',
    formula: 'longest stretch with the Sun’s altitude below h',
    inputs: [input('h', 'altitude of the Sun', limit)],
    source: EPHEMERIS,
    neglects: 'Towns, snow and clouds.',
  }));
  const moonLit = computed(night.moonLitShare * 100, '%', () => ({
    name: 'Share of the Moon that is lit',
    formula: '(1 + cos i) / 2',
    inputs: [],
    source: `${EPHEMERIS}; at local midnight`,
  }));
  if (!best) return { darkHours, moonLit };
  const least = given(30, '°', 'Lowest altitude that counts', 'below it the air is more than twice as thick');
  return {
    darkHours,
    moonLit,
    highest: computed(best.highestDeg, '°', () => ({
      name: `${name} at its highest in the window`,
      formula: 'sin h = sin φ · sin δ + cos φ · cos δ · cos H',
      inputs: [],
      source: EPHEMERIS,
      neglects: 'Refraction, less than 2′ above 30°.',
    })),
    windowHours: computed((best.toMs - best.fromMs) / HOUR_MS, 'h', () => ({
      name: 'Best window',
      formula: 'dark, and above the lowest altitude',
      inputs: [input('dark', 'dark hours', darkHours), input('h', 'lowest altitude', least)],
      source: 'to the minute; without the Moon near it where that leaves half an hour',
    })),
    moonFrom: computed(best.moonFromDeg, '°', () => ({
      name: `The Moon from ${name}`,
      formula: 'angle between both',
      inputs: [input('lit', 'lit share', moonLit)],
      source: `${EPHEMERIS}; the nearest within the window. It counts as a nuisance when a quarter or more is lit, up, and nearer than 60°`,
    })),
  };
}
