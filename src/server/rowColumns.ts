import type { ResourceName, ResourceTypes } from '@/contract/resources';
import type { RowAttributes, SetupPartAttributes } from './models/tables';

/** Columns that repeat a field of a row's data, for an index or a foreign key. */
export function columnsOf(name: ResourceName, data: unknown): Partial<RowAttributes> {
  if (name === 'setups') return { bodyId: (data as ResourceTypes['setups']).bodyId };
  if (name === 'readings') return { takenAt: (data as ResourceTypes['readings']).takenAt };
  return {};
}

/** The foreign keys behind the chain of a set-up. */
export function partsOf(setupId: string, setup: ResourceTypes['setups']): SetupPartAttributes[] {
  return setup.chain.map((part, position) => ({
    setupId,
    position,
    opticId: part.type === 'optic' ? part.id : null,
    adapterId: part.type === 'adapter' ? part.id : null,
  }));
}
