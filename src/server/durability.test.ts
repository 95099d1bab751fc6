import { spawn, type ChildProcess } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { demoSubjects } from '@/demo/kit';
import { testId } from './testServer';

/** Starts the real server as its own process and gives its address. */
function startServer(database: string): Promise<{ child: ChildProcess; url: string }> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'src/server/main.ts'], {
    env: { ...process.env, JAUGE_DATABASE: database, JAUGE_PORT: '0', JAUGE_DIST: '/nonexistent' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  return new Promise((resolve, reject) => {
    let text = '';
    child.stdout.on('data', (chunk: Buffer) => {
      text += chunk.toString();
      const url = /http:\/\/[\d.]+:\d+/.exec(text)?.[0];
      if (url) resolve({ child, url });
    });
    child.on('exit', (code) => reject(new Error(`server ended with ${code} before it listened`)));
  });
}

const ended = (child: ChildProcess) => new Promise<number | null>((resolve) => child.on('exit', (code) => resolve(code)));

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
          method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ id, data: demoSubjects.curlew.data }),
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

it('says which setting is wrong instead of starting with it', async () => {
  const child = spawn(process.execPath, ['--import', 'tsx', 'src/server/main.ts'], { env: { ...process.env, JAUGE_PORT: 'eleven', JAUGE_DATABASE: path.join(folder, 'x.sqlite') }, stdio: ['ignore', 'ignore', 'pipe'] });
  let text = '';
  child.stderr.on('data', (chunk: Buffer) => (text += chunk.toString()));
  expect(await ended(child)).toBe(1);
  expect(text).toContain('JAUGE_PORT');
});
