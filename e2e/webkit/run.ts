// Half of the phones run WebKit. Drives the real application in it, at a phone's width and a wide one, and ends with the
// line "N passed, N failed". `npm run e2e:webkit`.
import assert from 'node:assert/strict';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { Origin } from 'selenium-webdriver';
import { JaugeServer } from '../support/server';
import { openWebKit, type WebKit } from './browser';

type Step = (kit: WebKit, server: JaugeServer) => Promise<void>;

const pixels = async (kit: WebKit): Promise<string> => (await kit.find('[data-testid="pixels-value"]')).getText();

const steps: Record<string, Step> = {
  'starts with a reading, its thousands grouped': async (kit, server) => {
    await kit.driver.get(`${server.url}/far`);
    assert.match(await pixels(kit), /^1,\d{3}/);
  },

  'follows a drag of the rule': async (kit) => {
    const before = await pixels(kit);
    const rule = await kit.find('[role="slider"][aria-label="Distance"]');
    await kit.driver
      .actions({ async: true })
      .move({ origin: rule })
      .press()
      .move({ origin: Origin.POINTER, x: -60, y: 0, duration: 400 })
      .release()
      .perform();
    await kit.driver.wait(async () => (await pixels(kit)) !== before, 20_000, 'the reading stayed as it was');
  },

  'takes a typed distance with a comma': async (kit) => {
    const field = await kit.find('[data-testid="distance-field"]');
    await field.click();
    // Entering the field selects what stands in it.
    // A window without a manager gets no keys from outside; this takes the engine's own way of typing.
    await kit.driver.executeScript(
      "document.activeElement.select(); document.execCommand('insertText', false, '30,5'); document.activeElement.blur();",
    );
    const rule = await kit.find('[role="slider"][aria-label="Distance"]');
    await kit.driver.wait(async () => (await rule.getAttribute('aria-valuenow')) === '30.5', 20_000);
  },

  'opens a sheet and closes it': async (kit) => {
    await (await kit.named('button', 'Subject:')).click();
    await kit.says('Redshank');
    await (await kit.named('button', 'Close')).click();
    await kit.driver.wait(async () => (await kit.driver.findElements({ css: '[role="dialog"]' })).length === 0, 20_000);
  },

  'keeps a reading, which is at the server': async (kit, server) => {
    const total = async () =>
      ((await (await fetch(`${server.url}/api/v1/readings`)).json()) as { total: number }).total;
    const before = await total();
    await (await kit.named('button', 'Keep this reading')).click();
    await kit.driver.wait(async () => (await total()) === before + 1, 30_000, 'the reading did not arrive');
  },

  'reckons in a worker': async (kit, server) => {
    await kit.driver.get(`${server.url}/near/plan`);
    await kit.says('combinations');
  },

  'reads the sky by night': async (kit, server) => {
    await kit.driver.get(`${server.url}/sky`);
    await (await kit.named('button', 'Night look')).click();
    const ground = await kit.driver.executeScript<string>('return getComputedStyle(document.body).backgroundColor');
    assert.equal(ground, 'rgb(0, 0, 0)');
    await kit.says('longest');
    await (await kit.named('button', 'Day look')).click();
  },

  'opens a picture on the bench and measures it': async (kit, server) => {
    await kit.driver.get(`${server.url}/bench`);
    await (await kit.find('[data-testid="take-simulated"]')).click();
    await kit.find('[data-testid="bench-picture"]');
    await kit.driver.wait(
      async () => (await kit.driver.executeScript<string>('return document.body.innerText')).includes('How large on'),
      60_000,
    );
    await kit.driver.findElement({ xpath: '//*[@role="radio"][contains(., "How large on")]' }).click();
    await kit.says('Reproduction ratio');
    await kit.says('ticks of');
  },

  'opens with the server away': async (kit, server) => {
    await kit.driver.get(`${server.url}/far`);
    await pixels(kit);
    await kit.driver.wait(
      async () =>
        kit.driver.executeAsyncScript<boolean>(
          `const done = arguments[0]; navigator.serviceWorker.getRegistration().then((each) => done(each?.active?.state === 'activated'), () => done(false));`,
        ),
      120_000,
      'no worker keeps the files',
    );
    await kit.driver.sleep(3000);
    await server.stop();
    for (const [address, words] of [
      ['/far', 'on the subject'],
      ['/near', ': 1'],
      ['/sky', 'longest'],
      ['/book', 'Curlew'],
      ['/kit', 'Ostrel R45'],
    ] as const) {
      await kit.driver.get(`${server.url}${address}`);
      await kit.says(words);
    }
    await server.start();
  },
};

async function main(): Promise<void> {
  let passed = 0;
  let failed = 0;
  const only = Number(process.argv[2] ?? 0);
  for (const [width, height] of [
    [390, 844],
    [1280, 800],
  ] as const) {
    if (only && only !== width) continue;
    const server = new JaugeServer(true);
    await server.start();
    const kit = await openWebKit(width, height);
    for (const [name, step] of Object.entries(steps)) {
      try {
        await step(kit, server);
        passed += 1;
        console.log(`✓ ${width} px: ${name}`);
      } catch (error) {
        failed += 1;
        console.log(`✕ ${width} px: ${name}\n  ${error instanceof Error ? error.message : String(error)}`);
        fs.writeFileSync(
          path.join(os.tmpdir(), `jauge-webkit-${width}-${failed}.png`),
          await kit.driver.takeScreenshot(),
          'base64',
        );
      }
    }
    await kit.close();
    await server.dispose();
  }
  console.log(`${passed} passed, ${failed} failed`);
  process.exit(failed === 0 ? 0 : 1);
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
