import { demoRows } from '@/demo/rows';
import type { AdapterPart, OpticPart } from '@/core/chain/parts';
import type { AntiAliasFilter } from '@/core/sensor/antiAlias';
import type { BodySpec } from '@/core/kit/body';
import type { SubjectSpec } from '@/core/kit/subjects';
import type { OutputSpec } from '@/core/output/needs';
import type { Adapter } from './schemas/adapter';
import type { Body } from './schemas/body';
import type { Optic } from './schemas/optic';
import type { Output } from './schemas/output';
import type { Subject } from './schemas/subject';
import { summary } from './fieldErrors';
import { validateFarInput, validateResource } from './validate';

// The types derived from the schemas must be what the core takes; these lines fail the type check otherwise.
type Assignable<A, B> = [A] extends [B] ? true : never;
const sameShapes: [
  Assignable<Body, BodySpec>,
  Assignable<Optic, OpticPart>,
  Assignable<Adapter, AdapterPart>,
  Assignable<Subject, SubjectSpec>,
  Assignable<Output, OutputSpec>,
] = [true, true, true, true, true];
const filter: AntiAliasFilter = 'none' satisfies Body['antiAliasFilter'];

const body = (): Record<string, unknown> => ({
  name: 'Body',
  sensor: { widthMm: 36, heightMm: 24, columns: 6000, rows: 4000 },
  antiAliasFilter: filter,
  cropModes: [],
});
const messages = (data: unknown): { path: string; message: string }[] => {
  const result = validateResource('bodies', data);
  return result.ok ? [] : result.errors;
};

describe('the contract', () => {
  it('has the shapes the core takes', () => {
    expect(sameShapes).toHaveLength(5);
  });

  it('accepts all of the demo', () => {
    for (const { resource, rows } of demoRows()) {
      for (const row of rows) {
        const result = validateResource(resource, row.data);
        expect(result.ok ? [] : result.errors).toEqual([]);
      }
    }
  });

  it('checks what a kept reading was worked out from by its desk', () => {
    const [far, near] = ['far', 'near'].map((desk) =>
      demoRows()
        .find((each) => each.resource === 'readings')!
        .rows.map((row) => row.data as unknown as Record<string, unknown>)
        .find((data) => data.desk === desk)!,
    ) as [Record<string, unknown>, Record<string, unknown>];
    const problems = (data: unknown) => {
      const result = validateResource('readings', data);
      return result.ok ? [] : result.errors.map((error) => `${error.path}: ${error.message}`);
    };
    expect(problems({ ...near, input: far.input }).join()).toMatch(/“distanceM” is not a field of this/);
    expect(problems({ ...far, input: near.input }).join()).toMatch(/input.distanceM: Distance in m is missing/);
    expect(problems({ ...far, desk: 'attic' }).join()).toMatch(/The field “desk” is missing or not known/);
  });

  it.each([
    [{ widthMm: 0 }, 'sensor.widthMm', /Sensor width in mm must be at least 0.5/],
    [{ widthMm: -36 }, 'sensor.widthMm', /at least/],
    [{ columns: 1e9 }, 'sensor.columns', /at most 100000/],
    [{ columns: 6000.5 }, 'sensor.columns', /whole number/],
    [{ widthMm: '36' }, 'sensor.widthMm', /must be a number/],
  ])('refuses a sensor with %j and names the field', (change, path, message) => {
    const found = messages({ ...body(), sensor: { widthMm: 36, heightMm: 24, columns: 6000, rows: 4000, ...change } });
    expect(found).toHaveLength(1);
    expect(found[0]).toMatchObject({ path, message: expect.stringMatching(message) as string });
  });

  it('names what is missing, empty, unknown or not one of the choices', () => {
    expect(messages({ ...body(), name: undefined })[0]).toEqual({ path: 'name', message: 'Name is missing.' });
    expect(messages({ ...body(), name: '  ' })[0]?.message).toBe('Name must not be empty.');
    expect(messages({ ...body(), colour: 'red' })[0]?.message).toMatch(/“colour” is not a field/);
    expect(messages({ ...body(), antiAliasFilter: 'some' })[0]?.message).toMatch(/one of: none, weak, standard/);
    expect(messages({ ...body(), cropModes: [{ id: 'a', name: 'A', factor: 0.5 }] })[0]).toMatchObject({
      path: 'cropModes.0.factor',
      message: 'Crop factor of the mode (entry 1) must be at least 1.',
    });
    expect(messages('text')[0]?.message).toMatch(/must be a object|must be an? object/);
    expect(summary([])).toBe('Not valid.');
  });

  it('refuses an absurd focal length and a zoom with its ends swapped', () => {
    const lens = {
      kind: 'lens',
      name: 'L',
      focalWideMm: 400,
      focalTeleMm: 100,
      fNumberWide: 4,
      fNumberTele: 4,
      detailClass: 'good',
      autofocus: true,
    };
    expect(validateResource('optics', lens)).toMatchObject({ ok: false, errors: [{ path: 'focalTeleMm' }] });
    expect(validateResource('optics', { ...lens, focalTeleMm: 1e9 })).toMatchObject({
      ok: false,
      errors: [{ path: 'focalTeleMm', message: expect.stringContaining('at most 20000') as string }],
    });
  });

  it('tells the kinds of output apart', () => {
    expect(validateResource('outputs', { kind: 'screen', name: 'S', longSidePx: 1000, subjectShare: 0.5 }).ok).toBe(
      true,
    );
    expect(validateResource('outputs', { kind: 'hologram', name: 'S' })).toMatchObject({
      ok: false,
      errors: [{ message: expect.stringContaining('kind') as string }],
    });
    expect(validateResource('outputs', { kind: 'screen', name: 'S', longSidePx: 1000, subjectShare: 2 })).toMatchObject(
      {
        ok: false,
        errors: [{ path: 'subjectShare', message: expect.stringContaining('Share of the long side') as string }],
      },
    );
  });

  it('names fields inside what a reading refers to', () => {
    const result = validateFarInput({
      body: { ...body(), sensor: { widthMm: 0, heightMm: 24, columns: 1, rows: 1 } },
      modeId: 'whole',
      chain: [],
      subject: {},
      distanceM: 0,
      output: { kind: 'screen' },
    });
    const paths = result.ok ? [] : result.errors.map((error) => error.path);
    expect(paths).toEqual(
      expect.arrayContaining(['body.sensor.widthMm', 'chain', 'distanceM', 'subject.name', 'output.longSidePx']),
    );
  });
});
