import fs from 'node:fs';
import { chromium, type Browser, type Page } from '@playwright/test';
import { nextVersion } from '../e2e/support/nextVersion';
import { JaugeServer } from '../e2e/support/server';
import { CHROMIUM_ARGS } from '../playwright.config';
import { count, newTally, randomOf, type Tally } from './tally';

const WINDOWS = 4;
const PATIENCE_MS = 60_000;

/** Places where a person types something that is not saved yet. */
const TYPED: ((page: Page, url: string, text: string) => Promise<() => Promise<string>>)[] = [
  async (page, url, text) => {
    await page.goto(`${url}/far`);
    await page.getByRole('button', { name: 'Add a note' }).click();
    await page.getByLabel('Note').fill(text);
    return () => page.getByLabel('Note').inputValue();
  },
  async (page, url, text) => {
    await page.goto(`${url}/kit/optics/new?kind=lens`);
    await page.getByLabel('Name').first().fill(text);
    return () => page.getByLabel('Name').first().inputValue();
  },
  // A number that is being typed, before anything takes it.
  async (page, url, text) => {
    await page.goto(`${url}/kit/bodies/new`);
    await page.getByRole('radio', { name: /^Full frame/ }).click();
    await page.getByLabel('Other megapixels').fill(text);
    return () => page.getByLabel('Other megapixels').inputValue();
  },
];

const versionOf = (page: Page) => page.evaluate(() => document.documentElement.dataset.version).catch(() => 'between');

async function once(browser: Browser, folder: string, random: () => number): Promise<string[]> {
  const server = new JaugeServer(true);
  await server.start();
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  try {
    const asked = await context.newPage();
    await asked.goto(`${server.url}/far`);
    await asked.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await server.stop();
    await server.start({ JAUGE_DIST: folder });
    await asked.goto(`${server.url}/near`);
    await asked.getByRole('button', { name: 'Take it' }).waitFor({ timeout: PATIENCE_MS });
    const others: { page: Page; text: string; read: (() => Promise<string>) | null }[] = [];
    for (let i = 0; i < WINDOWS; i++) {
      const page = await context.newPage();
      const typed = TYPED[Math.floor(random() * (TYPED.length + 1))];
      const text = `Held ${i}`;
      if (!typed) await page.goto(`${server.url}/sky`);
      others.push({ page, text, read: typed ? await typed(page, server.url, text) : null });
    }
    const before = await versionOf(others[0]!.page);
    await asked.getByRole('button', { name: 'Take it' }).click();
    const faults: string[] = [];
    const end = Date.now() + PATIENCE_MS;
    const waiting = () => [asked, ...others.filter(({ read }) => !read).map(({ page }) => page)];
    let late = waiting();
    while (late.length && Date.now() < end) {
      await asked.waitForTimeout(300).catch(() => undefined);
      const versions = await Promise.all(late.map(versionOf));
      late = late.filter((_, i) => versions[i] !== 'next');
    }
    for (const page of late) faults.push(`${page.url()} did not begin anew`);
    for (const { page, text, read } of others) {
      if (!read) continue;
      if ((await read().catch(() => '')) !== text) faults.push(`text was lost on ${page.url()}`);
      else if ((await versionOf(page)) !== before) faults.push(`${page.url()} began anew over its text`);
    }
    return faults;
  } finally {
    await context.close();
    await server.dispose();
  }
}

/** A newer version is taken in one window while others hold unsaved text. */
export async function windows(minutes: number, seed: number, wanted = 30): Promise<Tally> {
  const tally = newTally('updates with unsaved text', wanted);
  const random = randomOf(seed);
  const end = Date.now() + minutes * 60_000;
  const folder = nextVersion();
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: CHROMIUM_ARGS,
  });
  while (tally.done < wanted && Date.now() < end) {
    tally.faults.push(
      ...(await once(browser, folder, random).catch((error: unknown) => [String(error).slice(0, 200)])),
    );
    tally.done += 1;
    count(tally, 'windows', WINDOWS + 1);
  }
  await browser.close();
  fs.rmSync(folder, { recursive: true, force: true });
  return tally;
}
