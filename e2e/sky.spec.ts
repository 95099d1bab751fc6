import type { Page } from '@playwright/test';
import { demoAdapters, demoSetups } from '../src/demo/kit';
import { axeFindings } from './support/axe';
import { expect, test } from './support/test';
import { holdInHand, underTheSky } from './support/inHand';
import { pixelsOf } from './support/screen';

const sound = async (page: Page) => {
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
  expect(await axeFindings(page)).toEqual([]);
  await expect(page.locator('body')).not.toContainText('NaN');
};

/** An island in the Atlantic in a November night: a place and a day, so that what is read does not depend on today. */
const NIGHT = {
  site: { name: 'La Palma', latitudeDeg: 28.7, longitudeDeg: -17.9, heightM: 700, zone: 'Atlantic/Canary' },
  day: '2026-11-10',
};

/** Takes a set-up in hand, and a place and night where told, as a person who was here before. */
async function openSky(
  page: Page,
  path: string,
  setupId = demoSetups.darkSky.id,
  sky: object | null = null,
  look: 'day' | 'night' = 'day',
): Promise<void> {
  await holdInHand(page, { ...underTheSky(setupId), ...(sky ? { sky } : {}), preferences: { look } });
  // As with a kit of one's own, which brings no place and no evening.
  await page.route('**/api/v1/demo', (route) => route.fulfill({ json: { rows: 0 } }));
  await page.goto(path);
}

