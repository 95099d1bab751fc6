import { median } from '../smooth';
import type { TickLengths } from './tickLengths';

/** What the pattern of long and short ticks says a tick is. */
export type Division = 'millimetre' | 'half' | 'inch' | 'alike';

interface Pattern {
  division: Division;
  /** The pattern repeats after so many ticks. */
  cycle: number;
  /** Rank of the length of the i-th tick of the cycle: 0 is the shortest. */
  rank: (i: number) => number;
}

const zeros = (i: number, most: number): number => {
  let count = 0;
  for (let rest = i; count < most && rest % 2 === 0; rest /= 2) count++;
  return count;
};

const PATTERNS: Pattern[] = [
  { division: 'alike', cycle: 1, rank: () => 0 },
  { division: 'millimetre', cycle: 10, rank: (i) => (i === 0 ? 2 : i === 5 ? 1 : 0) },
  { division: 'millimetre', cycle: 5, rank: (i) => (i === 0 ? 1 : 0) },
  { division: 'half', cycle: 2, rank: (i) => (i === 0 ? 1 : 0) },
  { division: 'half', cycle: 20, rank: (i) => (i === 0 ? 3 : i === 10 ? 2 : i % 2 === 0 ? 1 : 0) },
  { division: 'half', cycle: 10, rank: (i) => (i === 0 ? 2 : i % 2 === 0 ? 1 : 0) },
  { division: 'inch', cycle: 4, rank: (i) => zeros(i || 4, 2) },
  { division: 'inch', cycle: 8, rank: (i) => zeros(i || 8, 3) },
  { division: 'inch', cycle: 16, rank: (i) => zeros(i || 16, 4) },
  { division: 'inch', cycle: 32, rank: (i) => zeros(i || 32, 5) },
];

/** Lengths of two classes differ when they do so by this share. */
const APART = 0.12;

interface Told {
  division: Division;
  cost: number;
}

/** The middles of the classes, and how badly they tell the lengths; nothing when the classes are out of order. */
function toldBy(
  { rank, cycle, division }: Pattern,
  shift: number,
  lengths: { n: number; length: number }[],
): Told | null {
  const classes: number[][] = [];
  for (const { n, length } of lengths) (classes[rank((((n - shift) % cycle) + cycle) % cycle)] ??= []).push(length);
  const filled = Array.from(classes, (each) => each ?? []);
  const middles = filled.map((each) => (each.length ? median(each) : Number.NaN));
  let below = 0;
  for (const middle of middles) {
    if (Number.isNaN(middle)) continue;
    if (middle < below * (1 + APART)) return null;
    below = middle;
  }
  const usual = median(lengths.map(({ length }) => length));
  let off = 0;
  filled.forEach((each, at) =>
    each.forEach((length) => (off += Math.min(0.5, Math.abs(length - middles[at]!) / usual))),
  );
  const used = middles.filter((middle) => !Number.isNaN(middle)).length;
  const mean = Math.max(off / lengths.length, 0.015);
  // Deviations of that mean are this improbable; each class is one number more to be known, and so is where the cycle begins.
  return { division, cost: lengths.length * Math.log(mean) + 0.5 * used * Math.log(lengths.length) + Math.log(cycle) };
}

/** Two patterns whose costs differ by less are not told apart. */
const SURE = 4;

/**
 * What a tick of this ruler may be, by the pattern of long and short ones: millimetres have every fifth and tenth longer,
 * halves every second, inches every second, fourth and eighth.
 *
 * @returns all that cannot be told apart, likeliest first; `alike` when the ticks show no pattern, none when too few show their length
 */
export function divisionsOf({ firstN, lengths, bothEnds }: TickLengths): Division[] {
  const seen = Array.from(lengths, (length, i) => ({ n: firstN + i, length })).filter(({ length }) => length > 0);
  if (seen.length < 4) return [];
  const best = new Map<Division, number>();
  for (const pattern of PATTERNS)
    for (let shift = 0; shift < pattern.cycle; shift++) {
      const told = toldBy(pattern, shift, seen);
      if (told && told.cost < (best.get(told.division) ?? Infinity)) best.set(told.division, told.cost);
    }
  const ranked = [...best].sort((a, b) => a[1] - b[1]);
  const possible = ranked.filter(([, cost]) => cost < ranked[0]![1] + SURE).map(([division]) => division);
  return !bothEnds && possible.includes('alike') ? [] : possible;
}
