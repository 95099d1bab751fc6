import { holdInHand } from './support/inHand';
import { axeFindings } from './support/axe';
import { expect, openFar, test } from './support/test';

// Many pages each: a shared machine may be ten times slower for a while.
test.setTimeout(1_200_000);

/** Where one is by night; the colours are the same everywhere. */
const IN_THE_DARK = [
  '/far',
  '/far/plan',
  '/near',
  '/near/stack',
  '/sky',
  '/sky/night',
  '/sky/planets',
  '/sky/deep',
  '/sky/series',
  '/kit',
  '/kit/setups/new',
  '/book',
];

// In the day look every page is looked over in e2e/boxes, where all are opened.
for (const [look, pages] of [
  ['night', IN_THE_DARK],
  ['dim', ['/far', '/sky', '/book']],
] as const) {
  test(`pages have one heading of the first level and no accessibility fault in the ${look} look`, async ({ page }) => {
    await holdInHand(page, { preferences: { look } });
    for (const path of pages) {
      await page.goto(path);
      await expect(page.locator('h1'), path).toHaveCount(1);
      expect(await axeFindings(page), `${path} in the ${look} look`).toEqual([]);
    }
  });
}

test('no sheet has an accessibility fault, by day and by night', async ({ page }) => {
  for (const look of ['Day', 'Night']) {
    await openFar(page);
    if (look === 'Night') await page.getByRole('button', { name: 'Night look' }).click();
    const sheets: [string, () => Promise<void>][] = [
      ['set-ups', () => page.getByRole('button', { name: /^Set-up/ }).click()],
      ['subjects', () => page.getByRole('button', { name: /^Subject/ }).click()],
      ['preferences', () => page.getByRole('button', { name: 'Preferences' }).click()],
      ['why', () => page.getByTestId('verdict').click()],
    ];
    for (const [name, open] of sheets) {
      await open();
      await expect(page.getByRole('dialog')).toBeVisible();
      expect(await axeFindings(page), `${name}, ${look}`).toEqual([]);
      await page.getByRole('button', { name: 'Close', exact: true }).click();
      await expect(page.getByRole('dialog')).toHaveCount(0);
    }
  }
});
