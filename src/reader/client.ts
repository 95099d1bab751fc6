import type { PictureRead } from '@/core/formats/pictures/readPicture';
import { BROKE_OFF, readingTimeMs, STARTING_MS, TOO_LONG, type ReaderNews } from '@/core/formats/pictures/readerTalk';
import { fail, type Result } from '@/core/quantity/result';

/** A file to be read: in the browser the file itself, on the command line its path. */
export interface ReaderAsk<File> {
  id: number;
  file: File;
  frame?: number | undefined;
}

/** A reading worker as its platform starts it. */
export interface ReaderPort<File> {
  ask: (asked: ReaderAsk<File>) => void;
  end: () => void;
}
export type StartReader<File> = (onNews: (news: ReaderNews) => void, onBroken: () => void) => ReaderPort<File>;

export interface ReadAsked {
  frame?: number | undefined;
  onProgress?: ((share: number) => void) | undefined;
}

/** Reads pictures one after the other in a worker; a file that takes too long ends the worker, and the next one starts another. */
export interface PictureReader<File> {
  read: (file: File, asked?: ReadAsked) => Promise<Result<PictureRead>>;
  end: () => void;
}

const refused = ({ code, message, field }: typeof TOO_LONG | typeof BROKE_OFF) => fail(code, message, field);

/** A reader whose worker is started when a file is read, and ended when it breaks or takes too long. */
export function pictureReader<File>(start: StartReader<File>): PictureReader<File> {
  let port: ReaderPort<File> | null = null;
  let [lastId, waiting]: [number, { id: number; news: (news: ReaderNews) => void; broken: () => void } | null] = [
    0,
    null,
  ];
  const end = () => {
    port?.end();
    port = null;
  };
  const started = () =>
    (port ??= start(
      (news) => waiting?.id === news.id && waiting.news(news),
      () => waiting?.broken(),
    ));
  const read = (file: File, { frame, onProgress }: ReadAsked = {}) =>
    new Promise<Result<PictureRead>>((resolve) => {
      const id = ++lastId;
      let timer: ReturnType<typeof setTimeout>;
      const done = (result: Result<PictureRead>) => {
        clearTimeout(timer);
        waiting = null;
        resolve(result);
      };
      const giveUp = (why: typeof TOO_LONG | typeof BROKE_OFF) => () => {
        end();
        done(refused(why));
      };
      const within = (ms: number) => {
        clearTimeout(timer);
        timer = setTimeout(giveUp(TOO_LONG), ms);
      };
      waiting = {
        id,
        broken: giveUp(BROKE_OFF),
        news: (news) => {
          if ('read' in news) return done(news.read);
          if ('pixels' in news) within(readingTimeMs(news.pixels));
          else onProgress?.(news.share);
        },
      };
      within(STARTING_MS);
      started().ask({ id, file, frame });
    });
  return { read, end };
}
