import { outboxRun } from './support/outboxRun';
import { expect, openFar, test } from './support/test';

// A stopped server and a full disk are what these tests are about.
test.use({ expectedConsole: /Failed to load resource|ERR_CONNECTION|net::|QuotaExceeded/ });

test.setTimeout(1_200_000);

test('two windows, a server that comes and goes, reloads, kills and a full disk: every keep arrives once', async ({
  context,
  server,
}) => {
  const first = Number(process.env.JAUGE_SEED ?? Math.floor(Math.random() * 1e9));
  for (let i = 0; i < 2; i++) {
    const run = await outboxRun(context, server, first + i);
    expect(run, `seed ${first + i}: ${run.steps.join(' ')}`).toMatchObject({ atServer: run.kept, said: 0 });
  }
});

test('a change the server fails on goes to the tray, and the rest passes', async ({ page }) => {
  await openFar(page);
  let broken = true;
  await page.route('**/api/v1/readings', (route) =>
    broken && route.request().method() === 'POST' && (route.request().postData() ?? '').includes('the unlucky one')
      ? route.fulfill({
          status: 500,
          contentType: 'application/problem+json',
          body: JSON.stringify({
            code: 'server.failed',
            title: 'Server error',
            detail: 'It failed.',
            status: 500,
            type: '',
          }),
        })
      : route.continue(),
  );
  await page.getByRole('button', { name: 'Add a note' }).click();
  await page.getByRole('textbox', { name: 'Note' }).fill('the unlucky one');
  await page.getByRole('button', { name: 'Keep this reading' }).click();
  // Each further change tries the first again; none of them waits for it.
  for (let i = 0; i < 5; i++) {
    await page.getByRole('button', { name: 'Keep this reading' }).click();
    await page.evaluate(() => window.dispatchEvent(new Event('online')));
  }
  await page.getByRole('button', { name: 'Open the tray' }).click();
  const tray = page.getByRole('dialog', { name: 'The tray' });
  await expect(tray.getByText(/New (kept )?reading “Curlew”/)).toBeVisible();
  broken = false;
  await tray.getByRole('button', { name: 'Try again' }).click();
  await expect(tray.getByText('Nothing lies here any more.')).toBeVisible();
  await expect
    .poll(
      async () =>
        ((await (await page.request.get('/api/v1/readings?search=unlucky')).json()) as { total: number }).total,
    )
    .toBe(1);
});
