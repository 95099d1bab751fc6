import { isFactor, type CloseUpSpec, type FactorPart, type LensSpec, type TubesSpec } from '../chain/parts';
import { lensFocus } from '../chain/lensFocus';
import { CONVERTER_POWER_PER_MM, CONVERTER_POWER_UNSURE } from '../chain/opticState';
import { frontOffsetMm } from './workingDistance';
import { subsets, type Subset } from './subsets';

/** A part of the kit with the id by which it is known. */
export interface Owned<T> {
  id: string;
  spec: T;
}

/** One part of a chain: which, and which tubes of a set. */
export interface ChainLink {
  id: string;
  usedMm?: number[];
}

/** What may be combined, already known to fit the body. */
export interface RatioKit {
  lenses: Owned<LensSpec>[];
  tubes: Owned<TubesSpec>[];
  closeUps: Owned<CloseUpSpec>[];
  converters: Owned<FactorPart>[];
  flangeMm?: number | undefined;
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

export interface RatioPlan {
  /** Combinations tried, and how many of them get there. */
  tried: number;
  reaching: number;
  /** All that get there; where there are very many, the best by every order. */
  routes: RatioRoute[];
}

/** Nominal focal lengths and dioptres are good to about a twentieth. */
const NOMINAL = 0.05;
/** A chain of one ratio serves when it is this near to the wish. */
export const NEAR_ENOUGH = 0.02;
/** Up to so many routes all are kept; of more, so many of each order. */
export const ALL_KEPT = 2000;
export const KEPT = 240;

/** What a route is ranked by. */
interface Merits {
  swaps: number;
  links: number;
  stops: number;
  workingMm: number | undefined;
  errorShare: number;
}

/** A subject that would have to be inside the glass: such a route comes after all others, whatever one cares for. */
const NO_ROOM = 1e9;

const scoreOf = (merits: Merits, order: RatioOrder): number =>
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
const piecesOf = (links: ChainLink[]): string[] =>
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

/** Keeps all routes while they are few, then the best of each order; a route is written out only when it is kept. */
class Best {
  private every: { merits: Merits; route: RatioRoute }[] | null = [];
  private readonly kept = RATIO_ORDERS.map((order) => ({
    order,
    worst: Infinity,
    routes: [] as { score: number; route: RatioRoute }[],
  }));

  offer(merits: Merits, write: () => RatioRoute): void {
    if (this.every === null) return this.rank(merits, write);
    this.every.push({ merits, route: write() });
    if (this.every.length <= ALL_KEPT) return;
    const all = this.every;
    this.every = null;
    for (const each of all) this.rank(each.merits, () => each.route);
  }

  private rank(merits: Merits, write: () => RatioRoute): void {
    let route: RatioRoute | undefined;
    for (const each of this.kept) {
      const score = scoreOf(merits, each.order);
      if (score >= each.worst) continue;
      route ??= write();
      const { routes } = each;
      let at = routes.length;
      while (at > 0 && routes[at - 1]!.score > score) at -= 1;
      routes.splice(at, 0, { score, route });
      if (routes.length > KEPT) routes.pop();
      if (routes.length === KEPT) each.worst = routes[KEPT - 1]!.score;
    }
  }

