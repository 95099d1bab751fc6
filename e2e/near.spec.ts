import fs from 'node:fs';
import type { Page } from '@playwright/test';
import { demoAdapters, demoBodies, demoOptics, demoSetups, demoSubjects } from '../src/demo/kit';
import { axeFindings } from './support/axe';
import { holdInHand } from './support/inHand';
import { expect, test } from './support/test';

const sound = async (page: Page) => {
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
  expect(await axeFindings(page)).toEqual([]);
  await expect(page.locator('body')).not.toContainText('NaN');
};

/** Takes the macro set-up and the beetle in hand, as a person who was here before. */
async function openNear(page: Page, path = '/near'): Promise<void> {
  await holdInHand(page, { near: { setupId: demoSetups.heath.id, subjectId: demoSubjects.tigerBeetle.id } });
  await page.goto(path);
}

for (const size of [
  { width: 390, height: 844 },
  { width: 1280, height: 800 },
]) {
  test.describe(`at ${size.width} px`, () => {
    test.use({ viewport: size });

    test('ratio, field and levers answer to typing, keys and taps, and every number says why', async ({ page }) => {
      await openNear(page);
      await expect(page.getByTestId('ratio-value')).toHaveText('1.27 : 1');
      await expect(page.getByTestId('field')).toContainText('28.4');
      await page.getByTestId('ratio-field').fill('0,8');
      await page.getByTestId('ratio-field').press('Enter');
      await expect(page.getByTestId('ratio-value')).toHaveText('1 : 1.25');
      await expect(page.getByTestId('field')).toContainText('45');
      await page.getByTestId('ratio-field').fill('9');
      await page.getByTestId('ratio-field').press('Enter');
      await expect(page.getByText(/Reproduction ratio must be from/)).toBeVisible();
      await page.getByRole('slider', { name: 'Reproduction ratio' }).focus();
      await page.keyboard.press('End');
      await expect(page.getByTestId('ratio-value')).toHaveText('1.27 : 1');
      // A tube more: tried, taken back, tried and kept.
      const lever = page.getByRole('switch', { name: /^With the tube of 36/ });
      await lever.click();
      await expect(page.getByTestId('ratio-value')).toHaveText('1.75 : 1');
      await lever.click();
      await expect(page.getByTestId('ratio-value')).toHaveText('1.27 : 1');
      await lever.click();
      await page.getByRole('button', { name: 'Keep what is tried' }).click();
      await expect(page.getByTestId('ratio-value')).toHaveText('1.75 : 1');
      await page.getByTestId('depth').click();
      await expect(page.getByText('2 · c · N_w / m² + λ/NA²')).toBeVisible();
      await page.getByRole('button', { name: 'Close', exact: true }).click();
      await sound(page);
    });

    test('a ratio is planned and a combination taken in hand', async ({ page, server }) => {
      await openNear(page, '/near/plan');
      await expect(page.getByTestId('plan-count')).toContainText(/of \d+ combinations reach 2.2 : 1/);
      await page.getByTestId('wanted-ratio').fill('1.4');
      await page.getByTestId('wanted-ratio').press('Enter');
      await expect(page.getByTestId('plan-count')).toContainText('reach 1.4 : 1');
      await page.getByRole('radio', { name: 'Room in front' }).click();
      const first = page.getByRole('list', { name: 'Combinations' }).getByRole('listitem').first();
      await expect(first).toContainText('mm in front');
      await sound(page);
      await first.getByRole('button', { name: /^Take / }).click();
      await expect(page.getByTestId('ratio-value')).toHaveText('1.4 : 1');
      await expect
        .poll(
          async () =>
            ((await (await page.request.get(`${server.url}/api/v1/setups`)).json()) as { total: number }).total,
        )
        .toBe(Object.keys(demoSetups).length + 1);
      await page.goto('/near/plan');
      await page.getByRole('radio', { name: 'A share of the frame' }).click();
      await expect(page.getByText(/14 mm across 70 % of 24 mm needs 1.2 : 1/)).toBeVisible();
      await page.getByRole('radio', { name: 'Several ratios' }).click();
      await expect(page.getByRole('list', { name: 'Round' }).getByRole('listitem')).toHaveCount(3);
    });

    test('a ruler replaces the estimate everywhere', async ({ page, server }) => {
      // What is still on its way when a page is left would be sent once more from the next.
      const stored = async () =>
        ((await (await page.request.get(`${server.url}/api/v1/ratios`)).json()) as { total: number }).total;
      await openNear(page, '/near/measure');
      await page.getByTestId('visible-field').fill('27,5');
      await page.getByTestId('visible-field').press('Enter');
      await expect(page.getByTestId('measured')).toContainText('1.31 : 1');
      await expect(page.getByTestId('measured')).toContainText('the round ratio 1.3 : 1 lies within it');
      await sound(page);
      await page.getByRole('button', { name: 'Use this ratio for this chain' }).click();
      await expect(page.getByTestId('ratio-value')).toHaveText('1.31 : 1');
      await expect(page.getByTestId('ratio')).toContainText('measured');
      await expect(page.getByTestId('field')).toContainText('27.5');
      await page.getByTestId('ratio').click();
      await expect(page.getByText(/27.5 mm of a ruler across 36 mm/)).toBeVisible();
      await expect.poll(stored).toBe(1);
      await page.keyboard.press('Escape');
      // Kept in the Book with the ratio as measured.
      await page.getByRole('button', { name: 'Keep this reading' }).click();
      await expect(page.getByText('Kept in the Book.')).toBeVisible();
      await page.getByRole('link', { name: 'Book' }).click();
      await page
        .getByRole('link', { name: /^Heath tiger beetle|^Tiger beetle/i })
        .first()
        .click();
      await expect(page.getByRole('heading', { level: 1 })).toContainText('at 1.31 : 1');
      await expect(page.getByRole('img', { name: /^Viewfinder/ })).toBeVisible();
      // What one says of it there is the hand's limit from now on.
      await page.getByRole('radio', { name: 'By hand, sharp' }).click();
      await expect(page.getByRole('radio', { name: 'By hand, sharp' })).toBeChecked();
      await sound(page);
      await page.getByRole('link', { name: 'Near' }).click();
      const light = page.getByRole('button', { name: /^Light and shutter/ });
      if ((await light.getAttribute('aria-expanded')) !== 'true') await light.click();
      await expect(page.getByTestId('hand-hold')).toContainText('up to 1.31 : 1, learned from 1 picture');
      await expect
        .poll(async () => JSON.stringify(await (await page.request.get(`${server.url}/api/v1/readings`)).json()))
        .toContain('handSharp');
      await page.goto('/near/sizes');
      await expect(page.getByText('1.31 : 1', { exact: true })).toBeVisible();
      // Another chain keeps its estimate; forgetting brings the estimate back.
      await page.goto('/near/measure');
      await page.getByRole('button', { name: 'Forget it' }).click();
      await expect.poll(stored).toBe(0);
      await page.goto('/near');
      await expect(page.getByTestId('ratio-value')).toHaveText('1.27 : 1');
    });

    test('the three sizes on several bodies, f-number, sensors', async ({ page }) => {
      await openNear(page, '/near/sizes');
      const table = page.getByRole('table', { name: 'The same subject on every body' });
      await expect(table.getByRole('row')).toHaveCount(Object.keys(demoBodies).length + 1);
      // The same millimetres: 14 · 1.2667 mm over pitches of 4.36 and 3.75 µm.
      await expect(table.getByRole('row', { name: /^Ostrel R45/ })).toContainText('4,067');
      await expect(table.getByRole('row', { name: /^Quillon C26/ })).toContainText('4,729');
      await sound(page);
      await page.goto('/near/aperture');
      await expect(page.getByText(/stop down to f\//)).toBeVisible();
      await page.getByRole('button', { name: /^Set f\// }).click();
      await expect(page.getByRole('button', { name: /^Set f\// })).toBeDisabled();
      await sound(page);
      await page.goto('/near/sensors');
      await page.getByRole('radio', { name: /^Same picture/ }).click();
      await expect(page.getByText(/Opened by the ratio of the sensors/)).toBeVisible();
      await sound(page);
    });

    test('a stack is planned and its table saved', async ({ page }) => {
      await openNear(page, '/near/stack');
      await page.getByTestId('cover-field').fill('5');
      await page.getByTestId('cover-field').press('Enter');
      await expect(page.getByTestId('stack-summary')).toContainText(/\d+ frames, a step of/);
      const download = page.waitForEvent('download');
      await page.getByRole('button', { name: 'Save the table as CSV' }).click();
      const csv = fs
        .readFileSync(await (await download).path(), 'utf8')
        .trim()
        .split('\r\n');
      expect(csv[0]).toBe('frame,position_mm,rail_steps');
      expect(await page.getByRole('table', { name: 'Rail positions' }).getByRole('row').count()).toBe(csv.length);
      expect(Number(csv.at(-1)!.split(',')[1])).toBeGreaterThanOrEqual(5);
      await page.getByRole('radio', { name: 'Knob, turns' }).click();
      await expect(page.getByTestId('stack-summary')).toContainText('turns');
      await sound(page);
    });
  });
}

test('a search whose worker does not arrive says so, and goes on when asked', async ({ page }) => {
  await page.addInitScript(() => {
    const Real = window.Worker;
    // Every one until then: a search begins anew when what it searches arrives in parts.
    let broken = true;
    window.addEventListener('mended', () => (broken = false));
    window.Worker = class extends EventTarget {
      onerror: ((event: Event) => void) | null = null;
      constructor(url: string | URL) {
        super();
        if (!broken) return new Real(url) as unknown as this;
        setTimeout(() => this.onerror?.(new Event('error')), 50);
      }
      postMessage() {}
      terminate() {}
    } as unknown as typeof Worker;
  });
  await openNear(page, '/near/plan');
  await expect(page.getByText(/The search could not run/)).toBeVisible();
  await page.evaluate(() => window.dispatchEvent(new Event('mended')));
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByTestId('plan-count')).toContainText('reach 2.2 : 1');
});

test('a long search says how far it is, can be stopped, and goes on when asked', async ({ page, server }) => {
  const post = async (resource: string, id: string, data: object) =>
    expect((await page.request.post(`${server.url}/api/v1/${resource}`, { data: { id, data } })).status()).toBe(201);
  for (let i = 0; i < 20; i += 1) {
    await post('optics', `00000000-0000-4000-8000-0000000a1${String(i).padStart(3, '0')}`, {
      ...demoOptics.macro100.data,
      name: `Ostrel macro no. ${i + 1}`,
      lengthMm: 100 + i,
      takesConverters: true,
    });
  }
  for (let i = 0; i < 3; i += 1)
    await post('adapters', `00000000-0000-4000-8000-0000000b1${String(i).padStart(3, '0')}`, {
      ...demoAdapters.closeUp.data,
      name: `Merrow close-up no. ${i + 1}`,
      dioptres: 2 + i,
    });
  await post('adapters', '00000000-0000-4000-8000-0000000b2000', {
    ...demoAdapters.tubes.data,
    name: 'Long tube set',
    lengthsMm: [7, 9, 11, 16, 22, 31],
  });
  // A fast machine would be done before a slow page has drawn the key: the first search keeps its result to itself.
  await page.addInitScript(() => {
    let first = true;
    const Real = window.Worker;
    window.Worker = class extends Real {
      constructor(url: string | URL) {
        super(url);
        const held = first;
        first = false;
        this.addEventListener('message', (event: MessageEvent<object>) => {
          if (held && 'plans' in event.data) event.stopImmediatePropagation();
        });
      }
    };
  });
  await openNear(page, '/near/plan');
  await expect(page.getByText(/Trying every combination … \d+ %/)).toBeVisible();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText('Stopped.')).toBeVisible();
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByTestId('plan-count')).toContainText(/reach 2.2 : 1/, { timeout: 200_000 });
});
