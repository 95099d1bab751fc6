import { linksOf, usedOf, type Link } from '@/core/chain/link';
import type { Part } from '@/core/chain/parts';
import type { KitAround, Patch } from '@/core/levers/candidates';
import type { RestOfKit } from './desks/fields';

/** On the command line parts have no ids: they go by their names, numbered where one stands in a chain again. */
function named(parts: readonly Part[]): Link[] {
  const seen = new Map<string, number>();
  return linksOf(parts).map((link) => {
    const { name } = link.part;
    const count = (seen.get(name) ?? 0) + 1;
    seen.set(name, count);
    return { ...link, id: count === 1 ? name : `${name}#${count}` };
  });
}

/** A set-up with the rest of its kit, as the levers want it. */
export function withKit<T extends { chain: Part[] }>(
  setup: T,
  kit: RestOfKit | undefined,
): { setup: Omit<T, 'chain'> & { chain: Link[] }; kit: KitAround } {
  const chain = named(setup.chain);
  const spare = named(kit?.adapters ?? []).filter(({ id }) => !chain.some((link) => link.id === id));
  return {
    setup: { ...setup, chain },
    kit: {
      parts: [...chain, ...spare],
      setups: (kit?.setups ?? []).map(({ name, setup: other }) => ({ id: name, name, setup: other })),
    },
  };
}

/** What a lever would change, with the parts of a chain by their names. */
export function plainPatch({ chain, ...rest }: Patch): object {
  if (!chain) return rest;
  return { ...rest, chain: chain.map(({ part, used }) => ({ name: part.name, ...(used ?? usedOf(part)) })) };
}
