import { greyOf } from '@/core/formats/pictures/decoded';
import { mosaicOf, type Mosaic } from '@/core/formats/pictures/mosaic';
import { answer } from '@/core/measure/answer';
import type { BenchAsk, BenchNews, Opened } from '@/core/measure/benchTalk';
import type { Grey } from '@/core/picture/grey';
import { shown, whiteOf } from '@/core/picture/shown';
import { ok, type Result } from '@/core/quantity/result';
import { fileReader } from '@/reader/startBrowser';
import { letGo } from './letGo';
import { onAsked, teller } from './talk';

const tell = teller<BenchNews>();

/** The one picture this worker holds, and the light that is shown white. */
let held: { grey: Grey; white: number; mosaic: Mosaic | null } | null = null;

async function open({ id, file, tone, frame }: Extract<BenchAsk, { ask: 'open' }>): Promise<Result<Opened>> {
  tell({ id, share: 0.1 });
  const reader = fileReader();
  const read = await reader.read(file, { frame, onProgress: (share) => tell({ id, share: 0.1 + 0.7 * share }) });
  reader.end();
  if (!read.ok) return read;
  tell({ id, share: 0.8 });
  const { decoded, kind, frame: shownFrame, frames } = read.value;
  const mosaic = mosaicOf(decoded);
  const grey = greyOf(decoded, tone, true);
  if (grey.data.buffer !== decoded.codes.buffer) letGo(decoded.codes.buffer);
  held = { grey, white: whiteOf(grey), mosaic };
  const { width, height } = grey;
  return ok({ width, height, kind, tone: tone ?? decoded.tone, frame: shownFrame, frames });
}

const NOT_OPEN = { code: 'bench.notOpen', message: 'The picture is not open any more: bring it again.' };

async function told(ask: BenchAsk): Promise<void> {
  const { id } = ask;
  if (ask.ask === 'open') return tell({ id, opened: await open(ask) });
  if (!held) return tell({ id, problem: NOT_OPEN });
  if (ask.ask === 'part') {
    const part = shown(held.grey, ask.part, held.white);
    return tell({ id, part }, [part.buffer]);
  }
  const found = answer(held.grey, ask.question, (share) => tell({ id, share }), held.mosaic);
  tell({ id, found });
}

onAsked<BenchAsk>((asked) => {
  told(asked).catch((error: unknown) =>
    tell({
      id: asked.id,
      problem: {
        code: 'bench.failed',
        message: `This could not be done: ${(error as Error).message}. Try a smaller picture.`,
      },
    }),
  );
});
