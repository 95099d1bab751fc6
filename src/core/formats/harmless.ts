/** Signs with which a spreadsheet takes a cell for something to run. */
const RUNS = /^[=+\-@\t\r']/;
/** A number may begin with its sign. */
const NUMBER = /^[+-]?\d+([.,]\d+)?(e[+-]?\d+)?$/i;

/** A cell that a spreadsheet shows as text and does not run: an apostrophe in front, as people write it there by hand. */
export const harmless = (cell: string): string => (RUNS.test(cell) && !NUMBER.test(cell) ? `'${cell}` : cell);

/** A cell, without blanks around it, as it was before an apostrophe was put in front. */
export const asWritten = (cell: string): string =>
  cell.startsWith("'") && RUNS.test(cell.slice(1)) ? cell.slice(1) : cell;
