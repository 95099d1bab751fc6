/**
 * A picture of one channel as an uncompressed bitmap file with a palette from one colour to another, so that it can be shown
 * in the colours of the look in use without decoding it anywhere.
 *
 * @param values brightness 0 to 1, row by row from the top
 * @param dark colour of 0, as [red, green, blue]
 * @param light colour of 1
 * @source BITMAPFILEHEADER, BITMAPINFOHEADER, 8 bits a pixel, 256 colours
 */
export function grayBmp(
  values: Float64Array,
  width: number,
  height: number,
  dark: readonly number[],
  light: readonly number[],
): Uint8Array {
  const stride = (width + 3) & ~3;
  const pixelsAt = 14 + 40 + 256 * 4;
  const file = new Uint8Array(pixelsAt + stride * height);
  const view = new DataView(file.buffer);
  file[0] = 0x42;
  file[1] = 0x4d;
  view.setUint32(2, file.length, true);
  view.setUint32(10, pixelsAt, true);
  view.setUint32(14, 40, true);
  view.setInt32(18, width, true);
  view.setInt32(22, height, true);
  view.setUint16(26, 1, true);
  view.setUint16(28, 8, true);
  view.setUint32(34, stride * height, true);
  view.setUint32(46, 256, true);
  for (let i = 0; i < 256; i++) {
    const share = i / 255;
    // The palette has blue first.
    for (let channel = 0; channel < 3; channel++)
      file[54 + i * 4 + channel] = Math.round(
        (dark[2 - channel] ?? 0) * (1 - share) + (light[2 - channel] ?? 0) * share,
      );
  }
  for (let y = 0; y < height; y++) {
    const row = pixelsAt + (height - 1 - y) * stride;
    for (let x = 0; x < width; x++)
      file[row + x] = Math.round(Math.min(1, Math.max(0, values[y * width + x] ?? 0)) * 255);
  }
  return file;
}
