import { atRest } from './support/rest';
import { expect, openFar, test } from './support/test';
import { pixelsOf } from './support/screen';

test('at 390 px nothing scrolls sideways and every target is large enough', async ({ page }) => {
  await openFar(page);
  const overflow = () => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(await overflow()).toBeLessThanOrEqual(0);
  const small = await page.evaluate(() =>
    [...document.querySelectorAll('[role=button],[role=switch],[role=radio],[role=slider],[role=tab],a,button,input')]
      .map((element) => ({
        box: element.getBoundingClientRect(),
        name: element.getAttribute('aria-label') ?? element.textContent,
      }))
      .filter(({ box }) => box.width > 0 && (box.height < 36 || box.width < 36))
      .map(({ name, box }) => `${name} ${Math.round(box.width)}×${Math.round(box.height)}`),
  );
  expect(small).toEqual([]);
  await page.goto('/book');
  await expect(page.getByText('Kept readings')).toBeVisible();
  expect(await overflow()).toBeLessThanOrEqual(0);
});

test('by touch, the ruler follows the finger', async ({ page }) => {
  await openFar(page);
  const ruler = page.getByRole('slider', { name: 'Distance' });
  const box = (await ruler.boundingBox())!;
  const session = await page.context().newCDPSession(page);
  const touch = (type: string, x: number) =>
    session.send('Input.dispatchTouchEvent', {
      type: type as 'touchStart',
      touchPoints: type === 'touchEnd' ? [] : [{ x, y: box.y + 20 }],
    });
  await touch('touchStart', box.x + 150);
  for (let x = 150; x >= 90; x -= 10) await touch('touchMove', box.x + x);
  await touch('touchEnd', 0);
  expect(Number(await ruler.getAttribute('aria-valuenow'))).toBeGreaterThan(70);
});

test('units change everywhere, and typed units are understood', async ({ page }) => {
  await openFar(page);
  await page.getByRole('button', { name: 'Preferences' }).click();
  await page.getByRole('radio', { name: 'Feet, inches' }).click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Subject: Curlew, at 197.ft/ })).toBeVisible();
  const field = page.getByTestId('distance-field');
  await field.fill('50 m');
  await field.press('Enter');
  await expect(page.getByRole('button', { name: /^Subject: Curlew, at 164.ft/ })).toBeVisible();
  await field.fill('100');
  await field.press('Enter');
  await expect(page.getByRole('slider', { name: 'Distance' })).toHaveAttribute('aria-valuenow', '30.48');
});

test.describe('on a wide screen', () => {
  test.use({ viewport: { width: 1280, height: 800 }, hasTouch: false });

  test('hand, picture and levers stand side by side and work with the keyboard alone', async ({ page }) => {
    await openFar(page);
    const lefts = await Promise.all(
      [
        page.getByRole('heading', { name: 'In hand' }),
        page.getByTestId('pixels-value'),
        page.getByRole('heading', { name: 'Levers' }),
      ].map(async (each) => (await each.boundingBox())!.x),
    );
    expect(lefts).toEqual([...lefts].sort((a, b) => a - b));
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);

    const ruler = page.getByRole('slider', { name: 'Distance' });
    await ruler.focus();
    await page.keyboard.press('ArrowLeft');
    await expect(ruler).toHaveAttribute('aria-valuenow', '59.4');
    await page.keyboard.press('PageUp');
    await expect(ruler).toHaveAttribute('aria-valuenow', '65.3');
    await page.keyboard.press('Home');
    await expect(ruler).toHaveAttribute('aria-valuenow', '0.1');
    await page.keyboard.press('End');
    await expect(ruler).toHaveAttribute('aria-valuenow', '2000');

    const lever = page.getByRole('switch', { name: /^Ostrel ×1.4/ });
    await lever.focus();
    await page.keyboard.press('Enter');
    await expect(lever).toBeChecked();

    await page.getByRole('button', { name: /^Set-up/ }).focus();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: 'Take Dune walk' })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('button', { name: 'Take Dune walk' })).toHaveCount(0);
  });

  test('single keys go to places, try levers and keep; in a field they are letters, and they can be turned off', async ({
    page,
  }) => {
    await openFar(page);
    await page.keyboard.press('n');
    await expect(page).toHaveURL(/\/near$/);
    await page.keyboard.press('f');
    await expect(page).toHaveURL(/\/far$/);
    const second = page.getByTestId('levers').getByRole('switch').nth(1);
    await expect(second).toBeVisible();
    await page.keyboard.press('2');
    await expect(second).toHaveAttribute('aria-checked', 'true');
    await page.keyboard.press('2');
    await expect(second).toHaveAttribute('aria-checked', 'false');
    await page.keyboard.press('2');
    await page.keyboard.press('a');
    await expect(page.getByRole('button', { name: 'Keep what is tried' })).toHaveCount(0);
    await page.keyboard.press('r');
    await expect(page.getByText(/Kept/).first()).toBeVisible();
    await page.keyboard.press('u');
    await expect(page.getByRole('heading', { name: 'Set-ups' })).toBeVisible();
    // Under an open sheet the page stays where it is.
    await page.keyboard.press('n');
    await page.keyboard.press('Escape');
    await expect(page).toHaveURL(/\/far$/);
    await page.getByTestId('distance-field').click();
    await page.keyboard.type('n');
    await expect(page).toHaveURL(/\/far$/);
    await page.getByTestId('distance-field').fill('60');
    await page.getByTestId('distance-field').press('Enter');
    await page.getByTestId('distance-field').blur();
    await page.keyboard.press('?');
    await page.getByRole('checkbox', { name: 'Single keys work' }).click();
    await page.keyboard.press('Escape');
    await page.keyboard.press('n');
    await expect(page).toHaveURL(/\/far$/);
  });

  test('a zoom is set by dragging and by typing, within its range', async ({ page }) => {
    await openFar(page);
    await page.getByRole('button', { name: /^Set-up/ }).click();
    await page.getByRole('button', { name: 'Take Dune walk' }).click();
    const field = page.getByTestId('focal-field');
    await field.fill('560');
    await field.press('Enter');
    await expect(page.getByRole('slider', { name: 'Focal length' })).toHaveAttribute('aria-valuenow', '560');
    await field.fill('800');
    await field.press('Enter');
    await expect(page.getByText(/between 150 and 600.mm with this lens/)).toBeVisible();
    await page.getByRole('slider', { name: 'Focal length' }).focus();
    await page.keyboard.press('Home');
    await expect(page.getByRole('slider', { name: 'Focal length' })).toHaveAttribute('aria-valuenow', '150');
  });
});

