// Builds what is served: the web application, compressed beside itself, and the bundled server. Skipped when nothing
// changed since the last build.
import fs from 'node:fs';
import path from 'node:path';
import zlib from 'node:zlib';
import { bin, hashOfSources, inRoot, run, say } from './steps.mjs';

const WEB_SOURCES = [
  'src/app',
  'src/features',
  'src/ui',
  'src/data',
  'src/workers',
  'src/core',
  'src/contract',
  'public',
  'app.json',
  'babel.config.js',
  'metro.config.js',
  'package-lock.json',
];
const SERVER_SOURCES = ['src/server', 'src/contract', 'src/core', 'src/demo', 'package-lock.json'];
const COMPRESSED = new Set(['.js', '.css', '.html', '.json', '.svg', '.ttf', '.map', '.wasm']);

function isCurrent(stamp, hash) {
  return fs.existsSync(stamp) && fs.readFileSync(stamp, 'utf8') === hash;
}

function compress(folder) {
  for (const entry of fs.readdirSync(folder, { withFileTypes: true, recursive: true })) {
    if (!entry.isFile() || !COMPRESSED.has(path.extname(entry.name))) continue;
    const file = path.join(entry.parentPath ?? entry.path, entry.name);
    const data = fs.readFileSync(file);
    fs.writeFileSync(`${file}.gz`, zlib.gzipSync(data, { level: 9 }));
    fs.writeFileSync(
      `${file}.br`,
      zlib.brotliCompressSync(data, {
        params: { [zlib.constants.BROTLI_PARAM_QUALITY]: 9, [zlib.constants.BROTLI_PARAM_SIZE_HINT]: data.length },
      }),
    );
  }
}

export function buildWeb() {
  const hash = hashOfSources(WEB_SOURCES);
  const stamp = inRoot('dist', '.sources');
  if (isCurrent(stamp, hash)) return;
  say('Building the web application (the first time takes a minute or two) …');
  fs.rmSync(inRoot('dist'), { recursive: true, force: true });
  run(bin('expo'), ['export', '--platform', 'web', '--output-dir', 'dist'], {
    env: { EXPO_NO_TELEMETRY: '1', EXPO_OFFLINE: '1', CI: '1' },
    quiet: true,
  });
  compress(inRoot('dist'));
  fs.writeFileSync(stamp, hash);
}

export function buildServer() {
  const hash = hashOfSources(SERVER_SOURCES);
  const stamp = inRoot('build', '.sources');
  if (isCurrent(stamp, hash)) return;
  say('Bundling the server …');
  run(bin('esbuild'), [
    'src/server/main.ts',
    '--bundle',
    '--platform=node',
    '--target=node20',
    '--packages=external',
    '--format=cjs',
    '--sourcemap',
    '--log-level=warning',
    '--outfile=build/server.cjs',
  ]);
  fs.writeFileSync(stamp, hash);
}
