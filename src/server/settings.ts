import os from 'node:os';
import path from 'node:path';

/** How the server is run; all from the environment, nothing is asked. */
export interface Settings {
  /** Port on the loopback interface. With `nextFree` the next free one is taken when it is in use. */
  port: number;
  nextFree: boolean;
  databaseFile: string;
  distFolder: string;
  demo: boolean;
  logLevel: string;
}

/** The person's data folder: JAUGE_DATA_DIR, else the place the system keeps such data in. */
export function dataFolder(env: NodeJS.ProcessEnv): string {
  if (env.JAUGE_DATA_DIR) return path.resolve(env.JAUGE_DATA_DIR);
  const base = env.XDG_DATA_HOME ?? path.join(os.homedir(), '.local', 'share');
  return path.join(base, 'jauge');
}

/** Reads the settings; a value that makes no sense stops the start with a message. */
export function readSettings(env: NodeJS.ProcessEnv, root: string): Settings {
  const port = Number(env.JAUGE_PORT ?? 4100);
  if (!Number.isInteger(port) || port < 0 || port > 65535) {
    throw new Error(`JAUGE_PORT is “${env.JAUGE_PORT}”, but must be a whole number from 0 to 65535.`);
  }
  const demo = env.JAUGE_DEMO === '1';
  return {
    port,
    // The demo's data wait nowhere else; one's own must not slip to another address.
    nextFree: demo && env.JAUGE_PORT === undefined,
    databaseFile:
      env.JAUGE_DATABASE ??
      (demo ? path.join(root, '.demo', 'demo.sqlite') : path.join(dataFolder(env), 'jauge.sqlite')),
    distFolder: env.JAUGE_DIST ?? path.join(root, 'dist'),
    demo,
    logLevel: env.JAUGE_LOG ?? 'warn',
  };
}
