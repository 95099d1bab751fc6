import { demoBodies, demoSetups, demoSubjects } from '../src/demo/kit';
import { openFar, test } from './support/test';

const folder = 'docs/screenshots';

test.describe('phone', () => {
  test.use({ deviceScaleFactor: 2 });

  test('slate with Far, levers, night, why, Book', async ({ page }) => {
    await openFar(page);
    const shot = (name: string) => page.waitForTimeout(400).then(() => page.screenshot({ path: `${folder}/${name}.png` }));
    await shot('far');
    await page.getByRole('switch', { name: /^Ostrel ×1.4/ }).click();
    await page.getByRole('heading', { name: 'Levers' }).scrollIntoViewIfNeeded();
    await page.mouse.move(195, 400);
    await page.mouse.wheel(0, 260);
    await shot('levers');
    await page.getByRole('switch', { name: /^Ostrel ×1.4/ }).click();
    await page.getByTestId('verdict').click();
    await shot('why');
    await page.getByRole('button', { name: 'Close', exact: true }).click();
    await page.getByRole('button', { name: 'Night look' }).click();
    await page.mouse.wheel(0, -2000);
    await shot('night');
    await page.getByRole('button', { name: 'Day look' }).click();
    await page.goto('/book');
    await page.getByRole('link', { name: /^Curlew/ }).waitFor();
    await shot('book');
    await page.getByRole('link', { name: /^Curlew/ }).click();
    await page.getByText('As it would be now').waitFor();
    await shot('book-entry');
  });

  test('kit: list, body card with mode table', async ({ page }) => {
    const shot = (name: string) => page.waitForTimeout(400).then(() => page.screenshot({ path: `${folder}/${name}.png` }));
    await page.goto('/kit');
    await page.getByRole('link', { name: 'Open Ostrel R45' }).waitFor();
    await shot('kit');
    await page.goto(`/kit/bodies/${demoBodies.ostrel.id}`);
    await page.getByTestId('c15-megapixels').scrollIntoViewIfNeeded();
    await page.mouse.move(195, 400);
    await page.mouse.wheel(0, 120);
    await shot('body-card');
  });
});

test.describe('far pages', () => {
  test.use({ deviceScaleFactor: 2 });

  test('side by side, planner, routes, detail', async ({ page }) => {
    for (const name of ['beside', 'plan', 'routes', 'detail']) {
      await page.goto(`/far/${name}`);
      await page.getByRole('heading', { level: 1 }).waitFor();
      await page.waitForTimeout(1800);
      await page.screenshot({ path: `${folder}/far-${name}.png` });
    }
  });
});

test.describe('near pages', () => {
  test.use({ deviceScaleFactor: 2 });

  test('desk, three sizes, plan, f-number, stack', async ({ page }) => {
    await page.addInitScript(([setupId, subjectId]) => localStorage.setItem('jauge.inHand', JSON.stringify({ state: { setupId, subjectId }, version: 1 })), [demoSetups.heath.id, demoSubjects.tigerBeetle.id]);
    for (const name of ['', 'sizes', 'plan', 'aperture', 'stack']) {
      await page.goto(`/near/${name}`);
      await page.waitForLoadState('networkidle');
      await page.waitForTimeout(1800);
      await page.screenshot({ path: `${folder}/near${name ? `-${name}` : ''}.png` });
    }
  });
});

test.describe('wide', () => {
  test.use({ viewport: { width: 1280, height: 800 }, hasTouch: false });

  test('three columns', async ({ page }) => {
    await openFar(page);
    await page.getByRole('radio', { name: /Print 30 × 20/ }).click();
    await page.waitForTimeout(400);
    await page.screenshot({ path: `${folder}/far-wide.png` });
    await page.goto('/kit/setups/new');
    for (const name of ['Ostrel 100 f/2.8 macro']) await page.getByRole('button', { name: `Add ${name}` }).click();
    await page.getByRole('button', { name: /^Lenses and telescopes/ }).click();
    await page.getByRole('button', { name: /^Behind the lens/ }).click();
    for (const name of ['Ostrel ×1.4', 'Ostrel tube set']) await page.getByRole('button', { name: `Add ${name}` }).click();
    await page.waitForTimeout(400);
    await page.screenshot({ path: `${folder}/chain-builder-wide.png` });
  });
});
