import type { JudgeBy } from './detail/subjectCount';
import { HAND_NAMES, type HandBy } from './far/handInUse';
import { HAND_RATIO_NAMES, type HandRatioBy } from './near/handRatioInUse';
import { ISO_NAMES, type IsoBy } from './noise/isoInUse';
import type { CropConventionChoice } from './optics/foldSystem';
import { COC_NAMES, type CocSchool } from './output/circleOfConfusion';
import type { UnitSystem } from './quantity/units';

/** One way of reading among several: what it is called, and what makes it different. */
export interface PreferenceChoice<V> {
  value: V;
  name: string;
  gloss?: string;
}

/** Something people read in different ways: its name, the ways, the usual one, and the places whose numbers it changes. */
export interface Preference<V> {
  name: string;
  usual: V;
  choices: readonly PreferenceChoice<V>[];
  countsIn: readonly ('far' | 'near' | 'stars' | 'planets' | 'deep' | 'kit')[];
}

/** How a person reads, by what they are called. */
export interface Preferences {
  units: UnitSystem;
  cropConvention: CropConventionChoice;
  judgeBy: JudgeBy;
  cocSchool: CocSchool;
  handBy: HandBy;
  handRatioBy: HandRatioBy;
  isoBy: IsoBy;
}

const capital = (text: string): string => text.slice(0, 1).toUpperCase() + text.slice(1);

/**
 * Units and schools: the one table of them. The screen offers it, the device keeps what fits it, and the command line takes
 * the same values.
 */
export const PREFERENCES: { readonly [K in keyof Preferences]: Preference<Preferences[K]> } = {
  units: {
    name: 'Lengths',
    usual: 'metric',
    countsIn: ['far', 'near', 'stars', 'planets', 'deep', 'kit'],
    choices: [
      { value: 'metric', name: 'Metres, millimetres' },
      { value: 'imperial', name: 'Feet, inches' },
    ],
  },
  cropConvention: {
    name: 'Crop factor against 36 × 24',
    usual: 'usual',
    countsIn: ['far', 'near', 'stars', 'planets', 'deep', 'kit'],
    choices: [
      { value: 'usual', name: 'Usual', gloss: 'diagonal; same aspect for odd shapes' },
      { value: 'diagonal', name: 'Diagonal' },
      { value: 'width', name: 'Width' },
      { value: 'height', name: 'Height' },
      { value: 'sameAspect', name: 'Same aspect' },
    ],
  },
  judgeBy: {
    name: 'Pixels a verdict counts',
    usual: 'resolved',
    countsIn: ['far', 'near'],
    choices: [
      { value: 'resolved', name: 'Resolved ones', gloss: 'that carry real detail' },
      { value: 'sampled', name: 'All of them', gloss: 'sharp or not' },
    ],
  },
  cocSchool: {
    name: 'Blur that counts as sharp',
    usual: 'diagonal',
    countsIn: ['far', 'near'],
    choices: [
      { value: 'diagonal', name: capital(COC_NAMES.diagonal) },
      { value: 'output', name: capital(COC_NAMES.output) },
      { value: 'pixel', name: capital(COC_NAMES.pixel) },
    ],
  },
  handBy: {
    name: 'How long the hand holds',
    usual: 'own',
    countsIn: ['far'],
    choices: [
      { value: 'own', name: capital(HAND_NAMES.own), gloss: 'by these pixels until it is known' },
      { value: 'pixels', name: capital(HAND_NAMES.pixels) },
      { value: 'rule', name: capital(HAND_NAMES.rule) },
    ],
  },
  handRatioBy: {
    name: 'Ratio the hand holds',
    usual: 'own',
    countsIn: ['near'],
    choices: [
      { value: 'own', name: capital(HAND_RATIO_NAMES.own), gloss: 'as entered until it is known' },
      { value: 'entered', name: capital(HAND_RATIO_NAMES.entered) },
    ],
  },
  isoBy: {
    name: 'Highest ISO that passes',
    usual: 'own',
    countsIn: ['far', 'near', 'stars'],
    choices: [
      { value: 'own', name: capital(ISO_NAMES.own), gloss: '10 : 1 until it is known' },
      { value: 'acceptable', name: capital(ISO_NAMES.acceptable) },
      { value: 'excellent', name: capital(ISO_NAMES.excellent) },
    ],
  },
};

export const isPreference = (key: string): key is keyof Preferences => Object.hasOwn(PREFERENCES, key);

/** A value of a preference, or nothing where it is none. */
export function preferenceOf<K extends keyof Preferences>(key: K, value: string): Preferences[K] | undefined {
  return PREFERENCES[key].choices.find((choice) => choice.value === value)?.value;
}

/** What everybody starts with. */
export const USUAL_PREFERENCES: Preferences = {
  units: PREFERENCES.units.usual,
  cropConvention: PREFERENCES.cropConvention.usual,
  judgeBy: PREFERENCES.judgeBy.usual,
  cocSchool: PREFERENCES.cocSchool.usual,
  handBy: PREFERENCES.handBy.usual,
  handRatioBy: PREFERENCES.handRatioBy.usual,
  isoBy: PREFERENCES.isoBy.usual,
};
