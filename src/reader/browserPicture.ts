import type { Decoded } from '@/core/formats/pictures/decoded';

/** Rows read back at a time: the whole in colour beside the decoded picture would double the memory. */
const ROWS = 256;

/** A JPEG, or whatever else the browser decodes, upright and without any change of its colours, as means of grey codes. */
export async function browserPicture(file: Blob): Promise<Decoded> {
  const bitmap = await createImageBitmap(file, {
    imageOrientation: 'from-image',
    colorSpaceConversion: 'none',
    premultiplyAlpha: 'none',
  });
  const { width, height } = bitmap;
  const strip = new OffscreenCanvas(width, Math.min(ROWS, height));
  const context = strip.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('this browser gives no canvas to a worker');
  const codes = new Uint8Array(3 * width * height);
  for (let top = 0, at = 0; top < height; top += ROWS) {
    const rows = Math.min(ROWS, height - top);
    context.drawImage(bitmap, 0, top, width, rows, 0, 0, width, rows);
    const { data } = context.getImageData(0, 0, width, rows);
    for (let i = 0; i < data.length; i += 4) {
      codes[at++] = data[i]!;
      codes[at++] = data[i + 1]!;
      codes[at++] = data[i + 2]!;
    }
  }
  bitmap.close();
  return { width, height, channels: 3, codes, black: 0, white: 255, tone: 'srgb', bits: 8 };
}
