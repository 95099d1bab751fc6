// Writes what follows from the schemas and is not kept in the repository: the validators as plain code.
import fs from 'node:fs';
import path from 'node:path';
import { makeReaders } from './pictureLibrary.mjs';
import { hashOfSources, inRoot, installPackages, run, say } from './steps.mjs';

const SOURCES = [
  'src/contract/schemas',
  'src/contract/resources',
  'src/contract/allSchemas.ts',
  'scripts/generateValidators.ts',
];

/** Validators of the schemas as they are now; nothing is done when they are current. */
export function generateValidators() {
  const folder = inRoot('src', 'contract', 'generated');
  const stamp = inRoot('src', 'contract', 'generated', '.schemas');
  const hash = hashOfSources(SOURCES);
  const made = fs.existsSync(inRoot('src', 'contract', 'generated', 'validators.js'));
  if (made && fs.existsSync(stamp) && fs.readFileSync(stamp, 'utf8') === hash) return;
  say('Writing the validators of the schemas …');
  fs.mkdirSync(folder, { recursive: true });
  run(process.execPath, ['--import', 'tsx', 'scripts/generateValidators.ts']);
  fs.writeFileSync(stamp, hash);
}

/** The decoder of camera raw lies beside the pages, its files unchanged: it cannot be bundled. */
function copyRawDecoder() {
  const from = inRoot('node_modules', 'libraw-wasm', 'dist');
  const to = inRoot('public', 'raw');
  fs.mkdirSync(to, { recursive: true });
  for (const name of ['worker.js', 'libraw.wasm']) fs.copyFileSync(path.join(from, name), path.join(to, name));
  // Its licences ask to lie beside it.
  for (const name of ['LGPL-2.1-only', 'CDDL-1.0', 'IJG', 'ISC'])
    fs.copyFileSync(inRoot('licences', `${name}.txt`), path.join(to, `${name}.txt`));
  fs.copyFileSync(inRoot('licences', 'NOTICE-LibRaw'), path.join(to, 'NOTICE.txt'));
}

/** All that every script needs before it begins: the packages, and what is made from the schemas. */
export function prepare() {
  installPackages();
  generateValidators();
  copyRawDecoder();
  makeReaders();
}
