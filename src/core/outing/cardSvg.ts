import { escaped } from '../formats/escaped';
import { CARD_HEIGHT_MM, CARD_WIDTH_MM, cardPages, type Mark } from './cardPaper';
import type { OutingWords } from './outingWords';

const INK = '#17262B';
const SOFT = '#55646A';
const HAIR_MM = 0.2;

const markSvg = (mark: Mark): string =>
  mark.kind === 'line'
    ? `<path d="M${mark.x} ${mark.y}h${mark.lengthMm}" stroke="${INK}" stroke-width="${HAIR_MM}"/>`
    : `<text x="${mark.x}" y="${mark.y.toFixed(2)}" font-size="${mark.sizeMm.toFixed(2)}"${mark.bold ? ' font-weight="600"' : ''} fill="${mark.soft ? SOFT : INK}">${escaped(mark.words)}</text>`;

/** The card as one SVG at true size, its pages below each other. */
export function cardSvg(words: OutingWords): string {
  const pages = cardPages(words);
  const height = CARD_HEIGHT_MM * pages.length;
  const drawn = pages.map(
    (marks, i) =>
      `<g transform="translate(0 ${CARD_HEIGHT_MM * i})">${i ? `<path d="M0 0h${CARD_WIDTH_MM}" stroke="${SOFT}" stroke-width="0.1" stroke-dasharray="2 2"/>` : ''}${marks.map(markSvg).join('')}</g>`,
  );
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${CARD_WIDTH_MM}mm" height="${height}mm" viewBox="0 0 ${CARD_WIDTH_MM} ${height}" font-family="Barlow, Helvetica, Arial, sans-serif">`,
    `<title>${escaped(words.title)}</title>`,
    '<rect width="100%" height="100%" fill="#fff"/>',
    ...drawn,
    '</svg>',
  ].join('');
}
