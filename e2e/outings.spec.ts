import fs from 'node:fs';
import { jpegFile } from '../tests/photoFiles';
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
  await expect(page.getByRole('button', { name: /^Picture 5, Roe deer/ })).toContainText('Borderline', {
    timeout: 60_000,
  });
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

/** A picture as a camera writes it, as far as EXIF goes. */
const picture = (i: number, minute: number, change: object = {}) => ({
  name: `HOL_${1000 + i}.JPG`,
  mimeType: 'image/jpeg',
  buffer: Buffer.from(
    jpegFile(
      {
        make: 'Ostrel',
        model: 'R45',
        lensModel: 'Ostrel 600 f/5.6',
        focalLength: 600,
        fNumber: 5.6,
        exposureS: 0.0005,
        iso: 1600,
        takenAt: `2026:11:15 08:${String(minute).padStart(2, '0')}:00`,
        ...change,
      },
      { columns: 8256, rows: 5504 },
    ),
  ),
});

test('pictures are brought home in groups, and judged by keys', async ({ page }) => {
  await page.goto(`${MARSH}/log`);
  await expect(page.getByText(/22 of 22 groups judged/)).toBeVisible();
  await page.getByRole('button', { name: 'Bring the pictures home' }).click();
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Choose pictures' }).click();
  const files = [
    ...Array.from({ length: 60 }, (_, i) => picture(i, Math.floor(i / 12))),
    ...Array.from({ length: 40 }, (_, i) => picture(100 + i, 30 + Math.floor(i / 10), { subjectDistanceM: 14 })),
    { name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') },
  ];
  await (await chooser).setFiles(files);
  await expect(page.getByText('100 pictures in 2 groups.')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/^notes\.txt: This is not a JPEG/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep these 2 groups' }).click();
  await expect(page.getByText(/22 of 24 groups judged/)).toBeVisible();
  const groups = page.getByRole('list', { name: 'Groups of pictures' }).getByRole('listitem');
  await expect(groups).toHaveCount(24);
  await expect(groups.nth(22)).toContainText('08:00–08:04 · 60 pictures');
  // The first that nobody judged is marked: its key judges it and goes on.
  await expect(groups.nth(22)).toHaveAttribute('aria-current', 'true');
  await page.keyboard.press('1');
  await expect(groups.nth(22).getByRole('radio', { name: 'Kept' })).toBeChecked();
  await expect(groups.nth(23)).toHaveAttribute('aria-current', 'true');
  await page.keyboard.press('3');
  await expect(groups.nth(23).getByRole('radio', { name: 'Too small' })).toBeChecked();
  await page.keyboard.press('ArrowUp');
  await expect(groups.nth(22)).toHaveAttribute('aria-current', 'true');
  await expect(page.getByText(/24 of 24 groups judged/)).toBeVisible();
  // EXIF told how far the second was: it is the stonechat of the plan, or was named so.
  await groups
    .nth(23)
    .getByRole('button', { name: /change/ })
    .click();
  await page.getByRole('radio', { name: 'Stonechat' }).first().click();
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(groups.nth(23)).toContainText('14 m');
  await expect(groups.nth(23)).toContainText('px on it');

  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Log as CSV' }).click();
  const csv = fs.readFileSync(await (await coming).path(), 'utf8');
  expect(csv.split('\n')).toHaveLength(26);
  expect(csv).toMatch(/,small,.*HOL_1100\.JPG|small.*HOL_1100/);
  // The same table comes in again: every group is there already, under its id.
  await page.goto('/kit/bring');
  const again = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Choose a CSV or JSON file' }).click();
  await (await again).setFiles({ name: 'log.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await expect(page.getByText(/24 groups of pictures, all of them readable/)).toBeVisible();
});
