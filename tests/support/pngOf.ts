import { crc32, deflateSync } from 'node:zlib';

const chunk = (name: string, data: Uint8Array): Uint8Array => {
  const whole = Buffer.concat([Buffer.alloc(4), Buffer.from(name, 'latin1'), data, Buffer.alloc(4)]);
  whole.writeUInt32BE(data.length, 0);
  whole.writeUInt32BE(crc32(whole.subarray(4, -4)) >>> 0, whole.length - 4);
  return whole;
};

/** A PNG put together chunk by chunk: size, depth and kind of colour as said, chunks before the picture, and its rows as they are. */
export function pngOf(
  [width, height]: readonly [number, number],
  [depth, colour]: readonly [number, number],
  rows: Uint8Array,
  before: readonly (readonly [name: string, data: Uint8Array])[] = [],
): Uint8Array {
  const header = Buffer.alloc(13);
  header.writeUInt32BE(width, 0);
  header.writeUInt32BE(height, 4);
  header.set([depth, colour], 8);
  return Buffer.concat([
    Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]),
    chunk('IHDR', header),
    ...before.map(([name, data]) => chunk(name, data)),
    chunk('IDAT', deflateSync(rows)),
    chunk('IEND', new Uint8Array(0)),
  ]);
}
