import type { Metadata, RawSensorData } from 'libraw-wasm';
import type { Decoded } from '@/core/formats/pictures/decoded';
import { ReaderMissing } from '@/core/formats/pictures/readPicture';
import { decodedOfSensor } from '@/core/formats/pictures/rawSensor';
import { allowOwnScripts } from './ownScripts';

/** Where the decoder of camera raw lies: unchanged files of its package, its worker with a policy of its own. */
const DECODER = '/raw/worker.js';

type Answer = { id: number; out?: unknown; error?: string | undefined };

/**
 * Asks the decoder's worker one thing after the other. It may fail to arrive before anything is asked, so it is listened to
 * from the start.
 */
function asker(worker: Worker) {
  let last = 0;
  const broken = new Promise<never>((_resolve, reject) => {
    worker.onerror = (event) => {
      event.preventDefault();
      // A script that cannot be fetched has no message; one that breaks off has. Source: HTML, running a worker.
      reject(
        event.message
          ? new Error(event.message)
          : new ReaderMissing('the part of Jauge that reads camera raw did not arrive'),
      );
    };
  });
  broken.catch(() => undefined);
  return <T>(fn: string, args: unknown[], transfer: Transferable[] = []): Promise<T> => {
    const id = ++last;
    const answer = new Promise<T>((resolve, reject) => {
      worker.onmessage = ({ data }: MessageEvent<Answer>) => {
        if (data.id !== id) return;
        // What is thrown there may have no words.
        if ('error' in data) reject(new Error(data.error ?? ''));
        else resolve(data.out as T);
      };
    });
    worker.postMessage({ id, fn, args }, transfer);
    return Promise.race([answer, broken]);
  };
}

/** Reads the sensor's own numbers from a camera's raw file: not developed, not sharpened, not smoothed. */
export async function rawPicture(file: Blob): Promise<Decoded> {
  allowOwnScripts();
  const worker = new Worker(DECODER, { type: 'module' });
  try {
    const ask = asker(worker);
    const bytes = new Uint8Array(await file.arrayBuffer());
    await ask('open', [bytes, {}], [bytes.buffer]);
    const metadata = await ask<Metadata>('metadata', [true]);
    const raw = await ask<RawSensorData | undefined>('rawImageData', []);
    const decoded =
      raw &&
      decodedOfSensor({
        rawColumns: raw.raw_width,
        rawRows: raw.raw_height,
        left: raw.left_margin,
        top: raw.top_margin,
        width: raw.width,
        height: raw.height,
        data: raw.data,
        black: metadata.color_data?.black ?? 0,
        white: metadata.color_data?.maximum ?? 65_535,
        filters: (metadata.filters ?? 0) >>> 0,
        flip: metadata.flip,
      });
    if (!decoded)
      throw new Error('its colours are not laid out in squares of four: export it as TIFF of 16 bits and bring that');
    return decoded;
  } finally {
    worker.terminate();
  }
}
