import { isMoment } from '../moments';
import type { FieldError } from '../problem';
import { outingSchema, type Outing, type OutingWant } from '../schemas/outing';
import { resource } from './resource';

/** What a picture of its kind cannot do without. */
const LACKS: Record<OutingWant['kind'], readonly [keyof OutingWant, string][]> = {
  far: [
    ['subjectId', 'Choose the subject of this picture.'],
    ['distanceM', 'Say from which distance this picture is to be taken.'],
  ],
  near: [['subjectId', 'Choose the subject of this picture.']],
  stars: [
    ['declinationDeg', 'Say at which declination the camera points.'],
    ['fieldDeg', 'Say how wide a part of the sky is to be seen.'],
  ],
};

function check({ day, place, wants }: Outing): FieldError[] {
  const errors: FieldError[] = [];
  if (!isMoment(`${day}T12:00:00Z`))
    errors.push({ path: 'day', message: 'There is no such day. Write it as 2026-11-25.' });
  if ((place.latitudeDeg === undefined) !== (place.longitudeDeg === undefined))
    errors.push({
      path: place.latitudeDeg === undefined ? 'place.latitudeDeg' : 'place.longitudeDeg',
      message: 'A place needs latitude and longitude, or neither.',
    });
  const seen = new Set<string>();
  wants.forEach((want, i) => {
    if (seen.has(want.id))
      errors.push({ path: `wants.${i}.id`, message: 'Two pictures have one key. Give each its own.' });
    seen.add(want.id);
    for (const [field, message] of LACKS[want.kind])
      if (want[field] === undefined) errors.push({ path: `wants.${i}.${field}`, message });
  });
  return errors;
}

export const outings = resource<Outing>({ schema: outingSchema, noun: 'outing', plural: 'Outings', check });
