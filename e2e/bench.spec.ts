import { encode } from 'fast-png';
import type { Page } from '@playwright/test';
import { writeDng, writeFits, writeSer, writeTiff } from '../src/core/formats/pictures/writePictures';
import { srgbOfLight } from '../src/core/picture/tone';
import { demoSetups, demoSubjects } from '../src/demo/kit';
import { randomDisc } from '../tests/support/randomDisc';
import { randomEdge } from '../tests/support/randomEdge';
import { randomPair } from '../tests/support/randomPair';
import { randomRuler } from '../tests/support/randomRuler';
import { randomStars } from '../tests/support/randomStars';
import { axeFindings } from './support/axe';
import { packedDng } from '../tests/support/packedDng';
import { holdInHand } from './support/inHand';
import { expect, test } from './support/test';

test.setTimeout(600_000);

const disc = randomDisc(11, 'lit', 160);
const ruler = randomRuler(12, 700, 470, ['millimetre']);
const discPicture = { width: disc.grey.width, height: disc.grey.height, light: disc.grey.data };

/** A picture of 16 bits as a file. */
const png = ({ width, height, data }: { width: number; height: number; data: Float32Array }): Buffer =>
  Buffer.from(
    encode({
      width,
      height,
      depth: 16,
      channels: 1,
      data: Uint16Array.from(data, (light) => Math.round(65_535 * srgbOfLight(light))),
    }),
  );

async function bring(page: Page, files: { name: string; mimeType: string; buffer: Buffer }[]): Promise<void> {
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: /Choose pictures|Another picture/ }).click();
  await (await chooser).setFiles(files);
  await expect(page.getByTestId('bench-picture')).toBeVisible();
}

const answer = (page: Page) => page.getByTestId('bench-answer');

test('the simulated camera takes a ruler, which tells its ratio, and Near uses it', async ({ page }) => {
  await holdInHand(page, { near: { setupId: demoSetups.heath.id, subjectId: demoSubjects.tigerBeetle.id } });
  await page.goto('/near');
  await expect(page.getByTestId('ratio-value')).toHaveText('1.27 : 1');
  await page.getByRole('link', { name: 'Bench' }).click();
  await page.getByTestId('take-simulated').click();
  await expect(page.getByTestId('bench-picture')).toBeVisible();
  await expect(page.getByTestId('taken-with')).toContainText('by its EXIF and pixels');
  await page.getByRole('radio', { name: /How large on the sensor/ }).click();
  await expect(answer(page)).toContainText(': 1');
  const told = Number((await answer(page).textContent())!.match(/([\d.]+) : 1/)![1]);
  expect(Math.abs(told / 1.27 - 1)).toBeLessThan(0.02);
  await page.getByRole('button', { name: /What was true/ }).click();
  await expect(page.getByTestId('bench-truth')).toContainText('px a millimetre');
  expect(await axeFindings(page)).toEqual([]);
  await page.getByTestId('keep').click();
  await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Book' }).click();
  await expect(page.getByRole('list', { name: 'Measured from pictures' })).toContainText('of a simulated picture');
  await expect(page.getByRole('img', { name: /Small copy/ }).first()).toBeVisible();
  await page.getByRole('link', { name: 'Bench' }).click();
  await page.getByTestId('use-ratio').click();
  await page.getByRole('button', { name: 'Look at it on Near' }).click();
  await expect(page.getByTestId('ratio-value')).toHaveText(/^1\.2\d : 1$/);
});

test('four simulated frames tell the sensor’s noise, which Far then reckons with', async ({ page }) => {
  await holdInHand(page, { far: { setupId: demoSetups.dunes.id, subjectId: demoSubjects.curlew.id } });
  await page.goto('/far');
  await page.getByRole('button', { name: /^Noise/ }).click();
  await expect(page.getByTestId('noise-known')).toContainText('values of its class');
  await page.getByRole('link', { name: 'Bench' }).click();
  await page.getByRole('radio', { name: /An even surface/ }).click();
  await page.getByTestId('take-simulated').click();
  await page.getByRole('button', { name: /All of them together/ }).click();
  await page.getByTestId('ask-light').click();
  await expect(page.getByTestId('light-answer')).toContainText('Dynamic range');
  await page.getByTestId('light-iso').fill('400');
  await page.getByTestId('light-iso').press('Enter');
  await page.getByTestId('use-light').click();
  expect(await axeFindings(page)).toEqual([]);
  await page.getByRole('link', { name: 'Far' }).click();
  await page.getByRole('button', { name: /^Noise/ }).click();
  await expect(page.getByTestId('noise-known')).toContainText('was measured on the Bench');
});

