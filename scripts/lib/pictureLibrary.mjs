// The workers that read picture files, bundled on their own, and the library they use beside them: its files stay unchanged.
import fs from 'node:fs';
import path from 'node:path';
import { bin, hashOfSources, inRoot, run, say } from './steps.mjs';

const SOURCES = ['src/reader', 'src/core/formats', 'src/core/quantity', 'src/core/picture', 'package-lock.json'];
const LIBRARY = ['vips-es6.js', 'vips.wasm', 'vips-heif.wasm'];

function bundle(from, to, ...settings) {
  const whole = ['--bundle', '--target=es2022', '--log-level=warning', `--outfile=${to}`];
  run(bin('esbuild'), [from, ...whole, ...settings]);
}

/** Writes them where they are not, or where their sources have changed. */
export function makeReaders() {
  const to = inRoot('public', 'pictures');
  const stamp = inRoot('build', 'reader', '.sources');
  const hash = hashOfSources([...SOURCES, 'scripts/lib/pictureLibrary.mjs']);
  const all = [...LIBRARY, 'reader.js'].every((name) => fs.existsSync(path.join(to, name)));
  if (all && fs.existsSync(stamp) && fs.readFileSync(stamp, 'utf8') === hash) return;
  say('Bundling what reads pictures …');
  fs.mkdirSync(to, { recursive: true });
  for (const name of LIBRARY) fs.copyFileSync(inRoot('node_modules', 'wasm-vips', 'lib', name), path.join(to, name));
  // Its licences ask to lie beside it.
  for (const name of ['LGPL-3.0-only', 'GPL-3.0-only', 'MIT', 'IJG'])
    fs.copyFileSync(inRoot('licences', `${name}.txt`), path.join(to, `${name}.txt`));
  fs.copyFileSync(inRoot('licences', 'NOTICE-libvips'), path.join(to, 'NOTICE.txt'));
  const beside = [
    '--format=esm',
    '--platform=browser',
    '--minify',
    '--alias:wasm-vips=./vips-es6.js',
    '--external:./vips-es6.js',
  ];
  bundle('src/reader/browser.ts', 'public/pictures/reader.js', ...beside);
  bundle('src/reader/node.ts', 'build/reader/node.cjs', '--format=cjs', '--platform=node', '--packages=external');
  fs.writeFileSync(stamp, hash);
}
