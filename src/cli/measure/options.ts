import { parseArgs } from 'node:util';
import type { Tone } from '@/core/picture/tone';
import { fail, ok, type Result } from '@/core/quantity/result';

/** What can be asked of a picture on the command line. */
export const MEASURES = ['ruler', 'length', 'disc', 'subject', 'edge', 'stars', 'pair', 'light', 'shake'] as const;
export type Measure = (typeof MEASURES)[number];

export interface MeasureOptions {
  measure: Measure;
  pictures: string[];
  pitchUm?: number | undefined;
  setup?: string | undefined;
  tone?: Tone | undefined;
  ends?: [[number, number], [number, number]] | undefined;
  /** What lies between two ticks, mm. */
  tickMm?: number | undefined;
  frame?: number | undefined;
  /** The part of a picture an edge lies in: left, top, right, bottom, px. */
  part?: [number, number, number, number] | undefined;
  /** Of stars: focal length, shutter time of each picture, declination of the middle, position angle of the upper side. */
  focalMm?: number | undefined;
  exposuresS?: number[] | undefined;
  declinationDeg?: number | undefined;
  rollDeg?: number | undefined;
}

const MM_PER_INCH = 25.4;

const bad = (field: string, message: string) => fail('measure.option', message, field);

/** A number of an option, with comma or point; nothing for anything else. */
function numberOf(text: string): number | null {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(value) ? value : null;
}

