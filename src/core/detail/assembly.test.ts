import type { BodySpec } from '../kit/body';
import type { LensSpec } from '../chain/parts';
import { foldSystem } from '../optics/foldSystem';
import type { SubjectSpec } from '../kit/subjects';
import type { OutputSpec } from '../output/needs';
import { readFar, type FarReading } from '../far/readFar';
import { detailLimit } from './detailLimit';
import { plainCount } from './plainCount';
import { annularResponse, diffractionResponse, systemResponse, type DetailParts } from './response';

/** Overlap of two rings of outer radius 1, their centres d apart, as a share of one: added up strip by strip. */
function overlapOfRings(e: number, d: number): number {
  const half = (radius: number, y: number) => Math.sqrt(Math.max(0, radius * radius - y * y));
  const STRIPS = 40_000;
  let [shared, whole] = [0, 0];
  for (let i = 0; i < STRIPS; i += 1) {
    const y = ((i + 0.5) / STRIPS) * 2 - 1;
    const [outer, inner] = [half(1, y), half(e, y)];
    // A ring cuts a line into two pieces, left and right of its hole.
    const pieces = (x: number): [number, number][] =>
      inner > 0
        ? [
            [x - outer, x - inner],
            [x + inner, x + outer],
          ]
        : [[x - outer, x + outer]];
    for (const [a, b] of pieces(0)) {
      whole += b - a;
      for (const [c, g] of pieces(d)) shared += Math.max(0, Math.min(b, g) - Math.max(a, c));
    }
  }
  return shared / whole;
}

describe('diffraction of a ring', () => {
  it.each([0.1, 0.25, 0.4, 0.45, 0.7])('of %p is the overlap of two rings, at every frequency', (e) => {
    for (const s of [0, 0.02, 0.1, 0.2, 0.275, 0.3, 0.4, 0.5, 0.6, 0.7, 0.725, 0.8, 0.95, 0.999, 1, 1.2]) {
      const frequency = (s * 1000) / (0.5 * 8);
      expect(annularResponse(frequency, 8, 0.5, e)).toBeCloseTo(overlapOfRings(e, 2 * s), 4);
    }
  });

  it('is that of a whole opening when nothing is in its middle', () => {
    for (const s of [0.1, 0.5, 0.9])
      expect(annularResponse((s * 1000) / 4.4, 8, 0.55, 1e-6)).toBeCloseTo(
        diffractionResponse((s * 1000) / 4.4, 8, 0.55),
        9,
      );
  });

  it('loses at middle frequencies and gains at high ones', () => {
    const at = (s: number) =>
      annularResponse((s * 1000) / 4.4, 8, 0.55, 0.45) - diffractionResponse((s * 1000) / 4.4, 8, 0.55);
    expect(at(0.3)).toBeLessThan(-0.1);
    expect(at(0.85)).toBeGreaterThan(0.01);
  });
});

