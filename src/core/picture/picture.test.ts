import fc from 'fast-check';
import { lightAt, reduced, type Grey } from './grey';
import { shown, whiteOf } from './shown';
import { codeStep, lightOfSrgb, srgbOfLight } from './tone';
import { fitted, kept, moved, toPicture, toScreen, visiblePart, zoomed } from './viewport';

const ramp = (width: number, height: number): Grey => ({
  width,
  height,
  data: Float32Array.from({ length: width * height }, (_, i) => (i % width) * 0.01 + Math.floor(i / width) * 0.02),
  step: 0.001,
});

describe('light between pixels', () => {
  it('is that of a plane on a plane, and held at the border', () => {
    const grey = ramp(9, 7);
    expect(lightAt(grey, 3.25, 4.5)).toBeCloseTo(0.0325 + 0.09, 6);
    expect(lightAt(grey, -4, 2)).toBeCloseTo(lightAt(grey, 0, 2), 6);
    expect(lightAt(grey, 8, 6)).toBeCloseTo(0.08 + 0.12, 6);
  });
  it('keeps its place when it is made smaller: the middle of a block is the mean of its pixels', () => {
    const [grey, small] = [ramp(12, 9), reduced(ramp(12, 9), 3)];
    expect([small.width, small.height]).toEqual([4, 3]);
    for (const [i, j] of [
      [0, 0],
      [3, 2],
      [1, 2],
    ] as const)
      expect(lightAt(small, i, j)).toBeCloseTo(lightAt(grey, (i + 0.5) * 3 - 0.5, (j + 0.5) * 3 - 0.5), 5);
  });
});

describe('the sRGB curve', () => {
  it('goes forth and back', () => {
    for (let code = 0; code <= 255; code++) expect(srgbOfLight(lightOfSrgb(code / 255)) * 255).toBeCloseTo(code, 6);
    expect(codeStep(256, 'linear')).toBeCloseTo(1 / 255, 12);
    // A fifth of the light is about code 123.6.
    const between = lightOfSrgb(124 / 255) - lightOfSrgb(123 / 255);
    expect(codeStep(256, 'srgb') / between).toBeCloseTo(1, 2);
  });
});

describe('what the screen shows', () => {
  it('is single pixels when larger, means when smaller', () => {
    const grey = { width: 2, height: 1, data: Float32Array.from([0, 1]), step: 0.01 };
    const large = shown(grey, { x: 0, y: 0, width: 2, height: 1, outWidth: 8, outHeight: 4 }, 1);
    expect([large[0], large[4 * 4]]).toEqual([0, 255]);
    const small = shown(grey, { x: 0, y: 0, width: 2, height: 1, outWidth: 1, outHeight: 1 }, 1);
    expect(small[0]).toBe(Math.round(255 * srgbOfLight(0.5)));
    expect(small[3]).toBe(255);
  });
  it('makes a dark film visible and leaves a picture as it is', () => {
    expect(whiteOf({ width: 10, height: 1, data: new Float32Array(10).fill(0.05), step: 0 })).toBeCloseTo(0.06, 6);
    expect(whiteOf({ width: 10, height: 1, data: new Float32Array(10).fill(0.8), step: 0 })).toBe(1);
  });
});

describe('a picture on the screen', () => {
  const size = fc.record({ width: fc.integer({ min: 50, max: 9000 }), height: fc.integer({ min: 50, max: 9000 }) });
  const screen = fc.record({ width: fc.integer({ min: 200, max: 1500 }), height: fc.integer({ min: 200, max: 1000 }) });
  it('is all there when fitted, and a place goes forth and back', () => {
    fc.assert(
      fc.property(size, screen, fc.double({ min: 0, max: 1, noNaN: true }), (picture, on, share) => {
        const view = fitted(picture, on);
        expect(visiblePart(view, picture, on)).toEqual({ x: 0, y: 0, ...picture });
        const place: [number, number] = [share * picture.width, (1 - share) * picture.height];
        const [x, y] = toPicture(view, toScreen(view, place));
        expect(x).toBeCloseTo(place[0], 6);
        expect(y).toBeCloseTo(place[1], 6);
      }),
    );
  });
  it('stays under the finger when it grows, and never leaves a gap', () => {
    fc.assert(
      fc.property(size, screen, fc.double({ min: 1.1, max: 6, noNaN: true }), (picture, on, by) => {
        const first = zoomed(fitted(picture, on), 4, [on.width / 2, on.height / 2], picture, on);
        const about: [number, number] = [on.width / 2, on.height / 2];
        const before = toPicture(first, about);
        const after = toPicture(zoomed(first, by, about, picture, on), about);
        if (picture.width * first.scale > on.width) expect(after[0]).toBeCloseTo(before[0], 4);
        const far = moved(first, 1e6, -1e6, picture, on);
        expect(far).toEqual(kept(far, picture, on));
        expect(Math.min(0, far.x)).toBeGreaterThanOrEqual(Math.min(0, on.width - picture.width * far.scale) - 1e-6);
      }),
    );
  });
});
