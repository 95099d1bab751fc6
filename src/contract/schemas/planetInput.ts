import { between } from './fields';
import { systemProperties, type SystemInputData } from './systemInput';

/** Everything a reading of a planet is worked out from: what the command line reads. */
export const planetInputSchema = {
  $id: 'planetInput',
  title: 'Reading of a planet',
  type: 'object',
  additionalProperties: false,
  required: ['body', 'modeId', 'chain', 'planet'],
  properties: {
    ...systemProperties,
    planet: {
      type: 'string',
      title: 'Planet',
      enum: ['Mercury', 'Venus', 'Mars', 'Jupiter', 'Saturn', 'Uranus', 'Neptune'],
    },
    discArcsec: between('Disc in arcseconds', 0.1, 100),
    blurPx: between('Smear allowed in px', 0.1, 20),
    margin: between('Window against the disc', 1, 10),
    exposureS: between('Exposure of a frame in s', 0.0001, 10),
    linkMbPerS: between('What the cable or card takes, MB/s', 1, 10_000),
    cardGb: between('Card in GB', 1, 20_000),
    bits: { type: 'integer', title: 'Bits of a pixel', enum: [8, 16] },
  },
} as const;

export interface PlanetInputData extends SystemInputData {
  planet: 'Mercury' | 'Venus' | 'Mars' | 'Jupiter' | 'Saturn' | 'Uranus' | 'Neptune';
  discArcsec?: number | undefined;
  blurPx?: number | undefined;
  margin?: number | undefined;
  exposureS?: number | undefined;
  linkMbPerS?: number | undefined;
  cardGb?: number | undefined;
  bits?: 8 | 16 | undefined;
}
