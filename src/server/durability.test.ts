import { spawn, type ChildProcess } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { demoSubjects } from '@/demo/kit';
import { demoReadings } from '@/demo/readings';
import { built } from '../../tests/support/built';
import { MIGRATIONS } from './migrations';
import { openDatabase } from './database/openDatabase';
import { createStore } from './store';
import { testId } from './testServer';

const run = (database: string, env: Record<string, string> = {}, ...args: string[]) =>
  spawn(process.execPath, ['build/server.cjs', ...args], {
    env: { ...process.env, JAUGE_DATABASE: database, JAUGE_PORT: '0', JAUGE_DIST: '/nonexistent', ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });

/** Starts the real server as its own process and gives its address. */
function startServer(database: string): Promise<{ child: ChildProcess; url: string }> {
  const child = run(database);
  return new Promise((resolve, reject) => {
    let text = '';
    child.stderr.on('data', (chunk: Buffer) => (text += chunk.toString()));
    child.stdout.on('data', (chunk: Buffer) => {
      text += chunk.toString();
      const url = /http:\/\/[\d.]+:\d+/.exec(text)?.[0];
      if (url) resolve({ child, url });
    });
    child.on('exit', (code) => reject(new Error(`server ended with ${code} before it listened: ${text}`)));
  });
}

/** Runs it until it ends by itself: its code and all it said. */
function runToEnd(
  database: string,
  env: Record<string, string> = {},
  ...args: string[]
): Promise<{ code: number | null; text: string }> {
  const child = run(database, env, ...args);
  let text = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk: Buffer) => (text += chunk.toString()));
  return new Promise((resolve) => child.on('exit', (code) => resolve({ code, text })));
}

const totalOf = async (url: string, resource: string) =>
  ((await (await fetch(`${url}/api/v1/${resource}?limit=1`)).json()) as { total: number }).total;
const kill = async (child: ChildProcess) => {
  const gone = ended(child);
  child.kill('SIGKILL');
  await gone;
};

const ended = (child: ChildProcess) =>
  new Promise<number | null>((resolve) => child.on('exit', (code) => resolve(code)));

// A shared machine may be ten times slower for a while.
jest.setTimeout(300_000);

beforeAll(() => built('buildServer'));

let folder: string;
beforeEach(() => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-kill-'));
});
afterEach(() => fs.rmSync(folder, { recursive: true, force: true }));

it('keeps every acknowledged write when it is killed in the middle of writing', async () => {
  const database = path.join(folder, 'kill.sqlite');
  const first = await startServer(database);
  const acknowledged: string[] = [];
  let next = 0;
  let killed = false;
  const writer = async () => {
    while (!killed) {
      const id = testId(next++);
      try {
        const response = await fetch(`${first.url}/api/v1/subjects`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ id, data: demoSubjects.curlew.data }),
        });
        if (response.status === 201) acknowledged.push(id);
      } catch {
        // The kill cut this one off: it was not acknowledged, so it may be there or not.
      }
    }
  };
  const writers = [writer(), writer(), writer(), writer()];
  while (acknowledged.length < 60) await new Promise((resolve) => setTimeout(resolve, 5));
  first.child.kill('SIGKILL');
  killed = true;
  await ended(first.child).catch(() => null);
  await Promise.all(writers);

  const second = await startServer(database);
  const page = (await (await fetch(`${second.url}/api/v1/subjects?limit=1000`)).json()) as { items: { id: string }[] };
  const present = new Set(page.items.map((item) => item.id));
  expect(acknowledged.filter((id) => !present.has(id))).toEqual([]);
  expect(acknowledged.length).toBeGreaterThanOrEqual(60);

  // Asked to stop, it stops cleanly.
  second.child.kill('SIGINT');
  expect(await ended(second.child)).toBe(0);
});

