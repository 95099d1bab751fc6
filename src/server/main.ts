import fs from 'node:fs';
import type http from 'node:http';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import pino from 'pino';
import { createApp } from './app';
import { openDatabase, type Database } from './database/openDatabase';
import { ownFolder } from './database/files';
import { storageFaultOf } from './database/storageFault';
import { httpServer } from './httpServer';
import { listenAddresses } from './lan/addresses';
import { openHome, type Home } from './lan/home';
import { listenAtHome, namesFor } from './lan/listener';
import { homeLines, offerLine } from './lan/words';
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
  const home = settings.lan ? await homeOf(database, settings.lan) : null;
  const options = {
    logger,
    ...(hasFiles ? { distFolder: settings.distFolder } : {}),
    ...(home ? { home } : {}),
  };
  const server = httpServer(createApp(store, database, options));
  const closing = async (error: unknown): Promise<never> => {
    await database.close();
    throw error;
  };
  const port = await listenOn(server, settings).catch(closing);
  const atHome =
    home &&
    (await listenAtHome(createApp(store, database, { ...options, door: 'home' }), home, {
      ...settings.lan!,
      logger,
    }).catch(closing));
  const address = `http://${LOOPBACK}:${port}`;
  database.lock.tell(address);
  const stopMaintaining = maintainHourly(database, logger);
  if (settings.nextFree && port !== settings.port)
    console.log(`Port ${settings.port} is in use, so this is on ${port}.`);
  console.log(`Jauge${settings.demo ? ' with demo data' : ''}: ${address}`);
  console.log(`Data: ${settings.databaseFile}. Ctrl-C stops it.`);
  if (home) await tellOfHome(home, address);

  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    stopMaintaining();
    atHome?.close();
    process.stdin.pause();
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

/** The home network's side, with what vouches for it beside the data file. */
const homeOf = (database: Database, { wanted }: { wanted: string }): Promise<Home> =>
  openHome(database, path.join(path.dirname(database.file), 'lan'), namesFor(listenAddresses(wanted)));

/** Says in the terminal how a phone comes in; Enter shows a code there, for a computer without a screen. */
async function tellOfHome(home: Home, address: string): Promise<void> {
  const [first, ...others] = home.urls();
  for (const line of await homeLines(first!, others, address, home.identity().fingerprint)) console.log(line);
  if (process.stdin.isTTY) process.stdin.on('data', () => console.log(offerLine(home.pairing.offer())));
}

async function main(words: string[]): Promise<void> {
  process.umask(0o077);
  const [command, wanted] = words;
  const settings = readSettings(process.env, process.cwd(), command === '--restore' ? [] : words);
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
