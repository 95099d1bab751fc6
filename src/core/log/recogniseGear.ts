import type { BodyPiece } from '../bag/pieces';
import type { Link } from '../chain/link';
import type { PhotoTags } from '../formats/photoProposal';
import { modesOf } from '../kit/body';
import { named } from '../measure/whosePicture';
import { usedArea } from '../sensor/cropMode';

/** What of the kit a picture was taken with, as far as it is told. */
export interface Gear {
  body: BodyPiece | null;
  optic: Link | null;
  converter: Link | null;
  /** Mode by the number of pixels; null where none has as many. */
  modeId: string | null;
}

export interface GearKit {
  bodies: readonly BodyPiece[];
  parts: readonly Link[];
}

/** Cameras round focal lengths, and lenses are not as long as engraved. */
const FOCAL_SLACK = 0.03;
const SIZE_SLACK = 0.012;

function bodyOf({ maker, model }: PhotoTags, bodies: readonly BodyPiece[]): BodyPiece | null {
  if (!model) return null;
  const whole = [maker, model].filter(Boolean).join(' ');
  const found = bodies.filter(({ body }) => named(whole, body.name) || named(model, body.name));
  return found.length === 1 ? found[0]! : (found.find(({ body }) => named(whole, body.name)) ?? null);
}

type LensLike = Link & { part: { focalWideMm: number; focalTeleMm: number; mount?: string | undefined } };
const isLens = (link: Link): link is LensLike => link.part.kind === 'lens' || link.part.kind === 'builtIn';
const isConverter = (link: Link): link is Link & { part: Extract<Link['part'], { kind: 'converter' }> } =>
  link.part.kind === 'converter';

const spans = ({ part }: LensLike, focalMm: number, factor = 1): boolean =>
  focalMm >= part.focalWideMm * factor * (1 - FOCAL_SLACK) && focalMm <= part.focalTeleMm * factor * (1 + FOCAL_SLACK);

/** The lens EXIF names; where it names none, the only one for this mount with that focal length. */
function lensOf({ lensModel, focalLengthMm }: PhotoTags, parts: readonly Link[], mount?: string): LensLike | null {
  const lenses = parts.filter(isLens);
  if (lensModel) {
    const called = lenses.filter(({ part }) => named(lensModel, part.name));
    if (called.length) return called.sort((a, b) => b.part.name.length - a.part.name.length)[0]!;
  }
  if (lensModel || !focalLengthMm) return null;
  const fitting = lenses.filter((lens) => (!mount || lens.part.mount === mount) && spans(lens, focalLengthMm));
  return fitting.length === 1 ? fitting[0]! : null;
}

/** The converter that makes the lens as long as EXIF tells; the weakest where several do. */
function converterOf(lens: LensLike | null, focalMm: number | undefined, parts: readonly Link[]) {
  if (!lens || !focalMm || spans(lens, focalMm)) return null;
  const fitting = parts
    .filter(isConverter)
    .filter(({ part }) => (!part.mount || part.mount === lens.part.mount) && spans(lens, focalMm, part.factor));
  return fitting.sort((a, b) => a.part.factor - b.part.factor)[0] ?? null;
}

/** The mode of a body with as many pixels as the picture. */
function modeOf(body: BodyPiece | null, tags: PhotoTags): string | null {
  const columns = tags.fileColumns ?? tags.exifColumns;
  const rows = tags.fileRows ?? tags.exifRows;
  if (!body || !columns || !rows) return null;
  const [long, short] = [Math.max(columns, rows), Math.min(columns, rows)];
  const found = modesOf(body.body).find((mode) => {
    const used = usedArea(body.body.sensor, mode);
    return (
      Math.abs(Math.max(used.columns, used.rows) / long - 1) < SIZE_SLACK &&
      Math.abs(Math.min(used.columns, used.rows) / short - 1) < SIZE_SLACK
    );
  });
  return found?.id ?? null;
}

/** Body, lens, converter and mode of the kit a picture was taken with. */
export function recogniseGear(tags: PhotoTags, { bodies, parts }: GearKit): Gear {
  const body = bodyOf(tags, bodies);
  const optic = lensOf(tags, parts, body?.body.mount);
  return { body, optic, converter: converterOf(optic, tags.focalLengthMm, parts), modeId: modeOf(body, tags) };
}
