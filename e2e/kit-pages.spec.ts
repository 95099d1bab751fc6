import fs from 'node:fs';
import type { Page } from '@playwright/test';
import { demoBodies, demoSetups } from '../src/demo/kit';
import { heicFile, jpegFile, tiffFile } from '../tests/photoFiles';
import { axeFindings } from './support/axe';
import { expect, test } from './support/test';

const names = async (page: Page) => (await page.getByRole('link', { name: /^Open / }).all()).length;
const buffer = (bytes: Uint8Array) => Buffer.from(bytes);

test('the kit is sought, filtered and sorted', async ({ page }) => {
  await page.goto('/kit');
  await expect(page.getByRole('link', { name: 'Open Ostrel R45' })).toBeVisible();
  await page.getByRole('radio', { name: 'Bodies' }).click();
  expect(await names(page)).toBe(Object.keys(demoBodies).length);
  await page.getByRole('radio', { name: 'All' }).click();
  await page.getByRole('textbox', { name: /^Seek/ }).fill('quillon 600');
  await expect(page.getByRole('link', { name: /^Open / })).toHaveCount(1);
  await page.getByRole('textbox', { name: /^Seek/ }).fill('nothing like it');
  await expect(page.getByText('Nothing of the kit matches.', { exact: false })).toBeVisible();
  await page.getByRole('textbox', { name: /^Seek/ }).fill('');
  await page.getByRole('radio', { name: 'Optics' }).click();
  await page.getByRole('button', { name: /^Sort/ }).click();
  await page.getByRole('radio', { name: 'Entrance pupil' }).click();
  await expect(page.getByRole('link', { name: /^Open / }).first()).toHaveAccessibleName(
    'Open Merrow 180 long reflector',
  );
  await page.getByRole('radio', { name: 'Weight' }).click();
  await expect(page.getByRole('link', { name: /^Open / }).first()).toHaveAccessibleName('Open Quillon 4× objective');
  expect(await axeFindings(page)).toEqual([]);
});

test('the card of a body tells what each mode gives, and why its megapixels are divided twice', async ({ page }) => {
  await page.goto(`/kit/bodies/${demoBodies.ostrel.id}`);
  await expect(page.getByTestId('c15-megapixels')).toContainText('20.2');
  await expect(page.getByTestId('whole-picturesOnCard')).toContainText('2,700');
  await page.getByRole('textbox', { name: 'Card, GB' }).fill('64');
  await page.getByRole('textbox', { name: 'Card, GB' }).press('Enter');
  await expect(page.getByTestId('whole-picturesOnCard')).toContainText('1,330');
  await page.getByTestId('c15-megapixels').click();
  await expect(page.getByText(/divided by it twice. Divided once, 45.4 ÷ 1.5 = 30.3 MP/)).toBeVisible();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await page.getByRole('link', { name: /^Marsh hide/ }).click();
  await expect(page.getByRole('heading', { name: 'Marsh hide' })).toBeVisible();
});

for (const size of [
  { width: 390, height: 844 },
  { width: 1280, height: 800 },
]) {
  test.describe(`at ${size.width} px`, () => {
    test.use({ viewport: size });

    test('three bodies stand beside each other, nothing scrolls sideways', async ({ page }) => {
      await page.goto('/kit');
      for (const name of ['Ostrel R45', 'Quillon C26', 'Merrow T20'])
        await page.getByRole('checkbox', { name: `Compare ${name}` }).click();
      await page.getByRole('button', { name: 'Compare', exact: true }).click();
      const table = page.getByRole('table', { name: /^Comparison of/ });
      await expect(table.getByRole('row', { name: /Pixel pitch/ })).toContainText('3.75');
      await expect(table.getByRole('row', { name: /Crop factor by the diagonal/ })).toContainText('1.992');
      await expect(table.getByRole('row', { name: /Crop factor same aspect/ })).toContainText('1.846');
      await expect(page.getByRole('img', { name: /^Sensors to scale/ })).toBeVisible();
      expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(
        0,
      );
      expect(await axeFindings(page)).toEqual([]);
    });
  });
}

const chainText = async (page: Page) =>
  (
    await page
      .getByRole('list', { name: /^Optics chain/ })
      .getByRole('button')
      .all()
  ).length;
