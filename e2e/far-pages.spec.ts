import fs from 'node:fs';
import type { Page } from '@playwright/test';
import { demoBodies, demoOptics, demoSubjects } from '../src/demo/kit';
import { readFar } from '../src/core/far/readFar';
import { reachM } from '../src/core/far/plannerCurve';
import { foldSystem } from '../src/core/optics/foldSystem';
import { showQuantity } from '../src/core/quantity/quantityText';
import { axeFindings } from './support/axe';
import { expect, openFar, test } from './support/test';

const hide = foldSystem({ body: demoBodies.ostrel.data, modeId: 'whole', chain: [demoOptics.tele600.data] });
if (!hide.ok) throw new Error(hide.problem.message);

const sound = async (page: Page) => {
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
  expect(await axeFindings(page)).toEqual([]);
  await expect(page.locator('body')).not.toContainText('NaN');
};

for (const size of [
  { width: 390, height: 844 },
  { width: 1280, height: 800 },
]) {
  test.describe(`at ${size.width} px`, () => {
    test.use({ viewport: size });

    test('set-ups stand side by side under three stances, with one sentence', async ({ page }) => {
      await openFar(page);
      await page.getByRole('link', { name: /^Side by side/ }).click();
      await expect(page.getByTestId('beside-sentence')).toContainText('From the same spot Marsh hide wins with');
      const table = page.getByRole('table', { name: 'Differences between the set-ups' });
      await expect(table.getByRole('row', { name: /^Light from the subject/ })).toContainText('stop');
      await page.getByRole('radio', { name: /^Same framing/ }).click();
      await expect(table.getByRole('row', { name: /^From/ })).toContainText(/nearer|back/);
      await expect(page.getByText(/Walking changes the perspective/)).toBeVisible();
      await page.getByRole('radio', { name: /^Same picture/ }).click();
      await expect(table.getByRole('row', { name: /^ISO/ })).toContainText('×');
      await page.getByRole('checkbox', { name: 'Compare Heath macro' }).click();
      await expect(page.getByText(/Heath macro is left out/)).toBeVisible();
      await page.getByRole('button', { name: 'Show B' }).click();
      await page.getByRole('button', { name: 'Blink' }).click();
      await page.getByRole('button', { name: 'Stop blinking' }).click();
      await page.getByRole('button', { name: /^“A crop is more reach”/ }).click();
      await expect(page.getByText(/Only a crop: with equal pitch/)).toBeVisible();
      await sound(page);
    });

    test('the planner curve says from where each set-up is enough, and follows the rule', async ({ page }) => {
      await page.goto('/far/plan');
      const table = page.getByRole('table', { name: 'From where each set-up is enough' });
      const reach = reachM(hide.value, demoSubjects.curlew.data.sizeMm, 800, 'resolved', 2000)!;
      await expect(table.getByRole('row', { name: /Marsh hide/ })).toContainText(`${reach.toFixed(1)}`);
      await expect(table.getByRole('row', { name: /Light bag/ })).toContainText('⚠');
      const ruler = page.getByRole('slider', { name: 'Distance' });
      await ruler.focus();
      await page.keyboard.press('PageUp');
      await expect(ruler).toHaveAttribute('aria-valuetext', /66/);
      const chart = page.getByRole('img', { name: /at 66.m: A/ });
      const box = (await chart.boundingBox())!;
      await page.mouse.move(box.x + box.width * 0.5, box.y + 60);
      await page.mouse.down();
      await page.mouse.move(box.x + box.width * 0.8, box.y + 60, { steps: 5 });
      await page.mouse.up();
      await expect(ruler).not.toHaveAttribute('aria-valuetext', /66/);
      expect(Number(await ruler.getAttribute('aria-valuenow'))).toBeGreaterThan(100);
      await page.getByRole('checkbox', { name: 'Compare Sea-wall scope' }).focus();
      await page.keyboard.press('Space');
      await expect(table.getByRole('row', { name: /Sea-wall scope/ })).toBeVisible();
      await sound(page);
    });

    test('other routes to the pixels are ranked, say what they give up, and can be taken', async ({ page }) => {
      await page.goto('/far/routes');
      const list = page.getByRole('list', { name: 'Routes' });
      await expect(list.getByRole('listitem').first()).toContainText('Quillon C26 + Quillon 150–600');
      await page.getByRole('radio', { name: 'Most pixels' }).click();
      // The long reflector in front of the densest pixels, with nothing to focus it by itself.
      await expect(list.getByRole('listitem').first()).toContainText('Merrow 180 long reflector');
      await expect(list.getByRole('listitem').first()).toContainText('Gives up: no autofocus');
      await page.getByRole('radio', { name: 'An equivalent lens' }).click();
      await page.getByRole('textbox', { name: 'Equivalent of at least, mm' }).fill('15000');
      await page.getByRole('textbox', { name: 'Equivalent of at least, mm' }).press('Enter');
      await expect(page.getByText(/No route of the kit gets there/)).toBeVisible();
      await page.getByRole('radio', { name: 'Pixels on the subject' }).click();
      await sound(page);
      if (size.width > 900) {
        // A table to sort beside the plot; a row opens with its key.
        const table = page.getByRole('table', { name: 'Routes' });
        await page.getByRole('button', { name: 'Sort by Price' }).click();
        await expect(page.getByRole('columnheader', { name: 'Sort by Price' })).toHaveAttribute(
          'aria-sort',
          'ascending',
        );
        const prices = await table.getByRole('row').locator('[role=cell]:nth-child(6)').allTextContents();
        const paid = prices.map((text) => Number(text.replace(/[^\d]/g, ''))).filter((price) => price > 0);
        expect(paid.length).toBeGreaterThan(3);
        expect([...paid].sort((one, other) => one - other)).toEqual(paid);
        await table.getByRole('button', { name: 'Ostrel R45 + Ostrel 600 f/5.6 + Ostrel ×1.4', exact: true }).click();
      }
      await expect(page.getByRole('img', { name: /^Pixels against Weight, g: \d+ points/ })).toBeVisible();
      await page.getByRole('button', { name: 'Take Ostrel R45 + Ostrel 600 f/5.6 + Ostrel ×1.4' }).click();
      await expect(
        page.getByRole('button', { name: /^Set-up: Ostrel R45, Ostrel 600 f\/5.6 \+ Ostrel ×1.4/ }),
      ).toBeVisible();
    });

    test('a fair test lists what to hold equal and makes a card', async ({ page }) => {
      await page.goto('/far/test');
      await expect(page.getByRole('heading', { name: /^Marsh hide against Dune walk at 400.mm$/ })).toBeVisible();
      await expect(page.getByText('☐ Zoom position')).toBeVisible();
      const download = page.waitForEvent('download');
      await page.getByRole('button', { name: /^Card to take along/ }).click();
      expect(fs.readFileSync(await (await download).path(), 'utf8')).toContain(
        '# Fair test: Marsh hide against Dune walk at 400\u202fmm',
      );
      await sound(page);
    });

    test('a reading and a comparison are taken along as one picture, their drawings and tables as files', async ({
      page,
    }) => {
      const fileOf = async (name: string) => {
        const download = page.waitForEvent('download');
        await page.getByRole('button', { name, exact: true }).click();
        return fs.readFileSync(await (await download).path());
      };
      await openFar(page);
      await page.getByRole('button', { name: 'As a picture' }).click();
      const svg = (await fileOf('SVG')).toString();
      expect(svg).toContain('Made by Jauge');
      expect(svg).toContain('Ostrel R45 + Ostrel 600 f/5.6');
      expect(svg).toContain('@font-face{font-family:Barlow_400Regular;src:url(data:');
      // The letters name levers of the desk, which are not in the picture.
      expect(svg).not.toContain('not-taken');
      // Whole and well formed, or the browser could not show it.
      const shown = await page.evaluate(async (text) => {
        const image = new Image();
        image.src = URL.createObjectURL(new Blob([text], { type: 'image/svg+xml' }));
        await image.decode();
        return image.naturalWidth;
      }, svg);
      expect(shown).toBe(720);
      const png = await fileOf('PNG');
      expect([...png.subarray(1, 4)].map((byte) => String.fromCharCode(byte)).join('')).toBe('PNG');
      expect(png.readUInt32BE(16)).toBe(3 * 720);
      expect((await fileOf('SVG of Viewfinder')).toString()).toContain('Crop 1.5');
      await page.getByRole('button', { name: 'Close' }).click();
      await page.goto('/far/beside');
      const table = (await fileOf('CSV of Differences between the set-ups')).toString();
      expect(table.split('\n').map((line) => line.split(',')[0])).toEqual([
        ...['Name', 'A Marsh hide', 'B Dune walk at 400 mm', 'C Light bag', ''],
      ]);
      expect(table.split('\n')[0]).toContain('Reach (px/mrad)');
      await page.getByRole('button', { name: 'As a picture' }).click();
      expect((await fileOf('SVG')).toString()).toContain('Background blur, of the frame');
    });

    test('the plumage is rendered as each set-up sees it', async ({ page }) => {
      await page.goto('/far/detail');
      await expect(page.getByTestId('patch-A').locator('img')).toHaveAttribute('src', /^blob:/);
      await expect(page.getByTestId('patch-C')).toBeVisible();
      // The sharper set-up has more contrast in its picture.
      const spread = (letter: string) =>
        page
          .getByTestId(`patch-${letter}`)
          .locator('img')
          .evaluate(async (element) => {
            const image = element as unknown as HTMLImageElement;
            await image.decode();
            const canvas = document.createElement('canvas');
            canvas.width = canvas.height = 256;
            const context = canvas.getContext('2d')!;
            context.drawImage(image, 0, 0, 256, 256);
            const { data } = context.getImageData(0, 0, 256, 256);
            let sum = 0;
            for (let i = 4; i < data.length; i += 4) sum += Math.abs(data[i]! - data[i - 4]!);
            return sum;
          });
      expect(await spread('A')).toBeGreaterThan(1.2 * (await spread('C')));
      await sound(page);
    });
  });
}

