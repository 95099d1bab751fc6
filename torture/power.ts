import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { demoSubjects } from '@/demo/kit';
import { demoReadings } from '@/demo/readings';
import { openDatabase } from '@/server/database/openDatabase';
import { createStore } from '@/server/store';
import { finishImport } from '@/server/transfer/importData';
import { afterPowerCut, readIoLog, type IoStep } from './ioReplay';
import { idOf, inFolder, kill, pause, sendJson, startServer } from './server';
import { count, newTally, randomOf, repeat, type Tally } from './tally';

const WRITES = 150;
const IMPORTED = 600;
const subject = demoSubjects.curlew.data;

/** What one run of the server did to its files, and when it acknowledged what. */
interface Recorded {
  folder: string;
  steps: IoStep[];
  writes: { id: string; atNs: bigint }[];
  importedAtNs: bigint;
}

/** Builds the library that writes down what a program does to its files; it needs a C compiler, as building SQLite does. */
function buildLibrary(folder: string): string {
  const library = path.join(folder, 'iolog.so');
  const { status, stderr } = spawnSync(
    'cc',
    ['-shared', '-fPIC', '-O2', '-w', '-o', library, 'torture/iolog.c', '-ldl', '-lpthread'],
    { encoding: 'utf8' },
  );
  if (status !== 0) throw new Error(`The power cuts need a C compiler (cc): ${stderr}`);
  return library;
}

/** Runs a server from its first start through writes and an import, everything written down. */
async function record(at: string): Promise<Recorded> {
  const folder = path.join(at, 'data');
  fs.mkdirSync(folder);
  const log = path.join(at, 'io.log');
  const server = startServer(path.join(folder, 'own.sqlite'), {
    LD_PRELOAD: buildLibrary(at),
    IOLOG_FOLDER: folder,
    IOLOG_FILE: log,
  });
  const url = await server.url;
  if (url === null) throw new Error(server.said());
  const writes: Recorded['writes'] = [];
  const write = async (n: number) => {
    const answer = await sendJson('POST', `${url}/api/v1/subjects`, { id: idOf(n), data: subject });
    if (answer.status === 201) writes.push({ id: idOf(n), atNs: process.hrtime.bigint() });
  };
  for (let n = 1; n <= WRITES / 2; n++) await write(n);
  const reading = demoReadings()[0]!.data;
  const readings = Array.from({ length: IMPORTED }, (_, i) => ({ id: idOf(10_000 + i), data: reading }));
  const importing = sendJson('POST', `${url}/api/v1/import`, {
    format: 'jauge',
    formatVersion: 1,
    rows: { readings },
  }).then(async (answer) => {
    if (!answer.ok) throw new Error(await answer.text());
    return process.hrtime.bigint();
  });
  for (let n = WRITES / 2 + 1; n <= WRITES; n++) await write(n);
  const importedAtNs = await importing;
  // Long enough for the log to be folded in while nothing happens.
  await pause(3500);
  await kill(server);
  return { folder, steps: readIoLog(fs.readFileSync(log)), writes, importedAtNs };
}

async function cut(
  { folder, steps, writes, importedAtNs }: Recorded,
  random: () => number,
  tally: Tally,
): Promise<string[]> {
  const at = Math.floor(random() * steps.length);
  const timeNs = steps[at]!.atNs;
  const files = afterPowerCut(steps.slice(0, at), random);
  return inFolder(async (own) => {
    for (const [name, content] of files) {
      if (name.endsWith('-shm') || name.endsWith('.lock')) continue;
      const target = path.join(own, path.relative(folder, name));
      fs.mkdirSync(path.dirname(target), { recursive: true });
      fs.writeFileSync(target, content);
    }
    const acknowledged = writes.filter((write) => write.atNs < timeNs).map((write) => write.id);
    count(tally, 'acknowledged writes asked for', acknowledged.length);
    try {
      const database = await openDatabase(path.join(own, 'own.sqlite'));
      await finishImport(database);
      const store = createStore(database);
      const present = new Set((await store.list('subjects', 1000, 0)).items.map((row) => row.id));
      const { total } = await store.list('readings', 1, 0);
      await database.close();
      const lost = acknowledged.filter((id) => !present.has(id)).length;
      return [
        ...(lost ? [`${lost} acknowledged writes are lost at step ${at}`] : []),
        ...(total === IMPORTED || (total === 0 && importedAtNs > timeNs)
          ? []
          : [`an import is half there at step ${at}: ${total}`]),
      ];
    } catch (error) {
      return [`does not open at step ${at}: ${(error as Error).message}`];
    }
  });
}

/** Cuts the power at any moment of a server's life, with any part of what was not synced lost. */
export function power(minutes: number, seed: number, wanted = 1000): Promise<Tally> {
  return inFolder(async (folder) => {
    const tally = newTally('power cuts', wanted);
    const random = randomOf(seed);
    const recorded = await record(folder);
    count(tally, 'steps written down', recorded.steps.length);
    return repeat(tally, minutes, 2, () => cut(recorded, random, tally));
  });
}