for (const size of [
  { width: 390, height: 844 },
  { width: 1280, height: 800 },
]) {
  test.describe(`at ${size.width} px`, () => {
    test.use({ viewport: size });

    test('the longest exposure answers to pointing, output and exposure, and says why', async ({ page }) => {
      await openSky(page, '/sky');
      await expect(page.getByTestId('limit-value')).toContainText('12.2');
      await expect(page.getByTestId('verdict')).toContainText('Points everywhere');
      // Longer than that: first the corners run, then the centre too.
      await page.getByTestId('exposure-field').fill('18');
      await page.getByTestId('exposure-field').press('Enter');
      await expect(page.getByTestId('verdict')).toContainText('the corners run at 18');
      await page.getByTestId('exposure-field').fill('40');
      await page.getByTestId('exposure-field').press('Enter');
      await expect(page.getByTestId('verdict')).toContainText('Strokes at 40');
      await expect(page.getByRole('img', { name: /^Worst point:/ })).toHaveAttribute('aria-label', /shows as a stroke/);
      // The rule moves by keys, too.
      await page.getByRole('slider', { name: 'Exposure' }).press('ArrowLeft');
      await expect(page.getByTestId('verdict')).not.toContainText('at 40');
      await page.getByRole('button', { name: 'Back to the longest' }).click();
      await expect(page.getByTestId('verdict')).toContainText('Points everywhere');
      // A print shows more than a web page, so the time is shorter.
      await page.getByRole('radio', { name: /Print/ }).first().click();
      await expect(page.getByTestId('limit-value')).not.toContainText('12.2');
      const print = parseFloat(await page.getByTestId('limit-value').innerText());
      expect(print).toBeLessThan(12);
      await page.getByTestId('limit').click();
      await expect(page.getByText('drift(t) = b').first()).toBeVisible();
      await page.keyboard.press('Escape');
      await sound(page);
    });

    test('a school is switched, and what it gives in centre and corner stands beside it', async ({ page }) => {
      await openSky(page, '/sky/schools');
      const rule500 = page.getByTestId('school-c500');
      await expect(rule500).toContainText('25 s'.replace(' ', '\u202f'));
      await expect(rule500).toHaveAttribute('aria-label', /centre 8\.4.px, runs; corner 15\.8.px, runs/);
      await expect(page.getByTestId('school-worst')).toHaveAttribute('aria-label', /passes; corner .* passes/);
      await rule500.click();
      await expect(rule500).toBeChecked();
      await expect(
        page.getByRole('table', { name: 'Other set-ups' }).getByRole('row', { name: /^Dark sky/ }),
      ).toContainText('25');
      await sound(page);
      await page.goto('/sky');
      await expect(page.getByTestId('limit')).toContainText('500 rule');
      await expect(page.getByTestId('limit-value')).toContainText('25');
    });

    test('a planet is spread by a Barlow, and its recording is planned', async ({ page }) => {
      await openSky(page, '/sky/planets', demoSetups.planetNight.id);
      // 45″ · 1800 mm / (206.265 · 2.9018 µm)
      await expect(page.getByTestId('disc-px')).toContainText('135');
      await expect(page.getByTestId('stand')).toContainText('customary range');
      await page.getByTestId(`spread-${demoAdapters.barlow.id}`).click();
      await expect(page.getByTestId('disc-px')).toContainText('271');
      await expect(page.getByTestId('stand')).toContainText('only the best air');
      await expect(page.getByTestId(`spread-${demoAdapters.barlow.id}`)).toContainText('−2');
      // A second tap takes it back.
      await page.getByTestId(`spread-${demoAdapters.barlow.id}`).click();
      await expect(page.getByTestId('disc-px')).toContainText('135');
      await expect(page.getByTestId('capture')).toContainText('window 320 × 240');
      await expect(page.getByTestId('capture')).toContainText('125 frames/s');
      await page.getByTestId('frame-exposure').fill('1');
      await page.getByTestId('frame-exposure').press('Enter');
      await expect(page.getByTestId('capture')).toContainText('460 frames/s, held by the sensor’s read-out');
      await page.getByRole('radio', { name: 'Saturn' }).click();
      await expect(page.getByRole('img', { name: /^Saturn at/ })).toBeVisible();
      const cameras = page.getByRole('button', { name: /^Cameras compared/ });
      if ((await cameras.getAttribute('aria-expanded')) !== 'true') await cameras.click();
      await expect(
        page.getByRole('table', { name: 'What they record' }).getByRole('row', { name: /planet camera/ }),
      ).toContainText('none');
      await expect(
        page.getByRole('table', { name: 'Cameras compared' }).getByRole('row', { name: /planet camera/ }),
      ).toContainText('×');
      await page.getByTestId('rate').click();
      await expect(page.getByText('least of 1/t, link / frame, read-out')).toBeVisible();
      await page.keyboard.press('Escape');
      await page.getByTestId('longest-capture').click();
      await expect(page.getByText('b · P / (π · d)')).toBeVisible();
      await page.keyboard.press('Escape');
      await sound(page);
    });

    test('an object too large is covered by a mosaic, and the frame turned to spare panels', async ({ page }) => {
      await openSky(page, '/sky/deep', demoSetups.hide.id);
      await expect(page.getByTestId('deep-fit')).toHaveText('M 31 needs 2 frames, 1 × 2');
      await page.getByRole('button', { name: /^Turn the frame to/ }).click();
      await expect(page.getByTestId('deep-fit')).toContainText('M 31 fits');
      if (size.width < 760) await page.getByRole('button', { name: 'M 31', exact: true }).click();
      await page.getByRole('textbox', { name: 'Number, name or kind' }).fill('trunk');
      await page.getByRole('radio', { name: /^IC 1396/ }).click();
      await expect(page.getByTestId('deep-fit')).toContainText(/needs \d+ frames/);
      const panels = async () => Number(/needs (\d+)/.exec(await page.getByTestId('deep-fit').innerText())?.[1] ?? 1);
      const before = await panels();
      for (const name of [/^How the frame lies/, /^Air and mount/]) {
        const group = page.getByRole('button', { name });
        if ((await group.getAttribute('aria-expanded')) !== 'true') await group.click();
      }
      await page.getByTestId('roll-field').fill('0');
      await page.getByTestId('roll-field').press('Enter');
      await page.getByTestId('overlap-field').fill('80');
      await page.getByTestId('overlap-field').press('Enter');
      await expect.poll(panels).toBeGreaterThan(before);
      await expect(page.getByTestId('seeing')).toContainText('go together');
      await expect(page.getByRole('switch', { name: /^Take “Dark sky”/ })).toContainText('fits');
      await page.getByTestId('seeing-field').fill('1,5');
      await page.getByTestId('seeing-field').press('Enter');
      await expect(page.getByTestId('seeing')).toContainText('coarser than the air');
      await sound(page);
    });

    test('a place and a night are chosen, and the plan is by the clocks there', async ({ page }) => {
      await openSky(page, '/sky/night');
      await page.getByRole('button', { name: 'Choose a place' }).click();
      await page.getByRole('radio', { name: 'Windhoek' }).click();
      const day = page.getByRole('textbox', { name: /year-month-day/ });
      await day.fill('2026-06-31');
      await expect(page.getByText(/There is no such day/)).toBeVisible();
      await day.fill('2026-06-15');
      await expect(page.getByTestId('night-day')).toHaveText('Mon 15 Jun 2026');
      await page.getByRole('button', { name: 'Close' }).click();
      await expect(page.getByTestId('night-title')).toHaveText('Mon 15 Jun 2026');
      // The Sun sets there at 18:14 by their clocks, two hours before Greenwich's; eighteen degrees down 80 minutes later.
      await expect(page.getByTestId('dark-hours')).toContainText(/Dark from 19:3\d to 06:0\d/);
      await page.getByRole('radio', { name: /^NGC 5139/ }).click();
      await expect(page.getByTestId('best-window')).toContainText('NGC 5139: 19:');
      await expect(page.getByRole('img', { name: /^Altitudes of NGC 5139/ })).toBeVisible();
      await sound(page);
      // A place by its coordinates, with a zone that must exist.
      await page.getByRole('button', { name: /^Place and night/ }).click();
      await page.getByTestId('latitude-field').fill('69,6');
      await page.getByTestId('latitude-field').press('Enter');
      await page.getByRole('textbox', { name: /^Time zone/ }).fill('Mars/Olympus');
      await expect(page.getByText(/This zone is not known/)).toBeVisible();
      await page.getByRole('button', { name: 'Close' }).click();
      await expect(page.getByTestId('dark-hours')).toContainText('It does not get dark');
    });
  });
}

