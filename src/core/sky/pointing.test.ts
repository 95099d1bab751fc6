import * as fc from 'fast-check';
import { pointingOf } from './pointing';

/** East, north, up, where one stands. */
type Vector = [number, number, number];
const RAD = Math.PI / 180;
const dot = (a: Vector, b: Vector) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
const UP: Vector = [0, 0, 1];

/** Star and pole as arrows from the observer. */
function arrows(azimuthDeg: number, altitudeDeg: number, latitudeDeg: number): { star: Vector; pole: Vector } {
  const [a, h, l] = [azimuthDeg * RAD, altitudeDeg * RAD, latitudeDeg * RAD];
  return {
    star: [Math.cos(h) * Math.sin(a), Math.cos(h) * Math.cos(a), Math.sin(h)],
    pole: [0, Math.cos(l), Math.sin(l)],
  };
}

const angle = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('where a level camera points', () => {
  it('is as far from the equator as the star’s arrow lies along the pole’s', () => {
    fc.assert(
      fc.property(angle(0, 360), angle(-20, 90), angle(-90, 90), (azimuth, altitude, latitude) => {
        const { star, pole } = arrows(azimuth, altitude, latitude);
        const { declinationDeg } = pointingOf(azimuth, altitude, latitude);
        expect(Math.sin(declinationDeg * RAD)).toBeCloseTo(dot(star, pole), 12);
      }),
    );
  });

  /** Right ascension grows against the turning of the sky, so that east of a star is pole × star; north is what is left. */
  it('has its up where the zenith lies from the star, from north through east', () => {
    fc.assert(
      fc.property(angle(0, 360), angle(-20, 85), angle(-85, 85), (azimuth, altitude, latitude) => {
        const { star, pole } = arrows(azimuth, altitude, latitude);
        const east = cross(pole, star);
        const north = cross(star, east);
        const lengths = Math.hypot(...east) * Math.hypot(star[0], star[1]);
        // At the pole itself every direction is south.
        fc.pre(Math.hypot(...east) > 1e-3);
        const { rollDeg } = pointingOf(azimuth, altitude, latitude);
        expect(Math.sin(rollDeg * RAD)).toBeCloseTo(dot(UP, east) / lengths, 9);
        expect(Math.cos(rollDeg * RAD)).toBeCloseTo(dot(UP, north) / lengths, 9);
      }),
    );
  });

  it.each([
    // On the meridian the frame's up is north, or south between pole and zenith; on the equator's horizon it is a quarter off.
    ['the south, below the zenith', 180, 20, 50, 0],
    ['below the pole', 0, 20, 50, 0],
    ['between pole and zenith', 0, 80, 50, 180],
    ['rising due east at the equator', 90, 1e-6, 0, -90],
    ['setting due west at the equator', 270, 1e-6, 0, 90],
  ])('%s', (_, azimuth, altitude, latitude, roll) => {
    const off = pointingOf(azimuth, altitude, latitude).rollDeg - roll;
    expect(Math.abs(((off + 540) % 360) - 180)).toBeLessThan(1e-4);
  });

  it('gives a number straight up at the pole, where the frame has no up', () => {
    expect(pointingOf(0, 90, 90).rollDeg).toBe(0);
    expect(pointingOf(77, 90, -90).declinationDeg).toBeCloseTo(-90, 6);
  });
});
