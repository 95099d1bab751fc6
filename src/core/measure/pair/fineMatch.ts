import type { Grey } from '../../picture/grey';
import { banded, logLight, smaller } from './pairLight';
import { commonBox } from './commonField';
import { onCopies, onWholes } from './copies';
import { matchErrors, type MatchErrors, type Pull } from './matchErrors';
import { inverse, scaleOf, type Similarity } from './similarity';
import { UNKNOWNS, solvedStep, stepSums, stepped, type Common, type Guess } from './stepSums';

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
  const [least, most] = [0.06 * (sigma * zoom) ** 2, (3 * sigma * zoom) ** 2];
  const wanted = Math.max(-most, Math.min(most, (2 * blur) / second.by ** 2));
  // A little is told well enough by how light bends.
  const more = Math.abs(wanted) < least ? 0 : wanted;
  const common: Common = {
    coarse: banded(logLight(first.grey), sigma, Math.max(0, -more) / zoom ** 2),
    fine: banded(logLight(second.grey), sigma * zoom, Math.max(0, more)),
    box: commonBox(onCopies(match, first, second), first.grey, second.grey),
  };
  return { first, second, zoom, common, blur: (more * second.by ** 2) / 2 };
}

/** One level with what was found there. */
interface Settled extends Start {
  bands: ReturnType<typeof bandsAt>;
  guess: Guess;
  noise: number;
  sums: ReturnType<typeof stepSums>;
}

/** Brings one level of the pictures onto each other; the match is in px of the whole pictures. */
function settledAt(coarse: Grey, fine: Grey, from: Start, level: Level): Settled | null {
  const { rounds, places, settled, sigma } = level;
  const bands = bandsAt(coarse, fine, from, level);
  const { first, second, zoom, common, blur } = bands;
  const { box } = common;
  let guess: Guess = { match: onCopies(from.match, first, second), shown: { gain: 1, bend: 0, offset: 0 } };
  let noise = 0;
  let sums = stepSums(common, guess, noise, places);
  for (let round = 0; round < rounds; round++) {
    if (sums.count < 200) return null;
    const step = solvedStep(sums.tiles);
    if (!step) return null;
    // Far from the truth the linear step overshoots.
    const most = Math.max(
      Math.abs(step[2]!),
      Math.abs(step[3]!),
      Math.hypot(step[0]!, step[1]!) * 0.4 * (box.right - box.left),
    );
    guess = stepped(guess, step, Math.min(1, (3 * sigma * zoom) / Math.max(1e-9, most)));
    noise = sums.noise;
    sums = stepSums(common, guess, noise, places);
    if (most < settled) break;
  }
  const { gain, bend } = guess.shown;
  return {
    match: onWholes(guess.match, first, second),
    blur: blur + (bend / gain) * second.by ** 2,
    bands,
    guess,
    noise,
    sums,
  };
}

/** Steps by which it is tried how what is asked for changes: px along the rim of the field and as a share of the light. */
const TRIED = 0.02;
const LEAST_NOISE = 1e-4;

/** What each part of the field asks for where both lie on each other. */
function pullsOf({ bands: { common }, guess, noise, sums: { tiles } }: Settled): Pull[] {
  const byTurn = TRIED / (0.4 * common.coarse.width);
  // The very same picture twice leaves no noise at all.
  const by = [byTurn, byTurn, TRIED, TRIED, TRIED, TRIED, TRIED * Math.max(noise, LEAST_NOISE)];
  const moved = by.map((each, k) => {
    const step = new Float64Array(UNKNOWNS);
    step[k] = each;
    return stepSums(common, stepped(guess, step), noise, PLACES).tiles;
  });
  return tiles
    .map(({ right }, part) => ({
      right,
      slopes: moved.map((parts, k) => right.map((each, i) => (each - parts[part]!.right[i]!) / by[k]!)),
      used: tiles[part]!.normal[2]![2]! > 0,
    }))
    .filter(({ used }) => used);
}

function errorsOf(settled: Settled): MatchErrors {
  const { first, second } = settled.bands;
  const { scaleError, turnErrorDeg, shiftError } = matchErrors(pullsOf(settled), settled.guess.match);
  return {
    scaleError: (scaleError * second.by) / first.by,
    turnErrorDeg,
    shiftError: shiftError * second.by,
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
  let found: Settled | null = null;
  for (const [k, level] of levels.entries()) {
    found = settledAt(coarse, fine, found ?? { match: swapped ? inverse(from) : from, blur: 0 }, level);
    if (!found) return null;
    onProgress?.((k + 1) / levels.length);
  }
  if (!found) return null;
  const ended = { match: found.match, correlation: found.sums.correlation, ...errorsOf(found) };
  if (!swapped) return ended;
  const match = inverse(ended.match);
  const scale = scaleOf(match);
  return {
    ...ended,
    match,
    scaleError: ended.scaleError * scale * scale,
    shiftError: ended.shiftError * scale,
  };
}
