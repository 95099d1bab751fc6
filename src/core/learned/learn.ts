import { LEAST_CASES, learnLimit, weightsOf, type Case, type Finding, type Limit } from './limit';
import { chanceSmaller, shareOf, type Share } from './share';

/** A judged group of pictures, as far as something is learned from it. */
export interface Judged {
  subjectName: string;
  /** What kind of subject it is, in words; not known of one that is in no list. */
  subjectKind?: string | undefined;
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
  /** Where its distance is from; one that was only planned is no observation. */
  distanceFrom?: 'exif' | 'plan' | 'entered' | undefined;
  /** When it was begun, by the camera's clock, and the outing it belongs to. */
  takenFrom?: string | undefined;
  outingId?: string | undefined;
}

/** One session: one subject on one outing, or on one day. */
const sessionOf = ({ takenFrom, outingId, subjectName }: Judged): string | undefined => {
  const when = outingId ?? takenFrom?.slice(0, 10);
  return when === undefined ? undefined : `${when} ${subjectName}`;
};

/** A series by hand that was measured on the Bench: the longest time held at a focal length. */
export interface HeldSeries {
  bodyName: string;
  limitS: number;
  plusMinus: number;
  focalMm: number;
}

/** What else tells of the same limits: series measured by hand, stars judged frame by frame, close-up readings told how they were held. */
export interface Evidence {
  held?: readonly HeldSeries[] | undefined;
  stars?: readonly { lensName: string; seconds: number; good: boolean }[] | undefined;
  byHand?: readonly { ratio: number; good: boolean }[] | undefined;
}

/** A limit, of what it is, and the cases it rests on. */
export interface LearnedLimit extends Limit {
  /** Body, lens or subject it holds for. */
  of: string;
  side: 'below' | 'above';
  from: Case[];
  /** How many of the cases come from the Bench or the readings kept, and how many limits a series there found. */
  alsoCases?: number;
  series?: number;
}

/** How long one holds by hand: the same angle a second, so one number for a body; told for each focal length that was used. */
export interface LearnedHold extends LearnedLimit {
  /** Limits of value, low and high are seconds times focal length; here in seconds, by focal length in mm. */
  atFocal: { focalMm: number; seconds: number; low: number; high: number }[];
}

/** From how far one subject was kept, or all of a kind. */
export interface LearnedDistance {
  of: string;
  cases: number;
  /** Several subjects of one kind together. */
  ofKind?: true;
  /** Each distance it was kept from, m, from near to far. */
  from: number[];
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
    return [{ x, good: group.verdict === 'kept', session: sessionOf(group) }];
  });
}

function limitOf(of: string, from: Case[], side: 'below' | 'above'): LearnedLimit {
  return { of, side, from, ...learnLimit(from, side) };
}

/** Focal lengths that were used, each once within a tenth. */
function focalsOf(used: readonly { focalMm?: number | undefined }[]): number[] {
  const sorted = used.flatMap(({ focalMm }) => (focalMm ? [focalMm] : [])).sort((a, b) => a - b);
  return sorted.filter((focal, i) => i === 0 || focal > sorted[i - 1]! * 1.1);
}

/** A series as the product of time and focal length it found. */
const heldOf = ({ limitS, plusMinus, focalMm }: HeldSeries): Finding => ({
  value: limitS * focalMm,
  plusMinus: plusMinus * focalMm,
});

function learnHand(groups: readonly Judged[], series: readonly HeldSeries[]): LearnedHold[] {
  const held = groups.filter(({ supported, kind }) => supported === false && kind !== 'near' && kind !== 'stars');
  const all: { bodyName?: string | undefined; group?: Judged; series?: HeldSeries }[] = [
    ...held.map((group) => ({ bodyName: group.bodyName, group })),
    ...series.map((each) => ({ bodyName: each.bodyName, series: each })),
  ];
  return byName(all, ({ bodyName }) => bodyName).flatMap(([body, own]): LearnedHold[] => {
    const ownGroups = own.flatMap(({ group }) => (group ? [group] : []));
    const ownSeries = own.flatMap(({ series: each }) => (each ? [each] : []));
    const from = casesOf(ownGroups, 'soft', ({ seconds, focalMm }) => seconds && focalMm && seconds * focalMm);
    if (!from.length && !ownSeries.length) return [];
    const limit: LearnedLimit = {
      of: body,
      side: 'below',
      from,
      ...learnLimit(from, 'below', ownSeries.map(heldOf)),
      ...(ownSeries.length ? { series: ownSeries.length } : {}),
    };
    const { value, low, high } = limit;
    const atFocal =
      value === undefined || low === undefined || high === undefined
        ? []
        : focalsOf([...ownGroups, ...ownSeries]).map((focalMm) => ({
            focalMm,
            seconds: value / focalMm,
            low: low / focalMm,
            high: high / focalMm,
          }));
    return [{ ...limit, atFocal }];
  });
}

/** @param also cases from elsewhere, by the same names */
function learnBy(
  groups: readonly Judged[],
  nameOf: (group: Judged) => string | undefined,
  fault: Fault,
  xOf: (group: Judged) => number | undefined,
  also: readonly (Case & { of: string })[] = [],
): LearnedLimit[] {
  const all: { name: string | undefined; group?: Judged; other?: Case }[] = [
    ...groups.map((group) => ({ name: nameOf(group), group })),
    ...also.map(({ of, ...other }) => ({ name: of, other })),
  ];
  return byName(all, ({ name }) => name).flatMap(([name, own]): LearnedLimit[] => {
    const others = own.flatMap(({ other }) => (other ? [other] : []));
    const ownGroups = own.flatMap(({ group }) => (group ? [group] : []));
    const from = [...casesOf(ownGroups, fault, xOf), ...others];
    if (!from.length) return [];
    return [{ ...limitOf(name, from, 'below'), ...(others.length ? { alsoCases: others.length } : {}) }];
  });
}

