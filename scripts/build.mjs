// Builds the web application and the server.
import { buildServer, buildWeb } from './lib/build.mjs';
import { installPackages } from './lib/steps.mjs';

installPackages();
buildWeb();
buildServer();
