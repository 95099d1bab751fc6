import { openDB, type DBSchema, type IDBPDatabase, type IDBPTransaction, type StoreNames } from 'idb';
import type { ResourceName, Stored } from '@/contract/resources';
import type { Reading } from '@/contract/schemas/reading';
import { columnsOf, type ReadingColumns } from './soughtReadings';

/** A row as it is mirrored on the device. */
export interface MirroredRow {
  resource: ResourceName;
  id: string;
  row: Stored<unknown>;
  /** The pull from the start that brought it last. */
  pull: number;
}

/** How far the copy on this device goes. */
export interface Standing {
  /** What the server is to be asked from; null before the first answer. */
  cursor: string | null;
  /** Counts the pulls from the start. */
  pull: number;
  /** Everything was brought once: the copy can be read in place of the server. */
  whole: boolean;
  /** A pull from the start is under way; what it does not bring is gone when it ends. */
  sweeping: boolean;
}

export interface MirrorSchema extends DBSchema {
  rows: { key: [ResourceName, string]; value: MirroredRow; indexes: { resource: ResourceName } };
  /** What readings are sought by, apart from the readings themselves, which are much larger. */
  sought: { key: string; value: ReadingColumns };
  standing: { key: 'now'; value: Standing };
}

export const FIRST: Standing = { cursor: null, pull: 0, whole: false, sweeping: false };

/** Of its own, apart from what waits to be sent: this one may be thrown away at any time and is brought again. */
const NAME = 'jauge.mirror';

/** Works out again what readings are sought by, which an earlier version may have done otherwise. */
async function soughtAnew(
  transaction: IDBPTransaction<MirrorSchema, StoreNames<MirrorSchema>[], 'versionchange'>,
): Promise<void> {
  const sought = transaction.objectStore('sought');
  for (const { row } of await transaction.objectStore('rows').index('resource').getAll('readings'))
    await sought.put(columnsOf(row as Stored<Reading>));
}

let opening: Promise<IDBPDatabase<MirrorSchema>> | null = null;

export function openMirror(): Promise<IDBPDatabase<MirrorSchema>> {
  opening ??= openDB<MirrorSchema>(NAME, 2, {
    upgrade: async (database, from, _to, transaction) => {
      if (from > 0) return soughtAnew(transaction);
      database.createObjectStore('rows', { keyPath: ['resource', 'id'] }).createIndex('resource', 'resource');
      database.createObjectStore('sought', { keyPath: 'id' });
      database.createObjectStore('standing');
    },
    terminated: () => (opening = null),
    blocking: () => {
      void opening?.then((database) => database.close());
      opening = null;
    },
  }).catch((error: unknown) => {
    opening = null;
    throw error;
  });
  return opening;
}
