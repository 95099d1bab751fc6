import { availableParallelism } from 'node:os';
import { defineConfig } from '@playwright/test';

const port = Number(process.env.E2E_PORT ?? 4110);

/** Switches without which Chromium looks for its maker's hosts, in vain, at every start. */
export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

export default defineConfig({
  testDir: 'e2e',
  testMatch: '**/*.spec.ts',
  // Every test has a server and a file of its own. One more than there are cores, as a page often waits and so does its test;
  // a page slowed on purpose (JAUGE_CPU) never waits.
  workers: availableParallelism() + (process.env.JAUGE_CPU ? 0 : 1),
  // Generous, because a shared machine may be ten times slower for a while: they only end a test that hangs.
  timeout: 240_000,
  expect: { timeout: 45_000 },
  reporter: process.env.JAUGE_E2E_JSON ? [['list'], ['json', { outputFile: process.env.JAUGE_E2E_JSON }]] : 'list',
  outputDir: 'test-results',
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 390, height: 844 },
    deviceScaleFactor: 1,
    hasTouch: true,
    locale: 'en-GB',
    timezoneId: 'Europe/London',
    // One page for many tests, wiped between them: a new one translates all scripts anew, the most of what a test costs.
    reuseContext: true,
    // Only where it is what is looked at: it fetches every file once for each test.
    serviceWorkers: 'block',
    launchOptions: { executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium', args: CHROMIUM_ARGS },
  },
});
