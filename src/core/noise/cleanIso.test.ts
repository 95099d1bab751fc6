import fc from 'fast-check';
import { demoBodies } from '@/demo/kit';
import type { BodySpec } from '../kit/body';
import { given } from '../quantity/quantity';
import { CLEAN, baseIsoOf, cleanIso } from './cleanIso';
import { signalToNoise } from './signalToNoise';

const along = (k: number) => given(k, '1', 'k');
const { data: measured } = demoBodies.ostrel;
const { data: ofClass } = demoBodies.quillon;

/** Signal to noise of one pixel, as the desks tell it. */
const perPixel = (body: BodySpec, iso: number): number => {
  const { columns, rows, widthMm, heightMm } = body.sensor;
  const output = { kind: 'screen', name: 'Whole', longSidePx: columns, subjectShare: 1 } as const;
  return signalToNoise({ body, used: { columns, rows, widthMm, heightMm }, output, iso }).perPixel.value;
};

describe('the highest ISO that passes', () => {
  it('is the one at which a mid-tone is just as clean as asked, higher ones are noisier', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(measured, ofClass, demoBodies.merrow.data),
        fc.double({ min: 1, max: 12, noNaN: true }),
        fc.constantFrom(CLEAN.acceptable, CLEAN.excellent),
        (body, k, level) => {
          const found = cleanIso(body, along(k), level);
          if (!found) return expect(perPixel(body, 6) * k).toBeLessThan(level);
          expect((perPixel(body, found.value) * k) / level).toBeCloseTo(1, 4);
          expect(perPixel(body, found.value * 1.5) * k).toBeLessThan(level);
        },
      ),
    );
  });

  it('has an error that holds what sensors of its class differ by', () => {
    const told = cleanIso(ofClass, along(3), CLEAN.acceptable)!;
    const pixelUm2 = ((23.4 * 1000) / 6240) * ((15.6 * 1000) / 4160);
    for (const fullPerUm2 of [1500, 3500])
      for (const readNoiseE of [1.5, 3]) {
        // Straight from S/√(S + r²) = 10/3 with S = 0.18 · FW(ISO).
        const q = CLEAN.acceptable / 3;
        const signal = (q * q + Math.sqrt(q ** 4 + 4 * q * q * readNoiseE ** 2)) / 2;
        const iso = (0.18 * fullPerUm2 * pixelUm2 * 100) / signal;
        expect(Math.abs(iso - told.value)).toBeLessThanOrEqual(told.plusMinus ?? 0);
      }
  });

  it('is higher the more pixels make one of the output, and nothing where none is that clean', () => {
    const at = (k: number) => cleanIso(measured, along(k), CLEAN.acceptable)!.value;
    expect(at(2) / at(1)).toBeGreaterThan(2);
    expect(cleanIso(measured, along(0.02), CLEAN.excellent)).toBeNull();
    expect(baseIsoOf(ofClass)).toBe(100);
    expect(baseIsoOf({ ...measured, light: [{ iso: 64, fullWellE: 1, readNoiseE: 1 }] })).toBe(64);
  });
});
