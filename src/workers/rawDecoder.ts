import type { Metadata, RawSensorData } from 'libraw-wasm';
import type { Decoded } from '@/core/formats/pictures/decoded';
import { decodedOfSensor } from '@/core/formats/pictures/rawSensor';

/** Where the decoder of camera raw lies: unchanged files of its package, its worker with a policy of its own. */
const DECODER = '/raw/worker.js';

interface Policies {
  defaultPolicy: unknown;
  createPolicy: (name: string, rules: { createScriptURL: (address: string) => string }) => void;
}

/** A worker, too, may load scripts only from addresses it has named: those of this server. */
function allowOwnScripts(): void {
  const { trustedTypes } = globalThis as { trustedTypes?: Policies };
  if (!trustedTypes || trustedTypes.defaultPolicy) return;
  trustedTypes.createPolicy('default', {
    createScriptURL: (address) => {
      if (new URL(address, location.href).origin === location.origin) return address;
      throw new TypeError('Scripts come from this server only.');
    },
  });
}

type Answer = { id: number; out?: unknown; error?: string };

/** Asks the decoder's worker one thing after the other. */
function asker(worker: Worker) {
  let last = 0;
  return <T>(fn: string, args: unknown[], transfer: Transferable[] = []): Promise<T> =>
    new Promise((resolve, reject) => {
      const id = ++last;
      worker.onmessage = ({ data }: MessageEvent<Answer>) => {
        if (data.id !== id) return;
        if (data.error) reject(new Error(data.error));
        else resolve(data.out as T);
      };
      worker.onerror = (event) => reject(new Error(event.message || 'the decoder of camera raw cannot be loaded'));
      worker.postMessage({ id, fn, args }, transfer);
    });
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
