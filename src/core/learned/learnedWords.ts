import { formatFigures, formatFixed, formatRatio } from '../quantity/format';
import { showLengthM, shownText, shutterText } from '../quantity/quantityText';
import type { UnitSystem } from '../quantity/units';
import type { Learned, LearnedConverter, LearnedDistance, LearnedHold, LearnedLimit } from './learn';
import { LEAST_CASES } from './limit';
import { sayKey, type SayKey, type SayKind } from './own';

/** What is told of one limit: what it is about, the sentence, and what it rests on. */
export interface LimitWords {
  /** By which it is switched off. */
  key: SayKey;
  title: string;
  /** The number in a sentence, or why there is none yet. */
  sentence: string;
  cases: string;
  limit: LearnedLimit;
  /** How x is written along the curve. */
  axis: (x: number) => string;
}

const groupsText = (count: number): string => `${formatFixed(count)} ${count === 1 ? 'group' : 'groups'}`;

const plural = (count: number, one: string, more: string): string =>
  `${formatFixed(count)} ${count === 1 ? one : more}`;

/** What a limit rests on. */
export function casesText({ cases, good, sessions, alsoCases = 0, series = 0 }: LearnedLimit): string {
  const groups = cases - alsoCases;
  const rests = [
    ...(groups ? [groupsText(groups)] : []),
    ...(alsoCases ? [`${plural(alsoCases, 'picture', 'pictures')} judged elsewhere in the Book`] : []),
    ...(series ? [`${formatFixed(series)} series measured on the Bench`] : []),
  ];
  const sessionsText = sessions < cases ? ` of ${plural(sessions, 'session', 'sessions')}` : '';
  return `${rests.join(' and ')}${sessionsText}${cases ? `, ${formatFixed(good)} of ${formatFixed(cases)} good` : ''}`;
}

/** Why a limit is not told, or nothing where it is. */
function openText({ state, cases, sessions, side, from }: LearnedLimit, axis: (x: number) => string): string | null {
  const xs = from.map(({ x }) => x);
  if (state === 'few')
    return `Too few yet: ${formatFixed(LEAST_CASES)} judged groups are the least, there ${cases === 1 ? 'is' : 'are'} ${formatFixed(cases)}${sessions < cases ? ` of ${plural(sessions, 'session', 'sessions')}, which count for less` : ''}.`;
  const far = side === 'below' ? Math.max(...xs) : Math.min(...xs);
  const near = side === 'below' ? Math.min(...xs) : Math.max(...xs);
  if (state === 'allGood')
    return `All came out well, ${side === 'below' ? 'up' : 'down'} to ${axis(far)}: the limit lies beyond.`;
  if (state === 'allBad')
    return `None came out well, not even at ${axis(near)}: the limit lies ${side === 'below' ? 'below' : 'above'} it.`;
  return null;
}

function limitWords(
  kind: SayKind,
  title: string,
  limit: LearnedLimit,
  axis: (x: number) => string,
  what: string,
): LimitWords {
  const { value, low, high, side } = limit;
  const open = openText(limit, axis);
  const sentence =
    open ??
    `Four of five ${what} ${side === 'below' ? 'up' : 'down'} to ${axis(value!)}; nine of ten such estimates lie between ${axis(low!)} and ${axis(high!)}.`;
  return { key: sayKey(kind, limit.of), title, sentence, cases: casesText(limit), limit, axis };
}

/** Of a hand: told in seconds at each focal length that was used. */
function handWords(hold: LearnedHold): LimitWords {
  const focal = hold.atFocal[0]?.focalMm;
  // Before it is known no focal length is told: then as a share of one second over the focal length.
  const axis = (x: number) => (focal ? shutterText(x / focal) : `${formatFigures(x, 2)}\u202f/\u202ff`);
  const title = `Held by hand · ${hold.of}${focal ? ` at ${formatFigures(focal)}\u202fmm` : ''}`;
  const words = limitWords('hand', title, hold, axis, 'are sharp');
  const others = hold.atFocal
    .slice(1)
    .map(({ focalMm, seconds }) => `${shutterText(seconds)} at ${formatFigures(focalMm)}\u202fmm`);
  return others.length ? { ...words, sentence: `${words.sentence} So ${others.join(', ')}.` } : words;
}

/** All limits in words, in the order in which one asks for them. */
export function limitsInWords(learned: Learned): LimitWords[] {
  const seconds = (x: number) => shutterText(x);
  const iso = (x: number) => `ISO ${formatFixed(Number(x.toPrecision(2)))}`;
  const pixels = (x: number) => `${formatFixed(Number(x.toPrecision(2)))}\u202fpx`;
  return [
    ...learned.hand.map(handWords),
    ...learned.ratio.map((limit) => limitWords('ratio', 'Close up by hand', limit, formatRatio, 'are sharp')),
    ...learned.stars.map((limit) => limitWords('stars', `Stars · ${limit.of}`, limit, seconds, 'are free of strokes')),
    ...learned.iso.map((limit) => limitWords('iso', `ISO · ${limit.of}`, limit, iso, 'are clean enough')),
    ...learned.pixels.map((limit) => {
      const words = limitWords('pixels', `Pixels on the subject · ${limit.of}`, limit, pixels, 'are large enough');
      return limit.fewestKept === undefined
        ? words
        : { ...words, sentence: `${words.sentence} Nothing was kept below ${pixels(limit.fewestKept)}.` };
    }),
  ];
}

/** From how far a subject was kept, in one sentence. */
export function distanceText({ cases, middleM, nearM, farM }: LearnedDistance, units: UnitSystem): string {
  const length = (metres: number) => shownText(showLengthM(metres, units));
  if (middleM === undefined || nearM === undefined || farM === undefined)
    return `${groupsText(cases)} kept: too few yet.`;
  return `mostly from ${length(middleM)}, eight of ten from ${length(nearM)} to ${length(farM)} (${groupsText(cases)})`;
}

/** From this chance on a converter is said to disappoint, or not to. */
const LIKELY = 0.9;

/** What a converter does to a lens, in one sentence. */
export function converterText({ disappoints, with: used, without }: LearnedConverter): string {
  const counts = `${formatFixed(used.good)} of ${formatFixed(used.cases)} groups kept with it, ${formatFixed(without.good)} of ${formatFixed(without.cases)} without`;
  if (disappoints === undefined) return `${counts}: too few yet to say.`;
  if (disappoints >= LIKELY) return `${counts}: it disappoints (${formatFixed(disappoints * 100)}\u202f% sure).`;
  return disappoints <= 1 - LIKELY ? `${counts}: it does well.` : `${counts}: no clear difference.`;
}
