import { outputLongSidePx, type OutputSpec } from '../output/needs';
import { verdictOf, type Verdict } from '../output/verdict';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import { usedArea, type UsedArea } from '../sensor/cropMode';
import { megapixels } from '../sensor/diagonal';
import { modesOf, type BodySpec, type CropModeSpec } from './body';

/** What one mode of a body gives. What cannot be known from what was entered is left out. */
export interface ModeRow {
  mode: CropModeSpec;
  used: UsedArea;
  megapixels: Quantity;
  fileSizeMb?: Quantity;
  picturesOnCard?: Quantity;
  framesPerSecond?: Quantity;
  /** Seconds at full speed; absent when the card keeps up, see `endlessBurst`. */
  burstSeconds?: Quantity;
  /** The same in whole pictures. */
  burstPictures?: Quantity;
  endlessBurst: boolean;
  printLongMm: Quantity;
  verdicts: { output: OutputSpec; verdict: Verdict | null }[];
}

export interface ModeTableInput {
  body: BodySpec;
  /** Card, in gigabytes as makers count them (10⁹ bytes). */
  cardGb: number;
  /** Density the longest print is asked for, pixels per inch. */
  pixelsPerInch: number;
  outputs: OutputSpec[];
}

/** Compression differs from picture to picture: files of unknown size are good to about 15 %. */
const FILE_UNCERTAINTY = 0.15;
const figures = (value: number): string => String(Number(value.toPrecision(3)));

function megapixelsOf(body: BodySpec, mode: CropModeSpec, used: UsedArea): Quantity {
  const whole = megapixels(body.sensor.columns, body.sensor.rows);
  const value = megapixels(used.columns, used.rows);
  const factor = mode.factor ?? 1;
  const crops = mode.pixels === undefined && factor > 1;
  return computed(value, 'MP', () => ({
    name: `Megapixels of “${mode.name}”`,
    formula: crops ? 'columns · rows = MP / c²' : 'columns · rows / 10⁶',
    inputs: [
      input('columns', 'pixel columns used', given(used.columns, 'px', 'Columns', 'body and mode')),
      input('rows', 'pixel rows used', given(used.rows, 'px', 'Rows', 'body and mode')),
      ...(crops
        ? [
            input('c', 'crop factor of the mode', given(factor, '×', 'Crop factor of the mode', 'body data')),
            input(
              'MP',
              'megapixels before the crop',
              given(value * factor * factor, 'MP', 'Megapixels before the crop'),
            ),
          ]
        : []),
    ],
    source: crops
      ? `the factor shortens both sides, so the megapixels are divided by it twice. Divided once, ${figures(whole)} ÷ ${figures(factor)} = ${figures(whole / factor)} MP: the usual mistake, ${figures(whole / factor / value)} times too many`
      : 'counted',
  }));
}

function fileSizeOf(body: BodySpec, mode: CropModeSpec, used: UsedArea): Quantity | undefined {
  if (mode.fileSizeMb !== undefined) return given(mode.fileSizeMb, 'MB', `Typical file of “${mode.name}”`, 'body data');
  const share = (used.columns * used.rows) / (body.sensor.columns * body.sensor.rows);
  if (body.fileSizeMb !== undefined) {
    const whole = body.fileSizeMb;
    return computed(
      whole * share,
      'MB',
      () => ({
        name: `File of “${mode.name}”`,
        formula: 'file of the whole sensor · share of its pixels',
        inputs: [
          input('F', 'file of the whole sensor', given(whole, 'MB', 'Typical raw file', 'body data')),
          input('s', 'share of the pixels', given(share * 100, '%', 'Share of the pixels')),
        ],
        source: 'files grow with the pixels; the same compression',
      }),
      whole * share * FILE_UNCERTAINTY,
    );
  }
  const bits = body.bitsPerSample;
  if (bits === undefined) return undefined;
  const size = (used.columns * used.rows * bits) / 8e6;
  return computed(
    size,
    'MB',
    () => ({
      name: `Uncompressed file of “${mode.name}”`,
      formula: 'columns · rows · bits / 8 · 10⁶',
      inputs: [
        input('columns', 'pixel columns', given(used.columns, 'px', 'Columns')),
        input('rows', 'pixel rows', given(used.rows, 'px', 'Rows')),
        input('bits', 'bits per sample', given(bits, '1', 'Bits per sample', 'body data')),
      ],
      source: 'one sample a pixel',
      neglects: 'Compression, which makes it smaller, and the preview inside, which makes it larger.',
    }),
    size * FILE_UNCERTAINTY,
  );
}

