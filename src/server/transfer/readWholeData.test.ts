import { HttpProblem } from '../problems';
import { readWholeData } from './readWholeData';

type Row = [string, unknown, number];

/** Reads a text in pieces of so many bytes. */
function read(text: string, size: number): { head: Record<string, unknown>; rows: Row[] } {
  const rows: Row[] = [];
  const reader = readWholeData((name, row, i) => rows.push([name, row, i]));
  const bytes = Buffer.from(text);
  for (let at = 0; at < bytes.length; at += size) reader.write(bytes.subarray(at, at + size));
  return { head: reader.end(), rows };
}

const problemOf = (text: string): HttpProblem => {
  try {
    read(text, 7);
  } catch (error) {
    if (error instanceof HttpProblem) return error;
    throw error;
  }
  throw new Error('it was read');
};

const rows = {
  bodies: [
    { id: 'a', data: { name: 'É {"[' } },
    { id: 'b', data: { list: [1, [2], { deep: null }] } },
  ],
  readings: [{ id: 'c', data: {} }],
  subjects: [],
};
const text = JSON.stringify({ format: 'jauge', rows, formatVersion: 1, existing: 'replace' });

it.each([1, 2, 3, 5, 64, 100_000])(
  'hands over every row and keeps what the file says about itself, read %i bytes at a time',
  (size) => {
    expect(read(text, size)).toEqual({
      head: { format: 'jauge', formatVersion: 1, existing: 'replace', rows: {} },
      rows: [
        ['bodies', rows.bodies[0], 0],
        ['bodies', rows.bodies[1], 1],
        ['readings', rows.readings[0], 0],
      ],
    });
  },
);

it('takes a byte-order mark and white space', () => {
  expect(read(`\ufeff  ${text}\n\n `, 3).rows).toHaveLength(3);
});

it.each([
  ['not an object', '[1]', 'import.invalid', ''],
  ['a bare number', '7', 'import.invalid', ''],
  ['rows as a list', '{"rows":[]}', 'import.invalid', 'rows'],
  ['a kind that is none', '{"rows":{"__proto__":[]}}', 'import.invalid', 'rows.__proto__'],
  ['a kind that is no list', '{"rows":{"bodies":{"0":{}}}}', 'import.invalid', 'rows.bodies'],
  ['a row that is no object', '{"rows":{"bodies":[[]]}}', 'import.invalid', 'rows.bodies'],
  ['a row that is null', '{"rows":{"bodies":[null]}}', 'import.invalid', 'rows.bodies'],
  ['a field with something in it', '{"existing":{"a":1}}', 'import.invalid', 'existing'],
  ['another field', '{"format":"jauge","extra":1}', 'import.invalid', 'extra'],
  ['half a file', '{"format":"jauge","rows":{"bodies":[{"id":"a"', 'json.malformed', undefined],
  ['nothing', '', 'json.malformed', undefined],
  ['no JSON', '{format:1}', 'json.malformed', undefined],
  ['two files', '{"format":"jauge"}{"format":"jauge"}', 'json.malformed', undefined],
])('refuses %s', (_, sent, code, path) => {
  const problem = problemOf(sent);
  expect(problem.code).toBe(code);
  expect(problem.status).toBeGreaterThanOrEqual(400);
  expect(problem.extra.errors?.[0]?.path).toBe(path);
});

it('does not keep a row that never ends', () => {
  const reader = readWholeData(() => undefined);
  reader.write(Buffer.from('{"rows":{"bodies":[{"id":"'));
  const piece = Buffer.alloc(65_536, 'x');
  expect(() => {
    for (let i = 0; i < 100; i++) reader.write(piece);
  }).toThrow('larger than 2 MB');
});

it('does not read blanks for ever', () => {
  const reader = readWholeData(() => undefined);
  reader.write(Buffer.from('{"rows":{"bodies":['));
  const piece = Buffer.alloc(65_536, ' ');
  expect(() => {
    for (let i = 0; i < 100; i++) reader.write(piece);
  }).toThrow('larger than 2 MB');
});