describe('the limit of detail', () => {
  /** First frequency, by small steps, at which a product of responses written out here falls below the threshold. */
  function firstBelow(
    {
      pitchUm: p,
      workingFNumber: n,
      lens50LpPerMm: l,
      antiAliasPx: a,
      motionUm: b = 0,
      wavelengthUm = 0.55,
    }: DetailParts,
    threshold: number,
  ): number {
    const nyquist = 500 / p;
    for (let v = 0.005; v < nyquist; v += 0.005) {
      const s = (v * wavelengthUm * n) / 1000;
      const round = s >= 1 ? 0 : (2 / Math.PI) * (Math.acos(s) - s * Math.sqrt(1 - s * s));
      const sinc = (x: number) => (x === 0 ? 1 : Math.abs(Math.sin(x) / x));
      const all =
        round *
        sinc((Math.PI * v * p) / 1000) *
        Math.abs(Math.cos((Math.PI * v * a * p) / 1000)) *
        2 ** -((v / l) ** 2) *
        sinc((Math.PI * v * b) / 1000);
      if (all < threshold) return v;
    }
    return nyquist;
  }

  it.each<[string, DetailParts, number]>([
    ['set by the lens', { pitchUm: 4.4, workingFNumber: 4, lens50LpPerMm: 40, antiAliasPx: 0 }, 0.15],
    ['set by diffraction', { pitchUm: 2, workingFNumber: 22, lens50LpPerMm: 100, antiAliasPx: 0 }, 0.15],
    ['in blue light', { pitchUm: 2, workingFNumber: 22, lens50LpPerMm: 100, antiAliasPx: 0, wavelengthUm: 0.45 }, 0.15],
    ['set by motion', { pitchUm: 4.4, workingFNumber: 4, lens50LpPerMm: 90, antiAliasPx: 0, motionUm: 31 }, 0.15],
    ['with a strong filter', { pitchUm: 4.4, workingFNumber: 8, lens50LpPerMm: 300, antiAliasPx: 0.95 }, 0.1],
    [
      'with a weak filter and a high threshold',
      { pitchUm: 4.4, workingFNumber: 8, lens50LpPerMm: 70, antiAliasPx: 0.4 },
      0.4,
    ],
    ['set by the pixels', { pitchUm: 9, workingFNumber: 4, lens50LpPerMm: 120, antiAliasPx: 0 }, 0.15],
    // Where contrast comes back behind a first zero, the first crossing counts.
    ['a filter wider than a pixel', { pitchUm: 4.4, workingFNumber: 2.8, lens50LpPerMm: 400, antiAliasPx: 1.4 }, 0.1],
    ['a filter two pixels wide', { pitchUm: 3, workingFNumber: 2.8, lens50LpPerMm: 900, antiAliasPx: 2.2 }, 0.1],
    ['far motion', { pitchUm: 2, workingFNumber: 2, lens50LpPerMm: 900, antiAliasPx: 0, motionUm: 31 }, 0.1],
    ['farther motion', { pitchUm: 2, workingFNumber: 2, lens50LpPerMm: 900, antiAliasPx: 0, motionUm: 14 }, 0.1],
  ])('%s', (_, parts, threshold) => {
    const { limitLpPerMm, resolvedShare } = detailLimit(parts, threshold);
    expect(Math.abs(limitLpPerMm - firstBelow(parts, threshold))).toBeLessThan(0.011);
    expect(resolvedShare).toBeCloseTo(Math.min(1, (2 * parts.pitchUm * limitLpPerMm) / 1000), 9);
    if (resolvedShare < 1 - 1e-9) expect(systemResponse(limitLpPerMm, parts)).toBeCloseTo(threshold, 6);
  });
});

