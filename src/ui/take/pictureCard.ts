import { family } from '../theme/measures';
import type { Palette } from '../theme/palette';
import { escaped } from '@/core/formats/escaped';
import { placed, type Drawing, type NamedDrawing } from './drawing';

/** What a picture to show to others says. */
export interface CardContent {
  /** Of what: "Curlew at 64 m". */
  title: string;
  /** With which gear, and when. */
  lines: readonly string[];
  /** The verdict, with its mark. */
  judgement?: string;
  /** Columns that are compared; none for one reading. */
  heads?: readonly string[];
  /** Name and value, or name and one value a column. */
  rows: readonly { name: string; values: readonly string[] }[];
}

/** What is drawn: of the frame, the first of which goes into the picture, and the scale with its needle. */
export interface CardDrawings {
  frame: readonly NamedDrawing[];
  scale: readonly NamedDrawing[];
}

export type CardColours = Pick<Palette, 'paper' | 'ink' | 'inkSoft' | 'hairline' | 'press'>;

const WIDTH = 720;
const EDGE = 36;
const INNER = WIDTH - 2 * EDGE;
/** Width of a letter in parts of its size: the widest of the fonts as it is on average, so that lines rather break early. */
const LETTER = 0.54;

/** Breaks a text into lines that fit a width; a single long word stays whole. */
export function brokenAt(text: string, widthPx: number, sizePx: number): string[] {
  const most = Math.max(4, Math.floor(widthPx / (sizePx * LETTER)));
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + 1 + word.length <= most) lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}

interface Type {
  sizePx: number;
  font: string;
  colour: string;
}

/** Puts text and lines below one another. */
class Column {
  y = EDGE;
  private parts: string[] = [];

  text(text: string, { sizePx, font, colour }: Type, x = EDGE, anchor: 'start' | 'end' = 'start'): void {
    this.parts.push(
      `<text x="${x}" y="${this.y.toFixed(1)}" text-anchor="${anchor}" font-family="${font}" font-size="${sizePx}" fill="${colour}">${escaped(text)}</text>`,
    );
  }
  /** A text over as many lines as it needs. */
  block(text: string, type: Type): void {
    for (const line of brokenAt(text, INNER, type.sizePx)) {
      this.y += type.sizePx * 1.25;
      this.text(line, type);
    }
  }
  rule(colour: string): void {
    this.parts.push(`<rect x="${EDGE}" y="${this.y.toFixed(1)}" width="${INNER}" height="1" fill="${colour}"/>`);
  }
  /** A drawing over the whole width. */
  draw(drawing: Drawing): void {
    if (drawing.widthPx <= 0) return;
    this.y += 18;
    this.parts.push(placed(drawing, EDGE, this.y, INNER));
    this.y += (drawing.heightPx / drawing.widthPx) * INNER + 6;
  }
  drawing(): Drawing {
    return { inside: this.parts.join(''), widthPx: WIDTH, heightPx: Math.ceil(this.y + EDGE) };
  }
}

/** Name at the left, value at the right. */
function pairRows(column: Column, rows: CardContent['rows'], name: Type, value: Type, hairline: string): void {
  for (const row of rows) {
    const lines = brokenAt(row.values[0] ?? '', INNER * 0.6, value.sizePx);
    lines.forEach((line, i) => {
      column.y += 26;
      if (i === 0) column.text(row.name, name);
      column.text(line, value, WIDTH - EDGE, 'end');
    });
    column.y += 8;
    column.rule(hairline);
  }
}

/** The name over its values, one value a column. */
function comparedRows(column: Column, content: CardContent, name: Type, value: Type, hairline: string): void {
  const { heads = [], rows } = content;
  const wide = INNER / Math.max(1, heads.length);
  const cells = (texts: readonly string[], type: Type) => {
    const broken = texts.map((text) => brokenAt(text, wide - 8, type.sizePx));
    for (let i = 0; i < Math.max(1, ...broken.map((lines) => lines.length)); i++) {
      column.y += type.sizePx * 1.3;
      broken.forEach((lines, at) => column.text(lines[i] ?? '', type, EDGE + at * wide));
    }
  };
  cells(heads, { ...value, font: family.strong });
  for (const row of rows) {
    column.y += 8;
    column.rule(hairline);
    column.y += 18;
    column.text(row.name, name);
    cells(row.values, value);
  }
  column.y += 8;
  column.rule(hairline);
}

/** One picture of a reading or a comparison: what, with which gear, the drawing, the verdict, the numbers. */
export function pictureCard(content: CardContent, { frame, scale }: CardDrawings, colours: CardColours): Drawing {
  const column = new Column();
  const strong = { font: family.strong, colour: colours.ink };
  column.block(content.title, { ...strong, sizePx: 30 });
  column.y += 4;
  for (const line of content.lines) column.block(line, { font: family.body, colour: colours.inkSoft, sizePx: 17 });
  if (frame[0]) column.draw(frame[0].drawing);
  if (content.judgement) column.block(content.judgement, { font: family.strong, colour: colours.press, sizePx: 23 });
  if (scale[0]) column.draw(scale[0].drawing);
  column.y += 12;
  const name = { font: family.body, colour: colours.inkSoft, sizePx: content.heads ? 14 : 17 };
  const value = { font: family.figure, colour: colours.ink, sizePx: content.heads ? 17 : 21 };
  if (content.heads) comparedRows(column, content, name, value, colours.hairline);
  else pairRows(column, content.rows, name, value, colours.hairline);
  column.y += 26;
  column.text('Made by Jauge', { font: family.body, colour: colours.inkSoft, sizePx: 14 });
  return column.drawing();
}
