import type { PartSource } from './usePictureCanvas';

/** Longer side of a small picture, px. */
const SIDE = 160;
const QUALITY = 0.7;

/** A small copy of a picture as a data address; nothing where the picture is gone, or nothing can be drawn. */
export async function thumbnailOf(
  source: PartSource,
  { width, height }: { width: number; height: number },
): Promise<string | null> {
  const share = Math.min(1, SIDE / Math.max(width, height));
  const [outWidth, outHeight] = [Math.max(1, Math.round(width * share)), Math.max(1, Math.round(height * share))];
  const colours = await source({ x: 0, y: 0, width, height, outWidth, outHeight });
  if (!colours || typeof document === 'undefined') return null;
  const canvas = document.createElement('canvas');
  canvas.width = outWidth;
  canvas.height = outHeight;
  const context = canvas.getContext('2d');
  if (!context) return null;
  context.putImageData(new ImageData(colours as Uint8ClampedArray<ArrayBuffer>, outWidth, outHeight), 0, 0);
  return canvas.toDataURL('image/jpeg', QUALITY);
}
