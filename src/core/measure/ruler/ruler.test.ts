import type { RulerScale } from '../../simulate/rulerScene';
import { randomRuler } from '../../../../tests/support/randomRuler';
import { autocorrelation, periodOf, SLOW } from './period';
import { divisionsOf } from './division';
import { tickLengths } from './tickLengths';
import { mainRun, numbered } from './numbering';
import { findRuler } from './findRuler';
import { fitRuler, middleOf, numberAt, placeOfNumber, type TickPoint } from './rulerModel';

describe('a photographed ruler', () => {
  it('tells its direction, its ticks and what a tick is, and where each of them lies', () => {
    const made = randomRuler(4003, 560, 380, ['millimetre']);
    const found = findRuler(made.grey);
    if (!found.ok) throw new Error(found.problem.message);
    const { value } = found;
    expect(value.finestTickMm).toBe(made.finestTickMm);
    expect(Math.abs(((value.tickNormalDeg - made.tickNormalDeg + 270) % 180) - 90)).toBeLessThan(0.1);
    expect(value.lines).toHaveLength(value.ticks);
    // Neighbouring lines stand as far apart, along the ruler, as a tick is wide.
    const [c, s] = [Math.cos((value.tickNormalDeg * Math.PI) / 180), Math.sin((value.tickNormalDeg * Math.PI) / 180)];
    const along = value.lines.map(({ n, from: [x, y] }) => ({ n, at: x * c + y * s }));
    const first = along[0]!;
    const last = along.at(-1)!;
    expect(Math.abs(last.at - first.at) / (last.n - first.n) / value.pxPerMm).toBeCloseTo(1, 1);
  });
});

describe('ticks blurred until they are as wide as their gaps', () => {
  it('are not taken for the gaps, whose lengths say nothing', () => {
    const made = randomRuler(838440030, 560, 380, ['millimetre', 'half', 'millimetre']);
    const found = findRuler(made.grey);
    if (!found.ok) throw new Error(found.problem.message);
    expect(found.value.finestTickMm).toBe(0.5);
    expect(found.value.divisions).toEqual(['half']);
    expect(Math.abs(found.value.pxPerMm - made.pxPerMm)).toBeLessThan(found.value.pxPerMmError);
  });
});

describe('a few ticks beside the edge of their ruler', () => {
  it('are found though what lies beyond their ends looks like a row of ticks, too', () => {
    const made = randomRuler(50253, 900, 600, ['millimetre', 'half', 'millimetre', 'half']);
    // Five of them, long and short, may be halves as well as sixteenths of an inch.
    const asked = findRuler(made.grey);
    expect(asked.ok ? 'measured' : asked.problem.message).toMatch(/half millimetres or parts of an inch: say/);
    const found = findRuler(made.grey, { tickMm: 0.5 });
    if (!found.ok) throw new Error(found.problem.message);
    expect(Math.abs(found.value.pxPerMm - made.pxPerMm)).toBeLessThan(found.value.pxPerMmError);
  });
});

describe('a long ruler leaning away', () => {
  it('is counted to its ends, where the ticks stand more than one of them off what its middle lets expect', () => {
    const made = randomRuler(7000906, 900, 600, ['millimetre', 'half', 'millimetre']);
    const found = findRuler(made.grey);
    if (!found.ok) throw new Error(found.problem.message);
    expect(found.value.ticks).toBeGreaterThan(140);
    expect(Math.abs(found.value.pxPerMm / made.pxPerMm - 1)).toBeLessThan(0.0003);
    expect(Math.abs(found.value.pxPerMm - made.pxPerMm)).toBeLessThan(found.value.pxPerMmError);
  });
});

describe('a ruler of which little is in the picture', () => {
  const SCALES: RulerScale[] = ['millimetre', 'half', 'millimetre'];

  it.each([
    [310_226, 1],
    [300_189, 0.5],
  ])('is told by the ends of a few of its ticks, %i', (seed, tickMm) => {
    const made = randomRuler(seed, 900, 600, SCALES);
    expect(made.finestTickMm).toBe(tickMm);
    const found = findRuler(made.grey);
    if (!found.ok) throw new Error(found.problem.message);
    expect(found.value.finestTickMm).toBe(tickMm);
    expect(Math.abs(found.value.pxPerMm - made.pxPerMm)).toBeLessThan(found.value.pxPerMmError);
  });

  it('is refused, with what to do, where it is not known to one in a hundred, whoever says what a tick is', () => {
    const made = randomRuler(400_307, 900, 600, SCALES);
    for (const asked of [{}, { tickMm: 0.5 }]) {
      const found = findRuler(made.grey, asked);
      expect(found.ok ? 'measured' : found.problem.message).toMatch(/Bring more of the ruler into the picture/);
    }
  });
});

