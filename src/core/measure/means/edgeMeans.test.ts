import { edgePicture } from '@/core/simulate/edgeScene';
import { systemResponse, type DetailParts } from '../../detail/response';
import { given } from '../../quantity/quantity';
import { findEdges } from '../edge/findEdges';
import { edgeMeans, lensAlone } from './edgeMeans';

const parts: DetailParts = { pitchUm: 4.4, workingFNumber: 5.6, lens50LpPerMm: 62, antiAliasPx: 0.4 };
const pitchUm = given(4.4, 'µm', 'Pixel pitch');

/** An edge through a lens of a known response of its own: what the sensor then has, pixel apart. */
function photographed(lens50LpPerMm: number) {
  const all = { ...parts, lens50LpPerMm };
  const perMm = 1000 / parts.pitchUm;
  const sinc = (x: number) => (x === 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x));
  const scene = {
    edgeDeg: 95.5,
    offsetPx: 1,
    dark: 0.1,
    light: 0.7,
    // The simulated picture puts the pixel on by itself.
    optics: (frequency: number) => systemResponse(frequency * perMm, all) / Math.max(0.02, Math.abs(sinc(frequency))),
    cutoff: 0.95,
  };
  const found = findEdges({ width: 360, height: 300, data: edgePicture(scene, 360, 300), step: 1e-6 });
  if (!found.ok) throw new Error(found.problem.message);
  return found.value.edges[0]!;
}

describe('what an edge means', () => {
  it('is what was predicted when the lens is what it is taken for', () => {
    const found = photographed(62);
    const means = edgeMeans({ found, pitchUm, parts, threshold: 0.15 });
    expect(means.half!.value / means.predictedHalf!.value).toBeCloseTo(1, 2);
    expect(Math.abs(means.offPercent!.value)).toBeLessThan(0.7);
    expect(means.limit!.value / means.predictedLimit!.value).toBeCloseTo(1, 1);
    expect(means.half!.unit).toBe('lp/mm');
    expect(means.half!.value).toBeCloseTo((found.mtf50!.value * 1000) / 4.4, 9);
  });
  it.each([28, 45, 90])('solves for the lens alone, of %d lp/mm', (lens) => {
    const means = edgeMeans({ found: photographed(lens), pitchUm, parts, threshold: 0.15 });
    expect(means.lens50!.value / lens).toBeCloseTo(1, 1.5);
    expect(Math.abs(means.lens50!.value - lens)).toBeLessThanOrEqual(means.lens50!.plusMinus! + 0.02 * lens);
  });
  it('is told in pixels where nothing is known of the sensor', () => {
    const means = edgeMeans({ found: photographed(62), pitchUm: null, parts: null, threshold: 0.15 });
    expect(means.half!.unit).toBe('cycles/px');
    expect(means.lens50).toBeUndefined();
    expect(means.predictedHalf).toBeUndefined();
  });
  it('knows of no lens where the rest alone keeps less than was measured', () => {
    const found = photographed(90);
    expect(lensAlone(found, { ...parts, workingFNumber: 22 })).toBeNull();
  });
});
