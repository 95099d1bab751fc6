import { demoReadings } from '../src/demo/readings';
import { atRest } from './support/rest';
import { expect, openFar, pixelsShown, test } from './support/test';

test.describe('with the server stopped', () => {
  test.use({ expectedConsole: /Failed to load resource|ERR_CONNECTION_REFUSED/ });

  test('a page that was not opened before waits for the server instead of taking everything away', async ({
    page,
    server,
  }) => {
    await openFar(page);
    await server.stop();
    await page.getByRole('link', { name: 'Sky' }).click();
    await expect(page.getByText(/this page was not opened before/)).toBeVisible();
    await page.getByRole('link', { name: 'Far' }).click();
    await expect(page.getByTestId('pixels-value')).toBeVisible();
    await page.getByRole('link', { name: 'Sky' }).click();
    await server.start();
    await expect(page.getByTestId('limit-value')).toBeVisible();
  });

  test('the reading still computes, keeping waits and says so, and arrives when the server is back', async ({
    page,
    server,
  }) => {
    await openFar(page);
    // The Book was opened before; without the service worker, which is not used here, it would wait for the server.
    await page.getByRole('link', { name: 'Book' }).click();
    await expect(
      page
        .getByRole('main')
        .getByRole('link', { name: /Curlew/ })
        .first(),
    ).toBeVisible();
    await page.getByRole('link', { name: 'Far' }).click();
    const before = await pixelsShown(page);
    // What the page is made of has arrived; from here on it needs no server.
    await page.evaluate(() => document.fonts.ready.then(() => undefined));
    await atRest(page);
    await server.stop();
    await page.getByTestId('distance-field').fill('30');
    await page.getByTestId('distance-field').press('Enter');
    await expect.poll(() => pixelsShown(page)).toBeGreaterThan(before * 1.8);
    await page.getByRole('button', { name: 'Keep this reading' }).click();
    await expect(page.getByText(/1 change waits on this device/)).toBeVisible();
    await page.getByRole('link', { name: 'Book' }).click();
    await expect(
      page
        .getByText('waits to be sent')
        .or(page.getByText(/the Book stays closed/))
        .first(),
    ).toBeVisible();
    await server.start();
    // It may go by itself, and the key with it, before the finger is there.
    const gone = () => expect(page.getByText(/change waits/)).toHaveCount(0);
    await Promise.race([page.getByRole('button', { name: 'Try now' }).click(), gone()]);
    await gone();
    await expect
      .poll(
        async () =>
          ((await (await page.request.get(`${server.url}/api/v1/readings`)).json()) as { total: number }).total,
      )
      .toBe(demoReadings().length + 1);
  });
});

test('unknown addresses and ids say what to do', async ({ page }) => {
  await page.goto('/book/no-such-reading');
  await expect(page.getByText(/no such reading in the Book/)).toBeVisible();
  await page.getByRole('button', { name: 'To the Book' }).click();
  await expect(page.getByText('Kept readings')).toBeVisible();
  await page.goto('/nowhere');
  await expect(page.getByText('There is no such page.')).toBeVisible();
  await page.getByRole('button', { name: 'To the Far desk' }).click();
  await expect(page.getByTestId('pixels-value')).toBeVisible();
});

test('a subject too near gives a message and the way back, never a broken number', async ({ page }) => {
  await openFar(page);
  const field = page.getByTestId('distance-field');
  await field.fill('2');
  await field.press('Enter');
  await expect(page.getByText(/cannot form a picture|focuses from/).first()).toBeVisible();
  await expect(page.getByTestId('pixels-value')).toHaveCount(0);
  await page.getByRole('button', { name: /^Go to 4.2/ }).click();
  // In focus there, but the bird is larger than the frame: that is said, and nothing is judged.
  await expect(page.getByTestId('withheld')).toContainText('Curlew does not fit');
  await expect(page.getByText(/Enough for|More than .* uses/)).toHaveCount(0);
  await field.fill('3');
  await field.press('Enter');
  await expect(page.getByText(/focuses from 4\.2.m on/).first()).toBeVisible();
  for (const [typed, message] of [
    ['0', /Distance must be/],
    ['-5', /Distance must be/],
    ['1e9', /Distance must be/],
    ['far', /not a number/],
  ] as const) {
    await field.fill(typed);
    await field.press('Enter');
    await expect(page.getByText(message)).toBeVisible();
    await expect(field).toHaveValue(typed);
  }
  await expect(page.locator('body')).not.toContainText('NaN');
  await expect(page.locator('body')).not.toContainText('Infinity');
});

