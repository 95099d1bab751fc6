/** What a PNG's header says. Source: PNG, third edition, 11.2.1. */
export interface PngHeader {
  width: number;
  height: number;
  depth: number;
  colour: number;
  interlaced: boolean;
}

export const CUT_SHORT = 'it ends in the middle of its data';

/** Hands out a stream as it is asked for: so many bytes at once, or whatever comes next of so many. */
class Taker {
  private readonly reader: ReadableStreamDefaultReader<Uint8Array>;
  private left: Uint8Array = new Uint8Array(0);

  constructor(stream: ReadableStream<Uint8Array>) {
    this.reader = stream.getReader();
  }

  /** One byte to so many, as they come, of what has not been taken yet. */
  async some(most: number): Promise<Uint8Array> {
    while (this.left.length === 0) {
      const { done, value } = await this.reader.read();
      if (done) throw new Error(CUT_SHORT);
      this.left = value;
    }
    const taken = this.left.subarray(0, most);
    this.left = this.left.subarray(taken.length);
    return taken;
  }

  async all(count: number): Promise<Uint8Array> {
    const bytes = new Uint8Array(count);
    for (let at = 0; at < count;) {
      const part = await this.some(count - at);
      bytes.set(part, at);
      at += part.length;
    }
    return bytes;
  }

  async skip(count: number): Promise<void> {
    for (let left = count; left > 0;) left -= (await this.some(left)).length;
  }

  stop(): Promise<void> {
    return this.reader.cancel();
  }
}

const SIGNATURE_BYTES = 8;
const HEADER_BYTES = 13;
/** Its length and its name in front of a chunk, a sum after it. */
const HEAD_BYTES = 8;
const SUM_BYTES = 4;

/** Pixels of a PNG by its first 24 bytes: its header is its first chunk, and begins with width and height. */
export function pixelsOfPng(first: Uint8Array): number {
  const view = new DataView(first.buffer, first.byteOffset, first.byteLength);
  const at = SIGNATURE_BYTES + HEAD_BYTES;
  return first.length < at + 8 ? 0 : view.getUint32(at) * view.getUint32(at + 4);
}

async function nextChunk(file: Taker): Promise<{ kind: string; length: number }> {
  const head = await file.all(HEAD_BYTES);
  return { kind: String.fromCharCode(...head.subarray(4)), length: new DataView(head.buffer).getUint32(0) };
}

/** The header stands in the first chunk. Source: PNG, 5.6. */
async function headerOf(file: Taker): Promise<PngHeader> {
  await file.skip(SIGNATURE_BYTES);
  const { kind, length } = await nextChunk(file);
  if (kind !== 'IHDR' || length !== HEADER_BYTES) throw new Error('it does not begin with its size');
  const bytes = await file.all(HEADER_BYTES);
  await file.skip(SUM_BYTES);
  const view = new DataView(bytes.buffer);
  return {
    width: view.getUint32(0),
    height: view.getUint32(4),
    depth: bytes[8]!,
    colour: bytes[9]!,
    interlaced: bytes[12] !== 0,
  };
}

/** So much is handed to the decompressor at a time, bytes: what comes out of it is used before the next. */
const PORTION = 1 << 18;

/** The compressed picture, piece by piece as the file is read. */
function packedOf(file: Taker): ReadableStream<Uint8Array<ArrayBuffer>> {
  let left = 0;
  let ended = false;
  const nextPiece = async () => {
    for (;;) {
      const { kind, length } = await nextChunk(file);
      ended = kind === 'IEND';
      left = kind === 'IDAT' ? length : 0;
      if (ended || left > 0) return;
      await file.skip(length + SUM_BYTES);
    }
  };
  return new ReadableStream({
    async pull(to) {
      if (left === 0) await nextPiece();
      if (ended) return to.close();
      const part = await file.some(Math.min(left, PORTION));
      left -= part.length;
      to.enqueue(part.slice());
      if (left === 0) await file.skip(SUM_BYTES);
    },
  });
}

/** The header of a PNG, and its compressed picture as it is read. @throws for one that is cut short or begins with no header */
export async function openPng(stream: ReadableStream<Uint8Array>) {
  const file = new Taker(stream);
  return { header: await headerOf(file), packed: packedOf(file), stop: () => file.stop() };
}
