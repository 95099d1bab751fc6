import type { BrowserContext, Page } from '@playwright/test';
import { randomOf } from '../../torture/tally';
import type { JaugeServer } from './server';

/** What a run came to: keeps the page confirmed, and what became of them. */
export interface OutboxRun {
  steps: string[];
  kept: number;
  atServer: number;
  /** Said on a page at the end: changes it could not place. */
  said: number;
}

const STEPS = ['keep', 'keep', 'keep', 'other', 'stop', 'start', 'reload', 'kill', 'full', 'room'] as const;

async function open(context: BrowserContext, url: string): Promise<Page> {
  const page = await context.newPage();
  await page.goto(`${url}/far`);
  await page.getByTestId('pixels-value').waitFor();
  return page;
}

async function keep(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Keep this reading' }).click();
  await page.getByText(/^Kept (in the Book|on this device)/).waitFor();
}

async function readingsAt(url: string): Promise<number> {
  const answer = await fetch(`${url}/api/v1/readings?limit=1`);
  return ((await answer.json()) as { total: number }).total;
}

/** Changes of this origin that have not reached the server, and the ones a page shows in its tray. */
const waitingIn = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((resolve, reject) => {
        const opening = indexedDB.open('jauge.outbox');
        opening.onerror = () => reject(new Error('no database'));
        opening.onsuccess = () => {
          const { result } = opening;
          if (!result.objectStoreNames.contains('changes')) return resolve(0);
          const counting = result.transaction('changes').objectStore('changes').count();
          counting.onsuccess = () => {
            result.close();
            resolve(counting.result);
          };
        };
      }),
  );

/**
 * Two windows, a server that comes and goes, reloads, killed windows and a full disk, in any order; then the server comes back
 * and everything is waited for. Every keep that a page confirmed must be at the server once.
 */
export async function outboxRun(
  context: BrowserContext,
  server: JaugeServer,
  seed: number,
  count = 12,
): Promise<OutboxRun> {
  const random = randomOf(seed);
  const before = await readingsAt(server.url);
  const pages = [await open(context, server.url), await open(context, server.url)];
  const steps: string[] = [];
  let kept = 0;
  let up = true;
  const devtools = await context.newCDPSession(pages[0]!);
  const quota = (quotaSize?: number) =>
    devtools
      .send('Storage.overrideQuotaForOrigin', { origin: server.url, ...(quotaSize === undefined ? {} : { quotaSize }) })
      .catch(() => undefined);
  for (let i = 0; i < count; i++) {
    const step = STEPS[Math.floor(random() * STEPS.length)]!;
    steps.push(step);
    if (step === 'keep' || step === 'other') {
      await keep(pages[step === 'keep' ? 0 : 1]!);
      kept += 1;
    } else if (step === 'stop' && up) {
      await server.stop();
      up = false;
    } else if (step === 'start' && !up) {
      await server.start();
      up = true;
    } else if (step === 'reload' && up) {
      await pages[0]!.reload();
      await pages[0]!.getByTestId('pixels-value').waitFor();
    } else if (step === 'kill' && up) {
      await pages[1]!.close({ runBeforeUnload: false });
      pages[1] = await open(context, server.url);
    } else if (step === 'full') await quota(1);
    else if (step === 'room') await quota();
  }
  await quota();
  if (!up) await server.start();
  const end = Date.now() + 400_000;
  for (;;) {
    for (const page of pages) await page.evaluate(() => window.dispatchEvent(new Event('online')));
    if ((await readingsAt(server.url)) - before >= kept && (await waitingIn(pages[0]!)) === 0) break;
    if (Date.now() > end) break;
    await pages[0]!.waitForTimeout(100);
  }
  const said = await waitingIn(pages[0]!);
  const atServer = (await readingsAt(server.url)) - before;
  for (const page of pages) await page.close();
  return { steps, kept, atServer, said };
}
