import type { Grey } from '../../picture/grey';
import { periodOf } from './period';
import { axesOf, reachAcross, strip } from './strips';

/** Something that repeats along a direction over neighbouring strips: perhaps the ticks of a ruler. */
export interface Candidate {
  degrees: number;
  /** Distance at which it repeats, px of the picture looked at. */
  periodPx: number;
  /** Middles of the outermost strips it was seen in, px across the direction from the picture's middle. */
  fromT: number;
  toT: number;
  score: number;
}

/** Height of a strip, px. */
export const STRIP_PX = 6;
/** Lines of it that are looked at: each is a mean over a pixel's width already. */
const SEARCH_LINES = 3;
/** A strip so short shows nothing that repeats. */
const LEAST_LENGTH_PX = 60;
/** Below this many px a tick cannot be told from its neighbour. */
const SHORTEST_PX = 3;
/** Periods belong together when they differ by no more than this share. */
const ALIKE = 0.06;
/** Strips in a row that may show nothing, inside a cluster. */
const GAP = 3;
/** A finer cluster is fair with this share of the score of the strongest. */
const FAIR = 0.12;

interface Seen {
  t: number;
  px: number;
  weight: number;
}

function periodsAcross(grey: Grey, degrees: number, part: number): Seen[] {
  const axes = axesOf(grey, degrees);
  const reach = reachAcross(grey, axes);
  const seen: Seen[] = [];
  for (let t = -reach + STRIP_PX / 2; t <= reach; t += STRIP_PX) {
    const line = strip(grey, axes, t, STRIP_PX, LEAST_LENGTH_PX, SEARCH_LINES);
    const period = line && periodOf(line.values, SHORTEST_PX, part);
    if (period && period.weight > 0.15) seen.push({ t, ...period });
  }
  return seen;
}

/** Strips of one period that lie beside each other. */
function clusters(seen: Seen[]): Seen[][] {
  const open: Seen[][] = [];
  const done: Seen[][] = [];
  for (const each of seen) {
    for (let i = open.length - 1; i >= 0; i--)
      if (each.t - open[i]!.at(-1)!.t > (GAP + 0.5) * STRIP_PX) done.push(...open.splice(i, 1));
    const home = open.find((group) => Math.abs(group.at(-1)!.px / each.px - 1) < ALIKE);
    if (home) home.push(each);
    else open.push([each]);
  }
  return [...done, ...open];
}

function weightedPeriod(group: Seen[]): number {
  const sorted = [...group].sort((a, b) => a.px - b.px);
  const half = group.reduce((sum, { weight }) => sum + weight, 0) / 2;
  let sum = 0;
  for (const { px, weight } of sorted) if ((sum += weight) >= half) return px;
  return sorted.at(-1)!.px;
}

/**
 * What repeats along one direction, best first, the finest fair one always among them.
 *
 * @param part see `periodOf`
 */
export function candidatesAlong(grey: Grey, degrees: number, part: number): Candidate[] {
  const found = clusters(periodsAcross(grey, degrees, part))
    .filter((group) => group.length >= 2)
    .map((group): Candidate => {
      const score = group.reduce((sum, { weight }) => sum + weight, 0);
      return { degrees, periodPx: weightedPeriod(group), fromT: group[0]!.t, toT: group.at(-1)!.t, score };
    })
    .sort((a, b) => b.score - a.score);
  const strongest = found[0];
  if (!strongest) return [];
  const fair = found.filter(({ score }) => score >= FAIR * strongest.score);
  const finest = fair.reduce((least, each) => (each.periodPx < least.periodPx ? each : least), strongest);
  return [...new Set([strongest, finest, ...fair.slice(0, 3)])];
}
