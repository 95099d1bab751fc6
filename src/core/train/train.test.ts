import fc from 'fast-check';
import { demoTrainKit as kit } from '../../../tests/support/trainKit';
import { expectRecomputed } from '../../../tests/support/recompute';
import { findRuler } from '../measure/ruler/findRuler';
import { chance } from '../simulate/chance';
import { starPicture } from '../simulate/starScene';
import { LEVELS, TRAIN_KINDS, type Ask, type Exercise, type Level, type PhotoOrder, type TrainKind } from './exercise';
import { judge, toleranceAt } from './judge';
import { makeExercise } from './kinds';
import { develop } from './photo';
import { photoAspect } from './photoAspect';
import { dueCount, inOrder, standings, type Answered } from './schedule';

const made = (kind: TrainKind, level: Level, seed: number): Exercise => {
  const exercise = makeExercise(kind, { kit, level, seed });
  if (!exercise) throw new Error(`No ${kind} of level ${level} from seed ${seed}.`);
  return exercise;
};
const SEEDS = Array.from({ length: 12 }, (_, i) => 7 * i + 3);
const all = TRAIN_KINDS.flatMap((kind) =>
  LEVELS.flatMap((level) => SEEDS.slice(0, 6).map((seed) => made(kind, level, seed))),
);
const of = (kind: TrainKind) => all.filter((each) => each.kind === kind);
const choiceOf = ({ ask }: Exercise) => {
  if (ask.type !== 'choice') throw new Error('no choice');
  return ask;
};
const truthOf = ({ ask }: Exercise): number => {
  if (ask.type !== 'amount') throw new Error('no amount');
  return ask.truth;
};
const photosOf = ({ plates }: Exercise) => plates.flatMap((plate) => (plate.kind === 'photo' ? [plate.order] : []));
/** How much a picture changes from point to point: fine detail, and noise. */
const steepness = (order: PhotoOrder): number => {
  const { width, height, grey } = develop(order);
  let sum = 0;
  for (let y = 0; y < height; y += 1)
    for (let x = 1; x < width; x += 1) sum += Math.abs(grey[y * width + x]! - grey[y * width + x - 1]!);
  return sum / (width * height);
};

it.each(['subject', 'ruler', 'stars', 'patch'] as const)(
  'the room of a picture of %s is known before it is taken',
  (make) => {
    const order = all.flatMap(photosOf).find((each) => each.make === make)!;
    const { width, height } = develop(order);
    expect(Math.abs(photoAspect(order) * height - width)).toBeLessThanOrEqual(2);
  },
);

it('an order by chance keeps everything, and every place is as likely', () => {
  const firsts = [0, 0, 0];
  for (let seed = 0; seed < 900; seed += 1) {
    const order = chance(seed).shuffled([0, 1, 2]);
    expect([...order].sort()).toEqual([0, 1, 2]);
    firsts[order[0]!] = firsts[order[0]!]! + 1;
  }
  // 300 each, less or more four deviations.
  for (const count of firsts) expect(Math.abs(count - 300)).toBeLessThan(4 * Math.sqrt(200));
});

