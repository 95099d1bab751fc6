// Tries to make Jauge lose something: `npm run torture`, or one of kills, power, damage, hostile, browser,
// overlap, bits, floods, clocks, windows. `--write` puts the results into docs/benchmarks.md.
// `--minutes 5` bounds each (10 if left out); what was reached by then is printed. Not part of `npm test`.
import { buildServer, buildWeb } from './lib/build.mjs';
import { prepare } from './lib/generate.mjs';
import { findChromium, run } from './lib/steps.mjs';

prepare();
const CHROMIUM = findChromium();
await buildWeb();
buildServer();
const { status } = run(process.execPath, ['--import', 'tsx', 'torture/main.ts', ...process.argv.slice(2)], {
  env: { CHROMIUM },
  allowFailure: true,
});
process.exit(status ?? 1);
