import { chromium, type Page } from '@playwright/test';
import { encode } from 'fast-png';
import { report, spreadOf } from './timing';

const [WIDTH, HEIGHT] = [8256, 5504];

/** A picture of 45 MP that looks different everywhere. */
function bigPicture(): Buffer {
  const data = new Uint8Array(WIDTH * HEIGHT);
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++)
      data[y * WIDTH + x] = ((x >> 4) ^ (y >> 4)) & 1 ? 60 + ((x * 7 + y * 13) % 97) : 170;
  return Buffer.from(encode({ width: WIDTH, height: HEIGHT, data, channels: 1, depth: 8 }));
}

/** Runs in the page, as text: times from frame to frame until told to stop. */
const COUNT = `(() => {
  window.frameTimes = [];
  window.counting = true;
  let last = performance.now();
  const step = () => {
    const now = performance.now();
    window.frameTimes.push(now - last);
    last = now;
    if (window.counting) requestAnimationFrame(step);
  };
  requestAnimationFrame(step);
})()`;

async function framesOfDrag(page: Page): Promise<number[]> {
  const box = (await page.getByTestId('bench-picture').boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.wheel(0, -1400);
  // What rests is fetched sharp first.
  await page.waitForTimeout(2500);
  await page.evaluate(COUNT);
  await page.mouse.down();
  for (let i = 0; i < 120; i++) await page.mouse.move(x + 60 * Math.sin(i / 10), y + 40 * Math.cos(i / 8));
  await page.mouse.up();
  return page.evaluate<number[]>('(window.counting = false, window.frameTimes)');
}

/** What a picture of 45 MP on the Bench takes to open, and how many frames a second it moves with. */
export async function benchBigPicture(url: string): Promise<void> {
  const browser = await chromium.launch({ executablePath: process.env.CHROMIUM, args: ['--no-sandbox'] });
  const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
  await page.goto(`${url}/bench`);
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: /Choose pictures/ }).click();
  const file = { name: 'big.png', mimeType: 'image/png', buffer: bigPicture() };
  const start = performance.now();
  await (await chooser).setFiles(file);
  await page.getByTestId('bench-picture').waitFor({ timeout: 120_000 });
  report('Picture of 45 MP opened', (performance.now() - start) / 1000, 's', 5);
  await page.waitForTimeout(3000);
  const session = await page.context().newCDPSession(page);
  for (const rate of [1, 4]) {
    await session.send('Emulation.setCPUThrottlingRate', { rate });
    const { median, p95 } = spreadOf(await framesOfDrag(page));
    const slowed = rate > 1 ? `, CPU slowed ${rate}×` : '';
    report(`Picture of 45 MP moved: a frame${slowed}`, median, 'ms', 17);
    report(`Picture of 45 MP moved: a frame, p95${slowed}`, p95, 'ms', 33);
  }
  await browser.close();
}
