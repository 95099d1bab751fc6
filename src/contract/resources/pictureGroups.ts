import { isMoment, noSuchMoment } from '../moments';
import type { FieldError } from '../problem';
import { pictureGroupSchema, type PictureGroup } from '../schemas/pictureGroup';
import { resource } from './resource';

function check({ takenFrom, takenTo }: PictureGroup): FieldError[] {
  const errors: FieldError[] = [];
  if (!isMoment(`${takenFrom}Z`)) errors.push(noSuchMoment('takenFrom', 'First taken'));
  if (!isMoment(`${takenTo}Z`)) errors.push(noSuchMoment('takenTo', 'Last taken'));
  if (!errors.length && takenTo < takenFrom)
    errors.push({ path: 'takenTo', message: 'The last picture was taken before the first one.' });
  return errors;
}

export const pictureGroups = resource<PictureGroup>({
  schema: pictureGroupSchema,
  noun: 'group of pictures',
  plural: 'Groups of pictures',
  check,
});
