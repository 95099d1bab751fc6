import fc from 'fast-check';
import { labelled, textWidth } from './labelled';

const label = (at: number, text: string, rank: number) => ({ item: text, at, text, rank });

it('the more wanted label stands, the one in its way goes', () => {
  const kept = labelled([label(10, '0.07', 2), label(30, '0.08', 2), label(40, '0.1', 0)], 15, 4);
  expect(kept.map((each) => each.text)).toEqual(['0.1']);
  expect(labelled([label(10, '0.07', 2), label(80, '0.1', 0)], 15, 4)).toHaveLength(2);
});

it('no two labels touch, none leaves the ends, and whatever has room for itself stands', () => {
  const some = fc.array(
    fc.record({
      at: fc.double({ min: 0, max: 400, noNaN: true }),
      text: fc.string({ minLength: 1, maxLength: 8 }),
      rank: fc.nat(3),
    }),
    { maxLength: 30 },
  );
  fc.assert(
    fc.property(some, (wanted) => {
      const all = wanted.map((each) => ({ ...each, item: each }));
      const kept = labelled(all, 13, 5, [0, 400]);
      const box = (each: { at: number; text: string }) => [
        each.at - textWidth(each.text, 13) / 2,
        each.at + textWidth(each.text, 13) / 2,
      ];
      for (let i = 1; i < kept.length; i += 1)
        expect(box(kept[i]!)[0]! - box(kept[i - 1]!)[1]!).toBeGreaterThanOrEqual(5);
      for (const each of kept) {
        expect(box(each)[0]).toBeGreaterThanOrEqual(0);
        expect(box(each)[1]).toBeLessThanOrEqual(400);
      }
      for (const each of all) {
        if (kept.some((other) => other.item === each.item)) continue;
        const [from, to] = box(each) as [number, number];
        const inTheWay = kept.some((other) => {
          const [a, b] = box(other) as [number, number];
          return from - 5 < b && to + 5 > a && other.rank <= each.rank;
        });
        expect(inTheWay || from < 0 || to > 400).toBe(true);
      }
    }),
  );
});
