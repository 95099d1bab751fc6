import { lookingAt, type View } from './view';

/** Light that comes from a place of a flat scene, mm; 0 black, 1 white. */
export type Scene = (xMm: number, yMm: number) => number;

/** Where the corners between two rows of pixels look, mm: x and y by turns, one pair more than there are pixels. */
function corners(view: View, width: number, height: number): (line: number) => Float64Array {
  const look = lookingAt(view, width, height);
  return (line) => {
    const places = new Float64Array(2 * width + 2);
    for (let i = 0; i <= width; i++) {
      const [xMm, yMm] = look(i - 0.5, line - 0.5);
      places[2 * i] = xMm;
      places[2 * i + 1] = yMm;
    }
    return places;
  };
}

/**
 * A scene as perfect optics would draw it on pixels that gather light over their whole face. Inside a pixel the view is taken
 * for a parallelogram, which it is to 0.0001 px.
 *
 * @param samples along each side of a pixel
 * @returns light row by row, width × height
 */
export function drawn(scene: Scene, view: View, width: number, height: number, samples = 3): Float32Array {
  const cornersOf = corners(view, width, height);
  const light = new Float32Array(width * height);
  const share = 1 / (samples * samples);
  const places = Float64Array.from({ length: samples }, (_, i) => (i + 0.5) / samples);
  let below = cornersOf(0);
  for (let y = 0; y < height; y++) {
    const above = below;
    below = cornersOf(y + 1);
    for (let x = 0; x < width; x++) {
      // One by one: pairs would be made anew for every pixel.
      const at = 2 * x;
      const x0 = above[at]!;
      const y0 = above[at + 1]!;
      const acrossX = above[at + 2]! - x0;
      const acrossY = above[at + 3]! - y0;
      const downX = below[at]! - x0;
      const downY = below[at + 1]! - y0;
      let sum = 0;
      for (let j = 0; j < samples; j++) {
        const v = places[j]!;
        for (let i = 0; i < samples; i++) {
          const u = places[i]!;
          sum += scene(x0 + u * acrossX + v * downX, y0 + u * acrossY + v * downY);
        }
      }
      light[y * width + x] = sum * share;
    }
  }
  return light;
}
