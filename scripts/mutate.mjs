// Mutation trial: changes the core one line at a time and counts how many changes its tests notice.
// npm run mutate -- sensor            one folder of src/core
// npm run mutate -- optics/lensFocus  one file
import fs from 'node:fs';
import { prepare } from './lib/generate.mjs';
import { writeFigures } from './lib/figures.mjs';
import { bin, inRoot, run, say, stop } from './lib/steps.mjs';

/** Property tests draw this many cases for each mutant; the trial runs them thousands of times. */
const RUNS = '12';
const SEED = '7';

prepare();
const [wanted] = process.argv.slice(2).filter((word) => word !== '--write');
if (!wanted) stop('Name a folder of src/core, such as sensor, optics, detail, output, far, near or sky.');
const folder = inRoot('src', 'core', wanted);
const isFolder = fs.existsSync(folder) && fs.statSync(folder).isDirectory();
if (!isFolder && !fs.existsSync(`${folder}.ts`)) stop(`There is no src/core/${wanted}.`);
const files = isFolder ? `src/core/${wanted}/**/*.ts` : `src/core/${wanted}.ts`;
fs.mkdirSync(inRoot('.cache', 'mutation'), { recursive: true });
const report = inRoot('.cache', 'mutation', 'report.json');
// What an earlier trial left must not pass for this one's.
fs.rmSync(report, { force: true });
say(`Changing ${files} line by line …`);
const started = Date.now();
const { status } = run(
  bin('stryker'),
  [
    'run',
    '--mutate',
    `${files},!src/core/**/*.test.ts`,
    '--incrementalFile',
    `.cache/mutation/${wanted.replaceAll('/', '-')}.json`,
  ],
  {
    env: { JAUGE_MUTATE: wanted, JAUGE_RUNS: RUNS, JAUGE_SEED: SEED, TZ: 'Europe/London' },
    allowFailure: true,
  },
);
if (fs.existsSync(report)) {
  const mutants = Object.values(JSON.parse(fs.readFileSync(report, 'utf8')).files).flatMap((file) => file.mutants);
  const count = (...kinds) => mutants.filter((mutant) => kinds.includes(mutant.status)).length;
  const noticed = count('Killed', 'Timeout');
  const all = noticed + count('Survived', 'NoCoverage');
  const seconds = (Date.now() - started) / 1000;
  const line = `${wanted}: ${noticed} of ${all} noticed, ${((100 * noticed) / all).toFixed(1)} %; ${count('Survived')} survived, ${count('NoCoverage')} not covered; ${(seconds / Math.max(1, all)).toFixed(2)} s a mutant`;
  console.log(line);
  if (process.argv.includes('--write')) writeFigures(`mutate ${wanted}`, [line]);
}
process.exit(status ?? 1);
