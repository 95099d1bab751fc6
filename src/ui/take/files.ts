import { fontFacesFor } from './fontFaces';
import { svgFile, type Drawing } from './drawing';

/** Pixels of a PNG for one of the drawing, so that it stays sharp when it is sent on. */
const PNG_SCALE = 3;
/** Widest a PNG is made, px: what phones can still draw at once. */
const PNG_WIDEST = 4096;

/** An SVG file with its fonts. */
export async function svgBlob(drawing: Drawing, title: string, ground: string): Promise<Blob> {
  const fontFaces = await fontFacesFor(drawing.inside);
  return new Blob([svgFile(drawing, { title, ground, fontFaces })], { type: 'image/svg+xml' });
}

/** A picture the browser can show, drawn at a size, as a PNG. */
export async function pngOfImage(
  address: string,
  sizePx: (image: HTMLImageElement) => readonly [number, number],
): Promise<Blob> {
  const image = new Image();
  image.src = address;
  await image.decode();
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = sizePx(image);
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('No picture was made.'))), 'image/png'),
  );
}

/** The same as a PNG. */
export async function pngBlob(drawing: Drawing, title: string, ground: string): Promise<Blob> {
  const address = URL.createObjectURL(await svgBlob(drawing, title, ground));
  const { widthPx, heightPx } = drawing;
  const scale = Math.min(PNG_SCALE, PNG_WIDEST / Math.max(widthPx, heightPx));
  try {
    return await pngOfImage(address, () => [Math.round(widthPx * scale), Math.round(heightPx * scale)]);
  } finally {
    URL.revokeObjectURL(address);
  }
}

/** A name for a file out of a title: small letters, digits and hyphens. */
export const fileName = (title: string, kind: 'svg' | 'png' | 'csv' | 'pdf' | 'md' | 'ics'): string =>
  `${
    title
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 60) || 'jauge'
  }.${kind}`;