const order = async (page: Page) =>
  Promise.all(
    (
      await page
        .getByRole('list', { name: /^Optics chain/ })
        .getByRole('button')
        .all()
    ).map(async (tile) => (await tile.getAttribute('aria-label'))!.replace(/, \d of \d$/, '')),
  );

test.describe('the chain builder', () => {
  test.use({ viewport: { width: 1280, height: 800 }, hasTouch: false });

  test('builds a chain of five parts by dragging', async ({ page }) => {
    await page.goto('/kit/setups/new');
    // A list once something is in it.
    const strip = page.getByLabel(/^Optics chain/);
    const dragIn = async (name: string, where: 'left' | 'right') => {
      const part = page.getByRole('button', { name: `Add ${name}` });
      await part.scrollIntoViewIfNeeded();
      const from = (await part.boundingBox())!;
      const tiles = await strip.getByRole('button').all();
      const target = tiles.length
        ? (await tiles[where === 'left' ? 0 : tiles.length - 1]!.boundingBox())!
        : (await strip.boundingBox())!;
      await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
      await page.mouse.down();
      await page.mouse.move(from.x + from.width / 2, from.y - 12, { steps: 3 });
      await page.mouse.move(target.x + target.width / 2, target.y + target.height / 2, { steps: 8 });
      await page.mouse.up();
    };
    await dragIn('Ostrel 100 f/2.8 macro', 'left');
    expect(await order(page)).toEqual(['Ostrel 100 f/2.8 macro']);
    await page.getByRole('button', { name: /^In front of it/ }).click();
    await dragIn('Merrow close-up +5', 'left');
    expect(await order(page)).toEqual(['Merrow close-up +5', 'Ostrel 100 f/2.8 macro']);
    await page.getByRole('button', { name: /^Behind the lens/ }).click();
    for (const name of ['Ostrel tube set', 'Ostrel ×1.4', 'Ostrel ×2'])
      await page.getByRole('button', { name: `Add ${name}` }).click();
    expect(await chainText(page)).toBe(5);

    // Drag the last part to the place of the one before it.
    const before = await order(page);
    const tiles = await strip.getByRole('button').all();
    const [a, b] = [(await tiles[4]!.boundingBox())!, (await tiles[3]!.boundingBox())!];
    await page.mouse.move(a.x + a.width / 2, a.y + a.height / 2);
    await page.mouse.down();
    await page.mouse.move(a.x, a.y + a.height / 2, { steps: 4 });
    await page.mouse.move(b.x + b.width / 2 - 6, b.y + b.height / 2, { steps: 6 });
    await page.mouse.up();
    await expect.poll(() => order(page)).toEqual([before[0], before[1], before[2], before[4], before[3]]);
  });

  test('builds and orders the same by the keyboard alone, and every step says what it changed', async ({ page }) => {
    await page.goto('/kit/setups/new');
    const add = async (name: string) => {
      await page.getByRole('button', { name: `Add ${name}` }).focus();
      await page.keyboard.press('Enter');
    };
    await add('Ostrel 100 f/2.8 macro');
    for (const shelf of [/^Behind the lens/, /^In front of it/]) {
      await page.getByRole('button', { name: shelf }).focus();
      await page.keyboard.press('Enter');
    }
    await add('Ostrel ×1.4');
    await add('Ostrel tube set');
    await add('Ostrel ×2');
    await add('Merrow close-up +5');
    expect(await order(page)).toEqual([
      'Merrow close-up +5',
      'Ostrel 100 f/2.8 macro',
      'Ostrel ×2',
      'Ostrel tube set',
      'Ostrel ×1.4',
    ]);
    const steps = page.getByRole('list', { name: 'What each part does' });
    await expect(steps.getByRole('listitem').filter({ hasText: 'Ostrel ×2' })).toContainText('→');
    await expect(page.getByText(/The order counts/)).toBeVisible();
    await expect(page.getByText(/would touch the rear element/)).toBeVisible();

    // Lift the tubes, move them one to the left, put them down.
    await page.getByRole('button', { name: /^Ostrel tube set, 4 of 5/ }).focus();
    // Each step is waited for as it is said to a person who does not see it.
    const said = (text: string) => expect(page.getByText(`Ostrel tube set is over ${text}.`)).toBeAttached();
    await page.keyboard.press('Space');
    await said('place 4 of 5');
    await page.keyboard.press('ArrowLeft');
    await said('place 3 of 5');
    await page.keyboard.press('Space');
    await expect
      .poll(() => order(page))
      .toEqual(['Merrow close-up +5', 'Ostrel 100 f/2.8 macro', 'Ostrel tube set', 'Ostrel ×2', 'Ostrel ×1.4']);
    await page.getByRole('button', { name: /^Ostrel ×1.4, 5 of 5/ }).focus();
    await page.keyboard.press('Delete');
    await expect.poll(() => chainText(page)).toBe(4);

    // Only the 20 mm tube of the set.
    for (const length of ['12 mm tube', '36 mm tube']) {
      await page.getByRole('checkbox', { name: length }).focus();
      await page.keyboard.press('Space');
    }
    await expect(page.getByRole('checkbox', { name: '20 mm tube' })).toBeChecked();
    await expect(page.getByRole('checkbox', { name: '36 mm tube' })).not.toBeChecked();
    expect(await axeFindings(page)).toEqual([]);
    await page.getByRole('textbox', { name: /^Name/ }).fill('Five parts');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByRole('button', { name: /^Set-up: Five parts/ })).toBeVisible();
  });

  test('says what does not mount and which adapter would do, and what a small-format zoom covers', async ({ page }) => {
    await page.goto('/kit/setups/new');
    await page.getByRole('button', { name: 'Add Merrow mirror 500 f/8' }).click();
    await expect(page.getByText(/SLR onto Ostrel R of the kit would do/)).toBeVisible();
    await page.getByRole('button', { name: /^Behind the lens/ }).click();
    await page.getByRole('button', { name: 'Add SLR onto Ostrel R' }).click();
    await expect(page.getByText(/does not mount/)).toHaveCount(0);
    await expect(page.getByText('A mirror lens draws blurred lights as rings.')).toBeVisible();
    await page.getByRole('radio', { name: 'Quillon C26' }).click();
    await page.getByRole('button', { name: 'Add Quillon 70–300 f/4–5.6' }).click();
    await page.getByRole('button', { name: /^Along the zoom/ }).click();
    await expect(page.getByRole('table', { name: /zoom range/ }).getByRole('row')).toHaveCount(6);
    await expect(page.getByRole('img', { name: /^Image circle of/ })).toBeVisible();
  });
});

