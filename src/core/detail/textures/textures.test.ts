import type { SubjectKind } from '../../kit/subjects';
import { fur } from './fur';
import { hash, noiseOf } from './noise';
import { petal } from './petal';
import { plumage } from './plumage';
import { shell } from './shell';
import { textureOf } from './texture';
import { wingScales } from './wingScales';

/** What a drawing is as a whole: sums over 2,500 places, near its corner and across zero, each place with a weight of its own. */
function summed(at: (xMm: number, yMm: number) => number, sideMm: number): [number, number, number] {
  let [sum, across, down] = [0, 0, 0];
  for (let i = 0; i < 50; i++)
    for (let k = 0; k < 50; k++) {
      const value = at(((i - 10.3) * sideMm) / 50, ((k - 7.7) * sideMm) / 50);
      sum += value;
      across += value * Math.sin(0.37 * i + 0.11 * k);
      down += value * Math.cos(0.23 * k - 0.05 * i);
    }
  return [sum, across, down];
}

/** The drawings are as they were drawn: what they show is compared on the screen, and must not change without being looked at. */
describe('a texture is as it was drawn', () => {
  it.each<[string, (xMm: number, yMm: number) => number, number, [number, number, number]]>([
    ['fur', fur, 60, [1029.0270514, 28.5701524, 30.3735913]],
    ['petal', petal, 9, [1438.9614174, -0.7552055, 21.1523167]],
    ['plumage', plumage, 70, [1328.5680527, -19.60501, 38.5454548]],
    ['shell', shell, 4, [929.9797667, 1.3234942, 12.4645156]],
    ['wing scales', wingScales, 21, [1081.2874191, 36.2015947, -3.1962124]],
    ['wing scales, near', wingScales, 0.9, [819.8584109, 7.2850893, -0.5759442]],
    ['plumage, near', plumage, 3, [1210.8682214, -6.7475131, -12.0127443]],
    ['shell, near', shell, 0.5, [931.1656241, 3.2711359, 103.7891753]],
  ])('%s', (_name, at, sideMm, drawn) => {
    summed(at, sideMm).forEach((value, i) => expect(value).toBeCloseTo(drawn[i]!, 6));
  });
});

describe('noise', () => {
  it('has another number at each next point of its lattice, evenly from 0 to 1', () => {
    const numbers = Array.from({ length: 4000 }, (_, i) => hash((i % 80) - 40, Math.floor(i / 80) - 20, 5));
    // Some points share theirs, far apart; neighbours do not.
    expect(new Set(numbers).size).toBeGreaterThan(3200);
    expect(numbers.every((each, i) => each !== numbers[i + 1] && each !== numbers[i + 80])).toBe(true);
    // Ten boxes of 400 expected: χ² of nine degrees, beyond 27.9 once in a thousand.
    const boxes = Array.from({ length: 10 }, (_, k) => numbers.filter((each) => Math.floor(10 * each) === k).length);
    expect(boxes.reduce((sum, each) => sum + (each - 400) ** 2 / 400, 0)).toBeLessThan(27.9);
    expect(hash(3, 4, 5)).not.toBe(hash(4, 3, 5));
    expect(hash(3, 4, 5)).not.toBe(hash(3, 4, 6));
    // Places between count as the one below them in size.
    expect(hash(3.7, -4.2, 5)).toBe(hash(3, -4, 5));
    [hash(1, 2, 3), hash(-7, 40, 11), hash(1000, -1, 2)].forEach((each, i) =>
      expect(each).toBeCloseTo([0.379772719694, 0.50604927307, 0.885305497563][i]!, 9),
    );
  });

  it('meets its lattice, is half way between two points in their middle, and rests at them', () => {
    const noise = noiseOf(9);
    for (const [x, y] of [
      [2, 3],
      [-5, 7],
      [-1, -1],
    ] as const) {
      expect(noise(x, y)).toBeCloseTo(hash(x, y, 9), 12);
      expect(noise(x + 0.5, y)).toBeCloseTo((hash(x, y, 9) + hash(x + 1, y, 9)) / 2, 12);
      expect(noise(x, y + 0.5)).toBeCloseTo((hash(x, y, 9) + hash(x, y + 1, 9)) / 2, 12);
      const four = [hash(x, y, 9), hash(x + 1, y, 9), hash(x, y + 1, 9), hash(x + 1, y + 1, 9)];
      expect(noise(x + 0.5, y + 0.5)).toBeCloseTo(four.reduce((sum, each) => sum + each, 0) / 4, 12);
      // A quarter of the way the smooth step has come 5/32 of it: 3·(1/4)² − 2·(1/4)³.
      expect(noise(x + 0.25, y)).toBeCloseTo(four[0]! + (5 / 32) * (four[1]! - four[0]!), 12);
      expect(Math.abs(noise(x + 1e-4, y) - noise(x, y))).toBeLessThan(1e-6);
    }
    // Whatever was looked at before.
    const [here, elsewhere] = [noise(0.3, 0.6), noise(0.3, 1.6)];
    expect(noise(1.3, 0.6)).toBe(noiseOf(9)(1.3, 0.6));
    expect([noise(0.3, 0.6), noise(0.3, 1.6)]).toEqual([here, elsewhere]);
    expect(new Set([here, elsewhere, noiseOf(10)(0.3, 0.6)]).size).toBe(3);
  });
});

it('each kind of subject has the cover it was drawn for', () => {
  const said = (kind: SubjectKind) => [textureOf(kind).name, textureOf(kind).drawnForMm];
  expect((['wader', 'raptor', 'deer', 'smallMammal', 'butterfly', 'beetle', 'flower'] as const).map(said)).toEqual([
    ['plumage', 550],
    ['plumage', 1300],
    ['fur', 500],
    ['fur', 300],
    ['wing', 60],
    ['wing case', 20],
    ['petal', 40],
  ]);
  expect(textureOf('perchingBird')).toBe(textureOf('wader'));
  expect(textureOf('flower').at).toBe(petal);
});