test('pictures of every form are opened and measured; handles move by keys and fingers; a picture is put away', async ({
  page,
}) => {
  await page.goto('/bench/charts');
  const chart = page.waitForEvent('download');
  await page.getByTestId('chart-pdf').click();
  expect((await chart).suggestedFilename()).toBe('jauge-ruler-a4.pdf');
  await page.goto('/bench');
  await bring(page, [
    { name: 'ruler.png', mimeType: 'image/png', buffer: png(ruler.grey) },
    { name: 'disc.fits', mimeType: '', buffer: Buffer.from(writeFits(discPicture, 'Quillon P4')) },
    { name: 'disc.ser', mimeType: '', buffer: Buffer.from(writeSer([discPicture], 'Quillon P4')) },
    {
      name: 'disc.tif',
      mimeType: 'image/tiff',
      buffer: Buffer.from(writeTiff(discPicture, 'Quillon P4', srgbOfLight)),
    },
    { name: 'disc.dng', mimeType: '', buffer: Buffer.from(writeDng(discPicture, 'Quillon P4')) },
    {
      name: 'packed.dng',
      mimeType: '',
      buffer: Buffer.from(packedDng(writeDng(discPicture, 'Quillon P4'), discPicture.width, discPicture.height)),
    },
    { name: 'words.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no picture at all') },
  ]);
  await page.getByRole('radio', { name: /How large on the sensor/ }).click();
  await expect(answer(page)).toBeVisible();
  const shown = Number((await answer(page).textContent())!.match(/([\d.]+)px\/mm/)?.[1] ?? 'NaN');
  expect(Math.abs(shown / ruler.pxPerMm - 1)).toBeLessThan(0.02);
  await answer(page).getByRole('button').click();
  await expect(page.getByTestId('why-value')).toContainText('px/mm');
  await page.getByRole('button', { name: 'Close' }).click();

  for (const name of ['disc.fits', 'disc.ser', 'disc.tif', 'disc.dng', 'packed.dng']) {
    await page.getByRole('radio', { name }).click();
    await page.getByRole('radio', { name: /How wide is the disc/ }).click();
    await expect(answer(page)).toContainText('px');
    const wide = Number((await answer(page).textContent())!.match(/([\d.]+)px/)![1]);
    expect(Math.abs(wide - disc.equatorialPx)).toBeLessThan(3);
  }
  await page.getByRole('radio', { name: 'words.jpg' }).click();
  await expect(page.getByRole('alert')).toContainText('JPEG, PNG, TIFF, WebP, GIF, AVIF, FITS, SER and DNG');
  await page.getByRole('button', { name: 'Put words.jpg away' }).click();
  await expect(page.getByRole('radio', { name: 'words.jpg' })).toHaveCount(0);

  await page.getByRole('radio', { name: 'disc.tif' }).click();
  await page.getByRole('radio', { name: /How long is it/ }).click();
  await expect(page.getByRole('slider', { name: 'First end' })).toBeVisible();
  const before = await page.getByRole('slider', { name: 'First end' }).getAttribute('aria-valuetext');
  await page.getByRole('slider', { name: 'First end' }).focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowLeft');
  await expect(page.getByRole('slider', { name: 'First end' })).not.toHaveAttribute('aria-valuetext', before!);
  await expect(answer(page)).toContainText('px');
  const handle = (await page.getByRole('slider', { name: 'Second end' }).boundingBox())!;
  await page.mouse.move(handle.x + 22, handle.y + 22);
  await page.mouse.down();
  await page.mouse.move(handle.x + 60, handle.y + 30, { steps: 4 });
  await page.mouse.up();
  await expect(answer(page)).toContainText('px');

  // Larger by the wheel, all of it by a key, single pixels by another; nothing leaves the page.
  await page.getByTestId('bench-picture').hover();
  await page.mouse.wheel(0, -600);
  await page.getByTestId('bench-picture').focus();
  await page.keyboard.press('1');
  await page.keyboard.press('0');
  expect(await axeFindings(page)).toEqual([]);
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
  await expect(page.locator('body')).not.toContainText('NaN');
});

