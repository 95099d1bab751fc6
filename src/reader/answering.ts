import type { ByteSource } from '@/core/formats/pictures/byteSource';
import { readPicture, type ReadWays } from '@/core/formats/pictures/readPicture';
import type { ReaderNews } from '@/core/formats/pictures/readerTalk';

type Tell = (news: ReaderNews, transfer: ArrayBuffer[]) => void;

/** Reads a file and tells how far it is; the numbers of the picture become those of who asked, without a copy. */
export async function answering(
  id: number,
  bytes: ByteSource,
  ways: Omit<ReadWays, 'onPixels' | 'onProgress'>,
  tell: Tell,
): Promise<void> {
  const read = await readPicture(bytes, {
    ...ways,
    vips: async (avif) => {
      const library = await ways.vips(avif);
      tell({ id, pixels: 0 }, []);
      return library;
    },
    onPixels: (pixels) => tell({ id, pixels }, []),
    onProgress: (share) => tell({ id, share }, []),
  });
  tell({ id, read }, read.ok ? [read.value.decoded.codes.buffer as ArrayBuffer] : []);
}

/** Thrown outside of any promise: only then does who listens for a worker's errors hear of it. */
export const toldAsError = (error: unknown): void => {
  setTimeout(() => {
    throw error;
  });
};
