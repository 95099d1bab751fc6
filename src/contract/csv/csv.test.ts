import Papa from 'papaparse';
import fc from 'fast-check';
import { demoAdapters, demoBodies, demoOptics } from '@/demo/kit';
import { validateResource } from '../validate';
import { readCsv } from './readCsv';
import { writeCsv } from './writeCsv';

const read = (text: string) => {
  const reading = readCsv(text);
  if (!reading.ok) throw new Error(JSON.stringify(reading.errors));
  return reading.value;
};
const errors = (text: string) => {
  const reading = readCsv(text);
  return reading.ok ? [] : reading.errors;
};
const rowsOf = <T extends { id: string; data: unknown }>(rows: Record<string, T>) => Object.values(rows);

describe('round trip', () => {
  it('gives back every optic and adapter of the demo as it was', () => {
    for (const [resource, rows] of [
      ['optics', rowsOf(demoOptics)],
      ['adapters', rowsOf(demoAdapters)],
    ] as const) {
      const back = read(writeCsv(resource, rows as never));
      expect(back.resource).toBe(resource);
      expect(back.rows.map((row) => row.id)).toEqual(rows.map((row) => row.id));
      expect(back.rows.map((row) => row.data)).toEqual(rows.map((row) => row.data));
    }
  });

  it('gives back bodies but for their modes and noise, which do not fit into a line', () => {
    const back = read(writeCsv('bodies', rowsOf(demoBodies)));
    for (const [i, row] of rowsOf(demoBodies).entries()) {
      const { videoModes: _video, readoutWindows: _windows, light: _light, ...rest } = row.data;
      expect(back.rows[i]!.data).toEqual({ ...rest, cropModes: [] });
    }
  });

  it.each(['=1+1', '+cmd', '-2+3', '@SUM(A1)', '\t=1', '\r=1', "'=1", "'quoted", "it's"])(
    'goes out so that no spreadsheet runs it, and comes back: %j',
    (name) => {
      const data = {
        kind: 'lens',
        name,
        focalWideMm: 50,
        focalTeleMm: 50,
        fNumberWide: 2,
        fNumberTele: 2,
        detailClass: 'good',
        autofocus: true,
        note: name,
      } as const;
      const written = writeCsv('optics', [{ id: '00000000-0000-4000-8000-000000000001', data }]);
      for (const cell of Papa.parse<string[]>(written).data[1] ?? [])
        expect(cell).not.toMatch(/^[=+@\t\r]|^-\D|^-\d+\D/);
      expect(read(written).rows[0]!.data).toEqual(data);
    },
  );

  it('holds for any name, number and note a person may enter', () => {
    const text = fc
      .oneof(
        fc.string({ minLength: 1, maxLength: 60 }),
        fc.tuple(fc.constantFrom('=', '+', '-', '@', "'"), fc.string({ maxLength: 20 })).map((parts) => parts.join('')),
      )
      .filter((name) => name.trim() !== '' && name === name.trim() && !name.includes('\r'));
    fc.assert(
      fc.property(
        text,
        text,
        fc.double({ min: 1, max: 20000, noNaN: true }),
        fc.double({ min: 0.5, max: 128, noNaN: true }),
        fc.boolean(),
        (name, noteText, focal, fNumber, autofocus) => {
          const data = {
            kind: 'lens',
            name,
            focalWideMm: focal,
            focalTeleMm: focal,
            fNumberWide: fNumber,
            fNumberTele: fNumber,
            detailClass: 'good',
            autofocus,
            note: noteText,
          } as const;
          fc.pre(validateResource('optics', data).ok);
          expect(
            read(writeCsv('optics', [{ id: '00000000-0000-4000-8000-000000000001', data }])).rows[0]!.data,
          ).toEqual(data);
        },
      ),
    );
  });
});

