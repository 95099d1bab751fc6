/** A row of numbers that only looks like chance: the same seed gives the same row. */
export interface Chance {
  /** From 0 to 1. */
  even: () => number;
  /** From a to b. */
  between: (a: number, b: number) => number;
  /** Normally distributed about 0 with deviation 1. */
  normal: () => number;
  /** One of several. */
  oneOf: <T>(choices: readonly T[]) => T;
  /** All of them in another order, each order as likely (Fisher and Yates): the same in every engine. */
  shuffled: <T>(choices: readonly T[]) => T[];
}

/** A 32-bit counter mixed by multiplication and shifts; normal ones by Box and Muller (1958). */
export function chance(seed: number): Chance {
  let state = Math.imul(seed ^ 0x5bd1e995, 0x9e3779b1) >>> 0;
  const even = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
  let spare: number | null = null;
  const normal = (): number => {
    if (spare !== null) {
      const value = spare;
      spare = null;
      return value;
    }
    const size = Math.sqrt(-2 * Math.log(1 - even()));
    const turn = 2 * Math.PI * even();
    spare = size * Math.sin(turn);
    return size * Math.cos(turn);
  };
  return {
    even,
    between: (a, b) => a + (b - a) * even(),
    normal,
    shuffled: (choices) => {
      const left = [...choices];
      return choices.map(() => left.splice(Math.min(left.length - 1, Math.floor(even() * left.length)), 1)[0]!);
    },
    oneOf: (choices) => choices[Math.min(choices.length - 1, Math.floor(even() * choices.length))]!,
  };
}
