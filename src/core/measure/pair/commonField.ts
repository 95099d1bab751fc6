import { inverse, mapped, type Similarity } from './similarity';

type Size = { width: number; height: number };

/** How the field that two pictures have in common lies in each. */
export interface CommonField {
  /** Share of each picture's area that the other shows too. */
  ofFirst: number;
  ofSecond: number;
  /** How far from each picture's middle its middle lies, in shares of half the diagonal. */
  offFirst: number;
  offSecond: number;
}

/** Places looked at along each side. */
const GRID = 24;

/** Share of a picture that falls into another, and how far from its middle that lies. */
function seen(own: Size, other: Size, to: (x: number, y: number) => [number, number]): { share: number; off: number } {
  let [count, sumX, sumY] = [0, 0, 0];
  for (let j = 0; j < GRID; j++)
    for (let i = 0; i < GRID; i++) {
      const [x, y] = [((i + 0.5) / GRID) * own.width - 0.5, ((j + 0.5) / GRID) * own.height - 0.5];
      const [ox, oy] = to(x, y);
      if (ox < -0.5 || oy < -0.5 || ox > other.width - 0.5 || oy > other.height - 0.5) continue;
      count++;
      sumX += x - (own.width - 1) / 2;
      sumY += y - (own.height - 1) / 2;
    }
  const off = count ? Math.hypot(sumX / count, sumY / count) / (Math.hypot(own.width, own.height) / 2) : 0;
  return { share: count / GRID ** 2, off };
}

/** Where in each of two pictures the field lies that both show. */
export function commonField(match: Similarity, a: Size, b: Size): CommonField {
  const first = seen(a, b, mapped(match, a, b));
  const second = seen(b, a, mapped(inverse(match), b, a));
  return { ofFirst: first.share, ofSecond: second.share, offFirst: first.off, offSecond: second.off };
}

/** A part of a picture, px. */
export interface Box {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

/** The smallest part of the first picture that holds all the second shows of it. */
export function commonBox(match: Similarity, a: Size, b: Size): Box {
  const to = mapped(inverse(match), b, a);
  const corners = [0, b.width - 1].flatMap((x) => [0, b.height - 1].map((y) => to(x, y)));
  const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)];
  return {
    left: Math.max(0, Math.min(...xs)),
    top: Math.max(0, Math.min(...ys)),
    right: Math.min(a.width - 1, Math.max(...xs)),
    bottom: Math.min(a.height - 1, Math.max(...ys)),
  };
}
