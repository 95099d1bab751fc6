import { chance } from '../../simulate/chance';
import { sharpCopy, type Lattice } from './sharpCopy';

/** Waves well below what pixels carry, of which the light between the pixels is known. */
function waves(seed: number) {
  const { between } = chance(seed);
  const all = Array.from({ length: 12 }, () => {
    const [frequency, direction] = [between(0.01, 0.4), between(0, 2 * Math.PI)];
    return {
      fx: frequency * Math.cos(direction),
      fy: frequency * Math.sin(direction),
      phase: between(0, 2 * Math.PI),
    };
  });
  return (x: number, y: number) =>
    0.5 + 0.03 * all.reduce((sum, { fx, fy, phase }) => sum + Math.sin(2 * Math.PI * (fx * x + fy * y) + phase), 0);
}

function picture(light: (x: number, y: number) => number, width: number, height: number) {
  const data = new Float32Array(width * height);
  for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) data[y * width + x] = light(x, y);
  return { width, height, data, step: 0 };
}

const SIZE = 64;
const lattice = (scale: number, turnDeg: number, x = 20.37, y = 24.81): Lattice => {
  const turn = (turnDeg * Math.PI) / 180;
  const [p, q] = [scale * Math.cos(turn), scale * Math.sin(turn)];
  return { x, y, across: [p, q], down: [-q, p] };
};

describe('a square read between the pixels', () => {
  it.each([
    ['level', 1, 0],
    ['shrunk and turned a little', 0.61, 2.4],
    ['turned the other way', 0.93, -3.3],
    ['turned more than rows and columns allow one after the other', 0.8, 9],
    ['turned by a right angle', 0.7, 90],
  ])('%s holds the light that is there', (_, scale, turnDeg) => {
    for (const seed of [3, 4, 5]) {
      const light = waves(seed);
      const grey = picture(light, 120, 110);
      const { x, y, across, down } = lattice(scale, turnDeg, turnDeg > 45 ? 80.4 : 20.37);
      const copy = sharpCopy(grey, SIZE, { x, y, across, down });
      let worst = 0;
      for (let j = 0; j < SIZE; j++)
        for (let i = 0; i < SIZE; i++) {
          const truth = light(x + i * across[0] + j * down[0], y + i * across[1] + j * down[1]);
          worst = Math.max(worst, Math.abs(copy![j * SIZE + i]! - truth));
        }
      expect(worst).toBeLessThan(0.004);
    }
  });
  it('is nothing where it would reach beyond the picture', () => {
    const grey = picture(waves(6), 100, 90);
    expect(sharpCopy(grey, SIZE, lattice(1, 0, 5, 5))).not.toBeNull();
    for (const [x, y] of [
      [4.9, 20],
      [20, 4.9],
      [31, 20],
      [20, 21.5],
    ] as const)
      expect(sharpCopy(grey, SIZE, lattice(1, 0, x, y))).toBeNull();
    // Turned, one corner is out though the others are not.
    expect(sharpCopy(grey, SIZE, lattice(1, 2, 7, 5.5))).toBeNull();
    expect(sharpCopy(grey, SIZE, lattice(1, 2, 7.5, 5.5))).not.toBeNull();
  });
});
