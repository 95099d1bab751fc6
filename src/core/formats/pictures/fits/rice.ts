/** Bits that tell how a block is coded, and the code that stands for no coding, by bytes of a number. */
const WAYS: Record<number, { codeBits: number; uncoded: number }> = {
  1: { codeBits: 3, uncoded: 6 },
  2: { codeBits: 4, uncoded: 14 },
  4: { codeBits: 5, uncoded: 25 },
};

/** Takes bits off bytes, the highest first. */
class Bits {
  private at = 0;
  private held = 0;
  private count = 0;

  constructor(private readonly bytes: Uint8Array) {}

  private more(): void {
    if (this.at >= this.bytes.length) throw new Error('a compressed tile ends too early');
    this.held = this.bytes[this.at++]!;
    this.count = 8;
  }

  /** A number of so many bits, at most 32. */
  take(bits: number): number {
    let value = 0;
    for (let left = bits; left > 0;) {
      if (this.count === 0) this.more();
      const now = Math.min(left, this.count);
      value = value * 2 ** now + ((this.held >> (this.count - now)) & ((1 << now) - 1));
      this.count -= now;
      left -= now;
    }
    return value;
  }

  /** Noughts up to the next one, which is taken too. */
  noughts(): number {
    for (let sum = 0; ;) {
      if (this.count === 0) this.more();
      const rest = this.held & ((1 << this.count) - 1);
      if (rest === 0) {
        sum += this.count;
        this.count = 0;
        continue;
      }
      const before = Math.clz32(rest) - (32 - this.count);
      this.count -= before + 1;
      return sum + before;
    }
  }
}

/**
 * Whole numbers out of a tile compressed by Rice's coding of differences. Source: FITS standard 4.0, section 10.4.1.
 *
 * @param count how many numbers the tile holds
 * @param bytesEach 1, 2 or 4 bytes a number
 * @param block numbers coded alike
 * @throws Error where the tile ends too early or is coded in another way
 */
export function riceNumbers(bytes: Uint8Array, count: number, bytesEach: number, block: number): Int32Array {
  const way = WAYS[bytesEach];
  if (!way || !(block >= 1)) throw new Error('its tiles are compressed in a way that is not known');
  const bits = new Bits(bytes);
  const whole = 8 * bytesEach;
  const numbers = new Int32Array(count);
  let last = bits.take(whole) | 0;
  for (let from = 0; from < count; from += block) {
    const code = bits.take(way.codeBits) - 1;
    const until = Math.min(count, from + block);
    for (let i = from; i < until; i++) {
      const folded =
        code < 0 ? 0 : code === way.uncoded ? bits.take(whole) : bits.noughts() * 2 ** code + bits.take(code);
      // Differences of either sign, folded: 0, -1, 1, -2, 2 …
      const difference = folded % 2 === 1 ? -(folded + 1) / 2 : folded / 2;
      last = (last + difference) | 0;
      // Numbers of one byte run from 0, of two have a sign.
      if (bytesEach === 1) last &= 0xff;
      else if (bytesEach === 2) last = (last << 16) >> 16;
      numbers[i] = last;
    }
  }
  return numbers;
}
