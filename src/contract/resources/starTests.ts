import { momentOf } from '../moments';
import { starTestSchema, type StarTest } from '../schemas/starTest';
import { resource } from './resource';

export const starTests = resource<StarTest>({
  schema: starTestSchema,
  noun: 'star test',
  plural: 'Star tests',
  check: momentOf('takenAt'),
});
