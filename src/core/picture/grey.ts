/**
 * A picture as measuring sees it: one number a pixel, proportional to the light, row by row from the top left. The centre of
 * the top left pixel is (0, 0), x to the right, y down.
 */
export interface Grey {
  width: number;
  height: number;
  /** Light of each pixel; 1 is what the file's largest code stands for. */
  data: Float32Array;
  /** Light between two neighbouring codes of the file at a middle tone: no noise is smaller than that. */
  step: number;
}

/** The middle of a picture, px. */
export const centreOf = ({ width, height }: Pick<Grey, 'width' | 'height'>): [number, number] => [
  (width - 1) / 2,
  (height - 1) / 2,
];

/** Light between the pixels, bilinear; pixels beyond the border count as those on it. */
export function lightAt({ width, height, data }: Grey, x: number, y: number): number {
  const cx = x < 0 ? 0 : x > width - 1 ? width - 1 : x;
  const cy = y < 0 ? 0 : y > height - 1 ? height - 1 : y;
  const x0 = cx >= width - 1 ? Math.max(0, width - 2) : cx | 0;
  const y0 = cy >= height - 1 ? Math.max(0, height - 2) : cy | 0;
  const fx = cx - x0;
  const fy = cy - y0;
  const at = y0 * width + x0;
  const right = width > 1 ? 1 : 0;
  const below = height > 1 ? width : 0;
  const top = data[at]! + (data[at + right]! - data[at]!) * fx;
  const bottom = data[at + below]! + (data[at + below + right]! - data[at + below]!) * fx;
  return top + (bottom - top) * fy;
}

/** Half as large: the case that reads every pixel of a large picture, so without anything in between. */
function halved({ width, height, data: from, step }: Grey): Grey {
  const half = width >> 1;
  const rows = height >> 1;
  const data = new Float32Array(half * rows);
  let to = 0;
  for (let y = 0; y < rows; y++) {
    let above = 2 * y * width;
    let below = above + width;
    for (let x = 0; x < half; x++) {
      data[to++] = 0.25 * (from[above]! + from[above + 1]! + from[below]! + from[below + 1]!);
      above += 2;
      below += 2;
    }
  }
  return { width: half, height: rows, data, step: step / 2 };
}

/**
 * A smaller copy by means of square blocks; what does not fill a block at the right and lower border is left out. Pixel
 * (i, j) of the copy has its centre at ((i + ½)·by − ½, …) of the original.
 *
 * @param by side of a block, whole px
 */
export function reduced(grey: Grey, by: number): Grey {
  if (by <= 1) return grey;
  // Step by step, as the quickest way through a large picture.
  if (by % 2 === 0) return reduced(halved(grey), by / 2);
  const width = Math.floor(grey.width / by);
  const height = Math.floor(grey.height / by);
  const from = grey.data;
  const data = new Float32Array(width * height);
  const share = 1 / (by * by);
  const sums = new Float64Array(width);
  for (let y = 0; y < height; y++) {
    sums.fill(0);
    for (let dy = 0; dy < by; dy++) {
      let at = (y * by + dy) * grey.width;
      for (let x = 0; x < width; x++) {
        let sum = 0;
        for (let dx = 0; dx < by; dx++) sum += from[at++]!;
        sums[x] = sums[x]! + sum;
      }
    }
    for (let x = 0; x < width; x++) data[y * width + x] = sums[x]! * share;
  }
  return { width, height, data, step: grey.step / by };
}
