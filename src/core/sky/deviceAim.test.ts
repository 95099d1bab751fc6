import * as fc from 'fast-check';
import { aimOf, steadyAim } from './deviceAim';

type Vector = [number, number, number];
const RAD = Math.PI / 180;

/** Turns a vector about an axis, by Rodrigues. */
function turned(v: Vector, axis: Vector, deg: number): Vector {
  const [c, s] = [Math.cos(deg * RAD), Math.sin(deg * RAD)];
  const dot = v[0] * axis[0] + v[1] * axis[1] + v[2] * axis[2];
  const cross: Vector = [
    axis[1] * v[2] - axis[2] * v[1],
    axis[2] * v[0] - axis[0] * v[2],
    axis[0] * v[1] - axis[1] * v[0],
  ];
  return v.map((each, i) => each * c + cross[i]! * s + axis[i]! * dot * (1 - c)) as Vector;
}

/** The back of a device that is turned step by step, each time about its own axis as that lies by then. */
function backOf(alpha: number, beta: number, gamma: number): Vector {
  let [x, y, z]: [Vector, Vector, Vector] = [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ];
  for (const [axis, deg] of [
    ['z', alpha],
    ['x', beta],
    ['y', gamma],
  ] as const) {
    const about = { x, y, z }[axis];
    [x, y, z] = [turned(x, about, deg), turned(y, about, deg), turned(z, about, deg)];
  }
  return [-z[0], -z[1], -z[2]];
}

describe('the back of a device', () => {
  it.each([
    ['upright, as one photographs', 0, 90, 0, 0, 0],
    ['upright, turned a quarter to the left', 90, 90, 0, 270, 0],
    ['tilted back by 45°', 0, 135, 0, 0, 45],
    ['on its side', 0, 0, -90, 90, 0],
  ])('%s', (_, alphaDeg, betaDeg, gammaDeg, azimuthDeg, altitudeDeg) => {
    const aim = aimOf({ alphaDeg, betaDeg, gammaDeg });
    expect(aim.azimuthDeg).toBeCloseTo(azimuthDeg, 6);
    expect(aim.altitudeDeg).toBeCloseTo(altitudeDeg, 6);
  });

  it('on a table looks down', () => {
    expect(aimOf({ alphaDeg: 33, betaDeg: 0, gammaDeg: 0 })).toEqual({ azimuthDeg: 0, altitudeDeg: -90 });
  });

  it('points where turning it about its own axes brings it', () => {
    const angle = (low: number, high: number) => fc.double({ min: low, max: high, noNaN: true });
    fc.assert(
      fc.property(angle(0, 360), angle(-180, 180), angle(-90, 90), (alphaDeg, betaDeg, gammaDeg) => {
        const [east, north, up] = backOf(alphaDeg, betaDeg, gammaDeg);
        const { azimuthDeg, altitudeDeg } = aimOf({ alphaDeg, betaDeg, gammaDeg });
        const level = Math.cos(altitudeDeg * RAD);
        expect(Math.sin(altitudeDeg * RAD)).toBeCloseTo(up, 9);
        expect(level * Math.sin(azimuthDeg * RAD)).toBeCloseTo(east, 6);
        expect(level * Math.cos(azimuthDeg * RAD)).toBeCloseTo(north, 6);
      }),
    );
  });
});

describe('several readings of it', () => {
  it('are averaged as directions, over north too', () => {
    const steady = steadyAim([
      { azimuthDeg: 358, altitudeDeg: 40 },
      { azimuthDeg: 2, altitudeDeg: 42 },
    ])!;
    expect(Math.min(steady.azimuthDeg, 360 - steady.azimuthDeg)).toBeCloseTo(0, 6);
    expect(steady.altitudeDeg).toBeCloseTo(41, 6);
    expect(steady.spreadDeg).toBeCloseTo(2, 6);
    expect(steadyAim([])).toBeNull();
  });

  it('are spread as far as the one farthest off, along either way', () => {
    const of = (azimuths: number[], altitudes: number[]) =>
      steadyAim(azimuths.map((azimuthDeg, i) => ({ azimuthDeg, altitudeDeg: altitudes[i]! })))!;
    // Two of three in one place: their arrows add up to the direction of a long one and a short one.
    const { azimuthDeg, spreadDeg } = of([80, 80, 110], [30, 30, 30]);
    const middle = Math.atan2(
      2 * Math.sin(80 * RAD) + Math.sin(110 * RAD),
      2 * Math.cos(80 * RAD) + Math.cos(110 * RAD),
    );
    expect(azimuthDeg).toBeCloseTo(middle / RAD, 9);
    expect(spreadDeg).toBeCloseTo(110 - middle / RAD, 9);
    expect(of([200, 200, 200], [10, 10, 16]).spreadDeg).toBeCloseTo(4, 9);
    expect(of([350, 350, 20], [5, 5, 5]).spreadDeg).toBeCloseTo(spreadDeg, 9);
  });
});
