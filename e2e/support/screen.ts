import type { Page } from '@playwright/test';

/**
 * What the screen shows now: pixels outside the red family (green or blue above red, or blue at all strong), and lit ones;
 * the brightest red.
 */
export async function pixelsOf(page: Page): Promise<{ outsideRed: number; lit: number; brightest: number }> {
  const image = (await page.screenshot()).toString('base64');
  return page.evaluate(async (data) => {
    const bitmap = await createImageBitmap(
      new Blob([Uint8Array.from(atob(data), (c) => c.charCodeAt(0))], { type: 'image/png' }),
    );
    const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
    const context = canvas.getContext('2d')!;
    context.drawImage(bitmap, 0, 0);
    const { data: pixels } = context.getImageData(0, 0, bitmap.width, bitmap.height);
    let outsideRed = 0;
    let lit = 0;
    let brightest = 0;
    for (let i = 0; i < pixels.length; i += 4) {
      const [red, green, blue] = [pixels[i]!, pixels[i + 1]!, pixels[i + 2]!];
      if (green > red || blue > red || blue > 90) outsideRed += 1;
      if (red > 60) lit += 1;
      brightest = Math.max(brightest, red);
    }
    return { outsideRed, lit, brightest };
  }, image);
}
