import { pictureSeed, shareBelow, shareOf } from '../../../../tests/support/pictureSeed';
import { opticsOf, randomEdge } from '../../../../tests/support/randomEdge';
import { chance } from '../../simulate/chance';
import { drawn } from '../../simulate/scene';
import { edgePicture, edgeResponse, type EdgeMade } from '../../simulate/edgeScene';
import { noisy } from '../../simulate/noisy';
import { edgesOnMosaic } from './edgesByColour';
import { findEdges } from './findEdges';
import type { EdgeFound } from './measureEdge';
import { fallsBelow } from './response';

const seed = pictureSeed();

const made = (edgeDeg: number, sigma = 0.7): EdgeMade => ({
  edgeDeg,
  offsetPx: 3,
  dark: 0.1,
  light: 0.6,
  optics: opticsOf(0.8, sigma),
  cutoff: 1.25,
});
const greyOf = (data: Float32Array, width: number, height: number) => ({ width, height, data, step: 1e-6 });

describe(`edges drawn from ${seed}`, () => {
  it('without noise half of the contrast is found with a bias below 0.3 %, each edge to a percent', () => {
    const off = Array.from({ length: 6 }, (_, i) => {
      const { grey, falls } = randomEdge(seed + i, true);
      const found = findEdges(grey);
      if (!found.ok) throw new Error(found.problem.message);
      return found.value.edges[0]!.mtf50!.value / falls(0.5) - 1;
    });
    expect(Math.abs(off.reduce((sum, each) => sum + each, 0) / off.length)).toBeLessThan(0.003);
    expect(Math.max(...off.map(Math.abs))).toBeLessThan(0.01);
  });
  it('with noise, compression and uneven light to 1 % in half and 3 % in nearly all, and the ± holds', () => {
    const all = Array.from({ length: 30 }, (_, i) => {
      const { grey, falls } = randomEdge(seed + 100 + i);
      const found = findEdges(grey);
      if (!found.ok) throw new Error(found.problem.message);
      const { value, plusMinus } = found.value.edges[0]!.mtf50!;
      return { off: Math.abs(value / falls(0.5) - 1), held: Math.abs(value - falls(0.5)) <= plusMinus };
    });
    expect(
      shareBelow(
        all.map(({ off }) => off),
        0.5,
      ),
    ).toBeLessThan(0.01);
    expect(shareOf(all, ({ off }) => off < 0.03)).toBeGreaterThan(0.82);
    expect(shareOf(all, ({ held }) => held)).toBeGreaterThan(0.75);
  }, 300_000);
});

