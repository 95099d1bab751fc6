import { decode, encode } from 'fast-png';
import { chance } from '../../simulate/chance';
import { pngRows } from './pngRows';
import { readPicture } from './readPicture';

const [WIDTH, HEIGHT] = [13, 11];
const blob = (bytes: Uint8Array) => new Blob([bytes as Uint8Array<ArrayBuffer>]);
const SIGNATURE = [137, 80, 78, 71, 13, 10, 26, 10];

function chunk(kind: string, data: Uint8Array): Buffer {
  const length = Buffer.alloc(4);
  length.writeUInt32BE(data.length);
  // Its sum over the bytes is not looked at, here or by the package.
  return Buffer.concat([length, Buffer.from(kind), data, Buffer.alloc(4)]);
}

/** A PNG in colours whose rows carry each of the five filters, with whatever bytes: any bytes are a picture. */
async function filteredPng(depth: 8 | 16, channels: 3 | 4, seed: number, pieces = 1): Promise<Uint8Array> {
  const { even } = chance(seed);
  const header = Buffer.alloc(13);
  header.writeUInt32BE(WIDTH, 0);
  header.writeUInt32BE(HEIGHT, 4);
  header.set([depth, channels === 3 ? 2 : 6, 0, 0, 0], 8);
  const stride = 1 + (WIDTH * channels * depth) / 8;
  const rows = Uint8Array.from({ length: stride * HEIGHT }, (_, i) =>
    i % stride === 0 ? (i / stride) % 5 : Math.floor(256 * even()),
  );
  const stream = new Blob([rows]).stream().pipeThrough(new CompressionStream('deflate'));
  const packed = new Uint8Array(await new Response(stream).arrayBuffer());
  const size = Math.ceil(packed.length / pieces);
  const parts = Array.from({ length: pieces }, (_, i) => chunk('IDAT', packed.subarray(i * size, (i + 1) * size)));
  return Uint8Array.from(
    Buffer.concat([Buffer.from(SIGNATURE), chunk('IHDR', header), ...parts, chunk('IEND', new Uint8Array(0))]),
  );
}

describe('a PNG read row by row', () => {
  it.each([
    [8, 3],
    [8, 4],
    [16, 3],
    [16, 4],
  ] as const)('has the codes the package finds, whatever the filters, %i bits, %i samples', async (depth, channels) => {
    for (const pieces of [1, 3]) {
      const file = await filteredPng(depth, channels, 10 * depth + channels, pieces);
      const own = (await pngRows(blob(file).stream()))!;
      expect([own.width, own.height, own.channels, own.bits]).toEqual([WIDTH, HEIGHT, channels, depth]);
      expect(Array.from(own.codes)).toEqual(Array.from(decode(file).data));
    }
  });

  it('leaves greys, palettes and interlaced ones to the package', async () => {
    const data = new Uint8Array(WIDTH * HEIGHT).fill(90);
    const grey = encode({ width: WIDTH, height: HEIGHT, data, channels: 1, depth: 8 });
    expect(await pngRows(blob(grey).stream())).toBeNull();
    const read = await readPicture(blob(grey), { jpeg: () => Promise.reject(new Error('no JPEG')) });
    expect(read.ok && read.value.decoded.channels).toBe(1);
    const interlaced = await filteredPng(8, 3, 1);
    interlaced[28] = 1;
    expect(await pngRows(blob(interlaced).stream())).toBeNull();
  });

  it('says of one cut short that it is, wherever it was cut', async () => {
    const file = await filteredPng(16, 3, 5);
    for (const length of [40, 60, 200, file.length - 30]) {
      const read = await readPicture(blob(file.slice(0, length)), { jpeg: () => Promise.reject(new Error('no JPEG')) });
      expect(read.ok ? null : read.problem.code).toBe('picture.damaged');
    }
  });

  it('says of one whose compressed data is spoilt that it is damaged', async () => {
    const file = await filteredPng(16, 3, 5);
    file.fill(0xff, 60, 90);
    const read = await readPicture(blob(file), { jpeg: () => Promise.reject(new Error('no JPEG')) });
    expect(read.ok ? null : read.problem.code).toBe('picture.damaged');
  });
});
