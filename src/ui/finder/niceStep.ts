/** The largest of 1, 2, 5 × a power of ten that is not more than `most`. */
export function niceStep(most: number): number {
  const power = 10 ** Math.floor(Math.log10(most));
  const lead = most / power;
  return power * (lead >= 5 ? 5 : lead >= 2 ? 2 : 1);
}
