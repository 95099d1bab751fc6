import type { CloseUpSpec, FactorPart, LensSpec, TubesSpec } from '../chain/parts';
import { lensFocus } from '../chain/lensFocus';
import { CONVERTER_POWER_PER_MM, CONVERTER_POWER_UNSURE } from '../chain/opticState';
import { BestRoutes } from './bestRoutes';
import { piecesOf, type ChainLink, type Merits, type RatioRoute } from './ratioRoutes';
import { frontOffsetMm } from './workingDistance';
import { subsets, type Subset } from './subsets';

/** A part of the kit with the id by which it is known. */
export interface Owned<T> {
  id: string;
  spec: T;
}

/** What may be combined, already known to fit the body. */
export interface RatioKit {
  lenses: Owned<LensSpec>[];
  tubes: Owned<TubesSpec>[];
  closeUps: Owned<CloseUpSpec>[];
  converters: Owned<FactorPart>[];
  flangeMm?: number | undefined;
}

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

/** The sums of tubes, close-up lenses and converters to be combined, and how each compares with the chain in hand. */
interface Choices {
  had: string[];
  hadLens: boolean;
  powers: Handled[];
  factors: (Handled & { bend: number; unsure: number })[];
  /** Tubes of one set are one link of the chain. */
  tubes: (Handled & { links: ChainLink[] })[];
}

function choicesOf(kit: RatioKit, present: ChainLink[]): Choices {
  const pieces = kit.tubes.flatMap(({ id, spec }) => spec.lengthsMm.map((mm) => ({ id, mm })));
  const sum = (a: number, b: number) => a + b;
  const product = (a: number, b: number) => a * b;
  const had = piecesOf(present);
  const handled = (choice: Subset, pieceOf: (i: number) => string): Handled => {
    const has = choice.indexes.filter((i) => had.includes(pieceOf(i))).length;
    return { ...choice, has, news: choice.indexes.length - has };
  };
  const lensIds = new Set(kit.lenses.map((each) => each.id));
  return {
    had,
    hadLens: had.some((piece) => lensIds.has(piece)),
    powers: subsets(
      kit.closeUps.map(({ spec }) => spec.dioptres),
      0,
      sum,
    ).map((choice) => handled(choice, (i) => kit.closeUps[i]!.id)),
    factors: subsets(
      kit.converters.map(({ spec }) => spec.factor),
      1,
      product,
    ).map((choice) => ({
      ...handled(choice, (i) => kit.converters[i]!.id),
      ...bendOf(choice.indexes.map((i) => kit.converters[i]!.spec.factor)),
    })),
    tubes: subsets(
      pieces.map((piece) => piece.mm),
      0,
      sum,
    ).map((choice) => {
      const used = new Map<string, number[]>();
      for (const i of choice.indexes) used.set(pieces[i]!.id, [...(used.get(pieces[i]!.id) ?? []), pieces[i]!.mm]);
      return {
        ...handled(choice, (i) => `${pieces[i]!.id}:${pieces[i]!.mm}`),
        links: [...used].map(([id, usedMm]) => ({ id, usedMm })),
      };
    }),
  };
}

/** A lens as the search needs it. */
interface Searched {
  id: string;
  f: number;
  /** Its own ratio at closest focus. */
  last: number;
  /** Focal length lost (or won) for each unit of the lens's own ratio. */
  slope: number;
  /** From the front of the lens to where its distances count from, mm; absent where its length is not entered. */
  offset: number | undefined;
  /** It is the lens of the chain in hand. */
  kept: boolean;
  factors: Choices['factors'];
}

function searched({ id, spec }: Owned<LensSpec>, { had, factors }: Choices, flangeMm: number | undefined): Searched {
  const lens = lensFocus(
    spec.focalTeleMm,
    spec.closestFocusM === undefined ? undefined : spec.closestFocusM * 1000,
    spec.closestRatio,
  );
  const last = lens.closest?.ratio ?? 0;
  return {
    id,
    f: lens.focalMm,
    last,
    slope: lens.closest && lens.law === 'shortening' ? (lens.closest.focalMm - lens.focalMm) / last : 0,
    offset:
      spec.lengthMm === undefined || flangeMm === undefined ? undefined : frontOffsetMm(lens, spec.lengthMm + flangeMm),
    kept: had.includes(id),
    factors: spec.takesConverters === false ? factors.filter((each) => each.indexes.length === 0) : factors,
  };
}

/** Ratio of lens and close-up lenses alone. */
const ownAt = ({ f, slope }: Searched, phi: number, lensRatio: number): number =>
  (1 + lensRatio) * (1 + (f + slope * lensRatio) * phi) - 1;

/** What the whole draws: tubes before the converter, or behind it, where its power bends what is drawn in front. */
const drawn = (own: number, per: number, e: number, t: number, bent: number, behind: boolean): number =>
  behind ? own * (t + bent) + (e * per) / t : (own + e * per) * t;

/** One combination that gets there. */
interface Combined {
  lens: Searched;
  power: Handled;
  factor: Choices['factors'][number];
  tubes: Choices['tubes'][number];
  behind: boolean;
  /** By how much the converter's power changes its factor for what is drawn in front of it. */
  bent: number;
  far: number;
  near: number;
}

