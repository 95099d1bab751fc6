import fc from 'fast-check';
import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSubjects } from '@/demo/kit';
import { expectRecomputed } from '../../../tests/support/recompute';
import { apertureCurve } from '../near/apertureCurve';
import { nearState } from '../near/nearState';
import { readNear } from '../near/readNear';
import { foldSystem } from '../optics/foldSystem';
import { drawsAlone, sharpAt } from '../optics/sharpAt';
import { lens50Of, sharpnessAt, type MeasuredSharpness } from './lensSharpness';
import type { Part } from './parts';

const rows: MeasuredSharpness[] = [
  { focalMm: 100, fNumber: 8, lens50LpPerMm: 80, plusMinusLpPerMm: 2, lens50CornerLpPerMm: 60 },
  { focalMm: 100, fNumber: 2, lens50LpPerMm: 40, plusMinusLpPerMm: 2 },
  { focalMm: 300, fNumber: 4, lens50LpPerMm: 55 },
  { focalMm: 100, fNumber: 4, lens50CornerLpPerMm: 30 },
];

describe('sharpness as it was measured', () => {
  it('is what stands there, and lies evenly in the logarithm between two f-numbers', () => {
    expect(sharpnessAt(rows, 100, 8)).toMatchObject({ lpPerMm: 80, plusMinus: 2 });
    // Half way in stops from f/2 to f/8; the row with a corner only tells nothing of the middle.
    expect(sharpnessAt(rows, 100, 4)?.lpPerMm).toBeCloseTo(Math.sqrt(40 * 80), 6);
  });
  it('stays at the end beyond it, and is less sure there', () => {
    const far = sharpnessAt(rows, 100, 16)!;
    expect(far.lpPerMm).toBe(80);
    expect(far.plusMinus).toBeGreaterThan(2);
    const wide = sharpnessAt(rows, 100, 1.4)!;
    expect(wide.lpPerMm).toBe(40);
  });
  it('counts for focal lengths near to where it was measured, less surely, and no others', () => {
    expect(sharpnessAt(rows, 330, 4)!.lpPerMm).toBe(55);
    expect(sharpnessAt(rows, 330, 4)!.plusMinus).toBeGreaterThan(sharpnessAt(rows, 300, 4)!.plusMinus);
    expect(sharpnessAt(rows, 200, 4)).toBeNull();
    expect(sharpnessAt([], 100, 4)).toBeNull();
  });
  it('stays between its neighbours everywhere', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.9, max: 64, noNaN: true }),
        fc.double({ min: 85, max: 120, noNaN: true }),
        (n, f) => {
          const { lpPerMm, plusMinus } = sharpnessAt(rows, f, n)!;
          expect(lpPerMm).toBeGreaterThanOrEqual(40 - 1e-9);
          expect(lpPerMm).toBeLessThanOrEqual(80 + 1e-9);
          expect(plusMinus).toBeGreaterThan(0);
        },
      ),
    );
  });
  it('goes before what is entered, and that before the class', () => {
    const lens = { lens50LpPerMm: 70, detailClass: 'weak' as const, sharpness: rows };
    expect(lens50Of(lens, { focalMm: 100, fNumber: 2 })).toBe(40);
    expect(lens50Of(lens, { focalMm: 200, fNumber: 2 })).toBe(70);
    expect(lens50Of(lens)).toBe(70);
    expect(lens50Of({ detailClass: 'weak' }, { focalMm: 100, fNumber: 2 })).toBe(30);
  });
});

const { ostrel } = demoBodies;
const plain = demoOptics.macro100.data;
const sharp = {
  ...plain,
  sharpness: [
    { focalMm: 100, fNumber: 2.8, lens50LpPerMm: 50, plusMinusLpPerMm: 2 },
    { focalMm: 100, fNumber: 5.6, lens50LpPerMm: 90, plusMinusLpPerMm: 3 },
  ],
};
const fold = (...chain: Part[]) => {
  const folded = foldSystem({ body: ostrel.data, modeId: 'whole', chain });
  if (!folded.ok) throw new Error(folded.problem.message);
  return folded.value;
};

describe('a system with a lens that was measured', () => {
  it('is reckoned with what was measured wide open, and with its ±', () => {
    const { lens50LpPerMm, markedFNumber } = fold(sharp);
    expect(markedFNumber).toBe(2.8);
    expect([lens50LpPerMm.value, lens50LpPerMm.plusMinus]).toEqual([50, 2]);
    expect(lens50LpPerMm.why.inputs[0]?.quantity.kind).toBe('measured');
  });
  it('changes with the f-number it is set to, behind a converter by as much as the lens has of the blur', () => {
    expect(sharpAt(fold(sharp), 5.6).lens50LpPerMm.value).toBeCloseTo(90, 6);
    const t = 1.4;
    const converter: Part = { kind: 'converter', name: '×1.4', factor: t, autofocus: true, lens50LpPerMm: 140 };
    const open = fold(sharp, converter);
    expect(open.lens50LpPerMm.value).toBeCloseTo(1 / Math.hypot(t / 50, 1 / 140), 6);
    const stopped = sharpAt(open, 5.6).lens50LpPerMm;
    expect(stopped.value).toBeCloseTo(1 / Math.hypot(t / 90, 1 / 140), 6);
    // Less of it is the lens's: the error falls with the square of its share.
    expect(stopped.plusMinus).toBeCloseTo((stopped.value * (3 / 90) * (stopped.value * t) ** 2) / 90 ** 2, 6);
    expectRecomputed(
      { lens50LpPerMm: stopped },
      {
        lens50LpPerMm: (at) => 1 / Math.hypot(at('t') / at('ν'), 1 / at('ν₂')),
      },
    );
  });
  it('is the same system where nothing was measured', () => {
    const system = fold(plain);
    expect(sharpAt(system, 8)).toBe(system);
  });
  it('says whether the lens draws alone', () => {
    expect(drawsAlone(fold(sharp))).toBe(true);
    expect(drawsAlone(fold(plain))).toBe(true);
    expect(drawsAlone(fold(plain, demoAdapters.converter14.data))).toBe(false);
  });
  it('close up reads with the f-number set, and finds the sharpest one', () => {
    const system = fold(sharp);
    const asked = {
      system,
      subject: demoSubjects.curlew.data,
      output: Object.values(demoOutputs)[0]!.data,
      ratio: 0.5,
    };
    const shareAt = (fNumber: number, of = asked) => {
      const read = readNear({ ...of, fNumber });
      if (!read.ok) throw new Error(read.problem.message);
      return read.value.resolvedShare.value;
    };
    expect(shareAt(5.6)).toBeGreaterThan(shareAt(2.8));
    const state = nearState(system, 0.5, 2.8);
    if (!state.ok) throw new Error(state.problem.message);
    const curve = apertureCurve({
      system,
      setting: state.value.setting,
      subjectMm: 20,
      neededPixels: 1e6,
      judgeBy: 'resolved',
      cocMm: 0.03,
      threshold: 0.15,
    });
    expect(curve.sharpest.fNumber).toBeGreaterThan(2.8);
    // A lens that is the same at every f-number is sharpest wide open.
    expect(shareAt(2.8, { ...asked, system: fold(plain) })).toBeGreaterThanOrEqual(
      shareAt(5.6, { ...asked, system: fold(plain) }) - 1e-9,
    );
  });
});
