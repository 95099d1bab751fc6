// Starts Jauge with the demo data in a database of its own. `npm run demo -- --fresh` puts the demo data back as it was.
import fs from 'node:fs';
import { buildServer, buildWeb } from './lib/build.mjs';
import { prepare } from './lib/generate.mjs';
import { inRoot, start } from './lib/steps.mjs';

prepare();
await buildWeb();
buildServer();
if (process.argv.includes('--fresh')) fs.rmSync(inRoot('.demo'), { recursive: true, force: true });
const words = process.argv.slice(2).filter((word) => word !== '--fresh');
start(process.execPath, [inRoot('build', 'server.cjs'), ...words], { env: { JAUGE_DEMO: '1' } }).on('exit', (code) =>
  process.exit(code ?? 0),
);
