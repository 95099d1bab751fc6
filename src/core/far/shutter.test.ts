import { engravedShutterS, handHoldPerPixelS, handHoldS, longestShutterS, pixelsPerOutputPixel } from './shutter';

describe('shutter times', () => {
  it('are engraved from 30 s to 1/32,000 s, each about half the one before', () => {
    const halves = [2, 4, 8, 15, 30, 60, 125, 250, 500, 1000, 2000, 4000, 8000, 16000, 32000];
    for (const part of halves) expect(engravedShutterS(1.04 / part)).toBe(1 / part);
    for (const whole of [1, 2, 4, 8, 15, 30]) expect(engravedShutterS(1.04 * whole)).toBe(whole);
    expect(engravedShutterS(1e9)).toBe(30);
    expect(engravedShutterS(1 / 40000)).toBeNull();
  });

  it('allow for what rounding to the engraved number itself takes, and no more', () => {
    expect(engravedShutterS(1 / 60.05)).toBe(1 / 60);
    expect(engravedShutterS(1 / 60.1)).toBe(1 / 125);
    expect(engravedShutterS(1 / 60)).toBe(1 / 60);
  });

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
