import type { SubjectSpec } from '../kit/subjects';
import { ratioRange } from '../near/nearState';
import { angleOfViewDeg } from '../optics/angleOfView';
import { foldSystem, type EffectiveSystem, type SystemInput } from '../optics/foldSystem';
import type { OutputSpec } from '../output/needs';
import { readFar } from '../far/readFar';

/** A set-up of the kit, by its id. */
export interface Offered {
  id: string;
  setup: SystemInput;
}

/** An object of the sky by its size. */
export interface Extent {
  lengthArcmin: number;
}

/** What a place is for, with what it needs to know to choose. */
export type Purpose =
  | { place: 'far'; subject: SubjectSpec; distanceM: number; output: OutputSpec }
  | { place: 'near' | 'stars' | 'planets' }
  | { place: 'deep'; object: Extent };

/** The object's length should fill this share of the frame's long side at most, with some sky around it. */
const FRAMED = 0.8;

const reachesInfinity = ({ optics }: EffectiveSystem): boolean => optics.state.far.ratio <= 0;
const longSideDeg = ({ used, focalMm }: EffectiveSystem): number =>
  angleOfViewDeg(Math.max(used.widthMm, used.heightMm), focalMm.value);

/** How well a set-up suits a purpose: the more the better, nothing where it cannot serve at all. */
function suitability(purpose: Purpose, system: EffectiveSystem): number | null {
  switch (purpose.place) {
    case 'far': {
      const reading = readFar({ system, ...purpose });
      return reading.ok && !reading.value.obstacle && !reading.value.overflow
        ? reading.value.resolvedPixels.value
        : null;
    }
    case 'near':
      return ratioRange(system)?.highest ?? null;
    case 'stars':
      return reachesInfinity(system) ? longSideDeg(system) : null;
    case 'planets':
      return reachesInfinity(system) ? system.focalMm.value : null;
    case 'deep': {
      if (!reachesInfinity(system)) return null;
      const share = purpose.object.lengthArcmin / 60 / longSideDeg(system);
      // What fits is the better the more it fills; what does not is the better the less it sticks out.
      return share <= FRAMED ? share : -share;
    }
  }
}

/**
 * The set-up of a kit that a place opens with when nobody has chosen one there: Far what gets most resolved pixels on the
 * subject, Near the largest ratio, Stars the widest, Planets the longest, Deep sky what frames the object best.
 *
 * @returns its id, or null where none can serve
 */
export function suitedSetup(purpose: Purpose, offered: readonly Offered[]): string | null {
  let best: { id: string; value: number } | null = null;
  for (const { id, setup } of offered) {
    const system = foldSystem(setup);
    const value = system.ok ? suitability(purpose, system.value) : null;
    if (value !== null && (best === null || value > best.value)) best = { id, value };
  }
  return best?.id ?? null;
}

/** The subject a place opens with: close up the smallest there is, else the first. */
export function suitedSubject(
  place: Purpose['place'],
  subjects: readonly { id: string; sizeMm: number }[],
): string | null {
  if (place !== 'near') return subjects[0]?.id ?? null;
  return [...subjects].sort((a, b) => a.sizeMm - b.sizeMm)[0]?.id ?? null;
}
