// Starts Jauge with the person's own data. `-- --lan` serves the home network as well.
import { buildServer, buildWeb } from './lib/build.mjs';
import { prepare } from './lib/generate.mjs';
import { inRoot, start } from './lib/steps.mjs';

prepare();
await buildWeb();
buildServer();
start(process.execPath, [inRoot('build', 'server.cjs'), ...process.argv.slice(2)]).on('exit', (code) =>
  process.exit(code ?? 0),
);
