import { PATCH_SIZE, detailPatches } from '../detail/patch';
import { srgbOfLight } from '../picture/tone';
import { blurred } from '../simulate/blurred';
import { enlargedTo } from '../simulate/flatThing';
import { noisy } from '../simulate/noisy';
import { rulerScene } from '../simulate/rulerScene';
import { drawn, type Scene } from '../simulate/scene';
import { starPicture } from '../simulate/starScene';
import { subjectScene } from '../simulate/subjectScene';
import type { View } from '../simulate/view';
import type { PhotoOrder } from './exercise';

/** A picture as it is shown: brightness 0 to 1, row by row. */
export interface Developed {
  width: number;
  height: number;
  grey: Float64Array;
}

const READ_NOISE_E = 4;

const squareView = (pxPerMm: number, turnDeg: number, columns: number, middleMm: [number, number] = [0, 0]): View => ({
  pxPerMm,
  turnDeg,
  tiltAlongDeg: 0,
  tiltAcrossDeg: 0,
  middleMm,
  focalPx: 4 * columns,
  distortion: 0,
});

/** Every pixel shown as so many. */
function pixelByPixel(light: Float32Array, width: number, height: number, times: number): Float32Array {
  const [wide, high] = [Math.round(width * times), Math.round(height * times)];
  const out = new Float32Array(wide * high);
  for (let y = 0; y < high; y += 1)
    for (let x = 0; x < wide; x += 1)
      out[y * wide + x] =
        light[Math.min(height - 1, Math.floor(y / times)) * width + Math.min(width - 1, Math.floor(x / times))]!;
  return out;
}

const shown = (light: Float32Array, width: number, height: number): Developed => ({
  width,
  height,
  grey: Float64Array.from(light, (value) => srgbOfLight(Math.min(1, Math.max(0, value)))),
});

function ofScene(scene: Scene, view: View, columns: number, rows: number, sigmaPx: number): Float32Array {
  return blurred(drawn(scene, view, columns, rows), columns, rows, sigmaPx);
}

function developSubject(order: Extract<PhotoOrder, { make: 'subject' }>): Developed {
  const { kind, sizeMm, light, ground, columns, rows, enlarge } = order;
  const scene = subjectScene({ kind, sizeMm, light, ground, unevenGround: 0.1 }, order.sceneSeed);
  const sharp = ofScene(scene, squareView(order.pxPerMm, order.turnDeg, columns), columns, rows, order.sigmaPx);
  const taken = noisy(sharp, { fullWell: order.fullWell, readNoise: READ_NOISE_E }, order.noiseSeed);
  const [width, height] = [Math.round(columns * enlarge), Math.round(rows * enlarge)];
  return shown(enlargedTo(taken, { width: columns, height: rows }, { width, height }), width, height);
}

function developRuler({
  columns,
  rows,
  pxPerMm,
  scale,
  turnDeg,
  sigmaPx,
  seed,
}: Extract<PhotoOrder, { make: 'ruler' }>) {
  const shortestMm = Math.min(3.2, (0.2 * rows) / pxPerMm);
  const scene = rulerScene(
    {
      scale,
      ground: 0.7,
      ink: 0.05,
      desk: 0.2,
      grain: 0.06,
      brushed: 0,
      tickWidthMm: 0.18,
      jitterMm: 0.003,
      shortestMm,
      heightMm: 30,
      unevenInk: 0.1,
      digits: true,
      scratches: 2,
    },
    seed,
  );
  const view = squareView(pxPerMm, turnDeg, columns, [0, 1.2 * shortestMm]);
  const light = ofScene(scene, view, columns, rows, sigmaPx);
  return shown(noisy(light, { fullWell: 8000, readNoise: READ_NOISE_E }, seed + 1), columns, rows);
}

function developStars({ sky, seed, enlarge }: Extract<PhotoOrder, { make: 'stars' }>): Developed {
  const { light } = starPicture(sky, seed);
  const taken = noisy(light, { fullWell: 6000, readNoise: READ_NOISE_E }, seed + 1);
  const [width, height] = [Math.round(sky.width * enlarge), Math.round(sky.height * enlarge)];
  return shown(pixelByPixel(taken, sky.width, sky.height, enlarge), width, height);
}

/** Takes and develops the picture of an exercise. */
export function develop(order: PhotoOrder): Developed {
  switch (order.make) {
    case 'subject':
      return developSubject(order);
    case 'ruler':
      return developRuler(order);
    case 'stars':
      return developStars(order);
    case 'patch':
      return { width: PATCH_SIZE, height: PATCH_SIZE, grey: detailPatches(order.systems, order.subject)[order.at]! };
  }
}
