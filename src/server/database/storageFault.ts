/** What can be wrong with the file the data lie in; each with the words that say what to do. */
export type StorageCode =
  | 'storage.full'
  | 'storage.readOnly'
  | 'storage.locked'
  | 'storage.inUse'
  | 'storage.damaged'
  | 'storage.newer'
  | 'storage.unreachable'
  | 'storage.notADatabase'
  | 'storage.replaced'
  | 'storage.missing';

/** A fault of the file. While running it is answered with 503, or 507 where the disk is full. */
export class StorageFault extends Error {
  constructor(
    readonly code: StorageCode,
    readonly title: string,
    message: string,
  ) {
    super(message);
  }

  get status(): number {
    return this.code === 'storage.full' ? 507 : 503;
  }
}

const NOTHING_STORED = 'Nothing of this change was stored.';

/** Codes of SQLite and of the system, by how they begin, and the fault they are told as. */
const FAULTS: [RegExp, (file: string) => StorageFault][] = [
  [
    /^(SQLITE_FULL|ENOSPC|EDQUOT)/,
    (file) =>
      new StorageFault(
        'storage.full',
        'No room on the disk',
        `There is no room left on the disk that holds ${file}. ${NOTHING_STORED} Make room, then try again.`,
      ),
  ],
  [
    /^(SQLITE_READONLY|SQLITE_PERM|EACCES|EPERM|EROFS)/,
    (file) =>
      new StorageFault(
        'storage.readOnly',
        'The file cannot be written',
        `${file}, or the folder it lies in, does not allow writing. ${NOTHING_STORED} Allow it for your user (chmod u+w), then try again.`,
      ),
  ],
  [
    /^(SQLITE_BUSY|SQLITE_LOCKED|SQLITE_PROTOCOL)/,
    (file) =>
      new StorageFault(
        'storage.locked',
        'The file is held',
        `Another program holds ${file}. ${NOTHING_STORED} Close that program, then try again.`,
      ),
  ],
  [/^SQLITE_CORRUPT/, (file) => damaged(file, 'its pages contradict each other')],
  [/^SQLITE_NOTADB/, (file) => damaged(file, 'it is not a database')],
  [
    /^(SQLITE_IOERR|SQLITE_CANTOPEN|EIO|ENOENT|ENOTDIR|EISDIR|SQLITE_NOLFS|SQLITE_TOOBIG_FILE)/,
    (file) =>
      new StorageFault(
        'storage.unreachable',
        'The file cannot be reached',
        `${file} cannot be read or written. ${NOTHING_STORED} See whether its disk is connected and its folder exists, then start Jauge again.`,
      ),
  ],
];

/** A damaged file; the way back is named with it. */
export function damaged(file: string, how: string): StorageFault {
  return new StorageFault(
    'storage.damaged',
    'The data file is damaged',
    `${file} is damaged: ${how}. Nothing was written to it. Bring back the newest backup with “npm run restore”; the damaged file is put aside, not deleted.`,
  );
}

interface Caused {
  code?: unknown;
  parent?: unknown;
  original?: unknown;
  cause?: unknown;
}

/** The fault behind an error of the database or the file system, or null when it is none of these. */
export function storageFaultOf(error: unknown, file: string): StorageFault | null {
  for (let at = error, depth = 0; at !== null && typeof at === 'object' && depth < 5; depth++) {
    if (at instanceof StorageFault) return at;
    const { code, parent, original, cause } = at as Caused;
    if (typeof code === 'string') {
      const found = FAULTS.find(([pattern]) => pattern.test(code));
      if (found) return found[1](file);
    }
    at = parent ?? original ?? cause ?? null;
  }
  return null;
}