  all(): RatioRoute[] {
    return this.every
      ? this.every.map((each) => each.route)
      : [...new Set(this.kept.flatMap(({ routes }) => routes.map((each) => each.route)))];
  }
}

/**
 * What converters do to extension behind them besides making the focal length longer: each adds its own power times what is
 * drawn in front of it. The power is not published; see `actOfFactor`.
 */
function bendOf(factors: number[]): { bend: number; unsure: number } {
  let [bend, unsure, spread] = [0, 0, 1];
  for (const factor of factors) {
    const sign = factor === 1 ? 0 : factor > 1 ? 1 : -1;
    bend = bend / factor + sign * spread * CONVERTER_POWER_PER_MM;
    unsure = unsure / factor + Math.abs(sign) * spread * CONVERTER_POWER_UNSURE;
    spread *= factor;
  }
  return { bend, unsure };
}

/** The lens's own ratio at which the whole draws at a wanted one: nearly even in it, so that a few secants are enough. */
function turnedTo(
  ratioAt: (lensRatio: number) => number,
  wanted: number,
  far: number,
  near: number,
  last: number,
): number {
  let [a, fa, b, fb] = [0, far - wanted, last, near - wanted];
  for (let i = 0; i < 20 && Math.abs(fb) > 1e-12 * wanted; i += 1) {
    const c = fa === fb ? b : Math.min(last, Math.max(0, b - (fb * (b - a)) / (fb - fa)));
    [a, fa] = [b, fb];
    [b, fb] = [c, ratioAt(c) - wanted];
    if (a === b) break;
  }
  return b;
}

/** How a choice of pieces compares with the chain in hand: how many of them it has already, how many are new. */
interface Handled extends Subset {
  has: number;
  news: number;
}

/**
 * Every combination of the kit that reaches a ratio: any sum of the tubes, any stack of close-up lenses, any converters,
 * tubes before and behind the converter, on every lens at its longest focal length.
 *
 * Pieces of equal sum are the same to the optics: of those, the fewest are taken.
 *
 * @param ratio wanted
 * @param present the chain in hand, which swaps are counted from
 * @param onProgress told the share done after each lens
 * @source m = (v/F − 1 + e/F)·t with the tubes first, (v/F − 1)·t + e/(F·t) + e·(v/F − 1)/g behind the converter of power 1/g,
 * 1/F = 1/f + Φ/1000
 */
export function planRatio(
  kit: RatioKit,
  ratio: number,
  present: ChainLink[],
  onProgress: (share: number) => void = () => undefined,
): RatioPlan {
  const pieces = kit.tubes.flatMap(({ id, spec }) => spec.lengthsMm.map((mm) => ({ id, mm })));
  const sum = (a: number, b: number) => a + b;
  const extensions = subsets(
    pieces.map((piece) => piece.mm),
    0,
    sum,
  );
  const powers = subsets(
    kit.closeUps.map(({ spec }) => spec.dioptres),
    0,
    sum,
  );
  const factors = subsets(
    kit.converters.map(({ spec }) => spec.factor),
    1,
    (a, b) => a * b,
  );
  const lensIds = new Set(kit.lenses.map((each) => each.id));
  const had = piecesOf(present);
  const hadLens = had.some((piece) => lensIds.has(piece));
  const handled = (choices: Subset[], pieceOf: (i: number) => string): Handled[] =>
    choices.map((choice) => {
      const has = choice.indexes.filter((i) => had.includes(pieceOf(i))).length;
      return { ...choice, has, news: choice.indexes.length - has };
    });
  const tubesHandled = handled(extensions, (i) => `${pieces[i]!.id}:${pieces[i]!.mm}`);
  const powersHandled = handled(powers, (i) => kit.closeUps[i]!.id);
  const factorsHandled = handled(factors, (i) => kit.converters[i]!.id);
  const noFactor = factorsHandled.filter((each) => each.indexes.length === 0);
  // Tubes of one set are one link of the chain.
  const tubeLinks = tubesHandled.map(({ indexes }): ChainLink[] => {
    const usedTubes = new Map<string, number[]>();
    for (const i of indexes) usedTubes.set(pieces[i]!.id, [...(usedTubes.get(pieces[i]!.id) ?? []), pieces[i]!.mm]);
    return [...usedTubes].map(([id, usedMm]) => ({ id, usedMm }));
  });
  const best = new Best();
  const floor = ratio * (1 - NEAR_ENOUGH);
  const ceiling = ratio * (1 + NEAR_ENOUGH);
  let tried = 0;
  let reaching = 0;

  const bends = factorsHandled.map((factor) => bendOf(factor.indexes.map((i) => kit.converters[i]!.spec.factor)));
  const noBend = bends.filter((_, i) => factorsHandled[i]!.indexes.length === 0);

  kit.lenses.forEach(({ id, spec }, lensIndex) => {
    const lens = lensFocus(
      spec.focalTeleMm,
      spec.closestFocusM === undefined ? undefined : spec.closestFocusM * 1000,
      spec.closestRatio,
    );
    const f = lens.focalMm;
    const last = lens.closest?.ratio ?? 0;
    // Focal length lost (or won) for each unit of the lens's own ratio.
    const slope = lens.closest && lens.law === 'shortening' ? (lens.closest.focalMm - f) / last : 0;
    const keptLens = had.includes(id) ? 1 : 0;
    const offset =
      spec.lengthMm === undefined || kit.flangeMm === undefined
        ? undefined
        : frontOffsetMm(lens, spec.lengthMm + kit.flangeMm);
    const bare = spec.takesConverters === false;
    for (const power of powersHandled) {
      const phi = power.total / 1000;
      const ownAt = (lensRatio: number): number => (1 + lensRatio) * (1 + (f + slope * lensRatio) * phi) - 1;
      const [own, nearOwn] = [ownAt(0), ownAt(last)];
      const [perFar, perNear] = [1 / f + phi, 1 / (f + slope * last) + phi];
      (bare ? noFactor : factorsHandled).forEach((factor, j) => {
        const t = factor.total;
        const { bend, unsure } = (bare ? noBend : bends)[j]!;
        const orders = factor.indexes.length > 0 ? 2 : 1;
        for (let k = 0; k < tubesHandled.length; k++) {
          const extension = tubesHandled[k]!;
          const e = extension.total;
          // With no tube or no converter there is only one order.
          for (let behind = 0; behind < (e > 0 ? orders : 1); behind++) {
            tried += 1;
            const bent = behind ? Math.max(e * bend, -t / 2) : 0;
            const far = behind ? own * (t + bent) + (e * perFar) / t : (own + e * perFar) * t;
            const near = behind ? nearOwn * (t + bent) + (e * perNear) / t : (nearOwn + e * perNear) * t;
            const lowest = far < near ? far : near;
            const highest = far < near ? near : far;
            if (highest < floor || lowest > ceiling || !(highest > 0)) continue;
            reaching += 1;
            const used = ratio < lowest ? lowest : ratio > highest ? highest : ratio;
            const ratioAt = (lensRatio: number): number => {
              const per = 1 / (f + slope * lensRatio) + phi;
              const alone = ownAt(lensRatio);
              return behind ? alone * (t + bent) + (e * per) / t : (alone + e * per) * t;
            };
            const lensRatio = near === far ? last : turnedTo(ratioAt, used, far, near, last);
            const focal = f + slope * lensRatio;
            const spread = t + bent;
            // As without what is in front: the cone behind the lens, and where the lens alone is focused.
            const cone = (used + spread) / (1 + focal * phi);
            const alone = cone - spread;
            const bareRoom =
              offset === undefined ? undefined : alone > 1e-9 ? focal * (1 + spread / alone) - offset : Infinity;
            const has = keptLens + power.has + factor.has + extension.has;
            const news = 1 - keptLens + power.news + factor.news + extension.news;
            const merits: Merits = {
              swaps: had.length - has + news - (hadLens && !keptLens ? 1 : 0),
              links: 1 + power.indexes.length + factor.indexes.length + tubeLinks[k]!.length,
              stops: -2 * Math.log2(Math.max(1, cone)),
              workingMm:
                bareRoom === undefined || (bareRoom === Infinity && phi === 0)
                  ? undefined
                  : bareRoom <= 0
                    ? bareRoom
                    : 1 / (phi + 1 / bareRoom),
              errorShare:
                (NOMINAL * Math.abs(used - t * lensRatio) +
                  (behind ? Math.abs(ownAt(lensRatio)) * (e * unsure + Math.abs(e * bend - bent)) : 0)) /
                used,
            };
            best.offer(merits, () => {
              const { links: _, workingMm, ...rest } = merits;
              const converters = factor.indexes.map((i): ChainLink => ({ id: kit.converters[i]!.id }));
              const tubes = tubeLinks[k]!;
              return {
                links: [
                  ...power.indexes.map((i) => ({ id: kit.closeUps[i]!.id })),
                  { id },
                  ...(behind ? [...converters, ...tubes] : [...tubes, ...converters]),
                ],
                lowest,
                highest,
                ratio: used,
                turned: last === 0 ? 1 : lensRatio / last,
                ...rest,
                ...(workingMm === undefined ? {} : { workingMm }),
              };
            });
          }
        }
      });
    }
    onProgress((lensIndex + 1) / kit.lenses.length);
  });
  return { tried, reaching, routes: best.all() };
}

/** Converters that can take part: Barlows belong to telescopes. */
export const closeConverters = <T extends { spec: { kind: string } }>(parts: T[]): T[] =>
  parts.filter(({ spec }) => isFactor(spec as never) && spec.kind !== 'barlow');

/** One stop of a round through several ratios. */
export interface RoundStop {
  wanted: number;
  route: RatioRoute;
  swaps: number;
}

const permutations = <T>(items: T[]): T[][] =>
  items.length <= 1
    ? [items]
    : items.flatMap((item, i) =>
        permutations([...items.slice(0, i), ...items.slice(i + 1)]).map((rest) => [item, ...rest]),
      );

/** Above this many ratios the order given is kept: trying all orders would take too long. */
export const MOST_REORDERED = 5;
/** Routes considered for each ratio of a round. */
const MOST_CONSIDERED = 120;

/**
 * The way through several ratios with the fewest pieces handled, from the chain in hand; a chain whose focus covers several
 * ratios serves them without a swap. Up to five ratios are taken in the best order, more in the order given.
 *
 * @param plans the routes to each ratio
 * @returns the stops in the order in which to take them, or null where a ratio cannot be reached
 */
export function leastSwaps(
  plans: { wanted: number; routes: RatioRoute[] }[],
  present: ChainLink[],
  isLens: (id: string) => boolean,
): RoundStop[] | null {
  if (!plans.length || plans.some((plan) => plan.routes.length === 0)) return null;
  const offered = plans.map((plan) => ({
    wanted: plan.wanted,
    routes: rankRatioRoutes(plan.routes, 'swaps').slice(0, MOST_CONSIDERED),
  }));
  const cost = new Map<string, number>();
  const key = (links: ChainLink[]) => piecesOf(links).join('|');
  const between = (from: ChainLink[], to: ChainLink[]) => {
    const name = `${key(from)}>${key(to)}`;
    let swaps = cost.get(name);
    if (swaps === undefined) cost.set(name, (swaps = swapsBetween(from, to, isLens)));
    return swaps;
  };
  let best: { total: number; stops: RoundStop[] } | null = null;
  for (const order of offered.length <= MOST_REORDERED ? permutations(offered) : [offered]) {
    let states = [{ total: 0, links: present, stops: [] as RoundStop[] }];
    for (const { wanted, routes } of order) {
      states = routes.map((route) => {
        let cheapest = states[0]!;
        let least = Infinity;
        for (const state of states) {
          const total = state.total + between(state.links, route.links);
          if (total < least) {
            least = total;
            cheapest = state;
          }
        }
        return {
          total: least,
          links: route.links,
          stops: [...cheapest.stops, { wanted, route, swaps: least - cheapest.total }],
        };
      });
    }
    const end = states.reduce((a, b) => (b.total < a.total ? b : a));
    if (!best || end.total < best.total) best = end;
  }
  return best?.stops ?? null;
}
