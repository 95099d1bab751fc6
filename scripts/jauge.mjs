// The command line: npm run -s jauge -- far docs/examples/far.json
import { spawnSync } from 'node:child_process';
import { buildCommandLine } from './lib/build.mjs';
import { generateValidators } from './lib/generate.mjs';
import { makeReaders } from './lib/pictureLibrary.mjs';
import { inRoot, installPackages } from './lib/steps.mjs';

installPackages();
generateValidators();
makeReaders();
buildCommandLine();
const result = spawnSync(
  process.execPath,
  ['--enable-source-maps', inRoot('build', 'cli', 'main.cjs'), ...process.argv.slice(2)],
  { stdio: 'inherit' },
);
process.exit(result.status ?? 1);
