import { test as base, expect, type Page } from '@playwright/test';
import { freePort } from './freePort';
import { JaugeServer } from './server';

interface Options {
  /** Starts with the demo data, or with an empty database. */
  demo: boolean;
  /** Console messages that a test brings about on purpose, such as a refused connection. */
  expectedConsole: RegExp | null;
}

interface Fixtures {
  server: JaugeServer;
}

interface OfWorker {
  /** The port all tests of a worker use one after the other: a page is only kept for an address it knows. */
  door: { port: number };
}

/** What Playwright itself says where workers that keep files are left out (playwright.config). */
const BLOCKED = 'Service Worker registration blocked by Playwright';

/**
 * Every test has a server and a database of its own, and fails on any error or warning in the console, any uncaught
 * exception, and any request that leaves the own origin.
 */
export const test = base.extend<Options & Fixtures, OfWorker>({
  door: [
    // eslint-disable-next-line no-empty-pattern -- Playwright reads from the pattern what a fixture needs.
    async ({}, provide, { parallelIndex }) => provide({ port: await freePort(parallelIndex) }),
    { scope: 'worker' },
  ],
  demo: [true, { option: true }],
  expectedConsole: [null, { option: true }],
  server: async ({ demo, door }, provide) => {
    const server = new JaugeServer(demo, [], door.port);
    await server.start();
    await provide(server);
    await server.dispose();
  },
  baseURL: async ({ server }, provide) => {
    await provide(server.url);
  },
  page: async ({ page, server, expectedConsole }, provide) => {
    const faults: string[] = [];
    page.on('console', (message) => {
      if (!['error', 'warning'].includes(message.type()) || message.text() === BLOCKED) return;
      if (!expectedConsole?.test(message.text())) faults.push(`console ${message.type()}: ${message.text()}`);
    });
    page.on('pageerror', (error) => faults.push(`uncaught: ${error.message}`));
    page.on('request', (request) => {
      const { protocol, origin } = new URL(request.url());
      if (protocol.startsWith('http') && origin !== server.url) faults.push(`left the origin: ${request.url()}`);
    });
    await slowDown(page);
    await provide(page);
    expect(faults).toEqual([]);
    await leave(page, server);
  },
});

export { expect };

/**
 * Goes to an empty page of the same origin: what the application still writes as it is left is then written before the page
 * is wiped for the next test (from another process, as for about:blank, it may come after), and its connections end, which a
 * server waits for that is told to stop.
 */
async function leave(page: Page, server: JaugeServer): Promise<void> {
  const empty = `${server.url}/left`;
  await page.route(empty, (route) => route.fulfill({ contentType: 'text/html', body: '<html></html>' }));
  await page.goto(empty);
  // Playwright asks for this too but does not wait: what was not sent yet would be sent to the next test's server.
  await page.evaluate(async () => {
    for (const { name } of await indexedDB.databases())
      await new Promise<void>((gone, fail) => {
        const asked = indexedDB.deleteDatabase(name!);
        asked.onsuccess = () => gone();
        asked.onerror = () => fail(new Error(`${name} could not be deleted`));
      });
  });
}

/** JAUGE_CPU=4 slows the page's processor four times, as a phone in the cold is; without it nothing is changed. */
async function slowDown(page: Page): Promise<void> {
  const rate = Number(process.env.JAUGE_CPU ?? 1);
  if (rate === 1) return;
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate });
}

/** Opens the Far desk and waits for its first reading. */
export async function openFar(page: Page): Promise<void> {
  await page.goto('/far');
  await expect(page.getByTestId('pixels-value')).toBeVisible();
}

/** The number in the middle of the reading, as a number. */
export async function pixelsShown(page: Page): Promise<number> {
  return Number((await page.getByTestId('pixels-value').innerText()).replace(/[^\d.]/g, ''));
}
