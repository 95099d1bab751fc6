/** A tick of a strip with its number along the ruler. */
export interface Numbered {
  n: number;
  at: number;
}

/** How far a tick may lie from where the walk expects it, as a share of the step. */
const REACH = 0.28;
/** Ticks in a row that may be missing. */
const MISSING = 3;
/** How much of each new step goes into the expected one: perspective changes it slowly. */
const ADAPT = 0.25;

function walk(places: number[], start: number, stepPx: number, direction: 1 | -1): Numbered[] {
  const found: Numbered[] = [];
  let step = stepPx;
  let last = places[start]!;
  let n = 0;
  let i = start + direction;
  let skipped = 0;
  while (i >= 0 && i < places.length && skipped <= MISSING) {
    const expected = last + direction * step * (skipped + 1);
    while (i >= 0 && i < places.length && direction * (places[i]! - expected) < -REACH * step) i += direction;
    if (i < 0 || i >= places.length) break;
    let nearest = i;
    const next = places[i + direction];
    if (next !== undefined && Math.abs(next - expected) < Math.abs(places[i]! - expected)) nearest = i + direction;
    if (Math.abs(places[nearest]! - expected) > REACH * step) {
      skipped++;
      continue;
    }
    const made = (direction * (places[nearest]! - last)) / (skipped + 1);
    n += direction * (skipped + 1);
    step += ADAPT * (made - step);
    last = places[nearest]!;
    found.push({ n, at: last });
    i = nearest + direction;
    skipped = 0;
  }
  return found;
}

/** How irregular the neighbourhood of a tick is: the largest departure of the four steps around it from the period. */
function irregularity(places: number[], i: number, stepPx: number): number {
  let worst = 0;
  for (let j = i - 2; j < i + 2; j++) {
    const a = places[j];
    const b = places[j + 1];
    worst = Math.max(worst, a === undefined || b === undefined ? 0.3 : Math.abs((b - a) / stepPx - 1));
  }
  return worst;
}

/**
 * Numbers the ticks of a strip, walking from the most regular place outwards with a step that adapts: under perspective one
 * period for the whole strip would lose count.
 *
 * @param places px along the strip, ascending
 */
export function numbered(places: number[], stepPx: number): Numbered[] {
  if (places.length < 2) return [];
  let start = 0;
  let best = Infinity;
  for (let i = 0; i < places.length; i++) {
    const worst = irregularity(places, i, stepPx);
    if (worst < best) {
      best = worst;
      start = i;
    }
  }
  return [
    ...walk(places, start, stepPx, -1).reverse(),
    { n: 0, at: places[start]! },
    ...walk(places, start, stepPx, 1),
  ];
}

/** So many numbers missing in a row part what is counted from what may have been counted on wrongly. */
const PARTED = 3;

/**
 * The longest row of numbers without a wide gap. Where perspective is not known yet, ticks far off are taken for their
 * neighbours, and agree with each other in that: beyond a gap nothing tells by how many they are out.
 */
export function mainRun<T extends { n: number }>(points: readonly T[]): T[] {
  const numbers = [...new Set(points.map(({ n }) => n))].sort((a, b) => a - b);
  let [from, best] = [0, [0, 0] as [number, number]];
  numbers.forEach((n, i) => {
    if (i > 0 && n - numbers[i - 1]! > PARTED) from = i;
    if (i - from > best[1] - best[0]) best = [from, i];
  });
  const [low, high] = [numbers[best[0]]!, numbers[best[1]]!];
  return points.filter(({ n }) => n >= low && n <= high);
}
