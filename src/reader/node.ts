import fs from 'node:fs';
import { parentPort } from 'node:worker_threads';
import Vips from 'wasm-vips';
import type { ByteSource } from '@/core/formats/pictures/byteSource';
import { answering, toldAsError } from './answering';
import type { ReaderAsk } from './client';
import { libraryOf } from './library';

/** An open file, piece by piece. */
function bytesOf(file: number): ByteSource {
  const { size } = fs.fstatSync(file);
  return {
    size,
    read: (from, to) => {
      const piece = new Uint8Array(Math.max(0, Math.min(size, to) - from));
      const count = fs.readSync(file, piece, 0, piece.length, from);
      return count < piece.length ? piece.slice(0, count) : piece;
    },
  };
}

const vips = libraryOf(Vips);

async function answer({ id, file, frame }: ReaderAsk<string>): Promise<void> {
  const opened = fs.openSync(file, 'r');
  try {
    await answering(id, bytesOf(opened), { vips, frame }, (news, transfer) => parentPort!.postMessage(news, transfer));
  } finally {
    fs.closeSync(opened);
  }
}

parentPort!.on('message', (asked: ReaderAsk<string>) => {
  answer(asked).catch(toldAsError);
});
