import fs from 'node:fs';
import type http from 'node:http';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import pino from 'pino';
import { createApp } from './app';
import { openDatabase } from './database/openDatabase';
import { ownFolder } from './database/files';
import { storageFaultOf } from './database/storageFault';
import { httpServer } from './httpServer';
import { loadFirstOutputs } from './firstOutputs';
import { loadDemo } from './loadDemo';
import { maintainHourly } from './maintenance';
import { restoreCommand } from './restoreCommand';
import { dataFolder, readSettings, type Settings } from './settings';
import { createStore } from './store';
import { finishImport } from './transfer/importData';

const LOOPBACK = '127.0.0.1';
const TRIES = 20;
/** Longest a stop waits for what is just being answered, ms. */
const STOP_MS = 5000;

function listen(server: http.Server, port: number): Promise<number> {
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, LOOPBACK, () => {
      server.removeListener('error', reject);
      resolve((server.address() as AddressInfo).port);
    });
  });
}

/** Listens on the port, or where that is allowed on the next free one. */
async function listenOn(server: http.Server, { port, nextFree }: Settings): Promise<number> {
  for (let offset = 0; ; offset++) {
    try {
      return await listen(server, port + offset);
    } catch (error) {
      const inUse = (error as NodeJS.ErrnoException).code === 'EADDRINUSE';
      if (inUse && nextFree && offset < TRIES) continue;
      // Not another port by itself: what waits in the browser to be sent is kept under this address.
      throw inUse
        ? new Error(
            `Port ${port + offset} is in use by another program. Stop that program, or choose another port: JAUGE_PORT=${port + offset + 1} npm start`,
          )
        : error;
    }
  }
}

async function start(settings: Settings): Promise<void> {
  const logger = pino({ level: settings.logLevel });
  const database = await openDatabase(settings.databaseFile, async (fresh) => {
    const store = createStore(fresh);
    if (settings.demo) await loadDemo(store);
    else await loadFirstOutputs(store);
  });
  await finishImport(database);
  const store = createStore(database);
  const hasFiles = fs.existsSync(path.join(settings.distFolder, 'index.html'));
  const server = httpServer(
    createApp(store, database, { logger, ...(hasFiles ? { distFolder: settings.distFolder } : {}) }),
  );
  const port = await listenOn(server, settings).catch(async (error: unknown) => {
    await database.close();
    throw error;
  });
  const address = `http://${LOOPBACK}:${port}`;
  database.lock.tell(address);
  const stopMaintaining = maintainHourly(database, logger);
  if (settings.nextFree && port !== settings.port)
    console.log(`Port ${settings.port} is in use, so this is on ${port}.`);
  console.log(`Jauge${settings.demo ? ' with demo data' : ''}: ${address}`);
  console.log(`Data: ${settings.databaseFile}. Ctrl-C stops it.`);

  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    stopMaintaining();
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), STOP_MS).unref();
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

async function main([command, wanted]: string[]): Promise<void> {
  process.umask(0o077);
  const settings = readSettings(process.env, process.cwd());
  if (settings.databaseFile.startsWith(dataFolder(process.env) + path.sep)) ownFolder(dataFolder(process.env));
  try {
    if (command === '--restore')
      for (const line of await restoreCommand(settings.databaseFile, wanted)) console.log(line);
    else await start(settings);
  } catch (error) {
    throw storageFaultOf(error, settings.databaseFile) ?? error;
  }
}

main(process.argv.slice(2)).catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
