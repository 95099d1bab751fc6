import path from 'node:path';
import { Worker } from 'node:worker_threads';
import { pictureReader, type PictureReader } from './client';

/** The reading worker, bundled on its own: it runs beside the command line, and can be ended (scripts/lib/pictureLibrary.mjs). */
const READER = path.join('build', 'reader', 'node.cjs');

/** Where the project lies: the bundled command line is two folders below it, and so is this. */
const PROJECT = path.join(__dirname, '..', '..');

/** A reader of picture files by their paths, in a worker of its own. */
export const fileReader = (): PictureReader<string> =>
  pictureReader((onNews, onBroken) => {
    const worker = new Worker(path.join(PROJECT, READER), { stdout: true, stderr: true });
    worker.on('message', onNews);
    worker.on('error', onBroken);
    return { ask: (asked) => worker.postMessage(asked), end: () => void worker.terminate() };
  });
