import type { Page } from '@playwright/test';
import { expect, openFar, test } from './support/test';

test('a body takes two taps and can be used at once', async ({ page }) => {
  await openFar(page);
  await page.getByRole('button', { name: /^Set-up/ }).click();
  await page.getByRole('button', { name: /^Add a body/ }).click();
  await page.getByRole('radio', { name: /^Full frame/ }).click();
  await page.getByRole('button', { name: '61 MP' }).click();
  await expect(page.getByRole('button', { name: /^Set-up: Full frame 61.MP, Ostrel 600/ })).toBeVisible();
  await expect(page.getByTestId('pixels-value')).toHaveText('1,480');
  await page.reload();
  await expect(page.getByRole('button', { name: /^Set-up: Full frame 61.MP/ })).toBeVisible();
});

test('a lens is added by its form, with a comma for the decimals, and a set-up is built of it', async ({ page }) => {
  await openFar(page);
  await page.getByRole('button', { name: /^Set-up/ }).click();
  await page.getByRole('button', { name: 'Open the kit' }).click();
  await page.getByRole('button', { name: /^Add a part/ }).click();
  await page.getByRole('button', { name: 'Lens', exact: true }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Quillon 400 f/4,5');
  await page.getByRole('textbox', { name: 'Widest f/', exact: true }).fill('4,5');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('link', { name: 'Open Quillon 400 f/4,5' })).toBeVisible();
  await page.getByRole('button', { name: /^Set-up/ }).click();
  await page.getByRole('button', { name: 'New set-up' }).click();
  await page.getByRole('button', { name: /^Body and mode/ }).click();
  await page.getByRole('radio', { name: 'Merrow T20' }).click();
  await page.getByRole('button', { name: 'Add Quillon 400 f/4,5' }).click();
  await expect(page.getByTestId('together-focal')).toContainText('400');
  await expect(page.getByTestId('together-equivalent')).toContainText('797');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  // It is in hand at once, on the desk.
  await expect(page.getByRole('button', { name: /^Set-up: Merrow T20, Quillon 400/ })).toBeVisible();
  await expect(page.getByTestId('pixels-value')).toBeVisible();
});

const changeBody = async (page: Page, name: string) => {
  await page.goto('/kit');
  await page.getByRole('radio', { name: 'Bodies' }).click();
  await page.getByRole('link', { name: `Open ${name}` }).click();
  await page.getByRole('button', { name: 'Change', exact: true }).click();
};

test('bad entries are refused with a message at their field, and nothing typed is lost', async ({ page }) => {
  await changeBody(page, 'Ostrel R45');
  const width = page.getByRole('textbox', { name: 'Width, mm' });
  await width.fill('wide');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText(/“wide” is not a number/)).toBeVisible();
  await expect(width).toHaveValue('wide');
  await width.fill('0');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Sensor width in mm must be at least 0.5.')).toBeVisible();
  await width.fill('24');
  await page.getByRole('textbox', { name: 'Height, mm' }).fill('36');
  await page.getByRole('textbox', { name: 'Columns, px' }).click();
  await expect(page.getByText(/higher than wide in millimetres/)).toBeVisible();

  // Left without saving: what was typed is there again.
  await changeBody(page, 'Ostrel R45');
  await expect(page.getByText(/What you typed last time/)).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Height, mm' })).toHaveValue('36');
  await page.getByRole('button', { name: 'Start afresh' }).click();
  await expect(page.getByRole('textbox', { name: 'Height, mm' })).toHaveValue('24');
});

test('a part in use says where; another takes its place, and undo brings everything back', async ({ page, server }) => {
  const setups = async () =>
    (
      (await (await page.request.get(`${server.url}/api/v1/setups`)).json()) as {
        items: { data: { name: string; bodyId: string } }[];
      }
    ).items;
  const bodyOf = async (name: string) => (await setups()).find((row) => row.data.name === name)!.data.bodyId;
  const before = await bodyOf('Light bag');
  await changeBody(page, 'Merrow T20');
  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  await expect(page.getByText(/It is in the set-up “Light bag”/)).toBeVisible();
  await page.getByRole('radio', { name: 'Quillon C26' }).click();
  await page.getByRole('button', { name: 'Replace by Quillon C26, then delete' }).click();
  await expect(page.getByText('Quillon C26 took the place of Merrow T20 in one set-up.')).toBeVisible();
  await expect.poll(() => bodyOf('Light bag')).not.toBe(before);
  await expect(page.getByRole('link', { name: 'Open Merrow T20' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: 'Open Merrow T20' })).toBeVisible();
  await expect.poll(() => bodyOf('Light bag')).toBe(before);
});

