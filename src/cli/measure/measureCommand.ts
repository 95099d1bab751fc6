import type { StarsFound } from '@/core/measure/stars/findStars';
import type { Problem, Result } from '@/core/quantity/result';
import { MEASURING } from './measures';
import { measureOptions, MEASURES, type MeasureOptions } from './options';
import { openPicture, type PictureFile } from './pictureFile';
import { pitchReader, setupReader, type PitchOf } from './pitchOf';
import { measureStars, seriesLine, starLine, starSetupOf } from './starLines';
import { lightLine, pairLine, shakeLine, type NamedPicture } from './together';

/** The words of the usage about measuring. */
export const MEASURE_USAGE = `       npm run -s jauge -- measure <${MEASURES.join('|')}> <picture …> [options]

Measuring pictures (JPEG, PNG, TIFF, WebP, GIF, AVIF, FITS, SER, DNG) prints one line of JSON a picture and ends with 1 when one
was refused;
a pair, light (two even frames, two dark ones) and shake (a series by hand) print one line for all of them, stars of a series
one more line at the end:
  --pitch 4.36 | --setup file.json   what a pixel stands for, for ratios and stars
  --tone srgb|linear                 how codes stand for light; by default as usual for the format
  --ends x1,y1,x2,y2                 rough ends of a length, px; the top left pixel's middle is 0,0
  --tick 1|0.5|1/16in                what lies between two ticks of a ruler, where it is known
  --part left,top,right,bottom       the part of the picture an edge is looked for in, px
  --frame 12                         which frame of a film or page of a file, from 0; the sharpest or largest where nothing is said
  --focal 24 --declination 20 --roll 0   of stars: focal length, mm; where the middle looks and how it is turned, degrees
  --exposure 30 | "5;10;20"          shutter time, s, of all or of each picture; from EXIF where nothing is said`;

type Told = { print: (line: string) => void; refused: () => void };

/** Puts one line out: what was found, or why nothing was. */
function line(told: Told, head: object, found: Result<object>): void {
  if (found.ok) return told.print(JSON.stringify({ ...head, ok: true, ...found.value }));
  told.refused();
  const { code, message } = found.problem;
  told.print(JSON.stringify({ ...head, ok: false, problem: { code, message } }));
}

/** Pictures one by one; stars with their times are a series in the end. */
async function oneByOne(options: MeasureOptions, pitchOf: PitchOf, told: Told): Promise<void> {
  const { measure, pictures, tone, frame, exposuresS } = options;
  const series: { exposureS: number; found: StarsFound }[] = [];
  for (const [k, picture] of pictures.entries()) {
    const head = { picture, measure };
    const opened = await openPicture(picture, tone, frame);
    const pitch = opened.ok ? pitchOf(opened.value.grey) : opened;
    if (!opened.ok || !pitch.ok) {
      line(told, head, (opened.ok ? pitch : opened) as Result<object>);
      continue;
    }
    if (measure !== 'stars') {
      line(told, head, MEASURING[measure as keyof typeof MEASURING](opened.value, options, pitch.value));
      continue;
    }
    const exposureS = exposuresS?.[exposuresS.length > 1 ? k : 0] ?? opened.value.exposureS;
    const setup = starSetupOf(options, pitch.value, exposureS, setupReader(options), opened.value.focalMm);
    const found = measureStars(opened.value, setup);
    line(told, head, found.ok ? { ok: true, value: starLine(found.value) } : found);
    if (found.ok && exposureS !== null) series.push({ exposureS, found: found.value });
  }
  const times = new Set(series.map(({ exposureS }) => exposureS));
  if (measure === 'stars' && times.size > 1) line(told, { measure, series: true }, seriesLine(series));
}

const MOST_TOGETHER = { pair: 2, light: 4 } as const;

/** Pictures that tell something together. */
async function allTogether(options: MeasureOptions, told: Told): Promise<void> {
  const { measure, pictures, tone, frame, exposuresS } = options;
  const every = MOST_TOGETHER[measure as keyof typeof MOST_TOGETHER] ?? pictures.length;
  for (let from = 0; from < pictures.length; from += every) {
    const names = pictures.slice(from, from + every);
    const head = measure === 'pair' ? { picture: names[0], other: names[1], measure } : { picture: names[0], measure };
    const opened: (NamedPicture & { takenS: number | null })[] = [];
    let refused: Result<PictureFile> | null = null;
    for (const [k, picture] of names.entries()) {
      const each = await openPicture(picture, tone, frame);
      if (!each.ok) {
        refused = { ok: false, problem: { ...each.problem, message: `${picture}: ${each.problem.message}` } };
        break;
      }
      const takenS = exposuresS?.[exposuresS.length > 1 ? from + k : 0] ?? each.value.exposureS;
      opened.push({ ...each.value, picture, takenS });
    }
    if (refused) line(told, head, refused);
    else if (measure === 'pair') line(told, head, pairLine(opened));
    else if (measure === 'light') line(told, head, lightLine(opened));
    else line(told, head, shakeLine(opened));
  }
}

/**
 * Measures pictures and hands on one line each, or one for all that tell something together.
 *
 * @returns how the command ends: 0, 1 when a picture was refused, 2 when an option is not understood
 */
export async function measureCommand(
  words: string[],
  print: (line: string) => void,
  tell: (message: string) => void,
): Promise<0 | 1 | 2> {
  const options = measureOptions(words);
  const pitchOf = options.ok ? pitchReader(options.value) : options;
  if (!options.ok || !pitchOf.ok) {
    const { problem } = (options.ok ? pitchOf : options) as { problem: Problem };
    tell(problem.message);
    return 2;
  }
  let code: 0 | 1 = 0;
  const told: Told = {
    print,
    refused: () => {
      code = 1;
    },
  };
  if (['pair', 'light', 'shake'].includes(options.value.measure)) await allTogether(options.value, told);
  else await oneByOne(options.value, pitchOf.value, told);
  return code;
}
