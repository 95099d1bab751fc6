import fs from 'node:fs';
import path from 'node:path';
import type { Backup, BackupWhy } from '@/contract/backup';
import { FILE_MODE, ownFolder, syncFile, syncFolder } from './files';
import { openRaw } from './raw';

export type Why = BackupWhy;

/** So many are kept. */
export const MOST_BACKUPS = 7;
const DAY_MS = 24 * 3600 * 1000;

const NAME =
  /^(.+)-(\d{4})(\d{2})(\d{2})T(\d{2})(\d{2})(\d{2})(\d{3})Z-(daily|by-hand|before-import|before-migration|before-restore)\.sqlite$/;

/** The folder beside a data file that its backups lie in. */
export const backupFolder = (file: string): string => path.join(path.dirname(file), 'backups');

const baseOf = (file: string): string => path.basename(file, path.extname(file));

/** The backups of a data file, newest first. */
export function listBackups(file: string): Backup[] {
  const folder = backupFolder(file);
  if (!fs.existsSync(folder)) return [];
  return fs
    .readdirSync(folder)
    .flatMap((name): Backup[] => {
      const [, base, year, month, day, hour, minute, second, millisecond, why] = NAME.exec(name) ?? [];
      if (base !== baseOf(file)) return [];
      return [
        {
          name,
          madeAt: `${year}-${month}-${day}T${hour}:${minute}:${second}.${millisecond}Z`,
          why: why as Why,
          bytes: fs.statSync(path.join(folder, name)).size,
        },
      ];
    })
    .sort((a, b) => b.madeAt.localeCompare(a.madeAt));
}

/** The next backup of the day is due a day after the last one, whatever that was made for. */
export function backupDue(file: string, now: Date): boolean {
  const newest = listBackups(file)[0];
  return newest === undefined || now.getTime() - Date.parse(newest.madeAt) >= DAY_MS;
}

/**
 * Which backups go: as long as there are too many, the oldest of those that are not the last of their day, the newest two
 * spared; when each stands alone on its day, the oldest.
 */
export function surplus(backups: Backup[], most = MOST_BACKUPS): Backup[] {
  const kept = [...backups].sort((a, b) => b.madeAt.localeCompare(a.madeAt));
  const gone: Backup[] = [];
  while (kept.length > most) {
    const doubled = kept.map((each, i) => i > 1 && kept[i - 1]!.madeAt.slice(0, 10) === each.madeAt.slice(0, 10));
    const index = doubled.lastIndexOf(true);
    gone.push(...kept.splice(index === -1 ? kept.length - 1 : index, 1));
  }
  return gone;
}

/** Makings of a backup, one after the other: two in the same moment would be one. */
let turn: Promise<unknown> = Promise.resolve();

/**
 * Copies a data file into its backups as SQLite writes it anew, whole and without a log, while others read and write it.
 *
 * @returns the name of the backup
 */
export function makeBackup(file: string, why: Why, now: Date = new Date()): Promise<string> {
  const made = turn.catch(() => undefined).then(() => writeBackup(file, why, now));
  turn = made;
  return made;
}

async function writeBackup(file: string, why: Why, now: Date): Promise<string> {
  const folder = ownFolder(backupFolder(file));
  // Left by a backup that was cut off.
  for (const name of fs.readdirSync(folder)) if (name.endsWith('.part')) fs.rmSync(path.join(folder, name));
  const name = `${baseOf(file)}-${now.toISOString().replace(/[-:.]/g, '')}-${why}.sqlite`;
  const draft = path.join(folder, `${name}.part`);
  const raw = await openRaw(file);
  try {
    await raw.run('VACUUM INTO ?', draft);
  } catch (error) {
    fs.rmSync(draft, { force: true });
    throw error;
  } finally {
    await raw.close();
  }
  fs.chmodSync(draft, FILE_MODE);
  await syncFile(draft);
  fs.renameSync(draft, path.join(folder, name));
  syncFolder(folder);
  for (const each of surplus(listBackups(file))) fs.rmSync(path.join(folder, each.name));
  return name;
}
