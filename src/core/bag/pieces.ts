import type { Link } from '../chain/link';
import { KINDS } from '../chain/kinds';
import type { MeasuredRatio } from '../chain/measuredRatio';
import type { BodySpec } from '../kit/body';

/** A body of the kit, told by its row. */
export interface BodyPiece {
  id: string;
  body: BodySpec;
}

/** All that could go into the bag: bodies, and the parts of chains, optics and adapters. */
export interface Kit {
  bodies: readonly BodyPiece[];
  parts: readonly Link[];
  /** What was measured with chains of these parts, by their name (`chainName`). */
  measured?: readonly { chain: string; ratios: MeasuredRatio[] }[] | undefined;
  /** Ids of what may be used in ways that are seldom meant (`seldomMeant`); everything where left out. */
  seldom?: readonly string[] | undefined;
}

/** Two chains of the same pieces in the same order, used the same way, have one name. */
export const chainName = (chain: readonly Link[]): string =>
  chain.map(({ id, used }) => id + JSON.stringify(used ?? {})).join('|');

/** One thing to carry. */
export interface Piece {
  id: string;
  name: string;
  weightG?: number | undefined;
}

/** Everything in the kit, each thing once, in the order in which bits stand for them. */
export const piecesOf = ({ bodies, parts }: Kit): Piece[] => [
  ...bodies.map(({ id, body }) => ({ id, name: body.name, weightG: body.weightG })),
  ...parts.map(({ id, part }) => ({ id, name: part.name, weightG: part.weightG })),
];

/** The part of a kit that is carried. */
export const carrying = (kit: Kit, ids: ReadonlySet<string>): Kit => ({
  ...kit,
  bodies: kit.bodies.filter(({ id }) => ids.has(id)),
  parts: kit.parts.filter(({ id }) => ids.has(id)),
});

/** A body with a chain, and what it takes of the kit. */
export interface Assembled {
  body: BodyPiece;
  chain: Link[];
  ids: string[];
  /** What was measured with this chain. */
  measured?: MeasuredRatio[] | undefined;
}

/** A part that forms the picture by itself, to which others are added. */
export const isOptic = ({ part }: Link): boolean => KINDS[part.kind].shelf === 'optic';