test('with the demo kit comes its place and its evening, and goes with it', async ({ page }) => {
  await page.goto('/sky/night');
  await expect(page.getByTestId('night-title')).toHaveText('Sat 7 Nov 2026');
  await expect(page.getByText(/^Sea wall, clocks of Europe\/London/)).toBeVisible();
  await expect(page.getByTestId('dark-hours')).toContainText(/Dark from 1[78]:\d\d to 0[45]:\d\d/);
  await page.goto('/sky/planets');
  await expect(page.getByTestId('planet-night')).toContainText('Sea wall');
  await page.goto('/kit/bring');
  await page.getByRole('button', { name: 'Put the demo kit away' }).click();
  await expect(page.getByText(/The demo kit is put away/)).toBeVisible();
  await page.goto('/sky/night');
  await expect(page.getByRole('button', { name: 'Choose a place' })).toBeVisible();
});

test('verdicts on a test series become the tolerance, and it replaces the rule', async ({ page, server }) => {
  await openSky(page, '/sky/series');
  await expect(page.getByRole('list', { name: 'Checklist' }).getByRole('listitem')).toHaveCount(6);
  const judge = async (seconds: number, centre: string, corner: string) => {
    const frame = page.getByTestId(`frame-${seconds}`);
    await frame
      .getByRole('radiogroup', { name: /^Centre/ })
      .getByRole('radio', { name: centre })
      .click();
    await frame
      .getByRole('radiogroup', { name: /^Corners/ })
      .getByRole('radio', { name: corner })
      .click();
  };
  await judge(5, 'Fine', 'Fine');
  await judge(10, 'Fine', 'Passes small');
  await judge(15, 'Passes small', 'Strokes');
  await judge(20, 'Strokes', 'Strokes');
  // The largest run at which and below which all was fine: 10 s in the centre, 5 s in the corner.
  await expect(page.getByTestId('learned')).toContainText('up to 3.3');
  await expect(page.getByTestId('contradiction')).toHaveCount(0);
  await sound(page);
  await page.getByRole('button', { name: 'Keep it and go by it' }).click();
  await expect(page.getByText('Kept for this lens')).toBeVisible();
  await expect
    .poll(
      async () =>
        ((await (await page.request.get(`${server.url}/api/v1/starTests`)).json()) as { total: number }).total,
    )
    .toBe(1);
  await page.goto('/sky');
  // A web page is shown small: what passed small counts. A print is not.
  await expect(page.getByTestId('limit-value')).toContainText('10');
  await expect(page.getByTestId('centre-limit')).toContainText('15');
  await page.getByRole('radio', { name: /Print/ }).first().click();
  await expect(page.getByTestId('limit-value')).toContainText('5');
  await expect(page.getByTestId('centre-limit')).toContainText('10');
  await page.getByTestId('tolerance').click();
  await expect(page.getByText(/learned from your verdicts on 4 pictures/)).toBeVisible();
  await page.keyboard.press('Escape');
  // Another lens has not been judged: there the pixels count.
  await page.getByRole('button', { name: /^Set-up/ }).click();
  await page.getByRole('button', { name: 'Take Light bag' }).click();
  const points = page.getByRole('button', { name: /^What passes for a point/ });
  if ((await points.getAttribute('aria-expanded')) !== 'true') await points.click();
  await expect(page.getByTestId('own-tolerance')).toContainText('Nothing is learned for');
});