/** "1", "0.5", "0,5", "1/16in": what lies between two ticks, mm. */
export function tickOf(text: string): number | null {
  const inches = /^(?:(\d+)\s*\/\s*)?(\d+(?:[.,]\d+)?)\s*(?:in|")$/.exec(text.trim());
  if (inches) {
    const [, top, bottom] = inches;
    const value = numberOf(bottom!)!;
    return value > 0 ? MM_PER_INCH * (top === undefined ? value : Number(top) / value) : null;
  }
  const value = numberOf(text.replace(/mm\s*$/, ''));
  return value !== null && value > 0 ? value : null;
}

/** Four numbers, x1,y1,x2,y2, px. */
function fourOf(text: string): [number, number, number, number] | null {
  const values = text.split(/[\s,;]+/).map(numberOf);
  if (values.length !== 4 || values.some((value) => value === null)) return null;
  return values as [number, number, number, number];
}

/** A shutter time: seconds, or a part of one as 1/250. */
function secondsOf(text: string): number | null {
  const part = /^(\d+)\s*\/\s*(\d+(?:[.,]\d+)?)\s*s?$/.exec(text.trim());
  const value = part ? Number(part[1]) / numberOf(part[2]!)! : numberOf(text.replace(/\s*s$/, ''));
  return value !== null && value > 0 && Number.isFinite(value) ? value : null;
}

/** Shutter times, one for all pictures or one for each, parted by semicolons, or by commas where no comma is decimal. */
function exposuresOf(text: string): number[] | null {
  const parts = text.includes(';')
    ? text.split(';')
    : text.includes('.') || /,.*,|\/.*,/.test(text)
      ? text.split(',')
      : [text];
  const values = parts.map(secondsOf);
  return values.some((value) => value === null) ? null : (values as number[]);
}

/** What an option may be, and what to write where it is not. */
interface Bounds {
  least: number;
  most: number;
  what: string;
}

const NUMBERS = {
  pitch: { least: 0.1, most: 100, what: 'the pixel pitch in µm, such as 4.36' },
  focal: { least: 1, most: 20_000, what: 'the focal length in mm, such as 24' },
  declination: { least: -90, most: 90, what: 'the declination of the picture’s middle in degrees, −90 to 90' },
  roll: {
    least: -360,
    most: 360,
    what: 'the position angle of the picture’s upper side in degrees, from north through east',
  },
} satisfies Record<string, Bounds>;

/** The options that are plain numbers; the first one that is not is told. */
function numbersOf(
  given: Partial<Record<keyof typeof NUMBERS, string>>,
): Result<Partial<Record<keyof typeof NUMBERS, number>>> {
  const found: Partial<Record<keyof typeof NUMBERS, number>> = {};
  for (const name of Object.keys(NUMBERS) as (keyof typeof NUMBERS)[]) {
    const text = given[name];
    if (text === undefined) continue;
    const value = numberOf(text);
    const { least, most, what } = NUMBERS[name];
    if (value === null || value < least || value > most) return bad(name, `--${name} is ${what}, not “${text}”.`);
    found[name] = value;
  }
  return ok(found);
}

/** Reads the words after `jauge measure`; says what to write where something is not understood. */
export function measureOptions(words: string[]): Result<MeasureOptions> {
  let parsed;
  try {
    parsed = parseArgs({
      args: signed(words),
      allowPositionals: true,
      options: Object.fromEntries(
        ['pitch', 'setup', 'tone', 'ends', 'tick', 'frame', 'part', 'focal', 'exposure', 'declination', 'roll'].map(
          (name) => [name, { type: 'string' as const }],
        ),
      ),
    });
  } catch (error) {
    return bad('option', (error as Error).message);
  }
  const [measure, ...pictures] = parsed.positionals;
  if (!MEASURES.includes(measure as Measure))
    return bad('measure', `Say what to measure: ${MEASURES.join(', ')}. “${measure ?? ''}” is none of them.`);
  if (pictures.length === 0) return bad('picture', 'Name at least one picture.');
  return understood(measure as Measure, pictures, parsed.values as Record<string, string | undefined>);
}

/** A number below nothing is no option, though it begins with a dash: written as one word with what it belongs to. */
function signed(words: string[]): string[] {
  const joined: string[] = [];
  for (let i = 0; i < words.length; i++) {
    const [word, next] = [words[i]!, words[i + 1]];
    const negative = /^--[a-z]+$/.test(word) && next !== undefined && /^-[\d.,]/.test(next);
    joined.push(negative ? `${word}=${next}` : word);
    if (negative) i++;
  }
  return joined;
}

function understood(
  measure: Measure,
  pictures: string[],
  {
    pitch,
    setup,
    tone,
    ends,
    tick,
    frame,
    part,
    focal,
    exposure,
    declination,
    roll,
  }: Record<string, string | undefined>,
): Result<MeasureOptions> {
  if (pitch !== undefined && setup !== undefined)
    return bad('pitch', 'Give --pitch or --setup, not both: the set-up has a pitch of its own.');
  const numbers = numbersOf({ pitch, focal, declination, roll });
  if (!numbers.ok) return numbers;
  if (tone !== undefined && tone !== 'srgb' && tone !== 'linear')
    return bad('tone', `--tone is srgb or linear, not “${tone}”.`);
  const roughEnds = ends === undefined ? undefined : fourOf(ends);
  if (roughEnds === null) return bad('ends', `--ends is x1,y1,x2,y2 in px, such as 120,80,640,95, not “${ends}”.`);
  if (measure === 'length' && roughEnds === undefined)
    return bad('ends', 'A length needs its rough ends: --ends x1,y1,x2,y2 in px.');
  const framed = part === undefined ? undefined : fourOf(part);
  if (framed === null || (framed && !(framed[2] > framed[0] && framed[3] > framed[1])))
    return bad('part', `--part is left,top,right,bottom in px, such as 400,300,700,600, not “${part}”.`);
  const tickMm = tick === undefined ? undefined : tickOf(tick);
  if (tickMm === null) return bad('tick', `--tick is what lies between two ticks: 1, 0.5 or 1/16in, not “${tick}”.`);
  const wanted = frame === undefined ? undefined : numberOf(frame);
  if (wanted === null || (wanted !== undefined && !(Number.isInteger(wanted) && wanted >= 1)))
    return bad('frame', `--frame counts the frames of a film from 1, not “${frame}”.`);
  const exposuresS = exposure === undefined ? undefined : exposuresOf(exposure);
  if (exposuresS === null || (exposuresS && exposuresS.length > 1 && exposuresS.length !== pictures.length))
    return bad(
      'exposure',
      `--exposure is the shutter time in seconds, or one for each picture: 30, 1/60, “5;10;20”, not “${exposure}”.`,
    );
  const many = { pair: 2, light: 4 }[measure as string];
  if (many !== undefined && (measure === 'pair' ? pictures.length !== many : pictures.length % many !== 0))
    return bad(
      'picture',
      measure === 'pair'
        ? 'A pair is two pictures of the same thing: name both.'
        : 'For light name four pictures: two of an even surface and two dark ones; four more for each further ISO.',
    );
  return ok({
    measure,
    pictures,
    pitchUm: numbers.value.pitch,
    setup,
    tone,
    ends: roughEnds && [
      [roughEnds[0], roughEnds[1]],
      [roughEnds[2], roughEnds[3]],
    ],
    tickMm,
    frame: wanted === undefined ? undefined : wanted - 1,
    part: framed,
    focalMm: numbers.value.focal,
    exposuresS,
    declinationDeg: numbers.value.declination,
    rollDeg: numbers.value.roll,
  });
}
