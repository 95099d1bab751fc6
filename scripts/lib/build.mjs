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
  'src/reader',
  'src/core',
  'src/contract',
  'public',
  'app.json',
  'babel.config.js',
  'metro.config.js',
  'licences',
  'scripts/lib/build.mjs',
  'package-lock.json',
];
const SERVER_SOURCES = ['src/server', 'src/contract', 'src/core', 'src/demo', 'package-lock.json'];
const COMMAND_LINE_SOURCES = ['src/cli', 'src/reader', 'src/contract', 'src/core', 'package-lock.json'];
const COMPRESSED = new Set(['.webmanifest', '.js', '.css', '.html', '.json', '.svg', '.ttf', '.map', '.wasm']);

function isCurrent(stamp, hash) {
  return fs.existsSync(stamp) && fs.readFileSync(stamp, 'utf8') === hash;
}

/**
 * Writes the worker that keeps every file of the application on the device. A new version is fetched whole beside the old
 * one and waits until the person takes it.
 */
async function serviceWorker(folder) {
  // Installed by then; this file itself must load without any package.
  const { generateSW } = await import('workbox-build');
  const { warnings } = await generateSW({
    globDirectory: folder,
    globPatterns: ['**/*.{js,css,html,json,svg,png,ttf,wasm,webmanifest}'],
    // The default leaves out whatever lies below a folder node_modules, and so do fonts and icons.
    globIgnores: ['**/*.map', 'metadata.json'],
    swDest: path.join(folder, 'sw.js'),
    inlineWorkboxRuntime: true,
    sourcemap: false,
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//, /^\/pair$/, /\/[^/]+\.[^/]+$/],
    clientsClaim: true,
    skipWaiting: false,
    cleanupOutdatedCaches: true,
    // Names of the bundler's files carry their content's mark.
    dontCacheBustURLsMatching: /-[0-9a-f]{32}\.|\.[0-9a-f]{32}\./,
    // The decoder of camera raw is the largest.
    maximumFileSizeToCacheInBytes: 8e6,
  });
  if (warnings.length > 0) throw new Error(warnings.join('\n'));
}

/** Takes the part that only later parts need out of the page's first scripts, and notes where it is (src/ui/bundle/asyncRequire). */
function postponeSharedPart(folder) {
  const page = path.join(folder, 'index.html');
  const html = fs.readFileSync(page, 'utf8');
  const script = /<script src="(\/_expo\/static\/js\/web\/__common-[^"]+)" defer><\/script>/;
  if (!script.test(html)) return;
  const [, address] = html.match(script);
  fs.writeFileSync(
    page,
    html.replace(script, '').replace('</head>', `  <meta name="shared-part" content="${address}" />\n  </head>`),
  );
}

/** Marks the page with its version, by which a window sees whether the worker keeps another one (public/anew.js). */
function markVersion(folder, hash) {
  const page = path.join(folder, 'index.html');
  const html = fs.readFileSync(page, 'utf8');
  fs.writeFileSync(page, html.replace('<html ', `<html data-version="${hash.slice(0, 16)}" `));
}

/** Scripts of the first view are worth the slowest compression; the others are fetched once and in quiet. */
const firstScripts = (folder) =>
  new Set(
    [...fs.readFileSync(path.join(folder, 'index.html'), 'utf8').matchAll(/<script src="([^"]+)"/g)].map(
      ([, address]) => path.join(folder, address),
    ),
  );

function compress(folder) {
  const first = firstScripts(folder);
  for (const entry of fs.readdirSync(folder, { withFileTypes: true, recursive: true })) {
    if (!entry.isFile() || !COMPRESSED.has(path.extname(entry.name))) continue;
    const file = path.join(entry.parentPath ?? entry.path, entry.name);
    const data = fs.readFileSync(file);
    fs.writeFileSync(`${file}.gz`, zlib.gzipSync(data, { level: 9 }));
    fs.writeFileSync(
      `${file}.br`,
      zlib.brotliCompressSync(data, {
        params: {
          [zlib.constants.BROTLI_PARAM_QUALITY]: first.has(file) ? 11 : 9,
          [zlib.constants.BROTLI_PARAM_SIZE_HINT]: data.length,
        },
      }),
    );
  }
}

export async function buildWeb() {
  const hash = hashOfSources(WEB_SOURCES);
  const stamp = inRoot('dist', '.sources');
  if (isCurrent(stamp, hash)) return;
  say('Building the web application (the first time takes a minute or two) …');
  fs.rmSync(inRoot('dist'), { recursive: true, force: true });
  const packages = inRoot('.cache', 'bundled-packages');
  fs.mkdirSync(inRoot('.cache'), { recursive: true });
  fs.rmSync(packages, { force: true });
  run(bin('expo'), ['export', '--platform', 'web', '--output-dir', 'dist'], {
    env: { EXPO_NO_TELEMETRY: '1', EXPO_OFFLINE: '1', CI: '1', JAUGE_BUNDLED_PACKAGES: packages },
    quiet: true,
  });
  fs.copyFileSync(packages, inRoot('dist', '.packages'));
  postponeSharedPart(inRoot('dist'));
  markVersion(inRoot('dist'), hash);
  await serviceWorker(inRoot('dist'));
  compress(inRoot('dist'));
  fs.writeFileSync(stamp, hash);
}

/** Bundles a program for Node, packages left outside, unless its sources are as they were. */
function bundle(what, sources, from, to) {
  const hash = hashOfSources(sources);
  const stamp = inRoot(path.dirname(to), '.sources');
  if (isCurrent(stamp, hash)) return;
  say(`Bundling the ${what} …`);
  run(bin('esbuild'), [
    from,
    '--bundle',
    '--platform=node',
    '--target=node20',
    '--packages=external',
    '--format=cjs',
    '--sourcemap',
    '--log-level=warning',
    `--outfile=${to}`,
  ]);
  fs.writeFileSync(stamp, hash);
}

export const buildServer = () => bundle('server', SERVER_SOURCES, 'src/server/main.ts', 'build/server.cjs');

/** Bundled, the command line starts in less than half the time it takes when every file is translated at each start. */
export const buildCommandLine = () =>
  bundle('command line', COMMAND_LINE_SOURCES, 'src/cli/main.ts', 'build/cli/main.cjs');
