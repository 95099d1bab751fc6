import { axeFindings } from './support/axe';
import { holdInHand } from './support/inHand';
import { overlapsAndCuts } from './support/boxes';
import { atRest } from './support/rest';
import { expect, openFar, test } from './support/test';

test('with one hand: what is touched often lies at the bottom, and keys stand in for gestures', async ({ page }) => {
  await openFar(page);
  await page.getByRole('button', { name: 'Preferences' }).click();
  await page.getByRole('checkbox', { name: 'One hand' }).click();
  // The way out lies at the bottom now.
  const close = page.getByRole('button', { name: 'Close', exact: true });
  expect((await close.boundingBox())!.y).toBeGreaterThan(600);
  await close.click();
  const height = page.viewportSize()!.height;
  for (const name of [/^Set-up/, /^Subject/, 'Preferences', 'Night look', 'Distance: less', 'Distance: more'])
    expect((await page.getByRole('button', { name }).first().boundingBox())!.y, String(name)).toBeGreaterThan(
      height / 2,
    );
  expect((await page.getByText('Levers', { exact: true }).boundingBox())!.y).toBeGreaterThan(height / 2);
  // The reading stays in sight above them.
  expect((await page.getByTestId('pixels-value').boundingBox())!.y).toBeLessThan(height / 2);
  const rule = page.getByRole('slider', { name: 'Distance' });
  const before = Number(await rule.getAttribute('aria-valuenow'));
  await page.getByRole('button', { name: 'Distance: more' }).click();
  await expect.poll(async () => Number(await rule.getAttribute('aria-valuenow'))).toBeCloseTo(before * 1.05, 0);
  expect(await axeFindings(page)).toEqual([]);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Distance: less' })).toBeVisible();

  // Under the sky too: the way to its other desks, and the limits above the levers.
  await page.goto('/sky');
  const planets = page.getByRole('link', { name: 'Planets' });
  expect((await planets.boundingBox())!.y).toBeGreaterThan(height / 2);
  expect((await page.getByTestId('limit-value').boundingBox())!.y).toBeLessThan(height / 2);
});

test('with text twice as large a phone shows names, reading and a rule one can pull', async ({ page }) => {
  // What a browser makes of 390 × 844 at 200 %.
  await page.setViewportSize({ width: 195, height: 422 });
  // Without a place, as with a kit of one's own: what to do is longer than the window is high.
  await page.route('**/api/v1/demo', (route) => route.fulfill({ json: { rows: 0 } }));
  await page.goto('/sky/night');
  await expect(page.getByRole('button', { name: 'Choose a place' })).toBeVisible();
  expect(await overlapsAndCuts(page)).toEqual([]);
  await page.unroute('**/api/v1/demo');
  await openFar(page);
  await expect(page.getByRole('button', { name: /^Set-up: Marsh hide/ })).toContainText('Marsh hide');
  await expect(page.getByTestId('pixels-value')).toBeInViewport();
  const rule = page.getByRole('slider', { name: 'Distance' });
  await rule.scrollIntoViewIfNeeded();
  expect((await rule.boundingBox())!.width).toBeGreaterThan(150);
  for (const route of ['/far', '/near', '/sky', '/sky/planets', '/sky/deep', '/sky/night', '/bench', '/book', '/kit']) {
    await page.goto(route);
    await expect(page.getByRole('main')).toBeVisible();
    await atRest(page);
    const [needed, there] = await page.evaluate(() => [document.documentElement.scrollWidth, window.innerWidth]);
    expect(needed, route).toBeLessThanOrEqual(there!);
    expect(await overlapsAndCuts(page), route).toEqual([]);
    // A ratio stands in one line.
    if (route === '/near') expect((await page.getByTestId('ratio-value').boundingBox())!.height).toBeLessThan(60);
  }
});

test('in full sun all text has a contrast of 7 to 1', async ({ page }) => {
  await holdInHand(page, { preferences: { look: 'day', fullSun: true } });
  for (const route of [
    '/far',
    '/near',
    '/sky',
    '/sky/planets',
    '/bench',
    '/book',
    '/kit',
    '/kit/bring',
    '/kit/along',
  ]) {
    await page.goto(route);
    await expect(page.getByRole('main')).toBeVisible();
    await atRest(page);
    expect(await axeFindings(page, ['color-contrast-enhanced', 'color-contrast']), route).toEqual([]);
  }
});

test('the device gives azimuth and altitude when it is asked', async ({ page }) => {
  await page.goto('/sky');
  // The demo's place comes a moment after the desk.
  await expect(page.getByRole('button', { name: /^Place and night: Sea wall/ })).toBeVisible();
  await page.getByRole('button', { name: /Where it points/ }).click();
  await page.getByRole('radio', { name: 'Azimuth and altitude' }).click();
  // As a phone tells it, over and over, that is held towards the south-west, 35° up; this machine has no compass of its own.
  await page.evaluate(() =>
    setInterval(
      () =>
        window.dispatchEvent(
          new DeviceOrientationEvent('deviceorientationabsolute', { alpha: 135, beta: 125, gamma: 0, absolute: true }),
        ),
      40,
    ),
  );
  await page.getByRole('button', { name: 'Take it from this device' }).click();
  await expect(page.getByText(/^Azimuth 22\d° from true north/)).toBeVisible();
  await expect(page.getByRole('textbox', { name: /^Altitude/ })).toHaveValue('35');
});
