import type { OutingWords, PictureWords } from './outingWords';

/** A pocket card: A6 upright, mm. */
export const CARD_WIDTH_MM = 105;
export const CARD_HEIGHT_MM = 148;

/** What a card is drawn of, mm from the top left of its page. */
export type Mark =
  | { kind: 'text'; x: number; y: number; sizeMm: number; words: string; bold: boolean; soft: boolean }
  | { kind: 'line'; x: number; y: number; lengthMm: number };

const MARGIN = 7;
const INNER = CARD_WIDTH_MM - 2 * MARGIN;
const NAME_WIDTH = 23;
const TITLE = 5;
const BODY = 3.2;
const LEADING = 1.3;
/** Mean width of a letter in parts of its size, rather too wide, so that lines break early. */
const LETTER = 0.53;

/** Breaks a text into lines that fit a width; a word longer than the line is broken. */
export function fitted(text: string, widthMm: number, sizeMm: number): string[] {
  const most = Math.max(4, Math.floor(widthMm / (sizeMm * LETTER)));
  const words = text.split(/[ \n]+/).flatMap((word) => word.match(new RegExp(`.{1,${most}}`, 'gu')) ?? []);
  const lines: string[] = [];
  for (const word of words) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + 1 + word.length <= most) lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}

/** One line to be put on a card: what stands in it, and how high it is. */
interface Row {
  heightMm: number;
  marks: (y: number) => Mark[];
  /** Stays on one page with the row after it. */
  keeps: boolean;
}

const textRow = (
  words: string,
  sizeMm: number,
  style: { bold?: boolean; soft?: boolean; x?: number; keeps?: boolean } = {},
): Row => {
  const { bold = false, soft = false, x = MARGIN, keeps = false } = style;
  const heightMm = sizeMm * LEADING;
  return { heightMm, keeps, marks: (y) => [{ kind: 'text', x, y: y + sizeMm, sizeMm, words, bold, soft }] };
};

const paragraph = (text: string, style: { bold?: boolean; soft?: boolean; keeps?: boolean } = {}): Row[] =>
  fitted(text, INNER, BODY).map((line) => textRow(line, BODY, style));

/** A name with what it is set to, which may take several lines. */
const named = (name: string, text: string): Row[] =>
  fitted(text, INNER - NAME_WIDTH, BODY).map((line, i): Row => {
    const value = textRow(line, BODY, { x: MARGIN + NAME_WIDTH });
    return {
      ...value,
      marks: (y) => [
        ...(i === 0 ? textRow(name, BODY * 0.85, { soft: true }).marks(y + BODY * 0.15) : []),
        ...value.marks(y),
      ],
    };
  });

const gap = (heightMm: number): Row => ({ heightMm, keeps: false, marks: () => [] });
const rule = (): Row => ({
  heightMm: 3,
  keeps: true,
  marks: (y) => [{ kind: 'line', x: MARGIN, y: y + 1, lengthMm: INNER }],
});

function pictureRows({ title, under, judgement, setup, swap, lines, closer, missing, note }: PictureWords): Row[] {
  return [
    rule(),
    ...fitted(title, INNER, TITLE).map((line) => textRow(line, TITLE, { bold: true, keeps: true })),
    ...paragraph(under, { soft: true, keeps: true }),
    ...paragraph(judgement, { bold: true, keeps: true }),
    ...(setup.length ? named('With', setup.join(' + ')) : []),
    ...(swap ? named('Before it', swap) : []),
    ...lines.flatMap(({ name, text }) => named(name, text)),
    ...(missing ? named('Missing', missing) : []),
    ...(note ? named('Note', note) : []),
    ...(closer.length ? [gap(1), ...paragraph('When it comes closer', { bold: true, keeps: true })] : []),
    ...closer.flatMap((each) => paragraph(each)),
    gap(2),
  ];
}

/** What belongs together: it begins a new page where it fits on one, but no longer on this. */
function blocksOf({ title, when, sky, load, pack, missing, pictures, cautions, note }: OutingWords): Row[][] {
  return [
    [
      ...fitted(title, INNER, TITLE * 1.2).map((line) => textRow(line, TITLE * 1.2, { bold: true })),
      ...paragraph(when, { soft: true }),
      gap(1.5),
      ...sky.flatMap(({ name, text }) => named(name, text)),
      ...(note ? [gap(1), ...paragraph(note)] : []),
      ...(missing.length ? [gap(1), ...missing.flatMap((each) => named('Missing', each))] : []),
      gap(1.5),
    ],
    ...pictures.map(pictureRows),
    [
      rule(),
      ...paragraph('Bag', { bold: true, keeps: true }),
      ...load.flatMap(({ name, text }) => named(name, text)),
      ...paragraph(pack.join(' · ')),
      ...(cautions.length ? [gap(1.5), ...cautions.flatMap((each) => paragraph(each, { soft: true }))] : []),
    ],
  ];
}

const heightOf = (rows: readonly Row[]): number => rows.reduce((sum, { heightMm }) => sum + heightMm, 0);

/** A row with those after it that it must stay with. */
function keptHeight(rows: readonly Row[], from: number): number {
  let to = from;
  while (rows[to]?.keeps && rows[to + 1]) to += 1;
  return heightOf(rows.slice(from, to + 1));
}

/** The card of an outing on pages of A6: a picture stays on one page where it fits, a heading with what it heads. */
export function cardPages(words: OutingWords): Mark[][] {
  const bottom = CARD_HEIGHT_MM - MARGIN;
  const pages: Mark[][] = [[]];
  let y = MARGIN;
  const turn = () => {
    pages.push([]);
    y = MARGIN;
  };
  for (const rows of blocksOf(words)) {
    const height = heightOf(rows);
    if (y > MARGIN && y + height > bottom && height <= bottom - MARGIN) turn();
    rows.forEach((row, i) => {
      if (y > MARGIN && y + keptHeight(rows, i) > bottom) turn();
      const marks = row.marks(y);
      // Nothing is left blank at the top of a page.
      if (y === MARGIN && marks.length === 0) return;
      pages.at(-1)!.push(...marks);
      y += row.heightMm;
    });
  }
  return pages;
}
