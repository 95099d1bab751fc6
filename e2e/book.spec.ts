import { expect, openFar, test } from './support/test';

test.setTimeout(900_000);

test('readings are looked up, put in order and read on by the server', async ({ page, server }) => {
  const { items } = (await (await fetch(`${server.url}/api/v1/readings?limit=1&desk=far`)).json()) as {
    items: { data: { takenAt: string; note: string; input: { subject: { name: string } } } }[];
  };
  const { data } = items[0]!;
  const rows = Array.from({ length: 400 }, (_, i) => ({
    id: `20000000-0000-4000-8000-${String(i).padStart(12, '0')}`,
    data: {
      ...data,
      takenAt: new Date(Date.UTC(2020, 0, 1, 0, i)).toISOString(),
      note: i === 7 ? 'the one by the old sluice' : `note ${i}`,
      input: { ...data.input, subject: { ...data.input.subject, name: `Bird ${String(i).padStart(3, '0')}` } },
    },
  }));
  await fetch(`${server.url}/api/v1/import`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ format: 'jauge', formatVersion: 1, rows: { readings: rows } }),
  });
  await page.goto('/book');
  await expect(page.getByRole('status').filter({ hasText: /^40\d in all$/ })).toBeVisible();
  await page.getByRole('radio', { name: 'Oldest' }).click();
  await expect(page.getByRole('link').filter({ hasText: 'Bird' }).first()).toContainText('Bird 000');
  // The list is fetched on as one reads.
  await expect(async () => {
    await page.mouse.move(195, 500);
    await page.mouse.wheel(0, 4000);
    await expect(page.getByText('Bird 150')).toBeVisible({ timeout: 300 });
  }).toPass();
  await page.getByRole('radio', { name: 'Newest' }).click();
  await page.getByRole('textbox', { name: 'Look for' }).fill('SLUICE bird');
  await expect(page.getByText('1 found')).toBeVisible();
  await page.getByRole('link').filter({ hasText: 'Bird 007' }).click();
  await expect(page.getByText('the one by the old sluice')).toBeVisible();
  await page.getByRole('button', { name: 'To the Book' }).click();
  await page.getByRole('textbox', { name: 'Look for' }).fill('no such thing');
  await expect(page.getByText('No reading has all the words “no such thing”.')).toBeVisible();
});

test('a backup is made and brought back with one tap, and that can be undone', async ({ page }) => {
  await page.goto('/kit/bring');
  await page.getByRole('button', { name: 'Back up now' }).click();
  // One of the day was made at the start.
  await expect(page.getByRole('button', { name: 'Bring back' })).toHaveCount(2);
  await page.goto('/book');
  await page
    .getByRole('link', { name: /^Curlew/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByRole('link', { name: /^Curlew/ })).toHaveCount(0);
  await page.goto('/kit/bring');
  await page.getByRole('button', { name: 'Bring back' }).first().click();
  await expect(page.getByText(/^Everything is as it was on/)).toBeVisible();
  await page.goto('/book');
  await expect(page.getByRole('link', { name: /^Curlew/ })).toHaveCount(1);
  await page.goto('/kit/bring');
  await expect(page.getByText('before a backup was brought back')).toBeVisible();
});

test('what is half typed stays when the look changes, and odd values on the device stop nothing', async ({ page }) => {
  await page.addInitScript(() => {
    if (sessionStorage.getItem('begun')) return;
    sessionStorage.setItem('begun', '1');
    const far = { distanceM: 'near', chain: [{ type: 'wing' }], trials: { mode: null } };
    localStorage.setItem('jauge.hands', JSON.stringify({ state: { hands: { far } }, version: 1 }));
    localStorage.setItem('jauge.preferences', '{"state":');
  });
  await openFar(page);
  await page.getByRole('button', { name: 'Open the tray' }).click();
  const tray = page.getByRole('dialog', { name: 'The tray' });
  await expect(tray.getByText('Something this version cannot read').first()).toBeVisible();
  for (let left = await tray.getByRole('button', { name: 'Drop' }).count(); left > 0; left--) {
    await tray.getByRole('button', { name: 'Drop' }).first().click();
    await expect(tray.getByRole('button', { name: 'Drop' })).toHaveCount(left - 1);
  }
  await tray.getByRole('button', { name: 'Close', exact: true }).click();
  await page.getByRole('button', { name: 'Add a note' }).click();
  await page.getByRole('textbox', { name: 'Note' }).fill('half a sente');
  await page.getByRole('button', { name: 'Night look' }).click();
  await page.getByRole('button', { name: 'Dimmer' }).click();
  await page.getByRole('button', { name: 'Day look' }).click();
  await expect(page.getByRole('textbox', { name: 'Note' })).toHaveValue('half a sente');
});

test('after taking a part out of a chain the focus is at its neighbour', async ({ page, server }) => {
  const { items } = (await (await fetch(`${server.url}/api/v1/setups?limit=50`)).json()) as {
    items: { id: string; data: { chain: unknown[] } }[];
  };
  const long = items.find((row) => row.data.chain.length >= 3)!;
  await page.goto(`/kit/setups/${long.id}`);
  const steps = page.getByRole('list', { name: 'What each part does' });
  const before = await steps.getByRole('listitem').count();
  for (let left = before - 1; left >= 0; left--) {
    await steps
      .getByRole('button', { name: /^Take out/ })
      .first()
      .focus();
    await page.keyboard.press('Enter');
    await expect(steps.getByRole('listitem')).toHaveCount(left);
    expect(await page.evaluate(() => document.activeElement === document.body)).toBe(false);
  }
});