test('stopped down, the same brightness takes a higher ISO', async ({ page }) => {
  await openSky(page, '/sky');
  await page.getByRole('button', { name: /^ISO and stops/ }).click();
  await page.getByTestId('exposure-field').fill('15');
  await page.getByTestId('exposure-field').press('Enter');
  await expect(page.getByTestId('trade-off')).toContainText('ISO 3,200');
  await page.getByTestId('star-fnumber').fill('3,6');
  await page.getByTestId('star-fnumber').press('Enter');
  await expect(page.getByTestId('trade-off')).toContainText('takes ISO 13,000; the sensor gets −2');
  await page.getByTestId('star-fnumber').fill('1');
  await page.getByTestId('star-fnumber').press('Enter');
  await expect(page.getByText(/must be from f\/1.8 to f\/64/)).toBeVisible();
  await page.getByTestId('ceiling-field').fill('8');
  await page.getByTestId('ceiling-field').press('Enter');
  await page.getByRole('link', { name: /^Schools side by side/ }).click();
  await page.getByTestId('school-ceiling').click();
  await expect(page.getByTestId('school-ceiling')).toContainText('8');
});

test('a lens whose corners fail before drift gets a shorter time, kept with the lens', async ({ page, server }) => {
  await openSky(page, '/sky');
  await expect(page.getByTestId('limit-value')).toContainText('12.2');
  await page.getByRole('button', { name: /^Lens/ }).click();
  await page.getByTestId('stretch-field').fill('4');
  await page.getByTestId('stretch-field').press('Enter');
  await expect(page.getByTestId('limit-value')).toContainText('5.9');
  await expect(page.getByText(/3\.7.px are left for drift in the corners/)).toBeVisible();
  await expect
    .poll(async () => JSON.stringify(await (await page.request.get(`${server.url}/api/v1/starTests`)).json()))
    .toContain('"cornerStretchPx":4');
});

test('levers are tried and taken back: the centre only, and away from the equator of the sky', async ({ page }) => {
  await openSky(page, '/sky');
  const centre = page.getByTestId('star-lever-centre');
  await expect(centre).toContainText('23.1');
  await centre.click();
  await expect(page.getByTestId('limit-value')).toContainText('23.1');
  await centre.click();
  await expect(page.getByTestId('limit-value')).toContainText('12.2');
  const aim = page.getByTestId('star-lever-aim');
  await aim.click();
  await expect(page.getByTestId('limit-value')).not.toContainText('12.2');
  await page.getByRole('button', { name: 'Keep what is tried' }).click();
  await expect(page.getByTestId('star-lever-aim')).toHaveCount(0);
});

test('a reading of the stars is kept in the Book, as it was and as it would be now', async ({ page }) => {
  await openSky(page, '/sky');
  await page.getByTestId('exposure-field').fill('10');
  await page.getByTestId('exposure-field').press('Enter');
  await page.getByRole('button', { name: 'Keep this reading' }).click();
  await expect(page.getByText('Kept in the Book.')).toBeVisible();
  await page.getByRole('link', { name: 'Book' }).click();
  await page
    .getByRole('link', { name: /^Stars, .*Points everywhere at 10/ })
    .first()
    .click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Stars at declination 0°');
  await expect(page.getByRole('img', { name: /^The frame after 10/ })).toBeVisible();
  await page.getByRole('button', { name: /^As it was, Longest: 12.2/ }).click();
  await expect(page.getByTestId('why-value')).toContainText('12');
  await page.keyboard.press('Escape');
  // Nothing of the kit has changed since, so there is no second column to compare.
  await expect(page.getByText('Just the same with the kit of today')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Longest: 12/ })).toHaveCount(0);
  await sound(page);
});

