import Papa from 'papaparse';
import type { ResourceTypes } from '../resources';
import { CSV_COLUMNS, csvHeader, type CsvResource } from './columns';
import { harmless } from '@/core/formats/harmless';

function at(data: unknown, path: string): unknown {
  return path.split('.').reduce<unknown>((node, step) => (node as Record<string, unknown> | undefined)?.[step], data);
}

/** The cells of a row, in the order of the columns, with its id first. */
export function csvCells<N extends CsvResource>(resource: N, row: { id: string; data: ResourceTypes[N] }): string[] {
  const cells = CSV_COLUMNS[resource].map((column) => {
    const value = at(row.data, column.path);
    if (value === undefined) return '';
    if (typeof value === 'boolean') return value ? 'yes' : 'no';
    return harmless(Array.isArray(value) ? value.join(' + ') : String(value));
  });
  return [row.id, ...cells];
}

/** Writes rows as CSV with the header of their kind. */
export function writeCsv<N extends CsvResource>(resource: N, rows: { id: string; data: ResourceTypes[N] }[]): string {
  return `${Papa.unparse({ fields: csvHeader(resource), data: rows.map((row) => csvCells(resource, row)) }, { newline: '\n' })}\n`;
}
