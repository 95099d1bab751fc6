import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import { readFarInput } from './readFarInput';
import { validateFarInput } from '@/contract/validate';

const run = (args: string[], input?: string) => spawnSync(process.execPath, ['scripts/jauge.mjs', ...args], { encoding: 'utf8', ...(input === undefined ? {} : { input }) });

const demo = () => JSON.parse(fs.readFileSync('demo.json', 'utf8')) as Record<string, unknown>;

it('prints the reading of a file as JSON, with units, kinds and reasons', () => {
  const result = run(['far', 'demo.json']);
  expect(result.status).toBe(0);
  const output = JSON.parse(result.stdout) as { reading: Record<string, { value: number; unit: string; kind: string; why: { formula: string } }> };
  // 600 mm on 36 mm with 8256 columns, 550 mm at 60 m: 1000·m·L/p with m = 0.0102051 from the thin lens.
  expect(output.reading.pixelsOnSubject).toMatchObject({ unit: 'px', kind: 'computed' });
  const u = (60_000 + Math.sqrt(60_000 ** 2 - 4 * 600 * 60_000)) / 2;
  expect(output.reading.pixelsOnSubject?.value).toBeCloseTo(((1000 * (60_000 - u)) / u) * 550 / ((1000 * 36) / 8256), 6);
  expect(output.reading.pixelsOnSubject?.why.formula).toBe('1000 · m · L / p');
  expect(JSON.parse(result.stdout)).toMatchObject({ more: { depthM: { unit: 'm' }, longestShutter100S: { unit: 's' } }, cropAdvice: expect.stringMatching(/^Crop in the camera with “Crop 1.5”/) as string });
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
  [['moon', 'demo.json'], undefined, 2, /Unknown desk/],
  [['near', '-'], '{}', 2, /Body is missing/],
  [[], undefined, 2, /Usage/],
])('%j with %j ends with %i', (args, input, status, message) => {
  const result = run(args, input);
  expect(result.status).toBe(status);
  expect(result.stderr).toMatch(message);
});

it('folds a chain as the builder does: system, steps, checks, modes', () => {
  const result = run(['kit', 'demo-kit.json']);
  expect(result.stderr).toBe('');
  const output = JSON.parse(result.stdout) as { steps: { name: string }[]; checks: { code: string }[]; modes: { megapixels: { value: number } }[]; system: { ratioAtClosest: { value: number } } };
  expect(output.steps.map((step) => step.name)).toEqual(['Ostrel 100 f/2.8 macro', 'Ostrel tube set']);
  // f' = 300/(2 + 1 + 1) = 75 mm at closest focus; a 20 mm tube adds 20/75.
  expect(output.system.ratioAtClosest.value).toBeCloseTo(1 + 20 / 75, 9);
  expect(output.checks.map((check) => check.code)).toContain('focus.noInfinity');
  expect(output.modes).toHaveLength(4);
});

it('refuses a chain that forms no picture with its reason', () => {
  const kit = JSON.parse(fs.readFileSync('demo-kit.json', 'utf8')) as { chain: unknown[] };
  const result = run(['kit', '-'], JSON.stringify({ ...kit, chain: [...kit.chain].reverse() }));
  expect(result.status).toBe(1);
  expect(result.stderr).toMatch(/chain.order: Ostrel tube set sits between lens and body/);
});

it('says why there is no reading', () => {
  const checked = validateFarInput({ ...demo(), distanceM: 1 });
  if (!checked.ok) throw new Error('valid input expected');
  expect(readFarInput(checked.value)).toMatchObject({ ok: false, problem: { code: 'distance.tooNear' } });
});

it('reads close up as the Near desk does, and a measured ratio replaces the estimate', () => {
  const input = JSON.parse(fs.readFileSync('demo-near.json', 'utf8')) as Record<string, unknown>;
  const plain = run(['near', 'demo-near.json']);
  expect(plain.status).toBe(0);
  // The 100 mm macro lens at life size has f′ 75 mm; 20 mm of tubes add 20/75.
  expect(JSON.parse(plain.stdout)).toMatchObject({ desk: 'near', reading: { ratio: { value: expect.closeTo(1 + 20 / 75, 9) as number, kind: 'computed' }, fieldWidthMm: { unit: 'mm' } } });
  const measured = run(['near', '-'], JSON.stringify({ ...input, measured: [{ at: 'closest', ratio: 1.31, plusMinus: 0.02 }] }));
  expect(JSON.parse(measured.stdout)).toMatchObject({ reading: { ratio: { value: 1.31, kind: 'measured', plusMinus: 0.02 } } });
});

it('reads stars and planets as their desks do', () => {
  const stars = run(['stars', 'demo-stars.json']);
  expect(stars.status).toBe(0);
  const { reading } = JSON.parse(stars.stdout) as { reading: { limitS: { value: number }; rules: { rule: string; seconds: number; worstPx: number }[]; cornerTolerancePx: { value: number } } };
  // 1.5 of the web page's 1600 px are 1.5 · 8256/1600 px of the sensor; the whole frame keeps to it.
  expect(reading.cornerTolerancePx.value).toBeCloseTo((1.5 * 8256) / 1600, 9);
  expect(reading.rules.find((rule) => rule.rule === 'worst')!.worstPx).toBeCloseTo(reading.cornerTolerancePx.value, 4);
  expect(reading.rules.find((rule) => rule.rule === 'c500')!.seconds).toBeCloseTo(25, 9);
  const planet = run(['planet', 'demo-planet.json']);
  // 44″ · 1800 mm / (206.265 · 2.9018 µm)
  expect(JSON.parse(planet.stdout)).toMatchObject({ reading: { discPx: { value: expect.closeTo((44 * 1800) / (206.265 * (7800 / 2688)), 6) as number } }, capture: { columns: 320, rows: 240, limit: 'exposure' } });
  const wrong = run(['planet', '-'], JSON.stringify({ ...(JSON.parse(fs.readFileSync('demo-planet.json', 'utf8')) as object), planet: 'Moon' }));
  expect(wrong.status).toBe(2);
  expect(wrong.stderr).toMatch(/Planet must be one of/);
});
