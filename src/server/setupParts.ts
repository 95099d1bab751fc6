import type { ResourceTypes } from '@/contract/resources';
import type { SetupPartAttributes } from './models/tables';

/** The foreign keys behind the chain of a set-up. */
export function partsOf(setupId: string, setup: ResourceTypes['setups']): SetupPartAttributes[] {
  return setup.chain.map((part, position) => ({
    setupId,
    position,
    opticId: part.type === 'optic' ? part.id : null,
    adapterId: part.type === 'adapter' ? part.id : null,
  }));
}