function burstOf(
  body: BodySpec,
  rate: Quantity,
  file: Quantity,
): Pick<ModeRow, 'burstSeconds' | 'burstPictures' | 'endlessBurst'> {
  const { burstBufferMb: buffer, cardWriteMbPerS: write = 0 } = body;
  const filling = rate.value * file.value - write;
  if (filling <= 0) return { endlessBurst: true };
  if (buffer === undefined) return { endlessBurst: false };
  const seconds = buffer / filling;
  const burstSeconds = computed(
    seconds,
    's',
    () => ({
      name: 'Seconds of burst at full speed',
      formula: 'buffer / (frames per second · file − writing speed)',
      inputs: [
        input('buffer', 'burst buffer', given(buffer, 'MB', 'Burst buffer', 'body data')),
        input('n', 'frames per second', rate),
        input('F', 'file', file),
        input(
          'w',
          'written to the card a second',
          given(
            write,
            'MB',
            'Writing speed',
            body.cardWriteMbPerS === undefined ? 'not entered, taken as 0' : 'body data',
          ),
        ),
      ],
      source: 'the buffer fills with what is not yet written',
    }),
    file.plusMinus === undefined ? undefined : seconds * FILE_UNCERTAINTY,
  );
  return {
    endlessBurst: false,
    burstSeconds,
    burstPictures: computed(
      // A picture that is not whole is none; a hair below a whole one is only rounding.
      Math.floor(rate.value * seconds + 1e-9),
      '1',
      () => ({
        name: 'Pictures of a burst at full speed',
        formula: 'frames per second · seconds of burst, whole pictures',
        inputs: [input('n', 'frames per second', rate), input('t', 'seconds of burst', burstSeconds)],
        source: 'as many as the buffer takes before the speed falls',
      }),
      burstSeconds.plusMinus === undefined ? undefined : rate.value * burstSeconds.plusMinus,
    ),
  };
}

function rowOf(mode: CropModeSpec, { body, cardGb, pixelsPerInch, outputs }: ModeTableInput): ModeRow {
  const used = usedArea(body.sensor, mode);
  const longPx = Math.max(used.columns, used.rows);
  const file = fileSizeOf(body, mode, used);
  const rate =
    mode.framesPerSecond === undefined
      ? undefined
      : given(mode.framesPerSecond, 'frames/s', `Frames per second of “${mode.name}”`, 'body data');
  const card = given(cardGb * 1000, 'MB', 'Card', 'the card as set, in millions of bytes');
  return {
    mode,
    used,
    megapixels: megapixelsOf(body, mode, used),
    ...(file
      ? {
          fileSizeMb: file,
          picturesOnCard: computed(
            Math.floor((cardGb * 1000) / file.value),
            '1',
            () => ({
              name: 'Pictures on the card',
              formula: 'card / file, whole pictures',
              inputs: [input('card', 'card', card), input('F', 'file', file)],
              source: 'typical files; a quiet sky compresses better than a reed bed',
            }),
            ((cardGb * 1000) / file.value) * FILE_UNCERTAINTY,
          ),
        }
      : {}),
    ...(rate ? { framesPerSecond: rate } : {}),
    ...(rate && file ? burstOf(body, rate, file) : { endlessBurst: false }),
    printLongMm: computed((longPx / pixelsPerInch) * 25.4, 'mm', () => ({
      name: 'Longest print',
      formula: 'long side / density · 25.4',
      inputs: [
        input('px', 'pixels along the long side', given(longPx, 'px', 'Long side')),
        input('d', 'density', given(pixelsPerInch, 'px/in', 'Print density', 'as set')),
      ],
      source: 'one pixel of the picture for one of the print',
    })),
    verdicts: outputs.map((output) => {
      const needed = outputLongSidePx(output);
      return { output, verdict: needed === null ? null : verdictOf(longPx, needed) };
    }),
  };
}

/**
 * What every mode of a body gives: pixels, files, pictures on a card, speed, burst, print size, and whether the whole
 * picture is enough for each output. Pixels on a subject are the same in all of them.
 */
export function modeTable(table: ModeTableInput): ModeRow[] {
  return modesOf(table.body).map((mode) => rowOf(mode, table));
}
