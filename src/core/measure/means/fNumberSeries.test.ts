import { systemResponse } from '../../detail/response';
import { fNumberSeries } from './fNumberSeries';

/** Half of the contrast of a lens at an f-number, by halving on the response itself. */
function halfOf(fNumber: number, lens50LpPerMm: number): number {
  let [low, high] = [0, 400];
  for (let k = 0; k < 60; k++) {
    const middle = (low + high) / 2;
    const kept = systemResponse(middle, { pitchUm: 4, workingFNumber: fNumber, lens50LpPerMm, antiAliasPx: 0 });
    if (kept > 0.5) low = middle;
    else high = middle;
  }
  return (low * 4) / 1000;
}
const at = (fNumber: number, lens: number, plusMinus = 0.001) => ({
  fNumber,
  half: { value: halfOf(fNumber, lens), plusMinus },
});

describe('one edge over f-numbers', () => {
  it('is sharpest where faults and diffraction balance, and says from where diffraction rules', () => {
    // A lens that sharpens by stopping down.
    const series = fNumberSeries([at(16, 400), at(2.8, 40), at(5.6, 110), at(11, 300), at(22, 400)], 4)!;
    expect(series.points.map(({ fNumber }) => fNumber)).toEqual([2.8, 5.6, 11, 16, 22]);
    expect(series.best.fNumber).toBe(5.6);
    expect(series.diffractionFrom).toBe(11);
    expect(series.sentence).toBe('Sharpest at f/5.6. From f/11 on it is diffraction that limits.');
    // Without any lens fault the share would be one.
    expect(series.points.at(-1)!.ofLimit).toBeGreaterThan(0.98);
  });
  it('says what cannot be told apart, and that the lens limits where it does', () => {
    const series = fNumberSeries([at(4, 30, 0.004), at(5.6, 31, 0.004)], 4)!;
    expect(series.sentence).toContain('Sharpest at f/5.6; f/4 cannot be told from it.');
    expect(series.sentence).toContain('Diffraction limits at none of these');
  });
  it('takes the better focused of two at one f-number, and needs two f-numbers', () => {
    expect(fNumberSeries([at(8, 50), at(8, 20), at(4, 30)], null)!.best).toMatchObject({ fNumber: 8, ofLimit: null });
    expect(fNumberSeries([at(8, 50), at(8, 20)], 4)).toBeNull();
  });
});
