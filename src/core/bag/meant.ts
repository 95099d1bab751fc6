import { lightOf } from '../chain/fold';
import { KINDS } from '../chain/kinds';
import { partAsUsed, type Link } from '../chain/link';
import type { Kit } from './pieces';

/**
 * Pieces of a chain used as one seldom means them when a bag is packed: a ring that turns a lens round or couples two, an
 * objective before a camera's lens, an eyepiece with a camera's lens behind it. All of it works; little of it is carried.
 *
 * @returns their ids
 */
export function seldomMeant(chain: readonly Link[]): string[] {
  const lensBehind = chain.slice(1).some(({ part }) => part.kind === 'lens');
  return chain.flatMap((link): string[] => {
    const { kind } = link.part;
    const ring = KINDS[kind].place === 'joint' || lightOf(partAsUsed(link)).does === 'turn';
    const looked = kind === 'objective' || kind === 'scope';
    return ring || (looked && lensBehind) ? [link.id] : [];
  });
}

/** Whether a chain is to be tried, by what the kit says of such ways. */
export const isMeant = (chain: readonly Link[], { seldom }: Kit): boolean =>
  seldom === undefined || seldomMeant(chain).every((id) => seldom.includes(id));

/** The kit of somebody who means what is packed: a ring to turn a lens round is for that; a scope is for the phone, if one comes along. */
export function meaningPacked(kit: Kit, packed: ReadonlySet<string>): Kit {
  const parts = kit.parts.filter(({ id }) => packed.has(id));
  const hasOwnLens = parts.some(({ part }) => part.kind === 'builtIn');
  return { ...kit, seldom: parts.filter(({ part }) => part.kind !== 'scope' || !hasOwnLens).map(({ id }) => id) };
}
