import path from 'node:path';
import { ownFolder } from './database/files';
import { storageFaultOf } from './database/storageFault';
import type { Home } from './lan/home';
import { homeLines, offerLine } from './lan/words';
import { checkCommand } from './checkCommand';
import { restoreCommand } from './restoreCommand';
import { serve, type Serving } from './serve';
import { dataFolder, readSettings, type Settings } from './settings';

/** Serves until it is told to stop, and says where. */
async function start(settings: Settings): Promise<void> {
  const serving = await serve(settings);
  const { port, address, home } = serving;
  if (settings.nextFree && port !== settings.port)
    console.log(`Port ${settings.port} is in use, so this is on ${port}.`);
  console.log(`Jauge${settings.demo ? ' with demo data' : ''}: ${address}`);
  console.log(`Data: ${settings.databaseFile}. Ctrl-C stops it.`);
  if (home) await tellOfHome(home, address);
  stopWhenTold(serving);
}

function stopWhenTold({ close, logger }: Serving): void {
  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    process.stdin.pause();
    close().then(
      () => process.exit(0),
      (error: unknown) => {
        logger.error({ err: error }, 'closing the database failed');
        process.exit(1);
      },
    );
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

/** Says in the terminal how a phone comes in; Enter shows a code there, for a computer without a screen. */
async function tellOfHome(home: Home, address: string): Promise<void> {
  const [first, ...others] = home.urls();
  for (const line of await homeLines(first!, others, address, home.identity().fingerprint)) console.log(line);
  if (process.stdin.isTTY) process.stdin.on('data', () => console.log(offerLine(home.pairing.offer())));
}

async function main(words: string[]): Promise<void> {
  process.umask(0o077);
  const [command, wanted] = words;
  const settings = readSettings(
    process.env,
    process.cwd(),
    command === '--restore' || command === '--check' ? [] : words,
  );
  if (settings.databaseFile.startsWith(dataFolder(process.env) + path.sep)) ownFolder(dataFolder(process.env));
  try {
    if (command === '--restore')
      for (const line of await restoreCommand(settings.databaseFile, wanted)) console.log(line);
    else if (command === '--check') {
      const { lines, sound } = await checkCommand(settings.databaseFile);
      for (const line of lines) console.log(line);
      process.exitCode = sound ? 0 : 1;
    } else await start(settings);
  } catch (error) {
    throw storageFaultOf(error, settings.databaseFile) ?? error;
  }
}

// The browser tests open it as a part of themselves, and start it a hundred times in one process.
if (require.main === module)
  main(process.argv.slice(2)).catch((error: unknown) => {
    console.error(error instanceof Error ? error.message : error);
    process.exit(1);
  });

export { readSettings, serve };