test('depth, shutter, card, modes and read-out open below the reading, and every number says why', async ({ page }) => {
  await openFar(page);
  await page.getByRole('button', { name: /^Depth and background/ }).click();
  await page.getByRole('button', { name: /^Depth of field/ }).click();
  await page.getByRole('radio', { name: /two pixels/ }).click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  const blurOf = async () => (await page.getByRole('button', { name: /^Blur disc/ }).getAttribute('aria-label'))!;
  const before = await blurOf();
  await page.getByRole('textbox', { name: 'Camera height, m' }).fill('0,25');
  await page.getByRole('textbox', { name: 'Camera height, m' }).press('Enter');
  await expect.poll(blurOf).not.toBe(before);
  await expect(page.getByText(/the softest there is/)).toBeVisible();

  await page.getByRole('button', { name: /^Shutter and motion/ }).click();
  await page.getByRole('textbox', { name: 'Speed across the view, m/s' }).fill('20');
  await page.getByRole('textbox', { name: 'Speed across the view, m/s' }).press('Enter');
  await page.getByRole('button', { name: /^Crop in the camera or later/ }).click();
  await expect(page.getByTestId('crop-advice')).toContainText('Crop later');
  await page.getByRole('textbox', { name: 'Speed across the view, m/s' }).fill('1');
  await page.getByRole('textbox', { name: 'Speed across the view, m/s' }).press('Enter');
  await expect(page.getByTestId('crop-advice')).toContainText('Crop in the camera with “Crop 1.5”');
  const read = readFar({
    system: hide.value,
    subject: demoSubjects.curlew.data,
    distanceM: 60,
    output: { kind: 'screen', name: 'x', longSidePx: 1600, subjectShare: 0.5 },
  });
  if (!read.ok) throw new Error(read.problem.message);
  const modes = page.getByRole('table', { name: 'The modes on this subject' });
  await expect(modes.getByRole('row', { name: /Crop 1.5/ })).toContainText(
    showQuantity(read.value.pixelsOnSubject, 'metric').number,
  );
  await page.getByRole('button', { name: /^Video read-out/ }).click();
  await expect(page.getByText(/zoom is free up to ×2/)).toBeVisible();
  await page.getByRole('button', { name: /^Card and value/ }).click();
  await page.getByRole('button', { name: /^Weight per 1,000 px/ }).click();
  await expect(page.getByText(/what a thousand resolved pixels on this subject cost/)).toBeVisible();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  expect(await axeFindings(page)).toEqual([]);
});
