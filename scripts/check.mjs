// Looks through the data file: pages, references, and every entry against its checksum. Ends with 1 where something is damaged.
import { buildServer } from './lib/build.mjs';
import { prepare } from './lib/generate.mjs';
import { inRoot, start } from './lib/steps.mjs';

prepare();
buildServer();
start(process.execPath, [inRoot('build', 'server.cjs'), '--check']).on('exit', (code) => process.exit(code ?? 0));
