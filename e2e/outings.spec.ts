import fs from 'node:fs';
import { expect, test } from './support/test';

test.setTimeout(900_000);

const MARSH = '/book/outings/00000000-0000-4000-8000-000000007001';

test('an outing is planned by a worker, packed lighter, and taken along', async ({ page }) => {
  await page.goto('/book');
  await page.getByRole('link', { name: 'Outings' }).click();
  await page.getByRole('link', { name: /^Marsh at first light/ }).click();
  // The plan comes from the worker.
  await expect(page.getByRole('button', { name: 'Picture 1, Curlew: change' })).toContainText('Enough for Web page', {
    timeout: 60_000,
  });
  await expect(page.getByRole('list', { name: 'What is missing' })).toContainText('Roe deer: Bring Ostrel ×1.4 too');

  await page.getByRole('button', { name: 'The lightest bag' }).click();
  const bags = page.getByRole('list', { name: 'Bags, the lightest first' });
  await expect(bags).toBeVisible({ timeout: 60_000 });
  await bags.getByRole('button', { name: 'Pack this' }).last().click();
  await expect(page.getByRole('button', { name: /^Picture 5, Roe deer/ })).toContainText('Enough', { timeout: 60_000 });
  await expect(page.getByRole('list', { name: 'What is missing' })).toHaveCount(0);

  await page.getByRole('button', { name: 'Add a picture' }).click();
  await page.getByRole('radio', { name: 'Stoat' }).click();
  await page.getByRole('textbox', { name: 'From which distance' }).fill('18');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('button', { name: /^Picture 7, Stoat/ })).toContainText('from 18', { timeout: 60_000 });

  await page.getByRole('button', { name: 'Change day and place' }).click();
  await page.getByRole('textbox', { name: 'Day, as year-month-day' }).fill('2026-02-30');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('There is no such day. Write it as 2026-11-25.')).toBeVisible();
  await page.getByRole('textbox', { name: 'Day, as year-month-day' }).fill('2026-12-06');
  await page.getByRole('radio', { name: 'Tromsø' }).click();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Sun 6 Dec 2026 · Tromsø')).toBeVisible();
  // The Sun does not rise there in December, by the clocks of Tromsø.
  await expect(page.getByRole('list', { name: 'Light and dark' })).not.toContainText('Sunrise');

  await page.getByRole('button', { name: 'Card', exact: true }).click();
  await expect(page.getByRole('group', { name: 'Stoat' })).toContainText('When it comes closer', { timeout: 60_000 });
  const files: Record<string, string> = {};
  for (const name of ['PDF', 'SVG', 'Markdown', 'Calendar']) {
    const coming = page.waitForEvent('download');
    await page.getByRole('button', { name, exact: true }).click();
    const file = await coming;
    files[name] = fs.readFileSync(await file.path(), 'latin1');
    expect(file.suggestedFilename()).toMatch(/^2026-12-06-marsh-at-first-light\.(pdf|svg|md|ics)$/);
  }
  expect(files.PDF).toMatch(/^%PDF-/);
  expect(files.SVG).toMatch(/^<svg .*width="105mm"/);
  expect(files.Markdown).toMatch(/^# Marsh at first light/);
  expect(files.Calendar).toMatch(/DTSTART;VALUE=DATE:20261206/);
});

test.describe('with a part that does not arrive', () => {
  test.use({ expectedConsole: /ERR_FAILED|Failed to load/ });
  test('a plan says so, and goes on when asked', async ({ page }) => {
    await page.route(/\/bag-[0-9a-f]+\.js/, (route) => route.abort());
    await page.goto(MARSH);
    await expect(page.getByText(/The plan could not be worked out: its part of Jauge did not arrive/)).toBeVisible({
      timeout: 60_000,
    });
    await page.unroute(/\/bag-[0-9a-f]+\.js/);
    await page.getByRole('button', { name: 'Go on' }).click();
    await expect(page.getByRole('button', { name: 'Picture 1, Curlew: change' })).toContainText('Enough', {
      timeout: 60_000,
    });
  });
});

test('a new outing begins with nothing, and is deleted and brought back', async ({ page }) => {
  await page.goto('/book/outings');
  await page.getByRole('button', { name: 'New outing' }).click();
  await expect(page.getByText('No picture yet. Add what you hope for')).toBeVisible();
  await page.getByRole('button', { name: 'Delete the outing' }).click();
  await expect(page.getByRole('link', { name: /^New outing/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: /^New outing/ })).toBeVisible();
});
