import { SUBJECT_KINDS } from '../kit/subjects';
import { subjectScene } from '../simulate/subjectScene';
import { scenePicture } from '../../../tests/support/pictureTrials';
import { findSubject, hullOf } from './findSubject';
import { measureLength } from './measureLength';
import { backgroundOf } from './border';
import { above, patchesOf } from './component';

describe('the extent of a subject', () => {
  it('is boxed as its kind is measured', () => {
    for (const kind of ['deer', 'butterfly'] as const) {
      const size = 240;
      const scene = subjectScene({ kind, sizeMm: size, light: 0.06, ground: 0.35, unevenGround: 0.06 }, 4001);
      const found = findSubject(scenePicture(scene, 0, 0.9, 4001));
      if (!found.ok) throw new Error(found.problem.message);
      const [x0, y0, x1, y1] = found.value.box;
      const side = SUBJECT_KINDS[kind].axis === 'width' ? x1 - x0 : y1 - y0;
      expect(Math.abs(side - size)).toBeLessThan(0.02 * size + 4);
    }
  });
});

describe('two handles', () => {
  it('say what is wrong with them', () => {
    const grey = scenePicture(() => 0.3, 0, 0.6, 1, 100, 80);
    const message = (ends: [[number, number], [number, number]]) => {
      const found = measureLength(grey, ends);
      return found.ok ? '' : found.problem.code;
    };
    expect(
      message([
        [-20, 5],
        [50, 5],
      ]),
    ).toBe('length.outside');
    expect(
      message([
        [20, 5],
        [22, 5],
      ]),
    ).toBe('length.short');
    const flat = measureLength(grey, [
      [20, 40],
      [80, 40],
    ]);
    expect(flat.ok && flat.value.kinds).toEqual(['byHand', 'byHand']);
    expect(flat.ok && flat.value.lengthPx).toBeCloseTo(60, 6);
  });
});

describe('a subject of the background’s tone', () => {
  it('is refused, with what to do', () => {
    const found = findSubject(scenePicture(() => 0.3, 0, 0.6, 2, 240, 160));
    expect(found.ok ? '' : found.problem.message).toMatch(/two handles/);
  });
});

describe('its parts', () => {
  it('a bent ground is found under what stands on it', () => {
    const [width, height] = [90, 60];
    const ground = (x: number, y: number) => 0.2 + 0.002 * x - 0.001 * y + 0.00001 * x * y;
    const data = Float32Array.from({ length: width * height }, (_, i) => {
      const [x, y] = [i % width, Math.floor(i / width)];
      return ground(x, y) + (Math.abs(x - 45) < 15 && Math.abs(y - 30) < 12 ? 0.4 : 0);
    });
    const found = backgroundOf({ width, height, data, step: 1e-4 }, 0.1, 6);
    for (const [x, y] of [
      [2, 3],
      [45, 30],
      [80, 55],
    ] as const)
      expect(found.at(x, y)).toBeCloseTo(ground(x, y), 4);
  });
  it('patches are told apart by their sides, and those at the border known', () => {
    const rows = ['##...', '##..#', '...#.', '..##.'];
    const on = Uint8Array.from(rows.join('').split(''), (each) => (each === '#' ? 1 : 0));
    const patches = patchesOf(on, 5, 4, 1);
    expect(patches.map(({ pixels }) => pixels.length)).toEqual([4, 3, 1]);
    expect(patches.every(({ touchesBorder }) => touchesBorder)).toBe(true);
    expect(Array.from(above(Float32Array.from([0.1, 0.6, -0.7]), 0.5, -1))).toEqual([0, 0, 1]);
  });
  it('a hull has only the corners', () => {
    const points: [number, number][] = [];
    for (let x = 0; x <= 4; x++) for (let y = 0; y <= 3; y++) points.push([x, y]);
    expect(hullOf(points).map(String).sort()).toEqual(['0,0', '0,3', '4,0', '4,3']);
  });
});
