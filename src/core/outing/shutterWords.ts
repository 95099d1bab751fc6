import { formatFigures } from '../quantity/format';
import { quantityText } from '../quantity/quantityText';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import { dialText, fastestOf, markWithin } from '../quantity/shutterDial';
import type { UnitSystem } from '../quantity/units';
import type { Settings } from './settings';

/** What is set on the dial for a longest time; the fastest there is where that is not short enough. */
export function shutterToSet({ system, longestS, desk }: Settings): { setS: number; suffices: boolean } | null {
  if (!longestS) return null;
  if (desk === 'stars') return { setS: longestS.value, suffices: true };
  const fastestS = fastestOf(system.body);
  const mark = markWithin(longestS.value, fastestS);
  return mark === null ? { setS: fastestS, suffices: false } : { setS: mark, suffices: true };
}

const limitWords = ({ shutterLimit }: Settings, units: UnitSystem): string => {
  if (!shutterLimit) return '';
  if (shutterLimit.by === 'hand') return 'for the hand';
  const { speed } = shutterLimit;
  return `for motion at ${quantityText(speed, units)}${speed.note === 'assumed' ? ', assumed: a resting subject allows longer' : ''}`;
};

/** What to set, which limit it keeps, and what is given up where the body has nothing faster. */
export function shutterText(settings: Settings, units: UnitSystem): string {
  const { longestS, shortestS, system } = settings;
  const set = shutterToSet(settings);
  if (!longestS || !set) return '';
  const limit = limitWords(settings, units);
  if (!set.suffices) {
    const blur = formatFigures(set.setS / longestS.value, 2);
    const whose = system.body.fastestShutterPerS === undefined ? 'taken as the fastest it has' : 'the fastest it has';
    return `${dialText(set.setS)}, ${whose}; ${limit} it takes 1/${formatFigures(1 / longestS.value, 2)}\u202fs. Pan with it, or accept ${blur} px of blur on the output`;
  }
  const strict = shortestS ? markWithin(shortestS.value, fastestOf(system.body)) : null;
  const sharper = strict !== null && strict < set.setS * 0.99 ? `; ${dialText(strict)} is sharp at 100 %` : '';
  return `${dialText(set.setS)} or shorter ${limit}${sharper}`;
}

/** Light in words, by its exposure value at ISO 100: from that value on. */
const LIGHT: [ev: number, words: string][] = [
  [14.5, 'full sun'],
  [13, 'hazy sun'],
  [11.5, 'a bright overcast day'],
  [10, 'a dull day'],
  [8, 'deep shade'],
  [5, 'dusk'],
  [-Infinity, 'late dusk'],
];

/**
 * The darkest light in which the highest ISO that passes still exposes what is to be set.
 *
 * @source EV₁₀₀ = log₂(N²/t) − log₂(ISO/100)
 */
export function leastLight(settings: Settings): { ev: Quantity; words: string } | null {
  const { isoHigh, isoLow, fNumber, system, desk } = settings;
  const set = shutterToSet(settings);
  if (desk !== 'far' || !set) return null;
  const iso = isoHigh ?? isoLow;
  const n = (system.lightFNumber * fNumber.value) / system.markedFNumber;
  const ev = Math.log2(n ** 2 / set.setS) - Math.log2(iso.value / 100);
  return {
    words: LIGHT.find(([from]) => ev >= from)![1],
    ev: computed(ev, 'stops', () => ({
      name: 'Least light, as exposure value at ISO 100',
      formula: 'log₂(N² / t) − log₂(S / 100)',
      inputs: [
        input('N', 'f-number for light', given(n, 'f/', 'f-number for light', 'as set')),
        input('t', 'shutter speed', given(set.setS, 's', 'Shutter speed', 'as set')),
        input('S', 'highest ISO that passes', iso),
      ],
      source: 'the usual exposure equation; full sun is 15',
    })),
  };
}

/** That light, and what to give up in less. */
export function lightText(settings: Settings): string | null {
  const least = leastLight(settings);
  if (!least) return null;
  const { shutterLimit } = settings;
  const give =
    shutterLimit?.by === 'hand'
      ? 'support the camera, or raise the ISO and accept noise'
      : 'wait until it rests, or raise the ISO and accept noise';
  return `enough down to ${least.words} (EV ${formatFigures(least.ev.value, 2)}); in less ${give}`;
}
