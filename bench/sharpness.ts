import { findEdges } from '../src/core/measure/edge/findEdges';
import { photonTransfer } from '../src/core/measure/light/photonTransfer';
import { comparePair } from '../src/core/measure/pair/comparePair';
import { findStars, type StarsFound } from '../src/core/measure/stars/findStars';
import { chance } from '../src/core/simulate/chance';
import { evenFrame } from '../src/core/simulate/evenSurface';
import { randomEdge } from '../tests/support/randomEdge';
import { randomPair } from '../tests/support/randomPair';
import { randomStars } from '../tests/support/randomStars';
import { shareBelow, shareOf } from '../tests/support/pictureSeed';
import { report } from './timing';

/** What was measured of one picture, how far it is off, and the error it was told with. */
interface Off {
  off: number;
  plusMinus: number;
}

const HELD = { least: 90, most: 98 };

function told(what: string, all: readonly Off[], unit: string, bounds: { median?: number; p95: number }): void {
  const offs = all.map(({ off }) => off);
  if (bounds.median !== undefined) report(`${what}, in the middle`, shareBelow(offs, 0.5), unit, bounds.median);
  report(`${what}, 95 of 100`, shareBelow(offs, 0.95), unit, bounds.p95);
  const held = 100 * shareOf(all, ({ off, plusMinus }) => off <= plusMinus);
  console.log(`${''.padEnd(4)}± holds ${held.toFixed(0)} % of ${all.length}, wanted ${HELD.least} to ${HELD.most}`);
}

function edges(seed: number, count: number): void {
  const all = Array.from({ length: count }, (_, i) => randomEdge(seed + i)).flatMap((made): Off[] => {
    const found = findEdges(made.grey);
    const half = found.ok ? found.value.edges[0]?.mtf50 : null;
    const truth = made.falls(0.5);
    return half ? [{ off: 100 * Math.abs(half.value / truth - 1), plusMinus: (100 * half.plusMinus) / truth }] : [];
  });
  told('Edges, 50 % frequency off by', all, '%', { median: 1, p95: 3 });
}

function stars(seed: number, count: number): void {
  const singles: Off[] = [];
  const middles: Off[] = [];
  const alone: Off[] = [];
  for (let i = 0; i < count; i++) {
    const { grey, made, stars: drawn, centrePx } = randomStars(seed + i);
    const found = findStars(grey, { setup: made });
    if (!found.ok) continue;
    const offOf = ({ centre }: StarsFound): Off => ({
      off: Math.abs(centre.lengthPx - centrePx),
      plusMinus: centre.plusMinus,
    });
    middles.push(offOf(found.value));
    const free = findStars(grey);
    if (free.ok) alone.push(offOf(free.value));
    if (made.comaPx > 0) continue;
    for (const star of found.value.stars) {
      const near = drawn.filter(({ x, y }) => Math.hypot(x - star.x, y - star.y) < made.sigma * 8);
      const [own] = near;
      // Clean strokes longer than the blur: alone, bright enough, not cut off by the sensor.
      if (near.length !== 1 || !own || star.snr < 25 || star.saturated || star.upperLimit) continue;
      if (own.lengthPx < 2.355 * made.sigma) continue;
      singles.push({ off: Math.abs(star.lengthPx - own.lengthPx), plusMinus: star.plusMinus });
    }
  }
  told('Stars, a stroke off by', singles, 'px', { median: 0.1, p95: 0.4 });
  told('Stars, the middle off by, set-up known', middles, 'px', { p95: 0.1 });
  told('Stars, the middle off by, nothing known', alone, 'px', { p95: 0.3 });
}

