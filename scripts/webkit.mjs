// Drives the application in WebKit (Debian: webkit2gtk-driver, xvfb), the engine of half of the phones.
import { buildServer, buildWeb } from './lib/build.mjs';
import { prepare } from './lib/generate.mjs';
import { findWebKit, run } from './lib/steps.mjs';

prepare();
findWebKit();
await buildWeb();
buildServer();
run(process.execPath, ['--import', 'tsx', 'e2e/webkit/run.ts']);
