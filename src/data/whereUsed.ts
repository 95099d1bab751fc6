import type { StoredOf } from '@/contract/resources';
import type { Setup } from '@/contract/schemas/setup';
import type { Kit } from './situation';

/** What a set-up is built of. */
export type PartResource = 'bodies' | 'optics' | 'adapters';

export const isPartResource = (name: string): name is PartResource =>
  name === 'bodies' || name === 'optics' || name === 'adapters';

const linkType = (resource: PartResource) => (resource === 'optics' ? 'optic' : 'adapter');

/** The set-ups a part is in. */
export function whereUsed(kit: Kit, resource: PartResource, id: string): StoredOf<'setups'>[] {
  return kit.setups.filter(({ data }) =>
    resource === 'bodies'
      ? data.bodyId === id
      : data.chain.some((link) => link.type === linkType(resource) && link.id === id),
  );
}

/** A set-up with another part in the place of one. What was set on the old one (tubes used, magnification) falls away. */
export function withReplaced(setup: Setup, resource: PartResource, oldId: string, newId: string): Setup {
  if (resource === 'bodies') return setup.bodyId === oldId ? { ...setup, bodyId: newId, modeId: 'whole' } : setup;
  return {
    ...setup,
    chain: setup.chain.map((link) =>
      link.type === linkType(resource) && link.id === oldId ? { type: link.type, id: newId } : link,
    ),
  };
}
