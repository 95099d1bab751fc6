import * as fc from 'fast-check';
import { distanceAtRatio, focalAtRatio, lensFocus, ratioAtDistance, zoomFocus } from './lensFocus';

/** A lens of two thin groups, the rear one moved for focus, traced from the sensor outwards: nothing of the core is used. */
function innerFocus(
  focalMm: number,
  frontMm: number,
  gapMm: number,
  moveMm: number,
): { distanceMm: number; ratio: number } {
  const rearMm = (1 - gapMm / frontMm) / (1 / focalMm - 1 / frontMm);
  const backMm = focalMm * (1 - gapMm / frontMm);
  const gap = gapMm + moveMm;
  const back = backMm - moveMm;
  const objectOfRear = 1 / (1 / rearMm - 1 / back);
  const imageOfFront = gap - objectOfRear;
  const objectMm = 1 / (1 / frontMm - 1 / imageOfFront);
  return { distanceMm: objectMm + gapMm + backMm, ratio: Math.abs((back / objectOfRear) * (imageOfFront / objectMm)) };
}

const data = fc.record({
  focalMm: fc.double({ min: 14, max: 800, noNaN: true }),
  ratio: fc.double({ min: 0.04, max: 1, noNaN: true }),
  // Of the unshortened thin lens's distance: from strong internal focusing to a wide lens's spaced planes.
  share: fc.double({ min: 0.4, max: 1.6, noNaN: true }),
});

describe('a lens with known closest focus', () => {
  it('is continuous and falls from infinity to its closest focus, meeting both ends as stated', () => {
    fc.assert(
      fc.property(data, ({ focalMm, ratio, share }) => {
        const closestMm = share * focalMm * (2 + ratio + 1 / ratio);
        const lens = lensFocus(focalMm, closestMm, ratio);
        expect(ratioAtDistance(lens, closestMm)).toEqual({ ratio, plusMinus: 0 });
        expect(ratioAtDistance(lens, 1e9)!.ratio * 1e9).toBeCloseTo(focalMm, 1);
        let last = 0;
        for (let i = 0; i <= 300; i += 1) {
          const distance = closestMm * Math.exp(9 * (1 - i / 300));
          const here = ratioAtDistance(lens, distance)!;
          // Three per cent nearer is never smaller and never a jump; at life size the ratio itself runs up without bound.
          if (last > 0) expect(here.ratio / last).toBeGreaterThan(1);
          if (last > 0 && ratio < 0.3) expect(here.ratio / last).toBeLessThan(1.35);
          last = here.ratio;
        }
        expect(last).toBeCloseTo(ratio, 9);
      }),
    );
  });

  it('gives the ratio whose own distance it is', () => {
    fc.assert(
      fc.property(data, fc.double({ min: 0.01, max: 0.99, noNaN: true }), ({ focalMm, ratio, share }, part) => {
        const lens = lensFocus(focalMm, Math.min(1, share) * focalMm * (2 + ratio + 1 / ratio), ratio);
        const own = part * ratio;
        // T = (f + (f₀ − f)·m/m₀)·(2 + m + 1/m), written out.
        const near = (Math.min(1, share) * focalMm * (2 + ratio + 1 / ratio)) / (2 + ratio + 1 / ratio);
        const distance = (focalMm + ((near - focalMm) * own) / ratio) * (2 + own + 1 / own);
        expect(distanceAtRatio(lens, own)).toBeCloseTo(distance, 6);
        expect(ratioAtDistance(lens, distance)!.ratio / own).toBeCloseTo(1, 9);
      }),
    );
  });

  it('holds a real inner-focusing lens within its ±, traced ray by ray', () => {
    let [inside, tried] = [0, 0];
    for (const focalMm of [85, 200, 300, 600]) {
      for (const frontShare of [0.45, 0.6, 0.72]) {
        for (const gapShare of [0.35, 0.5, 0.65]) {
          const [front, gap] = [focalMm * frontShare, focalMm * frontShare * gapShare];
          const most = 0.35 * focalMm * (1 - gapShare);
          const closest = innerFocus(focalMm, front, gap, most);
          if (!(closest.ratio > 0.05 && closest.ratio < 1) || closest.distanceMm < 0) continue;
          const lens = lensFocus(focalMm, closest.distanceMm, closest.ratio);
          for (let i = 1; i < 20; i += 1) {
            const traced = innerFocus(focalMm, front, gap, (most * i) / 20);
            const found = ratioAtDistance(lens, traced.distanceMm)!;
            tried += 1;
            if (Math.abs(found.ratio - traced.ratio) <= found.plusMinus) inside += 1;
            expect(Math.abs(found.ratio / traced.ratio - 1)).toBeLessThan(0.25);
          }
        }
      }
    }
    expect(tried).toBeGreaterThan(100);
    expect(inside / tried).toBeGreaterThan(0.9);
  });

  it('reads a lens of up to 5 : 1 by its distance on the far side of life size, without a jump', () => {
    const lens = lensFocus(65, 240, 5);
    const [at, before] = [ratioAtDistance(lens, 240)!.ratio, ratioAtDistance(lens, 240.01)!.ratio];
    expect(at).toBeLessThan(1.5);
    expect(at / before).toBeCloseTo(1, 3);
    expect(ratioAtDistance(lens, 100)!.ratio).toBe(at);
    expect(distanceAtRatio(lens, 5)).toBeCloseTo(240, 9);
  });

  it('has no ratio nearer than four focal lengths where nothing is known, and none but the closest nearer than that', () => {
    expect(ratioAtDistance(lensFocus(100), 399)).toBeUndefined();
    expect(ratioAtDistance(lensFocus(100), 400)!.ratio).toBeCloseTo(1, 6);
    expect(ratioAtDistance(lensFocus(100, 300, 1), 100)!.ratio).toBe(1);
  });

  it('loses the same share of its focal length at every setting of a zoom', () => {
    // 100 to 400 mm, 1 : 3 from 0.98 m at the long end, so 183.75 mm there; at 100 mm 45.9 mm, and u + v = 980 mm.
    const wide = zoomFocus(100, 400, 980, 1 / 3);
    const near = 980 / (2 + 1 / 3 + 3) / 4;
    expect(wide.closest!.focalMm).toBeCloseTo(near, 9);
    const m = wide.closest!.ratio;
    expect(near * (2 + m + 1 / m)).toBeCloseTo(980, 6);
    expect(m).toBeLessThan(0.06);
    expect(zoomFocus(400, 400, 980, 1 / 3).closest!.ratio).toBe(1 / 3);
    expect(focalAtRatio(zoomFocus(400, 400, 980, 1 / 3), 1 / 6)).toBeCloseTo((400 + 183.75) / 2, 9);
  });
});
