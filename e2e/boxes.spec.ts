import type { Page } from '@playwright/test';
import { axeFindings } from './support/axe';
import { overlapsAndCuts } from './support/boxes';
import { holdInHand } from './support/inHand';
import { ALL_PAGES } from './support/pages';
import { atRest } from './support/rest';
import { expect, test } from './support/test';

// Many pages each: a shared machine may be ten times slower for a while.
test.setTimeout(1_200_000);

/** Narrow, phone, tablet, wide, very wide; and a laptop's window with everything twice as large. */
const SIZES: [number, number][] = [
  [320, 700],
  [390, 844],
  [768, 1024],
  [1280, 800],
  [1920, 1080],
  [640, 400],
];

/** One screenful further in everything that scrolls; says whether anything moved. */
const further = (page: Page): Promise<boolean> =>
  page.evaluate(() => {
    let moved = false;
    for (const element of document.querySelectorAll('div')) {
      if (element.scrollHeight < element.clientHeight + 4) continue;
      if (!/auto|scroll/.test(getComputedStyle(element).overflowY)) continue;
      const before = element.scrollTop;
      element.scrollTop += element.clientHeight * 0.85;
      moved ||= element.scrollTop > before + 1;
    }
    return moved;
  });

/** All of a page, from its head to its foot. */
async function findingsOn(page: Page): Promise<string[]> {
  const found = new Set<string>();
  for (let screenful = 0; screenful < 12; screenful += 1) {
    for (const each of await overlapsAndCuts(page)) found.add(each);
    if (!(await further(page))) break;
  }
  await page.evaluate(() => {
    for (const element of document.querySelectorAll('div')) element.scrollTop = 0;
  });
  return [...found];
}

/** After a change of size the page is laid out anew: two frames, and nothing moves any more. */
const settled = (page: Page): Promise<void> =>
  page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => done()))));

const LISTS = 4;

// Each page is opened once, looked over, and then drawn at every size; several lists, for several workers.
for (let list = 0; list < LISTS; list += 1) {
  test(`every page has one heading and no accessibility fault; nothing overlaps or is cut at any width, list ${list + 1}`, async ({
    page,
  }) => {
    const found: string[] = [];
    for (const path of ALL_PAGES.filter((_, i) => i % LISTS === list)) {
      await page.setViewportSize({ width: 390, height: 844 });
      await page.goto(path);
      await expect(page.getByRole('main')).not.toContainText('Opening …');
      await atRest(page);
      // The reading in words stands in for the desk until it is drawn.
      await expect(page.locator('#first-view')).toHaveCount(0);
      await expect(page.locator('h1'), path).toHaveCount(1);
      expect(await axeFindings(page), path).toEqual([]);
      for (const [width, height] of SIZES) {
        await page.setViewportSize({ width, height });
        await settled(page);
        found.push(...(await findingsOn(page)).map((each) => `${path} at ${width}: ${each}`));
      }
    }
    expect(found).toEqual([]);
  });
}

for (const look of ['night', 'dim'] as const) {
  test(`in the ${look} look nothing overlaps at a phone’s width`, async ({ page }) => {
    await holdInHand(page, { preferences: { look } });
    const found: string[] = [];
    for (const path of ['/far', '/near', '/sky', '/sky/deep', '/kit']) {
      await page.goto(path);
      await expect(page.getByRole('main')).not.toContainText('Opening …');
      await atRest(page);
      found.push(...(await findingsOn(page)).map((each) => `${path}: ${each}`));
    }
    expect(found).toEqual([]);
  });
}

test('the check itself sees what overlaps and what is cut', async ({ page }) => {
  await page.goto('/far');
  await page.evaluate(() => {
    const add = (text: string, style: string) => {
      const element = document.createElement('div');
      element.textContent = text;
      // Through the style object: the policy of the page lets no style attribute in.
      element.style.cssText = `position:fixed;z-index:9;${style}`;
      document.body.append(element);
    };
    add('over here', 'left:40px;top:300px');
    add('and there', 'left:60px;top:304px');
    add('far too long for its box', 'left:40px;top:400px;width:50px;overflow:hidden;white-space:nowrap');
  });
  const found = await overlapsAndCuts(page);
  expect(found.join('\n')).toMatch(/“over here” and “and there” overlap/);
  expect(found.join('\n')).toMatch(/“far too long for its box” is cut off/);
});
