import { codesOf } from '@/core/formats/pictures/mosaic';
import { greyOf, type Decoded } from '@/core/formats/pictures/decoded';
import { photonTransfer } from '@/core/measure/light/photonTransfer';
import { comparePair } from '@/core/measure/pair/comparePair';
import type { SeveralAsk, SeveralNews } from '@/core/measure/severalTalk';
import { handLimit } from '@/core/measure/shake/handLimit';
import { sharpnessOf } from '@/core/measure/shake/sharpness';
import { fail, ok, type Result } from '@/core/quantity/result';
import { fileReader } from '@/reader/startBrowser';
import { onAsked, teller } from './talk';

const tell = teller<SeveralNews>();

/** Opens one file after the other and hands each to what is made of it; nothing larger than that stays. */
async function eachOf<T>(
  files: readonly Blob[],
  share: number,
  make: (decoded: Decoded, index: number) => T,
): Promise<Result<T[]>> {
  const made: T[] = [];
  const reader = fileReader();
  try {
    for (const [k, file] of files.entries()) {
      const read = await reader.read(file);
      if (!read.ok) return read;
      made.push(make(read.value.decoded, k));
      tell({ share: (share * (k + 1)) / files.length });
    }
    return ok(made);
  } finally {
    reader.end();
  }
}

const EIGHT_BITS = fail(
  'light.bits',
  'Light is measured on raw or 16-bit files: those of 8 bits were made for the eye, and their noise is gone.',
  'picture',
);

async function foundOf(asked: SeveralAsk) {
  if (asked.ask === 'pair') {
    const both = await eachOf(asked.files, 0.3, (decoded) => greyOf(decoded, decoded.tone, true));
    if (!both.ok) return both;
    const [a, b] = both.value;
    return comparePair(a!, b!, (share) => tell({ share: 0.3 + 0.7 * share }));
  }
  if (asked.ask === 'light') {
    const frames = await eachOf(asked.files, 0.8, (decoded) => (decoded.bits > 8 ? codesOf(decoded) : null));
    if (!frames.ok) return frames;
    const counted = frames.value.filter((each) => each !== null);
    return counted.length < frames.value.length ? EIGHT_BITS : photonTransfer(counted);
  }
  const { exposuresS } = asked;
  const held = await eachOf(asked.files, 1, (decoded, k) => ({
    exposureS: exposuresS[k]!,
    ...sharpnessOf(greyOf(decoded, decoded.tone, true)),
  }));
  return held.ok ? handLimit(held.value) : held;
}

onAsked<SeveralAsk>((asked) => {
  foundOf(asked)
    .then((found) => tell({ found }))
    .catch((error: unknown) =>
      tell({
        found: fail('bench.failed', `This could not be done: ${(error as Error).message}. Try smaller pictures.`),
      }),
    );
});
