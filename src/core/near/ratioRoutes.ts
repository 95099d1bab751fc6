/** One part of a chain: which, which tubes of a set, and how far a bellows is drawn out, mm. */
export interface ChainLink {
  id: string;
  usedMm?: number[];
  extensionMm?: number;
}

/** A combination that reaches a ratio. */
export interface RatioRoute {
  /** From the subject to the sensor. */
  links: ChainLink[];
  /** Ratios it covers by its own focus. */
  lowest: number;
  highest: number;
  /** The ratio it would be used at, and how far the focus is turned there: 0 infinity, 1 closest. */
  ratio: number;
  turned: number;
  /** Free room in front, mm; absent where the lens's length is not entered. */
  workingMm?: number;
  /** Light against the f-number on the lens, stops; never above 0. */
  stops: number;
  /** Pieces to take off or put on from the chain in hand. */
  swaps: number;
  /** Relative error of the ratio: by reckoning, or of the measurement. */
  errorShare: number;
  /** The ratio of this very chain was measured. */
  measured?: boolean;
}

export type RatioOrder = 'swaps' | 'workingDistance' | 'light' | 'error';
export const RATIO_ORDERS: readonly RatioOrder[] = ['swaps', 'workingDistance', 'light', 'error'];

/** What a route is ranked by. */
export interface Merits {
  swaps: number;
  links: number;
  stops: number;
  workingMm: number | undefined;
  errorShare: number;
}

/** A subject that would have to be inside the glass: such a route comes after all others, whatever one cares for. */
const NO_ROOM = 1e9;

export const scoreOf = (merits: Merits, order: RatioOrder): number =>
  ownScore(merits, order) + (merits.workingMm !== undefined && merits.workingMm <= 0 ? NO_ROOM : 0);

const ownScore = ({ swaps, links, stops, workingMm, errorShare }: Merits, order: RatioOrder): number => {
  switch (order) {
    case 'swaps':
      return swaps * 1000 + links * 10 - stops;
    case 'workingDistance':
      return workingMm === undefined ? 1e6 + swaps : -workingMm;
    case 'light':
      return -stops * 100 + swaps;
    case 'error':
      return errorShare * 1000 + swaps * 0.01;
  }
};

const meritsOf = (route: RatioRoute): Merits => ({ ...route, links: route.links.length, workingMm: route.workingMm });

/** Routes in the order of what one cares for. */
export const rankRatioRoutes = (routes: RatioRoute[], order: RatioOrder): RatioRoute[] =>
  [...routes].sort((a, b) => scoreOf(meritsOf(a), order) - scoreOf(meritsOf(b), order));

/** Pieces of a chain as one handles them: every tube of a set by itself. */
export const piecesOf = (links: ChainLink[]): string[] =>
  links.flatMap((link) => (link.usedMm ? link.usedMm.map((mm) => `${link.id}:${mm}`) : [link.id]));

/** Pieces to take off or put on between two chains; a lens exchanged for another counts once. */
export function swapsBetween(from: ChainLink[], to: ChainLink[], isLens: (id: string) => boolean): number {
  const had = piecesOf(from);
  const has = piecesOf(to);
  const off = had.filter((piece) => !has.includes(piece));
  const on = has.filter((piece) => !had.includes(piece));
  const exchanged = Math.min(off.filter(isLens).length, on.filter(isLens).length);
  return off.length + on.length - exchanged;
}
