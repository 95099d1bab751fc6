import { checkContents, isSound } from './database/contentCheck';
import { checkFile } from './database/fileCheck';
import { realFile } from './database/files';

/** More lines than this are not read. */
const MOST_LINES = 20;

/**
 * `npm run check`: looks through the data file, its pages, references and every row, whether a server runs on it or not.
 *
 * @returns what to tell the person, and whether the file is sound
 */
export async function checkCommand(named: string): Promise<{ lines: string[]; sound: boolean }> {
  const file = realFile(named);
  await checkFile(file);
  const faults = await checkContents(file);
  if (isSound(faults)) return { lines: [`${file}: all ${faults.rows} entries are intact.`], sound: true };
  const found = [...faults.structure, ...faults.damaged.map(({ resource, id, how }) => `${resource} ${id}: ${how}`)];
  return {
    lines: [
      `${file}: ${faults.damaged.length} of ${faults.rows} entries are damaged.`,
      ...found.slice(0, MOST_LINES).map((line) => `  ${line}`),
      faults.structure.length
        ? 'Restore a backup: npm run restore -- newest'
        : 'Start Jauge and open “In and out”: it restores each damaged entry from the newest backup that has it intact.',
    ],
    sound: false,
  };
}
