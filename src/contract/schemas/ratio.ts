import { between, note, text } from './fields';
import { chainOfIds, type Setup } from './setup';

/** A reproduction ratio measured with one chain; it replaces the estimate wherever that chain is used. */
export const ratioSchema = {
  $id: 'ratio',
  title: 'Measured ratio',
  type: 'object',
  additionalProperties: false,
  required: ['name', 'chain', 'at', 'method', 'ratio', 'plusMinus', 'measuredAt'],
  properties: {
    name: text('Name', 240),
    chain: chainOfIds,
    focalMm: between('Focal length in mm', 1, 20_000),
    at: { type: 'string', title: 'End of the focus', enum: ['closest', 'infinity'] },
    method: { type: 'string', title: 'Method', enum: ['ruler', 'marks'] },
    frameWidthMm: between('Width of the frame in mm', 0.5, 200),
    visibleMm: between('Millimetres seen across the frame', 0.01, 10_000),
    visiblePlusMinusMm: between('Error of the reading in mm', 0, 1000),
    pixels: between('Pixels between the marks', 1, 1e6),
    pitchUm: between('Pixel pitch in µm', 0.1, 100),
    realMm: between('Distance between the marks in mm', 0.001, 10_000),
    realPlusMinusMm: between('Error of the distance in mm', 0, 1000),
    distanceM: between('Distance from sensor to ruler in m', 0.001, 100),
    ratio: between('Reproduction ratio', 0.0001, 1000),
    plusMinus: between('Error of the ratio', 0, 1000),
    measuredAt: {
      type: 'string',
      title: 'Time',
      pattern: '^\\d{4}-\\d{2}-\\d{2}T\\d{2}:\\d{2}:\\d{2}(\\.\\d{1,3})?Z$',
    },
    note: note('Note'),
  },
} as const;

/** The same as a type; written out, as working it out of the schema takes the compiler minutes. */
export interface Ratio {
  name: string;
  chain: Setup['chain'];
  focalMm?: number;
  at: 'closest' | 'infinity';
  method: 'ruler' | 'marks';
  frameWidthMm?: number;
  visibleMm?: number;
  visiblePlusMinusMm?: number;
  pixels?: number;
  pitchUm?: number;
  realMm?: number;
  realPlusMinusMm?: number;
  distanceM?: number;
  ratio: number;
  plusMinus: number;
  measuredAt: string;
  note?: string;
}