describe('what people write', () => {
  it('is read with semicolons and decimal commas, and with points', () => {
    const german =
      'kind;name;focalWideMm;fNumberWide;autofocus\nlens;Quillon 50;50;1,8;ja\nlens;Quillon 85;85;1,4;yes\n';
    expect(errors(german)).toEqual([
      { line: 2, column: 'autofocus', message: 'Autofocus: “ja” is neither yes nor no.' },
    ]);
    expect(read(german.replace('ja', 'no')).rows.map((row) => row.data)).toMatchObject([
      { fNumberWide: 1.8, fNumberTele: 1.8, focalTeleMm: 50, autofocus: false },
      { fNumberWide: 1.4 },
    ]);
  });

  it('needs no more than what matters: a body is a name, a size and its pixels', () => {
    expect(
      read('name,sensor.widthMm,sensor.heightMm,sensor.columns,sensor.rows\nPlain,36,24,6000,4000\n').rows,
    ).toEqual([
      {
        id: null,
        data: {
          name: 'Plain',
          sensor: { widthMm: 36, heightMm: 24, columns: 6000, rows: 4000 },
          antiAliasFilter: 'none',
          cropModes: [],
        },
      },
    ]);
  });

  it('may have empty lines, a byte order mark, and quoted cells over several lines', () => {
    const text = '\uFEFFkind,name,dioptres,note\n\ncloseUp,"Three, coated",3,"first\nsecond"\n\ncloseUp,Five,x,\n';
    expect(errors(text)).toEqual([
      { line: 6, column: 'dioptres', message: expect.stringMatching(/^Dioptres: .*“x” is not a number/) as string },
    ]);
  });
});

describe('what is wrong', () => {
  it.each([
    ['an empty file', '', /empty/],
    ['a header alone', 'kind,name\n', /neither those of bodies/],
    ['strange columns', 'foo,bar\n1,2\n', /neither those of bodies/],
    ['one strange column', 'kind,name,colour,dioptres\ncloseUp,A,red,3\n', /Unknown column “colour”/],
    ['a column twice', 'kind,name,name,dioptres\ncloseUp,A,B,3\n', /“name” stands twice/],
    ['a comma too many', 'kind,name,dioptres\ncloseUp,Three, coated,3\n', /4 cells, the header 3/],
    ['an id that is none', 'id,kind,name,dioptres\nabc,closeUp,A,3\n', /must be a UUID/],
    ['a quote left open', 'kind,name,dioptres\ncloseUp,"A,3\n', /quote/],
    ['an unknown kind among known ones', 'kind,name,dioptres\ncloseUp,A,3\nrocket,B,3\n', /kind/],
  ])('is named: %s', (_, text, pattern) => {
    expect(errors(text)[0]!.message).toMatch(pattern);
  });

  it('is named with its line and its column, for every line, and nothing is half taken', () => {
    const text = 'kind,name,factor\nconverter,A,1.4\nconverter,,2\nconverter,C,minus\nconverter,D,99\n';
    expect(errors(text).map(({ line, column }) => [line, column])).toEqual([
      [3, 'name'],
      [4, 'factor'],
      [5, 'factor'],
    ]);
  });

  it('is an id that stands twice', () => {
    const id = '00000000-0000-4000-8000-000000000001';
    expect(errors(`id,kind,name,dioptres\n${id},closeUp,A,3\n${id},closeUp,B,3\n`)).toEqual([
      { line: 3, column: 'id', message: 'The same id stands in line 2.' },
    ]);
  });
});

it('tells its progress over a long file', () => {
  const steps: number[] = [];
  const long = `kind,name,dioptres\n${Array.from({ length: 1200 }, (_, i) => `closeUp,Lens ${i},3`).join('\n')}\n`;
  const reading = readCsv(long, (done, total) => {
    expect(total).toBe(1200);
    steps.push(done);
  });
  expect(reading.ok && reading.value.rows).toHaveLength(1200);
  expect(steps).toEqual([0, 250, 500, 750, 1000, 1200]);
});
