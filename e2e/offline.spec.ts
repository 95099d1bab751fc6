import fs from 'node:fs';
import { expect, test as base, type Page } from '@playwright/test';
import { demoBodies } from '../src/demo/kit';
import { demoReadings } from '../src/demo/readings';
import { Device, takeAlong } from './support/device';
import { nextVersion } from './support/nextVersion';
import { JaugeServer } from './support/server';

const test = base.extend<{ server: JaugeServer; device: Device }>({
  // eslint-disable-next-line no-empty-pattern
  server: async ({}, provide) => {
    const server = new JaugeServer(true);
    await server.start();
    await provide(server);
    await server.dispose();
  },
  // eslint-disable-next-line no-empty-pattern
  device: async ({}, provide) => {
    const device = new Device();
    await provide(device);
    await device.dispose();
    expect(device.faults).toEqual([]);
  },
});
// Two dozen pages one after the other, and a newer version that may need several calls, on a machine that may be slow.
test.setTimeout(1_200_000);

const places: [address: string, shows: RegExp][] = [
  ['/', /px.?on the subject/],
  ['/far', /px.?on the subject/],
  ['/far/beside', /Side by side/],
  ['/far/detail', /Detail/],
  ['/far/takes', /What would it take/],
  ['/far/plan', /Planner curve|distance/],
  ['/far/routes', /Another way/],
  ['/far/test', /Fair test/],
  ['/near', /: 1/],
  ['/near/sizes', /Three sizes/],
  ['/near/plan', /Plan for a ratio/],
  ['/near/aperture', /f-number/],
  ['/near/stack', /Focus stack/],
  ['/near/sensors', /Sensors compared/],
  ['/near/measure', /Measure the ratio/],
  ['/sky', /longest/],
  ['/sky/planets', /arcsec|″/],
  ['/sky/deep', /Deep sky|galaxy|nebula/i],
  ['/sky/night', /darkness|night/i],
  ['/sky/schools', /Schools/],
  ['/sky/series', /Test series/],
  ['/sky/strokes', /strokes/i],
  ['/bench', /Bench|picture/],
  ['/bench/charts', /Charts/],
  ['/book', /Curlew/],
  ['/book/outings', /Marsh at first light/],
  ['/book/says', /Learned from 30 judged groups/],
  ['/book/eye', /Which ratio is it/],
  ['/book/seek', /\d+ in all/],
  ['/book/outings/00000000-0000-4000-8000-000000007001/card', /When it comes closer/],
  [`/book/${demoReadings()[0]!.id}`, /Taken|Kept|px|s\b/],
  ['/kit', /Ostrel R45/],
  ['/kit/bring', /Backups|In and out/],
  ['/kit/along', /cannot be reached/],
  ['/kit/compare', /Compare/],
];

test('with no server, after a new start of the browser, every place opens, reads and keeps; at home it is sent', async ({
  server,
  device,
}) => {
  await takeAlong(await device.open(), server.url);
  await device.close();
  await server.stop();

  const page = await device.open();
  for (const [address, shows] of places) {
    await page.goto(`${server.url}${address}`);
    await expect(page.getByRole('main'), address).toContainText(shows);
    await expect(
      page.getByText(/cannot be fetched|could not be loaded|did not arrive|cannot be read/),
      address,
    ).toHaveCount(0);
  }
  await page.goto(`${server.url}/far`);
  await page.getByRole('button', { name: 'Add a note' }).click();
  await page.getByRole('textbox', { name: 'Note' }).fill('from beyond signal');
  await page.getByRole('button', { name: 'Keep this reading' }).click();
  await expect(page.getByText(/Kept on this device/)).toBeVisible();
  await page.goto(`${server.url}/book`);
  await expect(page.getByText('from beyond signal')).toBeVisible();
  // A form of the kit keeps, and the workers of the Bench draw a picture and measure it.
  await page.goto(`${server.url}/kit/bodies/${demoBodies.merrow.id}`);
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Merrow, renamed out there');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  // It is checked and kept in the background: a page left before that keeps nothing.
  await expect(page.getByText(/2 changes wait/)).toBeVisible();
  await page.goto(`${server.url}/kit`);
  await expect(page.getByText('Merrow, renamed out there').first()).toBeVisible();
  await page.goto(`${server.url}/bench`);
  await page.getByTestId('take-simulated').click();
  await expect(page.getByTestId('bench-picture')).toBeVisible();
  await page.getByRole('radio', { name: /How large on the sensor/ }).click();
  await expect(page.getByTestId('bench-answer')).toContainText('Reproduction ratio, along the ruler');
  // What needs the server says so.
  await page.goto(`${server.url}/kit/bring`);
  await page.getByRole('button', { name: 'Everything, as JSON' }).click();
  await expect(page.getByText(/server cannot be reached/i).first()).toBeVisible();

  await device.close();
  await server.start();
  const back = await device.open();
  await back.goto(`${server.url}/far`);
  await expect
    .poll(async () => {
      const answer = await fetch(`${server.url}/api/v1/readings?search=beyond`);
      return ((await answer.json()) as { total: number }).total;
    })
    .toBe(1);
  await expect
    .poll(async () => {
      const answer = await fetch(`${server.url}/api/v1/bodies/${demoBodies.merrow.id}`);
      return ((await answer.json()) as { data: { name: string } }).data.name;
    })
    .toBe('Merrow, renamed out there');
});

test('a newer version waits until it is taken, in every window that holds nothing unsaved', async ({
  server,
  device,
}) => {
  const page = await device.open();
  await takeAlong(page, server.url);
  const folder = nextVersion();
  await server.stop();
  await server.start({ JAUGE_DIST: folder });
  const version = (each: Page) => each.evaluate(() => document.documentElement.dataset.version);
  const first = await version(page);
  await page.goto(`${server.url}/near`);
  await expect(page.getByText('A newer version of Jauge lies ready.')).toBeVisible();
  expect(await version(page)).toBe(first);
  // A window opened now begins with the old version too: the two never mix.
  const other = await page.context().newPage();
  await other.goto(`${server.url}/sky`);
  expect(await version(other)).toBe(first);
  // A third one holds a note that is not saved: it says so, and begins anew once the note is gone.
  const typing = await page.context().newPage();
  await typing.goto(`${server.url}/far`);
  await typing.getByRole('button', { name: 'Add a note' }).click();
  await typing.getByLabel('Note').fill('Light from behind');
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(typing.getByText(/Update available/)).toBeVisible({ timeout: 300_000 });
  await expect(typing.getByLabel('Note')).toHaveValue('Light from behind');
  await typing.getByLabel('Note').fill('');
  for (const each of [page, other, typing])
    await expect
      .poll(() => version(each).catch(() => 'between'), { message: each.url(), timeout: 300_000 })
      .toBe('next');
  await expect(page.getByRole('button', { name: 'Take it' })).toHaveCount(0);
  fs.rmSync(folder, { recursive: true, force: true });
});