test('a set-up with a scope is read on the Far desk', async ({ page }) => {
  await page.goto('/far');
  await page.getByRole('button', { name: /^Set-up/ }).click();
  await page.getByRole('button', { name: 'Take Sea-wall scope' }).click();
  await expect(
    page.getByRole('button', { name: /^Set-up: Sea-wall scope, Merrow pocket phone \+ Merrow 65/ }),
  ).toBeVisible();
  await expect(page.getByTestId('equivalent')).toContainText('733');
  await page.goto(`/kit/setups/${demoSetups.seawall.id}`);
  await page.getByRole('textbox', { name: 'Magnification set, ×' }).fill('40');
  await page.getByRole('textbox', { name: 'Magnification set, ×' }).press('Enter');
  await expect(page.getByTestId('together-focal')).toContainText('276');
});

test.describe('from a photo', () => {
  const fields = {
    make: 'Ostrel',
    model: 'X9',
    lensModel: 'Ostrel 300 f/4',
    columns: 6000,
    rows: 4000,
    focalLength: 300,
    focalLength35: 450,
    focalPlaneX: 2553.19,
    focalPlaneY: 2553.19,
    focalPlaneUnit: 3,
    fNumber: 4,
  };
  const choose = async (page: Page, name: string, bytes: Uint8Array) => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Choose a picture' }).click();
    await (await chooser).setFiles({ name, mimeType: 'image/jpeg', buffer: buffer(bytes) });
  };

  test('a body is proposed with its sources, put into the kit, and nothing is uploaded', async ({ page }) => {
    const sent: string[] = [];
    page.on('request', (request) => {
      if (request.method() !== 'GET')
        sent.push(`${request.method()} ${new URL(request.url()).pathname} ${request.postData()?.length ?? 0}`);
    });
    await page.goto('/kit/bring');
    await choose(page, 'DSC_0001.JPG', jpegFile(fields, { columns: 6000, rows: 4000 }));
    await expect(page.getByText('6,000 × 4,000 pixels, 24 MP')).toBeVisible();
    await expect(page.getByText('By its pixels per length on the sensor', { exact: false })).toBeVisible();
    await expect(page.getByText('Like the plain format APS-C 1.5', { exact: false })).toBeVisible();
    await expect(page.getByRole('textbox', { name: 'Sensor width, mm' })).toHaveValue('23.5');
    expect(sent).toEqual([]);
    await page.getByRole('button', { name: 'Put the body in the kit' }).click();
    await page.getByRole('button', { name: 'Look at it' }).click();
    await expect(page.getByRole('heading', { name: 'Ostrel X9' })).toBeVisible();
    // It is sent in the background, a moment after it is there.
    await expect.poll(() => sent.map((each) => each.split(' ')[1])).toEqual(['/api/v1/bodies']);
  });

  test('HEIC and TIFF are read as well; contradictions, missing fields and other files are named', async ({ page }) => {
    await page.goto('/kit/bring');
    await choose(page, 'IMG_1.HEIC', heicFile({ ...fields, model: 'H1' }));
    await expect(page.getByText('Ostrel H1')).toBeVisible();
    await choose(page, 'scan.tif', tiffFile({ ...fields, model: 'T1' }, false));
    await expect(page.getByText('Ostrel T1')).toBeVisible();
    await choose(page, 'small.jpg', jpegFile({ ...fields, columns: 3000, rows: 2000 }, { columns: 3000, rows: 2000 }));
    await expect(page.getByText(/Two ways to the sensor’s width disagree by 5\d %/)).toBeVisible();
    await choose(
      page,
      'bare.jpg',
      jpegFile({ make: 'Quillon', columns: 4000, rows: 3000 }, { columns: 4000, rows: 3000 }),
    );
    await expect(page.getByText(/does not tell the size of the sensor/)).toBeVisible();
    await page.getByRole('radio', { name: /^Four-thirds/ }).click();
    await expect(page.getByRole('textbox', { name: 'Sensor width, mm' })).toHaveValue('17.3');
    await choose(page, 'notes.jpg', new TextEncoder().encode('this is a text file'));
    await expect(page.getByText(/not a JPEG, PNG, HEIC or TIFF picture, whatever its name says/)).toBeVisible();
    await choose(page, 'stripped.jpg', jpegFile(null, { columns: 10, rows: 10 }));
    await expect(page.getByText(/carries no EXIF/)).toBeVisible();
  });
});

