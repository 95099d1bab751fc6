import type { Grey } from '../../picture/grey';
import type { Similarity } from './similarity';

/** A smaller copy of a picture by means of blocks. */
export interface Copy {
  grey: Grey;
  /** Side of a block, px. */
  by: number;
  /** How far its middle lies from that of the picture, px of the picture: what fills no block is left out. */
  rim: readonly [number, number];
}

export const rimOf = (whole: Grey, copy: Grey, by: number): [number, number] => [
  (copy.width * by - whole.width) / 2,
  (copy.height * by - whole.height) / 2,
];

/** How two copies lie on each other, when it is known how the pictures do. */
export function onCopies({ p, q, tx, ty }: Similarity, a: Copy, b: Copy): Similarity {
  const share = a.by / b.by;
  return {
    p: p * share,
    q: q * share,
    tx: (tx + p * a.rim[0] - q * a.rim[1] - b.rim[0]) / b.by,
    ty: (ty + q * a.rim[0] + p * a.rim[1] - b.rim[1]) / b.by,
  };
}

/** How two pictures lie on each other, when it is known how their copies do. */
export function onWholes({ p, q, tx, ty }: Similarity, a: Copy, b: Copy): Similarity {
  const share = a.by / b.by;
  const [wp, wq] = [p / share, q / share];
  return {
    p: wp,
    q: wq,
    tx: tx * b.by - wp * a.rim[0] + wq * a.rim[1] + b.rim[0],
    ty: ty * b.by - wq * a.rim[0] - wp * a.rim[1] + b.rim[1],
  };
}