describe('what is no millimetre ruler', () => {
  it('is refused: an inch scale, with what to do', () => {
    const told = Array.from({ length: 2 }, (_, i) => findRuler(randomRuler(701 + i, 560, 380, ['sixteenth']).grey));
    for (const found of told) expect(found.ok).toBe(false);
    expect(told.some((found) => !found.ok && found.problem.code === 'ruler.inches')).toBe(true);
  });
  it('is not taken for halves where the picture cuts the ticks that would tell', () => {
    // Eighths and quarters are seen, of both half inches only that they go on beyond the picture.
    const found = findRuler(randomRuler(523890000, 560, 380, ['sixteenth']).grey);
    expect(found.ok ? 'measured' : found.problem.code).toBe('ruler.which');
  });
  it('is measured when the person says what a tick is', () => {
    const made = randomRuler(702, 640, 430, ['sixteenth']);
    const found = findRuler(made.grey, { tickMm: 25.4 / 16 });
    if (!found.ok) throw new Error(found.problem.message);
    expect(found.value.pxPerMm / made.pxPerMm).toBeCloseTo(1, 2);
  });
  it('is refused: grain without any ticks', () => {
    const { grey } = randomRuler(3);
    const noise = {
      ...grey,
      data: Float32Array.from(grey.data, (_, i) => 0.3 + 0.1 * Math.sin(i * 12.9898 + (i % 97) ** 2)),
    };
    const found = findRuler(noise);
    expect(found.ok).toBe(false);
    expect(found.ok ? '' : found.problem.message).toMatch(/two handles/);
  });
});

describe('numbers of ticks', () => {
  it('are kept when the step grows under perspective and a tick is missing', () => {
    const places = Array.from({ length: 30 }, (_, i) => 10 * i + 0.06 * i * i);
    places.splice(17, 1);
    const ticks = numbered(places, 12);
    expect(ticks).toHaveLength(29);
    const first = ticks[0]!.n;
    expect(ticks.map(({ n }) => n - first)).toEqual(Array.from({ length: 30 }, (_, i) => i).filter((i) => i !== 17));
  });
  it('beyond a wide gap are not believed: the longest row without one is kept', () => {
    const row = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => ({ n: from + i }));
    const numbers = (points: { n: number }[]) => [...new Set(mainRun(points).map(({ n }) => n))];
    expect(numbers([...row(-30, -22), ...row(-17, 40), ...row(46, 50)])).toEqual(row(-17, 40).map(({ n }) => n));
    // Two missing in a row are a scratch; both strips of a row are kept.
    const scratched = [...row(0, 5), ...row(8, 12)];
    expect(mainRun([...scratched, ...scratched])).toHaveLength(2 * scratched.length);
    expect(mainRun([])).toEqual([]);
  });
  it('make a model that gives perspective and distortion back', () => {
    const terms = Float64Array.from([40, 1.5, 0.3, 0.02, -0.015, 0.003]);
    const truth = { terms, unitPx: 500 };
    const points: TickPoint[] = [];
    for (let t = -150; t <= 150; t += 15)
      for (let n = -38; n <= 38; n++) points.push({ n, s: placeOfNumber(truth, n, t), t });
    for (const { n, s, t } of points.slice(0, 50)) expect(numberAt(truth, s, t)).toBeCloseTo(n, 4);
    const fitted = fitRuler(points, 500);
    const { ticksPerPx, turnRad } = middleOf(fitted!);
    // By hand: ∇N at the middle is (a − c·g, b − c·h).
    const [a, b] = [(40 - 0.3 * 0.02) / 500, (1.5 + 0.3 * 0.015) / 500];
    expect(ticksPerPx).toBeCloseTo(Math.hypot(a, b), 5);
    expect(turnRad).toBeCloseTo(Math.atan2(b, a), 4);
  });
});

describe('what repeats along a strip', () => {
  it('is found at the first of its periods', () => {
    const strip = Float64Array.from({ length: 600 }, (_, i) => (i % 23 < 4 ? 1 : 0) + (i % 115 < 4 ? 0.4 : 0));
    expect(periodOf(strip, 3, SLOW.fine)!.px).toBeCloseTo(23, 1);
    const r = autocorrelation(Float64Array.from([1, -1, 1, -1, 1, -1]));
    expect(r[0]).toBeCloseTo(1, 12);
    expect(r[1]).toBeCloseTo(-1, 12);
  });
});

