import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import { built } from '../../tests/support/built';
import { DESKS, deskOf, type DeskName } from './registry';
import { run as runDesk } from './run';

beforeAll(() => built('buildCommandLine'));

const run = (args: string[], input?: string) =>
  spawnSync(process.execPath, ['scripts/jauge.mjs', ...args], {
    encoding: 'utf8',
    ...(input === undefined ? {} : { input }),
  });

const demo = () => JSON.parse(fs.readFileSync('docs/examples/far.json', 'utf8')) as Record<string, unknown>;

it('prints the reading of a file as JSON, with units, kinds and reasons', () => {
  const result = run(['far', 'docs/examples/far.json']);
  expect(result.status).toBe(0);
  const output = JSON.parse(result.stdout) as {
    reading: Record<string, { value: number; unit: string; kind: string; why: { formula: string } }>;
  };
  // 600 mm on 36 mm with 8256 columns, 550 mm at 60 m: 1000·m·L/p. The lens states 1 : 7.1 from 4.5 m, so it has 4500/(2 + 0.14
  // + 1/0.14) mm there; m by halving T(m) = (600 + (f₀ − 600)·m/0.14)·(2 + m + 1/m).
  expect(output.reading.pixelsOnSubject).toMatchObject({ unit: 'px', kind: 'computed' });
  const { closestFocusM: nearest, closestRatio: most } = (
    demo().chain as { closestFocusM: number; closestRatio: number }[]
  )[0]!;
  const focalThere = (nearest * 1000) / (2 + most + 1 / most);
  let [low, high] = [1e-6, most];
  for (let i = 0; i < 100; i += 1) {
    const m = (low + high) / 2;
    if ((600 + ((focalThere - 600) * m) / most) * (2 + m + 1 / m) > 60_000) low = m;
    else high = m;
  }
  expect(output.reading.pixelsOnSubject?.value).toBeCloseTo((1000 * low * 550) / ((1000 * 36) / 8256), 6);
  expect(output.reading.pixelsOnSubject?.why.formula).toBe('1000 · m · L / p');
  expect(JSON.parse(result.stdout)).toMatchObject({
    more: { depthM: { unit: 'm' }, longestShutter100S: { unit: 's' } },
    cropAdvice: expect.stringMatching(/^Crop in the camera with “Crop 1.5”/) as string,
  });
});

it('reads standard input', () => {
  const result = run(['far', '-'], JSON.stringify({ ...demo(), distanceM: 120 }));
  expect(result.status).toBe(0);
  expect(JSON.parse(result.stdout)).toMatchObject({ desk: 'far', reading: { distanceM: { value: 120 } } });
});

it.each([
  [['far', 'missing.json'], undefined, 2, /Cannot read/],
  [['far', '-'], 'not json', 2, /not valid JSON/],
  [['far', '-'], '{}', 2, /Body is missing/],
  [['moon', 'docs/examples/far.json'], undefined, 2, /Unknown reading/],
  [['constructor', 'docs/examples/far.json'], undefined, 2, /Unknown reading/],
  [['toString', '--example'], undefined, 2, /Unknown reading/],
  [['near', '-'], '{}', 2, /Body is missing/],
  [[], undefined, 2, /Usage/],
])('%j with %j ends with %i', (args, input, status, message) => {
  const result = run(args, input);
  expect(result.status).toBe(status);
  expect(result.stderr).toMatch(message);
});

it('folds a chain as the builder does: system, steps, checks, modes', () => {
  const result = run(['kit', 'docs/examples/kit.json']);
  expect(result.stderr).toBe('');
  const output = JSON.parse(result.stdout) as {
    steps: { name: string }[];
    checks: { code: string }[];
    modes: { megapixels: { value: number } }[];
    system: { ratioAtClosest: { value: number } };
  };
  expect(output.steps.map((step) => step.name)).toEqual(['Ostrel 100 f/2.8 macro', 'Ostrel tube set']);
  // f' = 300/(2 + 1 + 1) = 75 mm at closest focus; a 20 mm tube adds 20/75.
  expect(output.system.ratioAtClosest.value).toBeCloseTo(1 + 20 / 75, 9);
  expect(output.checks.map((check) => check.code)).toContain('focus.noInfinity');
  expect(output.modes).toHaveLength(4);
});

