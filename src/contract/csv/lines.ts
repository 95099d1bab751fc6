import { asWritten } from '@/core/formats/harmless';
import { parseDecimal } from '@/core/quantity/parseNumber';
import type { ResourceTypes } from '../resources';
import { validateResource } from '../validate';
import { CSV_COLUMNS, type CsvColumn, type CsvResource } from './columns';

/** What is wrong with a cell; `column` is its header, empty where the line as a whole is meant. */
export interface CellError {
  column: string;
  message: string;
}

export type CsvLine<N extends CsvResource> =
  { ok: true; id: string | null; data: ResourceTypes[N] } | { ok: false; errors: CellError[] };

const YES = new Set(['yes', 'y', 'true', '1', 'x']);
const NO = new Set(['no', 'n', 'false', '0', '-']);
const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;

/** What a line need not say. */
const DEFAULTS: Record<CsvResource, (data: Record<string, unknown>) => Record<string, unknown>> = {
  bodies: (data) => ({ antiAliasFilter: 'none', cropModes: [], ...data }),
  optics: (data) => {
    const lens = data.kind === 'lens' || data.kind === 'builtIn';
    const filled = data.kind === 'objective' ? data : { detailClass: 'good', ...data };
    if (!lens) return filled;
    // A prime is entered once.
    return { autofocus: true, focalTeleMm: data.focalWideMm, fNumberTele: data.fNumberWide, ...filled };
  },
  adapters: (data) =>
    ['converter', 'reducer', 'tubes', 'mountAdapter'].includes(String(data.kind)) ? { autofocus: true, ...data } : data,
  // One picture is entered once.
  pictureGroups: (data) => ({ takenTo: data.takenFrom, pictures: 1, ...data }),
};

function cell(column: CsvColumn, text: string): { value: unknown } | { message: string } {
  switch (column.type) {
    case 'text':
      return { value: text };
    case 'flag': {
      const word = text.toLowerCase();
      if (YES.has(word)) return { value: true };
      return NO.has(word) ? { value: false } : { message: `“${text}” is neither yes nor no.` };
    }
    case 'numbers': {
      const numbers = text
        .split(/\s*[+;|]\s*|\s+/)
        .filter((each) => each !== '')
        .map((each) => parseDecimal(each));
      const wrong = numbers.find((each) => !each.ok);
      return wrong && !wrong.ok
        ? { message: wrong.problem.message }
        : { value: numbers.flatMap((each) => (each.ok ? [each.value] : [])) };
    }
    case 'number':
    case 'integer': {
      const number = parseDecimal(text);
      return number.ok ? { value: number.value } : { message: number.problem.message };
    }
  }
}

function put(data: Record<string, unknown>, path: string, value: unknown): void {
  const [head = '', ...rest] = path.split('.');
  if (rest.length === 0) data[head] = value;
  else put((data[head] ??= {}) as Record<string, unknown>, rest.join('.'), value);
}

/**
 * Reads one line of a CSV. Empty cells are left out; numbers take comma or point; yes and no, true and false, 1 and 0
 * are flags; several numbers stand with + between them.
 *
 * @param record cells by header
 */
export function csvLine<N extends CsvResource>(resource: N, record: Record<string, string>): CsvLine<N> {
  const errors: CellError[] = [];
  const data: Record<string, unknown> = {};
  for (const column of CSV_COLUMNS[resource]) {
    const text = asWritten(record[column.path]?.trim() ?? '');
    if (text === '') continue;
    const read = cell(column, text);
    if ('message' in read) errors.push({ column: column.path, message: `${column.title}: ${read.message}` });
    else put(data, column.path, read.value);
  }
  const id = record.id?.trim() ?? '';
  if (id !== '' && !UUID.test(id))
    errors.push({ column: 'id', message: 'The id must be a UUID; leave it empty for something new.' });
  if (errors.length) return { ok: false, errors };
  const checked = validateResource(resource, DEFAULTS[resource](data));
  if (!checked.ok)
    return { ok: false, errors: checked.errors.map((error) => ({ column: error.path, message: error.message })) };
  return { ok: true, id: id === '' ? null : id.toLowerCase(), data: checked.value };
}
