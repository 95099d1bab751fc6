// The command line: npm run -s jauge -- far docs/examples/far.json
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import { generateValidators } from './lib/generate.mjs';
import { inRoot, installPackages } from './lib/steps.mjs';

if (!fs.existsSync(inRoot('node_modules', 'tsx'))) installPackages();
generateValidators();
const result = spawnSync(
  process.execPath,
  ['--import', 'tsx', inRoot('src', 'cli', 'main.ts'), ...process.argv.slice(2)],
  { stdio: 'inherit', env: { ...process.env, TSX_TSCONFIG_PATH: inRoot('tsconfig.json') } },
);
process.exit(result.status ?? 1);
