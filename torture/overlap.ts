import fs from 'node:fs';
import http from 'node:http';
import path from 'node:path';
import { demoReadings } from '@/demo/readings';
import { get, idOf, inFolder, kill, pause, sendJson, startServer } from './server';
import { count, newTally, randomOf, repeat, type Tally } from './tally';

type Random = () => number;
const reading = demoReadings()[0]!.data;
const READINGS = 600;
/** How long a cut stream may hold its place, ms. */
const PATIENCE_MS = 3000;

/** What may run at the same time: each resolves to its status, or to null where it was cut. */
const JOBS: Record<string, (url: string, backup: string) => Promise<number | null>> = {
  import: (url) =>
    sendJson('POST', `${url}/api/v1/import`, {
      format: 'jauge',
      formatVersion: 1,
      rows: { readings: Array.from({ length: READINGS }, (_, i) => ({ id: idOf(i + 1), data: reading })) },
    }).then((answer) => answer.status),
  restore: (url, backup) =>
    sendJson('POST', `${url}/api/v1/backups/${backup}/restore`, {}).then((answer) => answer.status),
  backup: (url) => sendJson('POST', `${url}/api/v1/backups`, {}).then((answer) => answer.status),
  empty: (url) =>
    sendJson('POST', `${url}/api/v1/import?existing=only`, {
      format: 'jauge',
      formatVersion: 1,
      rows: { readings: [] },
    }).then((answer) => answer.status),
  export: (url) => fetch(`${url}/api/v1/export`).then(async (answer) => (await answer.text(), answer.status)),
  update: (url) =>
    sendJson('POST', `${url}/api/v1/readings`, { id: idOf(9_000_001), data: reading }).then((a) => a.status),
};

/** How many readings may be there after these two, in either order, or after one alone. */
function mayRemain(names: readonly string[]): Set<number> {
  const after = (order: readonly string[]) =>
    order.reduce((rows, name) => {
      if (name === 'import') return READINGS;
      if (name === 'restore' || name === 'empty') return 0;
      return rows;
    }, 0);
  const [a, b] = names as [string, string];
  const plain = new Set([0, after([a]), after([b]), after([a, b]), after([b, a])]);
  // One more row where a change was among them.
  return names.includes('update') ? new Set([...plain].flatMap((rows) => [rows, rows + 1])) : plain;
}

const soundOf = async (url: string): Promise<string[]> => {
  const { damaged, structure } = (await (await sendJson('POST', `${url}/api/v1/soundness`, {})).json()) as {
    damaged: unknown[];
    structure: string[];
  };
  return damaged.length + structure.length
    ? [`damaged afterwards: ${JSON.stringify({ damaged, structure }).slice(0, 200)}`]
    : [];
};

/** Two jobs at once, and perhaps a kill in between; what is there afterwards must be what one of them made. */
const pair = (random: Random, tally: Tally) =>
  inFolder(async (folder) => {
    const file = path.join(folder, 'own.sqlite');
    const first = startServer(file);
    const url = await first.url;
    if (url === null) return [`does not start: ${first.said()}`];
    const { name: backup } = (await (await sendJson('POST', `${url}/api/v1/backups`, {})).json()) as { name: string };
    const names = Object.keys(JOBS);
    const two = [names[Math.floor(random() * names.length)]!, names[Math.floor(random() * names.length)]!];
    const faults: string[] = [];
    const statuses = two.map(async (name, i) => {
      await pause(i * random() * 200);
      return JOBS[name]!(url, backup).catch(() => null);
    });
    const kills = random() < 0.4;
    if (kills) {
      await pause(random() * 600);
      await kill(first);
    }
    for (const status of await Promise.all(statuses))
      if (status !== null && status >= 500) faults.push(`${two.join(' with ')}: an answer of ${status}`);
    count(tally, kills ? 'with a kill' : 'without a kill');
    let at = url;
    let running = first;
    if (kills) {
      running = startServer(file);
      const again = await running.url;
      if (again === null) return [`does not start after ${two.join(' with ')}: ${running.said()}`];
      at = again;
    }
    const { total } = await get<{ total: number }>(`${at}/api/v1/readings?limit=1`);
    if (!mayRemain(two).has(total))
      faults.push(`${two.join(' with ')}${kills ? ' and a kill' : ''}: ${total} readings`);
    faults.push(...(await soundOf(at)));
    await kill(running);
    return faults;
  });

/** An export cut at any moment; afterwards two more must be possible, and the log must be folded in. */
const cutStream = (random: Random, tally: Tally) =>
  inFolder(async (folder) => {
    const file = path.join(folder, 'own.sqlite');
    const server = startServer(file);
    const url = (await server.url)!;
    await JOBS.import!(url, '');
    for (let i = 0; i < 4; i++)
      await new Promise<void>((resolve) => {
        const asked = http.get(`${url}/api/v1/export`, (answer) => {
          let bytes = 0;
          const most = random() * 2e6;
          answer.on('data', (chunk: Buffer) => (bytes += chunk.length) > most && answer.destroy());
          answer.on('error', () => undefined);
        });
        asked.on('error', () => undefined);
        asked.on('close', () => resolve());
        if (random() < 0.2) setTimeout(() => asked.destroy(), random() * 30);
      });
    count(tally, 'streams cut', 4);
    const faults: string[] = [];
    // The server hears of a cut a moment later: a place that is never given back is the fault.
    const exported = async (): Promise<Response> => {
      const end = Date.now() + PATIENCE_MS;
      for (;;) {
        const answer = await fetch(`${url}/api/v1/export`);
        if (answer.status !== 429 || Date.now() > end) return answer;
        await pause(100);
      }
    };
    for (const answer of await Promise.all([exported(), exported()])) {
      if (answer.status !== 200) faults.push(`an export after cut ones answers ${answer.status}`);
      await answer.arrayBuffer();
    }
    await kill(server);
    return faults;
  });

/** The data file moved, deleted, replaced or written over while changes arrive: none may be acknowledged and lost. */
const replacedFile = (random: Random, tally: Tally) =>
  inFolder(async (folder) => {
    const file = path.join(folder, 'own.sqlite');
    const server = startServer(file);
    const url = (await server.url)!;
    const put = (n: number) => sendJson('POST', `${url}/api/v1/readings`, { id: idOf(n), data: reading });
    await put(1);
    await pause(random() * 100);
    fs.copyFileSync(file, `${file}.copy`);
    const how = Math.floor(random() * 3);
    if (how === 0) fs.renameSync(file, `${file}.moved`);
    else if (how === 1) fs.rmSync(file);
    else fs.renameSync(`${file}.copy`, file);
    count(tally, 'files replaced');
    const faults: string[] = [];
    for (let n = 2; n < 5; n++) {
      const answer = await put(n);
      if (answer.status < 500)
        faults.push(`a change after the file was ${['moved', 'deleted', 'replaced'][how]} answers ${answer.status}`);
    }
    await kill(server);
    return faults;
  });

/** Overlapping jobs, streams cut, files replaced. */
export function overlap(minutes: number, seed: number, wanted = 500): Promise<Tally> {
  const random = randomOf(seed);
  const tally = newTally('overlapping jobs, cut streams, replaced files', wanted);
  const trials = [
    () => pair(random, tally),
    () => pair(random, tally),
    () => cutStream(random, tally),
    () => replacedFile(random, tally),
  ];
  return repeat(tally, minutes, 2, (i) => trials[i % trials.length]!());
}
