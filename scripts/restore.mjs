// Brings a backup back: `npm run restore` when the data file does not open, `npm run restore -- <name>` to choose one.
import { buildServer } from './lib/build.mjs';
import { prepare } from './lib/generate.mjs';
import { inRoot, start } from './lib/steps.mjs';

prepare();
buildServer();
start(process.execPath, [inRoot('build', 'server.cjs'), '--restore', ...process.argv.slice(2)]).on('exit', (code) =>
  process.exit(code ?? 0),
);