test('wanted strokes are planned with frames, time and card', async ({ page }) => {
  await openSky(page, '/sky/strokes');
  await expect(page.getByTestId('strokes-plan')).toContainText('116 pictures');
  await page.getByTestId('arc-field').fill('30');
  await page.getByTestId('arc-field').press('Enter');
  await expect(page.getByTestId('strokes-plan')).toContainText('232 pictures');
  await expect(page.getByText(/tell someone/)).toBeVisible();
  await sound(page);
});

test('the Sun is never without its warning, and a planet near it carries it', async ({ page }) => {
  // Venus on 2026-10-24 passes between us and the Sun.
  await openSky(page, '/sky/planets', demoSetups.planetNight.id, { ...NIGHT, day: '2026-10-24', planet: 'Venus' });
  await expect(page.getByTestId('sun-warning')).toContainText(/Venus stands only \d+° from the Sun/);
  await page.getByRole('radio', { name: 'Jupiter' }).click();
  await expect(page.getByTestId('sun-warning')).toHaveCount(0);
  await page.getByRole('button', { name: /^Moon and Sun/ }).click();
  await expect(page.getByTestId('sun-block')).toContainText('no certified solar filter stands in front');
  await expect(page.getByText(/certified filter over the front/)).toBeVisible();
  await page.getByRole('link', { name: 'Night' }).click();
  await expect(page.getByTestId('sun-warning')).toContainText('within 30° of the Sun');
  await sound(page);
});

test('the device’s position is taken only when asked, and a refusal says what to do', async ({ page }) => {
  await openSky(page, '/sky/night');
  await page.getByRole('button', { name: 'Choose a place' }).click();
  await page.getByRole('button', { name: 'Take this device’s position' }).click();
  await expect(page.getByText(/did not give its position|does not tell its position/)).toBeVisible();
  await page.context().grantPermissions(['geolocation']);
  await page.context().setGeolocation({ latitude: 46.5, longitude: 8.25 });
  await page.getByRole('button', { name: 'Take this device’s position' }).click();
  await expect(page.getByText(/^Here: 46.5° N, 8.3° E/)).toBeVisible();
});

test('with tubes in the chain the sky cannot be reached, and the desk says so', async ({ page }) => {
  await openSky(page, '/sky', demoSetups.heath.id);
  await expect(page.getByText(/does not focus on the stars/)).toBeVisible();
  await page.getByRole('button', { name: 'Choose a set-up' }).click();
  await expect(page.getByRole('button', { name: 'Close' })).toBeVisible();
});

test('the night look has a dim step, which stays over a reload', async ({ page }) => {
  await openSky(page, '/sky', demoSetups.darkSky.id, NIGHT, 'night');
  const brightest = async () => (await pixelsOf(page)).brightest;
  await expect(page.getByTestId('limit-value')).toBeVisible();
  const before = await brightest();
  await page.getByRole('button', { name: 'Dimmer' }).click();
  await expect(page.getByRole('button', { name: 'Brighter' })).toBeVisible();
  expect(await brightest()).toBeLessThan(before - 30);
  await sound(page);
  // What is in hand is written when the hand rests.
  await expect.poll(() => page.evaluate(() => localStorage.getItem('jauge.preferences'))).toContain('"dim"');
  await page.goto('/sky/schools');
  await expect(page.getByTestId('school-worst')).toBeVisible();
  expect(await brightest()).toBeLessThan(before - 30);
  expect((await pixelsOf(page)).outsideRed).toBe(0);
});

test('in the night look no pixel of a Sky desk leaves the red family, while loading either', async ({ page }) => {
  await openSky(page, '/sky', demoSetups.planetNight.id, NIGHT, 'night');
  for (const path of ['/sky', '/sky/schools', '/sky/planets', '/sky/deep', '/sky/night', '/sky/strokes']) {
    await page.goto(path, { waitUntil: 'commit' });
    await expect.poll(() => page.evaluate(() => document.documentElement?.dataset.look)).toBe('night');
    expect((await pixelsOf(page)).outsideRed).toBe(0);
    await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible();
    await expect(page.getByRole('img').or(page.getByRole('radio')).first()).toBeVisible();
    const { outsideRed, lit } = await pixelsOf(page);
    expect(outsideRed).toBe(0);
    expect(lit).toBeGreaterThan(1000);
  }
});
