import Papa from 'papaparse';
import { harmless } from '@/core/formats/harmless';

/** Blanks and signs that numbers are set with on the screen; a spreadsheet takes plain ones. */
const plain = (cell: string): string =>
  cell
    .replace(/[\u00a0\u2009\u202f]/g, ' ')
    .replace(/^\u2212(?=[\d.])/, '-')
    .trim();

/** A number with its unit, as a cell shows it: “1,230 px”, “-0.5 stops”. */
const NUMBER = /^(-?[\d,]+(?:\.\d+)?)(?: ([^\d\s±][^±]*))?$/;
/** Units of one kind, each as so much of the last, so that a column of several of them gets one. */
const SCALES: readonly Record<string, number>[] = [
  { mm: 0.001, cm: 0.01, m: 1 },
  { in: 1 / 12, ft: 1 },
  { g: 0.001, kg: 1 },
];

interface Cell {
  number: string;
  unit: string;
}

function cellOf(text: string): Cell | null {
  const [, number, unit = ''] = NUMBER.exec(text) ?? [];
  return number === undefined ? null : { number: number.replaceAll(',', ''), unit };
}

/** In another unit, to as many digits as it had. */
function scaled(number: string, by: number): string {
  if (by === 1) return number;
  const digits = number.replace(/^-?0*\.?0*/, '').replace('.', '').length;
  return String(Number((Number(number) * by).toPrecision(Math.max(1, digits))));
}

/** The unit all cells of a column can be told in; null where they are no numbers of one kind. */
function unitOf(cells: readonly Cell[]): { unit: string; by: (cell: Cell) => number } | null {
  const units = new Set(cells.map(({ unit }) => unit));
  if (units.size === 1) return { unit: cells[0]!.unit, by: () => 1 };
  const scale = SCALES.find((each) => [...units].every((unit) => unit in each));
  if (!scale) return null;
  const [last] = Object.keys(scale).slice(-1);
  return { unit: last!, by: ({ unit }) => scale[unit]! };
}

/** Cells that say there is nothing. */
const isEmpty = (text: string): boolean => text === '' || text === '–' || text === '—' || text === 'not known';

/** One column: bare numbers under a head with their unit, where all of it are numbers of one kind; else as it is shown. */
function column(head: string, texts: readonly string[]): { head: string; cells: string[] } {
  const known = texts.filter((text) => !isEmpty(text));
  const cells = known.map(cellOf);
  const found = cells.length && cells.every((cell) => cell !== null) ? unitOf(cells) : null;
  if (!found) return { head, cells: texts.map(harmless) };
  const named = found.unit === '' || head.includes(found.unit) ? head : `${head} (${found.unit})`;
  return {
    head: named,
    cells: texts.map((text) => {
      const cell = isEmpty(text) ? null : cellOf(text)!;
      return cell ? scaled(cell.number, found.by(cell)) : '';
    }),
  };
}

/**
 * A table of the screen as CSV: units in the heads, bare numbers in the cells.
 *
 * @param facts what holds for the whole table, such as subject and distance: a column each
 */
export function tableCsv(
  heads: readonly string[],
  rows: readonly (readonly string[])[],
  facts: Readonly<Record<string, string>> = {},
): string {
  const columns = [
    ...heads.map((head, i) =>
      column(
        plain(head),
        rows.map((row) => plain(row[i] ?? '')),
      ),
    ),
    ...Object.entries(facts).map(([head, text]) =>
      column(
        plain(head),
        rows.map(() => plain(text)),
      ),
    ),
  ];
  const fields = columns.map(({ head }) => harmless(head));
  const data = rows.map((_, i) => columns.map(({ cells }) => cells[i]!));
  return `${Papa.unparse({ fields, data }, { newline: '\n' })}\n`;
}
