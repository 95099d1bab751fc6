// Starts Jauge with the person's own data.
import { buildServer, buildWeb } from './lib/build.mjs';
import { prepare } from './lib/generate.mjs';
import { inRoot, start } from './lib/steps.mjs';

prepare();
await buildWeb();
buildServer();
start(process.execPath, [inRoot('build', 'server.cjs')]).on('exit', (code) => process.exit(code ?? 0));
