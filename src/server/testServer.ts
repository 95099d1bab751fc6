import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import pino from 'pino';
import { createApp } from './app';
import { openDatabase, type Database } from './database/openDatabase';
import { createStore, type Store } from './store';

let emptyFile: Promise<string> | null = null;

/** An empty database as a first start leaves it: making one takes several times as long as opening a copy. */
async function makeEmptyFile(): Promise<string> {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-empty-'));
  const file = path.join(folder, 'empty.sqlite');
  await (await openDatabase(file)).close();
  return file;
}

afterAll(async () => {
  if (emptyFile) fs.rmSync(path.dirname(await emptyFile), { recursive: true, force: true });
});

/** A server on a real database file in a temporary folder, for tests. */
export interface TestServer {
  app: ReturnType<typeof createApp>;
  store: Store;
  database: Database;
  file: string;
  close: () => Promise<void>;
}

export async function openTestServer(options: { distFolder?: string } = {}): Promise<TestServer> {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-test-'));
  const file = path.join(folder, 'test.sqlite');
  fs.copyFileSync(await (emptyFile ??= makeEmptyFile()), file);
  const database = await openDatabase(file);
  const store = createStore(database);
  const app = createApp(store, database, { logger: pino({ level: 'silent' }), ...options });
  const server: TestServer = {
    app,
    store,
    database,
    file,
    close: async () => {
      await server.database.close();
      fs.rmSync(folder, { recursive: true, force: true });
    },
  };
  return server;
}

/** A UUID that ends in a number, for rows of a test. */
export const testId = (n: number): string => `10000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
