import Papa from 'papaparse';
import { harmless } from '@/core/formats/harmless';

/** Blanks that numbers and units are set with on the screen; a spreadsheet takes plain ones. */
const plain = (cell: string): string =>
  harmless(
    cell
      .replace(/[\u00a0\u2009\u202f]/g, ' ')
      .replace(/^\u2212(?=[\d.])/, '-')
      .trim(),
  );

/** A table of the screen as CSV, cell for cell. */
export const tableCsv = (heads: readonly string[], rows: readonly (readonly string[])[]): string =>
  `${Papa.unparse({ fields: heads.map(plain), data: rows.map((row) => row.map(plain)) }, { newline: '\n' })}\n`;
