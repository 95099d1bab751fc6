import Papa from 'papaparse';
import { harmless } from '@/core/formats/harmless';

/** Blanks and signs that numbers are set with on the screen; a spreadsheet takes plain ones. */
const plain = (cell: string): string =>
  cell
    .replace(/[\u00a0\u2009\u202f]/g, ' ')
    .replace(/\u2212(?=[\d.])/g, '-')
    .trim();

/** A number with its unit, as a cell shows it: “1,230 px”, “-0.5 stops”, “3.5″”, “f/5.6”, “80 %”. */
const NUMBER = /^(?:f\/|± )?([-+]?[\d,]+(?:\.\d+)?)(?: ?(″|°|%|×|\/s| :\s?1)| ([^\d\s±][^±\d]*))?$/;
/** A shutter speed as a dial has it, which a spreadsheet would take for a date. */
const DIAL = /^1\/([\d,]+(?:\.\d+)?) s$/;
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

interface Column {
  head: string;
  cells: string[];
}

function cellOf(text: string): Cell | null {
  const [, parts] = DIAL.exec(text) ?? [];
  if (parts) return { number: String(Number((1 / Number(parts.replaceAll(',', ''))).toPrecision(3))), unit: 's' };
  const [, number, sign, word] = NUMBER.exec(text) ?? [];
  return number === undefined
    ? null
    : { number: number.replaceAll(',', '').replace('+', ''), unit: (sign ?? word ?? '').trim() };
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

/** Words for a nought among numbers. */
const NONE = /^(?:nothing|none)$/;
/** Cells that say nothing is known. */
const isEmpty = (text: string): boolean => text === '' || text === '–' || text === '—' || text === 'not known';

/** One column: bare numbers under a head with their unit, where all of it are numbers of one kind; else as it is shown. */
function column(head: string, texts: readonly string[]): Column {
  const known = texts.filter((text) => !isEmpty(text));
  const cells = known.filter((text) => !NONE.test(text)).map(cellOf);
  const found = cells.length && cells.every((cell) => cell !== null) ? unitOf(cells) : null;
  if (!found) return { head, cells: texts.map(harmless) };
  const named = found.unit === '' || head.includes(found.unit) ? head : `${head} (${found.unit})`;
  return {
    head: named,
    cells: texts.map((text) => {
      const cell = isEmpty(text) ? null : cellOf(text);
      if (NONE.test(text)) return '0';
      return cell ? scaled(cell.number, found.by(cell)) : '';
    }),
  };
}

/** How a cell tells two things at once, and the head of the second. */
const TWO_IN_ONE: readonly { pattern: RegExp; second: (head: string) => string; sameUnit?: boolean }[] = [
  // “1,230 px (-24 %)”
  { pattern: /^(.*\d.*?) \(([-+]?[\d.,]+ ?%)\)$/, second: (head) => `${head}, difference` },
  // “14.2 ± 0.3”, “14.2 px ± 0.3”
  { pattern: /^(.+?) ± ([\d.,]+.*)$/, second: (head) => `${head}, ±`, sameUnit: true },
  // “12°, 03:40”
  { pattern: /^(-?[\d.]+°), (\d\d:\d\d)$/, second: (head) => `${head}, time` },
  // “± 0.7 %, measured”
  { pattern: /^(± [\d.]+ %), (measured)$/, second: (head) => `${head}, how` },
  // “30 × 20”: of pixels
  { pattern: /^(\d[\d,]*) × (\d[\d,]*)$/, second: (head) => `${head}, rows` },
  // “550 mm f/6.3”
  { pattern: /^([\d.,]+ mm) (f\/[\d.]+)$/, second: (head) => `${head}, f-number` },
];
/** Marks beside a number: the best, what is set, a caution. */
const MARK = /^([●○◆◇⚠▽△▲▼])\s*(?=\S)|\s*([●○◆◇⚠▽△▲▼])$/;

/** A column whose every known cell tells two things the same way, as two; else as it is. */
function apart(whole: Column): Column[] {
  const known = whole.cells.filter((text) => !isEmpty(text));
  const way = TWO_IN_ONE.find(({ pattern }) => {
    const halves = known.map((text) => pattern.exec(text));
    // One that is the measure of the others has no difference: it is told alone; so is a plain word.
    return halves.some((half) => half) && halves.every((half, i) => half || cellOf(known[i]!) || !/\d/.test(known[i]!));
  });
  if (!way) return [whole];
  const halves = whole.cells.map((text) => {
    const half = way.pattern.exec(text);
    if (!half) return null;
    return way.sameUnit ? withUnits(half[1]!, half[2]!) : ([half[1]!, half[2]!] as const);
  });
  return [
    { head: whole.head, cells: whole.cells.map((text, i) => halves[i]?.[0] ?? text) },
    { head: way.second(whole.head), cells: halves.map((half) => half?.[1] ?? '') },
  ];
}

/** A value and its ± share the unit that is told once, as in “1,230 ± 40 px” or “60 m ± 2”. */
function withUnits(first: string, second: string): [string, string] {
  const [one, other] = [cellOf(first), cellOf(second)];
  if (!one || !other || second.endsWith('%')) return [first, second];
  if (one.unit === '' && other.unit !== '') return [`${first} ${other.unit}`, second];
  return other.unit === '' && one.unit !== '' ? [first, `${second} ${one.unit}`] : [first, second];
}

/** Numbers with a mark beside them, without it; the mark gets a column. Names keep theirs. */
function unmarked(whole: Column): Column[] {
  const marks = whole.cells.map((text) => MARK.exec(text));
  const bare = whole.cells.map((text) => text.replace(MARK, ''));
  if (!marks.some((mark) => mark) || !bare.every((text) => isEmpty(text) || /^(f\/)?[-+]?\d/.test(text)))
    return [whole];
  return [
    { head: whole.head, cells: bare },
    { head: `${whole.head}, mark`, cells: marks.map((mark) => mark?.[1] ?? mark?.[2] ?? '') },
  ];
}

/**
 * A table of the screen as CSV: units in the heads, bare numbers in the cells, one thing to a column.
 *
 * @param facts what holds for the whole table, such as subject and distance: a column each
 */
export function tableCsv(
  heads: readonly string[],
  rows: readonly (readonly string[])[],
  facts: Readonly<Record<string, string>> = {},
): string {
  const shown = heads.map((head, i): Column => ({ head: plain(head), cells: rows.map((row) => plain(row[i] ?? '')) }));
  const held = Object.entries(facts).map(([head, text]): Column => ({
    head: plain(head),
    cells: rows.map(() => plain(text)),
  }));
  const [names = [], ...values] = shown.map(unmarked);
  // Rows go by their names and facts by theirs, which may look like anything: only values are taken apart.
  const columns = [...names, ...values.flat().flatMap(apart), ...held].map(({ head, cells }) => column(head, cells));
  const fields = columns.map(({ head }) => harmless(head));
  const data = rows.map((_, i) => columns.map(({ cells }) => cells[i]!));
  return `${Papa.unparse({ fields, data }, { newline: '\n' })}\n`;
}
