import type { Grey } from '../../picture/grey';
import { median, robustDeviation } from '../smooth';

/** The light of the sky over a picture, and its grain. */
export interface SkyLight {
  /** Light without the sky, row by row. */
  above: Float32Array;
  /** Level of the sky, its middle over the picture. */
  level: number;
  /** Deviation of one pixel of the sky, never less than a step of the file. */
  noise: number;
}

/** Side of the cells whose medians are taken, px; a star fills a small part of one. Of large pictures they are larger. */
const CELL = 48;
const MOST_ACROSS = 60;
/** Pixels of a cell that are looked at. */
const SAMPLES = 300;

interface Cells {
  columns: number;
  rows: number;
  level: Float64Array;
  noise: Float64Array;
}

function cellsOf({ width, height, data }: Grey): Cells {
  const cell = Math.max(CELL, Math.max(width, height) / MOST_ACROSS);
  const columns = Math.max(1, Math.round(width / cell));
  const rows = Math.max(1, Math.round(height / cell));
  const level = new Float64Array(columns * rows);
  const noise = new Float64Array(columns * rows);
  for (let j = 0; j < rows; j++)
    for (let i = 0; i < columns; i++) {
      const [x0, x1] = [Math.floor((i * width) / columns), Math.floor(((i + 1) * width) / columns)];
      const [y0, y1] = [Math.floor((j * height) / rows), Math.floor(((j + 1) * height) / rows)];
      const every = Math.max(1, Math.floor(((x1 - x0) * (y1 - y0)) / SAMPLES));
      const values: number[] = [];
      // A stride that shares no factor with the rows runs through all columns of the cell.
      for (let k = 0; k < (x1 - x0) * (y1 - y0); k += every)
        values.push(data[(y0 + Math.floor(k / (x1 - x0))) * width + x0 + (k % (x1 - x0))]!);
      level[j * columns + i] = median(values);
      noise[j * columns + i] = robustDeviation(values);
    }
  return { columns, rows, level, noise };
}

/** Medians of three by three cells: one that a star or a tree fills does not show. */
function calmed({ columns, rows, level }: Cells): Float64Array {
  return level.map((_, at) => {
    const [i, j] = [at % columns, Math.floor(at / columns)];
    const around: number[] = [];
    for (let b = Math.max(0, j - 1); b <= Math.min(rows - 1, j + 1); b++)
      for (let a = Math.max(0, i - 1); a <= Math.min(columns - 1, i + 1); a++) around.push(level[b * columns + a]!);
    return median(around);
  });
}

/** Takes the light of the sky off: medians of cells, between them bilinear. */
export function withoutSky(grey: Grey): SkyLight {
  const { width, height, data } = grey;
  const cells = cellsOf(grey);
  const { columns, rows } = cells;
  const level = calmed(cells);
  const above = new Float32Array(data.length);
  const line = new Float64Array(columns);
  for (let y = 0; y < height; y++) {
    const v = Math.max(0, Math.min(rows - 1, ((y + 0.5) * rows) / height - 0.5));
    const j = Math.min(Math.max(0, rows - 2), Math.floor(v));
    const below = Math.min(rows - 1, j + 1);
    for (let i = 0; i < columns; i++)
      line[i] = level[j * columns + i]! + (level[below * columns + i]! - level[j * columns + i]!) * (v - j);
    for (let x = 0; x < width; x++) {
      const u = Math.max(0, Math.min(columns - 1, ((x + 0.5) * columns) / width - 0.5));
      const i = Math.min(Math.max(0, columns - 2), Math.floor(u));
      const right = Math.min(columns - 1, i + 1);
      above[y * width + x] = data[y * width + x]! - (line[i]! + (line[right]! - line[i]!) * (u - i));
    }
  }
  const darkStep = grey.step * 0.25;
  return { above, level: median(level), noise: Math.max(median(cells.noise), darkStep, 1e-7) };
}