/** What the pixels are counted on: far subjects and tiny ones are looked at in different ways. */
export const PIXELS_OF = { far: 'far subjects', near: 'close up' } as const;

function learnPixels(groups: readonly Judged[]): Learned['pixels'] {
  return (['far', 'near'] as const).flatMap((kind) => {
    const own = groups.filter((group) => group.kind === kind);
    // Counted from a planned distance, they were never seen.
    const from = casesOf(own, 'small', ({ pixelsOnSubject, distanceFrom }) =>
      distanceFrom === 'plan' ? undefined : pixelsOnSubject,
    );
    if (!from.length) return [];
    const kept = from.filter(({ good }) => good).map(({ x }) => x);
    return [{ ...limitOf(PIXELS_OF[kind], from, 'above'), ...(kept.length ? { fewestKept: Math.min(...kept) } : {}) }];
  });
}

const LEAST_DISTANCES = 3;

/** A value so far along a sorted list, between two of it. */
function along(sorted: readonly number[], share: number): number {
  const at = share * (sorted.length - 1);
  const low = Math.floor(at);
  const high = Math.min(sorted.length - 1, low + 1);
  return sorted[low]! + (sorted[high]! - sorted[low]!) * (at - low);
}

function distanceOf(of: string, own: readonly Judged[]): LearnedDistance {
  const sorted = own.map(({ distanceM }) => distanceM!).sort((a, b) => a - b);
  const known = { of, cases: sorted.length, from: sorted };
  if (sorted.length < LEAST_DISTANCES) return known;
  return { ...known, middleM: along(sorted, 0.5), nearM: along(sorted, 0.1), farM: along(sorted, 0.9) };
}

/** Subject by subject; and kind by kind, where one keeps several subjects of it. */
function learnDistances(groups: readonly Judged[]): LearnedDistance[] {
  const kept = groups.filter(
    ({ verdict, distanceM, distanceFrom }) => verdict === 'kept' && distanceM && distanceFrom !== 'plan',
  );
  const subjects = byName(kept, ({ subjectName }) => subjectName);
  const kinds = byName(kept, ({ subjectKind }) => subjectKind).filter(
    ([, own]) => new Set(own.map(({ subjectName }) => subjectName)).size > 1,
  );
  return [
    ...kinds.map(([kind, own]): LearnedDistance => ({ ...distanceOf(`${kind}, all`, own), ofKind: true })),
    ...subjects.map(([subject, own]) => distanceOf(subject, own)),
  ];
}

const LEAST_WITH = 3;

/** Kept and judged, those of one session together for less. */
function effectOf(all: readonly Judged[]): { good: number; cases: number } {
  const weights = weightsOf(all.map((each) => ({ session: sessionOf(each) })));
  const sum = (of: (each: Judged) => boolean) =>
    all.reduce((total, each, i) => total + (of(each) ? weights[i]! : 0), 0);
  return { good: sum(({ verdict }) => verdict === 'kept'), cases: sum(() => true) };
}

/** The share kept, with the range its sessions leave, and how many groups that are. */
function keptOf(all: readonly Judged[]): Share {
  const { good, cases } = effectOf(all);
  return {
    ...shareOf(good, cases),
    good: all.filter(({ verdict }) => verdict === 'kept').length,
    cases: all.length,
  };
}

function learnConverters(groups: readonly Judged[]): LearnedConverter[] {
  const judged = groups.filter(({ verdict }) => verdict);
  return byName(judged, ({ lensName }) => lensName).flatMap(([lens, own]) => {
    const bare = own.filter(({ converterName }) => !converterName);
    return byName(own, ({ converterName }) => converterName).map(([converter, used]): LearnedConverter => {
      const pair = { with: keptOf(used), without: keptOf(bare) };
      const known = used.length >= LEAST_WITH && bare.length >= LEAST_WITH;
      return {
        lens,
        converter,
        ...pair,
        ...(known ? { disappoints: chanceSmaller(effectOf(used), effectOf(bare)) } : {}),
      };
    });
  });
}

/** What ratios by hand are learned of: one person. */
const BY_HAND = 'by hand';

/**
 * What the verdicts on one's own pictures say: of each limit how many cases it rests on and how far it may be off.
 *
 * @param also what the Bench and the readings kept tell of the same
 * @source a case is a group of pictures, not a picture; groups of one session at one subject count as `weightsOf` says
 */
export function learn(groups: readonly Judged[], { held = [], stars = [], byHand = [] }: Evidence = {}): Learned {
  const near = groups.filter(({ kind, supported }) => kind === 'near' && supported === false);
  const sky = groups.filter(({ kind }) => kind === 'stars');
  return {
    hand: learnHand(groups, held),
    ratio: learnBy(
      near,
      () => BY_HAND,
      'soft',
      ({ ratio }) => ratio,
      byHand.map(({ ratio, good }) => ({ of: BY_HAND, x: ratio, good })),
    ),
    stars: learnBy(
      sky,
      ({ lensName }) => lensName,
      'strokes',
      ({ seconds }) => seconds,
      stars.map(({ lensName, seconds, good }) => ({ of: lensName, x: seconds, good })),
    ),
    iso: learnBy(
      groups,
      ({ bodyName }) => bodyName,
      'noisy',
      ({ iso }) => iso,
    ),
    pixels: learnPixels(groups),
    distances: learnDistances(groups),
    converters: learnConverters(groups),
  };
}

export { LEAST_CASES };
