import fs from 'node:fs';
import path from 'node:path';

/** What one has noted is nobody else's business: files and folders are open to their owner alone. */
export const FILE_MODE = 0o600;
export const FOLDER_MODE = 0o700;

/** A file by its one true name: two names of it, by a link, must not be two locks. */
export function realFile(file: string): string {
  try {
    return fs.realpathSync(file);
  } catch {
    // Not there yet. A link that leads to where it will be is followed.
    const link = fs.lstatSync(file, { throwIfNoEntry: false });
    if (link?.isSymbolicLink()) return realFile(path.resolve(path.dirname(file), fs.readlinkSync(file)));
    const folder = path.dirname(file);
    return fs.existsSync(folder) ? path.join(fs.realpathSync(folder), path.basename(file)) : file;
  }
}

/** Takes the others' rights away from a data file and what SQLite keeps beside it. The folder may be shared and is left. */
export function keepPrivate(file: string): void {
  for (const ending of ['', '-wal', '-shm', '.lock', '.address', '.known']) {
    if (fs.existsSync(`${file}${ending}`)) setMode(`${file}${ending}`, FILE_MODE);
  }
}

function setMode(name: string, mode: number): void {
  // A file that belongs to someone else is used as it is.
  if (process.getuid && fs.statSync(name).uid !== process.getuid()) return;
  fs.chmodSync(name, mode);
}

/** Makes sure that names given or moved in a folder outlast a power cut. */
export function syncFolder(folder: string): void {
  const handle = fs.openSync(folder, 'r');
  try {
    fs.fsyncSync(handle);
  } finally {
    fs.closeSync(handle);
  }
}

/** Makes a folder of the data's own, open to its owner alone. */
export function ownFolder(folder: string): string {
  fs.mkdirSync(folder, { recursive: true, mode: FOLDER_MODE });
  setMode(folder, FOLDER_MODE);
  return folder;
}

/** Waits until a file is on the disk; others are served meanwhile, because a large one takes seconds. */
export async function syncFile(name: string): Promise<void> {
  const handle = await fs.promises.open(name, 'r+');
  try {
    await handle.sync();
  } finally {
    await handle.close();
  }
}

/** Copies a file so that it is whole on the disk or not there. */
export async function copyWhole(from: string, to: string): Promise<void> {
  const draft = `${to}.part`;
  await fs.promises.copyFile(from, draft);
  fs.chmodSync(draft, FILE_MODE);
  await syncFile(draft);
  fs.renameSync(draft, to);
  syncFolder(path.dirname(to));
}