function pairs(seed: number, count: number): void {
  const all = Array.from({ length: count }, (_, i) => randomPair(seed + i)).flatMap((made) => {
    const found = comparePair(made.a, made.b);
    return found.ok ? [{ made, found: found.value }] : [];
  });
  const off = (of: (one: (typeof all)[number]) => number) => shareBelow(all.map(of), 0.95);
  report(
    'Pairs, scale off by, 95 of 100',
    100 * off(({ made, found }) => Math.abs(found.scale / made.scale - 1)),
    '%',
    0.03,
  );
  report(
    'Pairs, turn off by, 95 of 100',
    off(({ made, found }) => Math.abs(found.rotationDeg - made.rotationDeg)),
    '°',
    0.01,
  );
  report(
    'Pairs, shift off by, 95 of 100',
    off(({ made, found }) => Math.hypot(found.shift[0] - made.shift[0], found.shift[1] - made.shift[1])),
    'px',
    0.05,
  );
  const told = [
    ['scale', shareOf(all, ({ made, found }) => Math.abs(found.scale - made.scale) <= found.scaleError)],
    ['turn', shareOf(all, ({ made, found }) => Math.abs(found.rotationDeg - made.rotationDeg) <= found.rotationError)],
    [
      'shift',
      shareOf(
        all,
        ({ made, found }) =>
          Math.hypot(found.shift[0] - made.shift[0], found.shift[1] - made.shift[1]) <= found.shiftError,
      ),
    ],
  ] as const;
  const shares = told.map(([what, share]) => `${what} ${(100 * share).toFixed(0)}`).join(', ');
  console.log(`    ± holds ${shares} % of ${all.length}, wanted ${HELD.least} to ${HELD.most}`);
  const clear = all.filter(({ made }) => Math.abs(Math.log(made.limitB / made.limitA)) > Math.log(1.12));
  const right = shareOf(clear, ({ made, found }) => found.detail?.more === (made.limitB > made.limitA ? 'b' : 'a'));
  report(`Pairs told apart wrongly, of ${clear.length} that differ by over 12 %`, 100 * (1 - right), '%', 0.1);
  const held = shareOf(all, ({ made: { limitA, limitB }, found: { detail } }) =>
    detail !== null ? Math.abs(detail.ratio - limitB / limitA) <= detail.plusMinus : false,
  );
  console.log(`    ± of how much more holds ${(100 * held).toFixed(0)} %, wanted ${HELD.least} to ${HELD.most}`);
}

/** Pairs of which neither has more: how often one is said to. */
function equalPairs(seed: number, count: number): void {
  const told = Array.from({ length: count }, (_, i) => {
    const { a, b } = randomPair(seed + i, 520, 400, true);
    const found = comparePair(a, b);
    return found.ok ? found.value.detail : null;
  }).filter((detail) => detail !== null);
  const apart = told.filter(({ more }) => more !== 'equal');
  console.log(
    `Equal pairs told apart: ${apart.length} of ${told.length}, by ${apart.map(({ ratio }) => ratio.toFixed(2)).join(', ')}`,
  );
}

function light(seed: number, count: number): void {
  const [gains, reads]: [Off[], Off[]] = [[], []];
  for (let i = 0; i < count; i++) {
    const { between, oneOf } = chance(seed + i);
    const white = oneOf([16_383, 65_535]);
    const made = {
      width: 384,
      height: 288,
      gain: Math.exp(between(Math.log(0.2), Math.log(5))),
      readNoise: between(2.5, 9),
      black: white / 32,
      white,
      falloff: between(0, 0.3),
      unequal: between(0, 0.015),
      sensorSeed: seed + i,
    };
    const bright = between(0.25, 0.65);
    const frames = [bright, 1.02 * bright, 0, 0].map((exposure, k) => ({
      ...made,
      data: Float32Array.from(evenFrame({ ...made, exposure }, (seed + i) * 10 + k)),
    }));
    const found = photonTransfer(frames);
    if (!found.ok) continue;
    const { gain, readNoise } = found.value;
    const share = (value: number, of: number) => (100 * value) / of;
    gains.push({
      off: share(Math.abs(gain.value - made.gain), made.gain),
      plusMinus: share(gain.plusMinus, made.gain),
    });
    reads.push({
      off: share(Math.abs(readNoise.value - made.readNoise), made.readNoise),
      plusMinus: share(readNoise.plusMinus, made.readNoise),
    });
  }
  told('Light, electrons a code off by', gains, '%', { p95: 2 });
  told('Light, noise of reading off by', reads, '%', { p95: 5 });
}

/** How right sharpness, stars, pairs and light are, over pictures drawn anew each time. */
export function benchSharpness(count: number): void {
  const seed = Date.now() % 1_000_000_000;
  console.log(`Edges, skies, pairs and sensors drawn from ${seed}, ${count} of a kind`);
  edges(seed, count);
  stars(seed, count);
  pairs(seed, count);
  equalPairs(seed, count);
  light(seed, count);
}
