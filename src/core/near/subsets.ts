/** What some pieces of a set come to together, and which they are. */
export interface Subset {
  total: number;
  indexes: number[];
}

/** Sums nearer to each other than this are the same to a lens. */
const SAME = 1e-9;

/**
 * Every total that some of the pieces give, smallest first, each with the fewest pieces that give it; none of them is one.
 *
 * @param empty total of no piece: 0 for sums, 1 for products
 * @example subsets([12, 20, 36], 0, (a, b) => a + b).map((each) => each.total) // 0, 12, 20, 32, 36, 48, 56, 68
 */
export function subsets(values: number[], empty: number, combine: (a: number, b: number) => number): Subset[] {
  let found: Subset[] = [{ total: empty, indexes: [] }];
  values.forEach((value, i) => {
    const more = found.map(({ total, indexes }) => ({ total: combine(total, value), indexes: [...indexes, i] }));
    const all = [...found, ...more].sort((a, b) => a.total - b.total || a.indexes.length - b.indexes.length);
    found = [];
    for (const each of all) {
      const last = found.at(-1);
      if (!last || each.total - last.total > SAME * Math.abs(each.total)) found.push(each);
      else if (each.indexes.length < last.indexes.length) found[found.length - 1] = each;
    }
  });
  return found;
}
