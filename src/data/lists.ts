import type { Page, ResourceName, ResourceTypes, StoredOf } from '@/contract/resources';
import { api, type ReadingsQuery } from './api';
import { isWhole, mirroredReadings, mirroredRows } from './mirror';

/**
 * From the copy on this device, at once, when it is whole; else from the server. What the server has meanwhile comes with
 * the next pull, which has the lists read again.
 */
async function here<T>(mirrored: () => Promise<T>, asked: () => Promise<T>): Promise<T> {
  return (await isWhole()) ? mirrored().catch(asked) : asked();
}

/** All rows of a resource. */
export const rowsFrom = <N extends ResourceName>(resource: N): Promise<StoredOf<N>[]> =>
  here(
    () => mirroredRows(resource),
    () => api.list(resource),
  );

/** A part of the readings, sought and sorted. */
export const readingsFrom = (query: ReadingsQuery): Promise<Page<ResourceTypes['readings']>> =>
  here(
    () => mirroredReadings(query),
    () => api.readings(query),
  );
