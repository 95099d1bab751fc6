import { chromium, type Browser, type CDPSession, type Page } from '@playwright/test';
import { demoSetups, demoSubjects } from '@/demo/kit';
import { report, spreadOf } from './timing';

/** What the first view may need of JavaScript, compressed, kB. */
const STARTING_KB = 380;

/** Other work on the machine falls into one run or another; the middle of three is the application's. */
const RUNS = 3;

async function open(browser: Browser, slowdown: number): Promise<{ page: Page; session: CDPSession }> {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    deviceScaleFactor: 2,
    hasTouch: true,
  });
  const page = await context.newPage();
  const session = await context.newCDPSession(page);
  if (slowdown > 1) await session.send('Emulation.setCPUThrottlingRate', { rate: slowdown });
  return { page, session };
}

/** Runs in the page: notes when the reading first stands in it, in words or on the desk, and when the desk does. Asking from outside would slow the page it measures. */
const SEEN = `new MutationObserver((_, observer) => {
  const note = (name) => requestAnimationFrame(() => { window[name] ??= performance.now(); });
  if (document.querySelector('[data-first="pixels"], [data-testid="pixels-value"]')) note('readingSeenMs');
  if (!document.querySelector('[data-testid="pixels-value"]')) return;
  note('deskReadyMs');
  observer.disconnect();
}).observe(document, { childList: true, subtree: true })`;

/** Waits until words of the page come true; its policy allows no function to be made there. */
async function until(page: Page, words: string): Promise<void> {
  while (!(await page.evaluate(words))) await page.waitForTimeout(100);
}

async function firstView(browser: Browser, url: string): Promise<void> {
  const { page, session } = await open(browser, 4);
  await session.send('Network.enable');
  let bytes = 0;
  const scripts = new Set<string>();
  session.on('Network.responseReceived', (event) => {
    if (event.type === 'Script') scripts.add(event.requestId);
  });
  session.on('Network.loadingFinished', (event) => {
    if (scripts.has(event.requestId)) bytes += event.encodedDataLength;
  });
  await page.addInitScript(SEEN);
  await page.goto(`${url}/far`, { waitUntil: 'commit' });
  await until(page, 'window.deskReadyMs !== undefined');
  const startingBytes = bytes;
  await page.waitForTimeout(5000);
  const seen = await page.evaluate('window.readingSeenMs');
  report('First view: reading visible, CPU slowed 4×', Number(seen), 'ms', 500);
  console.log(
    `${'First view: desk drawn and ready to drag, CPU slowed 4×'.padEnd(58)} ${Number(
      await page.evaluate('window.deskReadyMs'),
    )
      .toFixed(0)
      .padStart(8)} ms`,
  );
  report('First view: JavaScript on the wire', startingBytes / 1000, 'kB', STARTING_KB);
  console.log(
    `At rest after it, for what runs beside the page: ${((bytes - startingBytes) / 1000).toFixed(0)} kB of JavaScript`,
  );
  await page.context().close();
}

/**
 * Starts again in the same browser, when the service worker holds every file and the browser has compiled them: what a
 * person sees from the second start on. The middle of three.
 */
async function startAgain(browser: Browser, url: string): Promise<void> {
  const { page: first } = await open(browser, 1);
  const context = first.context();
  await first.goto(`${url}/far`);
  await until(first, 'navigator.serviceWorker.controller?.state === "activated"');
  await first.getByTestId('pixels-value').waitFor();
  await first.close();
  const seen: number[] = [];
  const ready: number[] = [];
  for (let i = 0; i <= RUNS; i++) {
    const page = await context.newPage();
    const session = await context.newCDPSession(page);
    await session.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    await page.addInitScript(SEEN);
    await page.goto(`${url}/far`, { waitUntil: 'commit' });
    await until(page, 'window.deskReadyMs !== undefined');
    // The first of these is the second start: the browser keeps what it has compiled from the third on.
    seen.push(Number(await page.evaluate('window.readingSeenMs')));
    ready.push(Number(await page.evaluate('window.deskReadyMs')));
    await page.waitForTimeout(1500);
    await page.close();
  }
  console.log(`Second start, CPU slowed 4×: desk ready after ${ready[0]?.toFixed(0)} ms`);
  report('Start again: reading visible, CPU slowed 4×', spreadOf(seen).median, 'ms', 500);
  report('Start again: desk ready to drag, CPU slowed 4×', spreadOf(ready).median, 'ms', 2500);
  await context.close();
}

