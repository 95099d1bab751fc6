import crypto from 'node:crypto';
import fs from 'node:fs';
import type { Sequelize } from 'sequelize';
import { StorageFault } from './storageFault';

/** Where SQLite keeps a number of the application's own in a file's head (PRAGMA user_version). */
const OWN_NUMBER_AT = 60;

/** Sees whether the file at its path is still the one that was opened. */
export interface FileGuard {
  /** @throws StorageFault `storage.replaced`, now and from then on, when it is not */
  verify: () => void;
  /** How it was found to be another one: gone or moved, or written over in its place. */
  lost: () => 'moved' | 'overwritten' | null;
}

interface Mark {
  dev: number;
  ino: number;
  own: number;
}

function markOf(file: string): Mark {
  const handle = fs.openSync(file, 'r');
  try {
    const { dev, ino } = fs.fstatSync(handle);
    const own = Buffer.alloc(4);
    fs.readSync(handle, own, 0, 4, OWN_NUMBER_AT);
    return { dev, ino, own: own.readUInt32BE() };
  } finally {
    fs.closeSync(handle);
  }
}

const replaced = (file: string): StorageFault =>
  new StorageFault(
    'storage.replaced',
    'The data file was replaced',
    `${file} was moved, deleted or replaced while Jauge runs. This change was not stored, and none will be. Stop Jauge; what was stored until now is saved beside it in a file that ends in “.rescued”. Put the right file in its place, then start Jauge again.`,
  );

/**
 * Marks an open file with a number of this very start and remembers which file it is. Looking takes some twenty microseconds.
 */
export async function guardFile(file: string, writer: Sequelize): Promise<FileGuard> {
  const own = crypto.randomInt(1, 2 ** 31);
  await writer.query(`PRAGMA user_version = ${own}`);
  // The number must stand in the file itself, not in its log.
  await writer.query('PRAGMA wal_checkpoint(TRUNCATE)');
  const first = markOf(file);
  let lost: 'moved' | 'overwritten' | null = null;
  const look = (): typeof lost => {
    let now: Mark;
    try {
      now = markOf(file);
    } catch {
      return 'moved';
    }
    if (now.dev !== first.dev || now.ino !== first.ino) return 'moved';
    return now.own === first.own ? null : 'overwritten';
  };
  return {
    verify: () => {
      lost ??= look();
      if (lost) throw replaced(file);
    },
    lost: () => lost,
  };
}
