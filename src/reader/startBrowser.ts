import type { ReaderNews } from '@/core/formats/pictures/readerTalk';
import { pictureReader, type PictureReader } from './client';
import { allowOwnScripts } from './ownScripts';

/** The worker that reads picture files: bundled on its own, beside the library it uses (scripts/lib/pictureLibrary.mjs). */
const READER = '/pictures/reader.js';

/** A reader of picture files, in a worker of its own. */
export const fileReader = (): PictureReader<Blob> =>
  pictureReader((onNews, onBroken) => {
    allowOwnScripts();
    const worker = new Worker(READER, { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<ReaderNews>) => onNews(data);
    worker.onerror = (event) => {
      event.preventDefault();
      onBroken();
    };
    return { ask: (asked) => worker.postMessage(asked), end: () => worker.terminate() };
  });
