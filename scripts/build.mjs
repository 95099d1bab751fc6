// Builds the web application and the server.
import { buildServer, buildWeb } from './lib/build.mjs';
import { prepare } from './lib/generate.mjs';

prepare();
await buildWeb();
buildServer();
