import { momentOf } from '../moments';
import { measurementSchema, type Measurement } from '../schemas/measurement';
import { resource } from './resource';

export const measurements = resource<Measurement>({
  schema: measurementSchema,
  noun: 'measurement',
  plural: 'Measurements',
  check: momentOf('measuredAt'),
});
