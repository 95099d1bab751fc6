// Runs the core on cases nobody has seen: `npm run trial`, or one of setups, leftOut, agree.
// `--write` puts the results into docs/benchmarks.md; `--minutes 5` bounds each (10 if left out).
// JAUGE_SEED repeats a run. Not part of `npm test`.
import { prepare } from './lib/generate.mjs';
import { bin, run } from './lib/steps.mjs';

prepare();
const words = process.argv.slice(2);
const wantsAgree = words.includes('agree');
const others = words.filter((word) => word !== 'agree');
const all = others.filter((word) => !word.startsWith('--') && !/^\d/.test(word)).length === 0 && !wantsAgree;
let failed = 0;
if (!wantsAgree || others.some((word) => /^[a-z]/i.test(word)))
  failed += run(process.execPath, ['--import', 'tsx', 'trial/main.ts', ...others], { allowFailure: true }).status
    ? 1
    : 0;
if (all || wantsAgree) {
  // Every page beside the command line, on fifty situations.
  const env = { JAUGE_SITUATIONS: process.env.JAUGE_SITUATIONS ?? '50', TZ: 'Europe/London' };
  failed += run(bin('jest'), ['src/features/agree'], { env, allowFailure: true }).status ? 1 : 0;
}
process.exit(failed ? 1 : 0);