test('a part in use can be retired: its set-ups keep it, nothing offers it', async ({ page }) => {
  await changeBody(page, 'Merrow T20');
  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  await page.getByRole('button', { name: 'Retire it' }).click();
  await expect(page.getByRole('link', { name: 'Open Merrow T20' })).toHaveCount(0);
  await page.getByRole('radio', { name: 'Retired' }).click();
  await page.getByRole('link', { name: 'Open Merrow T20' }).click();
  await expect(page.getByRole('link', { name: /Light bag/ })).toBeVisible();
  await page.goto('/kit/setups/new');
  await page.getByRole('button', { name: /^Body and mode/ }).click();
  await expect(page.getByRole('radio', { name: 'Quillon C26' })).toBeVisible();
  await expect(page.getByRole('radio', { name: 'Merrow T20' })).toHaveCount(0);
  await page.goBack();
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByText('Merrow T20 is offered again.')).toBeVisible();
});

test('a set-up and a subject are deleted and come back with undo', async ({ page }) => {
  await openFar(page);
  await page.getByRole('button', { name: /^Set-up/ }).click();
  await page.getByRole('button', { name: 'Edit Light bag' }).click();
  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  await expect(page.getByText('Deleted the set-up “Light bag”.')).toBeVisible();
  await page.getByRole('button', { name: /^Set-up/ }).click();
  await expect(page.getByRole('button', { name: 'Take Light bag' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Take Light bag' })).toBeVisible();
  await page.getByRole('button', { name: 'Close', exact: true }).click();

  await page.getByRole('button', { name: /^Subject/ }).click();
  await page.getByRole('button', { name: 'New subject' }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Hare');
  await page.getByRole('radio', { name: /^Small mammal/ }).click();
  await page.getByRole('textbox', { name: 'Size, mm' }).fill('55 cm');
  await page.getByRole('textbox', { name: 'Usual distance, m' }).fill('82 ft');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Subject: Hare, at 25.m/ })).toBeVisible();
});

test.describe('changed elsewhere', () => {
  test.use({ expectedConsole: /status of 409/ });

  test('a change made elsewhere is not overwritten: both copies are shown to choose from', async ({ page, server }) => {
    await openFar(page);
    await page.getByRole('button', { name: /^Subject/ }).click();
    await page.getByRole('button', { name: 'Edit Redshank' }).click();
    const list = (await (await page.request.get(`${server.url}/api/v1/subjects`)).json()) as {
      items: { id: string; version: number; data: { name: string } }[];
    };
    const row = list.items.find((item) => item.data.name === 'Redshank')!;
    const elsewhere = await page.request.put(`${server.url}/api/v1/subjects/${row.id}`, {
      data: { version: row.version, data: { ...row.data, name: 'Redshank, elsewhere' } },
    });
    expect(elsewhere.ok()).toBe(true);
    await page.getByRole('textbox', { name: 'Name' }).fill('Redshank, mine');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await page.getByRole('button', { name: 'Close', exact: true }).click();
    await expect(page.getByText(/Changed elsewhere/)).toBeVisible();
    await page.getByRole('button', { name: 'Look at both' }).click();
    await expect(page.getByText(/Redshank, elsewhere/).first()).toBeVisible();
    await expect(page.getByText(/Redshank, mine/).first()).toBeVisible();
    await page.getByRole('button', { name: 'Keep mine' }).click();
    await expect
      .poll(
        async () =>
          (
            (await (await page.request.get(`${server.url}/api/v1/subjects/${row.id}`)).json()) as {
              data: { name: string };
            }
          ).data.name,
      )
      .toBe('Redshank, mine');
  });
});
