// Brings a backup back: `npm run restore` when the data file does not open, `npm run restore -- <name>` to choose one.
import { buildServer } from './lib/build.mjs';
import { inRoot, installPackages, start } from './lib/steps.mjs';

installPackages();
buildServer();
start(process.execPath, [inRoot('build', 'server.cjs'), '--restore', ...process.argv.slice(2)]).on('exit', (code) =>
  process.exit(code ?? 0),
);
