import { lookingAt, type View } from './view';

/** Light that comes from a place of a flat scene, mm; 0 black, 1 white. */
export type Scene = (xMm: number, yMm: number) => number;

/**
 * A scene as perfect optics would draw it on pixels that gather light over their whole face.
 *
 * @param samples along each side of a pixel
 * @returns light row by row, width × height
 */
export function drawn(scene: Scene, view: View, width: number, height: number, samples = 3): Float32Array {
  const look = lookingAt(view, width, height);
  const light = new Float32Array(width * height);
  const share = 1 / (samples * samples);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      let sum = 0;
      for (let j = 0; j < samples; j++)
        for (let i = 0; i < samples; i++) {
          const [xMm, yMm] = look(x + (i + 0.5) / samples - 0.5, y + (j + 0.5) / samples - 0.5);
          sum += scene(xMm, yMm);
        }
      light[y * width + x] = sum * share;
    }
  return light;
}
