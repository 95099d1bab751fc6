import { foldSystem } from '../src/core/optics/foldSystem';
import { readFar } from '../src/core/far/readFar';
import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSubjects } from '../src/demo/kit';
import { showQuantity } from '../src/core/quantity/quantityText';
import { expect, openFar, pixelsShown, test } from './support/test';

/** What the core says, in the digits of the screen, for the demo's first subject. */
function coreSays(
  distanceM: number,
  setup: { body: keyof typeof demoBodies; optic: keyof typeof demoOptics; converter?: boolean; focalMm?: number } = {
    body: 'ostrel',
    optic: 'tele600',
  },
): string {
  const system = foldSystem({
    body: demoBodies[setup.body].data,
    modeId: 'whole',
    chain: [demoOptics[setup.optic].data, ...(setup.converter ? [demoAdapters.converter14.data] : [])],
    focalMm: setup.focalMm,
  });
  if (!system.ok) throw new Error(system.problem.message);
  const reading = readFar({
    system: system.value,
    subject: demoSubjects.curlew.data,
    distanceM,
    output: demoOutputs.web.data,
  });
  if (!reading.ok) throw new Error(reading.problem.message);
  return showQuantity(reading.value.pixelsOnSubject, 'metric').number;
}

test('choose a set-up, drag the distance, try a lever and take it back, keep, reload: still there', async ({
  page,
}) => {
  await openFar(page);
  await expect(page.getByTestId('pixels-value')).toHaveText(coreSays(60));

  await page.getByRole('button', { name: /^Set-up: Marsh hide/ }).click();
  await page.getByRole('button', { name: 'Take Dune walk' }).click();
  await expect(page.getByRole('button', { name: /^Set-up: Dune walk/ })).toBeVisible();
  await expect(page.getByTestId('pixels-value')).toHaveText(
    coreSays(60, { body: 'quillon', optic: 'zoom150600', focalMm: 400 }),
  );

  await page.getByRole('button', { name: /^Set-up/ }).click();
  await page.getByRole('button', { name: 'Take Marsh hide' }).click();
  const ruler = page.getByRole('slider', { name: 'Distance' });
  const box = (await ruler.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 30, box.y + 20, { steps: 6 });
  await page.mouse.move(box.x + box.width / 2 + 60, box.y + 24, { steps: 6 });
  await page.mouse.up();
  const dragged = Number(await ruler.getAttribute('aria-valuenow'));
  expect(dragged).toBeLessThan(50);
  await expect(page.getByTestId('pixels-value')).toHaveText(coreSays(dragged));
  await expect(page.getByTestId('distance-field')).toHaveValue(String(dragged));

  const before = await pixelsShown(page);
  const lever = page.getByRole('switch', { name: /^Ostrel ×1.4/ });
  await lever.click();
  await expect(lever).toBeChecked();
  await expect(page.getByTestId('pixels-value')).toHaveText(
    coreSays(dragged, { body: 'ostrel', optic: 'tele600', converter: true }),
  );
  await lever.click();
  await expect(lever).not.toBeChecked();
  expect(await pixelsShown(page)).toBe(before);

  await page.getByRole('button', { name: 'Add a note' }).click();
  await page.getByRole('textbox', { name: 'Note' }).fill('Low sun from the left');
  await page.getByRole('button', { name: 'Keep this reading' }).click();
  await expect(page.getByText('Kept in the Book.')).toBeVisible();
  await page.reload();
  await expect(page.getByTestId('pixels-value')).toHaveText(coreSays(dragged));
  await page.getByRole('link', { name: 'Book' }).click();
  await expect(page.getByText('Low sun from the left')).toBeVisible();
});

test('a kept reading opens as it was and as it would be now', async ({ page }) => {
  await page.goto('/book');
  await page.getByRole('link', { name: /^Curlew/ }).click();
  await expect(page.getByText('As it was')).toBeVisible();
  await expect(page.getByText('Just the same with the kit of today')).toBeVisible();

  // A longer subject today gives more pixels now; what was kept stays.
  await page.getByRole('button', { name: /^Subject: Curlew/ }).click();
  await page.getByRole('button', { name: 'Edit Curlew' }).click();
  await page.getByRole('textbox', { name: 'Size, mm' }).fill('605');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Pixels on the subject/ })).toHaveAccessibleName(/1,840 px, \+10/);
  await expect(page.getByText('1,670 px', { exact: true })).toBeVisible();

  await page.getByRole('button', { name: 'Change the note' }).click();
  await page.getByRole('textbox', { name: 'Note' }).fill('Changed');
  await page.getByRole('button', { name: 'Save the note' }).click();
  await expect(page.getByText('Changed')).toBeVisible();
  await page.getByRole('button', { name: 'Delete' }).click();
  await expect(page).toHaveURL(/\/book$/);
  await expect(page.getByRole('link', { name: /^Curlew/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: /^Curlew/ })).toBeVisible();
});

test('the command line gives the number on the screen', async ({ page }) => {
  const { spawnSync } = await import('node:child_process');
  const output = JSON.parse(
    spawnSync(process.execPath, ['scripts/jauge.mjs', 'far', 'docs/examples/far.json'], { encoding: 'utf8' }).stdout,
  ) as { reading: Record<string, { value: number; unit: 'px'; plusMinus: number }> };
  await openFar(page);
  await expect(page.getByTestId('pixels-value')).toHaveText(
    showQuantity(output.reading.pixelsOnSubject!, 'metric').number,
  );
  await expect(page.getByTestId('resolved')).toContainText(
    showQuantity(output.reading.resolvedPixels!, 'metric').number,
  );
});

test('every number says why, down to what was entered, and a school chosen there counts everywhere', async ({
  page,
}) => {
  await openFar(page);
  await page.getByTestId('pixels').click();
  await expect(page.getByText('1000 · m · L / p')).toBeVisible();
  await page.getByRole('button', { name: /^pixel pitch: 4.36/ }).click();
  await expect(page.getByText('1000 · W / Nx')).toBeVisible();
  await expect(page.getByText('8,256 px'.replace(' ', '\u202f'))).toBeVisible();
  await page.getByRole('button', { name: 'Back', exact: true }).click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();

  await page.getByTestId('verdict').click();
  await page.getByRole('radio', { name: /every pixel counts/ }).click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(page.getByTestId('verdict')).toContainText('in all');
  await page.reload();
  await expect(page.getByTestId('verdict')).toContainText('in all');
});

test('a lever says what its gain is worked out from', async ({ page }) => {
  await openFar(page);
  await page.getByRole('button', { name: 'Why: Ostrel ×1.4' }).click();
  await expect(page.getByText('What this would change')).toBeVisible();
  await expect(page.getByRole('button', { name: /^f-number then: f\/7.8/ })).toBeVisible();
  await page.getByRole('button', { name: /^pixels then/ }).click();
  await expect(page.getByText('1000 · m · L / p')).toBeVisible();
});

test('outputs are judged each, and the one chosen names the verdict', async ({ page }) => {
  await openFar(page);
  await expect(page.getByTestId('verdict')).toContainText('Enough for Web page');
  await page.getByRole('radio', { name: /Print 30 × 20/ }).click();
  await expect(page.getByTestId('verdict')).toContainText('Not enough for Print 30 × 20');
  await expect(page.getByRole('switch', { name: /closer, to/ })).toHaveAccessibleName(
    /Keep the distance|Nearer than the 50/,
  );
});
