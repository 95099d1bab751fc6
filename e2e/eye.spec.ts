import fs from 'node:fs';
import { atRest } from './support/rest';
import { expect, test } from './support/test';

test.setTimeout(300_000);

test('the eye is trained: pictures are taken by a worker, a guess is judged and kept', async ({ page }) => {
  await page.goto('/book/eye');
  await page.getByTestId('practise-enlarged').click();
  const stop = page.getByTestId('stop');
  const before = await stop.boundingBox();
  for (const plate of ['plate-0', 'plate-1']) {
    const picture = page.getByTestId(plate).locator('img');
    await expect(picture).toBeAttached();
    await expect.poll(() => picture.evaluate((image) => (image as HTMLImageElement).naturalWidth)).toBeGreaterThan(200);
  }
  // Nothing has moved away from under a finger.
  expect(await stop.boundingBox()).toEqual(before);
  await page.getByTestId('choose-magnified').click();
  await expect(page.getByTestId('answered')).toContainText(/Right|Not this time/);
  await expect(page.getByText(/^[01] of 1 right$/)).toBeVisible();
  await page.getByRole('button', { name: /^Pixels that see the subject: .* Why\?$/ }).click();
  await expect(page.getByRole('dialog')).toContainText('n · k');
  await page.keyboard.press('Escape');
  await page.getByTestId('next').click();
  await expect(page.getByTestId('answered')).toHaveCount(0);

  // An amount is set on the rule, with the keys.
  await stop.click();
  await page.getByTestId('practise-ruler').click();
  const rule = page.getByRole('slider', { name: 'Ratio' });
  await rule.focus();
  await page.keyboard.press('ArrowRight');
  await page.getByTestId('answer').click();
  await expect(page.getByTestId('answered')).toContainText('you said 1 : ');
  await stop.click();
  await expect(page.getByTestId('practise-ruler')).toContainText('of 5 right');
});

test('what one’s own pictures say counts on a desk, and is switched off', async ({ page }) => {
  await page.goto('/far');
  const group = page.getByRole('button', { name: /^What your pictures say/ });
  await group.click();
  await expect(page.getByText(/from which four of five of yours are large enough/)).toBeVisible();
  await page.getByRole('button', { name: /^Noise/ }).click();
  await page.getByRole('button', { name: /^Highest ISO that passes: ISO/ }).click();
  const own = (await page.getByTestId('why-value').textContent())!;
  await page.getByRole('radio', { name: /10 : 1 on the output/ }).click();
  await expect(page.getByRole('radio', { name: /10 : 1 on the output/ })).toBeChecked();
  await expect(page.getByTestId('why-value')).not.toHaveText(own);
  await page.keyboard.press('Escape');

  await page.goto('/book/says');
  for (const name of ['Pixels on the subject · far subjects', 'ISO · Ostrel R45', 'Wader, all kept from'])
    await page.getByRole('checkbox', { name: `${name}: counts on the desks` }).click();
  await page.goto('/far');
  await expect(page.getByRole('button', { name: 'Planner curve' }).or(page.getByText('Planner curve'))).toBeVisible();
  await atRest(page);
  await expect(group).toHaveCount(0);
});

test('the Book is sought through, seen as charts, and taken along', async ({ page }) => {
  await page.goto('/book/seek');
  await page.getByRole('textbox', { name: 'Look for' }).fill('curlew kept');
  await expect(page.getByText('2 found')).toBeVisible();
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: 'CSV' }).click();
  const csv = fs.readFileSync(await (await coming).path(), 'utf8');
  expect(csv).toMatch(/^kind,at,subject,outing,setup/);
  expect(csv.trim().split('\n')).toHaveLength(3);
  await page.getByRole('radio', { name: 'Charts' }).click();
  const charts = page.getByRole('img', { name: /^(Pixels on the subject over time|Distances|Groups kept by set-up)/ });
  await expect(charts).toHaveCount(3);
  // Two groups, both kept: full circles only.
  await expect(charts.first().locator('circle')).toHaveCount(2);
  await page.getByRole('textbox', { name: 'Look for' }).fill('');
  await expect(charts.first().locator('circle')).not.toHaveCount(2);
});
