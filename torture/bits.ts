import fs from 'node:fs';
import path from 'node:path';
import { checkContents } from '@/server/database/contentCheck';
import { openDatabase } from '@/server/database/openDatabase';
import { openRaw } from '@/server/database/raw';
import { RESOURCE_NAMES } from '@/contract/resources';
import { loadDemo } from '@/server/loadDemo';
import { createStore } from '@/server/store';
import { inFolder } from './server';
import { count, newTally, randomOf, repeat, type Tally } from './tally';

/** All rows of a file as text, whatever their order on the disk; null where it cannot be read. */
async function contentsOf(file: string): Promise<string | null> {
  const raw = await openRaw(file).catch(() => null);
  if (!raw) return null;
  try {
    const rows: unknown[] = [];
    for (const name of RESOURCE_NAMES)
      rows.push(await raw.all(`SELECT id, version, data, created_at, updated_at FROM ${name} ORDER BY +id`));
    return JSON.stringify(rows);
  } catch {
    return null;
  } finally {
    await raw.close();
  }
}

/** Flips single bits of a file: what changes a row must be noticed by a look through it. */
export function bits(minutes: number, seed: number, wanted = 200): Promise<Tally> {
  return inFolder(async (folder) => {
    const sound = path.join(folder, 'own.sqlite');
    const database = await openDatabase(sound, async (fresh) => void (await loadDemo(createStore(fresh))));
    await database.close();
    const bytes = fs.readFileSync(sound);
    const contents = await contentsOf(sound);
    const random = randomOf(seed);
    const tally = newTally('flipped bits', wanted);
    return repeat(tally, minutes, 1, async (i) => {
      const file = path.join(folder, `flipped-${i}.sqlite`);
      const flipped = Buffer.from(bytes);
      const at = Math.floor(random() * flipped.length);
      flipped[at] = flipped[at]! ^ (1 << Math.floor(random() * 8));
      fs.writeFileSync(file, flipped);
      const seen = await checkContents(file).then(
        ({ damaged, structure }) => damaged.length + structure.length > 0,
        () => true,
      );
      const changed = (await contentsOf(file)) !== contents;
      count(tally, changed ? 'that changed a row' : 'that changed none');
      if (seen) count(tally, 'noticed');
      fs.rmSync(file);
      return changed && !seen ? [`a bit at ${at} changed a row and was not noticed`] : [];
    });
  });
}
