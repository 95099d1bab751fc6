import fs from 'node:fs';
import { chromium, type Page } from '@playwright/test';
import { encode as encodePng } from 'fast-png';
import { encode as encodeJpeg } from 'jpeg-js';
import { writeDng, writeFits, writeTiff, type LightPicture } from '../src/core/formats/pictures/writePictures';
import { chance } from '../src/core/simulate/chance';
import { report } from './timing';

const [WIDTH, HEIGHT] = [6000, 4000];
const PIXELS = WIDTH * HEIGHT;
const MOST_BYTES = 12;

/** A picture with the noise of one, so that no format makes it small: codes of so many samples a pixel. */
function codesOf<T extends Uint8Array | Uint16Array>(codes: T, channels: number, white: number): T {
  const { even } = chance(1);
  for (let i = 0; i < codes.length; i++) {
    const x = Math.floor(i / channels) % WIDTH;
    codes[i] = white * (0.2 + 0.5 * (x / WIDTH) + 0.02 * (even() + even()));
  }
  return codes;
}

const png = (channels: 1 | 3, depth: 8 | 16): Buffer => {
  const codes =
    depth === 8
      ? codesOf(new Uint8Array(PIXELS * channels), channels, 255)
      : codesOf(new Uint16Array(PIXELS * channels), channels, 65_535);
  return Buffer.from(encodePng({ width: WIDTH, height: HEIGHT, data: codes, channels, depth }, { zlib: { level: 1 } }));
};

const light = (): LightPicture => ({
  width: WIDTH,
  height: HEIGHT,
  light: Float32Array.from(codesOf(new Uint16Array(PIXELS), 1, 65_535), (code) => code / 65_535),
});

/** Colours side by side, in one piece: a grey one three times as wide whose tags say otherwise. */
function colourTiff(): Uint8Array {
  const codes = codesOf(new Uint16Array(3 * PIXELS), 3, 65_535);
  const wide = { width: 3 * WIDTH, height: HEIGHT, light: new Float32Array(0) };
  const file = writeTiff({ ...wide, light: Float32Array.from(codes, (code) => code / 65_535) }, 'Made', (code) => code);
  const view = new DataView(file.buffer);
  const says: Record<number, number> = { 256: WIDTH, 262: 2, 277: 3 };
  for (let i = 0, at = view.getUint32(4, true) + 2; i < view.getUint16(at - 2, true); i++) {
    const said = says[view.getUint16(at + 12 * i, true)];
    if (said !== undefined) view.setUint32(at + 12 * i + 8, said, true);
  }
  return file;
}

const FILES: [string, () => Buffer][] = [
  [
    'big.jpg',
    () => encodeJpeg({ width: WIDTH, height: HEIGHT, data: codesOf(Buffer.alloc(4 * PIXELS), 4, 255) }, 90).data,
  ],
  ['grey8.png', () => png(1, 8)],
  ['colour8.png', () => png(3, 8)],
  ['grey16.png', () => png(1, 16)],
  ['colour16.png', () => png(3, 16)],
  ['grey16.tif', () => Buffer.from(writeTiff(light(), 'Made', (code) => code))],
  ['colour16.tif', () => Buffer.from(colourTiff())],
  ['mosaic16.dng', () => Buffer.from(writeDng(light(), 'Made'))],
  ['grey16.fits', () => Buffer.from(writeFits(light(), 'Made'))],
];

/** Processes below one that draw pages: their workers live in them. Linux alone tells. */
function renderersOf(parent: number): number[] {
  const parentOf = new Map<number, number>();
  for (const name of fs.readdirSync('/proc'))
    if (/^\d+$/.test(name))
      try {
        parentOf.set(Number(name), Number(/\) \S (\d+)/.exec(fs.readFileSync(`/proc/${name}/stat`, 'utf8'))?.[1]));
      } catch {
        // It ended meanwhile.
      }
  const below = (pid: number): boolean => {
    const up = parentOf.get(pid);
    return up !== undefined && up > 1 && (up === parent || below(up));
  };
  return [...parentOf.keys()].filter(
    (pid) => below(pid) && fs.readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('--type=renderer'),
  );
}

/** Of all of them: what they hold now, or held at most since `forget`, bytes. */
const held = (pids: number[], what: 'VmRSS' | 'VmHWM'): number =>
  pids.reduce((sum, pid) => {
    const line = new RegExp(`${what}:\\s+(\\d+) kB`).exec(fs.readFileSync(`/proc/${pid}/status`, 'utf8'));
    return sum + 1024 * Number(line?.[1] ?? 0);
  }, 0);

const forget = (pids: number[]): void => pids.forEach((pid) => fs.writeFileSync(`/proc/${pid}/clear_refs`, '5'));

async function opened(page: Page, name: string, file: Buffer): Promise<void> {
  const at = `/tmp/jauge-memory-${process.pid}-${name}`;
  fs.writeFileSync(at, file);
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: /Choose pictures/ }).click();
  await (await chooser).setFiles(at);
  await page.getByTestId('bench-picture').waitFor({ timeout: 120_000 });
  await page.waitForTimeout(2000);
  fs.rmSync(at);
}

/** How much memory a picture of 24 MP takes on the Bench at the most, for each format, without the browser's own. */
export async function benchMemory(url: string): Promise<void> {
  const server = await chromium.launchServer({ executablePath: process.env.CHROMIUM, args: ['--no-sandbox'] });
  const browser = await chromium.connect(server.wsEndpoint());
  for (const [name, make] of FILES) {
    const file = make();
    const page = await browser.newPage({ viewport: { width: 390, height: 844 }, serviceWorkers: 'block' });
    await page.goto(`${url}/bench`);
    await page.getByRole('button', { name: /Choose pictures/ }).waitFor();
    await page.waitForTimeout(1500);
    const pids = renderersOf(server.process().pid!);
    const before = held(pids, 'VmRSS');
    forget(pids);
    await opened(page, name, file);
    const bytes = (held(pids, 'VmHWM') - before) / PIXELS;
    report(
      `Memory of ${name}, ${(file.length / PIXELS).toFixed(1)} bytes a pixel as a file`,
      bytes,
      'B/px',
      MOST_BYTES,
    );
    report(`Memory of ${name}, open`, (held(pids, 'VmRSS') - before) / PIXELS, 'B/px', MOST_BYTES);
    await page.close();
  }
  await browser.close();
  await server.close();
}
