import type { Page } from '@playwright/test';
import { demoBodies, demoOptics, demoSubjects } from '../src/demo/kit';
import { expect, openFar, test } from './support/test';

const slate = (page: Page) => page.getByRole('button', { name: /^Set-up/ });
const number = async (page: Page, testId: string) =>
  Number((await page.getByTestId(testId).innerText()).replace(/[^\d.].*$/s, ''));

test('every place opens with what suits it and keeps its own; a set-up is taken over on purpose', async ({ page }) => {
  await openFar(page);
  await expect(slate(page)).toHaveAttribute('aria-label', /Marsh hide/);
  const place = (name: string) => page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name });
  await place('Near').click();
  // The largest ratio of the kit and its smallest subject.
  await expect(slate(page)).toHaveAttribute('aria-label', /Heath macro/);
  await expect(page.getByRole('button', { name: /^Subject: Tiger beetle/ })).toBeVisible();
  await place('Sky').click();
  await expect(slate(page)).toHaveAttribute('aria-label', /Dark sky/);
  await page.getByRole('link', { name: 'Planets' }).click();
  await expect(slate(page)).toHaveAttribute('aria-label', /Planet night/);
  // Another set-up on Far changes nothing elsewhere.
  await place('Far').click();
  await slate(page).click();
  await page.getByRole('button', { name: 'Take Light bag' }).click();
  await expect(slate(page)).toHaveAttribute('aria-label', /Light bag/);
  await place('Near').click();
  await expect(slate(page)).toHaveAttribute('aria-label', /Heath macro/);
  await place('Far').click();
  await slate(page).click();
  await page.getByRole('button', { name: /^Take it to another place/ }).click();
  await page.getByRole('button', { name: 'Near', exact: true }).click();
  await expect(page).toHaveURL(/\/near$/);
  await expect(slate(page)).toHaveAttribute('aria-label', /Light bag/);
  await page.reload();
  await expect(slate(page)).toHaveAttribute('aria-label', /Light bag/);
  await place('Far').click();
  await expect(page.getByRole('button', { name: /^Subject: Curlew/ })).toBeVisible();
});

test('bellows are drawn out on a rule, and the solar filter lifts the block on the Sun', async ({ page, server }) => {
  const [bellows, film, bench, sun] = [1, 2, 3, 4].map((n) => `00000000-0000-4000-8000-0000000d900${n}`);
  const post = async (resource: string, id: string, data: object) =>
    expect((await page.request.post(`${server.url}/api/v1/${resource}`, { data: { id, data } })).status()).toBe(201);
  await post('adapters', bellows!, { kind: 'bellows', name: 'Quillon bellows', shortestMm: 42, longestMm: 168 });
  await post('adapters', film!, { kind: 'filter', name: 'Merrow solar film', stops: 16.6, solar: true });
  const setup = (name: string, chain: object[]) => ({ name, bodyId: demoBodies.ostrel.id, modeId: 'whole', chain });
  const optic = (id: string) => ({ type: 'optic', id });
  await post(
    'setups',
    bench!,
    setup('Bench bellows', [optic(demoOptics.macro100.id), { type: 'adapter', id: bellows, extensionMm: 90 }]),
  );
  await post('setups', sun!, setup('Sun', [{ type: 'adapter', id: film }, optic(demoOptics.tele600.id)]));
  await page.goto('/near');
  await expect(slate(page)).toHaveAttribute('aria-label', /Bench bellows/);
  // 300 mm at 1 : 1 are 75 mm of focal length: 1 + 90/75.
  expect(await number(page, 'ratio-value')).toBeCloseTo(2.2, 1);
  await page.getByRole('tab', { name: /^Extension/ }).click();
  const field = page.getByTestId('extension-field');
  await field.fill('150');
  await field.press('Enter');
  await expect(page.getByTestId('ratio-value')).toContainText('3 : 1');
  await field.fill('200');
  await field.press('Enter');
  await expect(page.getByText(/from 42.mm to 168.mm/)).toBeVisible();
  await page.goto('/sky/planets');
  await page.getByRole('button', { name: /^Moon and Sun/ }).click();
  await expect(page.getByTestId('sun-block')).toContainText('no certified solar filter');
  await slate(page).click();
  await page.getByRole('button', { name: 'Take Sun' }).click();
  // On the demo's evening it stands 0.9914 AU away: 1919.3″ / 0.9914 at 600 mm.
  await expect(page.getByTestId('sun-size')).toContainText('The Sun is 5.63');
  await expect(page.getByText(/Never point an unfiltered lens/)).toBeVisible();
});

test('what it would take is solved for every body, with its reasons', async ({ page }) => {
  await page.goto('/far/takes');
  await page.getByRole('radio', { name: /a third of the frame/ }).click();
  const row = page.getByTestId(`takes-${demoBodies.ostrel.id}`);
  // m = 12/550 at 60 m: f = 60,000/(2 + m + 1/m).
  const m = 12 / demoSubjects.curlew.data.sizeMm;
  await expect(row).toContainText(Math.round(60_000 / (2 + m + 1 / m)).toLocaleString('en-GB'));
  await row.click();
  await expect(page.getByText('T / (2 + m + 1/m)', { exact: false })).toBeVisible();
  await page.keyboard.press('Escape');
  // Each lens on the body in hand as well: the one in hand says what the set-up says.
  const own = (await page.getByTestId('takes-distance').innerText()).match(/[\d.]+/)![0];
  await expect(page.getByTestId(`takes-lens-${demoOptics.tele600.id}`)).toContainText(own);
  await page.getByRole('radio', { name: 'pixels of my own' }).click();
  await page.getByTestId('takes-pixels').fill('2000');
  await page.getByTestId('takes-pixels').press('Enter');
  await expect(page.getByTestId('takes-distance')).toContainText('38');
  // A thin lens of 600 mm at 60 m draws at 1 : 98: 1000 · 0.0102 · 550 / 2000 = 2.81; this one shortens as it focuses.
  await expect(page.getByTestId('takes-pitch')).toContainText('2.78');
});
