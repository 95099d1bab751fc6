import type { Grey } from '../../picture/grey';
import { median } from '../smooth';
import { numbered } from './numbering';
import { numberAt, placeOfNumber, type RulerModel, type TickPoint } from './rulerModel';
import { strip, type Axes } from './strips';
import { flattened, lopsidedness, ticksIn, type Tone } from './ticks';

/** Ticks of one strip: px along the direction from the picture's middle. */
interface Line {
  t: number;
  from: number;
  to: number;
  places: number[];
  heights: number[];
}

/** Strips across which ticks are followed. */
export interface Across {
  periodPx: number;
  fromT: number;
  toT: number;
}

/** Height of a strip for ticks so far apart, px: a slanted tick must not smear over its own width. */
const heightFor = (periodPx: number): number => Math.max(4, Math.min(16, Math.round(periodPx / 5)));
/** Strips in a row without ticks that end them. */
const GAP = 3;
/** A strip shows the ticks when this share of those expected is there. */
const THERE = 0.7;
/** A tick is the one expected within this part of the distance between ticks. */
const SAME = 0.22;
const FEWEST = 4;
/** What stands out by less than this share of the ticks where following began is noise. */
const FAINT = 0.35;

function rowsAcross(grey: Grey, axes: Axes, { periodPx, fromT, toT }: Across) {
  const height = heightFor(periodPx);
  const rows: { t: number; from: number; flat: Float64Array }[] = [];
  const least = Math.max(24, 3 * periodPx);
  for (let t = fromT; t <= toT; t += height) {
    const line = strip(grey, axes, t, height, least);
    if (line) rows.push({ t, from: line.from, flat: flattened(line, periodPx) });
  }
  return rows;
}

/** Whether the ticks of some strips are lighter (1) or darker (−1) than their ground. */
function toneOf(rows: { flat: Float64Array }[]): Tone {
  return rows.reduce((sum, { flat }) => sum + lopsidedness(flat), 0) >= 0 ? 1 : -1;
}

function lineOf({ t, from, flat }: { t: number; from: number; flat: Float64Array }, tone: Tone): Line {
  const ticks = ticksIn(flat, tone);
  return {
    t,
    from,
    to: from + flat.length - 1,
    places: ticks.map(({ at }) => at + from),
    heights: ticks.map(({ height }) => height),
  };
}

/** Lines without what stands out too little to be one of the ticks of one of them. */
function withoutFaint(lines: Line[], like: Line): Line[] {
  const least = FAINT * median(like.heights);
  return lines.map((line) => ({ ...line, places: line.places.filter((_, i) => line.heights[i]! >= least) }));
}

/** The ticks of a line that stand where numbers are expected; nothing when too few do. */
function matched(line: Line, expected: { n: number; s: number }[], periodPx: number): TickPoint[] | null {
  const inside = expected.filter(({ s }) => s > line.from + 1 && s < line.to - 1);
  const found: TickPoint[] = [];
  let i = 0;
  for (const { n, s } of inside) {
    while (i + 1 < line.places.length && Math.abs(line.places[i + 1]! - s) <= Math.abs(line.places[i]! - s)) i++;
    const place = line.places[i];
    if (place !== undefined && Math.abs(place - s) <= SAME * periodPx) found.push({ n, s: place, t: line.t });
  }
  return found.length >= Math.max(FEWEST, THERE * inside.length) ? found : null;
}

/** Numbers that cannot be missing between two that are seen: expected on the next line too. */
const ascending = (points: TickPoint[]): { n: number; s: number }[] => [...points].sort((a, b) => a.s - b.s);

/** The line whose ticks are numbered most completely: where following begins. */
function seedOf(lines: Line[], periodPx: number): { at: number; points: TickPoint[] } | null {
  let best: { at: number; points: TickPoint[]; score: number } | null = null;
  lines.forEach((line, at) => {
    const walk = numbered(line.places, periodPx);
    if (walk.length < FEWEST) return;
    const span = walk.at(-1)!.n - walk[0]!.n + 1;
    const score = walk.length * (walk.length / span) * (walk.length / line.places.length);
    if (!best || score > best.score)
      best = { at, score, points: walk.map((tick) => ({ n: tick.n, s: tick.at, t: line.t })) };
  });
  return best;
}

/**
 * Follows the ticks from the strip that shows them best to its neighbours, which get the same numbers: a tick is a line, so it
 * stands nearly in the same place there.
 *
 * @param known whether ticks are lighter or darker than their ground; by their shape when nothing is given
 */
export function followTicks(
  grey: Grey,
  axes: Axes,
  across: Across,
  known?: Tone,
): { tone: Tone; points: TickPoint[] } | null {
  const rows = rowsAcross(grey, axes, across);
  if (rows.length === 0) return null;
  const tone = known ?? toneOf(rows);
  const all = rows.map((row) => lineOf(row, tone));
  const seed = seedOf(all, across.periodPx);
  if (!seed) return null;
  const lines = withoutFaint(all, all[seed.at]!);
  const points = [...seed.points];
  for (const way of [-1, 1] as const) {
    let expected = ascending(seed.points);
    for (let i = seed.at + way, missed = 0; i >= 0 && i < lines.length && missed <= GAP; i += way) {
      const found = matched(lines[i]!, expected, across.periodPx);
      if (!found) {
        missed++;
        continue;
      }
      missed = 0;
      points.push(...found);
      // A number lost on this line is expected where it was last.
      const seen = new Map(found.map((point) => [point.n, point]));
      expected = ascending(expected.map(({ n, s }) => seen.get(n) ?? { n, s, t: 0 }));
    }
  }
  return { tone, points };
}

/** The ticks where a model expects them, on every strip from the ticks' middle outwards as long as they are there. */
export function ticksByModel(grey: Grey, axes: Axes, model: RulerModel, tone: Tone, across: Across): TickPoint[] {
  const all = rowsAcross(grey, axes, across).map((row) => lineOf(row, tone));
  if (all.length === 0) return [];
  const ts = model.points.map(({ t }) => t).sort((a, b) => a - b);
  const middle = ts[ts.length >> 1]!;
  const start = all.reduce((best, { t }, i) => (Math.abs(t - middle) < Math.abs(all[best]!.t - middle) ? i : best), 0);
  const lines = withoutFaint(all, all[start]!);
  const points: TickPoint[] = [];
  for (const way of [-1, 1] as const)
    for (let i = way === 1 ? start : start - 1, missed = 0; i >= 0 && i < lines.length && missed <= GAP; i += way) {
      const line = lines[i]!;
      const ends = [numberAt(model, line.from, line.t), numberAt(model, line.to, line.t)].sort((a, b) => a - b);
      const expected: { n: number; s: number }[] = [];
      for (let n = Math.ceil(ends[0]!); n <= Math.floor(ends[1]!) && expected.length < 5000; n++)
        expected.push({ n, s: placeOfNumber(model, n, line.t) });
      const found = matched(
        line,
        expected.sort((a, b) => a.s - b.s),
        across.periodPx,
      );
      if (found) points.push(...found);
      missed = found ? 0 : missed + 1;
    }
  return points;
}
