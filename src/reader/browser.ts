import Vips from 'wasm-vips';
import type { ByteSource } from '@/core/formats/pictures/byteSource';
import { ReaderMissing } from '@/core/formats/pictures/readPicture';
import { browserPicture } from './browserPicture';
import { answering, toldAsError } from './answering';
import type { ReaderAsk } from './client';
import { libraryOf } from './library';
import { rawPicture } from './rawDecoder';
import { allowOwnScripts } from './ownScripts';

/** The types of the page know nothing of what only workers have. */
declare class FileReaderSync {
  readAsArrayBuffer(part: Blob): ArrayBuffer;
}

/** A file piece by piece, as only a worker may read one. */
function bytesOf(file: Blob): ByteSource {
  const reader = new FileReaderSync();
  return {
    size: file.size,
    read: (from, to) => new Uint8Array(reader.readAsArrayBuffer(file.slice(from, to))),
  };
}

const library = libraryOf(Vips);

async function vipsLibrary(avif: boolean): Promise<typeof Vips> {
  // Its memory is shared between workers, which a page may do only where nothing of another origin is in it.
  if (!globalThis.crossOriginIsolated)
    throw new ReaderMissing('this browser, or the way the page was opened, lets no memory be shared between workers');
  try {
    return await library(avif);
  } catch {
    throw new ReaderMissing('the part of Jauge that reads pictures did not arrive');
  }
}

allowOwnScripts();
globalThis.addEventListener('message', ({ data }: MessageEvent<ReaderAsk<Blob>>) => {
  const { id, file, frame } = data;
  answering(
    id,
    bytesOf(file),
    { vips: vipsLibrary, raw: () => rawPicture(file), browser: () => browserPicture(file), frame },
    (news, transfer) => globalThis.postMessage(news, { transfer }),
  ).catch(toldAsError);
});
