// Takes the pictures of docs/screenshots from the demo data.
import { buildServer, buildWeb } from './lib/build.mjs';
import { bin, findChromium, installPackages, run } from './lib/steps.mjs';

installPackages();
const CHROMIUM = findChromium();
buildWeb();
buildServer();
run(bin('playwright'), ['test', '--config', 'e2e/screenshots.config.ts'], { env: { CHROMIUM } });
