import fs from 'node:fs';
import { openRaw } from './raw';
import { StorageFault } from './storageFault';

/** The right to one data file, held until released; a killed process loses it at once. */
export interface FileLock {
  /** Writes where this server answers, so that a second one can point there. */
  tell: (address: string) => void;
  release: () => Promise<void>;
}

const addressFile = (file: string) => `${file}.address`;

function addressOf(file: string): string | null {
  try {
    return fs.readFileSync(addressFile(file), 'utf8').trim() || null;
  } catch {
    return null;
  }
}

/**
 * Takes a data file for this process alone. The lock is the system's own, on an empty database beside the file: it needs
 * no clock and leaves nothing behind that a kill could make stale.
 *
 * @throws StorageFault `storage.inUse` with the address of the server that holds it
 */
export async function lockFile(file: string): Promise<FileLock> {
  const lock = await openRaw(`${file}.lock`, 'write');
  try {
    await lock.run('PRAGMA busy_timeout = 0');
    await lock.run('BEGIN EXCLUSIVE');
  } catch (error) {
    await lock.close();
    if (!String((error as { code?: unknown }).code).startsWith('SQLITE_BUSY')) throw error;
    const address = addressOf(file);
    throw new StorageFault(
      'storage.inUse',
      'Jauge runs already',
      `Jauge runs already with ${file}${address ? `: open ${address}` : '; it has only just been started'}.`,
    );
  }
  fs.rmSync(addressFile(file), { force: true });
  return {
    tell: (address) => fs.writeFileSync(addressFile(file), `${address}\n`, { mode: 0o600 }),
    release: async () => {
      fs.rmSync(addressFile(file), { force: true });
      await lock.run('ROLLBACK');
      await lock.close();
    },
  };
}
