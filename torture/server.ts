import { spawn, type ChildProcess } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

/** The built server as a process of its own, to be killed. */
export interface Running {
  child: ChildProcess;
  /** Where it answers, once it does; null when it ended before. */
  url: Promise<string | null>;
  ended: Promise<number | null>;
  /** What it said on its way down. */
  said: () => string;
}

export function startServer(file: string, env: Record<string, string> = {}, words: string[] = []): Running {
  const child = spawn(process.execPath, ['build/server.cjs', ...words], {
    env: { ...process.env, JAUGE_DATABASE: file, JAUGE_PORT: '0', JAUGE_DIST: '/nonexistent', ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let text = '';
  child.stderr.on('data', (chunk: Buffer) => (text += chunk.toString()));
  const ended = new Promise<number | null>((resolve) => child.on('exit', resolve));
  const url = new Promise<string | null>((resolve) => {
    child.stdout.on('data', (chunk: Buffer) => {
      text += chunk.toString();
      const found = /http:\/\/[\d.]+:\d+/.exec(text)?.[0];
      if (found) resolve(found);
    });
    void ended.then(() => resolve(null));
  });
  return { child, url, ended, said: () => text };
}

export async function kill({ child, ended }: Running): Promise<void> {
  child.kill('SIGKILL');
  await ended;
}

export const idOf = (n: number): string => `10000000-0000-4000-8000-${String(n).padStart(12, '0')}`;

export async function inFolder<T>(work: (folder: string) => Promise<T>): Promise<T> {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-torture-'));
  try {
    return await work(folder);
  } finally {
    fs.rmSync(folder, { recursive: true, force: true });
  }
}

export async function get<T>(url: string): Promise<T> {
  return (await (await fetch(url)).json()) as T;
}

export const sendJson = (method: string, url: string, body: unknown): Promise<Response> =>
  fetch(url, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });

export const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
