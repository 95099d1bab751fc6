import { spawn, type ChildProcess } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const starts = (database: string, port: number, demo: boolean, words: string[], env: Record<string, string> = {}) =>
  spawn(process.execPath, ['build/server.cjs', ...words], {
    env: {
      ...process.env,
      JAUGE_DATABASE: database,
      JAUGE_PORT: String(port),
      ...(demo ? { JAUGE_DEMO: '1' } : {}),
      ...env,
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });

/** Address a server says it listens at. */
const addressOf = (child: ReturnType<typeof starts>): Promise<string> =>
  new Promise((resolve, reject) => {
    let text = '';
    child.stdout.on('data', (chunk: Buffer) => {
      text += chunk.toString();
      const found = /http:\/\/[\d.]+:\d+/.exec(text)?.[0];
      if (found) resolve(found);
    });
    child.on('exit', (code) => reject(new Error(`server ended with ${code}`)));
  });

async function ended(child: ChildProcess): Promise<void> {
  const gone = new Promise((resolve) => child.on('exit', resolve));
  child.kill('SIGTERM');
  await gone;
}

const firstFiles = new Map<boolean, Promise<string>>();

/** A database as a first start leaves it, with the demo data or without: making it takes longer than all else of a start. */
function firstFile(demo: boolean): Promise<string> {
  const make = async (): Promise<string> => {
    const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-first-'));
    process.on('exit', () => fs.rmSync(folder, { recursive: true, force: true }));
    const file = path.join(folder, 'first.sqlite');
    const child = starts(file, 0, demo, []);
    await addressOf(child);
    await ended(child);
    return file;
  };
  const file = firstFiles.get(demo) ?? make();
  firstFiles.set(demo, file);
  return file;
}

/** The built server as its own process, on a fresh database, stopped and started at will. */
export class JaugeServer {
  private child: ChildProcess | null = null;
  private readonly folder = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-e2e-'));
  url = '';
  private port = 0;

  /** @param words what stands on the command line */
  constructor(
    private readonly demo: boolean,
    private readonly words: string[] = [],
  ) {}

  /** Where the authority of its certificate lies. */
  get authority(): string {
    return path.join(this.folder, 'lan', 'authority.pem');
  }

  /** @param env how this start differs from the usual one */
  async start(env: Record<string, string> = {}): Promise<void> {
    const file = path.join(this.folder, 'e2e.sqlite');
    if (!fs.existsSync(file)) fs.copyFileSync(await firstFile(this.demo), file);
    const child = starts(file, this.port, this.demo, this.words, env);
    this.child = child;
    this.url = await addressOf(child);
    // A server that comes back must be where the page looks for it.
    this.port = Number(new URL(this.url).port);
  }

  async stop(): Promise<void> {
    const child = this.child;
    if (!child) return;
    this.child = null;
    await ended(child);
  }

  async dispose(): Promise<void> {
    await this.stop();
    fs.rmSync(this.folder, { recursive: true, force: true });
  }
}
