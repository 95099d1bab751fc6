import { between, dateTime, note, text, uuid } from './fields';

const verdict = (title: string) => ({ type: 'string', title, enum: ['fine', 'small', 'strokes'] }) as const;

/** A series of exposures of the same stars with one lens, judged picture by picture; and what else one notes of the lens. */
export const starTestSchema = {
  $id: 'starTest',
  title: 'Star test',
  type: 'object',
  additionalProperties: false,
  required: ['name', 'opticId', 'focalMm', 'frames', 'takenAt'],
  properties: {
    name: text('Name', 240),
    opticId: uuid('Lens'),
    focalMm: between('Focal length in mm', 0.5, 20_000),
    frames: {
      type: 'array',
      title: 'Pictures',
      maxItems: 60,
      items: {
        type: 'object',
        title: 'Picture',
        additionalProperties: false,
        required: ['seconds', 'centrePx', 'cornerPx'],
        properties: {
          seconds: between('Exposure in s', 0.001, 36_000),
          centrePx: between('Run in the centre in px', 0, 1e6),
          cornerPx: between('Run in the corner in px', 0, 1e6),
          centre: verdict('Verdict on the centre'),
          corner: verdict('Verdict on the corners'),
        },
      },
    },
    cornerStretchPx: between('Corner stars drawn out by the lens, in px', 0, 1000),
    takenAt: dateTime('Time'),
    note: note('Note'),
  },
} as const;

/** The same as a type; written out to spare the compiler. */
export interface StarTest {
  name: string;
  opticId: string;
  focalMm: number;
  frames: {
    seconds: number;
    centrePx: number;
    cornerPx: number;
    centre?: 'fine' | 'small' | 'strokes' | undefined;
    corner?: 'fine' | 'small' | 'strokes' | undefined;
  }[];
  cornerStretchPx?: number | undefined;
  takenAt: string;
  note?: string | undefined;
}