test.describe('files', () => {
  const choose = async (page: Page, name: string, text: string) => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Choose a CSV or JSON file' }).click();
    await (
      await chooser
    ).setFiles({ name, mimeType: name.endsWith('json') ? 'application/json' : 'text/csv', buffer: Buffer.from(text) });
  };

  test('a broken line of a CSV is named with its number and column; corrected, all of it comes in', async ({
    page,
  }) => {
    await page.goto('/kit/bring');
    const csv = 'kind,name,dioptres,weightG\ncloseUp,Three,3,80\ncloseUp,Ten,zehn,90\nconverter,No factor,,\n';
    await choose(page, 'close-ups.csv', csv);
    const wrong = page.getByRole('alert', { name: 'What is wrong in close-ups.csv' });
    await expect(wrong.getByText('Line 3, dioptres')).toBeVisible();
    await expect(wrong.getByText('Line 4, factor')).toBeVisible();
    await expect(wrong.getByText(/Nothing was taken from close-ups.csv. Correct these 2/)).toBeVisible();
    await choose(
      page,
      'close-ups.csv',
      csv
        .replace('zehn', '10')
        .replace('No factor,,', 'With factor,,')
        .replace('kind,name,dioptres,weightG', 'kind,name,dioptres,factor')
        .replaceAll(',80', ',')
        .replaceAll(',90', ',')
        .replace('With factor,,', 'With factor,,1.7'),
    );
    await expect(page.getByText('close-ups.csv: 3 adapters, all of them readable.')).toBeVisible();
    await page.getByRole('button', { name: 'Bring in' }).click();
    await expect(page.getByText('✓ Brought in: 3 new.')).toBeVisible();
    await page.goto('/kit');
    await page.getByRole('textbox', { name: /^Seek/ }).fill('with factor');
    await expect(page.getByRole('link', { name: 'Open With factor' })).toBeVisible();
  });

  test('five thousand lines come in', async ({ page }) => {
    await page.goto('/kit/bring');
    await choose(
      page,
      'many.csv',
      `kind,name,dioptres\n${Array.from({ length: 5000 }, (_, i) => `closeUp,Lens ${i},3`).join('\n')}\n`,
    );
    await expect(page.getByText('many.csv: 5,000 adapters, all of them readable.')).toBeVisible();
    await page.getByRole('button', { name: 'Bring in' }).click();
    await expect(page.getByText('✓ Brought in: 5,000 new.')).toBeVisible();
  });

  test('everything goes out as JSON and comes back as it was; a broken file changes nothing', async ({
    page,
    server,
  }) => {
    await page.goto('/kit/bring');
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Everything, as JSON' }).click();
    const text = fs.readFileSync(await (await download).path(), 'utf8');
    const data = JSON.parse(text) as { rows: Record<string, { checksum?: string; data: { name?: string } }[]> };
    expect(data.rows.bodies).toHaveLength(Object.keys(demoBodies).length);
    await choose(page, 'backup.json', text);
    await page.getByRole('button', { name: 'Bring in' }).click();
    await expect(page.getByText(/Brought in: 0 new, \d+ there already/)).toBeVisible();
    // Changed on purpose: without the checksum it was exported with.
    data.rows.bodies![0]!.data.name = 'Renamed in the file';
    delete data.rows.bodies![0]!.checksum;
    await choose(page, 'backup.json', JSON.stringify(data));
    await page.getByRole('radio', { name: /^Add, and replace/ }).click();
    await page.getByRole('button', { name: 'Bring in' }).click();
    await expect(page.getByText(/1 replaced/).first()).toBeVisible();
    const bodies = (await (await page.request.get(`${server.url}/api/v1/bodies`)).json()) as {
      items: { data: { name: string } }[];
    };
    expect(bodies.items.map((row) => row.data.name)).toContain('Renamed in the file');
    // Exactly the state taken out: what came since goes. Then nothing at all, asked twice.
    await choose(page, 'backup.json', text);
    await page.getByRole('radio', { name: /^Exactly this state/ }).click();
    await page.getByRole('button', { name: 'Bring in' }).click();
    await expect(page.getByText(/Brought in: 0 new, 1 replaced, \d+ there already/)).toBeVisible();
    await page.getByRole('button', { name: 'Empty the kit' }).click();
    await page.getByRole('button', { name: 'Leave it' }).click();
    await page.getByRole('button', { name: 'Empty the kit' }).click();
    await page.getByRole('button', { name: 'Empty it' }).click();
    await expect(page.getByText(/The kit is empty: \d+ entries taken out/).first()).toBeVisible();
    await page.getByRole('button', { name: 'Look around with the demo kit' }).click();
    await expect(page.getByText(/The demo kit is in: \d+ entries/).first()).toBeVisible();
    await expect(page.getByRole('button', { name: 'Put the demo kit away' })).toBeVisible();
    await choose(page, 'cut.json', text.slice(0, 500));
    await expect(page.getByText(/This is not valid JSON/)).toBeVisible();
    await choose(page, 'other.json', '{"format":"other"}');
    await expect(page.getByText(/Format must be “jauge”/)).toBeVisible();
  });

  test('the templates can be brought in as they are', async ({ page }) => {
    await page.goto('/kit/bring');
    for (const [name, count] of [
      ['bodies', 2],
      ['optics', 3],
      ['adapters', 3],
    ] as const) {
      const download = page.waitForEvent('download');
      await page.getByRole('button', { name: `Template for ${name}` }).click();
      await choose(page, `${name}.csv`, fs.readFileSync(await (await download).path(), 'utf8'));
      await expect(page.getByText(`${name}.csv: ${count} ${name}, all of them readable.`)).toBeVisible();
    }
  });
});