it('starts whole after a kill at any moment of its first start', async () => {
  for (const ms of [300, 900, 1300]) {
    const database = path.join(folder, `first-${ms}.sqlite`);
    const child = run(database);
    await new Promise((resolve) => setTimeout(resolve, ms));
    await kill(child);
    const again = await startServer(database);
    expect(await totalOf(again.url, 'outputs')).toBe(3);
    await kill(again.child);
  }
});

it('brings an older file up to date over a kill', async () => {
  const database = path.join(folder, 'old.sqlite');
  const made = await openDatabase(database);
  for (let i = 1; i <= 20; i++) await createStore(made).create('subjects', testId(i), demoSubjects.curlew.data);
  await MIGRATIONS.at(-1)!.down(made.writer.getQueryInterface());
  await made.writer.query(`DELETE FROM SequelizeMeta WHERE name = '${MIGRATIONS.at(-1)!.name}'`);
  await made.close();
  const child = run(database);
  await new Promise((resolve) => setTimeout(resolve, 1000));
  await kill(child);
  const again = await startServer(database);
  expect(await totalOf(again.url, 'subjects')).toBe(20);
  await kill(again.child);
});

it('takes a file in wholly or not at all over a kill', async () => {
  const reading = demoReadings()[0]!.data;
  const body = JSON.stringify({
    format: 'jauge',
    formatVersion: 1,
    rows: { readings: Array.from({ length: 1000 }, (_, i) => ({ id: testId(i + 1), data: reading })) },
  });
  for (const ms of [60, 500]) {
    const database = path.join(folder, `import-${ms}.sqlite`);
    const first = await startServer(database);
    const sending = fetch(`${first.url}/api/v1/import`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body,
    }).then(
      (answer) => answer.ok,
      () => false,
    );
    await new Promise((resolve) => setTimeout(resolve, ms));
    await kill(first.child);
    const acknowledged = await sending;
    const again = await startServer(database);
    const total = await totalOf(again.url, 'readings');
    expect(acknowledged ? [1000] : [0, 1000]).toContain(total);
    await kill(again.child);
  }
});

it('says where another server has its file, which port is taken, and what is wrong with a file, and leads back', async () => {
  const database = path.join(folder, 'own.sqlite');
  const first = await startServer(database);
  expect(await runToEnd(database)).toMatchObject({
    code: 1,
    text: expect.stringContaining(`open ${first.url}`) as string,
  });
  const busy = await runToEnd(path.join(folder, 'other.sqlite'), { JAUGE_PORT: new URL(first.url).port });
  expect(busy).toMatchObject({
    code: 1,
    text: expect.stringMatching(/Port \d+ is in use .* JAUGE_PORT=\d+ npm start/) as string,
  });
  await fetch(`${first.url}/api/v1/subjects`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ id: testId(1), data: demoSubjects.curlew.data }),
  });
  await fetch(`${first.url}/api/v1/backups`, { method: 'POST' });
  first.child.kill('SIGINT');
  expect(await ended(first.child)).toBe(0);
  expect((await runToEnd(database, {}, '--restore')).text).toMatch(/in order, so nothing was done[^]*-by-hand\.sqlite/);
  fs.writeFileSync(database, 'spoilt');
  expect(await runToEnd(database)).toMatchObject({
    code: 1,
    text: expect.stringMatching(/own\.sqlite is damaged: it is not a database\..*npm run restore/) as string,
  });
  expect(await runToEnd(database, {}, '--restore')).toMatchObject({
    code: 0,
    text: expect.stringMatching(/Brought back own-.*put aside/s) as string,
  });
  const again = await startServer(database);
  expect(await totalOf(again.url, 'subjects')).toBe(1);
  await kill(again.child);
});

it('says which setting is wrong instead of starting with it', async () => {
  expect(await runToEnd(path.join(folder, 'x.sqlite'), { JAUGE_PORT: 'eleven' })).toMatchObject({
    code: 1,
    text: expect.stringContaining('JAUGE_PORT') as string,
  });
});
