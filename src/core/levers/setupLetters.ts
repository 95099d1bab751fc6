/** The letter of a place in a row: A to Z, then AA, AB and so on. */
export function letterAt(index: number): string {
  const last = String.fromCharCode(65 + (index % 26));
  return index < 26 ? last : letterAt(Math.floor(index / 26) - 1) + last;
}

/** Gives every set-up of a kit its letter, by its place in the kit: the same on the scale of the desk and on every page. */
export function setupLetters(setups: readonly { id: string }[]): (id: string) => string {
  const letters = new Map(setups.map(({ id }, i) => [id, letterAt(i)]));
  return (id) => letters.get(id) ?? '';
}
