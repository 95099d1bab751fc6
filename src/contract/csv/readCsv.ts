import Papa from 'papaparse';
import type { ResourceTypes } from '../resources';
import { csvHeader, csvResourceOf, type CsvResource } from './columns';
import { csvLine } from './lines';

export interface CsvError {
  /** Line of the file, the header being line 1. */
  line: number;
  column: string;
  message: string;
}

export interface CsvRows {
  resource: CsvResource;
  rows: { id: string | null; data: ResourceTypes[CsvResource] }[];
}

export type CsvReading = { ok: true; value: CsvRows } | { ok: false; errors: CsvError[]; total: number };

/** More are counted, not told: whoever has a hundred wrong lines has one wrong column. */
const MOST_ERRORS = 100;
const PROGRESS_EVERY = 250;

interface Line {
  number: number;
  cells: string[];
}

/** The delimiter the header is written with: names of columns hold none, cells may hold any. */
function delimiterOf(text: string): string {
  const header = text.split('\n').find((line) => line.trim() !== '') ?? '';
  const counts = [',', ';', '\t', '|'].map((sign) => ({ sign, count: header.split(sign).length }));
  return counts.reduce((a, b) => (b.count > a.count ? b : a)).sign;
}

/** The lines that hold something, with their numbers in the file: a quoted cell may run over several. */
function linesOf(text: string): { lines: Line[]; broken: CsvError[] } {
  const lines: Line[] = [];
  const broken: CsvError[] = [];
  let number = 1;
  let from = 0;
  Papa.parse<string[]>(text, {
    delimiter: delimiterOf(text),
    step: ({ data, errors, meta }) => {
      const start = number;
      for (let i = from; i < meta.cursor; i++) if (text.charCodeAt(i) === 10) number += 1;
      from = meta.cursor;
      const fault = errors.find((error) => error.type === 'Quotes');
      if (fault)
        broken.push({
          line: start,
          column: '',
          message: 'A quote is opened and not closed, or stands in the middle of a cell.',
        });
      else if (data.some((cell) => cell.trim() !== '')) lines.push({ number: start, cells: data });
    },
  });
  return { lines, broken };
}

const wrong = (line: number, column: string, message: string): CsvReading => ({
  ok: false,
  errors: [{ line, column, message }],
  total: 1,
});

function headerError(header: string[], resource: CsvResource): string | null {
  const known = new Set(csvHeader(resource));
  const strange = header.filter((name) => name !== '' && !known.has(name));
  if (strange.length)
    return `Unknown column${strange.length > 1 ? 's' : ''} ${strange.map((name) => `“${name}”`).join(', ')}. Take the names of the template.`;
  const twice = header.find((name, i) => name !== '' && header.indexOf(name) !== i);
  return twice === undefined ? null : `The column “${twice}” stands twice.`;
}

/**
 * Reads a CSV of bodies, optics or adapters. Nothing of it is taken unless all of it can be.
 *
 * @param onProgress told from time to time how many lines of how many are done
 */
export function readCsv(text: string, onProgress: (done: number, total: number) => void = () => undefined): CsvReading {
  const { lines, broken } = linesOf(text.replace(/^\uFEFF/, ''));
  if (broken.length) return { ok: false, errors: broken.slice(0, MOST_ERRORS), total: broken.length };
  const [first, ...rest] = lines;
  if (!first) return wrong(1, '', 'The file is empty. Start from the template.');
  const header = first.cells.map((name) => name.trim());
  const kindAt = header.indexOf('kind');
  const resource = csvResourceOf(header, kindAt < 0 ? [] : rest.map((line) => line.cells[kindAt]?.trim() ?? ''));
  if (!resource)
    return wrong(
      first.number,
      '',
      'These columns are neither those of bodies, optics nor adapters. Start from the template.',
    );
  const fault = headerError(header, resource);
  if (fault) return wrong(first.number, '', fault);
  if (!rest.length) return wrong(first.number, '', 'There is a header and nothing below it.');
  const errors: CsvError[] = [];
  const rows: CsvRows['rows'] = [];
  const lineOfId = new Map<string, number>();
  for (const [i, { number, cells }] of rest.entries()) {
    if (i % PROGRESS_EVERY === 0) onProgress(i, rest.length);
    if (cells.length > header.length && cells.slice(header.length).some((cell) => cell.trim() !== '')) {
      errors.push({
        line: number,
        column: '',
        message: `This line has ${cells.length} cells, the header ${header.length}. A comma inside a text needs quotes around it.`,
      });
      continue;
    }
    const line = csvLine(resource, Object.fromEntries(header.map((name, j) => [name, cells[j] ?? ''])));
    if (!line.ok) {
      errors.push(...line.errors.map((error) => ({ line: number, ...error })));
      continue;
    }
    if (line.id !== null) {
      const before = lineOfId.get(line.id);
      if (before !== undefined)
        errors.push({ line: number, column: 'id', message: `The same id stands in line ${before}.` });
      lineOfId.set(line.id, number);
    }
    rows.push({ id: line.id, data: line.data });
  }
  onProgress(rest.length, rest.length);
  return errors.length
    ? { ok: false, errors: errors.slice(0, MOST_ERRORS), total: errors.length }
    : { ok: true, value: { resource, rows } };
}
