import { FORMAT_FILES, type FileOrder, type SimulatedNews } from '@/core/simulate/fileOrder';
import type { Truth } from '@/core/simulate/take';

/** What the simulated camera gives: a file, and what is true of it; or why not. */
export type SimulatedPicture = { ok: true; file: File; truth: Truth } | { ok: false; message: string };

/**
 * Has the simulated camera take a picture, in a worker.
 *
 * @returns the picture to come, and a function that stops it
 */
export function takeSimulated(
  order: FileOrder,
  name: string,
  onShare: (share: number) => void,
): { picture: Promise<SimulatedPicture>; stop: () => void } {
  const worker = new Worker(new URL('../../workers/simulate.worker.ts', window.location.href));
  let end: (picture: SimulatedPicture) => void = () => undefined;
  const picture = new Promise<SimulatedPicture>((resolve) => {
    end = (result) => {
      worker.terminate();
      resolve(result);
    };
  });
  worker.onmessage = ({ data }: MessageEvent<SimulatedNews>) => {
    if ('share' in data) return onShare(data.share);
    if ('message' in data) return end({ ok: false, message: data.message });
    const { type, ending } = FORMAT_FILES[order.format];
    end({
      ok: true,
      truth: data.truth,
      file: new File([data.file as Uint8Array<ArrayBuffer>], `${name}.${ending}`, { type }),
    });
  };
  worker.onerror = () => end({ ok: false, message: 'The simulated camera could not be fetched.' });
  worker.postMessage(order);
  return { picture, stop: () => end({ ok: false, message: 'Stopped.' }) };
}
