import { chromium } from '@playwright/test';
import { outboxRun } from '../e2e/support/outboxRun';
import { JaugeServer } from '../e2e/support/server';
import { CHROMIUM_ARGS } from '../playwright.config';
import { count, newTally, type Tally } from './tally';

/** Two browsers at once, each with its own server. */
const AT_ONCE = 2;

/** Two windows, a server that comes and goes, kills, reloads and a full disk, in a real browser, again and again. */
export async function browserRuns(minutes: number, seed: number, wanted = 500): Promise<Tally> {
  const tally = newTally('browser runs', wanted);
  const end = Date.now() + minutes * 60_000;
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: CHROMIUM_ARGS,
  });
  const one = async () => {
    const server = new JaugeServer(true);
    await server.start();
    while (tally.done < wanted && Date.now() < end) {
      const own = seed + tally.done;
      tally.done += 1;
      const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
      const run = await outboxRun(context, server, own).catch((error: unknown) => ({
        steps: [String(error).slice(0, 200)],
        kept: 1,
        atServer: 0,
        said: 0,
      }));
      await context.close();
      count(tally, 'keeps', run.kept);
      if (run.atServer !== run.kept || run.said !== 0)
        tally.faults.push(
          `seed ${own}: ${run.kept} kept, ${run.atServer} at the server, ${run.said} said (${run.steps.join(' ')})`,
        );
    }
    await server.dispose();
  };
  await Promise.all(Array.from({ length: AT_ONCE }, one));
  await browser.close();
  return tally;
}
