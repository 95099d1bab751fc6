// The whole suite: sets up what is missing, then type check, lint, unit tests and browser tests. Ends with the line
// "N passed, N failed".
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { buildCommandLine, buildServer, buildWeb } from './lib/build.mjs';
import { prepare } from './lib/generate.mjs';
import { bin, findCertutil, findChromium, runBeside, say, start } from './lib/steps.mjs';

prepare();
const CHROMIUM = findChromium();
findCertutil();
const reports = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-reports-'));
const unitReport = path.join(reports, 'unit.json');
const browserReport = path.join(reports, 'browser.json');
let passed = 0;
let failed = 0;

/** Looks the sources over: each step counts as one test. They use one core, so the unit tests run beside them. */
async function lookOver() {
  for (const [name, command, args] of [
    ['Type check', bin('tsc'), []],
    ['Modules and types', bin('oxlint'), []],
    ['Lint', bin('eslint'), ['.', '--max-warnings', '0']],
    ['Format', bin('prettier'), ['--check', '.', '--log-level', 'warn']],
  ]) {
    const { status } = await runBeside(command, args);
    say(`${name}: ${status === 0 ? 'sound' : 'FAILED'}.`);
    if (status === 0) passed += 1;
    else failed += 1;
  }
}

/** Compares THIRD-PARTY.md with what was built. */
async function thirdParty() {
  buildCommandLine();
  const args = ['--import', 'tsx', 'scripts/documents/thirdParty.ts', '--check'];
  const { status } = await runBeside(process.execPath, args);
  say(`Third-party list: ${status === 0 ? 'sound' : 'FAILED'}.`);
  if (status === 0) passed += 1;
  else failed += 1;
}

/** Runs a program in the foreground while others go on beside it. */
const runWith = (command, args, env) =>
  new Promise((resolve) => {
    const child = start(command, args, { env });
    child.on('error', () => resolve({ status: 1 }));
    child.on('close', (status) => resolve({ status }));
  });

/** Runs tests and takes their counts from their report; a run without a report counts as failed. */
async function tests(name, command, args, env, report, countsOf) {
  say(`${name} …`);
  const { status } = await runWith(command, args, env);
  const counts = fs.existsSync(report)
    ? countsOf(JSON.parse(fs.readFileSync(report, 'utf8')))
    : { passed: 0, failed: 1 };
  passed += counts.passed;
  failed += status !== 0 && counts.failed === 0 ? 1 : counts.failed;
}

// Property tests draw other cases each time; the seed repeats them.
const seed = process.env.JAUGE_SEED ?? String(Math.floor(Math.random() * 0x7fffffff));
say(`Property tests run with JAUGE_SEED=${seed}.`);

// Some unit tests start the server.
buildServer();
say('Type check, lint and format, then the build, beside the unit tests …');
const over = lookOver().then(buildWeb).then(thirdParty);
await tests(
  'Unit tests',
  bin('jest'),
  [
    '--json',
    `--outputFile=${unitReport}`,
    '--silent',
    // A timer that a test leaves behind must not hold the suite.
    '--forceExit',
    // What goes on beside them is done long before them.
    `--maxWorkers=${Math.max(2, os.availableParallelism() - 1)}`,
  ],
  { TZ: 'Europe/London', JAUGE_SEED: seed },
  unitReport,
  (report) => ({
    passed: report.numPassedTests,
    failed: report.numFailedTests + report.numRuntimeErrorTestSuites,
  }),
);
await over;
await tests(
  'Browser tests',
  bin('playwright'),
  ['test'],
  { CHROMIUM, JAUGE_E2E_JSON: browserReport },
  browserReport,
  ({ stats }) => ({
    passed: stats.expected + stats.flaky,
    failed: stats.unexpected,
  }),
);
fs.rmSync(reports, { recursive: true, force: true });
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
