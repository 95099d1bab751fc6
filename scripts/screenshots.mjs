// Takes the pictures of docs/screenshots from the demo data.
import { buildServer, buildWeb } from './lib/build.mjs';
import { prepare } from './lib/generate.mjs';
import { bin, findChromium, run } from './lib/steps.mjs';

prepare();
const CHROMIUM = findChromium();
await buildWeb();
buildServer();
run(bin('playwright'), ['test', '--config', 'e2e/screenshots.config.ts'], { env: { CHROMIUM } });
