import { handHoldPerPixelS, handHoldS, longestShutterS, pixelsPerOutputPixel } from './shutter';

describe('shutter times', () => {
  it('are as long as one likes where nothing moves', () => {
    expect(longestShutterS(1, 0)).toBe(Infinity);
    expect(longestShutterS(2, 500)).toBe(0.004);
  });

  it('a hand holds twice as long with each stop steadied', () => {
    expect(handHoldS(600, 0)).toBe(1 / 600);
    expect(handHoldS(600, 3)).toBeCloseTo(8 / 600, 15);
    // 600 mm on 6 µm: 100 px per mrad; one and a half pixels of it are the customary 1/600 s.
    expect(handHoldPerPixelS(1.5, 100, 0)).toBeCloseTo(1 / 600, 15);
    expect(handHoldPerPixelS(1.5, 100, 2)).toBeCloseTo(4 / 600, 15);
  });

  it('a pixel of the output is never less than one of the picture', () => {
    expect(pixelsPerOutputPixel(1600, 400)).toBe(4);
    expect(pixelsPerOutputPixel(300, 400)).toBe(1);
  });
});
