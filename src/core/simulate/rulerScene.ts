import { noiseOf } from '../detail/textures/noise';
import { chance } from './chance';
import type { Scene } from './scene';

/** How a ruler is divided: what each tick is, and which are longer. */
export type RulerScale = 'millimetre' | 'half' | 'sixteenth';

export interface RulerMade {
  scale: RulerScale;
  /** Light of the ruler, of its ticks, of the desk. */
  ground: number;
  ink: number;
  desk: number;
  /** How grainy the desk is, light. */
  grain: number;
  /** How far brushed metal shimmers along the ruler, light. */
  brushed: number;
  tickWidthMm: number;
  /** How far a tick stands off its place, mm (standard deviation). */
  jitterMm: number;
  /** Length of the shortest ticks, mm. */
  shortestMm: number;
  /** The ruler ends so far below its edge, mm. */
  heightMm: number;
  /** Ink of one tick differs from the next by so much, as a share. */
  unevenInk: number;
  digits: boolean;
  scratches: number;
}

/** Distance of the ticks, mm. */
export const TICK_MM: Record<RulerScale, number> = { millimetre: 1, half: 0.5, sixteenth: 25.4 / 16 };

const modulo = (i: number, by: number): number => ((i % by) + by) % by;

/** Length of a tick in units of the shortest. */
function lengthOf(scale: RulerScale, i: number): number {
  if (scale === 'millimetre') return modulo(i, 10) === 0 ? 1.75 : modulo(i, 5) === 0 ? 1.35 : 1;
  if (scale === 'half') return modulo(i, 20) === 0 ? 2.1 : modulo(i, 10) === 0 ? 1.75 : modulo(i, 2) === 0 ? 1.35 : 1;
  return [16, 8, 4, 2].reduce((length, by, k) => (modulo(i, by) === 0 && length === 1 ? 2.4 - 0.35 * k : length), 1);
}

/** Strokes of the digits, on a field two wide and four high: pairs of points. */
const STROKES: number[][] = [
  [0, 0, 2, 0, 2, 0, 2, 4, 2, 4, 0, 4, 0, 4, 0, 0],
  [0.4, 0.8, 1.2, 0, 1.2, 0, 1.2, 4],
  [0, 0, 2, 0, 2, 0, 2, 2, 2, 2, 0, 2, 0, 2, 0, 4, 0, 4, 2, 4],
  [0, 0, 2, 0, 2, 0, 2, 4, 2, 4, 0, 4, 0.4, 2, 2, 2],
  [1.6, 0, 0, 2.8, 0, 2.8, 2, 2.8, 1.5, 1.6, 1.5, 4],
  [2, 0, 0, 0, 0, 0, 0, 1.8, 0, 1.8, 2, 1.8, 2, 1.8, 2, 4, 2, 4, 0, 4],
  [2, 0, 0, 0, 0, 0, 0, 4, 0, 4, 2, 4, 2, 4, 2, 2, 2, 2, 0, 2],
  [0, 0, 2, 0, 2, 0, 0.8, 4],
  [0, 0, 2, 0, 2, 0, 2, 4, 2, 4, 0, 4, 0, 4, 0, 0, 0, 2, 2, 2],
  [2, 2, 0, 2, 0, 2, 0, 0, 0, 0, 2, 0, 2, 0, 2, 4, 2, 4, 0, 4],
];

function distanceToStroke(x: number, y: number, stroke: number[], at: number): number {
  const [x0, y0, x1, y1] = [stroke[at]!, stroke[at + 1]!, stroke[at + 2]!, stroke[at + 3]!];
  const length = (x1 - x0) ** 2 + (y1 - y0) ** 2;
  const along = Math.max(0, Math.min(1, ((x - x0) * (x1 - x0) + (y - y0) * (y1 - y0)) / length));
  return Math.hypot(x - x0 - along * (x1 - x0), y - y0 - along * (y1 - y0));
}

