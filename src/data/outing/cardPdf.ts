import { PDFDocument, StandardFonts, rgb, type PDFFont } from 'pdf-lib';
import { CARD_HEIGHT_MM, CARD_WIDTH_MM, cardPages } from '@/core/outing/cardPaper';
import type { OutingWords } from '@/core/outing/outingWords';

const POINTS_PER_MM = 72 / 25.4;
/** What the letters of every PDF reader do not have, and what stands for it. */
const STANDS_FOR: Readonly<Record<string, string>> = {
  '\u202f': ' ',
  '\u2009': ' ',
  '−': '-',
  '→': '->',
  '●': 'o',
  '▽': 'v',
  '▲': '^',
  '″': '"',
  '′': "'",
  '⅓': ' 1/3',
  '⅔': ' 2/3',
  '≤': '<=',
  '≥': '>=',
};

/** Text in letters the font has; what has none becomes a question mark. */
export function inFont(text: string, has: ReadonlySet<number>): string {
  const known = (letter: string) => has.has(letter.codePointAt(0)!);
  return Array.from(text, (letter) => {
    if (known(letter)) return letter;
    const instead = STANDS_FOR[letter] ?? letter.normalize('NFKD').replace(/\p{M}/gu, '');
    return instead && Array.from(instead).every(known) ? instead : '?';
  }).join('');
}

/**
 * The pocket card as a PDF of A6 pages at true size.
 *
 * @returns the file, and whether some letter had to be left out
 */
export async function cardPdf(words: OutingWords): Promise<{ bytes: Uint8Array; lettersMissing: boolean }> {
  const file = await PDFDocument.create();
  file.setTitle(words.title);
  file.setCreator('Jauge');
  const plain = await file.embedFont(StandardFonts.Helvetica);
  const bold = await file.embedFont(StandardFonts.HelveticaBold);
  const has = new Set(plain.getCharacterSet());
  const [ink, soft] = [rgb(0.09, 0.15, 0.17), rgb(0.33, 0.39, 0.42)];
  let lettersMissing = false;
  for (const marks of cardPages(words)) {
    const page = file.addPage([CARD_WIDTH_MM * POINTS_PER_MM, CARD_HEIGHT_MM * POINTS_PER_MM]);
    const up = (mm: number) => (CARD_HEIGHT_MM - mm) * POINTS_PER_MM;
    for (const mark of marks) {
      const x = mark.x * POINTS_PER_MM;
      const y = up(mark.y);
      if (mark.kind === 'line') {
        const end = { x: x + mark.lengthMm * POINTS_PER_MM, y };
        page.drawLine({ start: { x, y }, end, thickness: 0.6, color: ink });
        continue;
      }
      const text = inFont(mark.words, has);
      lettersMissing ||= text.includes('?') && !mark.words.includes('?');
      const font: PDFFont = mark.bold ? bold : plain;
      page.drawText(text, { x, y, size: mark.sizeMm * POINTS_PER_MM, font, color: mark.soft ? soft : ink });
    }
  }
  return { bytes: await file.save(), lettersMissing };
}
