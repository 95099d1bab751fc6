import { LEAST_CASES, learnLimit, type Case, type Limit } from './limit';
import { chanceSmaller, shareOf, type Share } from './share';

/** A judged group of pictures, as far as something is learned from it. */
export interface Judged {
  subjectName: string;
  kind?: 'far' | 'near' | 'stars' | undefined;
  verdict?: 'kept' | 'soft' | 'small' | 'strokes' | 'noisy' | undefined;
  bodyName?: string | undefined;
  lensName?: string | undefined;
  converterName?: string | undefined;
  focalMm?: number | undefined;
  seconds?: number | undefined;
  iso?: number | undefined;
  ratio?: number | undefined;
  distanceM?: number | undefined;
  supported?: boolean | undefined;
  pixelsOnSubject?: number | undefined;
}

/** A limit, of what it is, and the cases it rests on. */
export interface LearnedLimit extends Limit {
  /** Body, lens or subject it holds for. */
  of: string;
  side: 'below' | 'above';
  from: Case[];
}

/** How long one holds by hand: the same angle a second, so one number for a body; told for each focal length that was used. */
export interface LearnedHold extends LearnedLimit {
  /** Limits of value, low and high are seconds times focal length; here in seconds, by focal length in mm. */
  atFocal: { focalMm: number; seconds: number; low: number; high: number }[];
}

/** From how far one subject was kept. */
export interface LearnedDistance {
  of: string;
  cases: number;
  /** Middle, and where eight of ten lie; nothing where there are too few. */
  middleM?: number;
  nearM?: number;
  farM?: number;
}

/** What a converter does to a lens: the shares kept with and without it. */
export interface LearnedConverter {
  lens: string;
  converter: string;
  with: Share;
  without: Share;
  /** How likely fewer are kept with it, 0 to 1; nothing where there are too few. */
  disappoints?: number;
}

/** Everything the Book says of this person and this gear. */
export interface Learned {
  hand: LearnedHold[];
  ratio: LearnedLimit[];
  stars: LearnedLimit[];
  iso: LearnedLimit[];
  pixels: (LearnedLimit & { fewestKept?: number | undefined })[];
  distances: LearnedDistance[];
  converters: LearnedConverter[];
}

type Fault = 'soft' | 'small' | 'strokes' | 'noisy';

/** Groups by a name, in the order in which the names come. */
function byName<T>(items: readonly T[], nameOf: (item: T) => string | undefined): [string, T[]][] {
  const found = new Map<string, T[]>();
  for (const item of items) {
    const name = nameOf(item);
    if (name) found.set(name, [...(found.get(name) ?? []), item]);
  }
  return [...found].sort(([a], [b]) => a.localeCompare(b));
}

/** Cases of one fault: what was kept is good, what had the fault is not; other faults say nothing of it. */
function casesOf(groups: readonly Judged[], fault: Fault, xOf: (group: Judged) => number | undefined): Case[] {
  return groups.flatMap((group): Case[] => {
    const x = xOf(group);
    if (!x || !(x > 0) || (group.verdict !== 'kept' && group.verdict !== fault)) return [];
    return [{ x, good: group.verdict === 'kept' }];
  });
}

function limitOf(of: string, from: Case[], side: 'below' | 'above'): LearnedLimit {
  return { of, side, from, ...learnLimit(from, side) };
}

/** Focal lengths that were used, each once within a tenth. */
function focalsOf(groups: readonly Judged[]): number[] {
  const sorted = groups.flatMap(({ focalMm }) => (focalMm ? [focalMm] : [])).sort((a, b) => a - b);
  return sorted.filter((focal, i) => i === 0 || focal > sorted[i - 1]! * 1.1);
}

function learnHand(groups: readonly Judged[]): LearnedHold[] {
  const held = groups.filter(({ supported, kind }) => supported === false && kind !== 'near' && kind !== 'stars');
  return byName(held, ({ bodyName }) => bodyName).flatMap(([body, own]): LearnedHold[] => {
    const from = casesOf(own, 'soft', ({ seconds, focalMm }) => seconds && focalMm && seconds * focalMm);
    if (!from.length) return [];
    const limit = limitOf(body, from, 'below');
    const { value, low, high } = limit;
    const atFocal =
      value === undefined || low === undefined || high === undefined
        ? []
        : focalsOf(own).map((focalMm) => ({
            focalMm,
            seconds: value / focalMm,
            low: low / focalMm,
            high: high / focalMm,
          }));
    return [{ ...limit, atFocal }];
  });
}

