import os from 'node:os';
import path from 'node:path';

/** How the server is run; all from the environment, nothing is asked. */
export interface Settings {
  /** Port on the loopback interface. With `nextFree` the next free one is taken when it is in use. */
  port: number;
  nextFree: boolean;
  /** Port on the addresses of the home network, and those asked for; null for this computer alone. */
  lan: { wanted: string; port: number } | null;
  databaseFile: string;
  distFolder: string;
  demo: boolean;
  /** A missing data file may be made anew, though there was one. */
  mayBeNew: boolean;
  logLevel: string;
}

/** The person's data folder: JAUGE_DATA_DIR, else the place the system keeps such data in. */
export function dataFolder(env: NodeJS.ProcessEnv): string {
  if (env.JAUGE_DATA_DIR) return path.resolve(env.JAUGE_DATA_DIR);
  const base = env.XDG_DATA_HOME ?? path.join(os.homedir(), '.local', 'share');
  return path.join(base, 'jauge');
}

function portOf(env: NodeJS.ProcessEnv, name: string, usual: number): number {
  const port = Number(env[name] ?? usual);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new Error(`${name} is “${env[name]}”, but must be a whole number from 0 to 65535.`);
  return port;
}

/** What was asked for on the command line: `--lan`, or `--lan=` with addresses. */
function lanOf(words: string[]): string | null {
  const known = /^--lan(=(.*))?$/;
  const odd = words.find((word) => !known.test(word));
  if (odd !== undefined) throw new Error(`“${odd}” is not known. There are --lan, --lan=192.168.1.20, and --new.`);
  const word = words.at(-1);
  return word === undefined ? null : (known.exec(word)?.[2] ?? '');
}

/**
 * Reads the settings; a value that makes no sense stops the start with a message.
 *
 * @param words what stands on the command line
 */
export function readSettings(env: NodeJS.ProcessEnv, root: string, words: string[] = []): Settings {
  const port = portOf(env, 'JAUGE_PORT', 4100);
  const wanted = lanOf(words.filter((word) => word !== '--new'));
  const demo = env.JAUGE_DEMO === '1';
  return {
    port,
    // The demo's data wait nowhere else; one's own must not slip to another address.
    nextFree: demo && env.JAUGE_PORT === undefined,
    lan: wanted === null ? null : { wanted, port: portOf(env, 'JAUGE_LAN_PORT', port === 0 ? 0 : port + 1) },
    databaseFile:
      env.JAUGE_DATABASE ??
      (demo ? path.join(root, '.demo', 'demo.sqlite') : path.join(dataFolder(env), 'jauge.sqlite')),
    distFolder: env.JAUGE_DIST ?? path.join(root, 'dist'),
    demo,
    mayBeNew: demo || words.includes('--new'),
    logLevel: env.JAUGE_LOG ?? 'warn',
  };
}
