import { shareOf, type Share } from '../learned/share';
import type { Entry } from './entry';

/** How a thing kept stands: pictures kept, pictures that were not, a reading of a desk. */
export type Standing = 'kept' | 'not' | 'reading';

const standingOf = ({ verdict }: Entry): Standing =>
  verdict === undefined ? 'reading' : verdict === 'kept' ? 'kept' : 'not';

/** Pixels on a subject at a moment. */
export interface PixelsAt {
  at: string;
  pixels: number;
  subject: string;
  standing: Standing;
}

/** Pixels on subjects over time, the oldest first. */
export const pixelsOverTime = (entries: readonly Entry[]): PixelsAt[] =>
  entries
    .flatMap((entry) =>
      entry.pixels && !entry.at.startsWith('1970')
        ? [{ at: entry.at, pixels: entry.pixels, subject: entry.subject, standing: standingOf(entry) }]
        : [],
    )
    .sort((a, b) => a.at.localeCompare(b.at));

/** From how far a subject was seen. */
export interface DistancesOf {
  subject: string;
  distances: { distanceM: number; standing: Standing }[];
}

/** Distances subject by subject, those with most of them first. */
export function distancesBySubject(entries: readonly Entry[]): DistancesOf[] {
  const all = new Map<string, DistancesOf['distances']>();
  for (const entry of entries) {
    if (!entry.distanceM) continue;
    const own = all.get(entry.subject) ?? [];
    own.push({ distanceM: entry.distanceM, standing: standingOf(entry) });
    all.set(entry.subject, own);
  }
  return [...all]
    .map(([subject, distances]) => ({ subject, distances: distances.sort((a, b) => a.distanceM - b.distanceM) }))
    .sort((a, b) => b.distances.length - a.distances.length || a.subject.localeCompare(b.subject));
}

/** What one kept of what one took with a set-up. */
export interface KeepersOf {
  setup: string;
  share: Share;
}

/** Keepers set-up by set-up, by judged groups, those with most of them first; each with the range nine of ten such shares hold the truth in. */
export function keepersBySetup(entries: readonly Entry[]): KeepersOf[] {
  const all = new Map<string, { good: number; cases: number }>();
  for (const { setup, verdict } of entries) {
    if (!setup || !verdict) continue;
    const { good, cases } = all.get(setup) ?? { good: 0, cases: 0 };
    all.set(setup, { good: good + (verdict === 'kept' ? 1 : 0), cases: cases + 1 });
  }
  return [...all]
    .map(([setup, { good, cases }]) => ({ setup, share: shareOf(good, cases) }))
    .sort((a, b) => b.share.cases - a.share.cases || a.setup.localeCompare(b.setup));
}
