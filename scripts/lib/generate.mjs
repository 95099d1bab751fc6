// Writes what follows from the schemas and is not kept in the repository: the validators as plain code.
import fs from 'node:fs';
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

/** All that every script needs before it begins: the packages, and what is made from the schemas. */
export function prepare() {
  installPackages();
  generateValidators();
}