test('the night look has no pixel outside the red family, also while it loads', async ({ page }) => {
  await openFar(page);
  await page.getByRole('button', { name: 'Night look' }).click();
  await expect(page.getByRole('button', { name: 'Day look' })).toBeVisible();
  expect((await pixelsOf(page)).outsideRed).toBe(0);
  await page.reload({ waitUntil: 'commit' });
  // The first script of the page sets it, long before the application runs; the page is committed a moment earlier.
  await expect.poll(() => page.evaluate(() => document.documentElement?.dataset.look)).toBe('night');
  await expect(page.getByTestId('pixels-value')).toBeVisible();
  expect((await pixelsOf(page)).outsideRed).toBe(0);
});

test.describe('first view', () => {
  test.use({ expectedConsole: /ERR_FAILED|Failed to load resource/ });

  test('before the application runs, the page says the last reading of this device in words', async ({
    page,
    browser,
    server,
  }) => {
    const plain = await browser.newContext({ javaScriptEnabled: false });
    const bare = await plain.newPage();
    await bare.goto(`${server.url}/far`);
    await expect(bare.locator('[data-first=pixels]')).toHaveText('1,270');
    await expect(bare.getByText('Enough for Web page')).toBeVisible();
    await plain.close();

    // What begins once the page has a moment to spare is not part of the first view.
    await page.addInitScript(() => {
      window.requestIdleCallback = () => 0;
    });
    const scripts: string[] = [];
    page.on('request', (request) => {
      if (request.resourceType() === 'script') scripts.push(new URL(request.url()).pathname);
    });
    await openFar(page);
    await expect(page.locator('#first-view')).toHaveCount(0);
    // What only later parts need comes with the first of them.
    const shared = await page.locator('meta[name="shared-part"]').getAttribute('content');
    expect(scripts.length).toBeGreaterThan(0);
    expect(scripts).not.toContain(shared);
    await page.getByTestId('distance-field').fill('30');
    await page.getByTestId('distance-field').press('Enter');
    await expect.poll(() => page.evaluate(() => localStorage.getItem('jauge.firstView'))).toContain('at 30');
    const pixels = await page.getByTestId('pixels-value').innerText();
    // Hold the application back to see what stands there without it.
    await page.route('**/_expo/static/js/**', (route) => route.abort());
    await page.reload();
    await expect(page.locator('[data-first=pixels]')).toHaveText(pixels);
    await page.unroute('**/_expo/static/js/**');
  });
});

/** Pieces of a page that were moved by so much, as the browser counts it (share of the window × share moved). */
interface Moved {
  value: number;
  what: string;
}

test('once there is a number nothing below it moves: a finger on its way finds what it was going for', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const moved: Moved[] = [];
    Object.assign(globalThis, { moved });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as (PerformanceEntry & {
        value: number;
        sources?: { node?: Node }[];
      })[])
        moved.push({ value: entry.value, what: entry.sources?.[0]?.node?.textContent?.slice(0, 60) ?? '' });
    }).observe({ type: 'layout-shift', buffered: true });
  });
  for (const [path, last] of [
    ['/far', page.getByRole('heading', { name: 'Levers' })],
    ['/near', page.getByRole('heading', { name: 'Levers' })],
    ['/sky/night', page.getByTestId('night-title')],
  ] as const) {
    await page.goto(path);
    await expect(last.first()).toBeVisible();
    await atRest(page);
    // What is drawn of what has just arrived.
    await atRest(page);
    const moved = await page.evaluate(() => (globalThis as unknown as { moved: Moved[] }).moved);
    // Letters that arrive with their face move a line by a pixel.
    expect(moved.filter(({ value }) => value > 0.01)).toEqual([]);
  }
});