it('refuses a chain that forms no picture with its reason', () => {
  const kit = JSON.parse(fs.readFileSync('docs/examples/kit.json', 'utf8')) as { chain: unknown[] };
  const result = run(['kit', '-'], JSON.stringify({ ...kit, chain: [...kit.chain].reverse() }));
  expect(result.status).toBe(1);
  expect(result.stderr).toMatch(/chain.order: Ostrel tube set sits between lens and body/);
});

it('says why there is no reading', () => {
  const out = JSON.parse(runDesk(DESKS.far, JSON.stringify({ ...demo(), distanceM: 1 }), 'x').stdout) as {
    problem: { code: string; message: string };
    reading: object;
    more?: object;
  };
  expect(out.problem).toMatchObject({ code: 'focus.closest', message: expect.stringMatching(/Step back/) as string });
  for (const key of ['pixelsOnSubject', 'resolvedPixels', 'verdict', 'shareOfFrame', 'ratio'])
    expect(out.reading).not.toHaveProperty(key);
  expect(out).not.toHaveProperty('more');
  // Where nothing of the closest focus is known, no picture can be formed nearer than four focal lengths of the bare lens.
  const [lens] = demo().chain as Record<string, unknown>[];
  const { closestFocusM: _, closestRatio: __, ...unknown } = lens!;
  const doubled = { ...demo(), chain: [unknown, { kind: 'converter', name: '×2', factor: 2, autofocus: true }] };
  expect(runDesk(DESKS.far, JSON.stringify({ ...doubled, distanceM: 2.3 }), 'x')).toMatchObject({
    code: 1,
    stderr: expect.stringMatching(/^distance.tooNear: Nearer than 2\.4.m/) as string,
  });
  expect(runDesk(DESKS.far, JSON.stringify({ ...doubled, distanceM: 2.5 }), 'x').code).toBe(0);
});

it('reads close up as the Near desk does, and a measured ratio replaces the estimate', () => {
  const input = JSON.parse(fs.readFileSync('docs/examples/near.json', 'utf8')) as Record<string, unknown>;
  const plain = run(['near', 'docs/examples/near.json']);
  expect(plain.status).toBe(0);
  // The 100 mm macro lens at life size has f′ 75 mm; 20 mm of tubes add 20/75.
  expect(JSON.parse(plain.stdout)).toMatchObject({
    desk: 'near',
    reading: {
      ratio: { value: expect.closeTo(1 + 20 / 75, 9) as number, kind: 'computed' },
      fieldWidthMm: { unit: 'mm' },
    },
  });
  const measured = run(
    ['near', '-'],
    JSON.stringify({ ...input, measured: [{ at: 'closest', ratio: 1.31, plusMinus: 0.02 }] }),
  );
  expect(JSON.parse(measured.stdout)).toMatchObject({
    reading: { ratio: { value: 1.31, kind: 'measured', plusMinus: 0.02 } },
  });
});

it('reads stars and planets as their desks do', () => {
  const stars = run(['stars', 'docs/examples/stars.json']);
  expect(stars.status).toBe(0);
  const { reading } = JSON.parse(stars.stdout) as {
    reading: {
      limitS: { value: number };
      rules: { rule: string; seconds: number; worstPx: number }[];
      cornerTolerancePx: { value: number };
    };
  };
  // 1.5 of the web page's 1600 px are 1.5 · 8256/1600 px of the sensor; the whole frame keeps to it.
  expect(reading.cornerTolerancePx.value).toBeCloseTo((1.5 * 8256) / 1600, 9);
  expect(reading.rules.find((rule) => rule.rule === 'worst')!.worstPx).toBeCloseTo(reading.cornerTolerancePx.value, 4);
  expect(reading.rules.find((rule) => rule.rule === 'c500')!.seconds).toBeCloseTo(25, 9);
  const planet = run(['planet', 'docs/examples/planet.json']);
  // 44″ · 1800 mm / (206.265 · 2.9018 µm)
  expect(JSON.parse(planet.stdout)).toMatchObject({
    reading: { discPx: { value: expect.closeTo((44 * 1800) / (206.265 * (7800 / 2688)), 6) as number } },
    capture: { columns: 320, rows: 240, limit: 'exposure' },
  });
  const wrong = run(
    ['planet', '-'],
    JSON.stringify({ ...(JSON.parse(fs.readFileSync('docs/examples/planet.json', 'utf8')) as object), planet: 'Moon' }),
  );
  expect(wrong.status).toBe(2);
  expect(wrong.stderr).toMatch(/Planet must be one of/);
});

