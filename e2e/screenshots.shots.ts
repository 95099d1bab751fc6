import type { Page } from '@playwright/test';
import { holdInHand, underTheSky } from './support/inHand';
import { demoSetups, demoSubjects } from '../src/demo/kit';
import { demoOutings } from '../src/demo/outings';
import { atRest } from './support/rest';
import { openFar, test } from './support/test';

const folder = 'docs/screenshots';

test.describe('phone', () => {
  test.use({ deviceScaleFactor: 2 });

  test('slate with Far', async ({ page }) => {
    await openFar(page);
    await page.waitForTimeout(400);
    await page.screenshot({ path: `${folder}/far.png` });
  });
});

test.describe('far pages', () => {
  test.use({ deviceScaleFactor: 2 });

  test('side by side, detail', async ({ page }) => {
    for (const name of ['beside', 'detail']) {
      await page.goto(`/far/${name}`);
      await page.getByRole('heading', { level: 1 }).waitFor();
      await page.waitForTimeout(1800);
      await page.screenshot({ path: `${folder}/far-${name}.png` });
    }
  });
});

test.describe('near pages', () => {
  test.use({ deviceScaleFactor: 2 });

  test('desk', async ({ page }) => {
    await holdInHand(page, { near: { setupId: demoSetups.heath.id, subjectId: demoSubjects.tigerBeetle.id } });
    await page.goto('/near');
    await atRest(page);
    await page.waitForTimeout(1800);
    await page.screenshot({ path: `${folder}/near.png` });
  });
});

test.describe('book pages', () => {
  test.use({ deviceScaleFactor: 2 });

  test('an outing', async ({ page }) => {
    await page.goto(`/book/outings/${demoOutings.marsh.id}`);
    await page.getByText('Enough for Web page').first().waitFor({ timeout: 60_000 });
    await page.waitForTimeout(600);
    await page.screenshot({ path: `${folder}/outing.png` });
  });

  test('the eye', async ({ page }) => {
    await page.goto('/book/eye');
    await page.getByTestId('practise-ruler').click();
    await page.getByTestId('plate-0').waitFor({ timeout: 30_000 });
    await page.waitForTimeout(600);
    await page.screenshot({ path: `${folder}/eye.png` });
  });

  test('seek and see', async ({ page }) => {
    await page.goto('/book/seek');
    await page.getByText(/ in all$/).waitFor();
    await page.getByRole('radio', { name: 'Charts' }).click();
    await page.waitForTimeout(600);
    await page.screenshot({ path: `${folder}/seek.png` });
  });

  test('what it says', async ({ page }) => {
    await page.goto('/book/says');
    await page.getByText(/^Learned from 30 judged groups/).waitFor();
    await page.waitForTimeout(600);
    await page.screenshot({ path: `${folder}/says.png` });
  });
});

test.describe('bench', () => {
  /** Has the simulated camera take a picture, and asks it. */
  async function measured(page: Page, scene: RegExp | null, question: RegExp): Promise<void> {
    await page.getByRole('link', { name: 'Bench' }).click();
    if (scene) await page.getByRole('radio', { name: scene }).click();
    await page.getByTestId('take-simulated').click();
    await page.getByTestId('bench-picture').waitFor();
    await page.getByRole('radio', { name: question }).click();
    await page.getByTestId('bench-answer').waitFor();
    await page.waitForTimeout(1200);
  }

  test.describe('phone', () => {
    test.use({ deviceScaleFactor: 2 });
    test('a ruler', async ({ page }) => {
      await holdInHand(page, { near: { setupId: demoSetups.heath.id, subjectId: demoSubjects.tigerBeetle.id } });
      await page.goto('/near');
      await measured(page, null, /How large on the sensor/);
      await page.screenshot({ path: `${folder}/bench.png` });
    });
  });
  test.describe('wide', () => {
    test.use({ viewport: { width: 1280, height: 800 }, hasTouch: false });
    test('an edge', async ({ page }) => {
      await openFar(page);
      await measured(page, /A slanted edge/, /How sharp is it/);
      await page.screenshot({ path: `${folder}/bench-wide.png` });
    });
  });
});

