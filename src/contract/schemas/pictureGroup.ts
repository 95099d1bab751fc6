import { between, count, key, note, positive, text, uuid } from './fields';
import { thumbnail } from './measurement';

/** A moment by a camera's own clock, which knows no time zone; that it exists is checked beside the schema. */
const clockTime = (title: string) =>
  ({ type: 'string', title, pattern: '^\\d{4}-\\d{2}-\\d{2}T\\d{2}:\\d{2}:\\d{2}$' }) as const;

/** Pictures taken one after the other of one subject with one set-up, and what became of them. The pictures stay where they are. */
export const pictureGroupSchema = {
  $id: 'pictureGroup',
  title: 'Group of pictures',
  type: 'object',
  additionalProperties: false,
  required: ['subjectName', 'takenFrom', 'takenTo', 'pictures'],
  properties: {
    subjectName: text('Subject'),
    kind: { type: 'string', title: 'Kind', enum: ['far', 'near', 'stars'] },
    verdict: { type: 'string', title: 'Verdict', enum: ['kept', 'soft', 'small', 'strokes', 'noisy'] },
    takenFrom: clockTime('First taken'),
    takenTo: clockTime('Last taken'),
    pictures: count('Pictures', 1_000_000),
    firstFile: text('First file', 240),
    lastFile: text('Last file', 240),
    outingId: uuid('Outing'),
    wantId: key('Picture wanted'),
    subjectId: uuid('Subject in the list'),
    bodyId: uuid('Body in the kit'),
    bodyName: text('Body'),
    opticId: uuid('Lens in the kit'),
    lensName: text('Lens'),
    converterId: uuid('Converter in the kit'),
    converterName: text('Converter'),
    modeId: key('Mode'),
    focalMm: positive('Focal length in mm', 100_000),
    fNumber: positive('f-number', 1000),
    seconds: positive('Exposure in s', 1_000_000),
    iso: positive('ISO', 100_000_000),
    distanceM: positive('Distance in m', 1_000_000),
    distanceFrom: { type: 'string', title: 'Where the distance is from', enum: ['exif', 'plan', 'entered'] },
    ratio: positive('Reproduction ratio', 1000),
    supported: { type: 'boolean', title: 'On a support' },
    pixelsOnSubject: between('Pixels on the subject', 0, 1e9),
    neededPixels: between('Pixels needed', 0, 1e9),
    prints: {
      type: 'array',
      title: 'Fingerprints of its pictures',
      maxItems: 20_000,
      items: text('Fingerprint', 32),
    },
    preview: thumbnail,
    note: note('Note', 1000),
  },
} as const;

export type PictureVerdict = 'kept' | 'soft' | 'small' | 'strokes' | 'noisy';

/** The same as a type; written out to spare the compiler. Exposure, ISO and focal length are those in the middle of the group. */
export interface PictureGroup {
  subjectName: string;
  kind?: 'far' | 'near' | 'stars' | undefined;
  verdict?: PictureVerdict | undefined;
  takenFrom: string;
  takenTo: string;
  pictures: number;
  firstFile?: string | undefined;
  lastFile?: string | undefined;
  outingId?: string | undefined;
  wantId?: string | undefined;
  subjectId?: string | undefined;
  bodyId?: string | undefined;
  bodyName?: string | undefined;
  opticId?: string | undefined;
  lensName?: string | undefined;
  converterId?: string | undefined;
  converterName?: string | undefined;
  modeId?: string | undefined;
  focalMm?: number | undefined;
  fNumber?: number | undefined;
  seconds?: number | undefined;
  iso?: number | undefined;
  distanceM?: number | undefined;
  distanceFrom?: 'exif' | 'plan' | 'entered' | undefined;
  ratio?: number | undefined;
  supported?: boolean | undefined;
  pixelsOnSubject?: number | undefined;
  neededPixels?: number | undefined;
  /** Of each of its pictures, by which it is known when it is brought home again. */
  prints?: string[] | undefined;
  preview?: string | undefined;
  note?: string | undefined;
}
