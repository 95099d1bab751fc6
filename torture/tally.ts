/** What a trial came to: how often it was done, and what went wrong, by name. */
export interface Tally {
  name: string;
  done: number;
  wanted: number;
  faults: string[];
  /** Other figures worth knowing. */
  notes: Record<string, number>;
}

export const newTally = (name: string, wanted: number): Tally => ({ name, done: 0, wanted, faults: [], notes: {} });

/** Repeats a trial, some at once, until it was done as often as wanted or its time is over. */
export async function repeat(
  tally: Tally,
  minutes: number,
  atOnce: number,
  once: (i: number) => Promise<string[]>,
): Promise<Tally> {
  const end = Date.now() + minutes * 60_000;
  let next = 0;
  const one = async () => {
    while (next < tally.wanted && Date.now() < end) {
      tally.faults.push(...(await once(next++)));
      tally.done += 1;
    }
  };
  await Promise.all(Array.from({ length: atOnce }, one));
  return tally;
}

export function count(tally: Tally, note: string, by = 1): void {
  tally.notes[note] = (tally.notes[note] ?? 0) + by;
}

/** A trial in lines: how often, what was counted, and the first faults. */
export function linesOf({ name, done, wanted, faults, notes }: Tally): string[] {
  const also = Object.entries(notes).map(([note, n]) => `${n} ${note}`);
  const first = faults.slice(0, 10).map((fault) => `  ✕ ${fault}`);
  return [`${name}: ${done} of ${wanted}; ${[...also, `${faults.length} faults`].join(', ')}`, ...first];
}

export const print = (tally: Tally): void => console.log(linesOf(tally).join('\n'));

/** Random numbers that can be repeated: xorshift. */
export function randomOf(seed: number): () => number {
  let state = seed >>> 0 || 1;
  return () => {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    state >>>= 0;
    return state / 2 ** 32;
  };
}
