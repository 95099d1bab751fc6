import type { Grey } from '../../picture/grey';
import { banded, logLight, smaller } from './pairLight';
import { onCopies, onWholes } from './copies';
import { matchErrors, type MatchErrors } from './matchErrors';
import { inverse, scaleOf, type Similarity } from './similarity';
import { solvedWithout, stepSums, type Shown } from './stepSums';

/** A match with its errors, and how well both agree. */
export interface FineMatch extends MatchErrors {
  match: Similarity;
  /** Correlation of what both show, of middle size, where they lie on each other: 1 for the same. */
  correlation: number;
}

/** Places of the coarser picture that are looked at, at most; on the way fewer do, and less is asked of them, px. */
const PLACES = 40_000;
const SETTLED = 1e-3;
const ON_THE_WAY = { places: 12_000, settled: 0.01 };

interface Level {
  longest: number;
  /** Blur of the band, px of the coarser picture at this level. */
  sigma: number;
  rounds: number;
  places: number;
  /** A step of less than this ends it, px. */
  settled: number;
}

/** Where a level starts, and where it ends: how they lie, and by how much more the coarser is blurred, in px of the wholes. */
interface Start {
  match: Similarity;
  blur: number;
}

/** Both pictures at one level, as sharp as each other as far as is known. */
function bandsAt(coarse: Grey, fine: Grey, { match, blur }: Start, { longest, sigma }: Level) {
  const first = smaller(coarse, longest);
  const scale = scaleOf(match);
  // The finer picture is reduced no more than leaves it finer still.
  const by = Math.max(1, Math.floor(first.by * scale));
  const second = smaller(fine, Math.max(fine.width, fine.height) / by);
  const zoom = (scale * first.by) / second.by;
  // In px² of the finer at this level: the sharper one is blurred as the other is, as far as this level can tell.
  const most = (3 * sigma * zoom) ** 2;
  const more = Math.max(-most, Math.min(most, (2 * blur) / second.by ** 2));
  const a = banded(logLight(first.grey), sigma, Math.max(0, -more) / zoom ** 2);
  const b = banded(logLight(second.grey), sigma * zoom, Math.max(0, more));
  return { first, second, zoom, a, b, blur: (more * second.by ** 2) / 2 };
}

/** Brings one level of the pictures onto each other; the match is in px of the whole pictures. */
function settledAt(coarse: Grey, fine: Grey, from: Start, level: Level): (FineMatch & Start) | null {
  const { rounds, places, settled, sigma } = level;
  const { first, second, zoom, a, b, blur } = bandsAt(coarse, fine, from, level);
  let match = onCopies(from.match, first, second);
  let shown: Shown = { gain: 1, bend: 0 };
  let noise = 0;
  let last = stepSums(a, b, match, shown, noise, places);
  for (let round = 0; round < rounds; round++) {
    if (last.count < 200) return null;
    const step = solvedWithout(last.tiles, -1);
    if (!step) return null;
    // Far from the truth the linear step overshoots.
    const most = Math.max(Math.abs(step[2]!), Math.abs(step[3]!), Math.hypot(step[0]!, step[1]!) * 0.4 * a.width);
    const calm = Math.min(1, (3 * sigma * zoom) / Math.max(1e-9, most));
    match = {
      p: match.p + calm * step[0]!,
      q: match.q + calm * step[1]!,
      tx: match.tx + calm * step[2]!,
      ty: match.ty + calm * step[3]!,
    };
    shown = { gain: Math.max(0.05, shown.gain + step[4]!), bend: shown.bend + step[5]! };
    noise = last.noise;
    last = stepSums(a, b, match, shown, noise, places);
    if (most < settled) break;
  }
  const { shiftError, turnErrorDeg, scaleError } = matchErrors(last.tiles, match);
  return {
    match: onWholes(match, first, second),
    blur: blur + (shown.bend / shown.gain) * second.by ** 2,
    scaleError: (scaleError * second.by) / first.by,
    turnErrorDeg,
    shiftError: shiftError * second.by,
    correlation: last.correlation,
  };
}

/**
 * Brings two pictures onto each other to hundredths of a pixel, from coarse structure to fine, by Gauss's and Newton's method.
 *
 * @param a as large as is to be looked at: all of it is
 * @param from roughly, in px of both
 */
export function fineMatch(a: Grey, b: Grey, from: Similarity, onProgress?: (share: number) => void): FineMatch | null {
  const swapped = scaleOf(from) < 1;
  const [coarse, fine] = swapped ? [b, a] : [a, b];
  const longest = Math.max(coarse.width, coarse.height);
  const levels: Level[] = [
    { longest: 512, sigma: 6, rounds: 12, ...ON_THE_WAY },
    { longest: 512, sigma: 3, rounds: 10, ...ON_THE_WAY },
    { longest: 512, sigma: 1.5, rounds: 8, ...ON_THE_WAY },
    {
      longest,
      sigma: longest > 900 ? 1.5 : 0.8,
      rounds: 10,
      places: PLACES,
      settled: SETTLED,
    },
  ];
  let found: (FineMatch & Start) | null = null;
  for (const [k, level] of levels.entries()) {
    found = settledAt(coarse, fine, found ?? { match: swapped ? inverse(from) : from, blur: 0 }, level);
    if (!found) return null;
    onProgress?.((k + 1) / levels.length);
  }
  if (!found) return null;
  if (!swapped) return found;
  const back = inverse(found.match);
  const scale = scaleOf(back);
  return {
    ...found,
    match: back,
    scaleError: found.scaleError * scale * scale,
    shiftError: found.shiftError * scale,
  };
}
