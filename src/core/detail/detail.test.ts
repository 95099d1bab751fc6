import fc from 'fast-check';
import { detailLimit } from './detailLimit';
import { lens50BehindConverter } from '../chain/lens50';
import { lensResponse, systemResponse, type DetailParts } from './response';

const parts = fc.record({
  pitchUm: fc.double({ min: 0.8, max: 10, noNaN: true }),
  workingFNumber: fc.double({ min: 1, max: 45, noNaN: true }),
  lens50LpPerMm: fc.double({ min: 10, max: 200, noNaN: true }),
  antiAliasPx: fc.constantFrom(0, 0.4, 0.65),
});

/** The modulation a sine pattern keeps behind a square pixel, by adding up light over the pixel: no formula for sinc. */
function pixelModulationByIntegration(frequency: number, pitchUm: number): number {
  const steps = 20_000;
  let sum = 0;
  for (let i = 0; i < steps; i++) {
    const xMm = ((i + 0.5) / steps - 0.5) * (pitchUm / 1000);
    sum += Math.cos(2 * Math.PI * frequency * xMm);
  }
  return Math.abs(sum / steps);
}

/** Diffraction response as the overlap of two shifted circles, by counting points: no closed form. */
function overlapOfCircles(shift: number): number {
  const steps = 1200;
  let inBoth = 0;
  let inOne = 0;
  for (let i = 0; i < steps; i++) {
    for (let j = 0; j < steps; j++) {
      const x = ((i + 0.5) / steps) * 2 - 1;
      const y = ((j + 0.5) / steps) * 2 - 1;
      if (x * x + y * y > 1) continue;
      inOne += 1;
      if ((x - 2 * shift) ** 2 + y * y <= 1) inBoth += 1;
    }
  }
  return inBoth / inOne;
}

describe('system response', () => {
  it('is 1 at zero frequency and never more than 1', () => {
    fc.assert(
      fc.property(parts, fc.double({ min: 0, max: 400, noNaN: true }), (p, frequency) => {
        expect(systemResponse(0, p)).toBeCloseTo(1, 12);
        const response = systemResponse(frequency, p);
        expect(response).toBeGreaterThanOrEqual(0);
        expect(response).toBeLessThanOrEqual(1);
      }),
    );
  });

  it('agrees with the light added up over a pixel and with the overlap of two pupils', () => {
    const p: DetailParts = { pitchUm: 4, workingFNumber: 8, lens50LpPerMm: 1e9, antiAliasPx: 0 };
    for (const frequency of [20, 60, 110]) {
      const shift = (frequency * 0.55 * 8) / 1000;
      const independent = pixelModulationByIntegration(frequency, 4) * overlapOfCircles(shift);
      expect(systemResponse(frequency, p)).toBeCloseTo(independent, 3);
    }
  });

  it('has half the contrast at a lens’s 50 % frequency', () => {
    expect(lensResponse(70, 70)).toBeCloseTo(0.5, 12);
  });

  it('loses more with motion and with seeing', () => {
    const p: DetailParts = { pitchUm: 4, workingFNumber: 8, lens50LpPerMm: 70, antiAliasPx: 0 };
    expect(systemResponse(40, { ...p, motionUm: 10 })).toBeLessThan(systemResponse(40, p));
    // A Gaussian of FWHM w keeps exp(−2π²σ²ν²); at ν = 1/(2πσ) that is exp(−1/2).
    const sigmaMm = 0.004;
    const frequency = 1 / (2 * Math.PI * sigmaMm);
    expect(systemResponse(frequency, { ...p, seeingUm: sigmaMm * 2355 }) / systemResponse(frequency, p)).toBeCloseTo(
      Math.exp(-0.5),
      6,
    );
  });
});

describe('detail limit', () => {
  it('is where the response meets the threshold, or Nyquist', () => {
    fc.assert(
      fc.property(parts, fc.double({ min: 0.1, max: 0.2, noNaN: true }), (p, threshold) => {
        const { limitLpPerMm, resolvedShare } = detailLimit(p, threshold);
        const nyquist = 500 / p.pitchUm;
        expect(limitLpPerMm).toBeLessThanOrEqual(nyquist * (1 + 1e-12));
        expect(resolvedShare).toBeCloseTo(limitLpPerMm / nyquist, 9);
        if (limitLpPerMm < nyquist * 0.999) expect(systemResponse(limitLpPerMm, p)).toBeCloseTo(threshold, 6);
        else expect(systemResponse(nyquist, p)).toBeGreaterThanOrEqual(threshold - 1e-9);
      }),
    );
  });

  it('is the first crossing even where motion lets the contrast rise again', () => {
    const p: DetailParts = { pitchUm: 3, workingFNumber: 4, lens50LpPerMm: 150, antiAliasPx: 0, motionUm: 25 };
    const { limitLpPerMm } = detailLimit(p);
    for (let frequency = 1; frequency < limitLpPerMm - 0.01; frequency += 0.5) {
      expect(systemResponse(frequency, p)).toBeGreaterThan(0.15);
    }
  });

  it('never gains from a higher f-number or a weaker lens', () => {
    fc.assert(
      fc.property(parts, (p) => {
        const share = detailLimit(p).resolvedShare;
        expect(detailLimit({ ...p, workingFNumber: p.workingFNumber * 1.4 }).resolvedShare).toBeLessThanOrEqual(
          share + 1e-9,
        );
        expect(detailLimit({ ...p, lens50LpPerMm: p.lens50LpPerMm * 0.8 }).resolvedShare).toBeLessThanOrEqual(
          share + 1e-9,
        );
      }),
    );
  });
});

describe('50 % frequency', () => {
  it('behind a perfect converter shrinks by its factor', () => {
    expect(lens50BehindConverter(84, 1.4)).toBeCloseTo(60, 12);
  });

  it('behind a real converter is where both responses multiply to one half', () => {
    const frequency = lens50BehindConverter(80, 2, 90);
    expect(lensResponse(frequency, 40) * lensResponse(frequency, 90)).toBeCloseTo(0.5, 12);
  });
});
