import type { ResourceName, ResourceTypes, StoredOf } from '@/contract/resources';
import { nounOf } from '@/contract/resources';
import { useNotice } from './notice';
import { newId, submit } from './outbox';

/** Makes a new row and returns its id; it is on the screen before the server has it. */
export function createRow<N extends ResourceName>(resource: N, data: ResourceTypes[N], id: string = newId()): string {
  void submit({ resource, id, verb: 'create', data } as Parameters<typeof submit>[0]);
  return id;
}

export function replaceRow<N extends ResourceName>(resource: N, row: StoredOf<N>, data: ResourceTypes[N]): void {
  void submit({ resource, id: row.id, verb: 'replace', version: row.version, data } as Parameters<typeof submit>[0]);
}

/** Deletes a row and offers to bring it back, under the same id, so that what refers to it finds it again. */
export function removeRow<N extends ResourceName>(resource: N, row: StoredOf<N>, name: string): void {
  void submit({ resource, id: row.id, verb: 'remove', version: row.version });
  useNotice.getState().show({
    text: `Deleted the ${nounOf(resource)} “${name}”.`,
    action: { title: 'Undo', run: () => void createRow(resource, row.data as ResourceTypes[N], row.id) },
  });
}
