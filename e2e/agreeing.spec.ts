import { expect, test as base, type Page } from '@playwright/test';
import { Device, takeAlong } from './support/device';
import { JaugeServer } from './support/server';

const test = base.extend<{ server: JaugeServer; devices: Device[] }>({
  // eslint-disable-next-line no-empty-pattern
  server: async ({}, provide) => {
    const server = new JaugeServer(true);
    await server.start();
    await provide(server);
    await server.dispose();
  },
  // eslint-disable-next-line no-empty-pattern
  devices: async ({}, provide) => {
    const devices = [new Device(), new Device(), new Device()];
    await provide(devices);
    for (const device of devices) await device.dispose();
    expect(devices.flatMap((device) => device.faults)).toEqual([]);
  },
});
test.setTimeout(1_200_000);

/** Gives a subject another distance to keep, as a person does. */
async function setDistanceToKeep(page: Page, subject: string, metres: string): Promise<void> {
  await page.getByRole('button', { name: /^Subject/ }).click();
  await page.getByRole('button', { name: `Edit ${subject}` }).click();
  await page.getByRole('textbox', { name: /Distance to keep/ }).fill(metres);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByRole('button', { name: 'Close' }).first().click();
}

async function keep(page: Page, note: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a note' }).click();
  await page.getByRole('textbox', { name: 'Note' }).fill(note);
  await page.getByRole('button', { name: 'Keep this reading' }).click();
  await expect(page.getByText(/Kept (on this device|in the Book)/)).toBeVisible();
}

/** What a device has of one kind, by its own copy. */
const mirrored = (page: Page, resource: string): Promise<string> =>
  page.evaluate(
    (wanted) =>
      new Promise((resolve, reject) => {
        const open = indexedDB.open('jauge.mirror');
        open.onerror = () => reject(new Error('no copy'));
        open.onsuccess = () => {
          const database = open.result;
          const asked = database.transaction('rows').objectStore('rows').index('resource').getAll(wanted);
          asked.onsuccess = () => {
            database.close();
            const rows = (asked.result as { row: { id: string; version: number; data: object } }[]).map(
              ({ row }) => row,
            );
            resolve(
              JSON.stringify(
                rows.sort((a, b) => a.id.localeCompare(b.id)).map(({ id, version, data }) => [id, version, data]),
              ),
            );
          };
        };
      }),
    resource,
  );

const away = (page: Page, isAway: boolean) => page.context().setOffline(isAway);

test('two phones and a computer change the same rows while apart, decide once, and come to the same', async ({
  server,
  devices,
}) => {
  const pages = await Promise.all(devices.map((device) => device.open()));
  const [near, far, computer] = pages as [Page, Page, Page];
  for (const page of pages) await takeAlong(page, server.url);
  for (const page of pages) await away(page, true);

  const subjects = ['Curlew', 'Redshank', 'Stonechat'];
  for (const [page, metres] of [
    [near, '71'],
    [far, '82'],
    [computer, '93'],
  ] as const) {
    for (const subject of subjects) await setDistanceToKeep(page, subject, metres);
    await keep(page, `apart ${metres}`);
  }

  await away(near, false);
  const kept = async () => {
    const answer = (await (await fetch(`${server.url}/api/v1/subjects?limit=1000`)).json()) as {
      items: { data: { name: string; keepDistanceM?: number } }[];
    };
    return answer.items.filter(({ data }) => subjects.includes(data.name)).map(({ data }) => data.keepDistanceM);
  };
  // All three, or the others would find fewer to decide.
  await expect.poll(kept).toEqual([71, 71, 71]);
  await expect.poll(async () => await mirrored(near, 'subjects')).toContain('"keepDistanceM":71');
  // One of the others decides one by one, the other for all the same.
  await away(far, false);
  await far.getByRole('button', { name: 'Decide' }).click();
  await expect(far.getByText('One of 3 to decide')).toBeVisible();
  await expect(far.getByRole('table', { name: 'Both copies' })).toContainText('Distance to keep82 m71 m');
  await far.getByRole('button', { name: 'Keep mine' }).click();
  await expect(far.getByText('One of 2 to decide')).toBeVisible();
  await far.getByRole('button', { name: 'Keep the stored one' }).click();
  await far.getByRole('button', { name: 'Keep the stored one' }).click();
  await expect(far.getByRole('button', { name: 'Decide' })).toHaveCount(0);
  await away(computer, false);
  await computer.getByRole('button', { name: 'Decide' }).click();
  await computer.getByRole('checkbox', { name: 'For all 3 the same' }).click();
  await computer.getByRole('button', { name: 'Keep the stored one' }).click();
  await expect(computer.getByRole('button', { name: 'Decide' })).toHaveCount(0);

  // All come to the same: what was decided, and all three readings.
  for (const page of pages) await page.reload();
  const total = async () =>
    ((await (await fetch(`${server.url}/api/v1/readings?search=apart`)).json()) as { total: number }).total;
  await expect.poll(total).toBe(3);
  expect((await kept()).sort()).toEqual([71, 71, 82]);
  await expect.poll(() => mirrored(near, 'subjects')).toContain('"keepDistanceM":82');
  for (const metres of [71, 82, 93]) await expect.poll(() => mirrored(near, 'readings')).toContain(`apart ${metres}`);
  for (const resource of ['subjects', 'readings']) {
    const different = async () => new Set(await Promise.all(pages.map((page) => mirrored(page, resource)))).size;
    await expect.poll(different, { message: resource }).toBe(1);
  }
});