test('a number field takes Enter without rewriting what stands in it, so that the next digits land where they are typed', async ({
  page,
}) => {
  await openFar(page);
  const field = page.getByTestId('distance-field');
  await field.click();
  await field.fill('80,5');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Subject: Curlew/ })).toContainText('80.5');
  await expect(field).toHaveValue('80,5');
  // Typed at once after Enter, with nothing waited for: it follows what stands there.
  await page.keyboard.press('Enter');
  await page.keyboard.type('5');
  await page.keyboard.press('Tab');
  await expect(field).toHaveValue('80.55');
  await field.fill('90');
  await page.keyboard.press('Enter');
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type('70');
  await page.keyboard.press('Tab');
  await expect(field).toHaveValue('70');
  // Entered by a click all is selected at once: the first digit replaces it, the second follows.
  await field.click();
  await page.keyboard.type('85');
  await page.keyboard.press('Tab');
  await expect(field).toHaveValue('85');
  // Entered by the keyboard, a click sets the caret where it falls, and what stands there stays.
  await page.keyboard.press('Shift+Tab');
  await expect(field).toBeFocused();
  const { width, height } = (await field.boundingBox())!;
  await field.click({ position: { x: width - 2, y: height / 2 } });
  await page.keyboard.type('.5');
  await page.keyboard.press('Tab');
  await expect(field).toHaveValue('85.5');
  await expect(page.getByTestId('pixels-value')).toHaveText(/^(\d,)?\d{3}$/);
});

test('an image circle too small is said with the share covered and the crop that is clean', async ({ page }) => {
  await openFar(page);
  await page.getByRole('button', { name: /^Set-up/ }).click();
  await page.getByRole('button', { name: 'Edit Marsh hide' }).click();
  await page.getByRole('button', { name: /^Lenses and telescopes/ }).click();
  await page.getByRole('button', { name: 'Add Merrow 300 f/4' }).click();
  await expect(page.getByText(/Dark corners: the image circle of 22.2 mm covers 45 %/)).toBeVisible();
});

test.describe('with an empty database', () => {
  test.use({ demo: false });

  test('from nothing to a first reading in five taps, with nothing to type; what is assumed is made one’s own', async ({
    page,
  }) => {
    await page.goto('/far');
    await page.getByRole('radio', { name: /^Far birds/ }).click();
    await page.getByRole('radio', { name: /^APS-C 1.5/ }).click();
    await page.getByRole('button', { name: '24 MP' }).click();
    await page.getByRole('radio', { name: /^150–600/ }).click();
    await page.getByTestId('kind-perchingBird').click();
    await expect(page.getByTestId('pixels-value')).toBeVisible();
    await expect(page.getByRole('button', { name: /^Set-up: APS-C 1.5 24.MP, 150–600/ })).toBeVisible();
    await expect(page.getByTestId('pixels')).toContainText('on an assumed 140');
    await page.getByTestId('assumed-subject').click();
    await page.getByRole('radio', { name: /^Raptor/ }).click();
    await expect(page.getByRole('textbox', { name: /^Size, mm/ })).toHaveValue('1200');
    await expect(page.getByRole('textbox', { name: /^Usual distance/ })).toHaveValue('80');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await page.getByRole('button', { name: 'Close', exact: true }).click();
    await expect(page.getByTestId('pixels')).not.toContainText('assumed');
    await page.getByTestId('assumed-lens').click();
    await expect(page).toHaveURL(/\/kit\/optics\//);
    await page.goto('/book');
    await expect(page.getByText('Nothing kept yet.')).toBeVisible();
  });
});
