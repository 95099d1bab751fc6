/**
 * How one picture lies on another: b = cb + M·(a − ca) + t, where M turns and enlarges, and c are the pictures' middles.
 */
export interface Similarity {
  /** Scale times cosine, and sine, of the turn. */
  p: number;
  q: number;
  /** Where the first picture's middle falls, from the second's, px of the second. */
  tx: number;
  ty: number;
}

type Size = { width: number; height: number };

export const scaleOf = ({ p, q }: Similarity): number => Math.hypot(p, q);
/** Degrees from +x towards +y. */
export const turnOf = ({ p, q }: Similarity): number => (Math.atan2(q, p) * 180) / Math.PI;

/** The place of the second picture that shows what a place of the first does. */
export function mapped({ p, q, tx, ty }: Similarity, a: Size, b: Size): (x: number, y: number) => [number, number] {
  const [ax, ay, bx, by] = [(a.width - 1) / 2, (a.height - 1) / 2, (b.width - 1) / 2, (b.height - 1) / 2];
  return (x, y) => [bx + tx + p * (x - ax) - q * (y - ay), by + ty + q * (x - ax) + p * (y - ay)];
}

/** The same from the second to the first. */
export function inverse({ p, q, tx, ty }: Similarity): Similarity {
  const s2 = p * p + q * q;
  return { p: p / s2, q: -q / s2, tx: (-p * tx - q * ty) / s2, ty: (q * tx - p * ty) / s2 };
}

/** The two by three matrix that takes [x, y, 1] of the first to the second. */
export function matrixOf(similarity: Similarity, a: Size, b: Size): [number[], number[]] {
  const [x0, y0] = mapped(similarity, a, b)(0, 0);
  const { p, q } = similarity;
  return [
    [p, -q, x0],
    [q, p, y0],
  ];
}
