import type { Page } from '@playwright/test';
import { holdInHand } from './support/inHand';
import { axeFindings } from './support/axe';
import type { JaugeServer } from './support/server';
import { expect, openFar, test } from './support/test';

// Many pages each: a shared machine may be ten times slower for a while.
test.setTimeout(1_200_000);

const ROUTES = [
  '/far',
  '/far/beside',
  '/far/detail',
  '/far/plan',
  '/far/routes',
  '/far/takes',
  '/far/test',
  '/near',
  '/near/aperture',
  '/near/measure',
  '/near/plan',
  '/near/sensors',
  '/near/sizes',
  '/near/stack',
  '/sky',
  '/sky/deep',
  '/sky/night',
  '/sky/planets',
  '/sky/schools',
  '/sky/series',
  '/sky/strokes',
  '/kit',
  '/kit/along',
  '/kit/bring',
  '/kit/compare',
  '/kit/optics/new?kind=lens',
  '/kit/setups/new',
  '/bench',
  '/bench/charts',
  '/book',
  '/book/outings',
  '/book/says',
  '/book/eye',
  '/book/seek',
  '/book/outings/00000000-0000-4000-8000-000000007001',
  '/book/outings/00000000-0000-4000-8000-000000007001/card',
  '/book/outings/00000000-0000-4000-8000-000000007001/bag',
  '/book/outings/00000000-0000-4000-8000-000000007001/log',
  '/nowhere',
  '/book/nothing',
];

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

async function routesOf({ url }: JaugeServer): Promise<string[]> {
  const first = async (resource: string) =>
    ((await (await fetch(`${url}/api/v1/${resource}?limit=1`)).json()) as { items: { id: string }[] }).items[0]!.id;
  return [
    ...ROUTES,
    ...(await Promise.all(
      ['bodies', 'optics', 'adapters', 'setups'].map(async (resource) => `/kit/${resource}/${await first(resource)}`),
    )),
    `/book/${await first('readings')}`,
  ];
}

const inLook = (page: Page, look: string) => holdInHand(page, { preferences: { look } });

for (const look of ['day', 'night', 'dim']) {
  test(`every page has one heading of the first level and no accessibility fault in the ${look} look`, async ({
    page,
    server,
  }) => {
    await inLook(page, look);
    const routes = await routesOf(server);
    for (const route of look === 'day' ? routes : look === 'night' ? IN_THE_DARK : ['/far', '/sky', '/book']) {
      await page.goto(route);
      await expect(page.locator('h1'), route).toHaveCount(1);
      expect(await axeFindings(page), `${route} in the ${look} look`).toEqual([]);
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
