import fs from 'node:fs';
import { listBackups } from './database/backups';
import { backupLines, restoreFile, whyNotOpen } from './database/restore';

/**
 * `npm run restore`: with a name, or “newest”, puts that backup in the place of the data file; without, it does so only when
 * the file does not open, and else says what there is to choose from.
 *
 * @returns what to tell the person
 */
export async function restoreCommand(file: string, wanted: string | undefined): Promise<string[]> {
  const newest = listBackups(file)[0];
  if (!newest)
    return [
      `There are no backups of ${file} yet.`,
      ...(fs.existsSync(file) ? ['To begin anew, move the file away and start Jauge.'] : []),
    ];
  const reason = wanted === undefined ? await whyNotOpen(file) : null;
  if (wanted === undefined && reason === null) {
    return [
      `${file} is in order, so nothing was done. Its backups, newest first:`,
      ...backupLines(file).map((line) => `  ${line}`),
      'To bring one back: npm run restore -- <name>, or “newest”.',
    ];
  }
  const { name, putAside } = await restoreFile(
    file,
    wanted === undefined || wanted === 'newest' ? newest.name : wanted,
  );
  return [
    ...(reason === null ? [] : [reason]),
    `Brought back ${name}.`,
    ...(putAside === null ? [] : [`What stood there was put aside as ${putAside}.`]),
    'Start Jauge again.',
  ];
}
