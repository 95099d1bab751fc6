import { expect, test as base, type Page } from '@playwright/test';
import { Device, takeAlong } from './support/device';
import { JaugeServer } from './support/server';

/** A second loopback address stands for the home network. */
const NETWORK = '127.0.0.2';

const test = base.extend<{ server: JaugeServer; computer: Device; phone: Device }>({
  // eslint-disable-next-line no-empty-pattern
  server: async ({}, provide) => {
    const server = new JaugeServer(true, [`--lan=${NETWORK}`]);
    await server.start();
    await provide(server);
    await server.dispose();
  },
  // eslint-disable-next-line no-empty-pattern
  computer: async ({}, provide) => {
    const device = new Device();
    await provide(device);
    await device.dispose();
    expect(device.faults).toEqual([]);
  },
  // eslint-disable-next-line no-empty-pattern
  phone: async ({}, provide) => {
    const device = new Device();
    await provide(device);
    await device.dispose();
    expect(device.faults).toEqual([]);
  },
});
test.setTimeout(900_000);

/** The address the computer shows for the network, and a code beside it. */
async function showCode(page: Page, url: string): Promise<{ address: string; code: string }> {
  await page.goto(`${url}/kit/along`);
  const address = await page.getByText(/^https:/).innerText();
  await page.getByRole('button', { name: /Show a(nother)? code/ }).click();
  return { address, code: await page.getByTestId('pairing-code').innerText() };
}

async function tryCode(page: Page, code: string, name: string): Promise<void> {
  await page.getByLabel('The code the computer shows').fill(code);
  await page.getByLabel('What to call this device').fill(name);
  await page.getByRole('button', { name: 'Pair' }).click();
}

test('a phone that trusts the computer is paired, goes out of reach, and keeps what it has when it is revoked', async ({
  server,
  computer,
  phone,
}) => {
  const desk = await computer.open();
  const { address, code } = await showCode(desk, server.url);
  await expect(
    desk.getByRole('img', { name: `The address ${address}/pair?code=${code.replace(' ', '')}` }),
  ).toBeVisible();

  phone.trust(server.authority);
  const page = await phone.open();
  await page.goto(`${address}/book`);
  await expect(page.getByRole('heading', { name: 'Pair this device' })).toBeVisible();
  await tryCode(page, 'wrong one', 'x');
  await expect(page.getByRole('alert')).toHaveText('That is not the code. 4 tries are left.');
  await tryCode(page, code.toLowerCase(), 'Field phone');
  await expect(page.getByTestId('pixels-value')).toBeVisible();
  await expect(desk.getByText('● Paired. The device is in the list.')).toBeVisible();
  await expect(desk.getByText('Field phone')).toBeVisible();

  await takeAlong(page, address);
  await page.goto(`${address}/kit/along`);
  await expect(page.getByText('Paired as “Field phone”')).toBeVisible();
  await expect(page.getByText(/Opens with no signal/)).toBeVisible();

  // Out of reach, and after a new start of the browser.
  await phone.close();
  await server.stop();
  const away = await phone.open();
  for (const [path, shows] of [
    ['/far', /px.?on the subject/],
    ['/near', /: 1/],
    ['/sky', /longest/],
    ['/bench', /Bench|picture/],
    ['/book', /Curlew/],
    ['/kit', /Ostrel R45/],
    ['/kit/along', /computer cannot be reached/],
  ] as const) {
    await away.goto(`${address}${path}`);
    await expect(away.getByRole('main'), path).toContainText(shows);
  }
  await away.goto(`${address}/far`);
  await away.getByRole('button', { name: 'Add a note' }).click();
  await away.getByRole('textbox', { name: 'Note' }).fill('from behind the dyke');
  await away.getByRole('button', { name: 'Keep this reading' }).click();
  await expect(away.getByText(/Kept on this device/)).toBeVisible();

  // At home again it is sent, and is on the computer.
  await server.start({ JAUGE_LAN_PORT: new URL(address).port });
  await away.reload();
  const kept = async () => {
    const answer = await fetch(`${server.url}/api/v1/readings?search=dyke`);
    return ((await answer.json()) as { total: number }).total;
  };
  await expect.poll(kept).toBe(1);

  // Revoked: it keeps its own data and syncs no more, and can be paired anew.
  await desk.goto(`${server.url}/kit/along`);
  await desk.getByRole('button', { name: 'Revoke Field phone' }).click();
  await desk.getByRole('button', { name: 'Revoke', exact: true }).click();
  await expect(desk.getByText('None yet.')).toBeVisible();
  await away.reload();
  await expect(away.getByText(/The computer no longer knows this device/)).toBeVisible();
  await away.goto(`${address}/book`);
  await expect(away.getByText('from behind the dyke')).toBeVisible();
  await away.getByRole('button', { name: 'Pair again' }).click();
  await expect(away.getByRole('heading', { name: 'Pair this device' })).toBeVisible();
});

test('a phone that does not trust the computer works at home, and says what is missing', async ({
  server,
  computer,
  phone,
}) => {
  const desk = await computer.open();
  const { address, code } = await showCode(desk, server.url);
  const page = await phone.open({ passesOver: true });
  // As a camera opens it, with the code.
  await page.goto(`${address}/pair?code=${code.replace(' ', '')}`);
  await page.getByRole('button', { name: 'Pair' }).click();
  await expect(page.getByTestId('pixels-value')).toBeVisible();
  await page.goto(`${address}/kit/along`);
  await expect(page.getByText(/Works at home only/)).toBeVisible();
  await expect(page.getByText('Have this device trust the computer')).toBeVisible();
  const shown = await page.getByTestId('fingerprint').innerText();
  expect(await desk.getByTestId('fingerprint').innerText()).toBe(shown);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Get the certificate' }).click();
  expect((await download).suggestedFilename()).toBe('jauge-at-home.crt');
});
