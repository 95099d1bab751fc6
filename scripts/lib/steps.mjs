// What every script needs: messages, running programs, and setting up what is missing. Only Node's own modules, because
// these run before anything is installed.
import { spawn, spawnSync } from 'node:child_process';
import crypto from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..');
export const inRoot = (...parts) => path.join(root, ...parts);
export const bin = (name) => inRoot('node_modules', '.bin', name);

const MINIMUM_NODE = [20, 19, 4];

export const say = (text) => console.error(`· ${text}`);

/** Ends with a message instead of a stack trace. */
export function stop(text) {
  console.error(`✕ ${text}`);
  process.exit(1);
}

export function checkNode() {
  const have = process.versions.node.split('.').map(Number);
  for (let i = 0; i < 3; i++) {
    if (have[i] > MINIMUM_NODE[i]) return;
    if (have[i] < MINIMUM_NODE[i])
      stop(`Node.js ${MINIMUM_NODE.join('.')} or newer is needed; this is ${process.versions.node}.`);
  }
}

/** Runs a program in the foreground; a failure ends the script. */
export function run(command, args, { env = {}, quiet = false, allowFailure = false } = {}) {
  const result = spawnSync(command, args, {
    cwd: root,
    env: { ...process.env, ...env },
    stdio: quiet ? ['ignore', 'pipe', 'pipe'] : 'inherit',
    encoding: 'utf8',
    maxBuffer: 64 * 1024 * 1024,
  });
  if (result.error && !allowFailure) stop(`${command} could not be started: ${result.error.message}`);
  if (result.status !== 0 && !allowFailure) {
    if (quiet) console.error(`${result.stdout}\n${result.stderr}`);
    stop(`${path.basename(command)} ${args.join(' ')} failed.`);
  }
  return result;
}

/** Runs a program beside others; what it says is told when it is done, so that two do not speak at once. */
export function runBeside(command, args) {
  return new Promise((resolve) => {
    const said = [];
    const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
    child.stdout.on('data', (chunk) => said.push(chunk));
    child.stderr.on('data', (chunk) => said.push(chunk));
    const end = (status) => {
      process.stderr.write(Buffer.concat(said));
      resolve({ status });
    };
    child.on('error', (error) => {
      said.push(Buffer.from(`${command} could not be started: ${error.message}\n`));
      end(1);
    });
    child.on('close', end);
  });
}

const hashOf = (text) => crypto.createHash('sha256').update(text).digest('hex');

function filesBelow(folder) {
  return fs.readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const full = path.join(folder, entry.name);
    return entry.isDirectory() ? filesBelow(full) : [full];
  });
}

/** One hash over the contents of files and folders, to see whether something must be built again. */
export function hashOfSources(paths) {
  const files = paths
    .map((each) => inRoot(each))
    .filter((each) => fs.existsSync(each))
    .flatMap((each) => (fs.statSync(each).isDirectory() ? filesBelow(each) : [each]));
  const hash = crypto.createHash('sha256');
  for (const file of files.sort()) hash.update(path.relative(root, file)).update(fs.readFileSync(file));
  return hash.digest('hex');
}

function hasHeadersOfThisNode(prefix) {
  const file = path.join(prefix, 'include', 'node', 'node_version.h');
  const major = process.versions.node.split('.')[0];
  return fs.existsSync(file) && new RegExp(`NODE_MAJOR_VERSION\\s+${major}\\b`).test(fs.readFileSync(file, 'utf8'));
}

/** Installs the packages when the lock file changed since the last time. */
export function installPackages() {
  checkNode();
  const stamp = inRoot('node_modules', '.jauge-lock');
  const lock = hashOf(fs.readFileSync(inRoot('package-lock.json'), 'utf8'));
  if (fs.existsSync(stamp) && fs.readFileSync(stamp, 'utf8') === lock) return;
  say('Installing the packages of package-lock.json (the first time builds SQLite: a few minutes) …');
  // Node's own headers, where this Node has them, let SQLite be built without asking the network for them.
  const prefix = path.dirname(path.dirname(process.execPath));
  const headers = [prefix, '/usr'].find(hasHeadersOfThisNode);
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    env: {
      ...(headers ? { npm_package_config_node_gyp_nodedir: headers } : {}),
      EXPO_NO_TELEMETRY: '1',
      CFLAGS: process.env.CFLAGS ?? '-O2 -w',
      CXXFLAGS: process.env.CXXFLAGS ?? '-O2 -w',
    },
  });
  fs.writeFileSync(stamp, lock);
}

/** Installs a Debian package that only the tests need, where the system allows it. */
function installForTests(name, instead) {
  const hasApt = fs.existsSync('/usr/bin/apt-get');
  if (!hasApt || process.getuid?.() !== 0) stop(`These tests need ${name}. ${instead}`);
  say(`Installing Debian’s ${name} for the tests …`);
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  run('apt-get', ['update', '-qq'], { env, quiet: true });
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', name], { env, quiet: true });
}

/** Finds Chromium for the browser tests, and installs Debian's where the system allows it. */
export function findChromium() {
  const places = [
    process.env.CHROMIUM,
    '/usr/bin/chromium',
    '/usr/bin/chromium-browser',
    '/usr/bin/google-chrome',
  ].filter(Boolean);
  const found = () => places.find((each) => fs.existsSync(each));
  if (found()) return found();
  installForTests('chromium', 'Install it (Debian: apt-get install chromium) or set CHROMIUM to its path.');
  return found() ?? stop('Chromium was installed but not found. Set CHROMIUM to its path.');
}

/** Sees to WebKit, its driver and a screen for it. */
export function findWebKit() {
  for (const [command, name] of [
    ['WebKitWebDriver', 'webkit2gtk-driver'],
    ['Xvfb', 'xvfb'],
  ])
    if (spawnSync('which', [command], { stdio: 'ignore' }).status !== 0)
      installForTests(name, `Install it: apt-get install ${name}.`);
}

/** Sees to the program that puts a certificate into a browser's own store. */
export function findCertutil() {
  if (spawnSync('certutil', ['-H'], { stdio: 'ignore' }).error)
    installForTests('libnss3-tools', 'Install it (Debian: apt-get install libnss3-tools): it brings certutil.');
}

/** Starts a program that goes on, and stops it with everything when this script is stopped. */
export function start(command, args, { env = {} } = {}) {
  const child = spawn(command, args, { cwd: root, env: { ...process.env, ...env }, stdio: 'inherit' });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
  return child;
}
