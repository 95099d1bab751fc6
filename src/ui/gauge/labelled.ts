/** A text that wants a place on a scale, and how much it wants it: 0 first. */
export interface WantedLabel<T> {
  item: T;
  at: number;
  text: string;
  rank: number;
}

/** Width of a text, px: figures of the condensed face are about half as wide as high. */
export const textWidth = (text: string, size: number): number => text.length * size * 0.52;

/**
 * The labels of a scale that find room: the most wanted first, and none that would touch one already placed or an end.
 *
 * @param size of the letters, px
 * @param gap to keep between two labels, px
 * @param ends where labels must stay within, px
 */
export function labelled<T>(
  wanted: readonly WantedLabel<T>[],
  size: number,
  gap: number,
  ends: [number, number] = [-Infinity, Infinity],
): WantedLabel<T>[] {
  const placed: { from: number; to: number; label: WantedLabel<T> }[] = [];
  for (const label of [...wanted].sort((a, b) => a.rank - b.rank || a.at - b.at)) {
    const half = textWidth(label.text, size) / 2;
    const [from, to] = [label.at - half, label.at + half];
    if (from < ends[0] || to > ends[1]) continue;
    if (placed.every((each) => to + gap <= each.from || from - gap >= each.to)) placed.push({ from, to, label });
  }
  return placed.map(({ label }) => label).sort((a, b) => a.at - b.at);
}
