import { chance } from './chance';

/** A sky as a camera that stands still takes it. */
export interface StarsMade {
  width: number;
  height: number;
  pitchUm: number;
  focalMm: number;
  exposureS: number;
  /** Of the frame's middle, and the position angle of its upper side, from north through east. */
  declinationDeg: number;
  rollDeg: number;
  stars: number;
  /** Blur of a star, standard deviation, px. */
  sigma: number;
  /** How long a star in the corner is drawn by coma, px, away from the middle, growing with r². */
  comaPx: number;
  /** Light of the sky, and of the brightest star, all of it. */
  sky: number;
  brightest: number;
}

/** A star as it was drawn: its middle, its two ends, its light. */
export interface StarDrawn {
  x: number;
  y: number;
  start: [number, number];
  end: [number, number];
  lengthPx: number;
  directionDeg: number;
  flux: number;
}

/** The sky turns once in 86,164.1 s. */
const TURN_RAD_PER_S = (2 * Math.PI) / 86_164.1;

type Vector = [number, number, number];

/** Where the middle of a frame looks and how it lies: on the sky's own axes, the pole along z. */
function axesOf(declinationDeg: number, rollDeg: number): { forward: Vector; right: Vector; down: Vector } {
  const [d, p] = [(declinationDeg * Math.PI) / 180, (rollDeg * Math.PI) / 180];
  const forward: Vector = [Math.cos(d), 0, Math.sin(d)];
  const north: Vector = [-Math.sin(d), 0, Math.cos(d)];
  const east: Vector = [0, 1, 0];
  // The frame's upper side lies p from north towards east; seen from below east is on the left.
  const up = north.map((n, i) => n * Math.cos(p) + east[i]! * Math.sin(p)) as Vector;
  const right = north.map((n, i) => n * Math.sin(p) - east[i]! * Math.cos(p)) as Vector;
  return { forward, right, down: up.map((value) => -value) as Vector };
}

/** A camera's view of the sky: pixels to directions and back, and where a star stands a while later. */
export function skyView({ width, height, pitchUm, focalMm, declinationDeg, rollDeg }: StarsMade) {
  const { forward, right, down } = axesOf(declinationDeg, rollDeg);
  const focalPx = (focalMm * 1000) / pitchUm;
  const [cx, cy] = [(width - 1) / 2, (height - 1) / 2];
  const direction = (x: number, y: number): Vector =>
    forward.map((f, i) => f + ((x - cx) / focalPx) * right[i]! + ((y - cy) / focalPx) * down[i]!) as Vector;
  const dot = (a: Vector, b: Vector) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
  const place = (to: Vector): [number, number] => {
    const depth = dot(to, forward);
    return [cx + (focalPx * dot(to, right)) / depth, cy + (focalPx * dot(to, down)) / depth];
  };
  // With time everything goes west, which is against the growing right ascension.
  const after = ([x, y, z]: Vector, seconds: number): Vector => {
    const [c, s] = [Math.cos(TURN_RAD_PER_S * seconds), Math.sin(TURN_RAD_PER_S * seconds)];
    return [x * c + y * s, y * c - x * s, z];
  };
  return (x: number, y: number, seconds: number): [number, number] => place(after(direction(x, y), seconds));
}

/** Adds a Gaussian of light about a place. */
function dab(
  light: Float32Array,
  width: number,
  height: number,
  x: number,
  y: number,
  sigma: number,
  flux: number,
): void {
  const reach = Math.ceil(4.5 * sigma);
  const share = flux / (2 * Math.PI * sigma * sigma);
  for (let py = Math.max(0, Math.floor(y) - reach); py <= Math.min(height - 1, Math.ceil(y) + reach); py++)
    for (let px = Math.max(0, Math.floor(x) - reach); px <= Math.min(width - 1, Math.ceil(x) + reach); px++) {
      const r2 = (px - x) ** 2 + (py - y) ** 2;
      light[py * width + px] = light[py * width + px]! + share * Math.exp(-r2 / (2 * sigma * sigma));
    }
}

/** Draws a sky of stars by chance, each as it runs while the shutter is open. */
export function starPicture(made: StarsMade, seed: number): { light: Float32Array; stars: StarDrawn[] } {
  const { width, height, exposureS, sigma, comaPx, sky, brightest } = made;
  const { between, even } = chance(seed);
  const view = skyView(made);
  const light = new Float32Array(width * height).fill(sky);
  const stars: StarDrawn[] = [];
  const half = Math.hypot(width, height) / 2;
  for (let k = 0; k < made.stars; k++) {
    const [x, y] = [between(0, width - 1), between(0, height - 1)];
    // Twice as faint, about three times as many: as the sky has them.
    const flux = brightest * Math.max(0.008, Math.min(1, 0.008 * (even() + 1e-4) ** -1));
    const [start, end] = [view(x, y, -exposureS / 2), view(x, y, exposureS / 2)];
    const lengthPx = Math.hypot(end[0] - start[0], end[1] - start[1]);
    const [rx, ry] = [x - (width - 1) / 2, y - (height - 1) / 2];
    const smear = comaPx * (Math.hypot(rx, ry) / half) ** 2;
    const steps = Math.max(1, Math.ceil(lengthPx / (0.2 * sigma)));
    const tails = smear > 0.05 ? Math.max(1, Math.ceil(smear / (0.3 * sigma))) : 1;
    const r = Math.max(1e-9, Math.hypot(rx, ry));
    for (let i = 0; i < steps; i++) {
      const [px, py] = view(x, y, exposureS * ((i + 0.5) / steps - 0.5));
      for (let j = 0; j < tails; j++) {
        const out = smear * ((j + 0.5) / tails - 0.5);
        dab(light, width, height, px + (out * rx) / r, py + (out * ry) / r, sigma, flux / (steps * tails));
      }
    }
    stars.push({
      x,
      y,
      start,
      end,
      lengthPx,
      directionDeg: ((Math.atan2(end[1] - start[1], end[0] - start[0]) * 180) / Math.PI + 360) % 180,
      flux,
    });
  }
  return { light, stars };
}
