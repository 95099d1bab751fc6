import type { ResourceName, ResourceTypes, Stored } from '@/contract/resources';
import { nextVersion } from '@/contract/wholeData';
import type { Change } from './changes';

/** A list of rows with the waiting changes laid over it, so that nothing typed is out of sight. */
export function overlay<N extends ResourceName>(
  resource: N,
  rows: Stored<ResourceTypes[N]>[],
  waiting: Change[],
): Stored<ResourceTypes[N]>[] {
  let result = rows;
  for (const change of waiting) {
    if (change.resource !== resource) continue;
    if (change.verb === 'remove') {
      result = result.filter((row) => row.id !== change.id);
      continue;
    }
    const old = result.find((row) => row.id === change.id);
    const row: Stored<ResourceTypes[N]> = {
      id: change.id,
      version: change.verb === 'replace' ? nextVersion(change.version) : (old?.version ?? 1),
      createdAt: old?.createdAt ?? change.madeAt,
      updatedAt: change.madeAt,
      data: change.data as ResourceTypes[N],
    };
    result = old ? result.map((each) => (each.id === row.id ? row : each)) : [...result, row];
  }
  return result;
}