/** Where the lens has to be focused for the ratio wanted, or for the nearest it reaches. */
function settingFor({ lens, power, factor, tubes, behind, bent, far, near }: Combined, wanted: number) {
  const used = Math.min(Math.max(wanted, Math.min(far, near)), Math.max(far, near));
  const phi = power.total / 1000;
  const ratioAt = (lensRatio: number): number =>
    drawn(
      ownAt(lens, phi, lensRatio),
      1 / (lens.f + lens.slope * lensRatio) + phi,
      tubes.total,
      factor.total,
      bent,
      behind,
    );
  return { used, lensRatio: near === far ? lens.last : turnedTo(ratioAt, used, far, near, lens.last) };
}

/** Free room in front, mm; absent where it is not known or without end. */
function roomOf(lens: Searched, focal: number, phi: number, spread: number, alone: number): number | undefined {
  if (lens.offset === undefined) return undefined;
  const bare = alone > 1e-9 ? focal * (1 + spread / alone) - lens.offset : Infinity;
  if (bare === Infinity && phi === 0) return undefined;
  return bare <= 0 ? bare : 1 / (phi + 1 / bare);
}

/** What a combination is ranked by. */
function meritsOf(combined: Combined, { had, hadLens }: Choices, used: number, lensRatio: number): Merits {
  const { lens, power, factor, tubes, behind, bent } = combined;
  const phi = power.total / 1000;
  const [t, e] = [factor.total, tubes.total];
  const focal = lens.f + lens.slope * lensRatio;
  const spread = t + bent;
  // As without what is in front: the cone behind the lens, and where the lens alone is focused.
  const cone = (used + spread) / (1 + focal * phi);
  const has = Number(lens.kept) + power.has + factor.has + tubes.has;
  const news = Number(!lens.kept) + power.news + factor.news + tubes.news;
  return {
    swaps: had.length - has + news - (hadLens && !lens.kept ? 1 : 0),
    links: 1 + power.indexes.length + factor.indexes.length + tubes.links.length,
    stops: -2 * Math.log2(Math.max(1, cone)),
    workingMm: roomOf(lens, focal, phi, spread, cone - spread),
    errorShare:
      (NOMINAL * Math.abs(used - t * lensRatio) +
        (behind ? Math.abs(ownAt(lens, phi, lensRatio)) * (e * factor.unsure + Math.abs(e * factor.bend - bent)) : 0)) /
      used,
  };
}

/** A combination written out as a chain, from the subject to the sensor. */
function routeOf(kit: RatioKit, combined: Combined, merits: Merits, used: number, lensRatio: number): RatioRoute {
  const { lens, power, factor, tubes, behind, far, near } = combined;
  const { links: _, workingMm, ...rest } = merits;
  const converters = factor.indexes.map((i): ChainLink => ({ id: kit.converters[i]!.id }));
  return {
    links: [
      ...power.indexes.map((i) => ({ id: kit.closeUps[i]!.id })),
      { id: lens.id },
      ...(behind ? [...converters, ...tubes.links] : [...tubes.links, ...converters]),
    ],
    lowest: Math.min(far, near),
    highest: Math.max(far, near),
    ratio: used,
    turned: lens.last === 0 ? 1 : lensRatio / lens.last,
    ...rest,
    ...(workingMm === undefined ? {} : { workingMm }),
  };
}

/** Every combination of one lens; those that get there are handed on. Returns how many were tried. */
function combine(
  lens: Searched,
  { powers, tubes }: Choices,
  ratio: number,
  reaches: (combined: Combined) => void,
): number {
  const floor = ratio * (1 - NEAR_ENOUGH);
  const ceiling = ratio * (1 + NEAR_ENOUGH);
  let tried = 0;
  for (const power of powers) {
    const phi = power.total / 1000;
    const [own, nearOwn] = [ownAt(lens, phi, 0), ownAt(lens, phi, lens.last)];
    const [perFar, perNear] = [1 / lens.f + phi, 1 / (lens.f + lens.slope * lens.last) + phi];
    for (const factor of lens.factors) {
      const t = factor.total;
      for (let k = 0; k < tubes.length; k++) {
        const e = tubes[k]!.total;
        // With no tube or no converter there is only one order.
        const orders = e > 0 && factor.indexes.length > 0 ? 2 : 1;
        for (let order = 0; order < orders; order++) {
          tried += 1;
          const behind = order === 1;
          const bent = behind ? Math.max(e * factor.bend, -t / 2) : 0;
          const far = drawn(own, perFar, e, t, bent, behind);
          const near = drawn(nearOwn, perNear, e, t, bent, behind);
          const highest = far < near ? near : far;
          if (highest < floor || (far < near ? far : near) > ceiling || !(highest > 0)) continue;
          reaches({ lens, power, factor, tubes: tubes[k]!, behind, bent, far, near });
        }
      }
    }
  }
  return tried;
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
  const choices = choicesOf(kit, present);
  const best = new BestRoutes();
  let tried = 0;
  let reaching = 0;
  kit.lenses.forEach((owned, i) => {
    tried += combine(searched(owned, choices, kit.flangeMm), choices, ratio, (combined) => {
      reaching += 1;
      const { used, lensRatio } = settingFor(combined, ratio);
      const merits = meritsOf(combined, choices, used, lensRatio);
      best.offer(merits, () => routeOf(kit, combined, merits, used, lensRatio));
    });
    onProgress((i + 1) / kit.lenses.length);
  });
  return { tried, reaching, routes: best.all() };
}

/** Converters that can take part: Barlows belong to telescopes. */
export const closeConverters = <T extends { spec: { kind: string } }>(parts: T[]): T[] =>
  parts.filter(({ spec }) => spec.kind === 'converter' || spec.kind === 'reducer');