test.describe('sky', () => {
  test.use({ deviceScaleFactor: 2 });

  const shots = [
    { name: 'sky-stars', path: '/sky', setupId: demoSetups.darkSky.id, look: 'night' },
    { name: 'sky-planet', path: '/sky/planets', setupId: demoSetups.planetNight.id, look: 'day' },
    { name: 'sky-night', path: '/sky/night', setupId: demoSetups.nebula.id, look: 'night' },
  ] as const;
  for (const { name, path, setupId, look } of shots) {
    test(name, async ({ page }) => {
      const site = { name: 'La Palma', latitudeDeg: 28.7, longitudeDeg: -17.9, heightM: 700, zone: 'Atlantic/Canary' };
      const sky = { site, day: '2026-11-10' };
      await holdInHand(page, { ...underTheSky(setupId), sky, preferences: { look } });
      await page.goto(path);
      await atRest(page);
      await page.waitForTimeout(1800);
      await page.screenshot({ path: `${folder}/${name}.png` });
    });
  }
});

test.describe('wide', () => {
  test.use({ viewport: { width: 1280, height: 800 }, hasTouch: false });

  test('three columns', async ({ page }) => {
    await openFar(page);
    await page.getByRole('radio', { name: /Print 30 × 20/ }).click();
    await page.waitForTimeout(400);
    await page.screenshot({ path: `${folder}/far-wide.png` });
    await page.goto('/sky/deep');
    await atRest(page);
    await page.waitForTimeout(1800);
    await page.screenshot({ path: `${folder}/sky-deep-wide.png` });
    for (const [path, name] of [
      ['/kit', 'kit-wide'],
      ['/book', 'book-wide'],
    ] as const) {
      await page.goto(path);
      await atRest(page);
      await page.waitForTimeout(1800);
      await page.screenshot({ path: `${folder}/${name}.png` });
    }
    await page.goto('/kit/setups/new');
    for (const name of ['Ostrel 100 f/2.8 macro']) await page.getByRole('button', { name: `Add ${name}` }).click();
    await page.getByRole('button', { name: /^Lenses and telescopes/ }).click();
    await page.getByRole('button', { name: /^Behind the lens/ }).click();
    for (const name of ['Ostrel ×1.4', 'Ostrel tube set'])
      await page.getByRole('button', { name: `Add ${name}` }).click();
    await page.waitForTimeout(400);
    await page.screenshot({ path: `${folder}/chain-builder-wide.png` });
  });
});

test.describe('with nothing in it', () => {
  test.use({ deviceScaleFactor: 2, demo: false });

  test('the first minute', async ({ page }) => {
    await page.goto('/far');
    await page.getByRole('radio', { name: /^Far/ }).click();
    await page.getByRole('radio', { name: /^Full frame/ }).click();
    await page.getByRole('button', { name: '45 MP' }).click();
    await page.getByRole('radio', { name: /^150–600/ }).click();
    await page.waitForTimeout(600);
    await page.screenshot({ path: `${folder}/start.png` });
  });
});

test.describe('in the field', () => {
  test.use({ deviceScaleFactor: 2 });

  test('one hand, in full sun', async ({ page }) => {
    await holdInHand(page, { preferences: { look: 'day', fullSun: true, oneHand: true } });
    await openFar(page);
    await page.waitForTimeout(800);
    await page.screenshot({ path: `${folder}/one-hand.png` });
  });
});

test.describe('at home', () => {
  test.use({ viewport: { width: 1280, height: 800 }, hasTouch: false });

  test('take it along', async ({ page }) => {
    const answers: Record<string, unknown> = {
      lan: {
        here: 'computer',
        on: true,
        addresses: ['https://192.168.1.20:4101'],
        authority: { fingerprint: '5C:07:9E:21:'.repeat(8).slice(0, -1), validUntil: '2036-11-24T10:00:00.000Z' },
      },
      pairing: { offer: { code: 'ACDE3467', expiresAt: new Date(Date.now() + 272_000).toISOString(), triesLeft: 5 } },
      devices: {
        items: [
          {
            id: 'a',
            name: 'Field phone',
            pairedAt: '2026-11-20T08:00:00.000Z',
            lastSeenAt: '2026-11-26T17:30:00.000Z',
          },
        ],
      },
    };
    // Made-up addresses in place of this machine's own.
    await page.route(/\/api\/v1\/(lan|pairing|devices)$/, (route) =>
      route.fulfill({ json: answers[new URL(route.request().url()).pathname.split('/').at(-1)!] }),
    );
    await page.goto('/kit/along');
    await page.getByTestId('pairing-code').waitFor();
    await page.waitForTimeout(600);
    await page.screenshot({ path: `${folder}/along-wide.png` });
  });
});
