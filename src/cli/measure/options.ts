import { parseArgs } from 'node:util';
import type { Tone } from '@/core/picture/tone';
import { fail, ok, type Result } from '@/core/quantity/result';

/** What can be asked of a picture on the command line. */
export const MEASURES = ['ruler', 'length', 'disc', 'subject'] as const;
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
function endsOf(text: string): MeasureOptions['ends'] | null {
  const values = text.split(/[\s,;]+/).map(numberOf);
  if (values.length !== 4 || values.some((value) => value === null)) return null;
  const [x1, y1, x2, y2] = values as [number, number, number, number];
  return [
    [x1, y1],
    [x2, y2],
  ];
}

/** Reads the words after `jauge measure`; says what to write where something is not understood. */
export function measureOptions(words: string[]): Result<MeasureOptions> {
  let parsed;
  try {
    parsed = parseArgs({
      args: words,
      allowPositionals: true,
      options: {
        pitch: { type: 'string' },
        setup: { type: 'string' },
        tone: { type: 'string' },
        ends: { type: 'string' },
        tick: { type: 'string' },
        frame: { type: 'string' },
      },
    });
  } catch (error) {
    return bad('option', (error as Error).message);
  }
  const [measure, ...pictures] = parsed.positionals;
  const { pitch, setup, tone, ends, tick, frame } = parsed.values;
  if (!MEASURES.includes(measure as Measure))
    return bad('measure', `Say what to measure: ${MEASURES.join(', ')}. “${measure ?? ''}” is none of them.`);
  if (pictures.length === 0) return bad('picture', 'Name at least one picture.');
  if (pitch !== undefined && setup !== undefined)
    return bad('pitch', 'Give --pitch or --setup, not both: the set-up has a pitch of its own.');
  const pitchUm = pitch === undefined ? undefined : numberOf(pitch);
  if (pitchUm === null || (pitchUm !== undefined && !(pitchUm > 0.1 && pitchUm < 100)))
    return bad('pitch', `--pitch is the pixel pitch in µm, such as 4.36, not “${pitch}”.`);
  if (tone !== undefined && tone !== 'srgb' && tone !== 'linear')
    return bad('tone', `--tone is srgb or linear, not “${tone}”.`);
  const roughEnds = ends === undefined ? undefined : endsOf(ends);
  if (roughEnds === null) return bad('ends', `--ends is x1,y1,x2,y2 in px, such as 120,80,640,95, not “${ends}”.`);
  if (measure === 'length' && roughEnds === undefined)
    return bad('ends', 'A length needs its rough ends: --ends x1,y1,x2,y2 in px.');
  const tickMm = tick === undefined ? undefined : tickOf(tick);
  if (tickMm === null) return bad('tick', `--tick is what lies between two ticks: 1, 0.5 or 1/16in, not “${tick}”.`);
  const wanted = frame === undefined ? undefined : numberOf(frame);
  if (wanted === null || (wanted !== undefined && !(Number.isInteger(wanted) && wanted >= 1)))
    return bad('frame', `--frame counts the frames of a film from 1, not “${frame}”.`);
  return ok({
    measure: measure as Measure,
    pictures,
    pitchUm,
    setup,
    tone,
    ends: roughEnds,
    tickMm,
    frame: wanted === undefined ? undefined : wanted - 1,
  });
}
