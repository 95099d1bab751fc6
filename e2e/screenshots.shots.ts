import { openFar, test } from './support/test';

const folder = 'docs/screenshots';

test.describe('phone', () => {
  test.use({ deviceScaleFactor: 2 });

  test('slate with Far, levers, night, sheets, why, Book', async ({ page }) => {
    await openFar(page);
    const shot = (name: string) => page.waitForTimeout(400).then(() => page.screenshot({ path: `${folder}/${name}.png` }));
    await shot('far');
    await page.getByRole('switch', { name: /^Ostrel ×1.4/ }).click();
    await page.getByRole('heading', { name: 'Levers' }).scrollIntoViewIfNeeded();
    await page.mouse.move(195, 400);
    await page.mouse.wheel(0, 260);
    await shot('levers');
    await page.getByRole('switch', { name: /^Ostrel ×1.4/ }).click();
    await page.getByRole('button', { name: /^Set-up/ }).click();
    await page.getByRole('button', { name: /^Bodies/ }).click();
    await page.getByRole('radio', { name: /^APS-C 1.5/ }).click();
    await shot('setup-sheet');
    await page.getByRole('button', { name: 'Close', exact: true }).click();
    await page.getByRole('button', { name: /^Subject/ }).click();
    await shot('subject-sheet');
    await page.getByRole('button', { name: 'Close', exact: true }).click();
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
});

test.describe('wide', () => {
  test.use({ viewport: { width: 1280, height: 800 }, hasTouch: false });

  test('three columns', async ({ page }) => {
    await openFar(page);
    await page.getByRole('radio', { name: /Print 30 × 20/ }).click();
    await page.waitForTimeout(400);
    await page.screenshot({ path: `${folder}/far-wide.png` });
  });
});
