import fs from 'node:fs';
import http from 'node:http';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import pino from 'pino';
import { createApp } from './app';
import { openDatabase } from './database';
import { loadDemo, loadFirstOutputs } from './loadDemo';
import { readSettings } from './settings';
import { createStore } from './store';

const LOOPBACK = '127.0.0.1';
const TRIES = 20;

function listen(server: http.Server, port: number): Promise<number> {
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, LOOPBACK, () => {
      server.removeListener('error', reject);
      resolve((server.address() as AddressInfo).port);
    });
  });
}

async function listenOnFree(server: http.Server, port: number, nextFree: boolean): Promise<number> {
  for (let offset = 0; ; offset++) {
    try {
      return await listen(server, port + offset);
    } catch (error) {
      const inUse = (error as NodeJS.ErrnoException).code === 'EADDRINUSE';
      if (!inUse || !nextFree || offset >= TRIES) {
        throw inUse ? new Error(`Port ${port + offset} is in use. Set JAUGE_PORT to a free one.`) : error;
      }
    }
  }
}

async function main(): Promise<void> {
  const settings = readSettings(process.env, process.cwd());
  const logger = pino({ level: settings.logLevel });
  const database = await openDatabase(settings.databaseFile);
  const store = createStore(database);
  if (settings.demo) await loadDemo(store);
  else await loadFirstOutputs(store);
  const hasFiles = fs.existsSync(path.join(settings.distFolder, 'index.html'));
  const app = createApp(store, database, { logger, ...(hasFiles ? { distFolder: settings.distFolder } : {}) });
  const server = http.createServer(app);
  const port = await listenOnFree(server, settings.port, settings.nextFree);
  console.log(`Jauge${settings.demo ? ' with demo data' : ''}: http://${LOOPBACK}:${port}`);
  console.log(`Data: ${settings.databaseFile}. Ctrl-C stops it.`);

  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    server.closeAllConnections();
    server.close(() => {
      database.close().then(
        () => process.exit(0),
        (error: unknown) => {
          logger.error({ err: error }, 'closing the database failed');
          process.exit(1);
        },
      );
    });
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