test('a subject, at 1280 px and at night: its pixels, and what they are enough for', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await holdInHand(page, {
    far: { setupId: demoSetups.hide.id, subjectId: demoSubjects.curlew.id },
    preferences: { look: 'night' },
  });
  await page.goto('/far');
  await page.getByRole('link', { name: 'Bench' }).click();
  await page.getByRole('radio', { name: /The subject in hand/ }).click();
  await page.getByRole('radio', { name: 'PNG, 16 bits' }).click();
  await page.getByTestId('take-simulated').click();
  await page.getByRole('radio', { name: /Where does it end/ }).click();
  await expect(answer(page)).toContainText('px');
  await expect(page.getByRole('list', { name: 'What it is enough for' })).toContainText('Web page');
  expect(await axeFindings(page)).toEqual([]);
  await page.getByRole('radio', { name: /only shown larger/ }).click();
  await page.getByRole('button', { name: /simulated camera/ }).click();
  await page.getByRole('radio', { name: /The subject in hand/ }).click();
  await page.getByTestId('take-simulated').click();
  const told = page.getByTestId('comparison');
  await expect(told).toContainText('the optics draw it the same');
  // The upper picture follows the mouse, and a key lays it back.
  const canvases = page.getByTestId('two-pictures').locator('canvas');
  await expect(canvases).toHaveCount(2);
  expect(await canvases.last().evaluate((each) => (each as HTMLCanvasElement).style.opacity)).toBe('0.5');
  const lineOfUpper = page.getByTestId('two-pictures').locator('line[stroke-dasharray]').first();
  const before = Number(await lineOfUpper.getAttribute('x1'));
  const box = (await page.getByTestId('two-pictures').boundingBox())!;
  await page.mouse.move(box.x + 100, box.y + 100);
  await page.mouse.down();
  await page.mouse.move(box.x + 140, box.y + 110);
  await page.mouse.up();
  await expect.poll(async () => Math.round(Number(await lineOfUpper.getAttribute('x1')) - before)).toBe(40);
  await page.getByTestId('two-pictures').focus();
  await page.keyboard.press('ArrowLeft');
  await expect.poll(async () => Math.round(Number(await lineOfUpper.getAttribute('x1')) - before)).toBe(39);
  // Their difference is what the browser itself makes of the two; beside each other both are seen as they are.
  await page.getByRole('radio', { name: 'Difference' }).click();
  await expect(canvases.last()).toHaveCSS('mix-blend-mode', 'difference');
  await page.getByRole('radio', { name: 'Side by side' }).click();
  await expect(canvases.last()).toHaveCSS('mix-blend-mode', 'normal');
  await page.getByRole('radio', { name: 'Both' }).click();
  await page.getByRole('button', { name: 'Lay them on each other again' }).click();
  await expect.poll(async () => Math.round(Number(await lineOfUpper.getAttribute('x1')) - before)).toBe(0);
  expect(await axeFindings(page)).toEqual([]);
});

test('an edge tells how sharp it is, stars how far they run, and two pictures which has more', async ({ page }) => {
  const edge = randomEdge(4);
  const sky = randomStars(3, 600, 420);
  const pair = randomPair(6, 360, 280);
  await page.goto('/bench');
  await bring(page, [{ name: 'edge.png', mimeType: 'image/png', buffer: png(edge.grey) }]);
  await page.getByRole('radio', { name: /How sharp is it/ }).click();
  await expect(answer(page)).toContainText('By an edge of');
  await expect(page.getByRole('img', { name: /Contrast kept against fineness/ })).toBeVisible();
  expect(await axeFindings(page)).toEqual([]);
  const putAway = () => page.getByRole('button', { name: /^Put .* away$/ }).click();
  await putAway();
  await bring(page, [{ name: 'sky.png', mimeType: 'image/png', buffer: png(sky.grey) }]);
  await page.getByRole('radio', { name: /Do the stars run/ }).click();
  await expect(answer(page)).toContainText(/In the middle stars run/);
  const told = Number((await answer(page).textContent())!.match(/run(?: at most)?([\d.,]+)/)![1]!.replace(',', '.'));
  expect(Math.abs(told - sky.centrePx)).toBeLessThan(0.6);
  await putAway();
  await bring(page, [
    { name: 'a.png', mimeType: 'image/png', buffer: png(pair.a) },
    { name: 'b.png', mimeType: 'image/png', buffer: png(pair.b) },
  ]);
  await page.getByRole('radio', { name: /Larger, or only shown larger/ }).click();
  await page.getByTestId('ask-pair').click();
  const verdict = page.getByTestId('pair-answer');
  await expect(verdict).toContainText('Larger on the subject');
  await expect(verdict).toContainText(/has more|The same detail/);
  await expect(page.getByRole('radio', { name: 'On the subject' })).toHaveAttribute('aria-checked', 'true');
  await page.keyboard.down('x');
  await expect(page.getByRole('radio', { name: 'Second' })).toHaveAttribute('aria-checked', 'true');
  await page.keyboard.up('x');
  await expect(page.getByRole('radio', { name: 'First' })).toHaveAttribute('aria-checked', 'true');
  expect(await axeFindings(page)).toEqual([]);
});
