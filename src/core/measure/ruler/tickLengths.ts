import { median } from '../smooth';
import type { Ink } from './inkOfTicks';

/** How long each tick is, by number; not a number where its end is not in the picture. */
export interface TickLengths {
  firstN: number;
  lengths: Float64Array;
  /** Where the length is not known: how long it is at least; not a number where nothing is known. */
  atLeast: Float64Array;
  /** Whether both ends were seen; by one end alone ticks may look alike that are not. */
  bothEnds: boolean;
  /** Whether some are longer for certain, be their ends in the picture or not. */
  uneven: boolean;
}

/** So many lines a tick goes on, and whether it may go on beyond the picture. */
interface Reach {
  lines: number;
  open: boolean;
}

/**
 * How many lines a tick goes on: where the sum of its ink above one half is largest, which is the likeliest end of something
 * that is all ink and then none, whatever the noise.
 *
 * @param values ink of the tick line by line outwards, 1 where it is as black as where all ticks are; not a number outside
 * @param ground so many lines without ink must follow
 */
function goesOn(values: number[], ground: number): Reach {
  let sum = 0;
  let best = 0;
  let end = 0;
  // Lines before it comes into the picture are its own too, if it is seen there at all.
  let last = values.findIndex((value) => !Number.isNaN(value));
  if (last < 0) return { lines: 0, open: true };
  for (; last < values.length && !Number.isNaN(values[last]!); last++) {
    sum += Math.max(-0.5, Math.min(1.5, values[last]!)) - 0.5;
    if (sum > best) {
      best = sum;
      end = last + 1;
    }
  }
  // The picture, or what was looked at of it, ends before there was any ground to be seen behind the tick.
  const cameLate = end === 0 && Number.isNaN(values[0]);
  return { lines: end, open: cameLate || last - end < ground };
}

/** What the ends of the ticks to one side have in common. */
interface Side {
  /** Whether enough of them are in the picture to say anything. */
  counts: boolean;
  /** How many lines a tick usually goes on to this side; not a number where none ends in the picture. */
  usual: number;
  /** Whether some go on farther than that: then it is not the edge they all begin at. */
  uneven: boolean;
}

/** Lines so far apart, px, are clear of the blur of an end after two of them, closer ones after three. */
const WIDE_STEP = 2;
/** Ends that differ by more than this share of a tick are not on one line. */
const UNEVEN = 0.12;
/** So many ends must be seen where the other side is the edge. */
const FEWEST = 3;

/** @param shared lines on which all ticks were found */
function sideOf(reaches: (Reach | undefined)[], shared: number): Side {
  const all = reaches.filter((each) => each !== undefined);
  const closed = all.filter(({ open }) => !open).map(({ lines }) => lines);
  const usual = closed.length > 0 ? median(closed) : NaN;
  const uneven = closed.length >= FEWEST && all.some(({ lines }) => lines - usual > UNEVEN * (usual + shared));
  return { counts: 2 * closed.length >= reaches.length, usual, uneven };
}

/** The side at which all ticks begin, where the other one tells that it is not it. */
function baseOf([first, second]: Side[]): 0 | 1 | null {
  if (first!.uneven === second!.uneven) return null;
  return first!.uneven ? 1 : 0;
}

/** How far a tick goes on to both sides together: from the edge all begin at, where it is known, whether its own beginning is seen or not. */
function lengthOf(each: readonly [Reach, Reach], sides: Side[], base: 0 | 1 | null): Reach {
  if (base !== null) {
    const { lines, open } = each[1 - base]!;
    const { usual } = sides[base]!;
    return { lines: lines + (Number.isNaN(usual) ? 0 : usual), open };
  }
  const counted = ([0, 1] as const).filter((side) => sides[side]!.counts);
  return {
    lines: counted.reduce<number>((sum, side) => sum + each[side].lines, 0),
    open: counted.some((side) => each[side].open),
  };
}

/**
 * How far every tick goes on to both sides of the lines on which all were found; nothing for one that is not to be seen.
 *
 * @param shared those lines, by number, in order
 * @param ground so many lines without ink tell an end
 */
function endsOf(ink: Ink, shared: readonly number[], ground: number): ([Reach, Reach] | null)[] {
  const [first, last] = [shared[0] ?? 0, shared.at(-1) ?? -1];
  const ownOf = (i: number) =>
    median(shared.map((line) => ink.values[line]![i]!).filter((value) => !Number.isNaN(value)));
  const usualInk = median(Array.from({ length: ink.count }, (_, i) => ownOf(i)).filter((own) => own > 0));
  return Array.from({ length: ink.count }, (_, i): [Reach, Reach] | null => {
    const own = ownOf(i);
    // A tick at the picture's border may come into it only beyond the lines on which all others were found.
    const outside = Number.isNaN(own);
    if (!outside && !(own > 0)) return null;
    const outwards = (from: number, way: 1 | -1): number[] => {
      const values: number[] = [];
      for (let line = from; line >= 0 && line < ink.ts.length; line += way)
        values.push(ink.values[line]![i]! / (outside ? usualInk : own));
      return values;
    };
    const both: [Reach, Reach] = [goesOn(outwards(first - 1, -1), ground), goesOn(outwards(last + 1, 1), ground)];
    return outside && both.every(({ lines }) => lines === 0) ? null : both;
  });
}

/**
 * The length of each tick, px across: from the lines on which all were found outwards to both sides.
 *
 * @param fromT where all ticks were found, px across
 */
export function tickLengths(ink: Ink, fromT: number, toT: number): TickLengths {
  const stepPx = ink.ts.length > 1 ? ink.ts[1]! - ink.ts[0]! : 1;
  const shared: number[] = [];
  ink.ts.forEach((t, line) => {
    if (t >= fromT - 1e-6 && t <= toT + 1e-6) shared.push(line);
  });
  const first = shared[0] ?? 0;
  const last = shared.at(-1) ?? -1;
  const ends = endsOf(ink, shared, stepPx >= WIDE_STEP ? 2 : 3);
  const sides = ([0, 1] as const).map((side) =>
    sideOf(
      ends.map((each) => each?.[side]),
      last - first + 1,
    ),
  );
  const from = baseOf(sides);
  const told = ends.map((each): Reach | null => each && lengthOf(each, sides, from));
  const reach = told.map((each) =>
    each && (from !== null || sides.some(({ counts }) => counts)) ? each.lines + last - first + 1 : NaN,
  );
  const open = (i: number): boolean => told[i]?.open === true;
  const px = (known: (i: number) => boolean): Float64Array =>
    Float64Array.from(reach, (lines, i) => (known(i) ? lines * stepPx : Number.NaN));
  return {
    firstN: ink.firstN,
    lengths: px((i) => !open(i)),
    atLeast: px(open),
    bothEnds: sides.every(({ counts }) => counts),
    uneven: from !== null,
  };
}
