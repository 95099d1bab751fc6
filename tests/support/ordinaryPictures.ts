import { chance } from '../../src/core/simulate/chance';
import type { Grey } from '../../src/core/picture/grey';

/** Pictures without anything that the Bench measures: boards, text, cloth and clouds, as photos are full of. */
export type Ordinary = 'board' | 'text' | 'cloth' | 'clouds';
export const ORDINARY: readonly Ordinary[] = ['board', 'text', 'cloth', 'clouds'];

/** Light between the points of a coarse grid: what is large and soft. */
function softField(seed: number, cells: number, width: number, height: number): (x: number, y: number) => number {
  const { even } = chance(seed);
  const grid = Array.from({ length: (cells + 2) ** 2 }, () => even());
  return (x, y) => {
    const [u, v] = [(x / width) * cells, (y / height) * cells];
    const [i, j] = [Math.floor(u), Math.floor(v)];
    const [fu, fv] = [u - i, v - j].map((t) => t * t * (3 - 2 * t)) as [number, number];
    const at = (a: number, b: number) => grid[b * (cells + 2) + a]!;
    return (
      (1 - fv) * ((1 - fu) * at(i, j) + fu * at(i + 1, j)) + fv * ((1 - fu) * at(i, j + 1) + fu * at(i + 1, j + 1))
    );
  };
}

/** One of them, with the noise of a camera. */
export function ordinaryPicture(kind: Ordinary, seed: number, width = 480, height = 360): Grey {
  const { even, normal } = chance(seed);
  const size = 18 + Math.floor(40 * even());
  const turn = 0.6 * (even() - 0.5);
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const soft = softField(seed + 1, 5, width, height);
  const fine = softField(seed + 2, 40, width, height);
  const letters = Array.from({ length: 4000 }, () => even());
  const light: Record<Ordinary, (x: number, y: number) => number> = {
    board: (x, y) => ((Math.floor((c * x + s * y) / size) + Math.floor((c * y - s * x) / size)) % 2 === 0 ? 0.75 : 0.1),
    text: (x, y) => {
      const [row, column] = [Math.floor(y / 14), Math.floor(x / 9)];
      const stroke = letters[(row * 61 + column * 7 + Math.floor((y % 14) / 3) * 3 + Math.floor((x % 9) / 3)) % 4000]!;
      return y % 14 < 9 && x % 9 < 7 && stroke > 0.5 ? 0.08 : 0.8;
    },
    cloth: (x, y) => 0.4 + 0.2 * Math.sin((2 * Math.PI * x) / (size / 4)) * Math.sin((2 * Math.PI * y) / (size / 3)),
    clouds: (x, y) => 0.2 + 0.5 * soft(x, y) + 0.15 * fine(x, y),
  };
  const data = new Float32Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      data[y * width + x] = Math.max(0, light[kind](x, y) * (0.8 + 0.4 * soft(x, y)) + 0.01 * normal());
  return { width, height, data, step: 1 / 255 };
}
