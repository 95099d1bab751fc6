import { DIAL_S, dialText, markWithin } from './shutterDial';

const plain = (seconds: number) => dialText(seconds).replace('\u202f', ' ');

it('writes a setting as the camera marks it', () => {
  const marks: [number, string][] = [
    [1 / 125, '1/125 s'],
    [1 / 128, '1/125 s'],
    [0.008, '1/125 s'],
    [1 / 64, '1/60 s'],
    [1 / 1024, '1/1,000 s'],
    [1 / 1600, '1/1,600 s'],
    [1 / 90, '1/90 s'],
    [0.5, '0.5 s'],
    [1 / 3, '1/3 s'],
    [0.769, '0.8 s'],
    [1, '1 s'],
    [32, '30 s'],
    [240, '240 s'],
  ];
  for (const [seconds, text] of marks) expect(plain(seconds)).toBe(text);
});

it('steps by thirds of a stop', () => {
  for (let i = 1; i < DIAL_S.length; i++) {
    const step = Math.log2(DIAL_S[i]! / DIAL_S[i - 1]!);
    expect(step).toBeGreaterThan(0.2);
    expect(step).toBeLessThan(0.45);
  }
});

it('finds the mark for a longest time, within what the camera has', () => {
  expect(markWithin(1 / 1300)).toBe(1 / 1600);
  expect(markWithin(1 / 1000)).toBe(1 / 1000);
  expect(markWithin(1 / 13_000, 1 / 8000)).toBeNull();
  expect(markWithin(1 / 7000, 1 / 8000)).toBe(1 / 8000);
  expect(markWithin(45)).toBe(30);
  // What rounding to the mark itself takes is allowed for, and no more.
  expect([markWithin(1 / 60.05), markWithin(1 / 60.1)]).toEqual([1 / 60, 1 / 80]);
  expect([markWithin(1 / 40_000), markWithin(Infinity)]).toEqual([null, 30]);
});