describe('every reading', () => {
  const example = (name: string): string => fs.readFileSync(`docs/examples/${name}.json`, 'utf8');
  const names = Object.keys(DESKS) as DeskName[];
  const read = (name: DeskName, change: object = {}): Record<string, never> => {
    const out = runDesk(DESKS[name], JSON.stringify({ ...(JSON.parse(example(name)) as object), ...change }), name);
    if (out.code !== 0) throw new Error(out.stderr);
    return JSON.parse(out.stdout) as Record<string, never>;
  };
  /** Looks a value up by its path. */
  const at = (value: unknown, path: string): never =>
    path.split('.').reduce<unknown>((each, key) => (each as Record<string, unknown>)[key], value) as never;

  it.each(names)('%s: its example fits its schema and is read, without a null where a number belongs', (name) => {
    const out = runDesk(DESKS[name], example(name), name);
    expect(out).toMatchObject({ code: 0, stderr: '' });
    expect(out.stdout).not.toMatch(/NaN|undefined/);
    expect(JSON.parse(out.stdout)).toMatchObject({ desk: name });
    expect(fs.existsSync(`docs/examples/${name}.json`)).toBe(true);
  });

  it.each(names)('%s: refuses an empty input with the names of what is missing', (name) => {
    const out = runDesk(DESKS[name], '{}', name);
    expect(out).toMatchObject({ code: 2, stdout: '' });
    expect(out.stderr).toMatch(/ is missing\./);
  });

  it('prints examples and schemas', () => {
    expect(JSON.parse(run(['night', '--example']).stdout)).toMatchObject({ date: '2026-11-25' });
    expect(JSON.parse(run(['stack', '--schema']).stdout)).toMatchObject({
      title: 'Focus stack',
      required: expect.arrayContaining(['subject']) as string[],
    });
    expect(run(['--help']).stderr).toMatch(/ladder +the crop modes/);
    expect(deskOf('__proto__')).toBeUndefined();
  });

  it('gives as many outputs as it gets inputs, in the same form, and names those that cannot be read', () => {
    const one = JSON.parse(example('far')) as object;
    const listed = runDesk(
      DESKS.far,
      JSON.stringify([
        { ...one, distanceM: 60 },
        { ...one, distanceM: -1 },
        { ...one, distanceM: 120 },
      ]),
      'list',
    );
    expect(listed.code).toBe(2);
    expect(listed.stderr).toMatch(/distanceM: Distance in m must be at least 0.01/);
    const outputs = JSON.parse(listed.stdout) as {
      reading?: { distanceM: { value: number } };
      problem?: { code: string };
    }[];
    expect(outputs.map((each) => each.reading?.distanceM.value ?? each.problem?.code)).toEqual([60, 'input', 120]);
    const lines = runDesk(
      DESKS.far,
      [60, 80].map((distanceM) => JSON.stringify({ ...one, distanceM })).join('\r\n'),
      'lines',
    );
    expect(lines.stdout.split('\n').map((line) => at(JSON.parse(line), 'reading.distanceM.value'))).toEqual([60, 80]);
    const broken = runDesk(DESKS.far, `${JSON.stringify(one)}\n{"body": \n${JSON.stringify(one)}`, 'lines');
    expect(broken.stderr).toMatch(/line 2, is not valid JSON/);
    expect(broken.stdout.split('\n')).toHaveLength(3);
  });

  it('takes a byte-order mark, and leaves out what has no limit', () => {
    const out = run(
      ['far', '-'],
      `\uFEFF${JSON.stringify({ ...demo(), subject: { ...(demo().subject as object), speedMPerS: 0 } })}`,
    );
    expect(out.status).toBe(0);
    expect(at(JSON.parse(out.stdout), 'more.longestShutter100S')).toBeUndefined();
    expect(out.stdout).not.toMatch(/: null|Infinity/);
  });

  it('refuses what cannot be: a zoom with its ends swapped, tubes the set does not have, the wrong kind of thing', () => {
    const far = demo();
    const swapped = runDesk(
      DESKS.far,
      JSON.stringify({ ...far, chain: [{ ...(far.chain as object[])[0], focalWideMm: 600, focalTeleMm: 200 }] }),
      'x',
    );
    expect(swapped).toMatchObject({
      code: 2,
      stderr: expect.stringMatching(/chain\.0\.focalTeleMm: Longest focal length in mm must not be less/) as string,
    });
    const near = JSON.parse(example('near')) as { chain: object[] };
    const tubes = runDesk(
      DESKS.near,
      JSON.stringify({
        ...near,
        chain: near.chain.map((part) => ('usedMm' in part ? { ...part, usedMm: [20, 99] } : part)),
      }),
      'x',
    );
    expect(tubes.stderr).toMatch(/the set has no 99 mm/);
    expect(runDesk(DESKS.far, JSON.stringify({ ...far, subject: 'Curlew' }), 'x').stderr).toMatch(
      /Subject must be an object/,
    );
    expect(runDesk(DESKS.far, '[]', 'x')).toEqual({ stdout: '[]', stderr: '', code: 0 });
    expect(runDesk(DESKS.far, '7', 'x').stderr).toMatch(/must be an object/);
  });

  it('follows the choices: school, background, threshold, convention, units', () => {
    const far = (change: object) => read('far', change);
    // 36 × 24 mm: 43.267/1500 mm against two pixels of 36/8256 mm.
    expect(at(far({ cocSchool: 'diagonal' }), 'more.cocMm.value')).toBeCloseTo(Math.hypot(36, 24) / 1500, 12);
    expect(at(far({ cocSchool: 'pixel' }), 'more.cocMm.value')).toBeCloseTo(72 / 8256, 12);
    expect(at(far({ threshold: 0.1 }), 'reading.resolvedPixels.value')).toBeGreaterThan(
      at(far({ threshold: 0.2 }), 'reading.resolvedPixels.value'),
    );
    expect(at(far({ background: { kind: 'distance', distanceM: 100 } }), 'more.backgroundM.value')).toBe(100);
    expect(far({ background: { kind: 'sky' } }).more).not.toHaveProperty('backgroundM');
    expect(at(far({ cropConvention: 'height' }), 'system.cropFactor.value')).toBe(1);
    expect(at(far({ distanceM: 2, units: 'imperial' }), 'problem.message')).toMatch(/from 13\.8.ft on/);
    expect(at(far({ judgeBy: 'sampled' }), 'reading.countedPixels.value')).toBe(
      at(far({}), 'reading.pixelsOnSubject.value'),
    );
  });

  it('agrees with itself: the same quantity on every reading', () => {
    const far = read('far');
    const counted = at(far, 'reading.countedPixels.value') as number;
    const [whole] = (read('ladder') as unknown as { rungs: { reading: { countedPixels: { value: number } } }[] }).rungs;
    expect(whole!.reading.countedPixels.value).toBeCloseTo(counted, 9);
    const [first] = (
      read('beside', { stance: 'sameSpot' }) as unknown as {
        compared: { reading: { countedPixels: { value: number } } }[];
      }
    ).compared;
    expect(first!.reading.countedPixels.value).toBeCloseTo(counted, 9);
    const curve = read('planner', { fromM: 60, toM: 120, points: 2 }) as unknown as {
      curves: { points: { countedPixels: number }[]; enoughUpToM: number }[];
      neededPixels: number;
    };
    expect(curve.curves[0]!.points[0]!.countedPixels / counted).toBeCloseTo(1, 4);
    expect(at(far, 'reading.neededPixels.value')).toBe(curve.neededPixels);
    const there = read('far', { distanceM: curve.curves[0]!.enoughUpToM });
    expect((at(there, 'reading.countedPixels.value') as number) / curve.neededPixels).toBeCloseTo(1, 6);
    const near = read('near');
    const depth = at(near, 'reading.depthMm.value') as number;
    expect(at(read('stack'), 'depthMm.value')).toBeCloseTo(depth, 12);
    const sensors = read('sensors', { stance: 'sameRatio' }) as unknown as { pictures: { depthMm: number }[] };
    expect(sensors.pictures[0]!.depthMm).toBeCloseTo(depth, 12);
    const points = (read('aperture') as unknown as { points: { fNumber: number; depthMm: number }[] }).points;
    expect(points.find((each) => each.fNumber === 8)!.depthMm).toBeCloseTo(depth, 12);
  });

  it('levers, routes, plans and the sky give what their own arithmetic says', () => {
    const levers = (read('levers') as unknown as { levers: { id: string; stops: number; pixelsRatio: number }[] })
      .levers;
    expect(levers.find((each) => each.id.includes('×1.4'))!.stops).toBeCloseTo(-2 * Math.log2(1.4), 9);
    expect(levers.find((each) => each.id.includes('×2'))!.pixelsRatio).toBeCloseTo(2, 9);
    const routes = read('routes') as unknown as { routes: { weightG?: number; counted: number }[] };
    const weights = routes.routes.map((each) => each.weightG ?? Infinity);
    expect([...weights].sort((a, b) => a - b)).toEqual(weights);
    for (const route of routes.routes) expect(route.counted).toBeGreaterThanOrEqual(800);
    const plan = read('ratioPlan') as unknown as { routes: { lowest: number; highest: number; ratio: number }[] };
    for (const { lowest, highest } of plan.routes) expect(lowest <= 2.2 * 1.02 && highest >= 2.2 * 0.98).toBe(true);
    // 15° of 15.0411″ a second, in exposures of 30 s with gaps of 1 s.
    expect(at(read('strokes'), 'frames')).toBe(Math.ceil((15 * 3600) / 15.0411 / 31 + 1 / 31));
    // 7680 of 8256 columns sampled, 3840 recorded: zoom is free to 2.
    const [uhd] = (
      read('video') as unknown as {
        modes: {
          freeZoom: number;
          equivalentTeleMm: number;
          steps: { zoom: number; realShare: number; realAreaShare: number }[];
        }[];
      }
    ).modes;
    expect(uhd!.freeZoom).toBe(2);
    expect(uhd!.equivalentTeleMm).toBeCloseTo((600 * 8256) / 7680, 9);
    for (const step of uhd!.steps) expect(step.realAreaShare).toBeCloseTo(step.realShare ** 2, 12);
    expect(at(read('deep'), 'object.id')).toBe('M 31');
    expect(
      runDesk(DESKS.deep, JSON.stringify({ ...(JSON.parse(example('deep')) as object), object: 'M 999' }), 'x').stderr,
    ).toMatch(/not in the catalogue/);
    const night = read('night', { latitudeDeg: 52, longitudeDeg: 0, date: '2026-08-01' }) as unknown as {
      dark: { hours: number };
    };
    expect(night.dark.hours).toBeGreaterThan(1);
    expect(read('night', { latitudeDeg: 85, date: '2026-12-21' })).toMatchObject({
      dark: { throughout: true },
      sunset: null,
    });
    expect(
      runDesk(DESKS.night, JSON.stringify({ latitudeDeg: 0, longitudeDeg: 0, date: '2026-02-30' }), 'x').stderr,
    ).toMatch(/There is no 2026-02-30/);
    const near = read('nearLevers') as unknown as { levers: { kind: string; name: string; ratioAfter: number }[] };
    // +5 dpt before the macro lens at life size with 20 mm of tubes: (150 + 20)·(1/75 + 5/1000) − 1.
    expect(near.levers.find((each) => each.name.includes('+5'))!.ratioAfter).toBeCloseTo(170 * (1 / 75 + 0.005) - 1, 9);
    const test = read('fairTest') as unknown as { card: string; points: unknown[] };
    expect(test.card.match(/- \[ \]/g)).toHaveLength(test.points.length);
  });
});
