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

/** A tick whose length is known, or known to be no shorter. */
interface SeenTick {
  n: number;
  length: number;
  open: boolean;
}

/** A tick that only has to be longer may miss its class by so much before it speaks against it. */
const RAGGED = 0.06;

/** The middles of the classes; nothing when they are out of order. */
function middlesOf(classes: SeenTick[][]): number[] | null {
  const middles: number[] = [];
  let below = 0;
  for (const each of classes) {
    const known = (each ?? []).filter(({ open }) => !open).map(({ length }) => length);
    middles.push(known.length ? median(known) : Number.NaN);
    if (known.length === 0) continue;
    if (middles.at(-1)! < below * (1 + APART)) return null;
    below = middles.at(-1)!;
  }
  return middles;
}

/** How badly a pattern tells the lengths; nothing when its classes are out of order. */
function toldBy({ rank, cycle, division }: Pattern, shift: number, seen: SeenTick[]): Told | null {
  const classes: SeenTick[][] = [];
  for (const tick of seen) (classes[rank((((tick.n - shift) % cycle) + cycle) % cycle)] ??= []).push(tick);
  const filled = Array.from(classes, (each) => each ?? []);
  const middles = middlesOf(filled);
  if (!middles) return null;
  const usual = median(seen.filter(({ open }) => !open).map(({ length }) => length));
  let off = 0;
  filled.forEach((each, at) => {
    for (const { length, open } of each) {
      if (Number.isNaN(middles[at]!)) continue;
      const apart = (length - middles[at]!) / usual;
      off += Math.min(0.5, open ? Math.max(0, apart - RAGGED) : Math.abs(apart));
    }
  });
  const used = middles.filter((middle) => !Number.isNaN(middle)).length;
  const mean = Math.max(off / seen.length, 0.015);
  // Deviations of that mean are this improbable; each class is one number more to be known, and so is where the cycle begins.
  return { division, cost: seen.length * Math.log(mean) + 0.5 * used * Math.log(seen.length) + Math.log(cycle) };
}

/** Fewer known lengths tell nothing. */
const FEWEST = 3;
/** Two patterns whose costs differ by less are not told apart. */
const SURE = 4;

/**
 * What a tick of this ruler may be, by the pattern of long and short ones: millimetres have every fifth and tenth longer,
 * halves every second, inches every second, fourth and eighth.
 *
 * @returns all that cannot be told apart, likeliest first; `alike` when the ticks show no pattern, none when too few show their length
 */
export function divisionsOf({ firstN, lengths, atLeast, bothEnds, uneven }: TickLengths): Division[] {
  const seen = Array.from(lengths, (known, i): SeenTick => {
    const open = Number.isNaN(known);
    return { n: firstN + i, length: open ? atLeast[i]! : known, open };
  }).filter(({ length }) => length > 0);
  if (seen.filter(({ open }) => !open).length < FEWEST) return [];
  const best = new Map<Division, number>();
  for (const pattern of PATTERNS.filter(({ division }) => !(uneven && division === 'alike')))
    for (let shift = 0; shift < pattern.cycle; shift++) {
      const told = toldBy(pattern, shift, seen);
      if (told && told.cost < (best.get(told.division) ?? Infinity)) best.set(told.division, told.cost);
    }
  const ranked = [...best].sort((a, b) => a[1] - b[1]);
  const possible = ranked.filter(([, cost]) => cost < ranked[0]![1] + SURE).map(([division]) => division);
  return !bothEnds && possible.includes('alike') ? [] : possible;
}