function learnBy(
  groups: readonly Judged[],
  nameOf: (group: Judged) => string | undefined,
  fault: Fault,
  xOf: (group: Judged) => number | undefined,
): LearnedLimit[] {
  return byName(groups, nameOf).flatMap(([name, own]): LearnedLimit[] => {
    const from = casesOf(own, fault, xOf);
    return from.length ? [limitOf(name, from, 'below')] : [];
  });
}

function learnPixels(groups: readonly Judged[]): Learned['pixels'] {
  const from = casesOf(groups, 'small', ({ pixelsOnSubject }) => pixelsOnSubject);
  if (!from.length) return [];
  const kept = from.filter(({ good }) => good).map(({ x }) => x);
  return [{ ...limitOf('all subjects', from, 'above'), ...(kept.length ? { fewestKept: Math.min(...kept) } : {}) }];
}

const LEAST_DISTANCES = 3;

/** A value so far along a sorted list, between two of it. */
function along(sorted: readonly number[], share: number): number {
  const at = share * (sorted.length - 1);
  const low = Math.floor(at);
  const high = Math.min(sorted.length - 1, low + 1);
  return sorted[low]! + (sorted[high]! - sorted[low]!) * (at - low);
}

function learnDistances(groups: readonly Judged[]): LearnedDistance[] {
  const kept = groups.filter(({ verdict, distanceM }) => verdict === 'kept' && distanceM);
  return byName(kept, ({ subjectName }) => subjectName).map(([of, own]) => {
    const sorted = own.map(({ distanceM }) => distanceM!).sort((a, b) => a - b);
    return sorted.length < LEAST_DISTANCES
      ? { of, cases: sorted.length }
      : {
          of,
          cases: sorted.length,
          middleM: along(sorted, 0.5),
          nearM: along(sorted, 0.1),
          farM: along(sorted, 0.9),
        };
  });
}

const LEAST_WITH = 3;

function learnConverters(groups: readonly Judged[]): LearnedConverter[] {
  const judged = groups.filter(({ verdict }) => verdict);
  return byName(judged, ({ lensName }) => lensName).flatMap(([lens, own]) => {
    const bare = own.filter(({ converterName }) => !converterName);
    return byName(own, ({ converterName }) => converterName).map(([converter, used]): LearnedConverter => {
      const count = (all: readonly Judged[]) =>
        shareOf(all.filter(({ verdict }) => verdict === 'kept').length, all.length);
      const pair = { with: count(used), without: count(bare) };
      const known = used.length >= LEAST_WITH && bare.length >= LEAST_WITH;
      return { lens, converter, ...pair, ...(known ? { disappoints: chanceSmaller(pair.with, pair.without) } : {}) };
    });
  });
}

/**
 * What the verdicts on one's own pictures say: of each limit how many cases it rests on and how far it may be off.
 *
 * @source a case is a group of pictures, not a picture: what is taken together is no independent trial
 */
export function learn(groups: readonly Judged[]): Learned {
  const near = groups.filter(({ kind, supported }) => kind === 'near' && supported === false);
  const stars = groups.filter(({ kind }) => kind === 'stars');
  return {
    hand: learnHand(groups),
    ratio: learnBy(
      near,
      () => 'by hand',
      'soft',
      ({ ratio }) => ratio,
    ),
    stars: learnBy(
      stars,
      ({ lensName }) => lensName,
      'strokes',
      ({ seconds }) => seconds,
    ),
    iso: learnBy(
      groups,
      ({ bodyName }) => bodyName,
      'noisy',
      ({ iso }) => iso,
    ),
    pixels: learnPixels(groups.filter(({ kind }) => kind === 'far')),
    distances: learnDistances(groups),
    converters: learnConverters(groups),
  };
}

export { LEAST_CASES };
