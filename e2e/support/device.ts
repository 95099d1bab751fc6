import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { chromium, expect, type BrowserContext, type Page } from '@playwright/test';
import { CHROMIUM_ARGS } from '../../playwright.config';

/** A browser with a folder of its own, closed and opened again as a phone is, and what its pages complained of. */
export class Device {
  /** The home folder too, in which this browser's certificates lie. */
  private readonly folder = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-device-'));
  private context: BrowserContext | null = null;
  readonly faults: string[] = [];

  /** @param passesOver goes on in spite of a certificate that is not trusted, as a person may */
  async open({ passesOver = false } = {}): Promise<Page> {
    this.context = await chromium.launchPersistentContext(path.join(this.folder, 'profile'), {
      env: { ...process.env, HOME: this.folder },
      ignoreHTTPSErrors: passesOver,
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: CHROMIUM_ARGS,
      viewport: { width: 390, height: 844 },
      hasTouch: true,
      serviceWorkers: 'allow',
      locale: 'en-GB',
      timezoneId: 'Europe/London',
    });
    const page = this.context.pages()[0] ?? (await this.context.newPage());
    page.on('pageerror', (error) => this.faults.push(`uncaught: ${error.message}`));
    return page;
  }

  /** Puts an authority into this browser's own certificate store, as a person does on a phone. */
  trust(certificate: string): void {
    const store = path.join(this.folder, '.pki', 'nssdb');
    fs.mkdirSync(store, { recursive: true });
    for (const args of [
      ['-N', '--empty-password'],
      ['-A', '-t', 'C,,', '-n', 'Jauge at home', '-i', certificate],
    ]) {
      const { status, stderr, error } = spawnSync('certutil', ['-d', `sql:${store}`, ...args], { encoding: 'utf8' });
      if (status !== 0) throw error ?? new Error(stderr);
    }
  }

  async close(): Promise<void> {
    await this.context?.close();
    this.context = null;
  }

  async dispose(): Promise<void> {
    await this.close();
    fs.rmSync(this.folder, { recursive: true, force: true });
  }
}

/** Opens the application and waits until files and rows lie on the device. */
export async function takeAlong(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/far`);
  await expect(page.getByTestId('pixels-value')).toBeVisible();
  await expect
    .poll(() => page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.active?.state))
    .toBe('activated');
  await expect
    .poll(() =>
      page.evaluate(
        () =>
          new Promise((resolve) => {
            const open = indexedDB.open('jauge.mirror');
            open.onsuccess = () => {
              const database = open.result;
              const asked = database.transaction('standing').objectStore('standing').get('now');
              asked.onsuccess = () => {
                database.close();
                resolve((asked.result as { whole?: boolean } | undefined)?.whole ?? false);
              };
            };
            open.onerror = () => resolve(false);
          }),
      ),
    )
    .toBe(true);
}