describe('every exercise', () => {
  it.each(TRAIN_KINDS)('%s says what it needs and asks what can be answered', (kind) => {
    for (const { given, question, told, plates, ask, why } of of(kind)) {
      expect(`${given} ${question} ${told} ${why.why.name} ${why.why.source}`).not.toMatch(
        /NaN|undefined|Infinity|null/,
      );
      expect(question).toMatch(/\?$/);
      expect(plates.length).toBeGreaterThan(0);
      expect(Number.isFinite(why.value)).toBe(true);
      if (ask.type === 'choice') {
        expect(new Set(ask.options.map(({ text }) => text)).size).toBe(ask.options.length);
        expect(ask.options.filter(({ id }) => id === ask.right)).toHaveLength(1);
        expect(ask.options.length).toBeGreaterThan(1);
      } else {
        expect(ask.truth).toBeGreaterThan(ask.low);
        expect(ask.truth).toBeLessThan(ask.high);
        expect(why.value).toBeCloseTo(ask.truth, 6);
      }
    }
  });

  it('is the same from the same seed, and new from another', () => {
    for (const kind of TRAIN_KINDS) {
      expect(JSON.stringify(made(kind, 2, 41))).toBe(JSON.stringify(made(kind, 2, 41)));
      const many = new Set(SEEDS.map((seed) => JSON.stringify(made(kind, 2, seed))));
      expect(many.size).toBeGreaterThan(SEEDS.length / 3);
    }
  });

  it('has its right answer in every place', () => {
    for (const kind of ['enlarged', 'modeOrCrop', 'starField', 'resolves', 'fNumber'] as const) {
      const rights = new Set(
        SEEDS.map((seed) => choiceOf(made(kind, 1, seed))).map(({ right, options }) =>
          options.findIndex(({ id }) => id === right),
        ),
      );
      expect(rights.size).toBeGreaterThan(1);
    }
  });

  it('tells distances in the person’s units', () => {
    for (const kind of ['pixels', 'lever', 'resolves', 'fNumber'] as const) {
      const feet = makeExercise(kind, { kit, level: 1, seed: 10, units: 'imperial' })!;
      expect(feet.given).toMatch(/at [\d.,]+\sft/);
      expect(feet.ask).toMatchObject(
        kind === 'lever' ? { right: choiceOf(made(kind, 1, 10)).right } : made(kind, 1, 10).ask,
      );
    }
  });

  it('is left out where the kit has nothing for it, and made of plain formats where it can be', () => {
    const empty = { bodies: [], setups: [], subjects: [], outputs: [], parts: [] };
    const kinds = TRAIN_KINDS.filter((kind) => makeExercise(kind, { kit: empty, level: 1, seed: 5 }));
    expect(kinds).toEqual(['enlarged', 'ruler', 'modeOrCrop', 'smallSensor', 'starField']);
  });
});

