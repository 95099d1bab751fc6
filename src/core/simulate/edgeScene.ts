/** A straight edge as a sensor sees it: worked out from its response, so that what is true of it is known. */
export interface EdgeMade {
  /** Direction of the edge, degrees from +x towards +y; the light lies on its right when looking along it. */
  edgeDeg: number;
  /** How far it passes the picture's middle, px, towards the light. */
  offsetPx: number;
  dark: number;
  light: number;
  /** Contrast the optics keep, without the pixel, at cycles/px. */
  optics: (frequency: number) => number;
  /** Above this the optics keep nothing, cycles/px. */
  cutoff: number;
  /** How far it bends over the picture's longer half, px. */
  curvePx?: number;
}

const sinc = (x: number): number => (x === 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x));

/** Contrast optics and square pixel keep of a wave square to the edge. */
export function edgeResponse({ edgeDeg, optics, cutoff }: EdgeMade, frequency: number): number {
  const turn = (edgeDeg * Math.PI) / 180;
  const pixel = sinc(frequency * Math.cos(turn)) * sinc(frequency * Math.sin(turn));
  return frequency >= cutoff ? 0 : optics(frequency) * pixel;
}

/** The table of an edge's rise reaches so far, px; beyond it falls off as the optics' first slope says. */
const REACH = 24;
const PER_PX = 24;

/** Share of the step that is reached at a distance from an edge: ½ + ∫ response · sin(2πνd)/(πν). */
function riseOf(made: EdgeMade): (d: number) => number {
  const steps = 1200;
  const top = Math.min(made.cutoff, 3);
  const width = top / steps;
  const weights = Float64Array.from({ length: steps }, (_, i) => {
    const frequency = (i + 0.5) * width;
    return (edgeResponse(made, frequency) * width) / (Math.PI * frequency);
  });
  const table = Float64Array.from({ length: REACH * PER_PX + 2 }, (_, k) => {
    let sum = 0;
    for (let i = 0; i < steps; i++) sum += weights[i]! * Math.sin((2 * Math.PI * (i + 0.5) * width * k) / PER_PX);
    return sum;
  });
  const last = table[REACH * PER_PX]!;
  return (d) => {
    const distance = Math.abs(d);
    let half: number;
    if (distance >= REACH) half = 0.5 - ((0.5 - last) * REACH) / distance;
    else {
      const at = distance * PER_PX;
      const k = Math.floor(at);
      half = table[k]! + (table[k + 1]! - table[k]!) * (at - k);
    }
    return 0.5 + Math.sign(d) * half;
  };
}

/** The light of each pixel, row by row. */
export function edgePicture(made: EdgeMade, width: number, height: number): Float32Array {
  const turn = (made.edgeDeg * Math.PI) / 180;
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const rise = riseOf(made);
  const half = Math.max(width, height) / 2;
  const light = new Float32Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const [dx, dy] = [x - (width - 1) / 2, y - (height - 1) / 2];
      const u = dx * c + dy * s;
      const off = -dx * s + dy * c - made.offsetPx - (made.curvePx ?? 0) * (u / half) ** 2;
      light[y * width + x] = made.dark + (made.light - made.dark) * rise(off);
    }
  return light;
}
