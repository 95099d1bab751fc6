import fs from 'node:fs';
import path from 'node:path';
import type { Backup, BackupWhy } from '@/contract/backup';
import { FILE_MODE, ownFolder, syncFile, syncFolder } from './files';
import { checkContents, isSound, type ContentFaults } from './contentCheck';
import { openRaw } from './raw';
import { damaged } from './storageFault';

export type Why = BackupWhy;

/** So many of each sort are kept. */
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

/** Whether a backup says of itself that it was made in the time to come: a clock was ahead then, or is behind now. */
const isAhead = ({ madeAt }: Backup, now: Date): boolean => Date.parse(madeAt) > now.getTime() + 60_000;

/**
 * The next backup of the day is due a day after the last one, whatever that was made for. One from the time to come does not
 * count: a clock that was ahead once must not stop the backups until then.
 */
export function backupDue(file: string, now: Date): boolean {
  const newest = listBackups(file).find((each) => !isAhead(each, now));
  return newest === undefined || now.getTime() - Date.parse(newest.madeAt) >= DAY_MS;
}

/** Backups of one sort do not push out those of another: what was made before an import outlives a busy week. */
const sortOf = ({ why }: Backup): 'daily' | 'by-hand' | 'before' =>
  why === 'daily' || why === 'by-hand' ? why : 'before';

/**
 * Which backups go, sort by sort: as long as there are too many, the oldest of those that are not the last of their day, the
 * newest two spared; when each stands alone on its day, the oldest. Those from the time to come count as the oldest.
 */
export function surplus(backups: Backup[], now: Date = new Date(), most = MOST_BACKUPS): Backup[] {
  const sorts = new Map<string, Backup[]>();
  for (const each of backups) sorts.set(sortOf(each), [...(sorts.get(sortOf(each)) ?? []), each]);
  return [...sorts.values()].flatMap((some) => surplusOfSort(some, now, most));
}

function surplusOfSort(backups: Backup[], now: Date, most: number): Backup[] {
  const kept = [...backups].sort(
    (a, b) => Number(isAhead(a, now)) - Number(isAhead(b, now)) || b.madeAt.localeCompare(a.madeAt),
  );
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

/** What was found while a backup was made: in the data file, or, where that was not looked at, in the copy. */
export type OnChecked = (faults: ContentFaults) => void;

/**
 * Copies a data file into its backups as SQLite writes it anew, whole and without a log, while others read and write it. The
 * copy is opened and looked through before it gets its name. While anything is damaged no older backup goes.
 *
 * @returns the name of the backup
 * @throws StorageFault where the copy does not hold together
 */
export function makeBackup(file: string, why: Why, now: Date = new Date(), onChecked?: OnChecked): Promise<string> {
  const made = turn.catch(() => undefined).then(() => writeBackup(file, why, now, onChecked));
  turn = made;
  return made;
}

async function writeBackup(file: string, why: Why, now: Date, onChecked?: OnChecked): Promise<string> {
  const folder = ownFolder(backupFolder(file));
  // Left by a backup that was cut off.
  for (const name of fs.readdirSync(folder)) if (name.endsWith('.part')) fs.rmSync(path.join(folder, name));
  const name = `${baseOf(file)}-${now.toISOString().replace(/[-:.]/g, '')}-${why}.sqlite`;
  const draft = path.join(folder, `${name}.part`);
  const source = await checkContents(file);
  try {
    await copyInto(file, draft);
    const copied = await checkContents(draft);
    if (copied.structure.length) throw damaged(draft, copied.structure.slice(0, 3).join('; '));
    onChecked?.(source);
    fs.chmodSync(draft, FILE_MODE);
    await syncFile(draft);
    fs.renameSync(draft, path.join(folder, name));
    syncFolder(folder);
    if (isSound(source) && isSound(copied))
      for (const each of surplus(listBackups(file), now)) fs.rmSync(path.join(folder, each.name));
  } catch (error) {
    fs.rmSync(draft, { force: true });
    throw error;
  }
  return name;
}

async function copyInto(file: string, draft: string): Promise<void> {
  const raw = await openRaw(file);
  try {
    await raw.run('VACUUM INTO ?', draft);
  } finally {
    await raw.close();
  }
}