describe('what is true', () => {
  it('of pixels: the share of the frame, in its pixels', () => {
    for (const exercise of of('pixels')) {
      const [plate] = exercise.plates;
      if (plate?.kind !== 'frame') throw new Error('no frame');
      const columns = Number(/: ([\d,.]+) ×/.exec(exercise.given)![1]!.replace(/[,.]/g, ''));
      expect(truthOf(exercise)).toBeCloseTo((plate.onSensorMm / plate.widthMm) * columns, 0);
    }
  });

  it('of a ruler: what the ruler finder of the Bench measures in its picture', () => {
    for (const exercise of [made('ruler', 1, 3), made('ruler', 3, 10)]) {
      const [order] = photosOf(exercise) as [Extract<PhotoOrder, { make: 'ruler' }>];
      const { width, height, grey } = develop(order);
      const found = findRuler({ width, height, data: Float32Array.from(grey), step: 1 / 255 });
      if (!found.ok) throw new Error(found.problem.message);
      const widthMm = Number(/is ([\d.]+)\smm wide/.exec(exercise.given)![1]);
      const ratio = (found.value.pxPerMm * widthMm) / width;
      expect(Math.abs(ratio / truthOf(exercise) - 1)).toBeLessThan(0.02);
      expectRecomputed({ why: exercise.why }, { why: (at) => at('W') / at('s') });
    }
  });

  it('of a small sensor: the ratio of the diagonals', () => {
    for (const exercise of of('smallSensor')) {
      const [plate] = exercise.plates;
      if (plate?.kind !== 'sensors') throw new Error('no sensors');
      const fNumber = Number(/f\/(\d+(?:\.\d+)?)/.exec(exercise.given)![1]);
      const factor = Math.hypot(36, 24) / Math.hypot(plate.widthMm, plate.heightMm);
      expect(truthOf(exercise)).toBeCloseTo(fNumber * factor, 6);
    }
  });

  it('of star fields: the longest of which the middle runs no more than a pixel and a half of the output', () => {
    for (const exercise of of('starField')) {
      const runs = photosOf(exercise).map((order) => {
        const { sky, seed } = order as Extract<PhotoOrder, { make: 'stars' }>;
        const middle = { x: (sky.width - 1) / 2, y: (sky.height - 1) / 2 };
        const { stars } = starPicture(sky, seed);
        const nearest = stars.sort(
          (a, b) => Math.hypot(a.x - middle.x, a.y - middle.y) - Math.hypot(b.x - middle.x, b.y - middle.y),
        )[0]!;
        return nearest.lengthPx;
      });
      const names = ['A', 'B', 'C'];
      const passing = names.filter((_, i) => runs[i]! <= 1.5);
      const longest = passing.sort((a, b) => runs[names.indexOf(b)]! - runs[names.indexOf(a)]!)[0];
      expect(choiceOf(exercise).right).toBe(longest);
    }
  });

  it('of lights: the opening in millimetres over the frame, as a thin lens draws them', () => {
    for (const exercise of of('fNumber')) {
      expectRecomputed(
        { why: exercise.why },
        { why: (at) => (100 * at('A') * at('m') * Math.abs(at('u_b') - at('u'))) / at('u_b') / at('W') },
      );
      const [plate] = exercise.plates;
      if (plate?.kind !== 'lights') throw new Error('no lights');
      expect(plate.discShare * 100).toBeCloseTo(exercise.why.value, 9);
    }
  });

  it('of levers: the one that leaves most resolved pixels, clearly', () => {
    for (const exercise of of('lever')) {
      const { options, right } = choiceOf(exercise);
      const pixels = options.map(({ text }) => {
        const found = exercise.told.split(/; |\.$/).find((each) => each.startsWith(`${text}: `))!;
        return Number(found.slice(text.length + 2).replace(/[,\s]|px/g, ''));
      });
      const most = Math.max(...pixels);
      expect(options[pixels.indexOf(most)]!.id).toBe(right);
      const next = [...pixels].sort((a, b) => b - a)[1]!;
      expect(most / next).toBeGreaterThan(1.05);
    }
  });

  it('of two set-ups: the one named took the picture of its own pixels', () => {
    for (const exercise of of('resolves')) {
      const [order] = photosOf(exercise) as [Extract<PhotoOrder, { make: 'patch' }>];
      const { right, options } = choiceOf(exercise);
      const names = [...exercise.told.matchAll(/(?:^|, )([^,]+?) (?:resolves )?([\d,]+)\spx/g)].map(([, name, px]) => ({
        name: name!.replace(/ resolves$/, '').replace(/ resolves.*/, ''),
        px: Number(px!.replace(/,/g, '')),
      }));
      expect(names).toHaveLength(2);
      const more = names.reduce((a, b) => (b.px > a.px ? b : a)).name;
      const shownFirst = options.find(({ id }) => id === right)!.text;
      expect(exercise.told).toContain(`: ${shownFirst === more ? 'A' : 'B'} shows more`);
      expect(order.systems[0]!.pixelMm).not.toBe(order.systems[1]!.pixelMm);
    }
  });

  it('of a view shown larger: only optics bring detail, and a mode shows what a later crop does', () => {
    for (const seed of [3, 10, 24, 31, 45, 52]) {
      const exercise = made('modeOrCrop', 1, seed);
      const { right } = choiceOf(exercise);
      const [first, second] = photosOf(exercise) as [PhotoOrder, PhotoOrder];
      const share = steepness(second) / steepness(first);
      if (right !== 'converter') expect(Math.abs(share - 1)).toBeLessThan(0.05);
      if (right === 'converter') expect(share).toBeGreaterThan(1.05);
      expectRecomputed({ why: exercise.why }, { why: (at) => at('n') * at('k') });
    }
  });
});