describe('the length of a tick', () => {
  it('is open where it runs to the last line looked at, and known where ground is seen behind it', () => {
    const lines = 20;
    const ends = [20, 19, 16, 12];
    const values = Array.from({ length: lines }, (_, line) => Float64Array.from(ends, (end) => (line < end ? 1 : 0)));
    const ts = Float64Array.from({ length: lines }, (_, line) => 5 * line);
    const { lengths, atLeast } = tickLengths({ firstN: 0, count: 4, ts, values }, 25, 50);
    expect([...lengths]).toEqual([Number.NaN, Number.NaN, 55, 35]);
    expect([...atLeast]).toEqual([75, 70, Number.NaN, Number.NaN]);
  });

  /** Ticks from line 4 on to the ends given; of each only the lines from one to another are in the picture. */
  const seen = (ends: number[], from: (i: number) => number, to: (i: number) => number) => {
    const lines = 40;
    const values = Array.from({ length: lines }, (_, line) =>
      Float64Array.from(ends, (end, i) =>
        line < from(i) || line >= to(i) ? Number.NaN : line >= 4 && line < end ? 1 : 0,
      ),
    );
    const ts = Float64Array.from({ length: lines }, (_, line) => line);
    return tickLengths({ firstN: 0, count: ends.length, ts, values }, 9, 11);
  };

  it('is known by its end alone where the others begin at the same edge', () => {
    const half = [24, 18, 24, 18, 30, 18, 24, 18];
    const { lengths, bothEnds } = seen(
      half,
      (i) => (i > 2 ? 7 : 0),
      () => 40,
    );
    expect([...lengths]).toEqual(half.map((end) => end - 4));
    expect(bothEnds).toBe(false);
  });

  it('is known by few ends, too, where one is longer for certain', () => {
    // A corner of the picture: the ends of four of nine are in it.
    const inView = (i: number) => (i >= 2 && i <= 6 ? 28 : 14);
    const { lengths, atLeast, uneven } = seen([18, 22, 18, 18, 18, 18, 34, 18, 18], () => 0, inView);
    expect(uneven).toBe(true);
    expect([...lengths].map((each) => (Number.isNaN(each) ? null : each))).toEqual([
      ...[null, null, 14, 14, 14, 14],
      ...[null, null, null],
    ]);
    expect([...atLeast].map((each) => (Number.isNaN(each) ? null : each))).toEqual([
      ...[10, 10, null, null, null, null],
      ...[24, 10, 10],
    ]);
  });

  it('is known of ticks, too, that come into the picture only beyond the lines on which the others were found', () => {
    // The first tick is a long one seen from line 14 on, the last but one ended before it could be seen, the last is never in it.
    const from = (i: number) => (i === 0 || i === 6 ? 14 : i === 5 ? 20 : i === 7 ? 40 : 0);
    const { lengths, uneven } = seen([30, 18, 18, 18, 18, 18, 30, 18], from, () => 40);
    expect(uneven).toBe(true);
    expect([...lengths].map((each) => (Number.isNaN(each) ? null : each))).toEqual([
      26,
      14,
      14,
      14,
      14,
      null,
      26,
      null,
    ]);
  });

  it('says nothing of ticks whose ends all lie outside, whatever their edge says', () => {
    const { lengths, uneven, bothEnds } = seen(
      [24, 18, 24, 18, 24, 18],
      () => 0,
      () => 15,
    );
    expect([uneven, bothEnds]).toEqual([false, false]);
    expect(new Set(lengths).size).toBe(1);
  });
});

describe('long and short ticks', () => {
  const ticks = (lengths: number[], bothEnds = true, atLeast = lengths.map(() => Number.NaN), uneven = false) =>
    divisionsOf({
      firstN: 0,
      lengths: Float64Array.from(lengths),
      atLeast: Float64Array.from(atLeast),
      bothEnds,
      uneven,
    });
  const told = (lengths: number[]) => ticks(lengths);
  const of = (count: number, length: (i: number) => number) => Array.from({ length: count }, (_, i) => length(i));
  it('say what a tick is', () => {
    expect(told(of(23, (i) => (i % 10 === 3 ? 17 : i % 10 === 8 ? 13 : 10)))).toEqual(['millimetre']);
    expect(told(of(30, (i) => (i % 20 === 4 ? 20 : i % 20 === 14 ? 17 : i % 2 === 0 ? 13 : 10)))).toEqual(['half']);
    const halved = (i: number) => (i % 8 === 0 ? 22 : i % 4 === 0 ? 18 : i % 2 === 0 ? 14 : 10);
    expect(told(of(33, halved))).toEqual(['inch']);
    expect(told(of(12, () => 10))).toEqual(['alike']);
  });
  it('say nothing where their ends are not to be seen', () => {
    expect(told(of(12, () => Number.NaN))).toEqual([]);
    expect(
      ticks(
        of(12, () => 10),
        false,
      ),
    ).toEqual([]);
  });
  it('are not alike where one is longer for certain', () => {
    const [lengths, atLeast] = [
      [NaN, 10, 10, 10, 10, NaN, 10, 10, NaN],
      [10, NaN, NaN, NaN, NaN, 13, NaN, NaN, 10],
    ];
    expect(ticks(lengths, false, atLeast)).toEqual([]);
    expect(ticks(lengths, false, atLeast, true)).toEqual(['millimetre']);
  });
  it('say it by three of them when two equal ones stand side by side: neither halves nor inches have such', () => {
    expect(told([Number.NaN, 10, Number.NaN, 10, 10])).not.toContain('half');
    expect(told([Number.NaN, 10, Number.NaN, 10, 10])).not.toContain('inch');
  });
  it('say it by ticks that are cut by the picture, too, when they are longer than their neighbours', () => {
    const known = [Number.NaN, 13.5, 10, Number.NaN, 10, Number.NaN];
    const cut = known.map((length, i) => (Number.isNaN(length) ? (i === 3 ? 13 : 4) : Number.NaN));
    expect(ticks(known, true, cut)).not.toContain('millimetre');
  });
});
