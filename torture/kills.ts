import fs from 'node:fs';
import path from 'node:path';
import { demoSubjects } from '@/demo/kit';
import { demoReadings } from '@/demo/readings';
import { openDatabase } from '@/server/database/openDatabase';
import { MIGRATIONS } from '@/server/migrations';
import { createStore } from '@/server/store';
import { get, idOf, inFolder, kill, pause, sendJson, startServer } from './server';
import { count, newTally, randomOf, repeat, type Tally } from './tally';

const IMPORTED = 1200;
const OLD_ROWS = 40;
const subject = demoSubjects.curlew.data;

const totalOf = async (url: string, resource: string): Promise<number> =>
  (await get<{ total: number }>(`${url}/api/v1/${resource}?limit=1`)).total;

/** Starts again after a kill; what is wrong with what is found then. */
async function startAgain(file: string, check: (url: string) => Promise<string[]>): Promise<string[]> {
  const again = startServer(file);
  const url = await again.url;
  if (url === null) return [`does not start: ${again.said().trim()}`];
  try {
    return await check(url);
  } finally {
    await kill(again);
  }
}

/** In the very first start. */
const firstStart = (random: () => number) =>
  inFolder(async (folder) => {
    const file = path.join(folder, 'own.sqlite');
    const first = startServer(file);
    await pause(random() * 700);
    await kill(first);
    return startAgain(file, async (url) =>
      (await totalOf(url, 'outputs')) === 3 ? [] : ['a first start left half of its outputs'],
    );
  });

/** While a file of an older version is brought up to date. */
const migration = (random: () => number, old: string) =>
  inFolder(async (folder) => {
    const file = path.join(folder, 'own.sqlite');
    fs.copyFileSync(old, file);
    const first = startServer(file);
    await pause(150 + random() * 500);
    await kill(first);
    return startAgain(file, async (url) =>
      (await totalOf(url, 'subjects')) === OLD_ROWS ? [] : ['a migration lost rows'],
    );
  });

/** While a file of data comes in. */
const importing = (random: () => number) =>
  inFolder(async (folder) => {
    const file = path.join(folder, 'own.sqlite');
    const first = startServer(file);
    const url = await first.url;
    if (url === null) return [`does not start: ${first.said()}`];
    const reading = demoReadings()[0]!.data;
    const readings = Array.from({ length: IMPORTED }, (_, i) => ({ id: idOf(i + 1), data: reading }));
    let done = false;
    const sending = sendJson('POST', `${url}/api/v1/import`, { format: 'jauge', formatVersion: 1, rows: { readings } })
      .then((answer) => (done = answer.ok))
      .catch(() => undefined);
    await pause(random() * 1500);
    await kill(first);
    await sending;
    return startAgain(file, async (again) => {
      const total = await totalOf(again, 'readings');
      return total === IMPORTED || (total === 0 && !done)
        ? []
        : [`an import is half there: ${total} of ${IMPORTED}${done ? ', acknowledged' : ''}`];
    });
  });

/** While several write. */
const writing = (random: () => number, tally: Tally) =>
  inFolder(async (folder) => {
    const file = path.join(folder, 'own.sqlite');
    const first = startServer(file);
    const url = await first.url;
    if (url === null) return [`does not start: ${first.said()}`];
    const acknowledged: string[] = [];
    let next = 1;
    let dead = false;
    const writer = async () => {
      while (!dead) {
        const id = idOf(next++);
        const answer = await sendJson('POST', `${url}/api/v1/subjects`, { id, data: subject }).catch(() => null);
        if (answer?.status === 201) acknowledged.push(id);
      }
    };
    const writers = [writer(), writer(), writer(), writer()];
    await pause(100 + random() * 400);
    await kill(first);
    dead = true;
    await Promise.all(writers);
    count(tally, 'acknowledged writes', acknowledged.length);
    return startAgain(file, async (again) => {
      const present = new Set(
        (await get<{ items: { id: string }[] }>(`${again}/api/v1/subjects?limit=1000`)).items.map((row) => row.id),
      );
      const lost = acknowledged.slice(0, 1000).filter((id) => !present.has(id));
      return lost.length ? [`${lost.length} acknowledged writes are lost`] : [];
    });
  });

async function oldFile(file: string): Promise<void> {
  const database = await openDatabase(file);
  for (let i = 0; i < OLD_ROWS; i++) await createStore(database).create('subjects', idOf(i + 1), subject);
  const last = MIGRATIONS.at(-1)!;
  await last.down(database.writer.getQueryInterface());
  await database.writer.query(`DELETE FROM SequelizeMeta WHERE name = '${last.name}'`);
  await database.close();
}

/** Kills the server at random moments of its life, and starts it again. */
export function kills(minutes: number, seed: number, wanted = 1000): Promise<Tally> {
  return inFolder(async (folder) => {
    const old = path.join(folder, 'old.sqlite');
    await oldFile(old);
    const random = randomOf(seed);
    const tally = newTally('kills', wanted);
    const trials = [
      () => firstStart(random),
      () => migration(random, old),
      () => importing(random),
      () => writing(random, tally),
    ];
    return repeat(tally, minutes, 4, (i) => trials[i % trials.length]!());
  });
}
