import fs from 'node:fs';
import { createRequire } from 'node:module';
import os from 'node:os';
import path from 'node:path';
import type * as Built from '../../src/server/main';
import type { Serving } from '../../src/server/serve';

/** The built server within this process: loading it takes longer than all else of a start. */
const { readSettings, serve } = createRequire(__filename)('../../build/server.cjs') as typeof Built;

const starts = (database: string, port: number, demo: boolean, words: string[], env: Record<string, string> = {}) =>
  serve(
    readSettings(
      {
        ...process.env,
        JAUGE_DATABASE: database,
        JAUGE_PORT: String(port),
        JAUGE_DEMO: demo ? '1' : '',
        ...env,
      },
      process.cwd(),
      words,
    ),
  );

const firstFiles = new Map<boolean, Promise<string>>();

/** A database as a first start leaves it, with the demo data or without: making it takes longer than opening it. */
function firstFile(demo: boolean): Promise<string> {
  const make = async (): Promise<string> => {
    const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-first-'));
    process.on('exit', () => fs.rmSync(folder, { recursive: true, force: true }));
    const file = path.join(folder, 'first.sqlite');
    await (await starts(file, 0, demo, [])).close();
    return file;
  };
  const file = firstFiles.get(demo) ?? make();
  firstFiles.set(demo, file);
  return file;
}

/** The built server on a fresh database, stopped and started at will. */
export class JaugeServer {
  private serving: Serving | null = null;
  private readonly folder = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-e2e-'));
  url = '';

  /**
   * @param words what stands on the command line
   * @param port where it listens; 0 for any that is free
   */
  constructor(
    private readonly demo: boolean,
    private readonly words: string[] = [],
    public port = 0,
  ) {}

  /** Where the authority of its certificate lies. */
  get authority(): string {
    return path.join(this.folder, 'lan', 'authority.pem');
  }

  /** @param env how this start differs from the usual one */
  async start(env: Record<string, string> = {}): Promise<void> {
    const file = path.join(this.folder, 'e2e.sqlite');
    if (!fs.existsSync(file)) fs.copyFileSync(await firstFile(this.demo), file);
    this.serving = await starts(file, this.port, this.demo, this.words, env);
    this.url = this.serving.address;
    // A server that comes back must be where the page looks for it.
    this.port = this.serving.port;
  }

  async stop(): Promise<void> {
    const serving = this.serving;
    this.serving = null;
    await serving?.close();
  }

  async dispose(): Promise<void> {
    await this.stop();
    fs.rmSync(this.folder, { recursive: true, force: true });
  }
}