describe('one edge', () => {
  it('stands as it does within what is told, which noise makes more', () => {
    const ofNoise = [0, 0.03].map((noise) => {
      const { even } = chance(8);
      const sharp = edgePicture(made(97.3), 360, 300);
      const found = findEdges(
        greyOf(
          sharp.map((light) => light + noise * (even() - 0.5)),
          360,
          300,
        ),
      );
      if (!found.ok) throw new Error(found.problem.message);
      const [edge] = found.value.edges as [EdgeFound];
      expect(Math.abs(edge.edgeDeg - 97.3)).toBeLessThan(edge.edgeDegError);
      return edge.edgeDegError;
    });
    expect(ofNoise[0]).toBeLessThan(0.02);
    expect(ofNoise[1]!).toBeGreaterThan(1.3 * ofNoise[0]!);
  });
  it('gives the whole response, its direction and its ends', () => {
    const scene = made(97.3);
    const found = findEdges(greyOf(edgePicture(scene, 360, 300), 360, 300));
    if (!found.ok) throw new Error(found.problem.message);
    const [edge] = found.value.edges;
    expect(edge!.edgeDeg).toBeCloseTo(97.3, 1);
    for (const k of [5, 10, 20, 30, 40])
      expect(Math.abs(edge!.mtf[k]! - edgeResponse(scene, k / 100))).toBeLessThan(0.006);
    expect(edge!.mtf[0]).toBe(1);
    expect(edge!.warnings).toEqual([]);
    // Both ends lie on the edge: off the middle by the offset, square to it.
    const turn = (97.3 * Math.PI) / 180;
    for (const [x, y] of edge!.ends)
      expect(-(x - 179.5) * Math.sin(turn) + (y - 149.5) * Math.cos(turn)).toBeCloseTo(3, 0);
  });
  it('is measured in the part that was framed, in the picture’s own px', () => {
    const picture = greyOf(edgePicture(made(97.3), 360, 300), 360, 300);
    const whole = findEdges(picture);
    const part = findEdges(picture, { frame: [90, 60, 290, 240] });
    if (!whole.ok || !part.ok) throw new Error('no edge');
    expect(part.value.edges[0]!.lengthPx).toBeLessThan(190);
    expect(part.value.edges[0]!.mtf50!.value / whole.value.edges[0]!.mtf50!.value).toBeCloseTo(1, 2);
    for (const [, y] of part.value.edges[0]!.ends) expect(y).toBeGreaterThan(59);
  });
  it('is refused where there is none, and warned of where it tells little', () => {
    const even = findEdges(greyOf(new Float32Array(200 * 200).fill(0.4), 200, 200));
    expect(even.ok ? '' : even.problem.message).toMatch(/slanted edge between two even tones/);
    const upright = findEdges(greyOf(edgePicture(made(90), 300, 240), 300, 240));
    expect(upright.ok && upright.value.edges[0]!.warnings).toContain('angle');
    const bright = edgePicture({ ...made(96), light: 1.4 }, 300, 240).map((value) => Math.min(1, value));
    const clipped = findEdges(greyOf(bright, 300, 240));
    expect(clipped.ok && clipped.value.edges[0]!.warnings).toContain('clipped');
  });
  it('says that a picture was sharpened', () => {
    const scene = made(96.5, 0.9);
    const light = edgePicture(scene, 320, 260);
    const soft = edgePicture({ ...scene, optics: opticsOf(0.8, 2.2) }, 320, 260);
    const found = findEdges(
      greyOf(
        light.map((value, i) => value + 0.9 * (value - soft[i]!)),
        320,
        260,
      ),
    );
    expect(found.ok && found.value.edges[0]!.warnings).toContain('sharpened');
  });
  it('on a mosaic is measured in each colour by itself', () => {
    const responses = [opticsOf(0.8, 1.1), opticsOf(0.8, 0.6), opticsOf(0.8, 0.9)].map((optics) => ({
      ...made(96.2),
      optics,
    }));
    const pictures = responses.map((each) => edgePicture(each, 400, 340));
    const colourAt = (x: number, y: number) => [0, 1, 1, 2][(y % 2) * 2 + (x % 2)]!;
    const mosaic = pictures[0]!.map((_, i) => pictures[colourAt(i % 400, Math.floor(i / 400))]![i]!);
    const grey = pictures[1]!;
    const found = edgesOnMosaic(greyOf(grey, 400, 340), { grey: greyOf(mosaic, 400, 340), colourAt });
    if (!found.ok) throw new Error(found.problem.message);
    const { red, green, blue } = found.value.colours[0]!;
    const truth = (k: number) => {
      let low = 0;
      while (edgeResponse(responses[k]!, low) > 0.5) low += 1e-4;
      return low;
    };
    expect(red!.mtf50!.value / truth(0)).toBeCloseTo(1, 1.7);
    expect(green!.mtf50!.value / truth(1)).toBeCloseTo(1, 1.7);
    expect(blue!.mtf50!.value / truth(2)).toBeCloseTo(1, 1.7);
  });
});

describe('a chart', () => {
  it('of slanted squares gives several edges, each as sharp as it is', () => {
    // Four dark squares, turned by 7°, on light ground: sixteen edges.
    const turn = (7 * Math.PI) / 180;
    const chart = (x: number, y: number): number => {
      for (const [cx, cy] of [
        [-130, -90],
        [130, -90],
        [-130, 90],
        [130, 90],
      ] as const) {
        const [u, v] = [
          (x - cx) * Math.cos(turn) + (y - cy) * Math.sin(turn),
          -(x - cx) * Math.sin(turn) + (y - cy) * Math.cos(turn),
        ];
        if (Math.abs(u) < 55 && Math.abs(v) < 55) return 0.1;
      }
      return 0.6;
    };
    const view = {
      pxPerMm: 1,
      turnDeg: 0,
      tiltAlongDeg: 0,
      tiltAcrossDeg: 0,
      middleMm: [0, 0] as [number, number],
      focalPx: 1e6,
      distortion: 0,
    };
    const light = noisy(drawn(chart, view, 560, 420, 6), { fullWell: 8000, readNoise: 3 }, 4);
    const found = findEdges(greyOf(light, 560, 420));
    if (!found.ok) throw new Error(found.problem.message);
    expect(found.value.edges.length).toBeGreaterThanOrEqual(12);
    // Only the pixel blurs here: sinc falls to a half at 0.603 cycles/px along the pixels.
    for (const edge of found.value.edges.slice(0, 8)) expect(edge.mtf50!.value).toBeCloseTo(0.6, 1);
  });
});

it('a response that never falls below a level says so', () => {
  expect(fallsBelow([1, 0.9, 0.8], 0.5)).toBeNull();
  expect(fallsBelow([1, 0.6, 0.4], 0.5)).toBeCloseTo(0.015, 9);
});
