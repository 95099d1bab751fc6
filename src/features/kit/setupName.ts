import type { Setup } from '@/contract/schemas/setup';
import type { Kit } from '@/data/situation';

/** Longest name a set-up may have. */
const LONGEST = 120;

/** A set-up's name where nobody gave it one: its parts, body first. */
export const setupNameOf = (parts: readonly string[]): string => parts.join(' + ').slice(0, LONGEST);

/** The same for the parts a row refers to; parts that are gone are left out. */
export function partsName(
  { bodyId, chain }: Pick<Setup, 'bodyId' | 'chain'>,
  kit: Pick<Kit, 'bodies' | 'optics' | 'adapters'>,
): string {
  const optics = chain.map(({ type, id }) =>
    (type === 'optic' ? kit.optics : kit.adapters).find((row) => row.id === id),
  );
  const named = [kit.bodies.find((row) => row.id === bodyId), ...optics];
  return setupNameOf(named.flatMap((row) => (row ? [row.data.name] : [])));
}
