import { spawn, type ChildProcess } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

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
    const child = spawn(process.execPath, ['build/server.cjs', ...this.words], {
      env: {
        ...process.env,
        JAUGE_DATABASE: path.join(this.folder, 'e2e.sqlite'),
        JAUGE_PORT: String(this.port),
        ...(this.demo ? { JAUGE_DEMO: '1' } : {}),
        ...env,
      },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    this.child = child;
    this.url = await new Promise<string>((resolve, reject) => {
      let text = '';
      child.stdout.on('data', (chunk: Buffer) => {
        text += chunk.toString();
        const found = /http:\/\/[\d.]+:\d+/.exec(text)?.[0];
        if (found) resolve(found);
      });
      child.on('exit', (code) => reject(new Error(`server ended with ${code}`)));
    });
    // A server that comes back must be where the page looks for it.
    this.port = Number(new URL(this.url).port);
  }

  async stop(): Promise<void> {
    const child = this.child;
    if (!child) return;
    this.child = null;
    const ended = new Promise((resolve) => child.on('exit', resolve));
    child.kill('SIGTERM');
    await ended;
  }

  async dispose(): Promise<void> {
    await this.stop();
    fs.rmSync(this.folder, { recursive: true, force: true });
  }
}
