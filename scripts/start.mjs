// Starts Jauge with the person's own data.
import { buildServer, buildWeb } from './lib/build.mjs';
import { inRoot, installPackages, start } from './lib/steps.mjs';

installPackages();
buildWeb();
buildServer();
start(process.execPath, [inRoot('build', 'server.cjs')]).on('exit', (code) => process.exit(code ?? 0));
