import { blurred } from './blurred';
import { drawn, type Scene } from './scene';
import type { View } from './view';

/**
 * A scene through a lens that blurs like a Gaussian, on pixels that gather light over their face. The lens blurs before the
 * pixels are there: it is drawn twice as fine, blurred, and gathered, so that only what the lens lets pass is folded by the
 * pixels. Such a pixel, of two samples a side, lets pass cos(πν/2) along its sides.
 *
 * @param sigma deviation of the blur, px
 * @returns light row by row, width × height
 */
export function throughLens(scene: Scene, view: View, width: number, height: number, sigma: number): Float32Array {
  const [columns, rows] = [2 * width, 2 * height];
  const finer = { ...view, pxPerMm: 2 * view.pxPerMm, focalPx: 2 * view.focalPx };
  const fine = blurred(drawn(scene, finer, columns, rows, 1), columns, rows, 2 * sigma);
  const light = new Float32Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const at = 2 * y * columns + 2 * x;
      light[y * width + x] = (fine[at]! + fine[at + 1]! + fine[at + columns]! + fine[at + columns + 1]!) / 4;
    }
  return light;
}