describe('counting on a subject', () => {
  const body: BodySpec = {
    name: 'Odd',
    flangeMm: 20,
    sensor: { widthMm: 35.2, heightMm: 19.8, columns: 8000, rows: 4500 },
    antiAliasFilter: 'none',
    cropModes: [],
  };
  const lens: LensSpec = {
    kind: 'lens',
    name: 'Long',
    focalWideMm: 500,
    focalTeleMm: 500,
    fNumberWide: 5,
    fNumberTele: 5,
    detailClass: 'good',
    autofocus: true,
    flangeMm: 20,
  };
  const web: OutputSpec = { kind: 'screen', name: 'Web', longSidePx: 1600, subjectShare: 0.5 };
  const ring: OutputSpec = { kind: 'identification', name: 'Ring', smallestDetailMm: 3 };
  const heron: SubjectSpec = { name: 'Heron', kind: 'wader', sizeMm: 900, sizePlusMinusMm: 45, distanceM: 50 };
  const systemOf = (optic: Partial<LensSpec> = {}) => {
    const folded = foldSystem({ body, modeId: 'whole', chain: [{ ...lens, ...optic }] });
    if (!folded.ok) throw new Error(folded.problem.message);
    return folded.value;
  };
  const read = (change: Partial<Parameters<typeof readFar>[0]> = {}, optic: Partial<LensSpec> = {}): FarReading => {
    const reading = readFar({
      system: systemOf(optic),
      subject: heron,
      distanceM: 50,
      output: web,
      ...change,
    });
    if (!reading.ok) throw new Error(reading.problem.message);
    return reading.value;
  };
  // A thin lens of 500 mm at 50 m, by its quadratic.
  const m = (49_000 - Math.sqrt(49_000 ** 2 - 4 * 500 ** 2)) / 1000;

  it('takes the error of the size into the pixels, and that of the class besides into the resolved ones', () => {
    const { pixelsOnSubject, resolvedPixels, resolvedShare } = read();
    expect(pixelsOnSubject.value).toBeCloseTo((900 * m) / 0.0044, 6);
    expect(pixelsOnSubject.plusMinus! / pixelsOnSubject.value).toBeCloseTo(0.05, 9);
    const shareAt = (lp: number) =>
      detailLimit({ pitchUm: 4.4, workingFNumber: 5 * (1 + m), lens50LpPerMm: lp, antiAliasPx: 0 }).resolvedShare;
    // Good is 70 lp/mm, give or take a fifth.
    const half = (shareAt(84) - shareAt(56)) / 2;
    expect(resolvedShare.value).toBeCloseTo(100 * shareAt(70), 6);
    expect(resolvedShare.plusMinus).toBeCloseTo(100 * half, 6);
    expect(resolvedPixels.value).toBeCloseTo(pixelsOnSubject.value * shareAt(70), 6);
    expect(resolvedPixels.plusMinus! / resolvedPixels.value).toBeCloseTo(Math.hypot(0.05, half / shareAt(70)), 6);
  });

  it('has no error where nothing is an estimate', () => {
    const { pixelsOnSubject, resolvedPixels, resolvedShare } = read(
      { subject: { name: 'Heron', kind: 'wader', sizeMm: 900, distanceM: 50 } },
      { lens50LpPerMm: 64 },
    );
    expect([pixelsOnSubject.plusMinus, resolvedPixels.plusMinus, resolvedShare.plusMinus]).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
  });

  it('needs what the output shows, or two pixels on the smallest detail, and tells both schools of what counts', () => {
    expect(read().neededPixels.value).toBeCloseTo(800, 9);
    const mark = read({ output: ring });
    expect(mark.neededPixels.value).toBeCloseTo((2 * 900) / 3, 9);
    expect(mark.neededPixels.why.inputs.map((each) => [each.symbol, each.quantity.value])).toEqual([
      ['L', 900],
      ['d', 3],
    ]);
    for (const judgeBy of ['resolved', 'sampled'] as const) {
      const { countedPixels, pixelsOnSubject, resolvedPixels } = read({ judgeBy });
      const schools = countedPixels.why.schools!;
      expect(schools.map((each) => [each.choice, each.value, each.chosen])).toEqual([
        ['resolved', resolvedPixels.value, judgeBy === 'resolved'],
        ['sampled', pixelsOnSubject.value, judgeBy === 'sampled'],
      ]);
    }
  });

  it('says where the long side of a print comes from, and what rests on a usual size', () => {
    const long = (output: OutputSpec) => read({ output }).neededPixels.why.inputs[0]!;
    const print = { kind: 'print', name: 'Print', longSideMm: 254, pixelsPerInch: 200, subjectShare: 0.5 } as const;
    expect([long(print).name, long(print).quantity.value]).toEqual([
      'long side of the print, 254 mm at 200 px per inch',
      2000,
    ]);
    expect(long({ kind: 'screen', name: 'Page', longSidePx: 1600, subjectShare: 0.5 }).name).toBe(
      'long side of the output',
    );
    const [size] = read({ subject: { ...heron, assumed: true } }).pixelsOnSubject.why.inputs.filter(
      ({ symbol }) => symbol === 'L',
    );
    expect(size!.quantity.note).toBe('assumed');
    expect(size!.quantity.why.source).toBe('assumed: usual for “wader”');
    expect(read({ subject: { ...heron, assumed: true } }).pixelsOnSubject.note).toBe('assumed');
    expect(read().pixelsOnSubject.note).toBeUndefined();
  });

  it('is kept as plain numbers, with an error only where there is one', () => {
    const system = systemOf();
    const reading = read();
    expect(plainCount(system, reading)).toEqual({
      pixelsOnSubject: reading.pixelsOnSubject.value,
      pixelsPlusMinus: reading.pixelsOnSubject.plusMinus,
      resolvedPixels: reading.resolvedPixels.value,
      neededPixels: reading.neededPixels.value,
      shareOfFramePercent: reading.shareOfFrame.value,
      equivalentFocalMm: system.equivalentFocalMm.value,
      equivalentFNumber: system.equivalentFNumber.value,
      verdict: reading.verdict,
    });
  });

  it('names the ring-shaped opening only where there is one', () => {
    const symbols = (optic: Partial<LensSpec>) =>
      read({}, optic).detailLimitLpPerMm.why.inputs.map((each) => each.symbol);
    expect(symbols({})).not.toContain('ε');
    expect(symbols({ obstructionShare: 0.42 })).toContain('ε');
    expect(read({}, { obstructionShare: 0.42 }).resolvedPixels.value).toBeLessThan(read().resolvedPixels.value);
  });
});
