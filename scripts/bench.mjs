// Measures and prints figures and ratios; `--write` puts them into docs/benchmarks.md. Nothing here fails on a slow machine.
import { buildServer, buildWeb } from './lib/build.mjs';
import { prepare } from './lib/generate.mjs';
import { findChromium, run } from './lib/steps.mjs';

prepare();
const CHROMIUM = findChromium();
await buildWeb();
buildServer();
run(process.execPath, ['--import', 'tsx', 'bench/main.ts', ...process.argv.slice(2)], { env: { CHROMIUM } });
