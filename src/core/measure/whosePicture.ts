import type { PhotoTags } from '../formats/photoProposal';

/** A set-up a picture may have been taken with. */
export interface SetupSeen {
  id: string;
  bodyName: string;
  lensNames: string[];
  /** Shortest and longest focal length of the main lens, mm. */
  focalMm: [number, number] | null;
  /** Pixels of the body's modes, longer side first. */
  sizes: [number, number][];
}

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();

/** Whether two names speak of the same thing: one holds the other, whole words. */
export function named(a: string | undefined, b: string): boolean {
  const [x, y] = [plain(a ?? ''), plain(b)];
  return x !== '' && y !== '' && (` ${y} `.includes(` ${x} `) || ` ${x} `.includes(` ${y} `));
}

const SIZE_TOLERANCE = 0.012;

/** How well a set-up agrees with what a picture tells; 0 when its body cannot be the one. */
function agreement(tags: PhotoTags, setup: SetupSeen, width: number, height: number): number {
  const told = [tags.maker, tags.model].filter(Boolean).join(' ');
  const body = told !== '' && (named(told, setup.bodyName) || named(tags.model, setup.bodyName));
  if (told !== '' && !body) return 0;
  const [long, short] = [Math.max(width, height), Math.min(width, height)];
  const size = setup.sizes.some(
    ([a, b]) => Math.abs(a / long - 1) < SIZE_TOLERANCE && Math.abs(b / short - 1) < SIZE_TOLERANCE,
  );
  if (!body && !size) return 0;
  const lens = setup.lensNames.some((name) => named(tags.lensModel, name));
  const focal =
    tags.focalLengthMm !== undefined &&
    setup.focalMm !== null &&
    tags.focalLengthMm >= setup.focalMm[0] * 0.97 &&
    tags.focalLengthMm <= setup.focalMm[1] * 1.03;
  return (body ? 4 : 0) + (size ? 2 : 0) + (lens ? 3 : 0) + (focal ? 1 : 0);
}

/** The set-up a picture was most likely taken with, and others that agree with it as well. */
export interface Proposed {
  id: string;
  others: string[];
}

/**
 * The set-up of the kit a picture was most likely taken with: by the body EXIF names, the lens, the focal length, and by its
 * number of pixels. Of several that agree as well, as with and without a bellows, the one in hand comes first.
 *
 * @returns nothing when no set-up has that body, or when the picture tells nothing and several have its pixels
 */
export function whosePicture(
  tags: PhotoTags | null,
  { width, height }: { width: number; height: number },
  setups: SetupSeen[],
  inHandId: string | null = null,
): Proposed | null {
  const ranked = setups
    .map((setup) => ({ id: setup.id, score: agreement(tags ?? {}, setup, width, height) }))
    .filter(({ score }) => score > 0)
    .sort((a, b) => b.score - a.score);
  const [first] = ranked;
  if (!first) return null;
  const equal = ranked.filter(({ score }) => score === first.score).map(({ id }) => id);
  if (!tags?.model && equal.length > 1) return null;
  const id = equal.find((each) => each === inHandId) ?? first.id;
  return { id, others: equal.filter((each) => each !== id) };
}