/**
 * Runs in the page, as text: a compiler's helpers would not be there. Moves the pointer once a frame and measures until
 * the new reading stands in the page and is laid out.
 */
const dragOf = (label: string) => `(async () => {
    const ruler = document.querySelector('[role="slider"][aria-label="${label}"]');
    if (!ruler) throw new Error('no ruler');
    const box = ruler.getBoundingClientRect();
    const fire = (type, x) =>
      ruler.dispatchEvent(new PointerEvent(type, { bubbles: true, pointerId: 1, isPrimary: true, button: 0, buttons: 1, clientX: x, clientY: box.top + 20 }));
    ruler.setPointerCapture = () => undefined;
    const nextFrame = () => new Promise((resolve) => requestAnimationFrame(resolve));
    const found = [];
    let x = box.left + box.width / 2;
    fire('pointerdown', x);
    for (let i = 0; i < 120; i++) {
      x += i < 60 ? -2 : 2;
      await nextFrame();
      const begin = performance.now();
      fire('pointermove', x);
      // React renders in a microtask after the event; asking for a size then makes the browser lay the page out.
      await Promise.resolve();
      void document.body.offsetHeight;
      found.push(performance.now() - begin);
    }
    fire('pointerup', x);
    return found;
})()`;

interface Desk {
  name: string;
  path: string;
  /** The ruler that is dragged, and what shows that the desk stands. */
  ruler: string;
  testId: string;
  inHand: object;
}

const DESKS: Desk[] = [
  { name: 'Far', path: '/far', ruler: 'Distance', testId: 'pixels-value', inHand: {} },
  {
    name: 'Near',
    path: '/near',
    ruler: 'Reproduction ratio',
    testId: 'ratio-value',
    inHand: { setupId: demoSetups.heath.id, subjectId: demoSubjects.tigerBeetle.id, nearRatio: 0.7 },
  },
  { name: 'Stars', path: '/sky', ruler: 'Exposure', testId: 'limit-value', inHand: { setupId: demoSetups.darkSky.id } },
];

/** Time from a pointer move until its effect is laid out, over a drag of the desk's ruler. */
async function drag(browser: Browser, url: string, desk: Desk, slowdown: number, bound: number): Promise<void> {
  const runs: number[] = [];
  const longest: number[] = [];
  for (let i = 0; i < RUNS; i++) {
    const { page } = await open(browser, slowdown);
    await page.addInitScript(
      (state) =>
        localStorage.setItem(
          'jauge.hands',
          JSON.stringify({ state: { hands: { far: state, near: state, stars: state } }, version: 1 }),
        ),
      desk.inHand,
    );
    await page.goto(`${url}${desk.path}`);
    await page.getByTestId(desk.testId).waitFor();
    // The levers come a moment after the reading; nobody pulls before that.
    await page.waitForTimeout(1500);
    const found = (await page.evaluate(dragOf(desk.ruler))) as number[];
    runs.push(spreadOf(found).p95);
    longest.push(Math.max(...found));
    await page.context().close();
  }
  report(
    `${desk.name}, drag: screen update, p95${slowdown > 1 ? `, CPU slowed ${slowdown}×` : ''}`,
    spreadOf(runs).median,
    'ms',
    bound,
  );
  if (slowdown === 1) report(`${desk.name}, drag: longest update`, spreadOf(longest).median, 'ms', 32);
}

export async function benchView(url: string): Promise<void> {
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });
  try {
    await firstView(browser, url);
    await startAgain(browser, url);
    for (const desk of DESKS) {
      await drag(browser, url, desk, 1, 16);
      await drag(browser, url, desk, 4, 33);
    }
  } finally {
    await browser.close();
  }
}
