import path from 'node:path';
import type { Reading } from '@/contract/schemas/reading';
import { columnValues, columnsOf } from '@/contract/resources';
import { demoBodies } from '@/demo/kit';
import { demoReadings } from '@/demo/readings';
import { openRaw } from '@/server/database/raw';
import { contentHash, rowChecksum } from '@/server/database/rowChecksum';
import { idOf } from './rows';
import { startServer } from './server';
import { report, spreadOf } from './timing';

/** How long the Book takes for one question. */
export async function asked(what: string, url: string, query: string): Promise<void> {
  const times: number[] = [];
  for (let i = 0; i < 5; i++) {
    const begun = performance.now();
    await (await fetch(`${url}/api/v1/readings?limit=60&${query}`)).arrayBuffer();
    times.push(performance.now() - begun);
  }
  report(`Book: ${what} (median)`, spreadOf(times).median, 'ms', 300);
}

/** So many at once, for so long. */
const CLIENTS = 20;
const LOAD_MS = 20_000;

/** Many clients at once that list, search and write: how long each has to wait. */
export async function underLoad(url: string, readings: number): Promise<void> {
  const times: Record<'list' | 'search' | 'write', number[]> = { list: [], search: [], write: [] };
  const end = performance.now() + LOAD_MS;
  let next = 0;
  const client = async (n: number) => {
    // Each goes down the Book as a screen does, part after part, and begins anew at its end.
    const sort = ['newest', 'oldest', 'subject', 'most'][n % 4];
    let after = '';
    while (performance.now() < end) {
      const k = next++;
      const what = (['list', 'search', 'list', 'write'] as const)[k % 4]!;
      const begun = performance.now();
      const answer =
        what === 'list'
          ? await fetch(`${url}/api/v1/readings?limit=60&sort=${sort}${after}`)
          : what === 'search'
            ? await fetch(
                `${url}/api/v1/readings?limit=60&search=${encodeURIComponent(`note ${(k * 7919) % readings}`)}`,
              )
            : await fetch(`${url}/api/v1/bodies`, {
                method: 'POST',
                headers: { 'content-type': 'application/json' },
                body: JSON.stringify({ id: idOf(8e9 + 1000 * n + k), data: demoBodies.ostrel.data }),
              });
      const text = await answer.text();
      if (!answer.ok) throw new Error(`${what} answered ${answer.status}`);
      times[what].push(performance.now() - begun);
      if (what === 'list') {
        const { next } = JSON.parse(text) as { next?: string };
        after = next ? `&after=${next}` : '';
      }
    }
  };
  await Promise.all(Array.from({ length: CLIENTS }, (_, n) => client(n)));
  for (const what of ['list', 'search', 'write'] as const)
    report(`${CLIENTS} clients, ${readings} readings: a ${what}, p95`, spreadOf(times[what]).p95, 'ms', 1000);
}

/** How many readings the file has that is put under load. */
const LOADED = Number(process.env.JAUGE_BENCH_LOADED ?? 1_000_000);
const AT_ONCE = 60;

/** Fills a data file row by row as the server would, only faster: with its columns, checksums and index of words. */
async function fill(file: string, count: number): Promise<void> {
  const raw = await openRaw(file, 'write');
  const reading = demoReadings()[0]!.data as Reading;
  const fields = Object.entries(columnsOf('readings'));
  const columns = [
    'id',
    'version',
    'data',
    'created_at',
    'updated_at',
    'checksum',
    ...fields.map(([, { name }]) => name),
  ];
  await raw.run('PRAGMA synchronous = OFF');
  for (let from = 0; from < count; from += AT_ONCE) {
    if (from % 60_000 === 0) {
      if (from > 0) await raw.run('COMMIT');
      await raw.run('BEGIN');
    }
    const rows = Array.from({ length: Math.min(AT_ONCE, count - from) }, (_, i) => {
      const n = from + i;
      const takenAt = new Date(Date.UTC(2000, 0, 1) + n * 60_000).toISOString();
      const data: Reading = { ...reading, note: `note ${n}`, takenAt };
      const stamp = { version: 1, createdAt: takenAt, updatedAt: takenAt };
      const id = idOf(n + 1);
      const values = columnValues('readings', data);
      return [
        ...[id, 1, JSON.stringify(data), takenAt, takenAt, rowChecksum(contentHash('readings', id, data), stamp)],
        ...fields.map(([field]) => values[field] ?? null),
      ];
    });
    const places = rows.map((row) => `(${row.map(() => '?').join(',')})`).join(',');
    await raw.run(`INSERT INTO readings (${columns.join(',')}) VALUES ${places}`, ...rows.flat());
  }
  await raw.run('COMMIT');
  await raw.close();
}

/** Lists, searches and writes of many clients at once on a file with very many readings. */
export async function benchLoad(folder: string): Promise<void> {
  const file = path.join(folder, 'load.sqlite');
  const first = await startServer(file, false);
  const ended = new Promise((resolve) => first.child.once('exit', resolve));
  first.child.kill('SIGTERM');
  await ended;
  await fill(file, LOADED);
  const { child, url } = await startServer(file, false);
  try {
    await asked('a part, newest first', url, 'sort=newest');
    await asked('a part, by subject', url, 'sort=subject');
    await asked('words looked for', url, `search=${encodeURIComponent('note 777 curlew')}`);
    await underLoad(url, LOADED);
  } finally {
    child.kill('SIGTERM');
  }
}
