import type { Problem } from '@/core/quantity/result';
import { MEASURING } from './measures';
import { measureOptions, MEASURES } from './options';
import { lightOfFile } from './pictureFile';
import { pitchReader } from './pitchOf';

/** The words of the usage about measuring. */
export const MEASURE_USAGE = `       npm run -s jauge -- measure <${MEASURES.join('|')}> <picture …> [options]

Measuring pictures (JPEG, PNG, TIFF, FITS, SER, DNG) prints one line of JSON a picture and ends with 1 when one was refused:
  --pitch 4.36 | --setup file.json   what a pixel stands for, for ratios
  --tone srgb|linear                 how codes stand for light; by default as usual for the format
  --ends x1,y1,x2,y2                 rough ends of a length, px; the top left pixel's middle is 0,0
  --tick 1|0.5|1/16in                what lies between two ticks of a ruler, where it is known
  --frame 12                         which frame of a film; the sharpest where nothing is said`;

/**
 * Measures pictures and hands on one line each.
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
  const { measure, pictures, tone, frame } = options.value;
  let code: 0 | 1 = 0;
  for (const picture of pictures) {
    const refuse = ({ code: name, message }: Problem) => {
      code = 1;
      print(JSON.stringify({ picture, measure, ok: false, problem: { code: name, message } }));
    };
    const grey = await lightOfFile(picture, tone, frame);
    if (!grey.ok) {
      refuse(grey.problem);
      continue;
    }
    const pitch = pitchOf.value(grey.value);
    if (!pitch.ok) {
      refuse(pitch.problem);
      continue;
    }
    const found = MEASURING[measure](grey.value, options.value, pitch.value);
    if (found.ok) print(JSON.stringify({ picture, measure, ok: true, ...found.value }));
    else refuse(found.problem);
  }
  return code;
}