/** Whether a place lies on the digit below a long tick. */
function onDigit(made: RulerMade, xMm: number, yMm: number): boolean {
  const unit = made.shortestMm * 0.14;
  const y = (yMm - made.shortestMm * 2.5) / unit;
  if (y < -0.4 || y > 4.4) return false;
  const every = made.scale === 'sixteenth' ? 25.4 : 10;
  const at = Math.round(xMm / every);
  const x = (xMm - at * every) / unit + 1;
  if (x < -0.4 || x > 2.4) return false;
  const strokes = STROKES[modulo(at, 10)]!;
  for (let i = 0; i < strokes.length; i += 4) if (distanceToStroke(x, y, strokes, i) < 0.25) return true;
  return false;
}

interface Tick {
  off: number;
  black: number;
  lengthMm: number;
}

/** Where a tick stands, how black and how long it is: the same tick always the same. */
function tickOf(made: RulerMade, i: number, seed: number): Tick {
  const { normal, even } = chance(seed * 7919 + i * 104729);
  return {
    off: normal() * made.jitterMm,
    black: 1 - made.unevenInk * even(),
    lengthMm: lengthOf(made.scale, i) * made.shortestMm,
  };
}

interface Scratch {
  x: number;
  y: number;
  reach: number;
  cosine: number;
  sine: number;
  width: number;
  light: number;
}

function scratchesOf(made: RulerMade, seed: number): Scratch[] {
  const { between } = chance(seed + 17);
  return Array.from({ length: made.scratches }, () => {
    const [x, y, turn] = [between(-40, 40), between(0, made.heightMm), between(0, Math.PI)];
    const [reach, width, light] = [between(1, 12.5), between(0.02, 0.08), between(-0.25, 0.15)];
    return { x, y, reach, cosine: Math.cos(turn), sine: Math.sin(turn), width, light };
  });
}

/** What a scratch adds to the light of a place. */
function scratched({ x, y, reach, cosine, sine, width, light }: Scratch, xMm: number, yMm: number): number {
  const dx = xMm - x;
  const dy = yMm - y;
  if (Math.abs(dx) > reach || Math.abs(dy) > reach) return 0;
  return Math.abs(dy * cosine - dx * sine) < width && Math.abs(dx * cosine + dy * sine) < reach ? light : 0;
}

/**
 * A ruler on a desk. Its edge lies along y = 0, its ticks reach down from there (y positive), x counts millimetres; a tick is
 * at x = 0.
 */
export function rulerScene(made: RulerMade, seed: number): Scene {
  const step = TICK_MM[made.scale];
  const known = new Map<number, Tick>();
  // Ticks begin a little inside the edge; none is longer than this.
  const top = 0.15 * made.shortestMm;
  const reach = top + 2.4 * made.shortestMm;
  const tick = (i: number) => {
    let found = known.get(i);
    if (!found) known.set(i, (found = tickOf(made, i, seed)));
    return found;
  };
  const scratches = scratchesOf(made, seed);
  const [coarse, fine, brushed] = [noiseOf(seed), noiseOf(seed + 1), noiseOf(seed + 2)];
  return (x, y) => {
    if (y < 0 || y > made.heightMm) return made.desk + made.grain * (coarse(x * 1.7, y * 1.7) + fine(x * 5, y * 5) - 1);
    let light = made.ground;
    if (made.brushed > 0) light += made.brushed * (brushed(x * 0.6, y * 14) - 0.5);
    if (y > top && y < reach) {
      const i = Math.round(x / step);
      const { off, black, lengthMm } = tick(i);
      if (y < top + lengthMm && Math.abs(x - i * step - off) < made.tickWidthMm / 2)
        return light + (made.ink - light) * black;
    }
    if (made.digits && onDigit(made, x, y)) return made.ink;
    for (let k = 0; k < scratches.length; k++) light += scratched(scratches[k]!, x, y);
    return light;
  };
}
