import type { Served } from '../bag/serve';
import { USUAL_REFERENCE, skyTimes, type SkyWant } from '../bag/serveSky';
import { NOTHING_LEARNED } from '../learned/own';
import { ownStarsS } from '../learned/ownSchools';
import { foldSystem } from '../optics/foldSystem';
import { pixelsPerOutputPixel } from '../noise/signalToNoise';
import { computed, given, input } from '../quantity/quantity';
import { isoRange } from './isoRange';
import type { CardBy, Settings } from './settings';

/** What to set for the stars from a camera that stands still. */
export function skySettings(want: SkyWant, served: Served, by: CardBy): Settings | null {
  const { body, chain } = served.setup;
  const folded = foldSystem({ body: body.body, modeId: 'whole', chain, focalMm: served.focalMm }, by.convention);
  if (!folded.ok) return null;
  const system = folded.value;
  const reference = by.reference ?? USUAL_REFERENCE;
  const { limits, neededS } = skyTimes(system, want, by);
  const range = isoRange(system.body, pixelsPerOutputPixel(system.used, want.output), by);
  const ownS = by.stars?.rule === 'own' ? ownStarsS(by.own ?? NOTHING_LEARNED, system.lens.name) : null;
  const longestS = ownS ?? limits.worstS;
  const known = (value: number, unit: 's' | 'f/' | 'ISO', name: string) =>
    given(value, unit, name, 'an exposure of the sky that is known to be right');
  const light = given(system.lightFNumber, 'f/', 'f-number for the light', 'wide open');
  const inputs = [
    input('t₀', 'time that is right', known(reference.seconds, 's', 'Time of the known exposure')),
    input('N₀', 'at', known(reference.fNumber, 'f/', 'f-number of the known exposure')),
    input('ISO₀', 'and', known(reference.iso, 'ISO', 'ISO of the known exposure')),
    input('N', 'f-number', light),
  ];
  // At the longest time this ISO brings the sky to its brightness; lower is darker than wanted.
  const iso = ((reference.iso * reference.seconds) / longestS.value) * (system.lightFNumber / reference.fNumber) ** 2;
  const zoom = system.lens.focalTeleMm > system.lens.focalWideMm;
  const needed = computed(neededS, 's', () => ({
    name: 'Time the sky needs at the highest ISO that passes',
    formula: 't₀ · (ISO₀ / ISO) · (N / N₀)²',
    inputs: [...inputs, ...(range.isoHigh ? [input('ISO', 'highest ISO that passes', range.isoHigh)] : [])],
    source: 'exposure goes with t · ISO / N²',
  }));
  return {
    desk: 'stars',
    system,
    mode: system.mode,
    ...(zoom
      ? { focalMm: given(system.markedFocalMm, 'mm', 'Focal length to set', 'the longest that shows as much sky') }
      : {}),
    fNumber: given(system.markedFNumber, 'f/', 'Widest opening', 'lens data'),
    longestS,
    shortestS: needed,
    isoLow: computed(iso, 'ISO', () => ({
      name: 'ISO at the longest time',
      formula: 'ISO₀ · (t₀ / t) · (N / N₀)²',
      inputs: [...inputs, input('t', 'longest time', longestS)],
      source: 'exposure goes with t · ISO / N²',
    })),
    ...(range.isoHigh ? { isoHigh: range.isoHigh } : {}),
    counted: longestS,
    needed,
    closer: [],
  };
}