describe('a guess', () => {
  const amount = (truth: number): Ask => ({ type: 'amount', unit: 'px', low: 1, high: 1e6, truth });
  it('is right within what its level allows, and as good as it is near', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 1e5, noNaN: true }),
        fc.double({ min: -2, max: 2, noNaN: true }),
        fc.constantFrom(...LEVELS),
        (truth, off, level) => {
          const { right, offDoublings, grade } = judge(amount(truth), level, truth * 2 ** off);
          expect(offDoublings).toBeCloseTo(Math.abs(off), 6);
          if (Math.abs(Math.abs(off) - toleranceAt(level)) > 1e-6)
            expect(right).toBe(Math.abs(off) < toleranceAt(level));
          expect(grade > 1).toBe(right);
        },
      ),
    );
    expect(judge(amount(100), 1, 100).grade).toBe(4);
    expect(judge(amount(100), 1, 130).grade).toBe(3);
    expect(judge(amount(100), 1, 190).grade).toBe(2);
    expect(judge(amount(100), 5, 130).grade).toBe(1);
  });
  it('is right or wrong where one of several is chosen', () => {
    const ask: Ask = { type: 'choice', options: [], right: 'a' };
    expect(judge(ask, 3, 'a')).toEqual({ right: true, grade: 3 });
    expect(judge(ask, 3, 'b')).toEqual({ right: false, grade: 1 });
  });
});

describe('what comes next', () => {
  const DAY = 86_400_000;
  const at = (kind: TrainKind, day: number, right = true): Answered => ({
    kind,
    level: 1,
    right,
    grade: right ? 3 : 1,
    answeredMs: Date.UTC(2026, 10, 1) + day * DAY,
  });
  const standing = (answers: Answered[], kind: TrainKind) => standings(answers).find((each) => each.kind === kind)!;

  it('grows finer after two right ones, and plainer after a wrong one', () => {
    const level = (...rights: boolean[]) =>
      standing(
        rights.map((right, i) => at('ruler', i, right)),
        'ruler',
      ).level;
    expect(level()).toBe(1);
    expect(level(true)).toBe(1);
    expect(level(true, true)).toBe(2);
    expect(level(true, true, true, false)).toBe(1);
    expect(level(true, true, true, true)).toBe(3);
    expect(level(...Array<boolean>(20).fill(true))).toBe(5);
    expect(level(false, false)).toBe(1);
  });

  it('comes again later the better it goes, soon after a wrong one', () => {
    const well = [0, 1, 4, 12].map((day) => at('pixels', day));
    const gaps = well.map((_, i) => standing(well.slice(0, i + 1), 'pixels').dueMs! - well[i]!.answeredMs);
    expect(gaps[3]!).toBeGreaterThan(gaps[2]!);
    expect(gaps[2]!).toBeGreaterThan(gaps[0]!);
    const wrong = standing([...well, at('pixels', 40, false)], 'pixels');
    expect(wrong.dueMs! - at('pixels', 40).answeredMs).toBeLessThan(DAY);
    expect(standing([...well].reverse(), 'pixels')).toEqual(standing(well, 'pixels'));
  });

  it('is what is due, then what was never met, then what is due soonest', () => {
    const answers = [at('ruler', 0), at('lever', 0, false), at('fNumber', 9)];
    const now = at('ruler', 9.001).answeredMs;
    const order = inOrder(standings(answers), now).map(({ kind }) => kind);
    expect(order[0]).toBe('lever');
    expect(order.slice(0, 2)).toContain('ruler');
    expect(order.slice(2, 4)).toEqual(['pixels', 'enlarged']);
    expect(order.at(-1)).toBe('fNumber');
    expect(dueCount(standings(answers), now)).toBe(2);
    expect(dueCount(standings([]), now)).toBe(0);
  });
});
