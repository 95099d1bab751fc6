import type { PhotoTags } from '../formats/photoProposal';
import type { TakenPicture } from './picture';

/** Pictures taken one after the other with the same gear. */
export interface TakenGroup {
  pictures: TakenPicture[];
  /** By the camera's own clock, YYYY-MM-DDTHH:MM:SS; the same for all where no picture has a time. */
  takenFrom: string;
  takenTo: string;
}

/** A pause longer than this begins a new group, minutes. */
export const USUAL_PAUSE_MIN = 10;

/** What stands for pictures without a time: they make one group of their own. */
const NO_TIME = '1970-01-01T00:00:00';

const minutesBetween = (a: string, b: string): number => (Date.parse(`${b}Z`) - Date.parse(`${a}Z`)) / 60_000;

const gearOf = ({ maker, model, lensModel }: PhotoTags): string => JSON.stringify([maker, model, lensModel]);

/** A step of the focal length larger than this is another set-up (a converter put on), not a zoom that was turned. */
const isOtherFocal = (a: PhotoTags, b: PhotoTags): boolean => {
  const { focalWideMm, focalTeleMm } = a.lensRange ?? {};
  const isPrime = focalWideMm !== undefined && focalWideMm === focalTeleMm;
  if (!isPrime || !a.focalLengthMm || !b.focalLengthMm) return false;
  return Math.abs(Math.log(a.focalLengthMm / b.focalLengthMm)) > Math.log(1.05);
};

/** Distances as EXIF tells them that differ by more than this factor are of two subjects. */
const OTHER_DISTANCE = 3;

const isOtherDistance = ({ subjectDistanceM: a }: PhotoTags, { subjectDistanceM: b }: PhotoTags): boolean =>
  a !== undefined && b !== undefined && Math.max(a / b, b / a) > OTHER_DISTANCE;

/**
 * Groups pictures by what they were taken with and when: a new group begins after a pause, with other gear, or where the lens was
 * focused on something much nearer or farther.
 *
 * @param pauseMin a pause longer than this begins a new group, minutes
 * @returns groups in the order in which they were taken; each body has its own
 */
export function groupPictures(pictures: readonly TakenPicture[], pauseMin = USUAL_PAUSE_MIN): TakenGroup[] {
  const timeOf = ({ tags }: TakenPicture) => tags.takenAt ?? NO_TIME;
  const sorted = [...pictures].sort(
    (a, b) => timeOf(a).localeCompare(timeOf(b)) || a.fileName.localeCompare(b.fileName, undefined, { numeric: true }),
  );
  const latest = new Map<string, TakenGroup>();
  const groups: TakenGroup[] = [];
  for (const picture of sorted) {
    // Two bodies in use at once do not break each other's groups.
    const body = JSON.stringify([picture.tags.maker, picture.tags.model]);
    const group = latest.get(body);
    const last = group?.pictures.at(-1);
    const time = timeOf(picture);
    const goesOn =
      group &&
      last &&
      minutesBetween(group.takenTo, time) <= pauseMin &&
      gearOf(last.tags) === gearOf(picture.tags) &&
      !isOtherFocal(last.tags, picture.tags) &&
      !isOtherDistance(last.tags, picture.tags);
    if (goesOn) {
      group.pictures.push(picture);
      group.takenTo = time;
    } else {
      const begun = { pictures: [picture], takenFrom: time, takenTo: time };
      latest.set(body, begun);
      groups.push(begun);
    }
  }
  return groups;
}

/** The value in the middle of what is known; of an even number the lower of both, so that it is one that was set. */
export function middleOf(values: readonly (number | undefined)[]): number | undefined {
  const known = values.filter((value): value is number => value !== undefined && value > 0).sort((a, b) => a - b);
  return known[Math.floor((known.length - 1) / 2)];
}

/** The picture that stands for a group: the one in the middle. */
export const middlePicture = ({ pictures }: TakenGroup): TakenPicture => pictures[Math.floor(pictures.length / 2)]!;
