import { decode, encode } from 'jpeg-js';
import type { Grey } from '@/core/picture/grey';
import { codeStep, lightTable, srgbOfLight } from '@/core/picture/tone';
import { blurred } from '@/core/simulate/blurred';
import { chance } from '@/core/simulate/chance';
import { noisy } from '@/core/simulate/noisy';
import { rulerScene, TICK_MM, type RulerMade, type RulerScale } from '@/core/simulate/rulerScene';
import { drawn } from '@/core/simulate/scene';
import type { View } from '@/core/simulate/view';

/** A picture of a ruler whose truth is known. */
export interface RandomRuler {
  grey: Grey;
  pxPerMm: number;
  tickNormalDeg: number;
  scale: RulerScale;
  finestTickMm: number;
  tickPx: number;
  made: RulerMade;
  view: View;
}

const TABLE = lightTable(256, 'srgb');

/** A picture as a file of 8 bits would hold it, compressed as photographs are when a quality is given. */
export function asFile(light: Float32Array, width: number, height: number, quality?: number): Grey {
  const step = codeStep(256, 'srgb');
  const codes = new Uint8Array(light.length);
  const tone = srgbOfLight;
  for (let i = 0; i < codes.length; i++) codes[i] = Math.round(255 * tone(Math.max(0, Math.min(1, light[i]!))));
  const data = new Float32Array(codes.length);
  if (quality === undefined) {
    for (let i = 0; i < codes.length; i++) data[i] = TABLE[codes[i]!]!;
    return { width, height, data, step };
  }
  const colours = new Uint8Array(4 * codes.length).fill(255);
  for (let i = 0; i < codes.length; i++) for (let k = 0; k < 3; k++) colours[4 * i + k] = codes[i]!;
  const back = decode(encode({ data: colours, width, height }, quality).data, { useTArray: true });
  for (let i = 0; i < codes.length; i++) data[i] = TABLE[back.data[4 * i + 1]!]!;
  return { width, height, data, step };
}

/** How the ticks' normal lies on the picture: the tilts turn it away from the ruler's own direction. */
function normalDeg({ turnDeg, tiltAlongDeg, tiltAcrossDeg }: View): number {
  const rad = Math.PI / 180;
  const turn = Math.atan2(Math.sin(tiltAlongDeg * rad) * Math.sin(tiltAcrossDeg * rad), Math.cos(tiltAcrossDeg * rad));
  const degrees = turnDeg + turn / rad;
  return ((((degrees + 90) % 180) + 180) % 180) - 90;
}

/** A ruler as people photograph them: any scale, paper or metal, tilted, blurred, noisy, on a desk. */
export function randomRuler(
  seed: number,
  width = 900,
  height = 600,
  scales: RulerScale[] = ['millimetre', 'half', 'millimetre', 'half', 'sixteenth'],
): RandomRuler {
  const { between, even, oneOf } = chance(seed);
  const scale = oneOf(scales);
  const style = oneOf(['paper', 'black', 'metal'] as const);
  // From five millimetres in view to a whole hand's breadth; never below five px a tick.
  const tickPx = Math.max(
    5.5,
    (width / TICK_MM[scale] / Math.exp(between(Math.log(7), Math.log(150)))) * TICK_MM[scale],
  );
  const ground = style === 'black' ? between(0.03, 0.1) : style === 'metal' ? between(0.35, 0.55) : between(0.6, 0.85);
  const ink = style === 'black' ? between(0.5, 0.85) : style === 'metal' ? between(0.03, 0.15) : between(0.03, 0.12);
  const made: RulerMade = {
    scale,
    ground,
    ink,
    desk: between(0.08, 0.5),
    grain: between(0.02, 0.2),
    brushed: style === 'metal' ? between(0.02, 0.12) : 0,
    tickWidthMm: TICK_MM[scale] * between(0.14, 0.28),
    jitterMm: between(0, 0.004),
    shortestMm: TICK_MM[scale] * between(2.5, 5),
    heightMm: between(15, 40),
    unevenInk: between(0, 0.3),
    digits: even() < 0.8,
    scratches: even() < 0.5 ? 5 : 0,
  };
  const view: View = {
    pxPerMm: tickPx / TICK_MM[scale],
    turnDeg: between(-90, 90),
    tiltAlongDeg: between(-6, 6),
    tiltAcrossDeg: between(-6, 6),
    middleMm: [between(-20, 20), between(0.2, 1.8) * made.shortestMm],
    focalPx: width * between(2, 6),
    distortion: between(-0.003, 0.003),
  };
  const sharp = drawn(rulerScene(made, seed), view, width, height, 3);
  const blur = Math.min(between(0.5, 1.9), 0.22 * tickPx);
  const uneven = between(-0.25, 0.25);
  const light = blurred(sharp, width, height, blur).map(
    (value, i) => value * (1 + uneven * ((i % width) / width - 0.5)),
  );
  const quality = even() < 0.6 ? Math.round(between(78, 95)) : undefined;
  return {
    grey: asFile(
      noisy(light, { fullWell: oneOf([600, 2000, 10_000]), readNoise: 3 }, seed + 1),
      width,
      height,
      quality,
    ),
    pxPerMm: view.pxPerMm * Math.cos((view.tiltAlongDeg * Math.PI) / 180),
    tickNormalDeg: normalDeg(view),
    scale,
    finestTickMm: TICK_MM[scale],
    tickPx,
    made,
    view,
  };
}
