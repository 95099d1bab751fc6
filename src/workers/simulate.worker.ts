import { encode } from 'fast-png';
import { ExifIFD, ImageIFD, dump, insert } from 'piexifjs';
import { writeDng, writeFits, writeSer, writeTiff } from '@/core/formats/pictures/writePictures';
import { srgbOfLight } from '@/core/picture/tone';
import type { ExifMade, FileOrder, SimulatedNews } from '@/core/simulate/fileOrder';
import { take } from '@/core/simulate/take';
import { onAsked, teller } from './talk';

const tell = teller<SimulatedNews>();

/** A number as EXIF holds it: two whole ones. */
const ratio = (value: number): [number, number] =>
  value >= 1 ? [Math.round(value * 100), 100] : [1, Math.max(1, Math.round(1 / value))];

function withExif(jpeg: Uint8Array, exif: ExifMade, width: number, height: number): Uint8Array {
  const tags = dump({
    '0th': { [ImageIFD.Make]: exif.maker, [ImageIFD.Model]: exif.model, [ImageIFD.Orientation]: 1 },
    Exif: {
      [ExifIFD.LensModel]: exif.lens,
      [ExifIFD.FocalLength]: ratio(exif.focalMm),
      [ExifIFD.FNumber]: ratio(exif.fNumber),
      [ExifIFD.ExposureTime]: ratio(exif.exposureS),
      [ExifIFD.ISOSpeedRatings]: exif.iso,
      [ExifIFD.PixelXDimension]: width,
      [ExifIFD.PixelYDimension]: height,
    },
  });
  let text = '';
  for (let i = 0; i < jpeg.length; i += 8192) text += String.fromCharCode(...jpeg.subarray(i, i + 8192));
  const whole = insert(tags, text);
  const bytes = new Uint8Array(whole.length);
  for (let i = 0; i < whole.length; i++) bytes[i] = whole.charCodeAt(i);
  return bytes;
}

async function jpegOf(light: Float32Array, width: number, height: number, exif: ExifMade): Promise<Uint8Array> {
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d');
  if (!context) throw new Error('this browser gives no canvas to a worker');
  const colours = new ImageData(width, height);
  for (let i = 0; i < light.length; i++) {
    colours.data.fill(255 * srgbOfLight(light[i]!), 4 * i, 4 * i + 3);
    colours.data[4 * i + 3] = 255;
  }
  context.putImageData(colours, 0, 0);
  const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.93 });
  return withExif(new Uint8Array(await blob.arrayBuffer()), exif, width, height);
}

async function fileOf({ order, format, exif }: FileOrder, light: Float32Array): Promise<Uint8Array> {
  const picture = { width: order.columns, height: order.rows, light };
  const model = `${exif.maker} ${exif.model}`.trim();
  if (format === 'jpeg') return jpegOf(light, order.columns, order.rows, exif);
  if (format === 'tiff') return writeTiff(picture, model, srgbOfLight);
  if (format === 'dng') return writeDng(picture, model);
  if (format === 'fits') return writeFits(picture, model);
  if (format === 'ser') return writeSer([picture], model);
  const data = Uint16Array.from(light, (value) => Math.round(65_535 * srgbOfLight(value)));
  return encode({ width: order.columns, height: order.rows, data, depth: 16, channels: 1 });
}

onAsked<FileOrder>((data) => {
  tell({ share: 0.1 });
  const { light, truth } = take(data.order);
  tell({ share: 0.8 });
  fileOf(data, light)
    .then((file) => tell({ file, truth }, [file.buffer]))
    .catch((error: unknown) => tell({ message: (error as Error).message }));
});
